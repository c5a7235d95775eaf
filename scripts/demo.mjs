// One command from a fresh checkout to the running demo: install what is missing, build, seed,
// serve on loopback.
import { spawn } from 'node:child_process'
import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { ensureBuild, ensurePackages } from './steps.mjs'

ensurePackages()
if (!ensureBuild() || !existsSync('.output/server/index.mjs')) {
  console.error('The build failed; see its message above.')
  process.exit(1)
}
const port = process.env.NUMERON_PORT || '4780'
const server = spawn(process.execPath, ['.output/server/index.mjs'], {
  stdio: 'inherit',
  env: {
    ...process.env,
    NUMERON_DEMO: '1',
    NUMERON_PORT: port,
    NUMERON_DB: process.env.NUMERON_DB || join(process.cwd(), '.data', 'demo.sqlite'),
  },
})
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal))
server.on('exit', code => process.exit(code ?? 0))

for (let attempt = 0; attempt < 300; attempt++) {
  const ready = await fetch(`http://127.0.0.1:${port}/api/health`).then(
    answer => answer.ok,
    () => false,
  )
  if (ready) {
    console.log(`\nNumeron shows Tide Mill House at http://127.0.0.1:${port}/   (Ctrl C ends it)\n`)
    break
  }
  await new Promise(done => setTimeout(done, 100))
}
