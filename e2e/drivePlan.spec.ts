import { expect, test } from './fixtures'

test('drives of the catalogue go in by model, and a frame drawn round drives makes them a group', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Drives')
  const kind = page.getByRole('combobox', { name: 'Put in a drive' })
  await kind.focus()
  await page.keyboard.press('ArrowDown')
  const menu = page.locator('.v-menu > .v-overlay__content')
  await expect(menu).toBeVisible()
  await expect(menu).not.toHaveClass(/-enter-/)
  await page.getByRole('option', { name: 'Refurbished' }).click()
  await page.getByRole('button', { name: /^Put in a drive: Ebb 8 TB/ }).click()
  await expect(page.locator('[data-pick="2"]')).toContainText('Ebb 8 TB')
  // Four drives of a mirror each: two groups of two.
  await numeron.choose('drives.layout', 'Mirror (RAID 1)')
  const front = page.getByRole('list', { name: 'Drives in their bays' })
  await page.evaluate(() => window.scrollTo(0, 0))
  const [frame, third, fourth] = [
    await front.boundingBox(),
    await page.locator('[data-bay="2"]').boundingBox(),
    await page.locator('[data-bay="3"]').boundingBox(),
  ]
  await page.mouse.move(third!.x + 4, frame!.y + 5)
  await page.mouse.down()
  await page.mouse.move(fourth!.x + fourth!.width - 4, fourth!.y + fourth!.height - 4, { steps: 6 })
  await page.mouse.up()
  await expect(page.locator('.bay.framed')).toHaveCount(2)
  await page.getByRole('button', { name: 'Make a new group' }).click()
  await expect(page.locator('[data-drive="3"]')).toHaveAttribute('aria-label', /group 2/)
  // By keyboard the last one goes on to a group of its own, and mirrors of one are refused by their
  // group.
  await page.locator('[data-drive="3"]').focus()
  await page.keyboard.press('g')
  await expect(page.locator('[data-drive="3"]')).toHaveAttribute('aria-label', /group 3/)
  await expect(numeron.gauge('space').first()).toHaveAttribute('data-state', 'impossible')
  await page.keyboard.press('Control+z')
  await expect(page.locator('[data-drive="3"]')).toHaveAttribute('aria-label', /group 2/)
  await numeron.expectSaved()
})

test(
  'the cheapest purchases are applied, dragged in time, and change with the growth of the ' +
    'library',
  async ({ numeron, page }) => {
    await numeron.openLatest()
    await numeron.goTo('Drives', 'Growing')
    const way = (id: string) => page.locator(`[data-way="growth.${id}"]`)
    await expect(way('cheapest')).toContainText('TB today')
    const price = await way('cheapest').locator('[data-figure]').textContent()
    await way('cheapest').getByRole('button', { name: 'Apply: Cheapest' }).click()
    // What is bought today is in its bay; what comes later is a step.
    const step = page.locator('[data-step="0"]')
    await expect(step).toBeVisible()
    await expect(numeron.gauge('space').first()).toHaveAttribute('data-state', 'tight')
    const month = Number(await step.getAttribute('aria-valuenow'))
    expect(month).toBeGreaterThan(0)
    await step.focus()
    await page.keyboard.press('ArrowRight')
    await expect(step).toHaveAttribute('aria-valuenow', String(month + 1))
    await expect(way('planned')).toContainText(`full in month ${month}`)
    await page.keyboard.press('Shift+ArrowLeft')
    await expect(step).toHaveAttribute('aria-valuenow', String(month - 11))
    await expect(way('planned')).not.toContainText('full in')
    const box = (await step.boundingBox())!
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
    await page.mouse.down()
    await page.mouse.move(box.x + box.width / 2 + 60, box.y + box.height / 2, { steps: 5 })
    await page.mouse.up()
    await expect(step).not.toHaveAttribute('aria-valuenow', String(month - 11))
    await way('planned').locator('[data-figure]').click()
    await expect(page.getByRole('dialog', { name: /^Show working/ })).toContainText(
      '(1 − 0.05)^(month ÷ 12)',
    )
    await page.keyboard.press('Escape')
    // Faster growth costs more.
    await page.getByRole('radio', { name: 'Fast growth' }).check()
    await expect(way('cheapest').locator('[data-figure]')).not.toHaveText(price!)
    await page.locator('[data-step="0"]').focus()
    await page.keyboard.press('Delete')
    await expect(page.locator('[data-step]')).toHaveCount(0)
  },
)

test('every holding has its copies, with their age and the time until they are back', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Drives', 'Backup plan')
  const sentence = page.locator('main p.sentence')
  await expect(sentence).toContainText('There is no copy of 3 irreplaceable holdings')
  await numeron.choose('drives.awayCopy', 'What is irreplaceable')
  await expect(sentence).toHaveText('Everything irreplaceable has a copy away from home.')
  const concerts = page.locator('[data-holding="6"]')
  await expect(concerts).toContainText('at most 60 days old')
  await concerts.locator('[data-figure$=".copyTB"]').click()
  await expect(page.getByRole('dialog', { name: /^Show working/ })).toContainText(
    '12 older versions',
  )
  await page.keyboard.press('Escape')
  // The panel gives the focus back when it has closed; a menu that is opened before loses it.
  await expect(page.getByRole('dialog', { name: /^Show working/ })).toHaveCount(0)
  await numeron.choose('library.holdings.6.copies', 'To no copy')
  await expect(page.locator('.v-menu.v-overlay--active')).toHaveCount(0)
  await expect(sentence).toContainText('There is no copy of Choir concerts')
  await numeron.choose('drives.awayBy', 'Sent to a store')
  await expect(page.locator('[data-figure="backup.awayCopy.nights"]')).toContainText('days')
  await numeron.enter('network.uploadMbps', '0')
  await expect(page.getByText('Nothing can be sent away: the upload is 0 Mb/s.')).toBeVisible()
})

test('something is moved to the SSD by drag and by keys, and an arrival along the day', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Drives', 'Fast storage')
  const pool = (id: string) => page.locator(`[data-pool="${id}"]`)
  await numeron.drag(page.locator('[data-placed="holding-7"]'), pool('ssd'))
  await expect(pool('ssd')).toContainText('Photographs')
  await expect(page.locator('main p.sentence')).toContainText('is too small')
  await page.locator('[data-placed="holding-7"]').focus()
  await page.keyboard.press('ArrowLeft')
  await expect(pool('spinning')).toContainText('Photographs')
  await expect(page.locator('[data-placed="holding-7"]')).toBeFocused()
  await page.getByRole('button', { name: 'Add an arrival' }).click()
  await page.keyboard.press('Escape')
  const arrival = page.locator('[data-arrival="4"]')
  await expect(arrival).toHaveAttribute('aria-valuetext', '01:00')
  await arrival.focus()
  await page.keyboard.press('Shift+ArrowRight')
  await expect(arrival).toHaveAttribute('aria-valuetext', '02:00')
  await numeron.expectSaved()
})

test('the way out of the layout is told step by step, with what stands without redundancy', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Drives', 'Way out')
  await page.locator('[data-target=separate]').click()
  await expect(
    page.getByText('It can be done in place, at once: the data stay on their drives.'),
  ).toBeVisible()
  await page.locator('[data-target=span]').click()
  await expect(page.locator('[data-way-step]').first()).toContainText(
    'Take drive 1 out of the old pool',
  )
  await page.locator('[data-target=stripe]').click()
  await expect(page.locator('[data-way-step=toBorrowed]')).toBeVisible()
  await page.locator('[data-figure="wayOut.borrowed"]').click()
  await expect(page.getByRole('dialog', { name: /^Show working/ })).toContainText('the fewest of')
})

test('a drill is played to its debrief, wrong pull and all', async ({ numeron, page }) => {
  await numeron.openLatest()
  await numeron.goTo('Drives', 'Drill')
  const act = (name: string) => page.getByRole('button', { name, exact: true }).click()
  await page.locator('[data-bay-drive="1"]').click()
  await expect(page.getByRole('heading', { name: 'Day 1, 00:00' })).toBeVisible()
  await act('Read the report')
  const report = await page.locator('.report').textContent()
  const serial = /…(\w{4})/.exec(report!)![1]!
  const bay = page.locator('[data-bay-drive]').and(page.locator(`[aria-label*="${serial}"]`))
  await expect(bay).toHaveAttribute('data-bay-drive', '1')
  await act('Pull a drive')
  await page.locator('[data-bay-drive="0"]').click()
  await expect(page.getByText('A good drive was pulled.')).toBeVisible()
  await act('Put it back')
  await act('Copy what is irreplaceable')
  await act('Order a new drive')
  await page.getByRole('button', { name: 'Pull a drive', exact: true }).focus()
  await page.keyboard.press('Enter')
  await bay.focus()
  await page.keyboard.press('Enter')
  await act('Put the new drive in')
  await act('Start the rebuild')
  // The first drill of a plan meets a sector that cannot be read.
  await expect(page.getByText('One file was lost.')).toBeVisible()
  await act('Restore from a copy')
  await act('Check everything (scrub)')
  await act('Label and write it down, and end')
  const debrief = page.locator('[data-debrief]')
  await expect(debrief).toContainText(
    'Lost: one file. What has a copy is back. One step was wrong.',
  )
  await expect(debrief).toContainText('The plan promises')
  await expect(debrief).toContainText(
    'Compare the serial number on the label with the report before pulling',
  )
  await act('New drill')
  await expect(page.getByRole('button', { name: 'Let chance pick' })).toBeVisible()
})
