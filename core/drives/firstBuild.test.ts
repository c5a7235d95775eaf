import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { writesKept } from './firstBuild'

const built = (drives: PlanInput['drives'], otherTB = 10) =>
  assess(
    planSchema.parse({
      name: 'x',
      drives,
      library: { otherTB },
      choices: { watchingHoursPerDay: 0 },
    }),
    catalogue,
  )
const facts = (drives: PlanInput['drives'], otherTB = 10) =>
  built(drives, otherTB).domains.drives.pool!.firstBuild

describe('the first build of parity', () => {
  it('takes as long as the largest drive takes to be read: 14 TB at 160 MB/s are 24.3 h', () => {
    const found = facts({
      lots: [{ sizeTB: 14 }, { sizeTB: 8 }, { sizeTB: 8 }],
      layout: 'dedicated-1',
      outerMBps: 160 / 0.75,
    })!
    expect(found.buildHours).toBeCloseTo(24.3, 1)
    expect(
      facts({
        lots: [{ sizeTB: 14 }, { count: 3, sizeTB: 8 }],
        layout: 'rotating-1',
        outerMBps: 160 / 0.75,
      })!.buildHours,
    ).toBeCloseTo(8e6 / 160 / 3600, 9)
  })
  it('is the same for a little data on a file system that knows the files', () => {
    expect(
      facts(
        {
          lots: [{ count: 4, sizeTB: 8 }],
          layout: 'rotating-1',
          fileSystem: 'copyOnWrite',
          outerMBps: 200,
        },
        1,
      )!.buildHours,
    ).toBeCloseTo(8e6 / 150 / 3600, 9)
  })
  it('leaves writes a share of their rate: each writes parity too', () => {
    expect(writesKept).toEqual({ rotating: 0.7, dedicated: 0.4 })
    const kept = (layout: string) => facts({ lots: [{ count: 4, sizeTB: 8 }], layout })!.writesKept
    expect([kept('dedicated-1'), kept('rotating-1'), kept('snapshot-1')]).toEqual([0.4, 0.7, 1])
  })
  it('is nothing without parity', () => {
    expect(facts({ lots: [{ count: 2, sizeTB: 8 }], layout: 'mirror' })).toBeNull()
    expect(
      built({ lots: [{ count: 2, sizeTB: 8 }], layout: 'mirror' }).figures[
        'drives.firstBuildHours'
      ]!.value,
    ).toBeNull()
    expect(built({ lots: [] }).figures['drives.firstBuildHours']!.value).toBeNull()
  })
})
