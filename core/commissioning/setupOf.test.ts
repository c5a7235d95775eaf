import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { effectiveCatalogue } from '../calibration/effectiveCatalogue'
import { planSchema, type Plan, type PlanInput } from '../plan/planSchema'
import { plainFormat } from '../units/format'
import { drawPlan } from '../../tests/plans/drawPlan'
import { basisOf, isOutdated } from './basis'
import { fitsInto, progressOf } from './progress'
import { runBook } from './runBook'
import { schedule } from './schedule'
import { setupOf } from './setupOf'
import { hungDrives, type SetupSlice } from './setupSlice'
import { withStepEntry } from './stepEntries'
import { whyWait } from './whyWait'
import { maxStepEntries } from '../plan/commissioning'

function sliceOf(plan: Plan): SetupSlice {
  return {
    plan,
    catalogue: effectiveCatalogue(plan, catalogue),
    facts: assess(plan, catalogue).domains,
  }
}
const planOf = (input: Omit<PlanInput, 'name'>) => planSchema.parse({ name: 'x', ...input })
const idsOf = (plan: Plan) => runBook(setupOf(sliceOf(plan))).map(({ step }) => step.id)
const holds = (plan: Plan) => setupOf(sliceOf(plan)).is

const appliance = planOf({
  machine: { base: 'wherry-2' },
  household: { watchingHome: 2 },
  library: { holdings: [{ quality: 'hd1080-hevc', titles: 500 }] },
  drives: { lots: [{ count: 2, sizeTB: 8 }], layout: 'mirror' },
})

describe('what a run-book is made from', () => {
  it('is another for another board, layout, system and drives', () => {
    const trays = idsOf(appliance)
    expect(trays).toContain('system.maker')
    expect(trays).toContain('pool.drill')
    expect(trays).not.toContain('assembly.open')
    expect(trays).not.toContain('bench.start')
    const built = planOf({
      ...appliance,
      machine: {
        base: 'parts',
        parts: [{ ref: 'stile-11' }, { ref: 'flint-120' }, { ref: 'coffer-6' }],
      },
    })
    expect(idsOf(built)).toEqual(
      expect.arrayContaining(['bench.start', 'assembly.board', 'assembly.small', 'system.install']),
    )
    expect(holds(built).has('maker')).toBe(false)
    expect(holds({ ...built, system: { ...built.system, kind: 'stick' } }).has('stick')).toBe(true)
    const nightly = { ...appliance, drives: { ...appliance.drives, layout: 'nightly' } }
    expect(idsOf(nightly)).not.toContain('pool.drill')
  })
  it('tells owned, refurbished and new drives apart', () => {
    const lots = (lot: object) => planOf({ drives: { lots: [{ count: 1, sizeTB: 8, ...lot }] } })
    expect(holds(lots({ condition: 'owned' })).has('ownedDrives')).toBe(true)
    expect(holds(lots({ condition: 'refurbished' })).has('testWrites')).toBe(true)
    expect(holds(lots({})).has('ownedDrives')).toBe(false)
    expect(holds(lots({})).has('testWrites')).toBe(false)
  })
  it('builds parity of its own before or after copying', () => {
    const dedicated = (parityAfterCopy: boolean) =>
      setupOf(
        sliceOf(
          planOf({
            library: { otherTB: 4 },
            drives: { lots: [{ count: 3, sizeTB: 8 }], layout: 'dedicated-1', parityAfterCopy },
          }),
        ),
      )
    expect(dedicated(false).is.has('parityAfter')).toBe(false)
    expect(dedicated(false).counts.parityFirstMin).toBeGreaterThan(60)
    expect(dedicated(true).is.has('parityAfter')).toBe(true)
    expect(dedicated(true).counts.parityFirstMin).toBe(0)
    expect(dedicated(true).counts.buildMin).toBe(dedicated(false).counts.parityFirstMin)
  })
  it('knows who is away, and a machine that stands in another home', () => {
    expect(idsOf(planOf({ household: { watchingAway: 1 } }))).toContain('away.tunnel')
    expect(idsOf(planOf({ household: { watchingAway: 0 } }))).not.toContain('away.tunnel')
    const far = planOf({ machine: { base: 'clerk-17' }, brief: { anotherHome: true } })
    expect(idsOf(far)).toEqual(expect.arrayContaining(['away.tunnel', 'system.console']))
  })
  it('waits for the long test as long as reading the largest drive takes', () => {
    const { counts } = setupOf(sliceOf(appliance))
    const { slowestOuterMBps } = sliceOf(appliance).facts.drives
    expect(counts.testMin).toBeCloseTo(8e6 / (0.75 * slowestOuterMBps) / 60, 9)
    expect(counts.drives).toBe(2)
    expect(counts.inTrays).toBe(2)
  })
  it('names nothing that the plan lacks, in plans drawn by lot', () => {
    for (let seed = 1; seed <= 200; seed++) {
      const plan = drawPlan(seed)
      const slice = sliceOf(plan)
      const setup = setupOf(slice)
      const book = runBook(setup)
      const ids = book.map(({ step }) => step.id)
      const { counts } = setup
      const drives = plan.drives.lots.reduce((sum, { count }) => sum + count, 0)
      expect(hungDrives(slice.facts).all, `${seed}`).toBe(drives)
      expect(ids.includes('pool.make'), `${seed}`).toBe(drives > 0)
      expect(ids.includes('copies.restore'), `${seed}`).toBe(
        [plan.drives.secondBox, plan.drives.offlineCopy, plan.drives.awayCopy].some(
          held => held !== 'nothing',
        ),
      )
      expect(ids.includes('services.others'), `${seed}`).toBe(plan.system.services.length > 0)
      expect(ids.includes('system.maker') && ids.includes('system.install'), `${seed}`).toBe(false)
      for (const value of Object.values(counts)) {
        expect(Number.isFinite(value), `${seed}`).toBe(true)
        expect(value, `${seed}`).toBeGreaterThanOrEqual(0)
      }
      const { hands, criticalPath, onePair } = schedule(book)
      expect(Math.max(hands, criticalPath), `${seed}`).toBeLessThanOrEqual(onePair + 1e-6)
    }
  }, 120_000)
})

describe('why building waits', () => {
  const why = (plan: Plan) => whyWait(sliceOf(plan), plainFormat)
  it('says what is missing, and is silent where nothing is', () => {
    expect(why(planOf({}))).toEqual([
      'No machine is chosen yet: the steps stand here as far as they are known.',
      'No data drive is in the plan yet, so nothing is said of the pool.',
    ])
    expect(why(appliance)).toEqual([])
    expect(why({ ...appliance, library: { ...appliance.library, otherTB: 50 } })[0]).toMatch(
      /^The library is 52\sTB today, and the pool has room for [\d.]+\sTB: it would not all go in\.$/,
    )
    expect(why({ ...appliance, drives: { ...appliance.drives, layout: 'rotating-2' } })[0]).toMatch(
      /^The drives cannot be put together: /,
    )
    expect(why(planSchema.parse(tideMillHouse)).length).toBeGreaterThan(0)
  })
})

describe('how far a run-book is', () => {
  const slice = sliceOf(appliance)
  const book = runBook(setupOf(slice))
  const basis = basisOf(slice)
  type Entry = Parameters<typeof progressOf>[1][number]
  const entry = (step: string, more: Partial<Entry> = {}): Entry => ({
    step,
    state: 'done',
    day: '2026-08-14',
    who: 'Maren',
    reason: '',
    note: '',
    measured: '',
    photo: '',
    handsMin: null,
    basis,
    ...more,
  })
  const stepOf = (entries: readonly Entry[], id: string, now = basis) =>
    progressOf(book, entries, now).steps.find(({ step }) => step.id === id)!

  it('is all of it at first, and nothing at the end', () => {
    const none = progressOf(book, [], basis)
    expect(none.left).toEqual(none.whole)
    expect(none.over).toBe(0)
    const all = progressOf(
      book,
      book.map(({ step }) => entry(step.id)),
      basis,
    )
    expect(all.left).toEqual({ timed: [], hands: 0, criticalPath: 0, onePair: 0 })
    expect(all.over).toBe(book.length)
    expect(all.steps.some(step => step.isEarly || step.isOutdated)).toBe(false)
  })
  it('marks what was done before what it needs, and lets go of it once that is done', () => {
    expect(stepOf([entry('before.labels')], 'before.labels').isEarly).toBe(true)
    expect(stepOf([entry('before.labels'), entry('before.check')], 'before.labels').isEarly).toBe(
      false,
    )
    const skipped = entry('before.check', { state: 'skipped', reason: 'alone' })
    expect(stepOf([entry('before.labels'), skipped], 'before.labels').isEarly).toBe(false)
    const failed = entry('before.check', { state: 'failed' })
    expect(stepOf([failed], 'before.labels').canBegin).toBe(false)
    expect(stepOf([skipped], 'before.labels').canBegin).toBe(true)
  })
  it('marks what was ticked for another board, other drives, another layout or system', () => {
    const other = (change: Partial<PlanInput>) =>
      basisOf(sliceOf(planSchema.parse({ ...appliance, ...change } as PlanInput)))
    const board = other({ machine: { base: 'wherry-4' } })
    const drives = other({ drives: { lots: [{ count: 2, sizeTB: 12 }], layout: 'mirror' } })
    const layout = other({ drives: { lots: [{ count: 2, sizeTB: 8 }], layout: 'separate' } })
    const again = (id: string, now: string) => stepOf([entry(id)], id, now).isOutdated
    expect([board, drives, layout].map(now => again('assembly.start', now))).toEqual([
      true,
      true,
      false,
    ])
    expect([board, drives, layout].map(now => again('pool.make', now))).toEqual([false, true, true])
    expect([board, drives, layout].map(now => again('system.address', now))).toEqual([
      true,
      false,
      false,
    ])
    expect(again('pool.make', basis)).toBe(false)
    // What was ticked without such a mark is left alone.
    expect(isOutdated('pool.make', '', basis)).toBe(false)
  })
  it('takes own minutes for the planning value', () => {
    const before = progressOf(book, [], basis)
    const after = progressOf(book, [entry('before.room', { state: 'open', handsMin: 80 })], basis)
    expect(after.whole.hands - before.whole.hands).toBe(60)
  })
  it('names what two free hours hold: nothing that needs what is not over by then', () => {
    const progress = progressOf(book, [], basis)
    const tonight = fitsInto(120, progress)
    expect(tonight.length).toBeGreaterThan(1)
    const ends = new Map(progress.left.timed.map(timed => [timed.id, timed]))
    for (const id of tonight) {
      expect(ends.get(id)!.handsTo).toBeLessThanOrEqual(120)
      for (const needed of book.find(({ step }) => step.id === id)!.needs)
        expect(tonight).toContain(needed)
    }
    expect(fitsInto(0, progress)).toEqual([])
    expect(fitsInto(1e6, progress)).toHaveLength(book.length)
  })
})

describe('what is said of a step', () => {
  const said = (plan: Plan) => plan.commissioning.steps
  it('is kept in its place, and gone once it says nothing', () => {
    const one = withStepEntry(appliance, 'before.room', { note: 'dry' })
    const two = withStepEntry(one, 'before.check', { state: 'done', day: '2026-08-14' })
    const again = withStepEntry(two, 'before.room', { state: 'skipped', reason: 'there already' })
    expect(said(again).map(({ step, state, note }) => [step, state, note])).toEqual([
      ['before.room', 'skipped', 'dry'],
      ['before.check', 'done', ''],
    ])
    expect(planSchema.parse(again)).toEqual(again)
    const empty = withStepEntry(again, 'before.check', { state: 'open', day: '' })
    expect(said(empty).map(({ step }) => step)).toEqual(['before.room'])
    expect(said(appliance)).toEqual([])
  })
  it('is no more than a plan holds', () => {
    let plan = appliance
    for (let at = 0; at < maxStepEntries + 5; at++)
      plan = withStepEntry(plan, `old.${at}`, { note: 'x' })
    expect(said(plan)).toHaveLength(maxStepEntries)
    expect(said(withStepEntry(plan, 'old.0', { note: 'y' }))[0]!.note).toBe('y')
    expect(planSchema.safeParse(plan).success).toBe(true)
  })
  it('is checked: a day that is none is refused', () => {
    const with_ = (day: string) =>
      planSchema.safeParse(withStepEntry(appliance, 'before.room', { state: 'done', day })).success
    expect(with_('2026-08-14')).toBe(true)
    expect(with_('')).toBe(true)
    expect(with_('2026-13-01')).toBe(false)
    expect(with_('14.08.2026')).toBe(false)
  })
})
