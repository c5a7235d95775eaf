import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { readPlan } from '../plan/readPlan'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { layoutFor } from './automaticLayout'
import { priceOfLot } from './drivePrices'
import { minKeptShare, unusedShare } from './drivesFacts'
import { likelyLost } from './survival'
import { failureRateBand, causeFactor } from './failureRate'
import { batchFactor } from './layoutRisk'
import { usualPerils } from '../plan/constants'
import { farBelow, isFarBelowOtherPerils } from './perils'
import { readErrorShares } from './readError'
import { longRebuildHours } from './driveFindings'

const assessed = (drives: PlanInput['drives'], changes: Partial<PlanInput> = {}) =>
  assess(planSchema.parse({ name: 'x', drives, ...changes }), catalogue)
const verdict = (result: ReturnType<typeof assess>, id: string) =>
  result.verdicts.find(entry => entry.id === id)!
const codes = (result: ReturnType<typeof assess>) => result.findings.map(entry => entry.code)
const four8 = { lots: [{ count: 4, sizeTB: 8 }], layout: 'rotating-1' }

describe('the range of what may be lost', () => {
  const demo = assess(planSchema.parse(tideMillHouse), catalogue).domains.drives.pool!
  it(
    'swings the failure rate to a half and to twice, and read errors to a hundredth and to ' +
      'all of the sheet',
    () => {
      expect([failureRateBand, readErrorShares]).toEqual([
        { low: 0.5, likely: 1, high: 2 },
        { low: 0.01, likely: 0.1, high: 1 },
      ])
    },
  )
  it('of a file lost in a rebuild is wide: read errors alone give 0.002 to 0.13 in the demo', () => {
    const { low, likely, high } = demo.fileLossChanceAtHorizon
    expect(likely).toBeCloseTo(0.0205, 4)
    expect(low).toBeLessThan(likely / 4)
    expect(high).toBeGreaterThan(0.13)
    // Root of the sum of squares of the two swings, read errors to 0.130 and failures to 0.0409, on
    // the scale of chances.
    const scale = (chance: number) => Math.log(-Math.log(1 - chance))
    const away = (end: number, ...swings: readonly number[]) => {
      expect(Math.abs(scale(end) - scale(likely))).toBeCloseTo(
        Math.hypot(...swings.map(swing => scale(swing) - scale(likely))),
        1,
      )
    }
    away(high, 0.13, 0.0409)
    away(low, 0.00216, 0.0103)
  })
  it('has read errors in it where one ends the rebuild, in figure and sentence', () => {
    const costs = assessed(four8)
    const ends = assessed(four8, { choices: { readErrorEndsRebuild: true } })
    const spread = ({ domains }: typeof costs) =>
      [
        domains.drives.pool!.lossChanceAtHorizon.low,
        domains.drives.pool!.lossChanceAtHorizon.high,
      ].map(end => end / domains.drives.pool!.lossChanceAtHorizon.likely)
    // Failures alone are nearly quadratic in their rate: a quarter, and four times.
    expect(spread(costs)).toEqual([expect.closeTo(0.25, 1), expect.closeTo(4, 0)])
    expect(spread(ends)[0]).toBeLessThan(0.15)
    expect(spread(ends)[1]).toBeGreaterThan(4.3)
    expect(verdict(ends, 'survival').sentence).toMatch(/in 5 years is [\d.]+ % to [\d.]+ %\.$/)
    expect(ends.figures['drives.lossChanceAtHorizon']!.inputs).toContain(
      'drives.sheetReadErrorBits',
    )
  })
})

describe('causes of failure', () => {
  const perYear = (drives: PlanInput['drives']) =>
    assessed(drives).domains.drives.pool!.lossChancePerYear.likely
  const six = { lots: [{ count: 6, sizeTB: 8 }], layout: 'separate' }
  it('heat and vibration multiply the rate by 1.5 each, for more than four spinning drives', () => {
    expect([causeFactor, batchFactor]).toEqual([1.5, 3])
    const rate = -Math.log1p(-0.015)
    expect(perYear(six)).toBeCloseTo(1 - Math.exp(-6 * rate), 12)
    expect(perYear({ ...six, above45C: true })).toBeCloseTo(1 - Math.exp(-6 * rate * 1.5), 12)
    expect(perYear({ ...six, above45C: true, unmounted: true })).toBeCloseTo(
      1 - Math.exp(-6 * rate * 2.25),
      12,
    )
    expect(
      perYear({ lots: [{ count: 4, sizeTB: 8 }], layout: 'separate', unmounted: true }),
    ).toBeCloseTo(1 - Math.exp(-4 * rate), 12)
    expect(perYear({ ...six, unmounted: true, driveClass: 'ssd' })).toBeCloseTo(1 - 0.992 ** 6, 12)
    // Hot spares shake too.
    expect(
      perYear({
        lots: [{ count: 5, sizeTB: 8 }],
        layout: 'separate',
        hotSpares: 1,
        unmounted: true,
      }),
    ).toBeCloseTo(1 - Math.exp(-4 * rate * 1.5), 12)
  })
  it('are told', () => {
    expect(codes(assessed({ ...six, above45C: true, unmounted: true, ageYears: 4 }))).toEqual(
      expect.arrayContaining(['DRIVES_HOT', 'DRIVES_SHAKEN', 'DRIVES_OLD']),
    )
    expect(codes(assessed(six))).not.toEqual(expect.arrayContaining(['DRIVES_HOT']))
    expect(
      codes(assessed({ ...six, ageYears: 0 }, { choices: { horizonYears: 4 } })),
    ).not.toContain('DRIVES_OLD')
    expect(codes(assessed({ ...six, ageYears: 0 }, { choices: { horizonYears: 5 } }))).toContain(
      'DRIVES_OLD',
    )
  })
  it('age counts in the coming year, and year by year to the horizon', () => {
    const rate = -Math.log1p(-0.015)
    expect(perYear({ ...six, ageYears: 0 })).toBeCloseTo(1 - Math.exp(-6 * rate * 1.3), 12)
    expect(perYear({ ...six, ageYears: 2 })).toBeCloseTo(perYear(six), 12)
    expect(
      assessed({ ...six, ageYears: 3 }, { choices: { horizonYears: 4 } }).domains.drives.pool!
        .lossChanceAtHorizon.likely,
    ).toBeCloseTo(1 - Math.exp(-6 * rate * (1 + 1.5 + 1.5 + 2.5)), 12)
  })
})

describe('the layout until one is chosen', () => {
  const sized = (...sizes: number[]) => sizes.map(sizeTB => ({ sizeTB }))
  it('follows the number of drives and what must survive', () => {
    expect(
      [1, 2, 3, 4, 6].map(count => layoutFor(sized(...Array<number>(count).fill(8)), 1)),
    ).toEqual(['separate', 'mirror', 'rotating-1', 'rotating-1', 'rotating-1'])
    expect([2, 3, 4, 5].map(count => layoutFor(sized(...Array<number>(count).fill(8)), 2))).toEqual(
      ['mirror', 'mirror', 'rotating-2', 'rotating-2'],
    )
    expect([4, 5].map(count => layoutFor(sized(...Array<number>(count).fill(8)), 3))).toEqual([
      'mirror',
      'rotating-3',
    ])
    expect(layoutFor(sized(8, 8, 8), 0)).toBe('separate')
  })
  it('is parity on drives of its own where sizes differ by more than a tenth', () => {
    expect(layoutFor(sized(10, 9, 9), 1)).toBe('rotating-1')
    expect(layoutFor(sized(10, 8.9, 9), 1)).toBe('dedicated-1')
    expect(layoutFor(sized(14, 8, 8, 4), 2)).toBe('dedicated-2')
    expect(layoutFor(sized(14, 8, 8, 4, 4), 3)).toBe('rotating-3')
  })
  it('gives four drives of 8 TB 24 TB, and says that nobody chose', () => {
    const { figures, domains } = assessed({ lots: [{ count: 4, sizeTB: 8 }] })
    expect(domains.drives).toMatchObject({ layoutId: 'rotating-1', isAutomatic: true })
    expect(figures['drives.usableTB']).toMatchObject({
      value: 24,
      note: expect.stringContaining('No layout is chosen'),
    })
  })
  it('never refuses, whatever must survive', () => {
    for (let survives = 0; survives <= 3; survives++) {
      for (let count = 1; count <= 8; count++) {
        for (const sizeTB of [8, 4])
          expect(
            assessed(
              {
                lots: [
                  { count, sizeTB: 8 },
                  { count: 1, sizeTB },
                ],
              },
              { choices: { survivesAtLeast: survives } },
            ).domains.drives.refusal,
            `${count} ${survives}`,
          ).toBeNull()
      }
    }
  })
  it('of an older plan stays the mirror that it was', () => {
    const read = readPlan({
      schemaVersion: 2,
      name: 'x',
      drives: { lots: [{ count: 4, sizeTB: 8 }] },
    })
    expect(read).toMatchObject({ ok: true, plan: { drives: { layout: 'mirror' } } })
  })
})

describe('space that is given away', () => {
  it('is told when less than half is left, with layouts that keep more', () => {
    expect(minKeptShare).toBe(0.5)
    const four = assessed({ lots: [{ count: 4, sizeTB: 8 }], layout: 'mirror' })
    const finding = four.findings.find(entry => entry.code === 'HALF_GIVEN_AWAY')!
    expect(finding.sentence).toContain('8 of 32 TB usable')
    expect(finding.fixes[0]!.sentence).toMatch(/RAID 5/)
    expect(codes(assessed({ lots: [{ count: 2, sizeTB: 8 }], layout: 'mirror' }))).not.toContain(
      'HALF_GIVEN_AWAY',
    )
    expect(codes(assessed(four8))).not.toContain('HALF_GIVEN_AWAY')
  })
  it('by sizes that differ is told above a twentieth', () => {
    expect(unusedShare).toBe(0.05)
    const mixed = (sizeTB: number) =>
      codes(
        assessed({
          lots: [
            { count: 3, sizeTB: 10 },
            { count: 1, sizeTB },
          ],
          layout: 'rotating-1',
        }),
      )
    // 3 · (10 − size) of 30 + size: 4 % at 9.5, 7 % at 9.
    expect([mixed(9.5), mixed(9)].map(list => list.includes('SPACE_UNUSED'))).toEqual([false, true])
  })

  it('is mended by every layout that is named: it survives as much and uses more', () => {
    const lots = [
      { count: 2, sizeTB: 18 },
      { count: 2, sizeTB: 8 },
    ]
    const poolOf = (layout: string) => assessed({ lots, layout }).domains.drives.pool!
    for (const layout of ['rotating-1', 'rotating-2', 'mirror']) {
      const before = poolOf(layout)
      expect(before.arrangement.mismatchTB).toBeGreaterThan(0.05 * 52)
      for (const id of before.wasteLess) {
        const after = poolOf(id)
        expect(after.survives, `${layout} → ${id}`).toBeGreaterThanOrEqual(before.survives)
        expect(after.arrangement.mismatchTB).toBeLessThan(before.arrangement.mismatchTB)
        expect(after.roomTB).toBeGreaterThan(before.roomTB)
      }
    }
    expect(poolOf('rotating-1').wasteLess).toContain('dedicated-1')
    const texts = (layout: string) =>
      assessed({ lots, layout }).findings.find(({ code }) => code === 'SPACE_UNUSED')!.fixes
    expect(texts('rotating-1')).toEqual([
      { sentence: expect.stringContaining('Dedicated parity, one drive') },
    ])
    expect(poolOf('span').wasteLess).toEqual([])
  })
})

describe('chances that say nothing', () => {
  it('are those a thousandth of theft, fire and water, one in 200 a year', () => {
    expect(usualPerils).toEqual({
      sectorChance: 0.01,
      deletionChance: 0.03,
      malwareChance: 0.01,
      surgeChance: 0.005,
      theftChance: 0.005,
      boardChance: 0.03,
      severalChance: 0.005,
      severalOnUsbChance: 0.02,
    })
    expect(farBelow).toBe(0.001)
    expect([
      isFarBelowOtherPerils(2.4e-5, 5, 0.005),
      isFarBelowOtherPerils(2.6e-5, 5, 0.005),
    ]).toEqual([true, false])
  })
  it('are told as such instead of as a number', () => {
    const four = assessed({ lots: [{ count: 4, sizeTB: 8 }], layout: 'mirror' })
    expect(verdict(four, 'survival').sentence).toContain(
      'far below that of theft, fire or water (about 0.5 % a year)',
    )
    expect(verdict(four, 'survival').sentence).not.toMatch(/1 in \d/)
    expect(verdict(assessed(four8), 'survival').sentence).toMatch(/is .* % to .* %\.|is 1 in/)
  })
})

describe('survival', () => {
  const state = (drives: PlanInput['drives'], survivesAtLeast = 1) =>
    verdict(assessed(drives, { choices: { survivesAtLeast } }), 'survival').state
  it('falls short, holds or is ample by what survives', () => {
    expect([
      state({ lots: [{ count: 2, sizeTB: 8 }], layout: 'stripe' }),
      state(four8),
      state({ lots: [{ count: 4, sizeTB: 8 }], layout: 'rotating-2' }),
      state({ lots: [] }),
    ]).toEqual(['short', 'enough', 'ample', 'unknown'])
  })
  it('is tight from a chance of one in twenty on', () => {
    expect(likelyLost).toBe(0.05)
    const many = (failuresPerYear: number) =>
      assessed(
        {
          lots: [{ count: 8, sizeTB: 20 }],
          layout: 'rotating-1',
          failuresPerYear,
          oneBatch: true,
          outerMBps: 100,
        },
        { choices: { survivesAtLeast: 1 } },
      )
    const chance = (result: ReturnType<typeof many>) =>
      result.domains.drives.pool!.lossChanceAtHorizon.likely
    expect([chance(many(0.04)) < 0.05, chance(many(0.08)) > 0.05]).toEqual([true, true])
    expect([verdict(many(0.04), 'survival').state, verdict(many(0.08), 'survival').state]).toEqual([
      'enough',
      'tight',
    ])
  })
  it('of a rebuild over a day without a second redundancy is warned of', () => {
    expect(longRebuildHours).toBe(24)
    const hours = (sizeTB: number) =>
      assessed(
        { lots: [{ count: 3, sizeTB }], layout: 'rotating-1', outerMBps: 200 },
        { choices: { watchingHoursPerDay: 0 } },
      )
    // 150 MB/s: 12.9 TB take 23.9 h, 13.1 TB 24.3 h.
    expect(
      [codes(hours(12.9)), codes(hours(13.1))].map(list => list.includes('LONG_REBUILD')),
    ).toEqual([false, true])
  })
})

describe('what is needed without drives', () => {
  it('is the usable space for the library at the horizon', () => {
    const { figures, verdicts } = assessed({ lots: [] }, { library: { otherTB: 10 } })
    expect(figures['drives.usableNeededTB']!.value).toBeCloseTo(10 / (0.85 * 0.98), 9)
    expect(verdicts.find(entry => entry.id === 'space')!.figures).toContain('drives.usableNeededTB')
    expect(
      assessed(
        { lots: [], fileSystem: 'copyOnWrite', changedGBPerMonth: 100, snapshotMonths: 5 },
        { library: { otherTB: 10 } },
      ).figures['drives.usableNeededTB']!.value,
    ).toBeCloseTo(10.5 / (0.8 * 0.97), 9)
  })
})

describe('prices of drives', () => {
  const demoDrives = planSchema.parse(tideMillHouse).drives
  const nas = catalogue.driveClasses[0]!
  it('are as entered, else usual; owned ones cost nothing', () => {
    expect(nas).toMatchObject({ id: 'nas', pricePerTB: 20 })
    expect(
      priceOfLot(
        { count: 3, sizeTB: 8, condition: 'new', priceEach: 150, model: 'own' },
        demoDrives,
        catalogue,
      ),
    ).toEqual({ each: 150, toPay: 450, isUsual: false })
    expect(
      priceOfLot(
        { count: 3, sizeTB: 8, condition: 'refurbished', priceEach: null, model: 'own' },
        demoDrives,
        catalogue,
      ),
    ).toEqual({ each: 165, toPay: 495, isUsual: true })
    expect(
      priceOfLot(
        { count: 3, sizeTB: 8, condition: 'owned', priceEach: null, model: 'own' },
        demoDrives,
        catalogue,
      ),
    ).toEqual({ each: 165, toPay: 0, isUsual: false })
    expect(
      priceOfLot(
        { count: 1, sizeTB: 8, model: 'own', condition: 'new', priceEach: null },
        demoDrives,
        { driveClasses: [], driveModels: [] },
      ).toPay,
    ).toBe(0)
  })
  it('without one never make money ample by themselves: the usual price stands in, and is said', () => {
    const { figures, verdicts } = assessed(
      { lots: [{ count: 4, sizeTB: 12 }] },
      { brief: { budget: 900 }, machine: { price: 100 } },
    )
    expect(figures['ownership.purchase']).toMatchObject({
      value: 4 * 228 + 100,
      note: expect.stringContaining('Usual prices are used where none is entered: 4 × 12 TB'),
    })
    expect(verdicts.find(entry => entry.id === 'money')!.state).toBe('short')
  })
})

describe('a stored plan with names that the catalogue does not know any more', () => {
  const strange = {
    name: 'x',
    drives: { lots: [{ count: 2, sizeTB: 8 }], layout: 'gone-layout', driveClass: 'gone-class' },
    library: {
      holdings: [
        { quality: 'gone-quality', titles: 5 },
        { kind: 'photos', quality: 'given', sizeGB: 10 },
      ],
    },
    machine: {
      base: 'gone-base',
      processor: 'gone',
      engine: 'gone-engine',
      parts: [{ ref: 'gone-part' }],
    },
    household: {
      viewers: [{ id: 'a' }],
      devices: [{ id: 'd', class: 'gone-device' }],
      habits: [{ viewer: 'a', device: 'd' }],
    },
  }
  it('opens, and says what it does not know', () => {
    const read = readPlan(strange)
    expect(read.ok).toBe(true)
    const result = assess(planSchema.parse(strange), catalogue)
    expect(codes(result)).toEqual(
      expect.arrayContaining([
        'UNKNOWN_QUALITY',
        'UNKNOWN_DRIVE_CLASS',
        'UNKNOWN_PART',
        'UNKNOWN_DEVICE_CLASS',
        'LAYOUT_REFUSED',
      ]),
    )
    expect(result.findings.find(entry => entry.code === 'LAYOUT_REFUSED')!.sentence).toContain(
      'no layout "gone-layout"',
    )
    expect(verdict(result, 'space').state).toBe('impossible')
  })
})

describe('a parity drive that is too small', () => {
  it('is cured by marking the larger drive', () => {
    const lots = (first: 'parity' | 'data', second: 'parity' | 'data') => ({
      lots: [
        { count: 1, sizeTB: 4, role: first },
        { count: 1, sizeTB: 8, role: second },
        { count: 1, sizeTB: 4, role: 'data' as const },
      ],
      layout: 'dedicated-1',
    })
    const refused = assessed(lots('parity', 'data'), {}).findings.find(
      ({ code }) => code === 'LAYOUT_REFUSED',
    )!
    expect(refused.fixes.map(({ sentence }) => sentence)).toEqual([
      'Mark the larger drive as parity, or choose another layout.',
    ])
    expect(assessed(lots('data', 'parity'), {}).domains.drives.pool).not.toBeNull()
  })
})

describe('what a stranger may enter', () => {
  const told = (drives: PlanInput['drives']) => assessed(drives, { library: { otherTB: 1 } })
  const wrong = (drives: object) => {
    const read = readPlan({ name: 'x', drives })
    return read.ok ? [] : read.issues.map(({ path, message }) => `${path}: ${message}`)
  }
  it('no drives, one in a mirror, and parity as many as drives are said, and give no number', () => {
    for (const [drives, text] of [
      [{ lots: [] }, 'Add drives to see this.'],
      [{ lots: [{ count: 1, sizeTB: 8 }], layout: 'mirror' }, 'takes at least 2 drives'],
      [{ lots: [{ count: 3, sizeTB: 8 }], layout: 'rotating-2' }, 'takes at least 4 drives'],
    ] as const) {
      const result = told(drives as never)
      expect(verdict(result, 'space').sentence).toContain(text)
      expect(result.figures['drives.usableTB']!.value).toBeNull()
    }
  })
  it('an odd drive in pairs is named with its fix', () => {
    expect(
      told({ lots: [{ count: 5, sizeTB: 8 }], layout: 'pairs' }).findings.find(
        ({ code }) => code === 'DRIVE_LEFT_OUT',
      ),
    ).toMatchObject({ sentence: expect.stringContaining('One drive does nothing') as string })
    expect(codes(told({ lots: [{ count: 4, sizeTB: 8 }], layout: 'pairs' }))).not.toContain(
      'DRIVE_LEFT_OUT',
    )
    // Where sizes differ, that is the reason.
    expect(
      codes(
        told({
          lots: [
            { count: 3, sizeTB: 8 },
            { count: 1, sizeTB: 4 },
          ],
          layout: 'rotating-1',
        }),
      ),
    ).toContain('SPACE_UNUSED')
  })
  it('parity smaller than data is refused with both sizes', () => {
    expect(
      verdict(
        told({
          lots: [
            { count: 1, sizeTB: 4, role: 'parity' },
            { count: 2, sizeTB: 8, role: 'data' },
          ],
          layout: 'dedicated-1',
        }),
        'space',
      ).sentence,
    ).toMatch(/parity drive of 4\s?TB is smaller than the data drive of 8\s?TB/)
  })
  it('sizes of 0 and 1000 TB, 500 drives and 13 groups are refused at their field', () => {
    expect(wrong({ lots: [{ sizeTB: 0 }] })[0]).toMatch(
      /^drives\.lots\.0\.sizeTB: Size must be a number from 0\.05 to 200 TB/,
    )
    expect(wrong({ lots: [{ sizeTB: 1000 }] })[0]).toContain('200')
    expect(wrong({ lots: [{ count: 500 }] })[0]).toContain('60')
    expect(wrong({ lots: Array.from({ length: 10 }, () => ({ count: 50 })) })[0]).toContain(
      'at most 60 drives',
    )
    expect(wrong({ lots: [{ group: 13 }] })[0]).toContain('12')
    expect(wrong({ purchases: [{ month: 181 }] })[0]).toContain('180')
    const many = (count: number) => Array.from({ length: count }, () => ({}))
    expect([
      wrong({ purchases: many(30) }),
      wrong({ arrivals: many(30) }),
      wrong({ coverages: many(35) }),
    ]).toEqual([[], [], []])
    expect(wrong({ purchases: many(31) })[0]).toContain('at most 30')
    expect(wrong({ arrivals: many(31) })[0]).toContain('at most 30')
    expect(wrong({ coverages: many(36) })[0]).toContain('at most 35')
  })
})

describe('planned purchases', () => {
  const grows = { library: { otherTB: 6, otherGrowthGBPerMonth: 500 } }
  const drives = { lots: [{ count: 1, sizeTB: 10 }], layout: 'separate' }
  it('count for the verdict and for the month that is full, which both say', () => {
    const without = assessed(drives, grows)
    const planned = assessed({ ...drives, purchases: [{ month: 4, count: 3, sizeTB: 20 }] }, grows)
    // 10 TB give 8.33 TB of room: 6 TB and 0.5 a month are more in month 5.
    expect(without.figures['drives.monthFull']!.value).toBe(5)
    expect(verdict(planned, 'space').state).not.toBe('short')
    expect(verdict(planned, 'space').possible!.likely).toBeCloseTo(70 * 0.98 * 0.85, 9)
    expect(verdict(planned, 'space').sentence).toContain(
      'This counts the purchases planned under Growing.',
    )
    expect(planned.figures['drives.roomTB']!.value).toBeCloseTo(
      without.figures['drives.roomTB']!.value!,
      12,
    )
  })
  it('that come too late leave a month without room', () => {
    const late = assessed({ ...drives, purchases: [{ month: 9, count: 3, sizeTB: 20 }] }, grows)
    expect(late.figures['drives.monthFull']!.value).toBe(5)
    expect(verdict(late, 'space').state).toBe('short')
  })
})
