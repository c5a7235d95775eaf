// Renews docs/screenshots/ from the demo data: one picture of each view, of a phone and
// of the working.
import { launchBrowser } from './browser.mjs'
import { openWhenReady, startDemoServer } from './demoServer.mjs'
import { ensureBuild, ensurePackages } from './steps.mjs'

ensurePackages()
if (!ensureBuild()) process.exit(1)
const views = [
  'household',
  'library',
  'playback',
  'streams',
  'drives',
  'network',
  'machine',
  'tiers',
  'ownership',
]
const server = await startDemoServer()
const browser = await launchBrowser()
try {
  const shoot = async (
    name,
    { path = '', width = 1280, height = 800, scheme = 'day', before = async () => {} } = {},
  ) => {
    const page = await browser.newPage({
      viewport: { width, height },
      locale: 'en-GB',
      reducedMotion: 'reduce',
    })
    await page.addInitScript(value => localStorage.setItem('numeron.scheme', value), scheme)
    await openWhenReady(page, server.address)
    await page.locator('.headroom-line').waitFor()
    if (path)
      await page.goto(path === '/plans' ? `${server.address}/plans` : `${page.url()}${path}`)
    await page.locator('h1').first().waitFor()
    await before(page)
    await page.waitForTimeout(600)
    await page.screenshot({ path: `docs/screenshots/${name}.png` })
    await page.close()
    console.log(`docs/screenshots/${name}.png`)
  }
  const whenAnswered = page => page.locator('[data-apply-change]').waitFor({ timeout: 120_000 })
  await shoot('brief', { before: whenAnswered })
  // What is worked out off the page is waited for.
  for (const view of views)
    await shoot(view, {
      path: `/${view}`,
      before: page =>
        view === 'tiers'
          ? page.locator('[data-search=done]').waitFor({ timeout: 120_000 })
          : page.waitForTimeout(view === 'playback' ? 2500 : view === 'ownership' ? 12_000 : 300),
    })
  await shoot('drives-growing', {
    path: '/drives/growing',
    before: page => page.getByRole('button', { name: 'Apply: Cheapest' }).waitFor(),
  })
  await shoot('rehearsal', {
    path: '/rehearsal',
    before: async page => {
      const stall = page.locator('[data-event=gaveUp]').first()
      for (let turn = 0; turn < 30 && !(await stall.isVisible()); turn++) {
        await page.locator('[data-next-disturbed]').click()
        await page.waitForTimeout(700)
      }
      await stall.click()
      await page.locator('[data-prevents]').first().waitFor()
      await page.evaluate(() => window.scrollTo(0, 0))
      await page.locator('[data-stage]').hover({ position: { x: 20, y: 8 } })
    },
  })
  await shoot('commissioning', {
    path: '/commissioning',
    before: page => page.locator('[data-step]').first().waitFor(),
  })
  await shoot('machine-fit', { path: '/machine/fit', before: page => page.waitForTimeout(2500) })
  await shoot('plans', { path: '/plans', before: page => page.waitForTimeout(2500) })
  await shoot('start', {
    path: '/start',
    before: page =>
      page.locator('[data-results] .cards[aria-busy=false]').waitFor({ timeout: 120_000 }),
  })
  await shoot('working', {
    path: '/streams/mix',
    before: page => page.locator('[data-figure="streams.softwareReference"]').first().click(),
  })
  await shoot('commissioning-phone', {
    path: '/commissioning',
    width: 390,
    height: 844,
    before: async page => {
      await page.locator('[data-step="assembly.start"]').click()
      await page.locator('[data-open-one]').click()
    },
  })
  // Opening the logbook takes its measurements into the plan: nothing comes after it.
  await shoot('logbook-calibration', {
    path: '/logbook/calibration',
    before: async page => {
      await page.locator('[data-row=idleW]').waitFor()
      await page.locator('[data-row=idleW]').click()
    },
  })
} finally {
  await browser.close()
  server.stop()
}
