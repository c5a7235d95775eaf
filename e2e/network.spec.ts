import { expect, test } from './fixtures'

test('the first fill is told by each way, and its working shows what limits it', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Network', 'First fill')
  const fill = (id: string) => page.locator(`[data-fill="network.fill.${id}"]`)
  await expect(page.locator('main p.sentence')).toContainText('from a drive that is plugged in')
  await expect(fill('home')).toContainText('The limit is the home network.')
  await numeron.enter('network.downloadCapGBPerDay', '100')
  await expect(fill('store')).toContainText('The limit is the daily cap.')
  await fill('store').locator('[data-figure]').click()
  await expect(page.getByRole('dialog', { name: /^Show working/ })).toContainText('at 100 GB a day')
  await page.keyboard.press('Escape')
  const before = await fill('ripping').locator('[data-figure]').textContent()
  await numeron.enter('network.ripDrives', '2')
  await expect(fill('ripping').locator('[data-figure]')).not.toHaveText(before!)
  await numeron.enter('network.smallFilesShare', '150')
  await expect(
    page.getByText('Share in small files must be a number from 0 to 100 %.'),
  ).toBeVisible()
})

test('the link that binds is named, and changes when a cable is exchanged', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Network')
  await numeron.choose('network.cableMbps', '100 Mb/s')
  await expect(page.locator('.chain-sentence')).toContainText('For a copy the cable is the limit')
  await page.locator('[data-pipe="cable"]').focus()
  await page.keyboard.press('Enter')
  await expect(numeron.inspector).toContainText('The cable: carries 94.1')
  await page.keyboard.press('Escape')
  await numeron.goTo('Network', 'Upgrades')
  await page.locator('[data-upgrade="cable"]').getByRole('button').click()
  await expect(page.locator('[data-upgrade="cable"]')).toHaveCount(0)
  await numeron.goTo('Network', 'Chain')
  await expect(page.locator('.chain-sentence')).toContainText(
    'For a copy the network port is the limit',
  )
  await numeron.goTo('Network', 'Home')
  await expect(page.locator('.home-sentence')).toContainText('is the busiest moment at home')
  await page.locator('[data-figure="network.home99Mbps"]').first().click()
  await expect(page.getByRole('dialog', { name: /^Show working/ })).toContainText(
    'viewers with their chances',
  )
  await page.keyboard.press('Escape')
  await numeron.goTo('Network', 'Away')
  await numeron.choose('network.needsOutside', 'Every time')
  await expect(
    page.getByText('While the line is down, nothing plays, at home either.'),
  ).toBeVisible()
})

test('a press on an option holds, though the list moves before it is let go', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  await numeron.goTo('Network', 'Chain')
  await numeron.field('network.serverPortMbps').focus()
  await page.keyboard.press('ArrowDown')
  const menu = page.locator('.v-menu.v-overlay--active > .v-overlay__content')
  await expect(menu).toBeVisible()
  await expect(menu).not.toHaveClass(/-enter-/)
  const option = menu.getByRole('option', { name: '2500 Mb/s' })
  // The list may still follow its field on a busy machine: the press begins where it stands.
  await expect(async () => {
    const box = (await option.boundingBox())!
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
    expect(await option.evaluate(element => element.matches(':hover'))).toBe(true)
  }).toPass()
  await page.mouse.down()
  // What an answer that makes a sentence longer does to all below it.
  await menu.evaluate(element => (element.style.transform = 'translateY(70px)'))
  await page.mouse.up()
  await expect(menu).toHaveCount(0)
  await expect(
    page.locator('[data-working], .v-field').filter({ hasText: '2500 Mb/s' }).first(),
  ).toBeVisible()
})
