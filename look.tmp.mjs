import { chromium } from 'playwright'
import { spawn } from 'node:child_process'
import { mkdtempSync, mkdirSync } from 'node:fs'
const [scheme, width, height, planArg, ...paths] = process.argv.slice(2)
mkdirSync('.shots', { recursive: true })
const dir = mkdtempSync('/tmp/numeron-look-')
const port = 4700 + Math.floor(Math.random() * 200)
const server = spawn(process.execPath, ['.output/server/index.mjs'], { env: { ...process.env, NUMERON_DB: dir + '/n.sqlite', NUMERON_DEMO: planArg === 'demo' ? '1' : '', NUMERON_PORT: String(port), NUMERON_BENCH: 'simulated' }, stdio: 'ignore' })
const base = `http://127.0.0.1:${port}`
for (let i = 0; i < 200; i++) { if (await fetch(base + '/api/health').then(r => r.ok, () => false)) break; await new Promise(r => setTimeout(r, 100)) }
let id
if (planArg !== 'demo') { const r = await fetch(base + '/api/plans', { method: 'POST', headers: { 'content-type': 'application/json' }, body: planArg }); id = (await r.json()).id }
else id = (await (await fetch(base + '/api/plans')).json()).plans[0].id
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const page = await browser.newPage({ viewport: { width: +width, height: +height }, colorScheme: scheme })
page.on('pageerror', e => console.log('ERR', e.message)); page.on('console', m => m.type() === 'error' && console.log('CON', m.text()))
let n = 0
for (const spec of paths) {
  const [path, ...acts] = spec.split('#')
  await page.goto(`${base}/plans/${id}${path}`)
  await page.waitForTimeout(1500)
  for (const a of acts) { if (/^\d+$/.test(a)) await page.waitForTimeout(+a); else if (a.startsWith('scroll')) await page.evaluate(y => window.scrollTo(0, y), +a.slice(6)); else { const [sel, act] = a.split('~'); const l = page.locator(sel).first(); if (act === 'hover') await l.hover(); else if (act?.startsWith('fill=')) await l.fill(act.slice(5)); else await l.click(); await page.waitForTimeout(600) } }
  await page.screenshot({ path: `.shots/L-${n++}.png` })
}
await browser.close(); server.kill()
