import { readFileSync, readdirSync } from 'node:fs'
import { expect, test } from './fixtures'

const scan = readdirSync('tests/fixtures')
  .filter(name => name.startsWith('ffprobe'))
  .map(name => readFileSync(`tests/fixtures/${name}`, 'utf8'))
  .join('\n')

test('a habit is moved, stretched and drawn by mouse, and the load follows', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Household')
  const block = page.locator('[data-habit="0-0"]')
  await block.locator('.box').click()
  await expect(numeron.field('household.habits.0.name')).toHaveValue('Evening film')
  // The inspector has taken its room.
  await page.waitForTimeout(400)
  const box = (await block.locator('.box').boundingBox())!
  await page.mouse.move(box.x + 20, box.y + 7)
  await page.mouse.down()
  await page.mouse.move(box.x - 60, box.y + 7, { steps: 6 })
  await page.mouse.up()
  await expect(numeron.field('household.habits.0.earliest')).toHaveValue(/^1[678]:/)
  const moved = (await block.locator('.box').boundingBox())!
  expect(moved.x).toBeLessThan(box.x - 50)

  await page.mouse.move(moved.x + moved.width - 2, moved.y + 7)
  await page.mouse.down()
  await page.mouse.move(moved.x + moved.width + 40, moved.y + 7, { steps: 4 })
  await page.mouse.up()
  expect(Number(await numeron.field('household.habits.0.minutes').inputValue())).toBeGreaterThan(
    140,
  )

  // A folded row of days is opened, and a habit drawn on one of them.
  await page.getByRole('button', { name: 'Tue–Fri: show each day' }).click()
  const field = (await page.locator('[data-day="2"]').boundingBox())!
  await page.mouse.move(field.x + 60, field.y + 50)
  await page.mouse.down()
  await page.mouse.move(field.x + 140, field.y + 50, { steps: 5 })
  await page.mouse.up()
  await expect(page.locator('[data-habit="9-2"]')).toBeVisible()
  await expect(numeron.inspector).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('[data-habit="9-2"]')).toHaveCount(0)
})

test('the week is worked with the keyboard alone', async ({ numeron, page }) => {
  await numeron.openLatest()
  await numeron.goTo('Household')
  const night = page.getByRole('button', { name: /^Night at the lock, Grandfather/ }).first()
  await night.focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Shift+ArrowRight')
  await page.keyboard.press('6')
  await expect(night).toHaveAttribute(
    'aria-label',
    'Night at the lock, Grandfather: Mon, Tue, Wed, Thu, Fri, Sun, begins 19:45 to 21:15, ' +
      '115 minutes, 70 %',
  )
  await page.keyboard.press('Enter')
  await expect(numeron.field('household.habits.7.name')).toBeFocused()
  const moment = page.getByRole('slider', { name: 'Moment that is read' })
  await moment.focus()
  await page.keyboard.press('PageDown')
  await expect(page.locator('[data-reading]')).toContainText(/^Sun 22:\d\d: /)
  await numeron.goTo('Household', 'One moment')
  await expect(page.getByRole('heading', { name: /^Sun 22:\d\d: how many at once/ })).toBeVisible()
  await numeron.goTo('Household')
  await night.focus()
  await page.keyboard.press('Delete')
  await expect(night).toHaveCount(0)
})

test('three answers fill a week that can be refined', async ({ numeron, page }) => {
  await numeron.openPlans()
  await page.getByRole('button', { name: 'New plan' }).click()
  await page.getByRole('link', { name: 'Go to the whole plan' }).click()
  await numeron.goTo('Household', 'Busy evening')
  await numeron.enter('household.watchingHome', '3')
  await numeron.goTo('Household')
  await page.getByRole('button', { name: 'Fill a week from these answers' }).click()
  await expect(page.getByRole('button', { name: /^Evening/ }).first()).toBeVisible()
  await expect(page.locator('[data-figure="household.headCount"]')).toContainText('4 viewers')
  await page.getByLabel('Show a guest day').check()
  await numeron.checkAccessible('household filled')
  numeron.expectNoViolations()
})

test(
  'a scan of a mixed library gives the matrix and a peak that can be followed to the last ' +
    'number',
  async ({ numeron, page }) => {
    await numeron.openLatest()
    await numeron.goTo('Library', 'Scan')
    await page.locator('#scan-file').setInputFiles({
      name: 'library-scan.json',
      mimeType: 'application/json',
      buffer: Buffer.from(scan),
    })
    await page
      .getByRole('region', { name: 'What the scan holds' })
      .getByRole('button', { name: 'Replace the holdings' })
      .click()
    await numeron.goTo('Playback')
    const grid = page.getByRole('grid')
    await expect(grid.getByRole('rowheader')).toHaveCount(7)
    const reasons = page.locator('[data-reasons]')
    // The matrix of the plan before has as many rows: what is pressed in it is another cell once
    // the new one stands.
    await expect(async () => {
      await grid.getByRole('gridcell', { name: /^UHD 2160 HDR.* on Attic stick/ }).click()
      await expect(reasons.locator('[data-reason=CODEC]')).toContainText('HEVC is not played', {
        timeout: 3000,
      })
      await expect(reasons.locator('[data-reason=HDR]')).toContainText('the screen has no HDR', {
        timeout: 3000,
      })
    }).toPass()
    // A matrix that comes in late takes the focus with the cell that had it.
    await expect(async () => {
      await grid.locator('[aria-selected=true]').focus()
      await page.keyboard.press('ArrowLeft')
      await expect(grid.locator('[aria-selected=true]')).toBeFocused({ timeout: 3000 })
    }).toPass()

    await numeron.goTo('Household')
    await page.locator('[data-figure="streams.asked95"]').click()
    const panel = page.getByRole('dialog', { name: /^Show working/ })
    await panel.locator('[data-input^="streams.peak."]').first().click()
    await expect(panel).toContainText('going on')
    await panel.locator('[data-input^="playback.converting."]').first().click()
    await panel.locator('[data-input^="playback.work."]').first().click()
    await expect(panel).toContainText('encode')
    await panel.locator('[data-input$=".bitrateMbps"]').first().click()
    await expect(
      page.getByRole('navigation', { name: 'Views' }).locator('[aria-current=page]'),
    ).toHaveText('Library')
  },
)

test('a fix is tried under the pointer, done, seen, and undone', async ({ numeron, page }) => {
  await numeron.openLatest()
  await numeron.goTo('Playback')
  await expect(page.locator('[data-figure="playback.convertedShare"]')).toContainText('55 %')
  await numeron.goTo('Playback', 'Fixes')
  const needed = page.locator('[data-verdict=streams] .asked')
  await expect(needed).toHaveText('3')
  const fix = page.locator('[data-fix^="replace-attic"]')
  await expect(fix).toContainText('fewer')
  await fix.hover()
  await expect(page.locator('.headroom-line .ghost').first()).toBeAttached()
  await fix.getByRole('button').click()
  await numeron.expectSaved()
  await numeron.goTo('Playback', 'Matrix')
  await expect(page.locator('[data-figure="playback.convertedShare"]')).not.toContainText('55 %')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('[data-figure="playback.convertedShare"]')).toContainText('55 %')
})

test('a large household never holds up the typing', async ({ numeron, page, server }) => {
  const days = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun']
  const plan = {
    name: 'Ferry crew',
    machine: { score: 20_000, cores: 8 },
    household: {
      viewers: Array.from({ length: 20 }, (_, at) => ({ id: `v${at}` })),
      devices: Array.from({ length: 10 }, (_, at) => ({
        id: `d${at}`,
        class: ['stickHd', 'tv2020', 'browser', 'tablet', 'oldSetTop'][at % 5],
      })),
      habits: Array.from({ length: 40 }, (_, at) => ({
        name: `Habit ${at}`,
        viewer: `v${at % 20}`,
        device: `d${at % 10}`,
        days: days.filter((__, day) => (at + day) % 3 > 0),
        earliest: (at * 61) % 1440,
        latest: (at * 61 + 90) % 1440,
        minutes: 60 + at,
        chance: 0.4,
      })),
    },
    library: {
      holdings: [
        { titles: 300 },
        { quality: 'hd1080-hevc', titles: 200 },
        { quality: 'uhd-hdr-hevc', titles: 30 },
        { quality: 'hd1080-disc', titles: 90 },
      ],
    },
  }
  await fetch(`${server.address}/api/plans`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(plan),
  })
  await numeron.openLatest()
  await expect(page.locator('#field-name')).toHaveValue('Ferry crew')
  const field = numeron.field('machine.score')
  await field.fill('')
  await field.pressSequentially('9000', { delay: 30 })
  await expect(field).toHaveValue('9000')
  await expect(page.locator('.headroom-line')).toHaveAttribute('aria-busy', 'false')
  const shown = await page.locator('[data-verdict=streams] .possible').textContent()
  const { verdicts } = await (
    await fetch(`${server.address}/api/assessments`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ...plan, machine: { score: 9000, cores: 8 } }),
    })
  ).json()
  const { low, high } = verdicts[0].possible
  expect(shown).toBe(`${low}–${high}`)
})

test('titles are kept away from a weak device, which then plays something else', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Playback', 'Fixes')
  const fixes = page.locator('[data-fixes]')
  await fixes.getByRole('button', { name: /^All / }).click()
  const fix = fixes.locator('[data-fix^="not-offered-"]').first()
  await expect(fix).toContainText('costs nothing')
  const before = await page.locator('[data-verdict=streams] .asked').textContent()
  await fix.getByRole('button').focus()
  await expect(page.locator('.headroom-line')).toHaveAttribute('aria-busy', 'false')
  await fix.getByRole('button').click()
  await numeron.expectSaved()
  await numeron.goTo('Playback', 'Matrix')
  await expect(page.getByText('not offered').first()).toBeVisible()
  await page.reload()
  await expect(page.getByText('not offered').first()).toBeVisible()
  await expect(page.getByText('not offered')).not.toHaveCount(0)
  expect(
    Number(await page.locator('[data-verdict=streams] .asked').textContent()),
  ).toBeLessThanOrEqual(Number(before))
})
