import { currentSchemaVersion } from '../core/plan/planSchema'
import { tideMillHouse } from '../core/catalogue/tideMillHouse'
import { NumeronPage, expect, test } from './fixtures'

test('plans are copied, renamed, archived, found, deleted and brought back', async ({
  numeron,
  page,
}) => {
  await numeron.openPlans()
  const plan = (name: string) => page.locator(`[data-plan="${name}"]`)
  const act = async (name: string, action: string) => {
    await page.getByRole('button', { name: `More about ${name}`, exact: true }).click()
    await page
      .getByRole('listitem')
      .filter({ hasText: new RegExp(`^${action}$`) })
      .or(page.locator('.v-list-item').filter({ hasText: new RegExp(`^${action}$`) }))
      .first()
      .click()
  }
  await expect(plan('Tide Mill House')).toContainText('This will not do, because')
  await expect(plan('Tide Mill House')).toContainText('To pay now€415')
  await act('Tide Mill House', 'Copy')
  await expect(plan('Tide Mill House (copy)')).toBeVisible()
  await act('Tide Mill House (copy)', 'Rename')
  await page.getByLabel('Name', { exact: true }).fill('Canal boat')
  await page.getByRole('button', { name: 'Rename', exact: true }).click()
  await expect(plan('Canal boat')).toBeVisible()
  await page.getByLabel('Search by name').fill('mill')
  await expect(plan('Canal boat')).toHaveCount(0)
  await page.getByLabel('Search by name').fill('canal')
  await act('Canal boat', 'Archive')
  await expect(plan('Canal boat')).toHaveCount(0)
  await page.getByLabel('Archived (1)').check()
  await act('Canal boat', 'Take out of the archive')
  await act('Canal boat', 'Delete')
  await expect(plan('Canal boat')).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(plan('Canal boat')).toBeVisible()
})

test('two thousand plans are a list like any other', async ({ numeron, page, server }) => {
  test.slow()
  const make = (at: number) =>
    fetch(`${server.address}/api/plans`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: `Plan ${at}` }),
    })
  for (let at = 0; at < 2000; at += 50)
    await Promise.all(Array.from({ length: 50 }, (_, more) => make(at + more)))
  await numeron.openPlans()
  await expect(page.getByText('Page 1 of 167, 2001 plans')).toBeVisible()
  await expect(page.locator('[data-plan]')).toHaveCount(12)
  const started = Date.now()
  await page.getByLabel('Search by name').fill('tide')
  await expect(page.locator('[data-plan="Tide Mill House"]')).toContainText('because')
  expect(Date.now() - started).toBeLessThan(5000)
  await page.getByLabel('Search by name').fill('')
  await page.getByRole('button', { name: 'Next' }).click()
  await expect(page.getByText('Page 2 of 167')).toBeVisible()
})

test('rubbish is not imported, and every problem is named', async ({ numeron, page }) => {
  await numeron.openPlans()
  const alert = page.getByRole('alert')
  await numeron.importText('half.json', JSON.stringify(tideMillHouse).slice(0, 300))
  await expect(alert).toContainText('not valid JSON')
  const newer = currentSchemaVersion + 1
  await numeron.importText('newer.json', `{"name":"x","schemaVersion":${newer}}`)
  await expect(alert).toContainText(`newer Numeron (version ${newer})`)
  await numeron.importText('wrong.json', '{"name":"","network":{"uploadMbps":-1}}')
  await expect(alert).toContainText('Name must be 1 to 80')
  await expect(alert).toContainText('Upload must be a number from 0')
  await numeron.importText('large.json', `{"name":"${'x'.repeat(6_000_000)}"}`)
  await expect(alert).toContainText('at most 5 MB')
  await expect(page.locator('[data-plan]')).toHaveCount(1)
  await numeron.importText('future.json', '{"name":"Later","sails":3}')
  await expect(page.getByRole('status')).toContainText('does not use one field: sails')
})

test('a second tab with an old version gets a choice, not a silent overwrite', async ({
  numeron,
  page,
  context,
  server,
}) => {
  await numeron.openLatest()
  const otherPage = await context.newPage()
  const other = new NumeronPage(otherPage, server)
  await other.openLatest()
  await numeron.enter('machine.score', '11111')
  await numeron.expectSaved()
  await other.enter('machine.score', '22222')
  const dialog = otherPage.getByRole('alertdialog')
  await expect(dialog).toContainText('changed elsewhere')
  await expect(dialog.getByRole('row', { name: /Processor score/ })).toContainText('22222')
  await expect(dialog.getByRole('row', { name: /Processor score/ })).toContainText('11111')
  await dialog.getByRole('button', { name: 'Store mine as a second plan' }).click()
  await expect(otherPage.locator('#field-name')).toHaveValue('Tide Mill House (mine)')
  await expect(other.field('machine.score')).toHaveValue('22222')
  await page.reload()
  await expect(numeron.field('machine.score')).toHaveValue('11111')
})

test('a server killed in the middle of a save loses nothing', async ({ numeron, page, server }) => {
  await numeron.openLatest()
  await numeron.enter('machine.cores', '12')
  await numeron.expectSaved()
  await page.route('**/api/plans/*', async route => {
    if (route.request().method() === 'PUT') await server.kill()
    await route.continue()
  })
  await numeron.enter('machine.score', '60000')
  await expect(page.locator('[data-save]')).toHaveAttribute('data-save', 'offline')
  await numeron.expectState('streams', 'ample')
  await page.unroute('**/api/plans/*')
  await page.waitForTimeout(300)
  await server.start()
  await expect(page.locator('[data-save]')).toHaveAttribute('data-save', 'saved', {
    timeout: 60_000,
  })
  await page.reload()
  await expect(numeron.field('machine.score')).toHaveValue('60000')
  await expect(numeron.field('machine.cores')).toHaveValue('12')
})

test('a tab closed before its save is taken up again', async ({
  numeron,
  page,
  context,
  server,
}) => {
  await numeron.openLatest()
  await page.route('**/api/plans/*', route =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  )
  await numeron.enter('machine.score', '13579')
  await expect(page.locator('[data-save]')).toHaveAttribute('data-save', 'offline')
  await page.close({ runBeforeUnload: false })
  const again = new NumeronPage(await context.newPage(), server)
  await again.openLatest()
  await expect(again.field('machine.score')).toHaveValue('13579')
  await expect(again.page.getByText('had not reached the server and were restored')).toBeVisible()
  await again.expectSaved()
})
