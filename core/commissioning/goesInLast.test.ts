import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { effectiveCatalogue } from '../calibration/effectiveCatalogue'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { plainFormat } from '../units/format'
import { lastRefusal } from './goesInLast'
import { quotesOf } from './quotes'
import { runBook } from './runBook'
import { setupOf } from './setupOf'
import { steps } from './steps'
import { whyWait } from './whyWait'

const sliceOf = (input: Omit<PlanInput, 'name'>) => {
  const plan = planSchema.parse({ name: 'x', ...input })
  const { domains, figures } = assess(plan, catalogue)
  return { plan, catalogue: effectiveCatalogue(plan, catalogue), facts: domains, figures }
}
const drives = (layout: string, last: { count: number; sizeTB: number }, more: object = {}) => ({
  drives: {
    layout,
    lots: [
      { count: 4, sizeTB: 8 },
      { ...last, condition: 'owned' as const, goesInLast: true },
    ],
    ...more,
  },
})
const refused = (input: Omit<PlanInput, 'name'>, copies = 1, contentTB = 1) => {
  const { plan, facts } = sliceOf(input)
  return lastRefusal(plan.drives, { layoutId: facts.drives.layoutId, contentTB, copies })?.refused
}

describe('a drive that goes in last', () => {
  it('is taken where the layout grows by it, the rest has room, and a copy can be restored', () => {
    const one = drives('dedicated-1', { count: 1, sizeTB: 8 })
    expect(refused(one)).toBe(undefined)
    expect(refused(one, 0)).toBe('noCopy')
    expect(refused({ drives: { lots: [{ count: 4, sizeTB: 8 }] } }, 0)).toBe(undefined)
    // Pairs take no single drive later, a stripe nothing at all.
    expect(refused(drives('pairs', { count: 1, sizeTB: 8 }))).toBe('notTaken')
    expect(refused(drives('pairs', { count: 2, sizeTB: 8 }))).toBe(undefined)
    expect(refused(drives('stripe', { count: 1, sizeTB: 8 }))).toBe('notTaken')
    // A group of rotating parity is added whole.
    expect(refused(drives('rotating-1', { count: 2, sizeTB: 8 }))).toBe('notTaken')
    expect(refused(drives('rotating-1', { count: 3, sizeTB: 8 }))).toBe(undefined)
    expect(refused(drives('no-such', { count: 3, sizeTB: 8 }))).toBe('notTaken')
  })
  it('is refused while the others have no room for the whole library', () => {
    const one = drives('dedicated-1', { count: 1, sizeTB: 8 })
    const { plan, facts } = sliceOf(one)
    const rest = sliceOf({ drives: { ...one.drives, lots: one.drives.lots.slice(0, 1) } })
    const room = rest.facts.drives.pool!.roomTB
    const at = (contentTB: number) =>
      lastRefusal(plan.drives, { layoutId: facts.drives.layoutId, contentTB, copies: 1 })
    expect(at(room)).toBe(null)
    expect(at(room + 0.01)).toEqual({ refused: 'noRoom', roomTB: room })
  })
  it('has its step in the run-book only then, and says why not otherwise', () => {
    const ids = (input: Omit<PlanInput, 'name'>) =>
      runBook(setupOf(sliceOf(input))).map(({ step }) => step.id)
    const copied = { awayCopy: 'everything' as const }
    const good = drives('dedicated-1', { count: 1, sizeTB: 8 }, copied)
    expect(ids(good)).toContain('fill.last')
    const bare = drives('dedicated-1', { count: 1, sizeTB: 8 })
    expect(ids(bare)).not.toContain('fill.last')
    const why = (input: Omit<PlanInput, 'name'>) => whyWait(sliceOf(input), plainFormat).join(' ')
    expect(why(bare)).toContain('make a copy first')
    expect(why(good)).not.toContain('go in last')
    expect(why(drives('stripe', { count: 1, sizeTB: 8 }, copied))).toContain('no such drives later')
    expect(
      why({
        ...tideMillHouse,
        ...drives('dedicated-1', { count: 1, sizeTB: 8 }, copied),
        library: { otherTB: 500 },
      }),
    ).toContain('would not go in before them')
  })
})

describe('what the plan says at a step', () => {
  const slice = sliceOf(tideMillHouse)
  const quotes = quotesOf(slice, plainFormat)
  it('is what the other views show', () => {
    const { figures } = slice
    const shown = (id: string, unit: string) => plainFormat.quantity(figures[id]!.value!, unit)
    expect(quotes.get('before.sharing')).toContain(shown('machine.freePorts', 'ports'))
    expect(quotes.get('assembly.drives')).toContain(shown('machine.freeBays', 'bays'))
    expect(quotes.get('pool.make')).toContain(shown('drives.usableTB', 'TB'))
    expect(quotes.get('pool.make')).toContain(shown('drives.usableTiB', 'TiB'))
    expect(quotes.get('sign.watts')).toContain(
      plainFormat.quantity(figures['machine.idleW']!.high!, 'W'),
    )
    expect(quotes.get('fill.rest')).toMatch(/^In this order: Cine reels/)
  })
  it('is said of steps that are there, and of nothing that the plan lacks', () => {
    const ids = new Set(steps.map(({ id }) => id))
    for (const id of quotes.keys()) expect(ids).toContain(id)
    const empty = quotesOf(sliceOf({}), plainFormat)
    expect(empty.has('pool.make')).toBe(false)
    expect(empty.has('assembly.drives')).toBe(false)
    expect(empty.has('fill.rest')).toBe(false)
  })
})
