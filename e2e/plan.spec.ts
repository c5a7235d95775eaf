import { expect, test } from './fixtures'

test('the first line, end to end: edit, the verdict changes, reload, still there, export, import', async ({ numeron, page }) => {
  await numeron.openLatest()
  await expect(page.locator('[data-overall]')).toContainText('This will not do')
  await numeron.expectState('streams', 'short')
  await numeron.enter('machine.score', '20000')
  await numeron.expectState('streams', 'ample')
  await expect(page.locator('[data-sentence=streams]')).toContainText('even at the low end the processor can do')
  await numeron.expectState('space', 'impossible')
  await numeron.enter('drives.lots.0.count', '5')
  await numeron.enter('machine.bays', '8')
  await numeron.expectState('space', 'tight')
  await expect(page.locator('[data-overall]')).toContainText('This will do, narrowly')
  await numeron.expectSaved()

  await page.reload()
  await expect(numeron.field('machine.score')).toHaveValue('20000')
  await numeron.expectState('space', 'tight')

  const { name, text } = await numeron.exportPlan()
  expect(name).toBe('tide-mill-house.numeron.json')
  expect(JSON.parse(text)).toMatchObject({ schemaVersion: 3, machine: { score: 20_000 }, drives: { lots: [{ count: 5 }, {}] } })

  await numeron.openPlans()
  await numeron.importText(name, text.replace('Tide Mill House', 'Tide Mill House again'))
  await page.getByRole('link', { name: 'Tide Mill House again' }).click()
  await expect(numeron.field('machine.score')).toHaveValue('20000')
  expect(JSON.parse((await numeron.exportPlan()).text)).toEqual({ ...JSON.parse(text), name: 'Tide Mill House again' })
})

test('a new plan leads from nothing to an answer', async ({ numeron, page }) => {
  await numeron.openPlans()
  await page.getByRole('button', { name: 'New plan' }).click()
  await expect(page.locator('[data-overall]')).toContainText('Not known yet')
  await page.getByRole('button', { name: 'Add titles' }).click()
  await numeron.enter('library.holdings.0.titles', '300')
  await numeron.enter('library.holdings.0.addedPerMonth', '5')
  await numeron.enter('machine.score', '9000')
  await page.getByRole('button', { name: 'Add drives' }).click()
  await numeron.enter('drives.lots.0.count', '2')
  await expect(page.locator('[data-overall]')).toContainText('This will do')
  await numeron.expectState('space', 'enough')
})

test('working shows how a figure came about, down to the field it was entered in', async ({ numeron, page }) => {
  await numeron.openLatest()
  await numeron.goTo('Streams')
  await page.locator('[data-figure="streams.softwareReference"]').first().click()
  const panel = page.getByRole('dialog', { name: 'Show working' })
  await expect(panel).toContainText('6,200 points × (1 − 0.15) ÷ 2,000 = 2.64')
  await panel.locator('[data-input="machine.score"]').click()
  await expect(numeron.field('machine.score')).toBeFocused()

  await numeron.goTo('Library')
  await page.locator('[data-figure="drives.monthFull"]').first().click()
  await panel.locator('[data-input="drives.roomTB"]').click()
  await panel.locator('[data-input="drives.usableTB"]').click()
  await expect(panel).toContainText('20 TB raw − 8 copies and parity − 0 unused = 12 TB')
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

  await numeron.goTo('Household')
  await page.getByLabel('Plan for').first().focus()
  await page.keyboard.press('ArrowUp')
  await page.getByRole('option', { name: 'The busy evening as answered' }).click()
  await page.locator('[data-seat="away-1"]').click()
  await expect(page.locator('[data-figure="household.watchingAwayAtOnce"]')).toContainText('1 viewer')
  await page.getByRole('slider', { name: 'Conversions needed' }).focus()
  await page.keyboard.press('ArrowLeft')
  await expect(page.locator('[data-figure="streams.asked"]').first()).toContainText('2 conversions')

  await numeron.goTo('Drives')
  await page.getByRole('button', { name: 'Add a drive to bay 4' }).click()
  await expect(page.getByRole('heading', { name: '4 drives in 4 bays' })).toBeVisible()
  await page.locator('[data-layout="rotating-1"] input').check()
  await expect(page.locator('[data-figure="drives.usableTB"]').first()).toContainText('12 TB')

  await numeron.goTo('Network')
  await page.locator('[data-rung="20"] input').check()
  await numeron.expectState('away', 'impossible')
  await page.keyboard.press('Control+z')
  await numeron.expectState('away', 'ample')
})

test('a tier is tried on the headroom line, adopted with one press, and undone', async ({ numeron, page }) => {
  await numeron.openLatest()
  await numeron.goTo('Tiers')
  await page.locator('[data-way="household-built"]').hover()
  await numeron.expectState('streams', 'ample')
  await page.mouse.move(5, 790)
  await numeron.expectState('streams', 'short')
  await page.getByRole('button', { name: 'Adopt Millrace' }).click()
  await expect(page.locator('[data-way="household-built"]')).toContainText('The plan\'s machine')
  await numeron.expectState('space', 'tight')
  await page.getByRole('button', { name: 'Undo' }).click()
  await numeron.expectState('space', 'impossible')
})

test('leaving a field moves nothing under the pointer', async ({ numeron, page }) => {
  await numeron.openLatest()
  await numeron.field('machine.score').focus()
  const below = page.getByRole('button', { name: 'Add drives of another size' })
  const before = await below.boundingBox()
  await numeron.field('machine.score').blur()
  await page.waitForTimeout(400)
  expect(await below.boundingBox()).toEqual(before)
})

test('bad input keeps the text, names what is allowed and changes nothing', async ({ numeron, page }) => {
  await numeron.openLatest()
  for (const [path, text, sentence] of [
    ['network.uploadMbps', 'fast', 'Upload: a number from 0 to 100,000 Mb/s.'],
    ['network.uploadMbps', '-5', 'Upload: a number from 0 to 100,000 Mb/s.'],
    ['machine.score', '0', 'Processor score: a number from 1 to 500,000 points.'],
    ['drives.lots.0.count', '10000', 'Drives: a whole number from 1 to 60 drives.'],
    ['library.holdings.0.titles', '1000000000', 'Titles: a whole number from 0 to 10,000,000 titles.'],
  ] as const) {
    await numeron.enter(path, text)
    await expect(page.getByText(sentence).first()).toBeVisible()
    await expect(numeron.field(path)).toHaveValue(text)
  }
  await numeron.expectSaved()
  await page.reload()
  await expect(numeron.field('network.uploadMbps')).toHaveValue('22')
})
