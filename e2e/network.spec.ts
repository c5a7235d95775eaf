import { expect, test } from './fixtures'

test('the first fill is told by each way, and its working shows what limits it', async ({ numeron, page }) => {
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
  await expect(page.getByText('Share in small files must be a number from 0 to 100 %.')).toBeVisible()
})
