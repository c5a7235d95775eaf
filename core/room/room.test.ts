import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { applyPurchases } from '../drives/growth/applyPurchases'
import { planGrowth } from '../drives/growth/planGrowth'
import { fitSlice } from '../machine/fitting'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { placesForMore } from './placesForMore'
import { plannedDrives } from './roomFacts'

const grows = { otherTB: 6, otherGrowthGBPerMonth: 500 }
function ask(drives: PlanInput['drives'], machine: PlanInput['machine'] = { bays: 12 }) {
  const { verdicts, findings, figures, domains } = assess(
    planSchema.parse({ name: 'x', library: grows, machine, drives }),
    catalogue,
  )
  return {
    space: verdicts.find(({ id }) => id === 'space')!,
    full: figures['drives.monthFull']!.value,
    out: findings.filter(({ code }) => code === 'PLANNED_DRIVE_OUT'),
    counted: domains.room.room?.planned.map(({ counted }) => counted),
  }
}
const room = (usableTB: number) => usableTB * 0.98 * 0.85

describe('planned drives', () => {
  const one = { lots: [{ count: 1, sizeTB: 10 }], layout: 'separate' }
  it('without a bay in their month do not count, and are told', () => {
    const full = { lots: [{ count: 4, sizeTB: 6 }], layout: 'separate' }
    const { space, out, counted } = ask(
      { ...full, purchases: [{ month: 10, count: 8, sizeTB: 8 }] },
      { bays: 4 },
    )
    expect(counted).toEqual([0])
    expect(space.possible!.likely).toBeCloseTo(room(24), 9)
    expect(space.state).toBe('short')
    expect(space.sentence).toContain('without 8 drives that have no place')
    expect(out[0]!.sentence).toMatch(
      /^Planned, 8 × 8\sTB in month 10: none of them counts. 12 drives do not fit into 4 bays.$/,
    )
    // As many as there are bays for do.
    const two = ask({ ...full, purchases: [{ month: 10, count: 8, sizeTB: 8 }] }, { bays: 6 })
    expect([two.counted, two.space.possible!.likely]).toEqual([[2], room(24 + 16)])
    expect(two.out[0]!.sentence).toContain('2 count. 12 drives do not fit into 6 bays.')
    // What replaces a drive needs no other bay.
    expect(
      ask(
        { ...full, purchases: [{ month: 1, count: 2, sizeTB: 20, how: 'smallest' }] },
        { bays: 4 },
      ).counted,
    ).toEqual([2])
    expect(
      ask({ ...one, purchases: [{ month: 1, count: 1, sizeTB: 8 }] }, { bays: 1 }).space.sentence,
    ).toContain('without 1 drive that has no place')
  })
  it('need a bay that an earlier purchase left them', () => {
    const { counted } = ask(
      {
        ...one,
        purchases: [
          { month: 20, count: 2, sizeTB: 8 },
          { month: 5, count: 2, sizeTB: 8 },
        ],
      },
      { bays: 4 },
    )
    expect(counted).toEqual([1, 2])
  })
  it('need a port and power too', () => {
    const machine = { base: 'wherry-4' }
    const present = planSchema.parse({ name: 'x', machine })
    expect(present.machine.base).toBe('wherry-4')
    const { counted, out } = ask(
      {
        lots: [{ count: 3, sizeTB: 8, model: 'sluice-8' }],
        layout: 'separate',
        purchases: [{ month: 3, count: 3, sizeTB: 8 }],
      },
      machine,
    )
    expect(counted).toEqual([1])
    expect(out).toHaveLength(1)
    // The same board with more bays than ports.
    const parts = {
      base: 'parts',
      parts: ['lych-15', 'leat-17', 'coffer-12', 'mole-450', 'flint-120'].map(ref => ({ ref })),
    }
    const ports = ask(
      {
        lots: [{ count: 4, sizeTB: 8, model: 'sluice-8' }],
        layout: 'separate',
        purchases: [{ month: 3, count: 8, sizeTB: 8 }],
      },
      parts,
    )
    expect(ports.out[0]!.sentence).toMatch(/data port|bays|supply/)
  })
  it('that the layout does not take, or would use less of each for, do not count', () => {
    const out = (drives: PlanInput['drives']) => {
      const { counted, out } = ask(drives)
      return [counted, out[0]?.sentence.split(': ').slice(1).join(': ')]
    }
    const purchases = [{ month: 2, count: 1, sizeTB: 10 }]
    expect(out({ lots: [{ count: 2, sizeTB: 10 }], layout: 'nightly-copy', purchases })).toEqual([
      [0],
      'it does not count. Nightly copy takes exactly 2 drives; there are 3 drives.',
    ])
    expect(
      out({
        lots: [{ count: 3, sizeTB: 16 }],
        layout: 'rotating-1',
        purchases,
        expandsParity: true,
      })[0],
    ).toEqual([0])
    const whole = { lots: [{ count: 3, sizeTB: 10 }], layout: 'rotating-1', purchases }
    expect(out({ ...whole, expandsParity: true })[0]).toEqual([1])
    expect(out({ ...whole, expandsParity: false })).toEqual([
      [0],
      'it does not count. Rotating parity, one drive (RAID 5) takes no single drives as it is ' +
        'set: it grows by a whole new group, or by larger drives in place of all smaller ones.',
    ])
    expect(
      out({
        lots: [
          { count: 1, sizeTB: 8, role: 'parity' },
          { count: 2, sizeTB: 8 },
        ],
        layout: 'dedicated-1',
        purchases,
      })[0],
    ).toEqual([0])
  })
  it('gather until there are enough to make the layout', () => {
    const { counted, space } = ask({
      lots: [{ count: 1, sizeTB: 20 }],
      layout: 'separate',
      purchases: [{ month: 0, count: 1, sizeTB: 20 }],
    })
    expect(counted).toEqual([1])
    expect(space.possible!.likely).toBeCloseTo(room(40), 9)
  })
  it('that the cheapest way buys have their place, and last', () => {
    for (const base of ['wherry-4', 'towpath', 'clerk-15'])
      for (const layout of ['separate', 'dedicated-1', 'pairs', 'rotating-1'])
        for (const expandsParity of [true, false]) {
          const plan = planSchema.parse({
            name: 'x',
            library: { otherTB: 8, otherGrowthGBPerMonth: 150 },
            machine: { base },
            drives: { lots: [{ count: 4, sizeTB: 6 }], layout, expandsParity },
          })
          const { domains } = assess(plan, catalogue)
          const slice = fitSlice(plan, domains)
          const places = placesForMore(slice, plannedDrives(plan.drives), catalogue)
          const months = plan.choices.horizonYears * 12
          const { cheapest, offers } = planGrowth(
            plan,
            {
              contentTB: domains.library.forecast.months
                .slice(0, months + 1)
                .map(({ likely }) => likely),
              layoutId: layout,
              bays: domains.drives.count + places,
              copyMBps: 100,
            },
            catalogue,
          )
          if (!cheapest) continue
          const applied = assess(
            { ...plan, drives: applyPurchases(plan.drives, cheapest, offers) },
            catalogue,
          ).domains.room.room!
          const where = `${base} ${layout} ${expandsParity}`
          expect(
            applied.planned.map(({ why }) => why),
            where,
          ).toEqual(applied.planned.map(() => null))
          expect(applied.monthFull.likely ?? Infinity, where).toBeGreaterThan(months)
        }
  })
  it('have as many places as going through them one by one finds', () => {
    for (const base of ['wherry-4', 'towpath', 'clerk-15', 'crane-10']) {
      const plan = planSchema.parse({
        name: 'x',
        machine: { base },
        drives: { lots: [{ sizeTB: 8 }] },
      })
      const { domains } = assess(plan, catalogue)
      const places = placesForMore(fitSlice(plan, domains), plannedDrives(plan.drives), catalogue)
      const fails = (more: number) =>
        assess(
          planSchema.parse({
            name: 'x',
            machine: { base },
            drives: {
              lots: [
                { sizeTB: 8 },
                ...(more > 0 ? [{ count: more, sizeTB: 28, model: 'sluice-28' }] : []),
              ],
            },
          }),
          catalogue,
        ).domains.fitting.judged.filter(
          ({ id, state }) =>
            state === 'fail' &&
            ['bays', 'dataPorts', 'supplyStart', 'supplyRunning', 'supplyAmps'].includes(id),
        ).length
      let slow = 0
      while (slow < 30 && fails(slow + 1) === fails(0)) slow++
      expect(places, base).toBe(slow)
    }
  })
  it('never make the room less than without them', () => {
    const plan = planSchema.parse(tideMillHouse)
    const without = assess({ ...plan, drives: { ...plan.drives, purchases: [] } }, catalogue)
    for (const layout of ['dedicated-1', 'separate', 'rotating-1', 'pairs', 'mirror', 'sliced-1'])
      for (const how of ['added', 'newGroup', 'smallest', 'allSmaller'] as const)
        for (const sizeTB of [2, 8, 20]) {
          const drives = { ...plan.drives, layout }
          const of = (purchases: typeof drives.purchases) =>
            assess({ ...plan, drives: { ...drives, purchases } }, catalogue).domains.room.room
          const [bare, planned] = [
            of([]),
            of([1, 2, 5].map(month => ({ month, count: month, sizeTB, how }))),
          ]
          if (bare && planned)
            expect(planned.largest.roomTB, `${layout} ${how} ${sizeTB}`).toBeGreaterThanOrEqual(
              bare.largest.roomTB - 1e-9,
            )
        }
    expect(without.domains.room.room!.roomByMonthTB).toBeNull()
  })
})

describe('a library that is larger today than at the horizon', () => {
  const shrinking = (otherTB: number) => {
    const { verdicts } = assess(
      planSchema.parse({
        name: 'x',
        // A tenth is deleted each month.
        library: {
          holdings:
            otherTB > 0
              ? [{ quality: 'given', sizeGB: otherTB * 1000, titles: 100, removedPerMonth: 10 }]
              : [],
        },
        drives: { lots: [{ count: 1, sizeTB: 10 }], layout: 'separate' },
      }),
      catalogue,
    )
    return verdicts.find(({ id }) => id === 'space')!
  }
  it('is judged by every month: over its room today it is impossible, though empty later', () => {
    // Room is 8.33 TB; in ten months everything is gone.
    expect(shrinking(20)).toMatchObject({
      state: 'impossible',
      asked: { likely: 20 },
      possible: { likely: room(10) },
    })
    expect(['enough', 'tight']).toContain(shrinking(8).state)
    expect(shrinking(3).state).toBe('ample')
    expect(shrinking(0).state).toBe('unknown')
  })
})
