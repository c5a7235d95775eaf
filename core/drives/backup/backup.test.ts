import { describe, expect, it } from 'vitest'
import { assess } from '../../assess'
import { catalogue } from '../../catalogue/catalogue'
import { tideMillHouse } from '../../catalogue/tideMillHouse'
import { planSchema, type PlanInput } from '../../plan/planSchema'
import { plainFormat } from '../../units/format'
import { copiesOf } from '../copies'
import { gbPerMbpsHour } from '../../units/dataSize'
import { daysPerMonth } from '../../units/time'
import { backupPlan, externalMBps, fetchHours, mediumFill, mediumYears } from './backupPlan'
import { isCopied, backupHoldings } from './backupHoldings'
import { keepsUp } from './lineCopy'
import { backupFigures, backupSentence } from './tellBackup'

const planned = (changes: Partial<PlanInput>) => planSchema.parse({ name: 'x', ...changes })
const asked = (changes: Partial<PlanInput>, linkMBps = 100) =>
  backupPlan({ plan: planned(changes), qualities: catalogue, linkMBps })
/** 2.4 TB of pictures, of which 30 GB change in a week. */
const pictures = {
  kind: 'photos' as const,
  name: 'Photographs',
  quality: 'given',
  sizeGB: 2400,
  addedGBPerMonth: (30 * daysPerMonth) / 7,
}

const films = { kind: 'film' as const, name: 'Films', quality: 'given', sizeGB: 6000 }

describe('the size of a copy', () => {
  it(
    'is the size and what its older versions changed: 2.4 TB, 30 GB a week, 12 weeks are ' +
      '2.76 TB',
    () => {
      const { places } = asked({
        library: { holdings: [pictures] },
        drives: { offlineCopy: 'everything', offlineEveryDays: 7, offlineKept: 12 },
      })
      expect(places[0]!.rows[0]!.copyTB).toBeCloseTo(2.76, 9)
      expect(
        asked({
          library: { holdings: [pictures] },
          drives: { offlineCopy: 'everything', copiesWithVersions: false },
        }).places[0]!.copyTB,
      ).toBeCloseTo(2.4, 9)
    },
  )
  it('counts what is deleted, what grows by itself, and what is overwritten by size', () => {
    const [one, two] = backupHoldings(
      planned({
        library: {
          holdings: [
            { ...films, titles: 600, removedPerMonth: daysPerMonth / 10 },
            { ...films, sizeGB: 2000, growthPerYear: 0.365_25 },
          ],
        },
        drives: { changedGBPerMonth: 10 * daysPerMonth },
      }),
      catalogue,
    )
    // A tenth of a title of 10 GB a day is 1 GB a day; 8 TB share 10 GB a day of
    // overwriting by three to one.
    expect(one!.changedTBPerDay).toBeCloseTo(0.001 + 0.0075, 6)
    expect(two!.changedTBPerDay).toBeCloseTo(0.002 + 0.0025, 6)
  })
  it('fills drives to nine tenths, times the sets', () => {
    expect([mediumFill, mediumYears]).toEqual([0.9, 5])
    const { places } = asked({
      library: { holdings: [pictures] },
      drives: { offlineCopy: 'everything', offlineMediumTB: 3, offlineSets: 3, copyPricePerTB: 20 },
    })
    // 2.76 TB are more than 2.7.
    expect(places[0]!.media).toBe(2 * 3)
    expect(places[0]!.pricePerYear.media).toBeCloseTo((6 * 3 * 20) / 5, 9)
    expect(
      asked({
        library: { holdings: [{ ...pictures, addedGBPerMonth: 0, sizeGB: 2700 }] },
        drives: { offlineCopy: 'everything', offlineMediumTB: 3 },
      }).places[0]!.media,
    ).toBe(1)
  })
})

describe('a copy', () => {
  const both = { library: { holdings: [pictures, films] } }
  it('holds what it is set to, and what a holding says of itself', () => {
    const names = (
      drives: PlanInput['drives'],
      copies: 'asSet' | 'everywhere' | 'nowhere' = 'asSet',
    ) =>
      asked({ library: { holdings: [pictures, { ...films, copies }] }, drives }).places.map(place =>
        place.rows.map(row => row.holding.name),
      )
    expect(names({ awayCopy: 'irreplaceable' })).toEqual([['Photographs']])
    expect(names({ awayCopy: 'irreplaceable' }, 'everywhere')).toEqual([['Photographs', 'Films']])
    expect(names({ awayCopy: 'everything', secondBox: 'everything' }, 'nowhere')).toEqual([
      ['Photographs'],
      ['Photographs'],
    ])
    expect(names({}, 'everywhere')).toEqual([])
    expect(isCopied({ irreplaceable: true, copies: 'asSet' }, 'nothing')).toBe(false)
  })
  it('on a drive takes the hours of the drive, and is as old as its interval times its sets', () => {
    expect(externalMBps).toBe(135)
    const [row] = asked({
      ...both,
      drives: { awayCopy: 'irreplaceable', awayBy: 'carried', awayEveryDays: 30, awaySets: 2 },
    }).places[0]!.rows
    expect(row!.fullHours).toBeCloseTo(2.4e6 / 135 / 3600, 9)
    expect(row!.ageDays).toBe(60)
    // Two sets in the house: the one that was made last is at hand.
    const here = asked({
      ...both,
      drives: { offlineCopy: 'irreplaceable', offlineEveryDays: 7, offlineSets: 2 },
    })
    expect(here.places[0]!.rows[0]!.ageDays).toBe(7)
    const age = backupFigures(here, planned({ ...both }).drives, plainFormat).find(
      ({ id }) => id === 'backup.offlineCopy.0.ageDays',
    )!
    expect(age.value).toBe(7)
    expect(row!.backHours).toBeCloseTo(24 + 2.4e6 / 135 / 3600, 9)
    expect(fetchHours).toEqual({ secondBox: 0, offlineCopy: 1, carried: 24, line: 24, store: 0 })
  })
  it('on a second machine goes over the home network and costs its electricity', () => {
    const [place] = asked(
      { ...both, drives: { secondBox: 'everything', secondBoxW: 20 }, costs: { pricePerKWh: 0.4 } },
      117,
    ).places
    expect(place!.rows[1]!.fullHours).toBeCloseTo(6e6 / 117 / 3600, 9)
    expect(place!.pricePerYear).toEqual({ media: 0, store: 0, electricity: 20 * 8.766 * 0.4 })
  })
})

describe('a copy over the internet line', () => {
  const over = (gbPerDay: number, uploadMbps = 25, awayBy: 'line' | 'store' = 'store') =>
    asked({
      library: {
        holdings: [{ ...pictures, sizeGB: 3000, addedGBPerMonth: gbPerDay * daysPerMonth }],
      },
      network: { uploadMbps, downloadMbps: 80 },
      drives: {
        awayCopy: 'everything',
        awayBy,
        awayUploadShare: 0.6,
        awayNightHours: 7,
        awayKept: 0,
        storePricePerTBMonth: 6,
      },
    }).places[0]!
  it(
    'gets 47 GB through in a night of 7 h at 60 % of 25 Mb/s: 3 TB need 64 nights, or 72 ' +
      'when 5 GB change a day',
    () => {
      expect(gbPerMbpsHour).toBe(0.45)
      expect(over(0).line!.perNightGB).toBeCloseTo(47.25, 9)
      expect(over(0).line!.nights).toBe(64)
      expect(over(5).line!.nights).toBe(72)
    },
  )
  it('never is whole where more changes than gets through, or nothing does', () => {
    expect(over(50).line!.nights).toBeNull()
    expect(
      [null, { nights: 0 }, { nights: 90 }, { nights: 91 }, { nights: null }].map(keepsUp),
    ).toEqual([true, true, true, false, false])
    const none = over(0, 0)
    expect([none.line!.nights, none.rows[0]!.fullHours]).toEqual([null, Infinity])
    const figures = backupFigures({ holdings: [], places: [none] }, planned({}).drives, plainFormat)
    expect(
      figures.every(({ value, low, high }) =>
        [value, low, high].every(one => one === null || Number.isFinite(one)),
      ),
    ).toBe(true)
    expect(figures.find(({ id }) => id === 'backup.awayCopy.nights')!.value).toBeNull()
  })
  it(
    'in a store is paid by the month and read back over the line; a machine elsewhere is ' +
      'fetched',
    () => {
      expect(over(0).pricePerYear.store).toBeCloseTo(3 * 6 * 12, 9)
      expect(over(0).rows[0]!.backHours).toBeCloseTo(3e6 / 10 / 3600, 9)
      expect(over(0, 25, 'line').pricePerYear.store).toBe(0)
      expect(over(0, 25, 'line').rows[0]!.backHours).toBeCloseTo(24 + 3e6 / 135 / 3600, 9)
    },
  )
})

describe('what is told of the copies', () => {
  const told = (drives: PlanInput['drives'], holdings = [pictures, films] as object[]) =>
    backupSentence(asked({ library: { holdings } as never, drives }), plainFormat)
  it('names what is irreplaceable and has none, then what has none away', () => {
    expect(told({})).toBe('There is no copy of Photographs: 2.4\u00A0TB are irreplaceable.')
    expect(told({ offlineCopy: 'irreplaceable' })).toContain('none of it away from home')
    expect(told({ awayCopy: 'irreplaceable' })).toBe(
      'Everything irreplaceable has a copy away from home.',
    )
    // 20 Mb/s take weeks for it; what never gets done over the line is no copy.
    const line = { awayCopy: 'everything', awayBy: 'line', awayUploadShare: 0.01 } as const
    expect(told(line)).toContain('There is no copy of Photographs')
    expect(told({ ...line, offlineCopy: 'irreplaceable' })).toContain('none of it away from home')
    expect(told({}, [films])).toBe('Nothing that is kept is irreplaceable, and nothing is copied.')
    expect(told({}, [])).toContain('Nothing is kept yet')
    expect(told({ awayCopy: 'everything' }, [{ ...pictures, copies: 'nowhere' }])).toContain(
      'There is no copy of',
    )
  })
  it('shows every figure with its working, down to fields that are there', () => {
    const plan = planned({
      ...tideMillHouse,
      drives: {
        ...tideMillHouse.drives,
        secondBox: 'everything',
        offlineCopy: 'irreplaceable',
        awayCopy: 'irreplaceable',
        awayBy: 'line',
      },
    } as PlanInput)
    const figures = backupFigures(
      backupPlan({ plan, qualities: catalogue, linkMBps: 100 }),
      plan.drives,
      plainFormat,
    )
    const known = new Set([
      ...figures.map(({ id }) => id),
      ...Object.keys(assess(plan, catalogue).figures),
    ])
    for (const { id, formula, inputs } of figures) {
      expect(formula.length, id).toBeGreaterThan(3)
      for (const input of inputs) {
        const isField =
          input
            .split('.')
            .reduce<unknown>(
              (at, key) =>
                at && typeof at === 'object' ? (at as Record<string, unknown>)[key] : undefined,
              plan,
            ) !== undefined
        expect(isField || known.has(input), `${id} from ${input}`).toBe(true)
      }
    }
  })
})

describe('marks of single holdings', () => {
  const marks = {
    irreplaceableNowhere: false,
    replaceableNowhere: false,
    replaceableEverywhere: false,
  }
  const drives = {
    secondBox: 'everything',
    offlineCopy: 'irreplaceable',
    awayCopy: 'nothing',
  } as const
  it('change what a copy holds whole, of what can be replaced and of what cannot', () => {
    const of = (change: Partial<typeof marks> = {}, lineKeepsUp = true) =>
      copiesOf({
        drives: { ...planned({}).drives, ...drives },
        copyMarks: { ...marks, ...change },
        lineKeepsUp,
      })
    const all = { irreplaceable: true, replaceable: true }
    const own = { irreplaceable: true, replaceable: false }
    const none = { irreplaceable: false, replaceable: false }
    expect(of()).toEqual({ secondBox: all, offlineCopy: own, awayCopy: none })
    expect(of({ irreplaceableNowhere: true })).toEqual({
      secondBox: { irreplaceable: false, replaceable: true },
      offlineCopy: none,
      awayCopy: none,
    })
    expect(of({ replaceableNowhere: true }).secondBox).toEqual(own)
    expect(of({ replaceableEverywhere: true }).offlineCopy).toEqual(all)
    expect(of({}, false)).toEqual(of())
  })
  it('of one document to no copy leave the films what they are', () => {
    const loss = (copies: 'asSet' | 'nowhere') =>
      assess(
        planned({
          library: {
            holdings: [films, { kind: 'documents', quality: 'given', sizeGB: 1, copies }],
          },
          drives: { lots: [{ count: 2, sizeTB: 8 }], awayCopy: 'everything' },
        }),
        catalogue,
      ).figures
    expect(loss('nowhere')['drives.replaceableLossChancePerYear']!.value).toBe(
      loss('asSet')['drives.replaceableLossChancePerYear']!.value,
    )
    expect(loss('nowhere')['drives.irreplaceableLossChancePerYear']!.value).toBeGreaterThan(
      5 * loss('asSet')['drives.irreplaceableLossChancePerYear']!.value!,
    )
  })
  it('reach the chance to lose what is irreplaceable', () => {
    const loss = (copies: 'asSet' | 'nowhere') =>
      assess(
        planned({
          library: { holdings: [{ ...pictures, copies }] },
          drives: { lots: [{ count: 2, sizeTB: 8 }], awayCopy: 'irreplaceable' },
        }),
        catalogue,
      )
    expect(loss('nowhere').figures['drives.irreplaceableLossChancePerYear']!.value).toBeGreaterThan(
      5 * loss('asSet').figures['drives.irreplaceableLossChancePerYear']!.value!,
    )
    expect(loss('nowhere').findings.map(({ code }) => code)).toContain('IRREPLACEABLE')
  })
})
