import type { BrowserContext } from '@playwright/test'
import { NumeronPage, expect, test } from './fixtures'

/** From now on no save of any tab gets through. */
const cutOff = (context: BrowserContext) =>
  context.route('**/api/plans/*', route =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  )
/** The server does not answer, and what was changed lies in the browser. */
const isOffline = (numeron: NumeronPage) =>
  expect(numeron.page.locator('[data-save=offline][data-kept=true]')).toBeVisible()

test(
  'two tabs without a server keep a draft each, and what they hold can be opened, saved as a ' +
    'new plan, exported and discarded',
  async ({ numeron, page, context, server }) => {
    await numeron.openLatest()
    const other = new NumeronPage(await context.newPage(), server)
    await other.openLatest()
    await cutOff(context)
    await numeron.enter('machine.score', '11111')
    await isOffline(numeron)
    await other.enter('machine.score', '22222')
    await isOffline(other)
    await page.close({ runBeforeUnload: false })
    await other.page.close({ runBeforeUnload: false })
    await context.unroute('**/api/plans/*')
    const later = new NumeronPage(await context.newPage(), server)
    await later.openPlans()
    const drafts = later.page.locator('[data-draft]')
    await expect(drafts).toHaveCount(2)
    await expect(drafts.first()).toContainText('One field differs from what is saved.')
    const [download] = await Promise.all([
      later.page.waitForEvent('download'),
      drafts.first().getByRole('button', { name: 'Export' }).click(),
    ])
    expect(download.suggestedFilename()).toBe('tide-mill-house.numeron.json')
    await drafts
      .nth(1)
      .getByRole('button', { name: /^Save as a new plan/ })
      .click()
    await expect(drafts).toHaveCount(1)
    await expect(later.page.locator('[data-plan]')).toHaveCount(2)
    await drafts
      .first()
      .getByRole('link', { name: /^Open with these changes/ })
      .click()
    await expect(later.field('machine.score')).toHaveValue('22222')
    await later.expectSaved()
    await later.openPlans()
    await expect(drafts).toHaveCount(0)
  },
)

test('a plan left while the server does not answer is saved as soon as it does', async ({
  numeron,
  page,
  context,
}) => {
  await numeron.openLatest()
  await cutOff(context)
  await numeron.enter('machine.score', '12321')
  await isOffline(numeron)
  await page.getByRole('link', { name: 'Numeron, all plans' }).click()
  await expect(page.locator('[data-draft]')).toContainText(
    'It will be saved as soon as the server answers.',
  )
  await context.unroute('**/api/plans/*')
  await expect(page.locator('[data-drafts]')).toHaveCount(0, { timeout: 15_000 })
  await page.locator('[data-plan="Tide Mill House"]').getByRole('link').first().click()
  await expect(numeron.field('machine.score')).toHaveValue('12321')
})

test('a tab that stands before a conflict keeps its draft while another tab saves on', async ({
  numeron,
  context,
  server,
}) => {
  await numeron.openLatest()
  const other = new NumeronPage(await context.newPage(), server)
  await other.openLatest()
  await numeron.enter('machine.score', '11111')
  await numeron.expectSaved()
  await other.enter('machine.score', '22222')
  await expect(other.page.getByRole('alertdialog')).toContainText('changed elsewhere')
  await numeron.enter('machine.score', '33333')
  await numeron.expectSaved()
  await other.page.reload()
  const dialog = other.page.getByRole('alertdialog')
  await expect(dialog.getByRole('row', { name: /Processor score/ })).toContainText('22222')
  await expect(dialog.getByRole('row', { name: /Processor score/ })).toContainText('33333')
})

test('a plan that was deleted elsewhere while it is edited is offered as a new plan', async ({
  numeron,
  page,
  server,
}) => {
  await numeron.openLatest()
  const id = page.url().split('/plans/')[1]
  await fetch(`${server.address}/api/plans/${id}`, { method: 'DELETE' })
  await numeron.enter('machine.score', '45454')
  await expect(page.getByText('This plan was deleted elsewhere.')).toBeVisible()
  await page.getByRole('button', { name: 'Save it as a new plan' }).click()
  await expect(page).not.toHaveURL(new RegExp(id!))
  await expect(numeron.field('machine.score')).toHaveValue('45454')
  await numeron.expectSaved()
  await page.reload()
  await expect(numeron.field('machine.score')).toHaveValue('45454')
})

test('a draft of a plan that is gone, or that cannot be read, is listed and never lost unread', async ({
  numeron,
  page,
  context,
  server,
}) => {
  await numeron.openLatest()
  const id = page.url().split('/plans/')[1]!
  await cutOff(context)
  await numeron.enter('machine.score', '56565')
  await isOffline(numeron)
  await page.close({ runBeforeUnload: false })
  await fetch(`${server.address}/api/plans/${id}`, { method: 'DELETE' })
  const later = new NumeronPage(await context.newPage(), server)
  await later.page.addInitScript(() =>
    localStorage.setItem('numeron.draft.strange', '{"version":1,"plan":{"name":""'),
  )
  await later.openPlans()
  const drafts = later.page.locator('[data-draft]')
  await expect(drafts).toHaveCount(2)
  await expect(drafts.filter({ hasText: 'The plan was deleted since.' })).toHaveAttribute(
    'data-draft',
    'gone',
  )
  const unreadable = later.page.locator('[data-draft=unreadable]')
  await expect(unreadable).toContainText('cannot read it; it is kept as it is')
  await unreadable.getByRole('button', { name: /^Discard/ }).click()
  await unreadable.getByRole('button', { name: 'Discard for good' }).click()
  await expect(drafts).toHaveCount(1)
  await drafts.getByRole('button', { name: /^Save as a new plan/ }).click()
  await expect(later.page.locator('[data-plan="Tide Mill House"]')).toHaveCount(1)
})

test('where the browser keeps nothing, the page says so, and asks before it is closed', async ({
  numeron,
  page,
  context,
}) => {
  await page.addInitScript(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('full', 'QuotaExceededError')
    }
  })
  await numeron.openLatest()
  await cutOff(context)
  await numeron.enter('machine.score', '67676')
  await expect(page.locator('[data-save]')).toContainText('Changes are in this tab only')
  const asked = page.waitForEvent('dialog')
  void page.close({ runBeforeUnload: true })
  const dialog = await asked
  expect(dialog.type()).toBe('beforeunload')
  await dialog.dismiss()
  await expect(numeron.field('machine.score')).toHaveValue('67676')
})
