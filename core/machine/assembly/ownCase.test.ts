import { describe, expect, it } from 'vitest'
import { assess } from '../../assess'
import { catalogue } from '../../catalogue/catalogue'
import { planSchema, type PlanInput } from '../../plan/planSchema'

const told = (drives: PlanInput['drives'], rest: Partial<PlanInput> = {}) =>
  assess(
    planSchema.parse({
      name: 'x',
      machine: { base: 'pebble-16' },
      library: { holdings: [{ kind: 'documents', quality: 'given', sizeGB: 500 }] },
      drives,
      ...rest,
    }),
    catalogue,
  )
const rules = ({ domains }: ReturnType<typeof told>) =>
  Object.fromEntries(domains.fitting.judged.map(({ id, state }) => [id, state]))
const portables: PlanInput['drives'] = {
  layout: 'separate',
  lots: [{ count: 2, sizeTB: 5, model: 'rivulet-5' }],
}

describe('drives in cases of their own', () => {
  it('take no bay, no port and no plug of a machine that has none', () => {
    const beside = told(portables)
    expect(beside.domains.machine.freeBays).toBe(0)
    expect(beside.domains.machine.placesForDrives).toBe(2)
    expect(rules(beside).bays).toBeUndefined()
    const fails = (of: typeof beside) =>
      Object.entries(rules(of)).flatMap(([id, state]) => (state === 'fail' ? [id] : []))
    expect(fails(beside)).toEqual(fails(told({ lots: [] })))
    const inside = told({ layout: 'separate', lots: [{ count: 2, sizeTB: 4, model: 'sluice-4' }] })
    expect(inside.domains.machine.freeBays).toBe(-2)
    expect(rules(inside).bays).toBe('fail')
  })
  it('hold data like others, slowly written and failing like drives from external cases', () => {
    const { drives } = told(portables).domains
    expect(drives).toMatchObject({
      count: 2,
      rawTB: 10,
      inOwnCase: 2,
      spinning: 0,
      fast: 0,
      shingled: true,
    })
    expect(drives.pool!.arrangement.usableTB).toBe(10)
    expect(drives.pool!.conditions.failuresPerYear).toBeCloseTo(0.025, 9)
    const byClass = told({ driveClass: 'ownCase', layout: 'separate', lots: [{ count: 3 }] })
    expect(byClass.domains.drives.inOwnCase).toBe(3)
    expect(byClass.domains.machine.freeBays).toBe(0)
  })
  it('draw power and warm, but do not start on the supply of the machine', () => {
    const none = told({ lots: [] })
    const two = told(portables)
    const watts = (of: ReturnType<typeof told>) => of.domains.machine.watts
    // 2 × 1.4 W idle behind a supply of 85 %.
    expect(watts(two).idle.likely - watts(none).idle.likely).toBeCloseTo(2.8 / 0.85, 1)
    const tower = (drives: PlanInput['drives']) =>
      told(drives, { machine: { base: 'clerk-17' } }).domains.fitting.context
    const [bare, beside] = [tower({ lots: [] }), tower(portables)]
    expect(beside.surge).toEqual(bare.surge)
    expect(beside.runningW).toBeCloseTo(bare.runningW, 9)
    const inside = tower({
      layout: 'separate',
      lots: [
        { count: 1, model: 'sluice-8' },
        { count: 1, model: 'eddy-2', sizeTB: 2 },
      ],
    })
    const mixed = tower({
      layout: 'separate',
      lots: [
        { count: 1, model: 'sluice-8' },
        { count: 1, model: 'eddy-2', sizeTB: 2 },
        { count: 2, sizeTB: 5, model: 'rivulet-5' },
      ],
    })
    expect(mixed.surge).toEqual(inside.surge)
    expect(mixed.runningW).toBeCloseTo(inside.runningW, 9)
    // No air moves in such a case.
    expect(mixed.heat.driveRiseK).toBe(20)
    expect(mixed.noise.sources).toContainEqual({ what: 'drives', count: 2, db: 29 })
  })
  it('are warned of where they stand in for each other', () => {
    expect(rules(told(portables)).usbParity).toBe('pass')
    expect(rules(told({ ...portables, layout: 'mirror' })).usbParity).toBe('warning')
    expect(
      rules(told({ layout: 'mirror', lots: [{ count: 2, model: 'sluice-4', sizeTB: 4 }] }))
        .usbParity,
    ).toBeUndefined()
  })
  it('shake nobody and count as plugged in where a licence asks for drives', () => {
    const five = { layout: 'separate', unmounted: true } as const
    expect(
      told({ ...five, lots: [{ count: 5, sizeTB: 5, model: 'rivulet-5' }] }).domains.drives
        .isShaken,
    ).toBe(false)
    expect(
      told({ ...five, lots: [{ count: 5, sizeTB: 4, model: 'sluice-4' }] }).domains.drives.isShaken,
    ).toBe(true)
  })
})
