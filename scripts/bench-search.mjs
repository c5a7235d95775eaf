// Times of the search over the whole catalogue, from a cold start, of the prices of all conditions,
// and of the search for builds beside a general solver. Not a test.
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { build } from 'esbuild'
import highsLoader from 'highs'
import { ensurePackages } from './steps.mjs'

ensurePackages()
const bundle = join('test-results', 'search-bench.mjs')
await build({
  entryPoints: ['core/tiers/search/search.bench.ts'],
  bundle: true,
  platform: 'node',
  format: 'esm',
  outfile: bundle,
  logLevel: 'error',
})
const { timedSearches, timedPrices } = await import(pathToFileURL(bundle).href)
timedSearches(() => performance.now())
for (const { name, cost, nodes, leaves, toBestMs, toProofMs } of timedSearches(() =>
  performance.now(),
)) {
  console.log(
    `${name.padEnd(44)} ${cost === null ? 'none' : cost.toFixed(2).padStart(9)}  best ` +
      `${(toBestMs / 1000).toFixed(2)} s  proof ${(toProofMs / 1000).toFixed(2)} s  ${nodes} ` +
      `nodes, ${leaves} builds, ${Math.round((nodes / toProofMs) * 1000)} nodes a second`,
  )
}
{
  const { toFirstMs, totalMs } = timedPrices(() => performance.now())
  console.log(
    `prices of all conditions: the best itself ${(toFirstMs / 1000).toFixed(2)} s, all of them ` +
      `${(totalMs / 1000).toFixed(2)} s`,
  )
}
const solver = join('test-results', 'solver-bench.mjs')
await build({
  entryPoints: ['tests/search/buildsBySolver.ts'],
  bundle: true,
  platform: 'node',
  format: 'esm',
  outfile: solver,
  logLevel: 'error',
})
const { middleQuestion, byOwnSearch, bySolver } = await import(pathToFileURL(solver).href)
const highs = await highsLoader()
for (const seed of [12, 14, 17, 20, 24]) {
  const question = middleQuestion(seed)
  let started = performance.now()
  const own = byOwnSearch(question)
  const ownMs = performance.now() - started
  started = performance.now()
  const { cost, ruledOut } = bySolver(question, highs)
  const generalMs = performance.now() - started
  console.log(
    `middle catalogue ${seed}: own search ${own} in ${ownMs.toFixed(0)} ms, general solver ${cost} ` +
      `in ${generalMs.toFixed(0)} ms (${ruledOut} proposals ruled out), ratio ` +
      `${(ownMs / generalMs).toFixed(2)}`,
  )
}
