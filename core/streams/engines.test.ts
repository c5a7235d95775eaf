import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue, entryOf } from '../catalogue/catalogue'
import type { VideoEngine } from '../catalogue/videoEngines'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema, type PlanInput } from '../plan/planSchema'
import {
  conversionMachine,
  enginesInUse,
  minSessionMB,
  machineTakes,
  softwareTakes,
} from './conversionMachine'
import { engineTakes, sessionMemoryMB } from './engineShares'
import { mixCapacity } from './engineCapacity'
import { downgradeShare, engineWarnings } from './engineWarnings'
import { softwareWork, type ConversionTask } from './softwareWork'

const engine = (id: string): VideoEngine => entryOf(catalogue.videoEngines, id)!
const plainTask: ConversionTask = {
  source: { codec: 'h264', pictureSize: 1, bitrateMbps: 8 },
  outputSize: 1,
} as ConversionTask
const hdrTask: ConversionTask = {
  source: { codec: 'hevc10', pictureSize: 4, bitrateMbps: 40, highDynamicRange: true },
  outputSize: 1,
  toneMapping: 'afterScaling',
} as unknown as ConversionTask
const assessed = (machine: PlanInput['machine'], choices: PlanInput['choices'] = {}) =>
  assess(planSchema.parse({ ...tideMillHouse, choices, machine }), catalogue)
const hardware = (machine: PlanInput['machine']) => assessed(machine).domains.machine.hardware
const codes = (machine: PlanInput['machine'], choices: PlanInput['choices'] = {}) =>
  assessed(machine, choices).domains.streams.warnings.map(warning => warning.code)

describe('the order of engines', () => {
  const both = {
    builtIn: engine('builtInF'),
    cards: [engine('cardEntry'), engine('cardModern')],
    oneEngineAtATime: true,
  }
  const ids = (parts: object, hardwareConversion = true) =>
    enginesInUse({ ...both, ...parts }, { hardwareConversion }).map(entry => entry.id)
  it('one at a time means the cards, as they stand, wherever there is one', () => {
    expect(ids({})).toEqual(['cardEntry', 'cardModern'])
    expect(ids({ cards: [] })).toEqual(['builtInF'])
  })
  it('all at a time has the cards before the built-in one', () => {
    expect(ids({ oneEngineAtATime: false })).toEqual(['cardEntry', 'cardModern', 'builtInF'])
    expect(ids({ oneEngineAtATime: false, builtIn: null })).toEqual(['cardEntry', 'cardModern'])
  })
  it('is empty while conversions are kept off the engines', () =>
    expect(ids({}, false)).toEqual([]))
  it('fills the engine first that leaves least to the processor', () => {
    const machine = conversionMachine(
      hardware({
        base: 'own',
        score: 4000,
        cores: 8,
        memoryGB: 32,
        oneEngineAtATime: false,
        engine: 'builtInC',
        parts: [{ ref: 'cardModern' }],
      }),
      {
        pointsPerStream: 2000,
        systemReserveShare: 0.2,
        hardwareConversion: true,
        toneMapping: 'atSourceSize' as const,
        fallbackShare: 0,
      },
      catalogue.workTable,
    )
    const mix = [
      { task: hdrTask, work: softwareWork(catalogue.workTable, hdrTask).likely, share: 1 },
    ]
    const reversed = { ...machine, engines: [...machine.engines].reverse() }
    expect(machine.engines.map(entry => entry.id)).toEqual(['cardModern', 'builtInC'])
    expect(mixCapacity(mix, machine)).toEqual(mixCapacity(mix, reversed))
    const cardAlone = mixCapacity(mix, { ...machine, engines: [engine('cardModern')] })!
    expect(mixCapacity(mix, machine)!.conversions).toBeGreaterThan(cardAlone.conversions - 1e-9)
  })
})

describe('a built-in engine', () => {
  it('is counted from 300 MB of memory on', () => {
    expect(minSessionMB).toBe(300)
    const of = (engineMemoryMB: number) =>
      conversionMachine(
        { ...hardware({ base: 'own', score: 4000, engine: 'builtInF' }), engineMemoryMB },
        {
          pointsPerStream: 2000,
          systemReserveShare: 0.2,
          hardwareConversion: true,
          toneMapping: 'atSourceSize' as const,
          fallbackShare: null,
        },
        catalogue.workTable,
      ).engines.length
    expect([of(299), of(300)]).toEqual([0, 1])
  })
  it("a card needs none of the machine's memory", () => {
    const machine = conversionMachine(
      {
        ...hardware({ base: 'own', score: 4000, engine: 'none', parts: [{ ref: 'cardEntry' }] }),
        engineMemoryMB: 0,
      },
      {
        pointsPerStream: 2000,
        systemReserveShare: 0.2,
        hardwareConversion: true,
        toneMapping: 'atSourceSize' as const,
        fallbackShare: null,
      },
      catalogue.workTable,
    )
    expect(machine.engines.map(entry => entry.id)).toEqual(['cardEntry'])
  })
  it('takes what it decodes and manages alone in real time, nothing else', () => {
    expect(engineTakes(plainTask, engine('builtInA'))).toBe(true)
    expect(engineTakes(hdrTask, engine('builtInC'))).toBe(false)
    expect(engineTakes(hdrTask, engine('builtInD'))).toBe(true)
  })
  it('takes 216 MB for a plain session and 713 MB for one of 2160p in 10 bits', () => {
    expect(sessionMemoryMB(plainTask)).toBeCloseTo(215.5, 0)
    expect(sessionMemoryMB(hdrTask)).toBeCloseTo(713, 0)
  })
})

describe('software', () => {
  it(
    'takes what one conversion alone manages; an unknown processor has the benefit of the ' +
      'doubt',
    () => {
      const processor = { low: 2, likely: 2, high: 2 }
      expect(softwareTakes(2, { processor, cores: 6 })).toBe(true)
      expect(softwareTakes(2.001, { processor, cores: 6 })).toBe(false)
      expect(softwareTakes(1000, { processor: null, cores: 6 })).toBe(true)
    },
  )
  it('of many cores one conversion uses six', () => {
    const processor = { low: 12, likely: 12, high: 12 }
    expect(softwareTakes(6, { processor, cores: 12 })).toBe(true)
    expect(softwareTakes(6.001, { processor, cores: 12 })).toBe(false)
  })
  it('or an engine has to take it', () => {
    const machine = conversionMachine(
      hardware({ base: 'own', score: 600, cores: 2, memoryGB: 16, engine: 'builtInD' }),
      {
        pointsPerStream: 2000,
        systemReserveShare: 0.2,
        hardwareConversion: true,
        toneMapping: 'atSourceSize' as const,
        fallbackShare: null,
      },
      catalogue.workTable,
    )
    expect(machineTakes(hdrTask, 3.2, machine)).toBe(true)
    expect(machineTakes(hdrTask, 3.2, { ...machine, engines: [] })).toBe(false)
  })
})

describe('warnings before money is spent', () => {
  it('a card that leaves less than 95 % of the built-in engine is a downgrade', () => {
    expect(downgradeShare).toBe(0.95)
    const parts = {
      hardware: {
        ...hardware({
          base: 'own',
          score: 20_000,
          cores: 8,
          memoryGB: 32,
          engine: 'builtInF',
          parts: [{ ref: 'cardModern' }],
        }),
      },
      choices: { hardwareConversion: true },
      needed: 1,
    }
    const { streams } = assessed({
      base: 'own',
      score: 20_000,
      cores: 8,
      memoryGB: 32,
      engine: 'builtInF',
      parts: [{ ref: 'cardModern' }],
    }).domains
    /** The same engine twice, once as a card so many times as fast. */
    const warned = (times: number) => {
      const { builtIn } = parts.hardware
      const scaled = (rate: number) => rate * times
      const card: VideoEngine = {
        ...builtIn!,
        id: 'twin',
        kind: 'card',
        memoryGB: 1000,
        encodeH264: scaled(builtIn!.encodeH264),
        toneMap: builtIn!.toneMap && scaled(builtIn!.toneMap),
        decode: Object.fromEntries(
          Object.entries(builtIn!.decode).map(([codec, rate]) => [codec, scaled(rate)]),
        ),
      }
      const converter = {
        ...streams.converter,
        fallbackShare: 0,
        engines: [card],
        systemMemoryMB: 1e9,
        processor: { low: 1e6, likely: 1e6, high: 1e6 },
      }
      return engineWarnings({
        ...parts,
        hardware: { ...parts.hardware, cards: [card] },
        converter,
        mix: streams.mix,
      }).some(warning => warning.code === 'CARD_DOWNGRADES')
    }
    expect(warned(0.96)).toBe(false)
    expect(warned(0.94)).toBe(true)
  })
  it('an engine that is there and not used, or known to hang', () => {
    expect(
      codes({ base: 'own', score: 9000, engine: 'builtInF' }, { hardwareConversion: false }),
    ).toContain('ENGINE_UNUSED')
    expect(codes({ base: 'own', score: 9000, engine: 'builtInF' })).not.toContain('ENGINE_UNUSED')
    expect(codes({ base: 'own', score: 9000, engine: 'builtInA' })).toContain('ENGINE_HANGS')
    expect(codes({ base: 'own', score: 9000, engine: 'builtInF' })).not.toContain('ENGINE_HANGS')
  })
  it('tones that the engine cannot map, ten bits that it cannot decode', () => {
    const strong = { base: 'own', score: 60_000, cores: 16, memoryGB: 32 }
    expect(codes({ ...strong, engine: 'builtInC' })).toEqual(
      expect.arrayContaining(['TONE_MAP_IN_SOFTWARE', 'TEN_BIT_IN_SOFTWARE']),
    )
    const able = codes({ ...strong, engine: 'builtInD' })
    expect(able).not.toContain('TONE_MAP_IN_SOFTWARE')
    expect(able).not.toContain('TEN_BIT_IN_SOFTWARE')
  })
  it('a fallback that is too slow for it', () => {
    expect(
      codes(
        { base: 'own', score: 1300, cores: 2, memoryGB: 16, engine: 'builtInF' },
        { fallbackShare: 0.1 },
      ),
    ).toContain('FALLBACK_TOO_SLOW')
    expect(
      codes(
        { base: 'own', score: 1300, cores: 2, memoryGB: 16, engine: 'builtInF' },
        { fallbackShare: 0 },
      ),
    ).not.toContain('FALLBACK_TOO_SLOW')
    expect(
      codes(
        { base: 'own', score: 90_000, cores: 16, memoryGB: 16, engine: 'builtInF' },
        { fallbackShare: 0.1 },
      ),
    ).not.toContain('FALLBACK_TOO_SLOW')
  })
  it('a fan that is missing', () => {
    expect(codes({ base: 'own', score: 9000, passivelyCooled: true })).toContain('PASSIVE_LOAD')
    expect(codes({ base: 'own', score: 9000 })).not.toContain('PASSIVE_LOAD')
  })
})
