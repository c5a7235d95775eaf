// Speed of Numeron on this machine, with ratios where they carry further than milliseconds. Not a
// test.
import { appendFileSync, mkdtempSync, readFileSync, readdirSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { gzipSync } from 'node:zlib'
import { build } from 'esbuild'
import { launchBrowser } from './browser.mjs'
import { openWhenReady, startDemoServer } from './demoServer.mjs'
import { ensureBuild, ensurePackages } from './steps.mjs'

ensurePackages()
if (!ensureBuild()) process.exit(1)

const quantile = (values, share) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))]
const line = (name, text) => console.log(`${name.padEnd(58)} ${text}`)

// The core alone, bundled as the page has it.
const bundle = join('test-results', 'core-bench.mjs')
await build({
  entryPoints: ['core/assess.bench.ts'],
  bundle: true,
  platform: 'node',
  format: 'esm',
  outfile: bundle,
  logLevel: 'error',
})
const { cases } = await import(pathToFileURL(bundle).href)
/** Milliseconds that a case is warmed up for, and then timed for; and the fewest runs of each. */
const [warmingMs, timingMs, fewestRuns] = [300, 1500, 20]
function timed(run) {
  const times = []
  const repeat = forMs => {
    const until = performance.now() + forMs
    while (performance.now() < until || times.length < fewestRuns) {
      const started = performance.now()
      run()
      times.push(performance.now() - started)
    }
  }
  repeat(warmingMs)
  times.length = 0
  repeat(timingMs)
  return times
}
// Evenings: what one event takes, against one turn of a heap.
const rehearsalBundle = join('test-results', 'rehearsal-bench.mjs')
await build({
  entryPoints: ['core/rehearsal/rehearsal.bench.ts'],
  bundle: true,
  platform: 'node',
  format: 'esm',
  outfile: rehearsalBundle,
  logLevel: 'error',
})
let turn
for (const { name, run, per } of (await import(pathToFileURL(rehearsalBundle).href)).cases) {
  const each = (quantile(timed(run), 0.5) * 1e6) / per
  turn ??= each
  line(name, `${each.toFixed(0)} ns each, ${(turn / each).toFixed(2)} of the heap's rate`)
}
let yardstick
for (const { name, run } of cases) {
  const times = timed(run)
  const median = quantile(times, 0.5)
  yardstick ??= median
  if (name.startsWith('1000 builds'))
    line('builds a second by the evaluator, on one core', String(Math.round(1e6 / median)))
  line(
    name,
    `median ${median.toFixed(3)} ms, 99th percentile ${quantile(times, 0.99).toFixed(3)} ` +
      `ms, ${(median / yardstick).toFixed(2)} × the yardstick`,
  )
}

// The built application in Chromium.
const browser = await launchBrowser()
const coldStart = performance.now()
const server = await startDemoServer()
try {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  const scripts = new Map()
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
      requestAnimationFrame(() => (window.lineStoodAt = performance.now()))
    }).observe(document, { childList: true, subtree: true })
  })
  await openWhenReady(page, server.address)
  await page.locator('.headroom-line').waitFor()
  line(
    'first view from a cold start of the server',
    `${Math.round(performance.now() - coldStart)} ms`,
  )
  await page.waitForLoadState('networkidle')
  // What was asked for once the line stood with its verdicts (fields and what checks them, other
  // views, panels) came after the first view.
  const needed = await page.evaluate(() => [
    ...new Set(
      performance
        .getEntriesByType('resource')
        .filter(entry => entry.startTime < window.lineStoodAt)
        .map(entry => entry.name),
    ),
  ])
  const sizes = names =>
    `${(names.reduce((sum, name) => sum + (scripts.get(name) ?? 0), 0) / 1000).toFixed(0)} ` +
    `kB in ${names.length} files`
  line(
    'scripts of the first view, gzip',
    `${sizes(needed.filter(name => scripts.has(name)))}; with all that follows by itself ` +
      `${sizes([...scripts.keys()])}`,
  )

  const edits = await page.evaluate(async () => {
    const input = document.querySelector('[id="field-machine.score"]')
    const gauge = document.querySelector('[data-verdict=streams] .possible')
    const setter = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set
    const times = []
    for (let run = 0; run < 60; run++) {
      const before = gauge.textContent
      const started = performance.now()
      setter.call(input, String(run % 2 ? 9000 : 30_000))
      input.dispatchEvent(new Event('input', { bubbles: true }))
      await new Promise(done =>
        requestAnimationFrame(function look() {
          if (gauge.textContent === before) requestAnimationFrame(look)
          else setTimeout(done)
        }),
      )
      times.push(performance.now() - started)
    }
    return times.slice(10)
  })
  line(
    'edit to the new headroom line, painted',
    `median ${quantile(edits, 0.5).toFixed(1)} ms, 99th percentile ` +
      `${quantile(edits, 0.99).toFixed(1)} ms`,
  )

  // A scan of 100 000 files: real documents repeated, dropped on the page, read in its worker.
  const folder = mkdtempSync(join(tmpdir(), 'numeron-scan-'))
  const scan = join(folder, 'scan.json')
  const documents = readdirSync('tests/fixtures')
    .filter(name => name.startsWith('ffprobe'))
    .map(name => readFileSync(join('tests/fixtures', name), 'utf8'))
  for (let at = 0; at < 100_000; at += 1000)
    appendFileSync(
      scan,
      Array.from({ length: 1000 }, (_, file) => documents[(at + file) % documents.length]).join(
        '\n',
      ) + '\n',
    )
  await page.goto(`${page.url()}/library/scan`)
  await page.locator('#scan-file').waitFor({ state: 'attached' })
  await page.evaluate(() => {
    window.longestGap = 0
    let before = performance.now()
    requestAnimationFrame(function look(now) {
      window.longestGap = Math.max(window.longestGap, now - before)
      before = now
      requestAnimationFrame(look)
    })
  })
  const { processInfo } = await (
    await browser.newBrowserCDPSession()
  ).send('SystemInfo.getProcessInfo')
  const pids = processInfo.filter(entry => entry.type === 'renderer').map(entry => entry.id)
  const memory = name =>
    Math.max(
      ...pids.map(pid =>
        Number(
          new RegExp(`${name}:\\s+(\\d+)`).exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ??
            0,
        ),
      ),
    ) / 1000
  const before = memory('VmRSS')
  const started = performance.now()
  await page.locator('#scan-file').setInputFiles(scan)
  await page.getByRole('region', { name: 'What the scan holds' }).waitFor({ timeout: 600_000 })
  line(
    `scan of 100 000 files, ${(statSync(scan).size / 1e6).toFixed(0)} MB, in the worker`,
    `${((performance.now() - started) / 1000).toFixed(1)} s; the page's process at most ` +
      `${memory('VmHWM').toFixed(0)} MB, ${before.toFixed(0)} MB before; longest time ` +
      `between two frames ${(await page.evaluate(() => window.longestGap)).toFixed(0)} ms`,
  )
  rmSync(folder, { recursive: true, force: true })
} finally {
  await browser.close()
  server.stop()
}
