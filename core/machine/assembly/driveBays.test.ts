import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assess } from '../../assess'
import { catalogue } from '../../catalogue/catalogue'
import { planSchema, type PlanInput } from '../../plan/planSchema'
import { machineBuild } from '../machineBuild'
import { usualSurge } from '../../drives/surge'
import { driveBays } from './driveBays'

const assessed = (machine: PlanInput['machine'], drives: PlanInput['drives']) =>
  assess(planSchema.parse({ name: 'x', machine, drives }), catalogue)
const ruleOf = (result: ReturnType<typeof assessed>, id: string) =>
  result.domains.fitting.judged.find(judged => judged.id === id)

const hdd = (count: number) => ({ count, sizeTB: 8 })
const ssd = (count: number) => ({ count, sizeTB: 2, model: 'eddy-2' })
const nvme = (count: number) => ({ count, sizeTB: 2, model: 'rill-2' })
const tower = (ref: string, ...more: string[]) => ({
  base: 'parts',
  parts: [{ ref }, ...more.map(part => ({ ref: part }))],
})

describe('drives in their bays', () => {
  it('6 drives of 3.5" and 2 SSDs fit into 6 and 2 bays', () => {
    const full = assessed(tower('coffer-6'), { lots: [hdd(6), ssd(2)] })
    expect(ruleOf(full, 'bays')).toMatchObject({ state: 'pass' })
    expect(full.domains.machine.freeBays).toBe(0)
    expect(assessed(tower('coffer-6'), { lots: [hdd(6), ssd(3)] }).domains.machine.freeBays).toBe(
      -1,
    )
  })
  it('NVMe drives want no bay: two go into a mini PC without any', () => {
    const result = assessed({ base: 'pebble-21' }, { lots: [nvme(2)] })
    expect(ruleOf(result, 'bays')).toBeUndefined()
    expect(result.domains.machine.freeBays).toBe(result.domains.machine.build.bays)
  })
  it('a smaller drive goes into a larger bay by a frame, which is offered and not demanded', () => {
    const without = assessed(tower('coffer-4'), { lots: [ssd(4)] })
    expect(without.domains.machine.freeBays).toBe(2)
    expect(ruleOf(without, 'bays')).toMatchObject({ state: 'pass' })
    expect(ruleOf(without, 'driveFrames')).toMatchObject({
      state: 'warning',
      values: { missing: 2 },
    })
    const framed = assessed(
      { base: 'parts', parts: [{ ref: 'coffer-4' }, { ref: 'twine-frame', count: 2 }] },
      { lots: [ssd(4)] },
    )
    expect(ruleOf(framed, 'driveFrames')).toMatchObject({ state: 'pass' })
    // Trays take them as they are.
    expect(
      ruleOf(assessed({ base: 'wherry-4' }, { lots: [ssd(4)] }), 'driveFrames'),
    ).toBeUndefined()
  })
  it("the system's SSD takes a small bay first", () => {
    expect(
      assessed(tower('coffer-4', 'flint-250'), { lots: [hdd(3), ssd(2)] }).domains.machine.freeBays,
    ).toBe(0)
  })
  it('as many find a place as any way of putting them in gives', () => {
    const build = machineBuild(
      planSchema.parse({ name: 'x', machine: tower('coffer-4') }).machine,
      catalogue,
    )
    const count = fc.integer({ min: 0, max: 7 })
    fc.assert(
      fc.property(count, count, count, count, (large, small, outside, spinning) => {
        const housing = { ...build.housing!, bays25: small, hotSwap: 0 }
        const parts = Array.from({ length: outside }, () => ({
          kind: 'enclosure' as const,
          index: 0,
          part: { ref: 'x', count: 1 } as never,
          entry: { bays: 1 } as never,
        }))
        for (let flash = 0; flash <= 5; flash++) {
          const bays = driveBays(
            { parts, base: null, housing, bays: large + outside, enclosureBays: outside },
            { count: spinning + flash + 2, spinning, nvme: 2 },
          )
          // Every number of SSDs in each kind of place, the others where they find room.
          let most = 0
          for (let inSmall = 0; inSmall <= Math.min(small, flash); inSmall++)
            for (let inLarge = 0; inLarge <= Math.min(large, flash - inSmall); inLarge++)
              for (let out = 0; out <= Math.min(outside, flash - inSmall - inLarge); out++)
                most = Math.max(
                  most,
                  inSmall + inLarge + out + Math.min(spinning, large - inLarge + outside - out),
                )
          expect(bays.without).toBe(spinning + flash - most)
          expect(
            bays.turningInside + bays.flashInside + bays.turningOutside + bays.flashOutside,
          ).toBe(most)
          expect(Math.sign(bays.free)).toBe(
            bays.without > 0 ? -1 : Math.sign(large + outside + Math.min(small, flash) - most),
          )
        }
      }),
      { numRuns: 200 },
    )
  })
})

describe('what the supply of the machine feeds', () => {
  const eight = (...lots: { count: number; sizeTB: number; model?: string }[]) =>
    assessed({ ...tower('coffer-14', 'mole-550', 'leat-65'), startTogether: 1 }, { lots })
  it('SSDs add their watts to a start and take none off', () => {
    const alone = eight(hdd(8)).domains.fitting.context.surge.watts
    const both = eight(hdd(8), ssd(8)).domains.fitting.context.surge.watts
    const idle = catalogue.driveModels.find(({ id }) => id === 'eddy-2')!.idleW
    expect(both - alone).toBeCloseTo(8 * idle, 9)
    expect(alone).toBeGreaterThan(usualSurge.watts)
  })
  it('not what hangs in an enclosure with a supply of its own, nor the enclosure', () => {
    const bare = assessed({ base: 'pebble-21' }, {}).domains.fitting.context
    const { context } = assessed(
      { base: 'pebble-21', parts: [{ ref: 'trug-4' }] },
      { lots: [hdd(4)] },
    ).domains.fitting
    expect([context.surge.watts, context.runningW, context.start.surges.length]).toEqual([
      expect.closeTo(bare.surge.watts, 9),
      expect.closeTo(bare.runningW, 9),
      0,
    ])
  })
  it('but what a port feeds', () => {
    const { context } = assessed(
      { base: 'pebble-21', parts: [{ ref: 'trug-1' }] },
      { lots: [hdd(1)] },
    ).domains.fitting
    expect(context.start.surges.length).toBe(1)
  })
})

describe('drives in an enclosure', () => {
  const mini = (ref: string, count: number) =>
    assessed({ base: 'pebble-21', parts: [{ ref }] }, { lots: [hdd(count)] })
  it('are cooled there: one bay has no air, two have little, four have a fan', () => {
    expect(mini('trug-1', 1).domains.fitting.context.heat.driveRiseK).toBe(20)
    expect(mini('trug-2', 2).domains.fitting.context.heat.driveRiseK).toBe(12)
    expect(mini('trug-4', 4).domains.fitting.context.heat.driveRiseK).toBe(6)
  })
  it('are cooled there whatever air an SSD in the machine has', () => {
    const { context } = assessed(
      { base: 'pebble-21', parts: [{ ref: 'trug-4' }] },
      { lots: [hdd(4), ssd(1)] },
    ).domains.fitting
    expect([context.bays.flashInside, context.heat.driveRiseK]).toEqual([1, 6])
  })
  it('are pulled from its front, without a lamp', () => {
    expect(ruleOf(mini('trug-2', 2), 'driveReach')).toMatchObject({
      state: 'pass',
      values: { minutes: 2, lamps: false },
    })
    expect(ruleOf(mini('trug-4', 4), 'driveReach')).toMatchObject({ state: 'warning' })
  })
})
