// Times of the search over the whole catalogue, from a cold start, and of its engine beside a
// general solver. Not a test.
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
const { timedSearches, choosing, solveChoosing } = await import(pathToFileURL(bundle).href)
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
const highs = await highsLoader()
for (const [groups, options] of [
  [8, 6],
  [12, 8],
]) {
  const problem = choosing(groups, options)
  const name = (group, pick) => `x${group}_${pick}`
  const sum = table =>
    table
      .flatMap((list, group) => list.map((value, pick) => `${value} ${name(group, pick)}`))
      .join(' + ')
  const text = [
    'Minimize',
    ` obj: ${sum(problem.prices)}`,
    'Subject To',
    ...problem.prices.map(
      (list, group) => ` g${group}: ${list.map((_, pick) => name(group, pick)).join(' + ')} = 1`,
    ),
    ` least: ${sum(problem.goods)} >= ${problem.least}`,
    'Binary',
    ' ' +
      `${problem.prices.flatMap((list, group) => list.map((_, pick) => name(group, pick))).join(' ')}`,
    'End',
  ].join('\n')
  let started = performance.now()
  const own = solveChoosing(problem)
  const ownMs = performance.now() - started
  started = performance.now()
  const general = highs.solve(text)
  console.log(
    `${groups} groups of ${options}: own engine ${own} in ${ownMs.toFixed(1)} ms, general ` +
      `solver ${general.ObjectiveValue} in ${(performance.now() - started).toFixed(1)} ms`,
  )
}
