import { readFileSync } from 'node:fs'
import { expect, test } from './fixtures'

test('a processor is tried on the headroom line, taken, and names what binds', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Streams', 'Processors')
  const ladder = page.locator('[data-processors]')
  await expect(ladder.locator('[data-processor]').first()).toBeVisible()
  await ladder.getByRole('button', { name: /^All 36/ }).click()
  const row = ladder.locator('[data-processor="leat-17"]')
  await row.hover()
  await numeron.expectState('streams', 'ample')
  await page.mouse.move(5, 790)
  await numeron.expectState('streams', 'short')
  await row.click()
  await expect(ladder).toContainText('The score leaves out the video engine')
  await numeron.goTo('Streams')
  await expect(numeron.field('machine.score')).toHaveValue('')
  await expect(numeron.field('machine.score')).toHaveAttribute('placeholder', '6,300')
  await expect(page.locator('[data-binding]')).toContainText('is the limit')
  await page.locator('[data-figure="streams.possible"]').first().click()
  await expect(page.getByRole('dialog', { name: /^Show working/ })).toContainText(
    /is the limit\. On Built-in D/,
  )
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(numeron.field('machine.score')).toHaveValue('6200')
})

test('without a score, clock and year stand in; a weak card is warned of', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Machine')
  await page.locator('[data-mark="socket"]').focus()
  await page.keyboard.press('Delete')
  await numeron.putIn('Video card', 'cardOldGaming')
  await numeron.goTo('Machine', 'Own figures')
  await numeron.enter('machine.score', '')
  await numeron.enter('machine.sustainedGHz', '3.4')
  await numeron.enter('machine.designYear', '2013')
  await numeron.choose('machine.engine', /^Built-in E/)
  await numeron.goTo('Streams', 'Mix')
  await expect(page.locator('[data-figure="streams.softwareReference"]').first()).toContainText(
    '2.2',
  )
  await numeron.goTo('Streams', 'Fixes')
  await expect(page.locator('[data-fix=no-card]')).toBeVisible()
  await numeron.goTo('Machine', 'Own figures')
  await expect(page.locator('[data-finding=CARD_DOWNGRADES]')).toContainText('instead of')
  await numeron.goTo('Streams', 'Fixes')
  await page.locator('[data-fix=no-card]').getByRole('button').click()
  await numeron.goTo('Machine', 'Own figures')
  await expect(page.locator('[data-finding=CARD_DOWNGRADES]')).toHaveCount(0)
})

test('capacity is read off the curve with the keyboard', async ({ numeron, page }) => {
  await numeron.openLatest()
  await numeron.goTo('Streams')
  const slider = page.getByRole('slider', { name: 'Capacity read off the curve' })
  await slider.focus()
  await page.keyboard.press('ArrowRight')
  await expect(slider).toHaveAttribute(
    'aria-valuetext',
    /times this machine: .* minutes short a month/,
  )
})

test('the machine is measured, cancelled, measured again and taken over, labelled as simulated', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Streams', 'Measure')
  const bench = page.locator('[data-bench]')
  await bench.getByRole('button', { name: 'Measure this machine' }).click()
  await expect(bench.getByRole('status')).toBeVisible()
  await bench.getByRole('button', { name: 'Cancel' }).click()
  await expect(bench).toContainText('Cancelled; nothing was stored.')
  await bench.getByRole('button', { name: 'Measure this machine' }).click()
  await expect(bench).toContainText('3.4 reference streams', { timeout: 30_000 })
  await expect(bench).toContainText('Simulated')
  await numeron.checkAccessible('bench')
  await bench.getByRole('button', { name: 'Apply' }).click()
  await expect(bench).toContainText('it replaces the estimate from score or clock')
  await numeron.goTo('Streams', 'Mix')
  await page.locator('[data-figure="streams.softwareReference"]').first().click()
  await expect(page.getByRole('dialog', { name: /^Show working/ })).toContainText(
    '3.4 measured × (1 − 0.15) = 2.89',
  )
  numeron.expectNoViolations()
})

test(
  'the archive is re-encoded on paper, and another work table takes the place of the one ' +
    'that ships',
  async ({ numeron, page }) => {
    await numeron.openLatest()
    await numeron.goTo('Streams', 'Archive')
    const archive = page.locator('[data-archive]')
    await expect(archive.locator('[data-archive-row="0"]')).toContainText('TB')
    await archive.locator('[data-archive-row="0"]').hover()
    await expect(page.locator('.headroom-line .ghost').first()).toBeAttached()
    const possible = page.locator('[data-verdict=streams] .possible')
    const before = await possible.textContent()
    await numeron.goTo('Streams', 'Measure')
    const table = JSON.parse(readFileSync('core/catalogue/transcodeWork.json', 'utf8'))
    const panel = page.locator('[data-work-table]')
    const upload = (text: string) =>
      page.locator('#work-table-file').setInputFiles({
        name: 'work-table.json',
        mimeType: 'application/json',
        buffer: Buffer.from(text),
      })
    await upload(
      JSON.stringify({
        ...table,
        coefficients: { ...table.coefficients, scale: { value: 'much' } },
      }),
    )
    await expect(panel.getByRole('alert')).toContainText('coefficients.scale.value')
    await expect(possible).toHaveText(before!)
    await upload(
      JSON.stringify({
        ...table,
        source: 'measured in the mill',
        coefficients: {
          ...table.coefficients,
          encode: { ...table.coefficients.encode, h264VeryFast: { value: 1.4 } },
        },
      }),
    )
    await expect(panel).toContainText('measured in the mill')
    await expect(possible).not.toHaveText(before!)
    await panel.getByRole('button', { name: 'Use the built-in table' }).click()
    await expect(possible).toHaveText(before!)
  },
)

test(
  'a machine is put together from a base and parts, owned or bought, and its price and watts ' +
    'follow',
  async ({ numeron, page }) => {
    await numeron.openLatest()
    await numeron.goTo('Machine')
    const toPay = page.locator('[data-verdict=money] .asked')
    const before = await toPay.textContent()
    await numeron.putIn('Video card', 'cardEntry')
    await expect(toPay).not.toHaveText(before!)
    const withCard = await toPay.textContent()
    await numeron.goTo('Machine', 'Parts list')
    await page.getByRole('button', { name: 'Card, entry' }).click()
    await numeron.enter('machine.parts.7.price', '500')
    await expect(toPay).not.toHaveText(withCard!)
    await numeron.choose('machine.parts.7.condition', 'Owned')
    await expect(toPay).toHaveText(before!)
    await numeron.goTo('Machine', 'Power')
    await expect(page.locator('[data-figure="machine.idleW"]').first()).toBeVisible()
    await page.locator('[data-figure="machine.idleW"]').first().click()
    await expect(page.getByRole('dialog', { name: /^Show working/ })).toContainText(
      'efficiency of the supply',
    )
  },
)
