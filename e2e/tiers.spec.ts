import { expect, test } from './fixtures'

test(
  'which one to buy: the field is searched to its proof, a build is previewed, applied and ' +
    'undone',
  async ({ numeron, page }) => {
    await numeron.openLatest()
    await numeron.goTo('Tiers')
    await expect(page.locator('[data-search=done]')).toContainText('gap 0')
    await expect(page.locator('[data-answer]')).toContainText(
      /^Buy .+ because it meets the whole need and it costs least over 5 years/,
    )
    await expect(page.locator('[data-way-row]')).toHaveCount(11)
    await expect(page.locator('[data-way-row=stay]')).toContainText(
      'It converts too little and it has too little room.',
    )
    // Hover previews on the headroom line.
    await page.locator('[data-way-mark=appliance]').first().hover()
    await numeron.expectState('space', 'tight')
    await page.mouse.move(5, 790)
    await numeron.expectState('space', 'impossible')
    // By keyboard: from mark to mark, opened beside.
    await page.locator('[data-way-mark=stay]').focus()
    await page.keyboard.press('ArrowRight')
    await page.keyboard.press('Enter')
    await expect(numeron.inspector).toContainText('To pay now')
    await page.keyboard.press('Escape')
    await page
      .locator('[data-way-row=appliance]')
      .getByRole('button', { name: /^Apply/ })
      .click()
    await numeron.expectState('space', 'tight')
    await numeron.expectState('streams', 'ample')
    await page.getByRole('button', { name: 'Undo' }).click()
    await numeron.expectState('space', 'impossible')
  },
)

test('the budget is dragged, and what lies beyond it is no answer any more; what clashes is told', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Tiers')
  await expect(page.locator('[data-search=done]')).toBeVisible()
  const budget = page.locator('[data-budget]')
  const box = (await budget.locator('rect').boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + 60)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 - 620, box.y + 60, { steps: 6 })
  await page.mouse.up()
  await expect(page.locator('[data-answer]')).toContainText(
    /Nothing within .+ meets the need\. The least that does is/,
  )
  await budget.focus()
  await page.keyboard.press('Home')
  await expect(page.locator('[data-verdict=money] .possible')).toHaveText('€0')
  await numeron.goTo('Tiers', 'Search')
  await expect(page.locator('[data-clash]')).toContainText(
    /The budget alone cannot be met|cannot be had together/,
  )
  await expect(page.locator('[data-clash]')).toContainText(
    'The cheapest way out is to move the budget',
  )
  await page.locator('[data-apply-change]').click()
  await numeron.expectState('space', 'tight')
  await numeron.expectState('streams', /ample|enough|tight/)
})

test('the answer names the cheapest change, and one press makes the plan do', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Brief')
  await expect(page.locator('[data-overall]')).toContainText('This will not do')
  await expect(page.locator('[data-change]')).toContainText(
    /The cheapest change that meets the need: €[\d,]+ for parts and drives/,
  )
  await page.locator('[data-apply-change]').click()
  await numeron.expectState('streams', /ample|enough|tight/)
  // The copy away that was missing comes with it.
  await expect(page.locator('[data-overall]')).toContainText(/This will (just )?do/)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.locator('[data-overall]')).toContainText('This will not do')
})

test('two machines are kept as two plans, and an appliance says what its premium buys', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Tiers')
  await expect(page.locator('[data-search=done]')).toBeVisible()
  await page.locator('[data-way-row=appliance]').getByRole('button').first().click()
  await expect(numeron.inspector.locator('[data-premium]')).toContainText(
    'for each month that it is to serve',
  )
  await page.locator('[data-way-row=twoMachines]').getByRole('button').first().click()
  await numeron.inspector.getByRole('button', { name: 'Keep both as new plans' }).click()
  await expect(page.getByRole('heading', { name: 'Will this plan do?' })).toBeVisible()
  await page.goto(new URL('/plans', page.url()).href)
  await expect(page.getByText('Tide Mill House: stores')).toBeVisible()
  await expect(page.getByText('Tide Mill House: converts')).toBeVisible()
})

test('a search is cancelled, leaves no worker, and starts again', async ({ numeron, page }) => {
  await numeron.openLatest()
  await numeron.goTo('Tiers', 'Search')
  await page.getByRole('button', { name: 'Cancel' }).first().click()
  await expect(page.locator('[data-search=cancelled]')).toContainText('Cancelled')
  await numeron.goTo('Brief')
  await expect
    .poll(() => page.workers().filter(worker => worker.url().includes('search')).length)
    .toBe(0)
  await numeron.goTo('Tiers', 'Search')
  await page
    .getByRole('button', { name: 'Search again' })
    .click()
    .catch(() => {
      /* it has begun by itself */
    })
  await expect(page.locator('[data-search=done]')).toBeVisible()
})

test('ways are compared, kept as a plan, and what flips the answer is set by hand', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Tiers', 'Compare')
  await expect(page.locator('[data-verdict-sentence]')).toContainText(
    'is the one to take: it meets the whole need',
  )
  await expect(page.locator('[data-compare=streams]')).toBeVisible()
  await page.locator('[data-compare="ownership.horizonTotal"]').getByRole('button').nth(1).click()
  await expect(page.getByRole('dialog', { name: /^Show working/ })).toContainText('electricity')
  await page.keyboard.press('Escape')
  await numeron.goTo('Ownership', 'What flips it')
  const bar = page.locator('[data-flip=pricePerKWh]')
  await expect(bar).toContainText(/from|below/)
  await bar.getByRole('slider').focus()
  await page.keyboard.press('End')
  await expect(bar.getByRole('slider')).toHaveAttribute('aria-valuenow', '0.8')
  await expect(page.locator('[data-left-out]')).toContainText(
    'does not meet its whole need, so it wins nowhere here',
  )
  await expect(page.locator('[data-flip=added]')).toContainText('GB/month')
  await numeron.goTo('Ownership', 'Power')
  await expect(numeron.field('costs.pricePerKWh')).toHaveValue('0.8')
  await page
    .locator('[data-ups]')
    .first()
    .getByRole('button', { name: /^Apply/ })
    .click()
  await expect(page.locator('[data-ups]').first()).toContainText('in the plan')
  await numeron.goTo('Ownership')
  await expect(page.locator('[data-years]')).toContainText('over 5 years')
  await numeron.goTo('Ownership', 'Old or new')
  await expect(page.locator('[data-old-new]')).toContainText(
    /it has paid for itself after|never pays for itself|there is nothing to pay back|after .+ it has cost more|stays cheaper/,
  )
  await numeron.goTo('Ownership', 'Cloud instead')
  await expect(page.locator('[data-cloud]')).toContainText(
    'the store has cost as much as the machine',
  )
  await numeron.goTo('Ownership', 'Carbon')
  // The plan itself falls short: that is said first, and nothing is paid back.
  await expect(page.locator('[data-falls-short]')).toContainText('does not meet its need')
})

test('the frontier is followed point by point, and the next upgrade is named with its price', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Tiers', 'Frontier')
  await expect(page.locator('[data-frontier]')).toContainText('The need itself is met from')
  await page.getByRole('button', { name: 'Room' }).click()
  await expect(page.locator('[data-frontier]')).toContainText('TB')
  await numeron.goTo('Tiers', 'Upgrade path')
  await expect(page.locator('[data-step="0"]')).toContainText('Space')
  await page.locator('[data-step="0"]').getByRole('button', { name: 'Apply' }).click()
  await numeron.expectState('space', 'short')
})
