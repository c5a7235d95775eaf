import { currentSchemaVersion } from '../core/plan/planSchema'
import { expect, test } from './fixtures'

test('the first line, end to end: edit, the verdict changes, reload, still there, export, import', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await expect(page.locator('[data-overall]')).toContainText('This will not do')
  await numeron.expectState('streams', 'short')
  await numeron.enter('machine.score', '20000')
  await numeron.expectState('streams', 'ample')
  await expect(page.locator('[data-overall]')).toContainText('This will not do')
  await numeron.expectState('space', 'impossible')
  await numeron.goTo('Machine')
  await numeron.buildOn('Lighter 8')
  await numeron.goTo('Drives')
  await numeron.pick(0)
  await numeron.enter('drives.lots.0.count', '5')
  await numeron.expectState('space', 'tight')
  // Six drives in a group want two that may fail, unless less is chosen.
  await numeron.expectState('survival', 'short')
  await numeron.goTo('Drives', 'Layouts')
  await numeron.enter('choices.survivesAtLeast', '1')
  await numeron.goTo('Brief')
  await expect(page.locator('[data-overall]')).toContainText(
    'This will not do, because what is irreplaceable has no copy outside the machine.',
  )
  await page.locator('[data-apply-copy]').click()
  await expect(page.locator('[data-overall]')).toContainText('This will just do')
  await numeron.expectSaved()

  await page.reload()
  await expect(numeron.field('machine.score')).toHaveValue('20000')
  await numeron.expectState('space', 'tight')

  const { name, text } = await numeron.exportPlan()
  expect(name).toBe('tide-mill-house.numeron.json')
  expect(JSON.parse(text)).toMatchObject({
    schemaVersion: currentSchemaVersion,
    machine: { score: 20_000 },
    drives: { lots: [{ count: 5 }, {}] },
  })

  await numeron.openPlans()
  await numeron.importText(name, text.replace('Tide Mill House', 'Tide Mill House again'))
  await page.getByRole('link', { name: 'Tide Mill House again' }).click()
  await expect(numeron.field('machine.score')).toHaveValue('20000')
  expect(JSON.parse((await numeron.exportPlan()).text)).toEqual({
    ...JSON.parse(text),
    name: 'Tide Mill House again',
  })
})

test('a new plan leads from five questions to an applied build', async ({ numeron, page }) => {
  await numeron.openPlans()
  await page.getByRole('button', { name: 'New plan' }).click()
  await expect(page.getByRole('heading', { name: 'What do you need?' })).toBeVisible()
  const results = page.locator('[data-results]')
  await expect(results.getByRole('status')).toContainText('Say what is kept')
  await expect(page.getByText('Until you add viewers, a busy evening is assumed')).toBeVisible()
  for (let viewer = 0; viewer < 3; viewer++)
    await page.getByRole('button', { name: 'Add a viewer at home' }).click()
  await page.getByRole('button', { name: 'Add a viewer away' }).click()
  await page.getByRole('button', { name: /^Viewer 2, / }).click()
  await page.getByText('Streaming stick, HD').click()
  await expect(
    page.getByRole('button', { name: 'Viewer 2, Streaming stick, HD: change the screen' }),
  ).toBeVisible()
  await page.locator('[data-kept=film]').getByRole('button', { name: '300', exact: true }).click()
  await page.getByLabel('Episodes, how many').fill('800')
  await page.getByRole('button', { name: /^Steadily/ }).click()
  await expect(page.locator('[data-need]')).toContainText(/Library in 5 years[\d.]+.TB/)
  await numeron.enter('brief.budget', '1500')
  await expect(results.getByRole('heading', { name: 'What to buy' })).toBeVisible()
  const first = results.locator('[data-build]').first()
  await expect(first).toContainText('Costs least over 5 years', { timeout: 30_000 })
  await expect(first.getByRole('button', { name: /^Apply / })).toBeEnabled({ timeout: 45_000 })
  await numeron.checkAccessible('start')
  numeron.expectNoViolations()
  const name = await first.locator('h3').innerText()
  const [toPay, overYears] = (await first.locator('.price').innerText()).match(/€[\d,]+/g)!
  await first.getByRole('button', { name: /^Apply / }).press('Enter')
  await expect(page.locator('[data-overall]')).toContainText(/^This will (just )?do/)
  await numeron.expectState('streams', /ample|enough|tight/)
  await numeron.expectSaved()
  // The same name and sums at every stop, on a phone too.
  await page.setViewportSize({ width: 390, height: 844 })
  await page.getByRole('link', { name: `Parts list: ${toPay} to pay now` }).click()
  await expect(page.locator('main')).toContainText(name)
  await expect(page.locator('main')).toContainText(toPay!)
  await page.setViewportSize({ width: 1280, height: 800 })
  await numeron.goTo('Ownership')
  await expect(page.locator('main')).toContainText(`${overYears} over 5 years`)
  await numeron.goTo('Tiers')
  await expect(page.locator('[data-answer]')).toContainText(`Keep ${name} with `, {
    timeout: 90_000,
  })
  await expect(page.locator('[data-answer]')).toContainText(`${overYears} with ${toPay} to pay now`)
  await numeron.goTo('Brief')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('[data-overall]')).not.toContainText(/^This will (just )?do/)
})

test('answers that are left out, or make no sense, still get an answer with what it assumes', async ({
  numeron,
  page,
}) => {
  await numeron.openPlans()
  await page.getByRole('button', { name: 'New plan' }).click()
  const results = page.locator('[data-results]')
  await expect(results.getByRole('status')).toContainText('Say what is kept')
  await page.locator('[data-kept=film]').getByRole('button', { name: '50', exact: true }).click()
  await numeron.enter('brief.budget', '1')
  await expect(results.getByRole('heading', { name: /^Nothing meets all of it/ })).toBeVisible({
    timeout: 45_000,
  })
  await expect(results.locator('[data-build]').first()).toContainText('For more money')
  await page.getByLabel('Films, how many').fill('none')
  await expect(page.getByLabel('Films, how many')).toHaveValue('none')
  await page.getByRole('button', { name: 'An old computer' }).click()
  await page.getByRole('button', { name: 'Both' }).click()
  await expect(page.getByLabel('Drives owned')).toHaveValue('2')
})

test('the palette finds views, sections, fields, figures and actions as they are typed', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  const find = async (text: string) => {
    await page.keyboard.press('Control+k')
    await page.locator('[data-palette]').fill(text)
  }
  await find('archive')
  await expect(page.getByRole('option').first()).toContainText('Streams: Archive')
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-archive]')).toBeVisible()
  await find('evening film chance')
  await page.keyboard.press('Enter')
  await expect(numeron.inspector.getByRole('heading', { name: 'Evening film' })).toBeVisible()
  await expect(numeron.field('household.habits.0.chance')).toBeFocused()
  await find('chance of loss')
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('dialog', { name: /^Show working/ })).toBeVisible()
  await page.keyboard.press('Escape')
  await find('dark colours')
  await page.keyboard.press('Enter')
  await expect(page.locator('.v-theme--night').first()).toBeVisible()
  await find('no such thing at all')
  await expect(page.getByRole('status').filter({ hasText: 'Nothing has that name' })).toBeVisible()
  await numeron.checkAccessible('palette')
  numeron.expectNoViolations()
})

test('what is selected is edited beside it, and left with the keyboard', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Library', 'Holdings')
  await numeron.pick(1)
  await expect(numeron.inspector.getByRole('heading', { name: 'Films, re-encoded' })).toBeVisible()
  await numeron.inspector.getByRole('heading', { name: 'Films, re-encoded' }).focus()
  await page.keyboard.press('ArrowRight')
  await expect(numeron.inspector.getByRole('heading', { name: 'Films in HDR' })).toBeVisible()
  const before = await page.locator('[data-verdict=space] .asked').textContent()
  await numeron.enter('library.holdings.2.titles', '400')
  await expect(page.locator('[data-verdict=space] .asked')).not.toHaveText(before!)
  await page.keyboard.press('Escape')
  await expect(numeron.inspector).toHaveCount(0)
  await expect(page.locator('[data-pick="2"]')).toBeFocused()
  await page.keyboard.press('ArrowDown')
  await expect(page.locator('[data-pick="3"]')).toBeFocused()
})

test('on a phone the rail keeps the view in sight, and what is selected comes up from below', async ({
  numeron,
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await numeron.openLatest()
  const rail = page.getByRole('navigation', { name: 'Views' })
  await numeron.goTo('Ownership')
  const box = (await rail.locator('[aria-current=page]').boundingBox())!
  expect(box.x).toBeGreaterThanOrEqual(0)
  expect(box.x + box.width).toBeLessThanOrEqual(391)
  expect((await page.locator('header.top').boundingBox())!.height).toBeLessThan(56)
  await numeron.goTo('Household', 'Viewers')
  await numeron.pick(0)
  const sheet = (await numeron.inspector.boundingBox())!
  expect(sheet.y).toBeGreaterThan(300)
  expect(Math.round(sheet.y + sheet.height)).toBeLessThanOrEqual(845)
})

test('what is tried can be pinned while one looks around, kept or dropped', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Tiers', 'Examples')
  await page.locator('[data-way="middle-built"]').hover()
  await numeron.expectState('streams', 'ample')
  await page.keyboard.press('t')
  await expect(page.locator('[data-tried]')).toContainText('Pinned')
  await numeron.goTo('Drives')
  await numeron.expectState('streams', 'ample')
  await expect(page.locator('[data-verdict=streams] .before')).toContainText('was 3 of 2–4')
  await page.getByRole('button', { name: 'Drop' }).click()
  await numeron.expectState('streams', 'short')
  await numeron.goTo('Tiers', 'Examples')
  await page.locator('[data-way="middle-built"]').hover()
  await page.keyboard.press('t')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.locator('[data-tried]')).toHaveCount(0)
  await numeron.expectState('streams', 'ample')
  await page.getByRole('button', { name: 'Undo' }).click()
  await numeron.expectState('streams', 'short')
})

test('working shows how a figure came about, down to the field it was entered in', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Streams', 'Mix')
  await page.locator('[data-figure="streams.softwareReference"]').first().click()
  const panel = page.getByRole('dialog', { name: /^Show working/ })
  await expect(panel).toContainText(
    '6,200 points × (1 − 0.15) ÷ 2,000 points per stream = 2.635 reference streams',
  )
  await panel.locator('[data-input="machine.score"]').click()
  await expect(numeron.field('machine.score')).toBeFocused()

  await numeron.goTo('Library')
  await page.locator('[data-figure="drives.monthFull"]').first().click()
  await panel.locator('[data-input="drives.roomTB"]').click()
  await panel.locator('[data-input="drives.usableTB"]').click()
  await expect(panel).toContainText('20 TB raw − 8 TB of copies and parity = 12 TB')
  await panel.getByRole('button', { name: 'Room', exact: true }).click()
  await expect(panel.getByRole('heading', { name: 'Room', exact: true })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(panel).toBeHidden()
})

test('pictures are worked on, with the mouse and with the keyboard', async ({ numeron, page }) => {
  await numeron.openLatest()
  await numeron.goTo('Library')
  const horizon = page.getByRole('slider', { name: 'Horizon in years' })
  await horizon.focus()
  await page.keyboard.press('ArrowRight')
  await expect(numeron.field('choices.horizonYears')).toHaveValue('6')
  const box = (await horizon.locator('.grip').boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + 40)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 - 200, box.y + 40, { steps: 5 })
  await page.mouse.up()
  expect(Number(await numeron.field('choices.horizonYears').inputValue())).toBeLessThan(6)

  await numeron.goTo('Household', 'Busy evening')
  await numeron.field('choices.school').focus()
  await page.keyboard.press('ArrowUp')
  await page.getByRole('option', { name: 'The busy evening' }).click()
  await page.locator('[data-seat="away-1"]').click()
  await expect(page.locator('[data-figure="household.watchingAwayAtOnce"]')).toContainText(
    '1 viewer',
  )
  await page.getByRole('slider', { name: 'Conversions needed' }).focus()
  await page.keyboard.press('ArrowLeft')
  await expect(page.locator('[data-verdict=streams] .asked')).toHaveText('2')

  await numeron.goTo('Drives')
  await page.getByRole('button', { name: 'Put in a drive of 4 TB' }).click()
  await expect(page.getByRole('heading', { name: '4 drives in 4 bays' })).toBeVisible()
  await numeron.goTo('Drives', 'Layouts')
  await page.locator('[data-layout="rotating-1"] input').check()
  await numeron.goTo('Drives', 'Risk')
  await expect(page.locator('[data-figure="drives.usableTB"]').first()).toContainText('12 TB')

  await numeron.goTo('Network', 'Away')
  await page.locator('[data-rung="22"] input').check()
  await numeron.expectState('away', 'impossible')
  await page.keyboard.press('Control+z')
  await numeron.expectState('away', 'ample')
})

test('a tier is tried on the headroom line, adopted with one press, and undone', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Tiers', 'Examples')
  await page.locator('[data-way="middle-built"]').hover()
  await numeron.expectState('streams', 'ample')
  await page.mouse.move(5, 790)
  await numeron.expectState('streams', 'short')
  await page.getByRole('button', { name: 'Apply Millrace' }).click()
  await expect(page.locator('[data-way="middle-built"]')).toContainText('In the plan')
  await numeron.expectState('space', 'tight')
  await page.getByRole('button', { name: 'Undo' }).click()
  await numeron.expectState('space', 'impossible')
})

test('leaving a field moves nothing under the pointer', async ({ numeron, page }) => {
  await numeron.openLatest()
  // What a page does as it is opened (go to its top, search) is over then.
  await expect(page.locator('[data-change]')).toHaveAttribute('aria-busy', 'false')
  await numeron.field('machine.score').focus()
  const below = page.getByRole('heading', { name: 'Worth knowing' })
  const before = await below.boundingBox()
  await numeron.field('machine.score').blur()
  await page.waitForTimeout(400)
  expect(await below.boundingBox()).toEqual(before)
})

test('what is tried under a pointer that stands still does not make the page flutter', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Machine')
  await numeron.openTray('Board')
  const line = page.locator('.headroom-line')
  const before = (await line.boundingBox())!.height
  const [upper, lower] = [page.locator('[data-chip]').nth(1), page.locator('[data-chip]').nth(2)]
  // What a pointer on the edge between two chips enters when it moves, and when the page does.
  await page.evaluate(() => {
    document.body.dataset.crossings = '0'
    const count = () =>
      (document.body.dataset.crossings = String(Number(document.body.dataset.crossings) + 1))
    for (const chip of document.querySelectorAll('[data-chip]'))
      chip.addEventListener('pointerenter', count)
  })
  const box = (await upper.boundingBox())!
  await page.mouse.move(box.x + 40, box.y + box.height - 3)
  await expect(line.locator('.before').first()).toBeVisible()
  expect((await line.boundingBox())!.height).toBe(before)
  // Something above grows, as a sentence may: the lower chip's neighbour slides under the pointer.
  await page.evaluate(() =>
    document.querySelector('main')!.setAttribute('style', 'margin-top:-9px'),
  )
  await numeron.settle()
  await page.waitForTimeout(300)
  expect(await page.evaluate(() => document.body.dataset.crossings)).toBe('1')
  await page.mouse.move(box.x + 42, box.y + box.height - 3)
  await expect.poll(() => page.evaluate(() => document.body.dataset.crossings)).toBe('2')
  await expect(lower).toBeVisible()
})

test('bad input keeps the text, names what is allowed and changes nothing', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  for (const [path, text, sentence] of [
    ['network.uploadMbps', 'fast', 'Upload must be a number from 0 to 100,000 Mb/s.'],
    ['network.uploadMbps', '-5', 'Upload must be a number from 0 to 100,000 Mb/s.'],
    ['machine.score', '0', 'Processor score must be a number from 1 to 500,000 points.'],
    ['machine.bays', '10000', 'Drive bays must be a whole number from'],
  ] as const) {
    await numeron.enter(path, text)
    await expect(page.getByText(sentence).first()).toBeVisible()
    await expect(numeron.field(path)).toHaveValue(text)
  }
  await numeron.expectSaved()
  await page.reload()
  await expect(numeron.field('network.uploadMbps')).toHaveValue('22')
})
