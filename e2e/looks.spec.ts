import { views } from '../app/composables/views'
import type { Page } from '@playwright/test'
import { expect, test } from './fixtures'

/** How far what is on the page runs out of it to the right. */
const overflowOf = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)

/** Windows that each section is looked at in: of usual size first, then at 200 %, wide, a phone. */
const usual = { width: 1280, height: 800 }
const windows = [
  { width: 640, height: 400 },
  { width: 1920, height: 1080 },
  { width: 390, height: 844 },
] as const
/** A4 within its margins. */
const paper = { width: 703, height: 1000 }

/** Pictures take a moment to be drawn anew for another width. */
async function expectNoOverflow(page: Page, where: string): Promise<void> {
  await expect.poll(() => overflowOf(page), { message: where }).toBeLessThanOrEqual(0)
}

/** A page prints within the paper, in dark ink, under the plan's name and its own. */
async function expectPrints(page: Page, title: string): Promise<void> {
  await page.emulateMedia({ media: 'print' })
  await page.setViewportSize(paper)
  await expect(page.locator('.view-frame .print-only')).toContainText(`Tide Mill House · ${title}`)
  await expectNoOverflow(page, `${title}, printed`)
  // The strongest of three channels, given as rgb() of 255 or as color() of 1; colours may take a
  // moment to change.
  await expect
    .poll(async () => {
      const colour = await page.evaluate(
        () => getComputedStyle(document.querySelector('.view-frame h1')!).color,
      )
      const strongest = Math.max(...(colour.match(/[\d.]+/g) ?? ['255']).slice(0, 3).map(Number))
      return strongest / (colour.startsWith('rgb') ? 255 : 1)
    })
    .toBeLessThan(0.3)
  await page.emulateMedia({ media: 'screen' })
}

// One visit of each section: axe with all its rules, then each width, then paper, then by night,
// where the structure is the same and the colours alone are looked at.
for (const { label, sections } of views) {
  test(`${label} reads, fits and prints in every section, by day and by night`, async ({
    numeron,
    page,
  }) => {
    test.slow()
    await numeron.openLatest()
    for (const [index, section] of sections.entries()) {
      const where = `${label}, ${section.label}`
      const part = index === 0 ? 'page' : 'view'
      await page.setViewportSize(usual)
      await numeron.goTo(label, index === 0 ? undefined : section.label)
      // A view answers in its first screenful; none is much taller at first.
      if (index === 0)
        expect(
          await page.evaluate(() => document.documentElement.scrollHeight),
          label,
        ).toBeLessThanOrEqual(1.5 * usual.height + 60)
      await numeron.checkAccessible(where, 'all', part)
      await expectNoOverflow(page, where)
      for (const size of windows) {
        await page.setViewportSize(size)
        await numeron.settle()
        await expectNoOverflow(page, `${where} at ${size.width}×${size.height}`)
        if (size.width === 640) await numeron.checkAccessible(`${where}, narrow`, 'layout', part)
      }
      // People print from a window of usual size.
      await page.setViewportSize(usual)
      await numeron.settle()
      await expectPrints(page, `${label}: ${section.label}`)
      await page.setViewportSize(usual)
      await page.emulateMedia({ colorScheme: 'dark' })
      await expect(page.locator('.v-theme--night').first()).toBeVisible()
      await numeron.checkAccessible(`${where}, by night`, 'contrast', part)
      if (index === 0) await expectPrints(page, `${label}: ${section.label}`)
      await page.emulateMedia({ colorScheme: 'light' })
    }
    numeron.expectNoViolations()
  })
}

for (const { scheme, rules, size } of [
  { scheme: 'day', rules: 'all', size: usual },
  { scheme: 'day', rules: 'layout', size: { width: 640, height: 400 } },
  { scheme: 'night', rules: 'contrast', size: usual },
] as const) {
  test(`inspector, working and plans read by ${scheme} at ${size.width}×${size.height}`, async ({
    numeron,
    page,
  }) => {
    await page.setViewportSize(size)
    await page.addInitScript(value => localStorage.setItem('numeron.scheme', value), scheme)
    await numeron.openLatest()
    await numeron.goTo('Household', 'Viewers')
    await numeron.pick(0)
    await numeron.checkAccessible('inspector', rules)
    await numeron.goTo('Ownership')
    await page.locator('[data-figure]').first().click()
    await expect(page.getByRole('dialog', { name: /^Show working/ })).toBeVisible()
    await numeron.checkAccessible('working', rules)
    await numeron.openPlans()
    await numeron.checkAccessible('plans', rules)
    numeron.expectNoViolations()
  })
}

test('the page runs under its content security policy and fetches nothing from outside', async ({
  numeron,
  page,
  server,
}) => {
  const outside: string[] = []
  page.on(
    'request',
    request =>
      request.url().startsWith(server.address) ||
      /^(data|blob):/.test(request.url()) ||
      outside.push(request.url()),
  )
  const [response] = await Promise.all([
    page.waitForResponse(answer => answer.url() === `${server.address}/`),
    numeron.openLatest(),
  ])
  for (const view of views) await numeron.goTo(view.label)
  expect(outside).toEqual([])
  const headers = response.headers()
  expect(headers['x-content-type-options']).toBe('nosniff')
  const policy = headers['content-security-policy'] ?? ''
  expect(policy).toContain("frame-ancestors 'none'")
  expect(policy).toMatch(/script-src [^;]*'nonce-[^']+'/)
  expect(policy).not.toMatch(/script-src [^;]*'unsafe-inline'/)
})
