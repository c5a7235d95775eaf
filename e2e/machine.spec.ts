import { readFileSync } from 'node:fs'
import { expect, test } from './fixtures'

test(
  'a machine is built from nothing to a passing fit, by drag and by keyboard; the M.2 clash ' +
    'is met and mended',
  async ({ numeron, page }) => {
    await numeron.openLatest()
    await numeron.goTo('Machine')
    await numeron.buildOn('My own entries')
    await numeron.goTo('Machine', 'Parts list')
    // The disk of the old tower goes out: the list is empty then but for processor, cooler and
    // memory.
    await expect(page.locator('[data-line]')).toHaveCount(4)
    for (const name of [
      'Leat 13 W',
      'Fern, as it comes with a processor',
      'Memory, 4 GB, DDR3',
      'Flint 120 GB, SATA',
    ]) {
      await expect(page.getByRole('button', { name, exact: true })).toBeVisible()
      const before = await page.locator('[data-line]').count()
      await page.getByRole('button', { name, exact: true }).click()
      await page.getByRole('button', { name: `Remove ${name}` }).click()
      if (name.startsWith('Memory')) {
        await page.getByRole('button', { name, exact: true }).click()
        await page.getByRole('button', { name: `Remove ${name}` }).click()
      }
      await expect(page.locator('[data-line]')).toHaveCount(before - 1)
    }
    await numeron.goTo('Machine')
    await numeron.buildOn('Parts of my choice')
    await numeron.expectState('fit', 'impossible')

    // By drag: the board's picture takes what the tray holds.
    await numeron.putIn('Board', 'lych-15')
    await numeron.putIn('Case', 'coffer-6')
    await numeron.openTray('Processor')
    await numeron.drag(page.locator('[data-chip="leat-17"]'), page.locator('[data-mark="socket"]'))
    await expect(page.locator('[data-mark="socket"]')).toContainText('Leat 17')
    await numeron.openTray('Power supply')
    await numeron.drag(page.locator('[data-chip="mole-450"]'), page.locator('[data-mark="supply"]'))
    await expect(page.locator('[data-mark="supply"]')).toContainText('Mole 450')

    // By keyboard: a place is picked with the arrows, and filled in the inspector.
    await page.locator('[data-mark="socket"]').focus()
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('Enter')
    await expect(numeron.inspector).toContainText('Memory')
    const stick = numeron.inspector.locator('[data-entry="memory-16"]')
    await stick.focus()
    await page.keyboard.press('Enter')
    await page.keyboard.press('Escape')
    await numeron.putIn('Cooler', 'fern-tower')
    await numeron.openTray('System SSD')
    await numeron.drag(page.locator('[data-chip="flint-500n"]'), page.locator('[data-mark="m2-1"]'))
    await expect(page.locator('[data-mark="m2-1"]')).toContainText('Flint 500 GB')
    // The M.2 place costs two data ports, seen at once.
    await expect(page.locator('[data-mark="data-5"]')).toHaveAttribute(
      'aria-label',
      /switched off by M\.2 place 1/,
    )
    await expect(page.locator('[data-mark="data-6"]')).toHaveAttribute(
      'aria-label',
      /switched off by M\.2 place 1/,
    )
    await numeron.expectState('fit', 'ample')

    // With five drives there is one port too few; the cheapest fix is a press away.
    await numeron.goTo('Drives')
    await numeron.pick(0)
    await numeron.enter('drives.lots.0.count', '4')
    await numeron.expectState('fit', 'impossible')
    await numeron.goTo('Machine', 'Fit')
    const rule = page.locator('[data-rule="dataPorts"]')
    await expect(rule).toHaveAttribute('data-state', 'fail')
    await expect(rule).toContainText('switched off by M.2 place 1')
    await rule
      .getByRole('button', { name: /^Apply: Add Knot/ })
      .first()
      .click()
    await expect(page.locator('[data-rule="dataPorts"]')).toHaveCount(0)
    await numeron.expectState('fit', 'enough')
    await page.getByRole('button', { name: 'Show what fits' }).click()
    await expect(page.locator('[data-rule="dataPorts"]')).toHaveAttribute('data-state', 'pass')

    // Another supply.
    await numeron.goTo('Machine', 'Power')
    await page
      .locator('[data-supply="mole-400"]')
      .getByRole('button', { name: 'Apply: Mole 400' })
      .click()
    await expect(page.locator('[data-supply="mole-400"]')).toContainText('in the plan')

    // The list goes out and comes back the same.
    await numeron.goTo('Machine', 'Parts list')
    const lines = await page.locator('[data-line]').allTextContents()
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Export (CSV)' }).click(),
    ])
    expect(download.suggestedFilename()).toBe('tide-mill-house-parts.csv')
    const text = readFileSync(await download.path(), 'utf8')
    expect(text).toContain('lych-15')
    await page.getByLabel('Import a list (CSV)').setInputFiles({
      name: 'parts.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(`${text}gone,Something,1,5,EUR,new,fitted,,\n`),
    })
    await expect(
      page
        .getByText('Line', { exact: false })
        .filter({ hasText: '"gone" is not in the catalogue' }),
    ).toBeVisible()
    await page.getByRole('button', { name: 'Replace the parts' }).click()
    await expect
      .poll(async () => (await page.locator('[data-line]').allTextContents()).toSorted())
      .toEqual(lines.toSorted())
  },
)

test("parts of one's own are imported, searched as one types among thousands, and put in", async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Machine', 'Parts list')
  const rows = Array.from(
    { length: 5000 },
    (_, index) =>
      `yard-${index},supply,Supply ${index} of the ` +
      `yard,${20 + (index % 50)},${300 + (index % 400)},ATX`,
  )
  await page.getByLabel('Import own parts (CSV)').setInputFiles({
    name: 'own.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      `id,kind,label,price,ratingW,supplyForm\n${rows.join('\n')}\nbad,supply,Too ` +
        'strong,1,many,ATX\n',
    ),
  })
  await expect(page.getByText('5,000 parts can be taken from this file.')).toBeVisible()
  await expect(page.getByText('Rating "many" must be a number in W')).toBeVisible()
  await page.getByRole('button', { name: 'Add to my parts' }).click()
  await expect(page.getByRole('heading', { name: '5,000 parts of your own' })).toBeVisible()
  expect(await page.locator('[data-own]').count()).toBeLessThan(60)
  await page.getByLabel('Search').last().fill('4321 yard')
  await expect(page.locator('[data-own]')).toHaveCount(1)
  // Typing elsewhere stays quick with so many parts in the plan.
  await page.getByRole('button', { name: 'Put Supply 4321 of the yard into the machine' }).click()
  await numeron.goTo('Machine')
  await expect(page.locator('[data-mark="supply"]')).toContainText('Supply 4321')
})

test(
  'what is at hand is tried as the base, kinds of system are struck out with their reason, ' +
    'ports that clash are named',
  async ({ numeron, page }) => {
    await numeron.openLatest()
    await numeron.goTo('Machine', 'At hand')
    await expect(page.locator('[data-hand="0"]')).toContainText('Office computer of the choir', {
      timeout: 30_000,
    })
    await expect(page.locator('[data-hand="1"]')).toContainText(/second machine|leave it/)
    await numeron.goTo('Machine', 'System and services')
    await expect(page.locator('[data-system="maker"]')).toContainText(
      'it comes with an appliance only',
    )
    await numeron.pick(0)
    await numeron.enter('system.services.0.ports', '8080')
    await expect(page.getByText('Port 8080 is taken twice')).toBeVisible()
    await numeron.goTo('Machine', 'Memory')
    await expect(page.locator('[data-figure="machine.memoryFloorGB"]').first()).toBeVisible()
    await numeron.goTo('Machine', 'Noise and heat')
    await numeron.choose('brief.opensTo', 'Bedroom')
    await expect(page.getByText('20 are the most for that room')).toBeVisible()
  },
)
