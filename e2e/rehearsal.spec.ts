import { violationsOf } from './axe'
import { expect, test } from './fixtures'

const viewOf = (url: string, section = '') =>
  `${url.replace(/\/plans\/([^/?#]+).*/, '/plans/$1')}/rehearsal${section}`

test('an evening plays, a stall is scrubbed to, and a fix ends it on the same evening', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await page.goto(viewOf(page.url()))
  await page.locator('[data-stage]').waitFor()
  expect(await violationsOf(page, '[data-evening]')).toEqual([])
  const clock = page.locator('[data-clock]')
  // Without motion it goes from event to event.
  await page.locator('[data-play]').click()
  const begun = await clock.textContent()
  await expect(clock).not.toHaveText(begun!)
  await page.keyboard.press('p')
  await expect(page.locator('[data-play]')).toHaveText(/Play/)
  const before = await clock.textContent()
  await page.keyboard.press('.')
  await expect(clock).not.toHaveText(before!)
  await page.keyboard.press(',')
  await expect(clock).toHaveText(before!)

  // The next evening on which somebody stalls or gives up.
  const stalled = page.locator('[data-event=stall], [data-event=gaveUp]')
  await expect(async () => {
    await page.locator('[data-next-disturbed]').click()
    await expect(stalled.first()).toBeVisible({ timeout: 2000 })
  }).toPass({ timeout: 60_000 })
  const heading = await page.locator('figcaption h2').textContent()
  const told = page.locator('[data-evening-sentence]')
  await expect(told).toContainText(/stalls|gives up/)
  await stalled.first().click()
  const moment = page.locator('[data-moment]')
  await expect(moment).toContainText('What binds:')
  expect(await violationsOf(page, '[data-moment]')).toEqual([])
  const fix = moment.locator('[data-prevents]', { hasText: 'nothing disturbs it' }).first()
  await fix.getByRole('button', { name: 'Apply' }).click()
  await expect(told).toContainText('Nothing disturbs this evening')
  await expect(page.locator('figcaption h2')).toHaveText(heading!)
  await numeron.expectSaved()
})

test('thousands of evenings are cancelled, run to their end, kept, and told elsewhere', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await page.goto(viewOf(page.url(), '/thousands'))
  await page.locator('[data-within]').selectOption('0.003')
  await page.locator('[data-run]').click()
  await page.locator('[data-cancel]').click()
  await expect(page.locator('[data-run]')).toBeVisible()
  await page.locator('[data-within]').selectOption('0.01')
  await page.locator('[data-run]').click()
  await expect(page.locator('[data-open=Worst]')).toBeVisible({ timeout: 60_000 })
  const sentence = (await page.locator('[data-many-sentence]').textContent())!
  expect(sentence).toMatch(/^About 1 evening in \d+ is disturbed/)
  expect(await violationsOf(page, '[data-thousands]')).toEqual([])
  await numeron.expectSaved()
  await page.goto(page.url().replace(/\/rehearsal.*/, '/household'))
  await expect(page.locator('[data-rehearsed]')).toContainText(sentence.trim())
  await page.goto(page.url().replace(/\/household.*/, ''))
  await expect(page.locator('[data-rehearsed]')).toContainText(sentence.trim())
  // Another machine: what was rehearsed is said to be of before.
  await page.goto(viewOf(page.url(), '/thousands'))
  await page.locator('[data-run]').waitFor()
})

test('what-ifs are combined and taken back, and two builds stand side by side', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await page.goto(viewOf(page.url(), '/what-if'))
  const told = page.locator('[data-what-if-sentence]')
  await expect(told).toContainText('is disturbed as planned.')
  await page.locator('[data-if=upload]').click()
  await page.locator('[data-if=guests]').click()
  await page.locator('[data-more=moreAway]').click()
  await expect(page.locator('[data-difference]')).toContainText('Difference: +')
  await expect(page.locator('[data-bar=So]')).toBeVisible()
  expect(await violationsOf(page, '[data-what-if]')).toEqual([])
  await page.locator('[data-reset]').click()
  await expect(told).toContainText('is disturbed as planned.')
  await expect(page.locator('[data-bar]')).toHaveCount(1)
  await page.locator('[data-show-builds]').click()
  const [first, second] = [0, 1].map(at => page.locator('[data-build]').nth(at))
  await expect(second!.locator('option').nth(1)).toBeAttached({ timeout: 90_000 })
  await second!.selectOption({ index: 1 })
  await expect(page.locator('[data-difference]')).toBeVisible()
  await first!.selectOption({ index: 1 })
  await expect(page.locator('[data-bar="With that build"]')).toBeVisible()
  // Against itself it is no other.
  await expect(page.locator('[data-difference]')).toContainText('Difference: +0 %')
})

test('without habits a week is made from the answers, and it plays at once', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  const id = await page.evaluate(async () => {
    const answer = await fetch('/api/plans', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        name: 'Three answers',
        household: { watchingHome: 2, watchingAway: 1 },
        library: { holdings: [{ kind: 'film', quality: 'hd1080-hevc', titles: 300 }] },
        machine: { score: 6000, cores: 4 },
      }),
    })
    return (await answer.json()).id
  })
  await page.goto(`${page.url().replace(/\/plans\/.*/, '')}/plans/${id}/rehearsal`)
  await page.locator('[data-make-week]').click()
  await page.locator('[data-stage]').waitFor()
  await expect(page.locator('[data-evening-sentence]')).not.toBeEmpty()
})
