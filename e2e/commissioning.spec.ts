import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { expect, test } from './fixtures'

test('a step is read, ticked with a note, found again after a reload, and taken back', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Commissioning')
  const sentence = page.locator('[data-run-book-sentence]')
  await expect(sentence).toContainText('With one pair of hands')
  // By keyboard: the first bar that is left, and from there to the next by an arrow.
  const first = page.locator('[data-step][tabindex="0"]')
  await first.focus()
  await page.keyboard.press('Enter')
  const inspector = page.locator('[data-inspector]')
  await expect(inspector).toContainText('Good')
  await inspector.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(sentence).toContainText(/^1 of \d+ steps/)
  await inspector.getByLabel('Note').fill('Dust behind the grille')
  await inspector.getByLabel('Note').press('Tab')
  await numeron.expectSaved()
  await page.reload()
  await expect(sentence).toContainText(/^1 of \d+ steps/)
  await page.locator('[data-step].done').click()
  await expect(page.locator('[data-inspector]').getByLabel('Note')).toHaveValue(
    'Dust behind the grille',
  )
  await page.locator('[data-inspector]').getByRole('button', { name: 'Not done after all' }).click()
  await expect(sentence).toContainText('With one pair of hands')
})

test('what is not so is found by questions, kept with its step, and leads back to it', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Commissioning')
  await page.locator('[data-step="pool.test"]').click()
  const inspector = page.locator('[data-inspector]')
  await inspector.getByRole('button', { name: 'It is not so' }).click()
  await inspector.getByRole('link', { name: 'A drive fails a test' }).click()
  const question = page.locator('[data-question]')
  await expect(question).toContainText('under two weeks old')
  await question.getByRole('button', { name: 'No', exact: true }).click()
  await question.getByRole('button', { name: 'The count of CRC errors' }).click()
  await expect(page.locator('[data-found]')).toContainText('The lead or the port.')
  // The way back of the browser takes the last answer back.
  await page.goBack()
  await expect(question).toContainText('What failed?')
  await question.getByRole('button', { name: 'The test was interrupted' }).click()
  await page.getByRole('button', { name: 'Keep it with the step' }).click()
  await page.getByRole('link', { name: 'Do the step again' }).click()
  await expect(inspector.getByLabel('Note')).toHaveValue(/A restart, a power cut, or it slept\./)
})

test('one step at a time, on a phone, with the server out in between', async ({
  numeron,
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await numeron.openLatest()
  await page.goto(`${page.url().replace(/\/plans\/([^/?#]+).*/, '/plans/$1')}/commissioning`)
  await page.locator('[data-open-one]').click()
  const one = page.locator('[data-one-step]')
  const told = one.locator('[data-one-do]')
  const first = await told.textContent()
  const done = one.locator('[data-one-done]')
  expect((await done.boundingBox())!.height).toBeGreaterThanOrEqual(56)
  await done.click()
  await expect(told).not.toHaveText(first!)
  await numeron.expectSaved()
  // The server is not reached: ticks are kept here, and join the others when it is back.
  await page.route('**/api/**', route => route.abort())
  await done.click()
  await done.click()
  await one.getByLabel('Note').fill('Fan rattles')
  await one.getByLabel('Note').press('Tab')
  await page.unroute('**/api/**')
  await one.getByRole('button', { name: 'Whole book' }).click()
  await expect(page.locator('[data-run-book-sentence]')).toContainText(/^3 of \d+ steps/)
  await expect(async () => {
    await page.reload()
    await expect(page.locator('[data-run-book-sentence]')).toContainText(/^3 of \d+ steps/)
  }).toPass()
})

test('a file is carried, ticked without any server, and read back', async ({
  numeron,
  page,
  context,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Commissioning')
  const [carried] = await Promise.all([
    page.waitForEvent('download'),
    page.locator('[data-carry]').click(),
  ])
  const folder = await mkdtemp(join(tmpdir(), 'numeron-carried-'))
  const file = join(folder, 'run-book.html')
  await carried.saveAs(file)
  const phone = await context.newPage()
  const errors: string[] = []
  phone.on('pageerror', error => errors.push(error.message))
  await phone.goto(pathToFileURL(file).href)
  await phone.getByRole('button', { name: 'Done' }).click()
  await phone.getByRole('button', { name: 'It is not so' }).click()
  await phone.getByLabel('Note').fill('</script><b>"quoted"</b>')
  await phone.getByLabel('Note').press('Tab')
  const [copy] = await Promise.all([
    phone.waitForEvent('download'),
    phone.getByRole('button', { name: 'Save a copy' }).click(),
  ])
  const back = join(folder, 'copy.html')
  await copy.saveAs(back)
  // The copy goes on where it was left.
  await phone.goto(pathToFileURL(back).href)
  await expect(phone.locator('#kept')).toContainText('2 steps were changed here')
  expect(errors).toEqual([])
  await phone.close()
  await page.getByLabel('A carried run-book').setInputFiles(back)
  await expect(page.locator('[data-carried-changes] tbody tr')).toHaveCount(2)
  await expect(page.locator('[data-carried-changes]')).not.toContainText('changed by hand')
  await page.locator('[data-apply-carried]').click()
  await expect(page.locator('[data-run-book-sentence]')).toContainText(/^1 of \d+ steps/)
  await writeFile(back, (await readFile(back, 'utf8')).slice(0, -30))
  await page.getByLabel('A carried run-book').setInputFiles(back)
  await expect(page.locator('[data-carried-problem]')).toContainText('cut off')
  await rm(folder, { recursive: true })
})

test('rights are pressed, exported and tried; names are checked and given back as a script', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Commissioning')
  await page.getByRole('link', { name: 'People and shares' }).click()
  const sentence = page.locator('[data-access-sentence]')
  await expect(sentence).toContainText('No rule is broken.')
  await page.getByRole('gridcell', { name: /^Group guests, photos/ }).click()
  await expect(sentence).toContainText('1 thing is against a rule.')
  await page.locator('[data-rule="S1"]').getByRole('button', { name: 'Apply' }).click()
  await expect(sentence).toContainText('No rule is broken.')
  const saved = async (which: string) => {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.locator(`[data-export="${which}"]`).click(),
    ])
    return readFile(await file.path(), 'utf8')
  }
  expect(await saved('smb')).toContain('[photos]')
  await page.getByRole('link', { name: 'Folders and names' }).click()
  await page.getByLabel('List of files').setInputFiles({
    name: 'files.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from('./films/low.water.1978.mkv\n./films/Estuary.mkv\n'),
  })
  const names = page.locator('[data-names-sentence]')
  await expect(names).toContainText('Of 2 files in files.txt: 0 names are right, 1 gets another')
  await page.locator('[data-names-questions] input').fill('1999')
  await page.locator('[data-names-questions] input').press('Tab')
  await expect(names).toContainText('2 get another')
  const script = await saved('script')
  expect(script).toContain("'films/Estuary (1999)/Estuary (1999).mkv'")
  await page.getByLabel('List of files').setInputFiles({
    name: 'x.bin',
    mimeType: 'application/octet-stream',
    buffer: Buffer.from(Array.from({ length: 4000 }, (_, at) => (at * 7) % 9)),
  })
  await expect(page.locator('[data-names-failed]')).toContainText('no list of files')
})

test('the machine is measured and signed off, and its calendar is taken', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Commissioning')
  await page.getByRole('link', { name: 'Sign-off' }).click()
  await page.getByLabel('Back after an outage, measured').fill('30')
  await expect(page.locator('[data-measure="backMin"]')).toContainText('Not as planned')
  await page.getByLabel('Back after an outage, measured').fill('9')
  await expect(page.locator('[data-measure="backMin"]')).toContainText('In order')
  await page.locator('[data-add-signature]').click()
  await page.locator('[data-add-signature]').click()
  await page.locator('[data-signatures]').getByLabel('Who').first().fill('Maren')
  await page.locator('[data-signatures]').getByLabel('Who').last().fill('Joost')
  await page.locator('[data-begin]').click()
  await page.getByRole('link', { name: 'Fill, copies, calendar' }).click()
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.locator('[data-export="calendar"]').click(),
  ])
  const calendar = await readFile(await file.path(), 'utf8')
  expect(calendar).toContain('BEGIN:VCALENDAR\r\n')
  expect(calendar).toMatch(/UID:[\w-]+\.scrub\.all@numeron\r\n/)
})
