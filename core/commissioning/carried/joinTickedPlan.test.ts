import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { tideMillHouse } from '../../catalogue/tideMillHouse'
import type { StepEntry } from '../../plan/commissioning'
import { planSchema, type Plan } from '../../plan/planSchema'
import { withStepEntry } from '../stepEntries'
import { steps } from '../steps'
import type { CarriedTick } from './carriedTicks'
import { joinTickedPlan } from './joinTickedPlan'
import { sentTicksSchema } from './sentTicks'
import { withTicks } from './withTicks'

const demo = planSchema.parse(tideMillHouse)
const ids = steps.slice(0, 5).map(({ id }) => id)
const [first, second] = ids as [string, string]
const done = { state: 'done', day: '2026-12-02', basis: 'a.b.c.d' } as const
const tick = (more: Partial<CarriedTick> = {}): CarriedTick => ({
  step: first,
  state: 'done',
  day: '2026-12-02',
  who: '',
  note: '',
  measured: '',
  ...more,
})
const entryOf = (plan: Plan, id: string) =>
  plan.commissioning.steps.find(({ step }) => step === id) ?? null

describe('ticks that a link sends', () => {
  it('are joined with what they were made for, and change nothing else', () => {
    const ticked = withTicks(demo, { basis: 'a.b.c.d', ticks: [tick({ note: 'loose lead' })] })
    expect(entryOf(ticked, first)).toMatchObject({ ...done, note: 'loose lead' })
    expect({ ...ticked, commissioning: demo.commissioning }).toEqual(demo)
    const open = withTicks(ticked, { basis: 'x', ticks: [tick({ state: 'open' })] })
    expect(entryOf(open, first)).toMatchObject({ state: 'open', basis: '' })
  })
  it('leave the very plan where they say nothing new, or of steps that nobody knows', () => {
    const ticked = withTicks(demo, { basis: 'a', ticks: [tick()] })
    expect(withTicks(ticked, { basis: 'b', ticks: [tick()] })).toBe(ticked)
    expect(withTicks(demo, { basis: 'a', ticks: [tick({ step: 'no.such' })] })).toBe(demo)
  })
  it('count once a step: the last one', () => {
    const both = [tick({ state: 'failed' }), tick({ state: 'skipped' })]
    expect(entryOf(withTicks(demo, { basis: '', ticks: both }), first)?.state).toBe('skipped')
  })
  it('are limited in every field', () => {
    const takes = (value: unknown) => sentTicksSchema.safeParse(value).success
    expect(takes({ basis: '', ticks: [tick()] })).toBe(true)
    expect(takes({ basis: 'x'.repeat(41), ticks: [tick()] })).toBe(false)
    expect(takes({ basis: '', ticks: [] })).toBe(false)
    expect(takes({ basis: '', ticks: Array(201).fill(tick()) })).toBe(false)
    expect(takes({ basis: '', ticks: [tick({ note: 'x'.repeat(1001) })] })).toBe(false)
    expect(takes({ basis: '', ticks: [{ ...tick(), handsMin: 3 }] })).toBe(false)
    expect(takes({ basis: '', ticks: [tick()], plan: demo })).toBe(false)
  })
})

describe('a plan edited here while ticks came elsewhere', () => {
  const mine = { ...demo, name: 'Mill', household: { ...demo.household, watchingAway: 5 } }
  it('has both', () => {
    const theirs = withStepEntry(demo, first, done)
    const joined = joinTickedPlan({ base: demo, mine, theirs })!
    expect(joined).toMatchObject({ name: 'Mill', household: { watchingAway: 5 } })
    expect(entryOf(joined, first)).toMatchObject(done)
  })
  it('is decided by a person where more was changed, or one step by both', () => {
    const theirs = withStepEntry({ ...demo, name: 'Other' }, first, done)
    expect(joinTickedPlan({ base: demo, mine, theirs })).toBeNull()
    const skipped = withStepEntry(mine, first, { state: 'skipped', day: '2026-12-03' })
    const ticked = withStepEntry(demo, first, done)
    expect(joinTickedPlan({ base: demo, mine: skipped, theirs: ticked })).toBeNull()
    expect(
      joinTickedPlan({ base: demo, mine: withStepEntry(mine, first, done), theirs: ticked }),
    ).not.toBeNull()
    expect(
      joinTickedPlan({ base: demo, mine: withStepEntry(mine, second, done), theirs: ticked })!
        .commissioning.steps,
    ).toHaveLength(2)
  })
  it('has of each step what the one side changed that changed it', () => {
    const change = fc.dictionary(
      fc.constantFrom(...ids),
      fc.record({
        state: fc.constantFrom<StepEntry['state']>('open', 'done', 'failed'),
        note: fc.constantFrom('', 'a'),
      }),
    )
    const changed = (plan: Plan, said: Record<string, Partial<StepEntry>>) =>
      Object.entries(said).reduce((all, [id, entry]) => withStepEntry(all, id, entry), plan)
    fc.assert(
      fc.property(change, change, change, (before, own, other) => {
        const base = changed(demo, before)
        const [here, there] = [changed(base, own), changed(base, other)]
        const joined = joinTickedPlan({ base, mine: here, theirs: there })
        const clash = ids.some(id => {
          const [b, m, t] = [base, here, there].map(plan => JSON.stringify(entryOf(plan, id)))
          return m !== b && t !== b && m !== t
        })
        expect(joined === null).toBe(clash)
        if (!joined) return
        for (const id of ids) {
          const [b, m, t] = [base, here, there].map(plan => entryOf(plan, id))
          const isMine = JSON.stringify(m) !== JSON.stringify(b)
          expect(entryOf(joined, id)).toEqual(isMine ? m : t)
        }
      }),
      { numRuns: 300 },
    )
  })
})
