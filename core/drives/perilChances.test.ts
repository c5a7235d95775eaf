import { describe, expect, it } from 'vitest'
import type { Held } from './copies'
import { perilChances, type PerilQuestion } from './perilChances'
import { measureIds, perilTable, sectorRepairs, takesOver } from '../catalogue/perilTable'

const nothing: Held = { irreplaceable: false, replaceable: false }
const irreplaceable: Held = { irreplaceable: true, replaceable: false }
const everything: Held = { irreplaceable: true, replaceable: true }
const bare: PerilQuestion = {
  drivesLoss: 0.001,
  anyDriveFails: 0.06,
  drives: 4,
  runsOn: true,
  hasRedundancy: true,
  checksummed: false,
  perYear: {
    sectorOfDrive: 0.01,
    deletion: 0.03,
    malware: 0.01,
    surge: 0.005,
    theft: 0.005,
    board: 0.03,
    several: 0.005,
  },
  snapshots: false,
  ups: false,
  outageHoursPerYear: 0,
  copies: { secondBox: nothing, offlineCopy: nothing, awayCopy: nothing },
  withVersions: true,
  secondBoxTakesOver: false,
  coverages: [],
}
const of = (change: Partial<PerilQuestion> = {}) => perilChances({ ...bare, ...change })
const peril = (change: Partial<PerilQuestion>, id: string) =>
  of(change).perils.find(entry => entry.id === id)!
const not = (chances: readonly number[]) =>
  1 - chances.reduce((rest, chance) => rest * (1 - chance), 1)

describe('the chance of losing data in a year', () => {
  it('is that of all perils together', () => {
    const sector = (1 - 0.99 ** 4) * 0.5
    expect(of().irreplaceable).toBeCloseTo(
      not([0.001, sector, 0.03, 0.01, 0.0025, 0.005, 0.0006, 0.0015]),
      12,
    )
    expect(of().replaceable).toBeCloseTo(of().irreplaceable, 12)
  })
  it('with a copy away falls to what the copy does not cover', () => {
    const copies = { ...bare.copies, awayCopy: irreplaceable } as const
    const sector = (1 - 0.99 ** 4) * 0.5
    expect(of({ copies }).irreplaceable).toBeCloseTo(
      not([
        0.001 * 0.02,
        sector * 0.05,
        0.03 * 0.05,
        0.01 * 0.1,
        0.0025 * 0.01,
        0.005 * 0.01,
        0.0006,
        0.0015 * 0.02,
      ]),
      12,
    )
    expect(of({ copies }).replaceable).toBeCloseTo(of().replaceable, 12)
    expect(of({ copies: { ...copies, awayCopy: everything } }).replaceable).toBeCloseTo(
      of({ copies }).irreplaceable,
      12,
    )
  })
  it('counts each measure by its own, and all of them together', () => {
    const all = {
      snapshots: true,
      ups: true,
      copies: { secondBox: everything, offlineCopy: everything, awayCopy: everything },
    } as const
    for (const { id, hit, covers } of perilTable) {
      const found = peril(all, id)
      expect(found.irreplaceable).toBeCloseTo(
        measureIds.reduce((rest, measure) => rest * (1 - covers[measure]), found.reaches),
        12,
      )
      expect(found.reaches).toBeCloseTo(
        id === 'sector' ? found.happens * 0.5 : found.happens * hit,
        12,
      )
    }
  })
  it('takes the coverages that were entered before those of the table', () => {
    const copies = { ...bare.copies, awayCopy: everything } as const
    const coverages = [
      { peril: 'theft', measure: 'awayCopy', share: 0.2 },
      { peril: 'theft', measure: 'awayCopy', share: 0.5 },
      { peril: 'surge', measure: 'ups', share: 1 },
    ] as const
    expect(peril({ copies, coverages }, 'theft').irreplaceable).toBeCloseTo(0.005 * 0.5, 12)
    expect(peril({ copies, coverages }, 'malware').irreplaceable).toBeCloseTo(
      peril({ copies }, 'malware').irreplaceable,
      12,
    )
    expect(peril({ ups: true, coverages }, 'surge').dayOut).toBe(0)
  })
  it('never rises by a measure', () => {
    const changes: Partial<PerilQuestion>[] = [
      { snapshots: true },
      { ups: true },
      { checksummed: true },
      ...(['secondBox', 'offlineCopy', 'awayCopy'] as const).map(copy => ({
        copies: { ...bare.copies, [copy]: everything },
      })),
    ]
    for (const change of changes) expect(of(change).irreplaceable).toBeLessThan(of().irreplaceable)
  })
  it('is no lower for deletion and malware by a copy without versions', () => {
    const copies = { ...bare.copies, awayCopy: everything } as const
    expect(peril({ copies, withVersions: false }, 'deletion').irreplaceable).toBe(0.03)
    expect(peril({ copies, withVersions: false }, 'malware').irreplaceable).toBe(0.01)
    expect(peril({ copies, withVersions: false }, 'theft').irreplaceable).toBeCloseTo(0.00005, 12)
  })
  it('by unreadable sectors follows drives, redundancy and checksums', () => {
    expect(peril({ checksummed: true }, 'sector').reaches).toBeCloseTo((1 - 0.99 ** 4) * 0.02, 12)
    expect(peril({ hasRedundancy: false }, 'sector').reaches).toBeCloseTo(1 - 0.99 ** 4, 12)
    expect(peril({ drives: 0 }, 'sector').happens).toBe(0)
  })
})

describe('several drives at once', () => {
  it('take two or more, on what they hang on', () => {
    expect(peril({}, 'several').reaches).toBeCloseTo(0.0015, 12)
    expect(peril({ drives: 1 }, 'several').happens).toBe(0)
    expect(peril({ drives: 2 }, 'several').happens).toBe(0.005)
    expect(peril({ ups: true }, 'several').irreplaceable).toBeCloseTo(0.0015 * 0.8, 12)
  })
})

describe('the chance of more than a day without service', () => {
  it('leaves out drives where the layout runs on', () => {
    expect(of().dayOut).toBeCloseTo(not([0.01, 0.0025, 0.005, 0.03, 0.005]), 12)
    expect(of({ runsOn: false }).dayOut).toBeCloseTo(
      not([0.06, 0.01, 0.0025, 0.005, 0.03, 0.005]),
      12,
    )
    expect(peril({ ups: true }, 'surge').dayOut).toBeCloseTo(0.0025 * 0.2, 12)
  })
  it('is lower with a second machine that takes over, and only then', () => {
    const copies = { ...bare.copies, secondBox: everything } as const
    expect(of({ copies }).dayOut).toBe(of().dayOut)
    expect(of({ copies, secondBoxTakesOver: true }).dayOut).toBeCloseTo(
      not([0.01 * 0.7, 0.0025 * 0.5, 0.005 * 0.9, 0.03 * 0.05, 0.005 * 0.1]),
      12,
    )
    expect(of({ secondBoxTakesOver: true }).dayOut).toBe(of().dayOut)
  })
})

it('keeps the planning values', () => {
  expect(
    perilTable.map(({ id, hit, service, covers }) => [
      id,
      hit,
      service,
      ...measureIds.map(measure => covers[measure]),
    ]),
  ).toEqual([
    ['drives', 1, 1, 0, 0, 0.95, 0.95, 0.98],
    ['sector', 1, 0, 0, 0, 0.9, 0.9, 0.95],
    ['deletion', 1, 0, 0.95, 0, 0.6, 0.9, 0.95],
    ['malware', 1, 1, 0.7, 0, 0.3, 0.95, 0.9],
    ['surge', 0.5, 0.5, 0, 0.8, 0.5, 0.95, 0.99],
    ['theft', 1, 1, 0, 0, 0.1, 0.3, 0.99],
    ['board', 0.02, 1, 0, 0, 0, 0, 0],
    ['several', 0.3, 1, 0, 0.2, 0.9, 0.95, 0.98],
  ])
  expect([sectorRepairs, takesOver]).toEqual([{ checksummed: 0.98, plain: 0.5 }, 0.95])
})
