import { views } from '../app/composables/views'
import type { Page } from '@playwright/test'
import { expect, test } from './fixtures'

/** How far what is on the page runs out of it to the right. */
const overflowOf = (page: Page) =>
  page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)

// The structure is the same by day and by night: by night the colours alone are looked at. At 200 %
// a window of 1280×800
// holds 640×400: there only what is laid out otherwise.
for (const { scheme, rules, size } of [
  { scheme: 'day', rules: 'all', size: { width: 1280, height: 800 } },
  { scheme: 'day', rules: 'layout', size: { width: 640, height: 400 } },
  { scheme: 'night', rules: 'contrast', size: { width: 1280, height: 800 } },
] as const) {
  test(`axe finds nothing in any view, by ${scheme} at ${size.width}×${size.height}`, async ({
    numeron,
    page,
  }) => {
    test.slow()
    await page.setViewportSize(size)
    await page.addInitScript(value => localStorage.setItem('numeron.scheme', value), scheme)
    await numeron.openLatest()
    for (const { label, sections } of views) {
      for (const [index, section] of sections.entries()) {
        await numeron.goTo(label, index === 0 ? undefined : section.label)
        // A view answers in its first screenful; none is much taller at first.
        if (index === 0 && rules === 'all')
          expect(
            await page.evaluate(() => document.documentElement.scrollHeight),
            label,
          ).toBeLessThanOrEqual(1.5 * size.height + 60)
        await numeron.checkAccessible(
          `${label}, ${section.label}`,
          rules,
          index === 0 ? 'page' : 'view',
        )
        expect(await overflowOf(page), `${label}, ${section.label}`).toBeLessThanOrEqual(0)
      }
    }
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

for (const [width, height] of [
  [1920, 1080],
  [390, 844],
] as const) {
  test(`nothing runs out of the page at ${width}×${height}`, async ({ numeron, page }) => {
    await page.setViewportSize({ width, height })
    await numeron.openLatest()
    for (const { label, sections } of views) {
      for (const [index, section] of sections.entries()) {
        await numeron.goTo(label, index === 0 ? undefined : section.label)
        await page.waitForTimeout(150)
        expect(await overflowOf(page), `${label}, ${section.label}`).toBeLessThanOrEqual(0)
      }
    }
  })
}

test(
  'every view prints within the paper, by day also from the night, and under its plan and ' +
    'name',
  async ({ numeron, page }) => {
    await page.addInitScript(() => localStorage.setItem('numeron.scheme', 'night'))
    await numeron.openLatest()
    // A4 within its margins
    const [screen, paper] = [
      { width: 1280, height: 800 },
      { width: 703, height: 1000 },
    ]
    for (const { label, sections } of views) {
      for (const [index, section] of sections.entries()) {
        await numeron.goTo(label, index === 0 ? undefined : section.label)
        await page.emulateMedia({ media: 'print' })
        await page.setViewportSize(paper)
        await expect(page.locator('.view-frame .print-only')).toContainText(
          `Tide Mill House · ${label}: ${section.label}`,
        )
        const overflow = await page.evaluate(
          () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
        )
        expect(overflow, `${label}, ${section.label}`).toBeLessThanOrEqual(0)
        // The strongest of three channels, given as rgb() of 255 or as color() of 1; colours may
        // take a moment to change.
        await expect
          .poll(async () => {
            const colour = await page.evaluate(
              () => getComputedStyle(document.querySelector('.view-frame h1')!).color,
            )
            return (
              Math.max(...(colour.match(/[\d.]+/g) ?? ['255']).slice(0, 3).map(Number)) /
              (colour.startsWith('rgb') ? 255 : 1)
            )
          })
          .toBeLessThan(0.3)
        await page.emulateMedia({ media: 'screen' })
        await page.setViewportSize(screen)
      }
    }
  },
)

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
