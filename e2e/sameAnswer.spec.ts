import { readFile } from 'node:fs/promises'
import { expect, test } from './fixtures'

test('the built server answers as the page computes', async ({ numeron, page, server }) => {
  await numeron.openLatest()
  const id = page.url().split('/plans/')[1]
  const { plan } = await (await fetch(`${server.address}/api/plans/${id}`)).json()
  const assessment = await (
    await fetch(`${server.address}/api/assessments`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(plan),
    })
  ).json()
  await numeron.goTo('Brief', 'Verdicts')
  for (const verdict of assessment.verdicts) {
    await expect(page.locator(`[data-verdict="${verdict.id}"]`)).toHaveAttribute(
      'data-state',
      verdict.state,
    )
    await expect(page.locator(`[data-sentence="${verdict.id}"]`)).toContainText(verdict.sentence)
  }
})

test('a foreign host name is refused', async ({ server }) => {
  const { request } = await import('node:http')
  const status = await new Promise(done =>
    request(`${server.address}/api/plans`, { headers: { host: 'mill.example' } }, answer =>
      done(answer.statusCode),
    ).end(),
  )
  expect(status).toBe(421)
})

test('the licence of nothing else is needed: fonts and icons come from the server', async ({
  numeron,
  page,
}) => {
  await numeron.openLatest()
  const fonts = await page.evaluate(async () => {
    await document.fonts.ready
    return [...document.fonts]
      .filter(font => font.status === 'loaded')
      .map(font => font.family.replaceAll('"', ''))
  })
  expect(fonts).toContain('Archivo Variable')
  expect(await readFile('nuxt.config.ts', 'utf8')).not.toMatch(/https?:\/\//)
})
