import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { qualities } from '../catalogue/qualities'
import measured from '../catalogue/transcodeWork.json'
import { workTable } from '../catalogue/workTable'
import { planSchema } from '../plan/planSchema'
import { processorCapacity, singleConversionCapacity } from './capacity'
import { libraryMix, meanWork } from './libraryMix'
import { softwareWork, workParts, type ConversionSource, type ToneMapping } from './softwareWork'

const hd8: ConversionSource = {
  codec: 'h264',
  pictureSize: 1,
  bitrateMbps: 8,
  highDynamicRange: false,
}
const uhd = (bitrateMbps: number): ConversionSource => ({
  codec: 'hevc10',
  pictureSize: 4,
  bitrateMbps,
  highDynamicRange: true,
})
const work = (
  source: ConversionSource,
  outputSize: number,
  toneMapping: ToneMapping = 'atSourceSize',
  audio = 0.029,
) => softwareWork(workTable, { source, outputSize, toneMapping, audio })

describe('work of a conversion in software', () => {
  it('1080p H.264 to 720p costs 0.63', () => expect(work(hd8, 4 / 9).likely).toBeCloseTo(0.63, 2))
  it('1080p H.264 to 1080p costs about 1, the reference', () =>
    expect(work(hd8, 1).likely).toBeCloseTo(1.006, 3))
  it('2160p HDR at 25 Mb/s to 1080p costs 5.32 when mapped at source size', () =>
    expect(work(uhd(25), 1).likely).toBeCloseTo(5.32, 2))
  it('and 3.03 after scaling down', () =>
    expect(work(uhd(25), 1, 'afterScaling').likely).toBeCloseTo(3.03, 2))
  it("ranges from mapping after scaling to the practitioners' 8.5", () => {
    expect(work(uhd(25), 1).high).toBeCloseTo(8.5, 1)
    expect(work(uhd(25), 1).low).toBeCloseTo(3.03, 1)
  })
  it('decoding grows with the rate above its flat part: discs', () => {
    expect(work({ ...hd8, bitrateMbps: 12 }, 1).likely).toBeCloseTo(work(hd8, 1).likely, 9)
    expect(work({ ...hd8, bitrateMbps: 28 }, 1).likely - work(hd8, 1).likely).toBeCloseTo(
      0.366 - 0.181,
      9,
    )
    expect(work(uhd(60), 1).likely - work(uhd(25), 1).likely).toBeCloseTo(4 * (0.512 - 0.29), 9)
  })
  it('is the sum of its parts', () => {
    for (const [source, outputSize] of [
      [hd8, 1],
      [hd8, 4 / 9],
      [uhd(25), 1],
      [uhd(60), 4 / 9],
    ] as const) {
      for (const toneMapping of ['atSourceSize', 'afterScaling'] as const) {
        const sum = workParts(workTable, { source, outputSize, toneMapping, audio: 0.029 }).reduce(
          (total, part) => total + part.coefficient * part.size,
          0,
        )
        expect(sum).toBeCloseTo(work(source, outputSize, toneMapping).likely, 12)
      }
    }
  })
  it('doubles at twice the frames, sound apart', () => {
    const once = work(hd8, 1).likely - 0.029
    expect(work({ ...hd8, framesPerSecond: 48, bitrateMbps: 16 }, 1).likely - 0.029).toBeCloseTo(
      2 * once,
      9,
    )
  })
  it.each([
    ['h264_1080p24_8m > h264 own 8000k', hd8, 1, 'afterScaling'],
    ['h264_1080p24_8m > h264 720p 4000k', hd8, 4 / 9, 'afterScaling'],
    ['h264_1080p24_28m > h264 own 8000k', { ...hd8, bitrateMbps: 28 }, 1, 'afterScaling'],
    [
      'av1_1080p24_3m5 > h264 own 8000k',
      { ...hd8, codec: 'av1', bitrateMbps: 3.5 },
      1,
      'afterScaling',
    ],
    [
      'hevc10_2160p24_hdr10_25m > h264 1080p 10000k, tone map at source res then scale',
      uhd(25),
      1,
      'atSourceSize',
    ],
    [
      'hevc10_2160p24_hdr10_25m > h264 1080p 10000k, scale then tone map',
      uhd(25),
      1,
      'afterScaling',
    ],
    [
      'hevc10_2160p24_hdr10_60m > h264 1080p 10000k, scale then tone map',
      uhd(60),
      1,
      'afterScaling',
    ],
  ] as const)(
    'agrees with the measured case %s within 20 %%',
    (name, source, outputSize, toneMapping) => {
      const ratio = measured.measuredCases.find(entry => entry.case === name)!.ratio
      expect(
        Math.abs(work(source as ConversionSource, outputSize, toneMapping).likely / ratio - 1),
      ).toBeLessThan(0.2)
    },
  )
  it('never falls with a bigger output or a higher rate, and its band encloses it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...qualities),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        fc.double({ min: 0.5, max: 100, noNaN: true }),
        (quality, share, bitrateMbps) => {
          const source = {
            codec: quality.codec,
            pictureSize: quality.pictureSize,
            highDynamicRange: quality.highDynamicRange,
            bitrateMbps,
          }
          const small = work(source, share * quality.pictureSize)
          expect(small.low).toBeLessThanOrEqual(small.likely)
          expect(small.high).toBeGreaterThanOrEqual(small.likely)
          expect(
            work({ ...source, bitrateMbps: bitrateMbps * 1.5 }, share * quality.pictureSize).likely,
          ).toBeGreaterThanOrEqual(small.likely - 1e-12)
          expect(work(source, share * quality.pictureSize * 0.5).likely).toBeLessThanOrEqual(
            small.likely + workTable.scale.likely * quality.pictureSize + 1e-12,
          )
        },
      ),
    )
  })
})

describe('capacity by the score rule', () => {
  const rule = { score: 8000, pointsPerStream: 2000, reserveShare: 0, passivelyCooled: false }
  it('divides the score by 2000 points, 2500 to 1500', () => {
    const { low, likely, high } = processorCapacity(rule)
    expect([low, likely, high].map(value => Math.round(value * 1e6) / 1e6)).toEqual([
      3.2, 4, 5.333333,
    ])
  })
  it('leaves the reserve to the system, and a fifth to the heat without a fan', () => {
    expect(processorCapacity({ ...rule, reserveShare: 0.15 }).likely).toBeCloseTo(3.4, 9)
    expect(processorCapacity({ ...rule, passivelyCooled: true }).likely).toBeCloseTo(3.2, 9)
  })
  it('lets one conversion use six cores at most', () => {
    expect(singleConversionCapacity(8, 4)).toBe(8)
    expect(singleConversionCapacity(8, 12)).toBe(4)
  })
  it('names an argument out of range', () => {
    expect(() => processorCapacity({ ...rule, score: -1 })).toThrow('SCORE')
    expect(() => singleConversionCapacity(1, 0)).toThrow('CORES')
  })
})

describe('the mix of a library', () => {
  const { library } = planSchema.parse({
    name: 'x',
    library: {
      holdings: [
        { quality: 'hd1080-h264', titles: 75 },
        { quality: 'uhd-hdr-hevc', titles: 20 },
        { quality: 'hd1080-h264', titles: 5, bitrateMbps: 28 },
      ],
    },
  })
  const mix = libraryMix(library, qualities, { table: workTable, toneMapping: 'afterScaling' })
  it('has a part for each quality, and for bitrates whose work differs; shares add up to 1', () => {
    expect(mix.map(part => [part.key, part.share])).toEqual([
      ['hd1080-h264-at-8', 0.75],
      ['uhd-hdr-hevc', 0.2],
      ['hd1080-h264-at-28', 0.05],
    ])
    expect(mix[2]!.work.likely).toBeGreaterThan(mix[0]!.work.likely)
  })
  it('has one part for bitrates that take the same work, at their mean', () => {
    // Up to 12 Mb/s decoding costs the same.
    const holdings = planSchema.parse({
      name: 'x',
      library: {
        holdings: [
          { quality: 'hd1080-h264', titles: 30, bitrateMbps: 4 },
          { quality: 'hd1080-h264', titles: 10, bitrateMbps: 12 },
        ],
      },
    }).library
    const parts = libraryMix(holdings, qualities, {
      table: workTable,
      toneMapping: 'afterScaling',
    })
    expect(parts.map(({ key, share, task }) => [key, share, task.source.bitrateMbps])).toEqual([
      ['hd1080-h264', 1, 6],
    ])
  })
  it('has the mean work of its parts', () => {
    expect(meanWork(mix).likely).toBeCloseTo(
      0.75 * mix[0]!.work.likely + 0.2 * mix[1]!.work.likely + 0.05 * mix[2]!.work.likely,
      12,
    )
  })
  it('is empty without titles', () =>
    expect(
      libraryMix({ ...library, holdings: [] }, qualities, {
        table: workTable,
        toneMapping: 'afterScaling',
      }),
    ).toEqual([]))
})
