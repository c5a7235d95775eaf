import { gzipSync } from 'node:zlib'
import { expect, test } from './fixtures'

/**
 * Scripts that the first view may ask for before its verdicts stand, kB gzip; docs/performance.md
 * says what of it the rules of fit and the years take.
 */
const maxKB = 309

test('the first view asks for little, and for nothing of the other views', async ({
  numeron,
  page,
}) => {
  const scripts = new Map<string, number>()
  page.on('response', async response => {
    if (response.request().resourceType() === 'script')
      scripts.set(
        response.url(),
        gzipSync(await response.body().catch(() => Buffer.alloc(0))).length,
      )
  })
  await page.addInitScript(() => {
    new MutationObserver((_, watcher) => {
      if (!document.querySelector('.headroom-line [data-state]')) return
      watcher.disconnect()
      ;(window as unknown as { lineStoodAt: number }).lineStoodAt = performance.now()
    }).observe(document, { childList: true, subtree: true })
  })
  await numeron.openLatest()
  await page.waitForLoadState('load')
  expect(await page.locator('link[rel=prefetch]').count()).toBe(0)
  const asked = await page.evaluate(() =>
    performance
      .getEntriesByType('resource')
      .filter(entry => entry.startTime < (window as unknown as { lineStoodAt: number }).lineStoodAt)
      .map(({ name }) => name)
      .filter(name => name.endsWith('.js')),
  )
  await expect.poll(() => asked.filter(name => !scripts.has(name))).toEqual([])
  const bytes = [...new Set(asked)].reduce((sum, name) => sum + (scripts.get(name) ?? 0), 0)
  expect(bytes).toBeGreaterThan(100_000)
  expect(bytes / 1000).toBeLessThan(maxKB)
})
