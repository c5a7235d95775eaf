import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { qualities } from '../catalogue/qualities'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { videoEngines } from '../catalogue/videoEngines'
import { workTable } from '../catalogue/workTable'
import { exactly } from '../figure'
import { hardwareOf } from '../machine/hardware'
import { machineBuild } from '../machine/machineBuild'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { enginesInUse, type ConversionMachine } from './conversionMachine'
import {
  engineShares,
  engineTakes,
  likelyEnds,
  sessionMemoryMB,
  units,
  toneMapWorkOf,
} from './engineShares'
import { machineShare, mixCapacity, mixCapacityBand, type MixClass } from './engineCapacity'
import { softwareWork, type ConversionTask } from './softwareWork'

const engineOf = (id: string) => videoEngines.find(engine => engine.id === id)!
const under = (toneMapWork = 0, systemMemoryMB = 12_000) => ({
  toneMapWork,
  ends: likelyEnds,
  systemMemoryMB,
})
const hd: ConversionTask = {
  source: { codec: 'h264', pictureSize: 1, bitrateMbps: 8, highDynamicRange: false },
  outputSize: 1,
  toneMapping: 'atSourceSize',
}
const uhd: ConversionTask = {
  source: { codec: 'hevc10', pictureSize: 4, bitrateMbps: 25, highDynamicRange: true },
  outputSize: 1,
  toneMapping: 'atSourceSize',
}
const classOf = (task: ConversionTask, share = 1): MixClass => ({
  task,
  share,
  work: softwareWork(workTable, task).likely,
})
const machineOf = (
  engines: readonly string[],
  streams = 4,
  change: Partial<ConversionMachine> = {},
): ConversionMachine => ({
  table: workTable,
  processor: { low: streams * 0.8, likely: streams, high: (streams * 4) / 3 },
  cores: 4,
  engines: engines.map(engineOf),
  unfed: [],
  fallbackShare: 0,
  systemMemoryMB: 12_000,
  ...change,
})

describe('what one conversion takes of an engine', () => {
  it('1080p at 24 frames is 49.8 Mpx/s, of which 85 % of the rate can be counted on', () => {
    const shares = engineShares(hd, engineOf('builtInD'), under())!
    expect(shares.decode).toBeCloseTo(49.766 / (1500 * 0.85), 4)
    expect(shares.encode).toBeCloseTo(49.766 / (1200 * 0.85), 4)
    expect(shares.toneMap).toBeUndefined()
    expect(shares.hostWork).toBe(0.06)
  })
  it('tone mapping counts source pixels: 199 Mpx/s of 2160p', () => {
    const shares = engineShares(uhd, engineOf('builtInD'), under(toneMapWorkOf(uhd, workTable)))!
    expect(shares.toneMap).toBeCloseTo(199.07 / (600 * 0.85), 3)
    expect(shares.hostWork).toBe(0.06)
  })
  it('and falls to the processor where the engine has none', () => {
    const eightBit = { ...uhd, source: { ...uhd.source, codec: 'h264' as const } }
    expect(
      engineShares(eightBit, engineOf('builtInB'), under(toneMapWorkOf(eightBit, workTable)))!
        .hostWork,
    ).toBeCloseTo(0.06 + 4 * workTable.toneMap.likely, 9)
  })
  it('memory of a session: 216 MB at 1080p, 713 MB from 2160p in 10 bits', () => {
    expect(sessionMemoryMB(hd)).toBeCloseTo(215.5, 1)
    expect(sessionMemoryMB(uhd)).toBeCloseTo(713.2, 0)
  })
  it('burned-in subtitles leave more to the processor', () => {
    expect(
      engineShares({ ...hd, burn: 'bitmap' }, engineOf('builtInD'), under())!.hostWork,
    ).toBeCloseTo(0.36, 9)
  })
  it('an engine does not take what it cannot decode, nor what one alone is too much for', () => {
    expect(engineTakes(uhd, engineOf('builtInC'))).toBe(false)
    expect(engineTakes(uhd, engineOf('builtInD'))).toBe(true)
    expect(
      engineTakes({ ...uhd, source: { ...uhd.source, framesPerSecond: 60 } }, engineOf('boardArm')),
    ).toBe(false)
    expect(
      engineTakes({ ...hd, source: { ...hd.source, codec: 'av1' } }, engineOf('builtInD')),
    ).toBe(false)
  })
})

describe('conversions of a mix', () => {
  it('in software are capacity ÷ mean work', () => {
    const mix = [classOf(hd, 3), classOf({ ...hd, outputSize: 4 / 9 }, 1)]
    const mean = (3 * mix[0]!.work + mix[1]!.work) / 4
    expect(mixCapacity(mix, machineOf([]), { processor: 4 })).toEqual({
      conversions: expect.closeTo(4 / mean, 9),
      binds: 'processor',
    })
  })
  it('on a built-in D: 20 of 1080p by its encoding, two of 2160p HDR by its tone mapping', () => {
    expect(mixCapacity([classOf(hd)], machineOf(['builtInD']), { processor: 4 })).toEqual({
      conversions: expect.closeTo((1200 * 0.85) / 49.766, 2),
      binds: 'encode',
    })
    expect(mixCapacity([classOf(uhd)], machineOf(['builtInD']), { processor: 4 })).toEqual({
      conversions: expect.closeTo((600 * 0.85) / 199.07, 2),
      binds: 'toneMap',
    })
  })
  it('are bound by memory, sessions or what is left to the processor when these are scarce', () => {
    expect(
      mixCapacity([classOf(hd)], machineOf(['builtInD'], 4, { systemMemoryMB: 1000 }), {
        processor: 4,
      }),
    ).toMatchObject({ conversions: expect.closeTo(1000 / 215.5, 1), binds: 'memory' })
    expect(mixCapacity([classOf(hd)], machineOf(['cardEntry']), { processor: 4 })).toMatchObject({
      conversions: 5,
      binds: 'sessions',
    })
    expect(mixCapacity([classOf(hd)], machineOf(['builtInD']), { processor: 0.6 })).toMatchObject({
      conversions: expect.closeTo(10, 9),
      binds: 'processor',
    })
  })
  it('what is too slow stays in the mix with its work, and never makes it endless', () => {
    const mean = 0.1 * classOf(hd).work + 0.9 * classOf(uhd).work
    expect(
      mixCapacity([classOf(hd, 1), classOf(uhd, 9)], machineOf([], 1.2), { processor: 1.2 })!
        .conversions,
    ).toBeCloseTo(1.2 / mean, 9)
    expect(
      mixCapacity([classOf(uhd)], machineOf([], 1.2), { processor: 1.2 })!.conversions,
    ).toBeCloseTo(1.2 / classOf(uhd).work, 9)
    // Where an engine takes it, nothing of it is the processor's.
    expect(
      mixCapacity([classOf(uhd)], machineOf(['builtInD'], 1.2), { processor: 1.2 })!.binds,
    ).toBe('toneMap')
    expect(mixCapacity([], machineOf([], 1.2))).toBeNull()
  })
  it("with a tenth falling back, a tenth of the work is the processor's", () => {
    const found = mixCapacity([classOf(hd)], machineOf(['builtInD'], 4, { fallbackShare: 0.1 }), {
      processor: 1,
    })!
    expect(found).toEqual({
      conversions: expect.closeTo(1 / (0.9 * 0.06 + 0.1 * classOf(hd).work), 9),
      binds: 'processor',
    })
  })
  it('two engines share the mix, as far as the processor goes', () => {
    const one = mixCapacity([classOf(hd)], machineOf(['cardModern'], 40), {
      processor: 40,
    })!.conversions
    const other = mixCapacity([classOf(hd)], machineOf(['builtInD'], 40), {
      processor: 40,
    })!.conversions
    expect(
      mixCapacity([classOf(hd)], machineOf(['cardModern', 'builtInD'], 40), { processor: 40 })!
        .conversions,
    ).toBeCloseTo(one + other, 9)
    expect(
      mixCapacity([classOf(hd)], machineOf(['cardModern', 'builtInD'], 4), { processor: 1.2 })!
        .conversions,
    ).toBeCloseTo(1.2 / 0.06, 9)
  })

  it('three of one kind do three times what one does, and bind as it does', () => {
    const mix = [classOf(hd, 2), classOf(uhd, 1)]
    const of = (count: number) =>
      mixCapacity(mix, machineOf(Array<string>(count).fill('cardEntry'), 400), { processor: 400 })!
    expect(of(3).conversions).toBeCloseTo(3 * of(1).conversions, 9)
    expect(of(3).binds).toBe(of(1).binds)
  })

  const anyTask = fc
    .record({
      quality: fc.constantFrom(...qualities),
      outputSize: fc.constantFrom(1, 4 / 9, 0.17),
      burn: fc.constantFrom(undefined, 'text' as const),
    })
    .map(({ quality, outputSize, burn }): ConversionTask => ({
      source: {
        codec: quality.codec,
        pictureSize: quality.pictureSize,
        bitrateMbps: quality.bitrateMbps.likely,
        highDynamicRange: quality.highDynamicRange,
      },
      outputSize: Math.min(outputSize, quality.pictureSize),
      toneMapping: 'atSourceSize',
      ...(burn ? { burn } : {}),
    }))
  const anyMix = fc
    .array(fc.tuple(anyTask, fc.integer({ min: 1, max: 9 })), { minLength: 1, maxLength: 5 })
    .map(list => list.map(([task, share]) => classOf(task, share)))
  const anyEngines = fc.subarray(
    videoEngines.map(engine => engine.id),
    { maxLength: 1 },
  )

  it('agree with adding one whole conversion after the other until a unit is full', () => {
    fc.assert(
      fc.property(
        anyTask,
        anyEngines,
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        (task, engines, streams) => {
          const machine = machineOf(engines, streams)
          const closed = Math.floor(
            (mixCapacity([classOf(task)], machine, { processor: streams })?.conversions ?? 0) +
              1e-9,
          )
          const { engine, software } = machineShare(task, classOf(task).work, machine)
          const share = engine ?? software
          let count = 0
          for (let load = share; load <= 1 + 1e-9 && count < 1000; load += share) count++
          expect(count === 1000 ? closed : count).toBe(closed)
        },
      ),
      { numRuns: 200 },
    )
  })
  it('fill exactly the unit that binds, and no unit more than whole', () => {
    fc.assert(
      fc.property(
        anyMix,
        anyEngines,
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        (mix, engines, streams) => {
          const machine = machineOf(engines, streams)
          const found = mixCapacity(mix, machine, { processor: streams })
          if (!found || found.conversions === 0) return
          const used: Record<string, number> = {}
          let total = 0
          for (const { task, work, share } of mix) {
            const engine = machine.engines.find(candidate => engineTakes(task, candidate))
            total += share
            const needs = engine
              ? engineShares(
                  task,
                  engine,
                  under(toneMapWorkOf(task, workTable), machine.systemMemoryMB),
                )!
              : { hostWork: work }
            used.processor = (used.processor ?? 0) + (share * needs.hostWork) / streams
            for (const unit of units)
              if (unit !== 'processor')
                used[unit] =
                  (used[unit] ?? 0) + share * ((needs as Record<string, number>)[unit] ?? 0)
          }
          const full = Object.fromEntries(
            Object.entries(used).map(([unit, need]) => [unit, (need / total) * found.conversions]),
          )
          expect(full[found.binds]).toBeCloseTo(1, 9)
          Object.values(full).forEach(share => expect(share).toBeLessThanOrEqual(1 + 1e-9))
        },
      ),
      { numRuns: 200 },
    )
  })
  it('have a band that encloses them, and more processor never gives fewer', () => {
    fc.assert(
      fc.property(
        anyMix,
        anyEngines,
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        (mix, engines, streams) => {
          const found = mixCapacityBand(mix, machineOf(engines, streams), {
            low: 0.9,
            likely: 1,
            high: 1.2,
          })
          if (!found) return
          const { low, likely, high } = found.conversions
          expect(low).toBeLessThanOrEqual(likely + 1e-9)
          expect(high).toBeGreaterThanOrEqual(likely - 1e-9)
          const same = machineOf(engines, streams)
          expect(
            mixCapacity(mix, same, { processor: streams * 1.5 })!.conversions,
          ).toBeGreaterThanOrEqual(likely - 1e-9)
        },
      ),
      { numRuns: 100 },
    )
  })

  describe('memory that is shared with the machine', () => {
    const spread = { low: 0.9, likely: 1, high: 1.2 }
    const bandAt = (
      mix: readonly MixClass[],
      systemMemoryMB: number,
      streams = 4,
      engine = 'builtInD',
    ) =>
      mixCapacityBand(
        mix,
        systemMemoryMB < 300
          ? { ...machineOf([], streams, { systemMemoryMB }), unfed: [engineOf(engine)] }
          : machineOf([engine], streams, { systemMemoryMB }),
        spread,
      )!
    it('caps each end of the band of an engine that has enough: by hand', () => {
      const mix = [classOf(uhd)]
      const each = sessionMemoryMB(uhd)
      const enough = bandAt(mix, 1e9).conversions
      const cap = (enough.low + enough.likely) / 2
      const { conversions, binds } = bandAt(mix, cap * each)
      expect(conversions.low).toBeCloseTo(enough.low, 9)
      expect(conversions.likely).toBeCloseTo(cap, 9)
      expect(conversions.high).toBeCloseTo(cap, 9)
      expect(binds).toBe('memory')
    })
    it('is as likely what the machine does, and no end falls with more of it', () => {
      fc.assert(
        fc.property(
          anyMix,
          fc.constantFrom('builtInA', 'builtInD', 'builtInF'),
          fc.double({ min: 0.5, max: 40, noNaN: true }),
          (mix, engine, streams) => {
            let before = { low: 0, likely: 0, high: 0 }
            for (const memoryMB of [0, 299, 300, 700, 1000, 1500, 2000, 3000, 5000, 9000, 20_000]) {
              const { conversions } = bandAt(mix, memoryMB, streams, engine)
              const machine =
                memoryMB < 300
                  ? { ...machineOf([], streams), unfed: [engineOf(engine)] }
                  : machineOf([engine], streams, { systemMemoryMB: memoryMB })
              expect(conversions.likely).toBeCloseTo(mixCapacity(mix, machine)!.conversions, 9)
              for (const end of ['low', 'likely', 'high'] as const)
                expect(conversions[end]).toBeGreaterThanOrEqual(before[end] - 1e-9)
              before = conversions
            }
          },
        ),
        { numRuns: 100 },
      )
    })
  })
})

describe('engines of a plan', () => {
  const inUse = (input: PlanInput['machine'], hardwareConversion = true) => {
    const { machine } = planSchema.parse({ name: 'x', machine: input })
    return enginesInUse(
      hardwareOf(machine, machineBuild(machine, catalogue), {
        makersSystem: false,
        copyOnWrite: false,
      }),
      { hardwareConversion },
    ).map(engine => engine.id)
  }
  it('a card takes all from the built-in one unless they may work together', () => {
    expect(inUse({ engine: 'builtInD' })).toEqual(['builtInD'])
    expect(inUse({ engine: 'builtInD', parts: [{ ref: 'cardEntry' }] })).toEqual(['cardEntry'])
    expect(
      inUse({ engine: 'builtInD', parts: [{ ref: 'cardEntry' }], oneEngineAtATime: false }),
    ).toEqual(['cardEntry', 'builtInD'])
    expect(inUse({ engine: 'builtInD' }, false)).toEqual([])
  })
  it('a built-in engine without memory for a session is not counted', () => {
    const possible = (memoryGB: number) =>
      assess(
        planSchema.parse({
          ...tideMillHouse,
          machine: { score: 6200, cores: 4, engine: 'builtInD', memoryGB },
        }),
        catalogue,
      ).figures['streams.possible']!.value!
    expect([possible(2), possible(5) > possible(2), possible(16) > possible(5)]).toEqual([
      3,
      true,
      true,
    ])
  })
  const codes = (machine: PlanInput['machine'], choices: PlanInput['choices'] = {}) =>
    assess(
      planSchema.parse({
        ...tideMillHouse,
        machine: { score: 6200, cores: 4, ...machine },
        choices,
      }),
      catalogue,
    ).findings.map(finding => finding.code)
  it('are warned of where money was lost', () => {
    expect(codes({ engine: 'builtInF', parts: [{ ref: 'cardOldGaming' }] })).toContain(
      'CARD_DOWNGRADES',
    )
    expect(
      codes({ engine: 'builtInF', parts: [{ ref: 'cardOldGaming' }], oneEngineAtATime: false }),
    ).not.toContain('CARD_DOWNGRADES')
    expect(codes({ engine: 'builtInC', score: 40_000 })).toEqual(
      expect.arrayContaining(['TEN_BIT_IN_SOFTWARE', 'TONE_MAP_IN_SOFTWARE', 'ENGINE_LICENCE']),
    )
    expect(codes({ engine: 'builtInA' })).toContain('ENGINE_HANGS')
    expect(codes({ engine: 'builtInD', passivelyCooled: true })).toContain('PASSIVE_LOAD')
    expect(codes({ engine: 'builtInD' }, { hardwareConversion: false })).toContain('ENGINE_UNUSED')
    expect(codes({})).not.toContain('ENGINE_LICENCE')
  })
  it('let play what software was too slow for', () => {
    const cannot = (machine: PlanInput['machine']) =>
      assess(
        planSchema.parse({ ...tideMillHouse, machine: { score: 6200, cores: 4, ...machine } }),
        catalogue,
      ).figures['playback.cannotShare']!.value!
    expect(cannot({})).toBeGreaterThan(0.005)
    expect(cannot({ engine: 'builtInD' })).toBe(0)
  })
  it('name what binds, and spread wider than software does', () => {
    const { figures } = assess(
      planSchema.parse({
        ...tideMillHouse,
        machine: { score: 6200, cores: 4, engine: 'builtInD' },
      }),
      catalogue,
    )
    expect(figures['streams.possible']).toMatchObject({
      note: expect.stringMatching(/is the limit\. On Built-in D/),
      formula: expect.stringContaining('the fullest is the limit'),
    })
    expect(figures['streams.possible']!.value!).toBeGreaterThan(8)
    expect(figures['streams.minutesShortPerMonth']!.value).toBeLessThan(0.01)
    expect(figures['streams.uhdToneMapped']).toMatchObject({ value: 2, low: 1, high: 3 })
  })
  it('a clock and a year stand in for a score', () => {
    const { figures } = assess(
      planSchema.parse({ name: 'x', machine: { cores: 4, sustainedGHz: 3.4, designYear: 2013 } }),
      catalogue,
    )
    expect(figures['streams.softwareReference']).toMatchObject({
      formula:
        '4 cores × 3.4 GHz × 380 points × (1 − 0.15) ÷ 2,000 points per stream = 2.196 ' +
        'reference streams',
    })
  })
  it('what was measured goes before score and clock, with the estimate beside it', () => {
    const { figures } = assess(
      planSchema.parse({
        name: 'x',
        machine: { score: 6000, measuredStreams: 2, measuredLow: 1, measuredBy: 'a test' },
      }),
      catalogue,
    )
    expect(figures['streams.softwareReference']).toMatchObject({
      basis: 'measured',
      value: 1.7,
      low: 0.85,
      high: expect.closeTo(1.87, 9),
      note: expect.stringContaining('make 3 before the reserve'),
    })
  })
  it('a mix of one exact kind has the exact band of its parts', () => {
    expect(
      mixCapacityBand([classOf(hd)], { ...machineOf([]), processor: exactly(4) }, exactly(1))!
        .conversions,
    ).toEqual(exactly(4 / classOf(hd).work))
  })
})

/** The best of all sharings of two classes between two engines, in steps of a fiftieth. */
function bySharing(mix: readonly MixClass[], machine: ConversionMachine, processor: number) {
  const steps = 50
  const taken = mix.map(({ task }) => machine.engines.filter(engine => engineTakes(task, engine)))
  const needs = mix.map(({ task }) =>
    machine.engines.map(engine =>
      engineTakes(task, engine)
        ? engineShares(task, engine, under(toneMapWorkOf(task, workTable), machine.systemMemoryMB))
        : null,
    ),
  )
  const total = mix.reduce((sum, { share }) => sum + share, 0)
  let best = 0
  const shares = (at: number) =>
    taken[at]!.length === 2
      ? Array.from({ length: steps + 1 }, (_, step) => [step / steps, 1 - step / steps])
      : [machine.engines.map(engine => Number(taken[at]!.includes(engine)))]
  for (const one of shares(0))
    for (const other of mix.length > 1 ? shares(1) : [[0, 0]]) {
      const used = new Map<string, number>()
      let host = 0
      mix.forEach(({ work, share }, at) => {
        const parts = [one, other][at]!
        const falls = taken[at]!.length === 0 ? 1 : machine.fallbackShare
        host += (share / total) * falls * work
        parts.forEach((part, engine) => {
          if (part === 0) return
          const { hostWork, ...each } = needs[at]![engine]!
          const times = (share / total) * (1 - falls) * part
          host += times * hostWork
          for (const [unit, need] of Object.entries(each))
            used.set(`${engine} ${unit}`, (used.get(`${engine} ${unit}`) ?? 0) + times * need)
        })
      })
      best = Math.max(best, 1 / Math.max(host / processor, ...used.values()))
    }
  return best
}

describe('engines that are not alike', () => {
  const any = fc.record({
    kinds: fc.uniqueArray(fc.constantFrom(...videoEngines.map(({ id }) => id)), {
      minLength: 2,
      maxLength: 2,
    }),
    qualities: fc.array(fc.constantFrom(...qualities), { minLength: 1, maxLength: 2 }),
    share: fc.integer({ min: 1, max: 9 }),
    streams: fc.double({ min: 0.3, max: 20, noNaN: true }),
    fallbackShare: fc.constantFrom(0, 0, 0.2),
  })
  const questionOf = ({
    kinds,
    qualities: sources,
    share,
    streams,
    fallbackShare,
  }: {
    readonly kinds: string[]
    readonly qualities: (typeof qualities)[number][]
    readonly share: number
    readonly streams: number
    readonly fallbackShare: number
  }) => ({
    machine: machineOf(kinds, streams, { fallbackShare }),
    mix: sources.map((quality, at) =>
      classOf(
        {
          source: {
            codec: quality.codec,
            pictureSize: quality.pictureSize,
            bitrateMbps: quality.bitrateMbps.likely,
            highDynamicRange: quality.highDynamicRange,
          },
          outputSize: Math.min(1, quality.pictureSize),
          toneMapping: 'atSourceSize',
        },
        at === 0 ? share : 3,
      ),
    ),
  })
  it('share a mix as well as any sharing of it does', () => {
    fc.assert(
      fc.property(any, drawn => {
        const { mix, machine } = questionOf(drawn)
        const { conversions } = mixCapacity(mix, machine, { processor: drawn.streams })!
        const slow = bySharing(mix, machine, drawn.streams)
        expect(conversions).toBeGreaterThan(slow - 1e-6)
        // A fiftieth of a class is what the slow one may be off by.
        expect(conversions).toBeLessThan(slow * 1.06 + 1e-6)
      }),
      { numRuns: 150 },
    )
  })
  it('do no fewer than either alone, and with more processor no fewer', () => {
    fc.assert(
      fc.property(any, drawn => {
        const { mix, machine } = questionOf({ ...drawn, fallbackShare: 0 })
        const most = (engines: ConversionMachine['engines'], processor: number) =>
          mixCapacity(mix, { ...machine, engines }, { processor })!.conversions
        const both = most(machine.engines, drawn.streams)
        for (const engine of machine.engines)
          if (mix.every(({ task }) => engineTakes(task, engine)))
            expect(both).toBeGreaterThan(most([engine], drawn.streams) - 1e-6)
        expect(most(machine.engines, drawn.streams * 1.5)).toBeGreaterThan(both - 1e-6)
      }),
      { numRuns: 100 },
    )
  })
  it('use what one of them does better: tone mapping here, plain titles there', () => {
    // The card maps tones quicker, the built-in one has no session limit.
    const mix = [classOf(hd, 3), classOf(uhd, 1)]
    const machine = machineOf(['cardEntry', 'builtInF'], 40)
    const { conversions, binds } = mixCapacity(mix, machine, { processor: 40 })!
    const sameMixOnEach = machine.engines.reduce(
      (sum, engine) =>
        sum + mixCapacity(mix, { ...machine, engines: [engine] }, { processor: 40 })!.conversions,
      0,
    )
    expect(conversions).toBeGreaterThan(sameMixOnEach + 0.5)
    expect(units).toContain(binds)
  })
})
