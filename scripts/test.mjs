// Every test of the project in one run: format and lint, types, unit, build, end to end. Ends with
// 'N passed, N failed'.
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import { ensureChromium, ensureSettingsReader } from './debianPackages.mjs'
import { ensurePackages, run, runBeside, runShown } from './steps.mjs'

const results = []
function step(name, passed, failed) {
  results.push({ name, passed, failed })
  console.log(`\n== ${name}: ${passed} passed, ${failed} failed\n`)
}
/**
 * Counts a runner's own report; a runner that failed without a failed test of its own (a crash, no
 * tests) counts as one.
 */
function counted(name, well, read) {
  let counts = { passed: 0, failed: 0 }
  try {
    counts = read()
  } catch {
    /* no report: it counts as failed below */
  }
  if ((!well && counts.failed === 0) || counts.passed + counts.failed === 0) counts.failed += 1
  step(name, counts.passed, counts.failed)
}
const report = path => JSON.parse(readFileSync(path, 'utf8'))

ensurePackages()
ensureSettingsReader()
rmSync('test-results', { recursive: true, force: true })
mkdirSync('test-results')

run('npx', ['nuxt', 'prepare'], { NUXT_TELEMETRY_DISABLED: '1' })
// Two at a time: a machine that checks has two cores.
const lanes = [
  [
    ['format', ['prettier', '--check', '.']],
    ['lint', ['eslint', '.']],
    ['types of the core', ['tsc', '-p', 'core']],
  ],
  [
    ['types of app and server', ['nuxt', 'typecheck']],
    ['types of the tests', ['vue-tsc', '--noEmit', '-p', 'tests/tsconfig.json']],
  ],
]
await Promise.all(
  lanes.map(async lane => {
    for (const [name, args] of lane) {
      const well = await runBeside('npx', args, { NUXT_TELEMETRY_DISABLED: '1' })
      step(name, well ? 1 : 0, well ? 0 : 1)
    }
  }),
)
// The build is one long program on one core: it goes on beside the unit tests.
const building = runBeside('npx', ['nuxt', 'build'], { NUXT_TELEMETRY_DISABLED: '1' })
const reporters = ['default', 'json'].map(name => `--reporter=${name}`)
const unitFile = 'test-results/unit.json'
counted(
  'unit, contract and architecture',
  await runShown('npx', ['vitest', 'run', ...reporters, `--outputFile.json=${unitFile}`]),
  () => {
    const { numPassedTests, numFailedTests } = report(unitFile)
    return { passed: numPassedTests, failed: numFailedTests }
  },
)
const built = await building
step('build', built ? 1 : 0, built ? 0 : 1)
const chromium = built ? ensureChromium() : null
if (chromium) {
  process.env.NUMERON_CHROMIUM = chromium
  counted('end to end', run('npx', ['playwright', 'test']), () => {
    const { stats } = report('test-results/e2e.json')
    return { passed: stats.expected, failed: stats.unexpected }
  })
} else if (built) {
  console.error(
    'No Chromium was found. Install it (as root: apt-get install chromium), or set ' +
      'NUMERON_CHROMIUM to its path, and run the tests again.',
  )
  step('end to end', 0, 1)
}

const total = key => results.reduce((sum, result) => sum + result[key], 0)
console.log(`${total('passed')} passed, ${total('failed')} failed`)
process.exit(total('failed') === 0 ? 0 : 1)
