import { expect, test } from './fixtures'

test('drives are put in, swapped and taken out by drag and by keyboard, and the line follows', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Drives')
  const raw = page.locator('[data-step=raw]')
  const drive = (place: number) => page.locator(`[data-drive="${place}"]`)
  await numeron.drag(
    page.getByRole('button', { name: 'Put in a drive of 12 TB' }),
    page.locator('.bay').nth(3),
  )
  await expect(raw).toContainText('32')
  await expect(drive(3)).toHaveAttribute('aria-label', /^Drive 4, 12 TB/)
  await expect(numeron.gauge('fit').locator('.asked')).toHaveText('4')
  await numeron.drag(drive(3), drive(0))
  await expect(drive(0)).toHaveAttribute('aria-label', /^Drive 1, 12 TB: parity/)
  await numeron.drag(drive(0), page.locator('.tray'))
  await expect(raw).toContainText('20')

  await drive(0).focus()
  await page.keyboard.press('Shift+ArrowRight')
  await page.keyboard.press('Shift+ArrowRight')
  await expect(drive(2)).toBeFocused()
  await expect(drive(2)).toHaveAttribute('aria-label', /^Drive 3, 8 TB/)
  await page.keyboard.press('Delete')
  await expect(page.locator('[data-drive]')).toHaveCount(2)
  await page.keyboard.press('Control+z')
  await expect(page.locator('[data-drive]')).toHaveCount(3)
  await numeron.expectSaved()
})

test('drives that are pressed have failed: what is left is told, down to the last number', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Drives')
  const drive = (place: number) => page.locator(`[data-drive="${place}"]`)
  const left = page.locator('[data-failures]')
  await drive(0).click()
  await expect(left).toContainText(
    'nothing is lost and everything plays on. The next failure can lose data.',
  )
  await left.locator('[data-figure="failures.wholeHours"]').click()
  const panel = page.getByRole('dialog', { name: /^Show working/ })
  await expect(panel).toContainText('until new drives are in')
  await page.keyboard.press('Escape')
  await drive(2).focus()
  await page.keyboard.press('Enter')
  await expect(drive(2)).toHaveAttribute('aria-pressed', 'true')
  await expect(left).toContainText('the files on them that no parity covers are lost')
  await expect(left).toContainText('Choir concerts irreplaceable')
  // The parity has failed, and with it the drive of 4 of the 12 TB of data.
  await expect(left.getByRole('img')).toHaveAttribute('aria-label', /^Plays on 67\s%, Lost 33\s%$/)
  await page.getByRole('button', { name: 'All drives work again' }).click()
  await expect(left).toHaveCount(0)
})

test(
  'a layout is previewed in the picture, applied, undone, and the same need is priced for ' +
    'each',
  async ({ numeron, page }) => {
    await numeron.openLatest()
    await numeron.goTo('Drives', 'Layouts')
    const point = (id: string) => page.locator(`[data-point="${id}"]`)
    await expect(point('dedicated-1')).toHaveAttribute(
      'aria-label',
      /^Dedicated parity, one drive: room 10\sTB, expected to lose 1\sin\s[\d,]+ of it all, loss 1\sin\s[\d,]+, chosen\. Apply$/,
    )
    await point('mirror').focus()
    await expect(page.locator('.headroom-line [data-verdict=space] .possible')).toHaveText(
      /^3\.33\sTB$/,
    )
    await page.keyboard.press('Enter')
    await expect(page.locator('[data-layout=mirror] input')).toBeChecked()
    await page.keyboard.press('Control+z')
    await expect(page.locator('[data-layout="dedicated-1"] input')).toBeChecked()

    await page.getByLabel('The same need, with new drives').check()
    await expect(point('rotating-1')).toHaveAttribute('aria-label', /\d × \d+\sTB, €[\d,]+, loss/)
    await expect(point('mirror')).toHaveCount(0)
    const drives = Number(
      /: (\d+) ×/.exec((await point('rotating-1').getAttribute('aria-label')) ?? '')?.[1],
    )
    // Layouts of the same room and chance share a mark; each has its name beside it.
    await point('rotating-1').locator('text').click()
    await numeron.expectState('space', 'tight')
    await numeron.goTo('Drives')
    await expect(page.locator('[data-drive]')).toHaveCount(drives)
  },
)

test('a copy away is previewed, switched on, and what is irreplaceable is safer', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Drives', 'Perils and copies')
  const chance = page.locator('[data-figure="drives.irreplaceableLossChancePerYear"]').first()
  await expect(chance).toContainText('%')
  const before = await chance.textContent()
  const away = page.locator('[data-measure=awayCopy]')
  await expect(page.locator('[data-finding=IRREPLACEABLE]')).toBeVisible()
  await away.focus()
  await expect(away).toHaveAttribute('aria-pressed', 'false')
  await page.keyboard.press('Enter')
  await expect(away).toHaveAttribute('aria-pressed', 'true')
  await expect(chance).not.toHaveText(before!)
  await expect(page.locator('[data-finding=IRREPLACEABLE]')).toHaveCount(0)
  await numeron.enter('drives.theftChance', '5')
  await expect(page.locator('[data-peril=theft] .left')).toContainText('1 in')
  await chance.click()
  await expect(page.getByRole('dialog', { name: /^Show working/ })).toContainText(
    'deleted by mistake',
  )
})

test('the chance of loss is counted by simulation, cancelled and run to its end, and agrees', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Drives', 'Risk')
  const panel = page.locator('[data-simulation]')
  await panel.getByRole('button', { name: 'Simulate' }).click()
  await panel.getByRole('button', { name: 'Cancel' }).click()
  await expect(panel.getByRole('progressbar')).toHaveCount(0)
  await panel.getByRole('button', { name: /^Simulate/ }).click()
  await expect(panel.getByRole('status')).toContainText('20,000,000 simulated years', {
    timeout: 40_000,
  })
  await expect(panel.getByRole('status')).toContainText('within the interval')
  await expect(panel.getByRole('button', { name: 'Simulate again' })).toBeVisible()
  // Another plan is another question.
  await numeron.enter('drives.ageYears', '6')
  await expect(panel.getByRole('status')).toHaveCount(0)
})
