import axe from 'axe-core'
import type { Page } from '@playwright/test'

declare global {
  interface Window {
    /** In pages that were looked at. */
    axe: typeof axe
  }
}

/**
 * What axe finds wrong in a part of a page as it stands, by its rules or tags; by all that it has
 * switched on where none are given. It runs in the page itself: a page of its own for it takes
 * four times as long.
 */
export async function violationsOf(
  page: Page,
  around = ':root',
  runOnly?: string[],
): Promise<{ readonly id: string; readonly targets: readonly string[] }[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source)
  return page.evaluate(
    ([around, runOnly]) =>
      window.axe
        .run(around, { resultTypes: ['violations'], ...(runOnly ? { runOnly } : {}) })
        .then(found =>
          found.violations.map(({ id, nodes }) => ({
            id,
            targets: nodes.map(node => node.target.join(' ')),
          })),
        ),
    [around, runOnly] as const,
  )
}
