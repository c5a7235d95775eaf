import { seededRandom } from '~~/core/random'
import type { Evening, Resource, Route, SessionPlan } from '~~/core/rehearsal/evening/world'

/** An evening of nobody's: resources, rungs, seeks, a hang and capacities by lot. */
export function drawWorld(seed: number): Evening {
  const random = seededRandom(seed * 7919 + 1)
  const pick = (most: number) => Math.floor(random() * most)
  const kinds = ['processor', 'upload', 'airtime', 'drives'] as const
  const resources: Resource[] = kinds
    .slice(0, 1 + pick(4))
    .map(kind => ({ kind, at: 0, capacity: random() < 0.05 ? 0 : 0.3 + 4 * random() }))
  const rungsOf = (): Route['rungs'] => {
    const uses = resources.map((_, at) => at).filter(() => random() < 0.7)
    const needs = uses.map(() => 0.05 + 1.5 * random())
    return Array.from({ length: 1 + pick(4) }, (_, at) => ({
      mbps: 8 / (at + 1),
      lines: at > 1 ? 720 : 1080,
      limit: 1 + 4 * random() * random(),
      uses,
      needs: needs.map(need => need * 0.75 ** at),
    }))
  }
  const sessions = Array.from({ length: 1 + pick(9) }, (_, at): SessionPlan => {
    const start = random() < 0.2 ? 600 : pick(7200)
    const end = start + 300 + pick(5400)
    return {
      viewer: at,
      order: at,
      start,
      end,
      seeks: Array.from({ length: pick(3) }, () => start + random() * (end - start)).sort(
        (a, b) => a - b,
      ),
      never: random() < 0.05 ? { by: 'line', reason: 'NO_RUNG' } : null,
      routes: [{ engine: null, converts: true, units: [], holds: [], rungs: rungsOf() }],
    }
  }).sort((a, b) => a.start - b.start || a.order - b.order)
  const hangAt = pick(7200)
  const changes = [
    ...(random() < 0.2
      ? [
          { at: hangAt, resource: null, capacity: 0 },
          { at: hangAt + 600, resource: null, capacity: 1 },
        ]
      : []),
    ...Array.from({ length: pick(4) }, () => {
      const resource = pick(resources.length)
      return { at: pick(9000), resource, capacity: resources[resource]!.capacity * random() * 1.5 }
    }),
  ].sort((a, b) => a.at - b.at)
  return { resources, places: [], sessions, changes }
}
