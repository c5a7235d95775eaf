import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue/catalogue'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { poolChoices } from '../../tests/stubs/poolChoices'
import { qualityCosts as costsIn } from './qualityCosts'

const plan = (changes: Partial<PlanInput> = {}) =>
  planSchema.parse({
    name: 'x',
    choices: { horizonYears: 5 },
    costs: { pricePerKWh: 0.3 },
    library: { holdings: [{ quality: 'hd1080-h264', titles: 1000, minutes: 110 }] },
    drives: { lots: [{ count: 2, sizeTB: 8, priceEach: 160 }], layout: 'separate' },
    ...changes,
  })

const marks = {
  irreplaceableNowhere: true,
  replaceableNowhere: true,
  replaceableEverywhere: false,
}
const qualityCosts = (of: ReturnType<typeof plan>, index: number, entries: typeof catalogue) =>
  costsIn(of, index, {
    catalogue: entries,
    choices: poolChoices(of.choices),
    allMayBeLost: false,
    copyMarks: marks,
    lineKeepsUp: true,
  })

describe('what a quality choice costs', () => {
  const costs = qualityCosts(plan(), 0, catalogue)
  const of = (quality: string) => costs.find(entry => entry.quality === quality)!
  it('is nothing for the present quality', () =>
    expect(of('hd1080-h264')).toMatchObject({ todayTB: 0, horizonTB: 0, drives: 0, money: 0 }))
  it('1000 discs as they are take 20 Mb/s more: 16.8 TB', () => {
    expect(of('hd1080-disc').todayTB).toBeCloseTo(((1000 * 20 * 110 * 60) / 8 / 1e6) * 1.02, 9)
  })
  it('that is three drives of 8 TB more than one, and their electricity', () => {
    // Room of one is 8 · 0.98 · 0.85 = 6.66 TB; 6.73 TB want two, 23.56 TB want four.
    expect(of('hd1080-disc').drives).toBe(2)
    const idleW = catalogue.driveClasses.find(entry => entry.id === plan().drives.driveClass)!.idleW
      .likely
    expect(of('hd1080-disc').money).toBeCloseTo(2 * (160 + idleW * 8.766 * 0.3 * 5), 6)
  })
  it('a smaller codec gives drives back', () => {
    expect(of('hd1080-av1').horizonTB).toBeLessThan(0)
    expect(of('hd1080-av1').drives).toBe(-1)
    expect(of('hd1080-av1').money).toBeLessThan(0)
  })
  it("a bitrate of one's own belongs to the present quality only", () => {
    const own = qualityCosts(
      plan({
        library: {
          holdings: [{ quality: 'hd1080-h264', titles: 1000, minutes: 110, bitrateMbps: 12 }],
        },
      }),
      0,
      catalogue,
    )
    expect(own.find(entry => entry.quality === 'hd1080-h264')?.todayTB).toBe(0)
    expect(own.find(entry => entry.quality === 'hd1080-disc')!.todayTB).toBeCloseTo(
      ((1000 * 16 * 110 * 60) / 8 / 1e6) * 1.02,
      9,
    )
  })
  it('music and photos are compared with their own kinds of quality', () => {
    const music = qualityCosts(
      plan({
        library: {
          holdings: [{ kind: 'music', quality: 'music-lossless', titles: 500, minutes: 50 }],
        },
      }),
      0,
      catalogue,
    )
    expect(music.map(entry => entry.quality)).toEqual(['music-lossless', 'music-lossy'])
  })
  it('needs drives, and a size that follows from the quality', () => {
    expect(qualityCosts(plan({ drives: { lots: [] } }), 0, catalogue)).toEqual([])
    expect(
      qualityCosts(
        plan({ library: { holdings: [{ quality: 'given', sizeGB: 50 }] } }),
        0,
        catalogue,
      ),
    ).toEqual([])
    expect(qualityCosts(plan(), 7, catalogue)).toEqual([])
  })
})
