import { uniformInt } from 'pure-rand/distribution/uniformInt'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { catalogue } from '../../core/catalogue/catalogue'
import { tideMillHouse } from '../../core/catalogue/tideMillHouse'
import { planField } from '../../core/plan/planField'
import { planSchema, type Plan } from '../../core/plan/planSchema'

/** Whole numbers drawn from a seed: `below(n)` is one of 0 … n − 1. */
export interface Draw {
  readonly below: (count: number) => number
  readonly pick: <Value>(values: readonly Value[]) => Value
  readonly chance: (share: number) => boolean
}

export function drawFrom(seed: number): Draw {
  const generator = xoroshiro128plus(seed)
  const below = (count: number) => uniformInt(generator, 0, count - 1)
  return {
    below,
    pick: values => values[below(values.length)]!,
    chance: share => below(1_000_000) < share * 1_000_000,
  }
}

/** Paths that are no answer of the household: the document's own book-keeping. */
const bookKeeping = /^(schemaVersion|keptAside|name|calibration\.)|\.id$|\.name$|\.note$|\.colour$/

/** Every path of a plan that holds one value, entries of lists included. */
export function leafPaths(plan: Plan): string[] {
  const found: string[] = []
  const visit = (value: unknown, path: string): void => {
    if (path !== '' && bookKeeping.test(path)) return
    const isLeaf = value === null || typeof value !== 'object'
    if (isLeaf || (Array.isArray(value) && value.every(entry => typeof entry !== 'object')))
      found.push(path)
    else
      for (const [key, own] of Object.entries(value))
        visit(own, path === '' ? key : `${path}.${key}`)
  }
  visit(plan, '')
  return found
}

/** The value at a path. */
export function valueAt(plan: unknown, path: string): unknown {
  return path
    .split('.')
    .reduce<unknown>((value, key) => (value as Record<string, unknown> | null)?.[key], plan)
}

/** The plan with another value at a path; null where the schema refuses it. */
export function withValue(plan: Plan, path: string, value: unknown): Plan | null {
  const copy = structuredClone(plan)
  const keys = path.split('.')
  const last = keys.pop()!
  const owner = valueAt(copy, keys.join('.')) ?? (keys.length === 0 ? copy : null)
  if (owner === null) return null
  ;(owner as Record<string, unknown>)[last] = value
  const parsed = planSchema.safeParse(copy)
  return parsed.success ? parsed.data : null
}

/** What other entries of the plan or the catalogue a text refers to. */
function referred(plan: Plan, path: string): string[] {
  if (path.endsWith('.viewer')) return plan.household.viewers.map(({ id }) => id)
  if (path.endsWith('.device')) return plan.household.devices.map(({ id }) => id)
  if (path.endsWith('.place') && path.startsWith('household'))
    return ['home', ...plan.household.places.map(({ id }) => id)]
  if (path.endsWith('.class')) return catalogue.deviceClasses.map(({ id }) => id)
  return []
}

/** Other values that the field at a path may have. */
export function otherValues(plan: Plan, path: string, draw: Draw): unknown[] {
  const field = planField(path)
  const now = valueAt(plan, path)
  if (!field) return []
  const others = ((): unknown[] => {
    switch (field.kind) {
      case 'toggle':
        return [!now]
      case 'choice':
        return field.options.map(({ value }) => value)
      case 'choices': {
        const all = field.options.map(({ value }) => value)
        return all.length > 0 ? [all.slice(0, 1 + draw.below(all.length)), [draw.pick(all)]] : []
      }
      case 'number': {
        const { min = 0, max = 1000, whole } = field
        const usual =
          typeof now === 'number'
            ? now
            : typeof field.fallback === 'number'
              ? field.fallback
              : min + Math.min(8, (max - min) / 3)
        const rounded = (value: number) => {
          const inside = Math.min(max, Math.max(min, value))
          return whole ? Math.round(inside) : Math.round(inside * 1000) / 1000
        }
        const near = [usual * 1.5, usual / 2, usual + 1, usual * 0.9].map(rounded)
        // Years and the like make no sense far from where they are.
        return [
          ...near,
          ...(min === 0 && draw.chance(0.3) ? [0] : []),
          ...(field.nullable ? [null] : []),
        ]
      }
      default:
        return referred(plan, path)
    }
  })()
  return others.filter(value => JSON.stringify(value) !== JSON.stringify(now))
}

/** Entries that are added to lists, so that what the demo does not use is tried too. */
const entries: readonly (readonly [string, readonly object[]])[] = [
  [
    'drives.lots',
    [
      { count: 2, sizeTB: 4 },
      { count: 1, sizeTB: 16, group: 2 },
      { count: 4, sizeTB: 8, model: 'sluice-8' },
      { count: 1, sizeTB: 1, model: 'weir-2' },
    ],
  ],
  [
    'drives.purchases',
    [
      { month: 18, count: 2, sizeTB: 8, how: 'added' },
      { month: 30, count: 1, sizeTB: 16, how: 'smallest' },
    ],
  ],
  ['drives.arrivals', [{ name: 'Cameras', gbPerDay: 20 }]],
  [
    'machine.parts',
    [
      { ref: 'knot-5' },
      { ref: 'trug-5' },
      { ref: 'flint-500n' },
      { ref: 'flint-1000' },
      { ref: 'cardModern' },
      { ref: 'memory-16' },
      { ref: 'no-such-part' },
    ],
  ],
  [
    'library.holdings',
    [
      { kind: 'photo', quality: 'photo', titles: 20_000 },
      { kind: 'film', quality: 'uhd-hevc', titles: 200 },
    ],
  ],
  ['library.events', [{ name: 'Box of reels', month: '2027-05', addGB: 900 }]],
  ['system.services', []],
]

/**
 * A plan drawn from a seed: the demo household (or nothing at all) with each field changed with a
 * chance of its own, odd combinations included.
 */
export function drawPlan(seed: number): Plan {
  const draw = drawFrom(seed)
  const start = draw.chance(0.1) ? { name: 'Drawn' } : tideMillHouse
  let plan = planSchema.parse(structuredClone(start))
  for (const [path, choices] of entries) {
    if (choices.length === 0 || !draw.chance(0.35)) continue
    const list = valueAt(plan, path)
    if (!Array.isArray(list)) continue
    plan = withValue(plan, path, [...list, draw.pick(choices)]) ?? plan
  }
  if (draw.chance(0.1)) plan = withValue(plan, 'household.habits', []) ?? plan
  const often = draw.pick([0.02, 0.08, 0.2])
  for (const path of leafPaths(plan)) {
    if (!draw.chance(often)) continue
    const others = otherValues(plan, path, draw)
    if (others.length > 0) plan = withValue(plan, path, draw.pick(others)) ?? plan
  }
  return plan
}
