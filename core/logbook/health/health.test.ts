import { describe, expect, it } from 'vitest'
import { driveValuesSchema, type DriveReport, type DriveSelfTest } from '../driveValues'
import { grownBy, growthDays, reportBefore } from './growth'
import { claimDays, orderOfReplacement } from './replacement'
import { failsMoreOften } from '../../plan/constants'
import { driveHealth, failureFactor, type DriveVerdict } from './verdict'

const longTestEveryHours = 720
const report = (parts: Partial<DriveReport> = {}): DriveReport => ({
  ...driveValuesSchema.parse({ serial: 'A1', turns: true, passed: true, hours: 9000 }),
  day: '2026-11-24',
  ...parts,
})
const judge = (
  now: Partial<DriveReport>,
  before: Partial<DriveReport> | null = null,
  hasRedundancy = true,
) =>
  driveHealth([...(before ? [report({ day: '2026-10-01', ...before })] : []), report(now)], {
    hasRedundancy,
    longTestEveryHours,
  })
const longTest = (end: DriveSelfTest['end'], atHours = 8900): DriveSelfTest => ({
  length: 'long',
  end,
  atHours,
})

describe('the worked verdicts', () => {
  type Case = readonly [
    says: string,
    verdict: DriveVerdict,
    now: Partial<DriveReport>,
    before?: Partial<DriveReport> | null,
    hasRedundancy?: boolean,
  ]
  const cases: readonly Case[] = [
    ['a clean drive of 9 000 h', 'keep', {}],
    ['its own verdict failing, 12 reallocated', 'replace', { passed: false, reallocated: 12 }],
    [
      'a long test that failed, 2 pending',
      'replace',
      { selfTests: [longTest('failed')], pending: 2 },
    ],
    ['2 pending, none before', 'watch', { pending: 2 }, { pending: 0 }],
    ['2 pending without redundancy', 'replace', { pending: 2 }, { pending: 0 }, false],
    ['2 pending, then 5', 'replace', { pending: 5 }, { pending: 2 }],
    ['8 pending, then 2', 'watch', { pending: 2 }, { pending: 8 }],
    ['8 reallocated that stand', 'watch', { reallocated: 8 }, { reallocated: 8 }],
    ['8 reallocated, 2 before', 'replace', { reallocated: 8 }, { reallocated: 2 }],
    ['64 reallocated that stand', 'replace', { reallocated: 64 }, { reallocated: 64 }],
    ['1 reported uncorrectable', 'watch', { uncorrectable: 1 }],
    ['CRC from 3 to 41', 'keep', { crc: 41 }, { crc: 3 }],
    ['12 CRC that stand', 'keep', { crc: 12 }, { crc: 12 }],
    ['46 000 h', 'watch', { hours: 46_000 }],
    ['52 °C', 'watch', { temperatureC: 52 }],
    ['an NVMe 83 % used', 'watch', { turns: false, wearPercent: 83 }],
    ['an NVMe 104 % used', 'replace', { turns: false, wearPercent: 104 }],
    ['spare 8 of threshold 10', 'replace', { turns: false, sparePercent: 8, spareThreshold: 10 }],
    [
      '1 new media error',
      'watch',
      { turns: false, mediaErrors: 1 },
      { turns: false, mediaErrors: 0 },
    ],
    ['critical warning 9', 'replace', { turns: false, criticalWarning: 9 }],
  ]
  for (const [says, verdict, now, before = null, hasRedundancy = true] of cases)
    it(`${says}: ${verdict}`, () => {
      expect(judge(now, before, hasRedundancy).verdict).toBe(verdict)
    })
})

describe('each limit', () => {
  type Edge = readonly [
    says: string,
    inside: Partial<DriveReport>,
    verdictInside: DriveVerdict,
    beyond: Partial<DriveReport>,
    verdictBeyond: DriveVerdict,
    before?: Partial<DriveReport>,
  ]
  const edges: readonly Edge[] = [
    ['pending from 1 on', { pending: 0 }, 'keep', { pending: 1 }, 'watch'],
    ['pending from 10 on', { pending: 9 }, 'watch', { pending: 10 }, 'replace'],
    ['pending that grows', { pending: 3 }, 'watch', { pending: 4 }, 'replace', { pending: 3 }],
    ['offline from 1 on', { offline: 0 }, 'keep', { offline: 1 }, 'watch'],
    ['offline from 10 on', { offline: 9 }, 'watch', { offline: 10 }, 'replace'],
    ['offline that grows', { offline: 3 }, 'watch', { offline: 4 }, 'replace', { offline: 3 }],
    ['reallocated from 1 on', { reallocated: 0 }, 'keep', { reallocated: 1 }, 'watch'],
    ['reallocated from 50 on', { reallocated: 49 }, 'watch', { reallocated: 50 }, 'replace'],
    [
      'reallocated + 5',
      { reallocated: 14 },
      'watch',
      { reallocated: 15 },
      'replace',
      { reallocated: 10 },
    ],
    ['uncorrectable from 1 on', { uncorrectable: 0 }, 'keep', { uncorrectable: 1 }, 'watch'],
    ['uncorrectable from 10 on', { uncorrectable: 9 }, 'watch', { uncorrectable: 10 }, 'replace'],
    [
      'uncorrectable + 2',
      { uncorrectable: 4 },
      'watch',
      { uncorrectable: 5 },
      'replace',
      { uncorrectable: 3 },
    ],
    ['end to end', { endToEnd: 0 }, 'keep', { endToEnd: 1 }, 'replace'],
    ['spin retries', { spinRetries: 0 }, 'keep', { spinRetries: 1 }, 'watch'],
    [
      'spin retries that grow',
      { spinRetries: 2 },
      'watch',
      { spinRetries: 3 },
      'replace',
      { spinRetries: 2 },
    ],
    ['media errors from 1 on', { mediaErrors: 0 }, 'keep', { mediaErrors: 1 }, 'watch'],
    ['media errors from 10 on', { mediaErrors: 9 }, 'watch', { mediaErrors: 10 }, 'replace'],
    [
      'media errors + 2',
      { mediaErrors: 4 },
      'watch',
      { mediaErrors: 5 },
      'replace',
      { mediaErrors: 3 },
    ],
    [
      'spare near its threshold',
      { sparePercent: 20, spareThreshold: 10 },
      'keep',
      { sparePercent: 19, spareThreshold: 10 },
      'watch',
    ],
    [
      'spare at its threshold',
      { sparePercent: 10, spareThreshold: 10 },
      'watch',
      { sparePercent: 9, spareThreshold: 10 },
      'replace',
    ],
    [
      'spare always from 90 on',
      { sparePercent: 90, spareThreshold: 95 },
      'replace',
      { sparePercent: 89, spareThreshold: 10 },
      'keep',
    ],
    ['wear from 80 % on', { wearPercent: 79 }, 'keep', { wearPercent: 80 }, 'watch'],
    ['wear from 100 % on', { wearPercent: 99 }, 'watch', { wearPercent: 100 }, 'replace'],
    ['warmth from 50 °C on', { temperatureC: 49 }, 'keep', { temperatureC: 50 }, 'watch'],
    [
      'warmth of an SSD from 70 °C on',
      { turns: false, temperatureC: 69 },
      'keep',
      { turns: false, temperatureC: 70 },
      'watch',
    ],
    ['the fifth year', { hours: 35_063 }, 'keep', { hours: 35_064 }, 'watch'],
    [
      'load cycles from 300 000 on',
      { loadCycles: 299_999 },
      'keep',
      { loadCycles: 300_000 },
      'watch',
    ],
    [
      'a self-test that is old',
      { selfTests: [longTest('passed', 7560)] },
      'keep',
      { selfTests: [longTest('passed', 7559)] },
      'watch',
    ],
    ['an attribute once at its threshold', {}, 'keep', { wasAtThreshold: [5] }, 'watch'],
    [
      'an attribute at its threshold',
      { wasAtThreshold: [5] },
      'watch',
      { atThreshold: [5] },
      'replace',
    ],
  ]
  for (const [says, inside, verdictInside, beyond, verdictBeyond, before = null] of edges)
    it(says, () => {
      expect([judge(inside, before).verdict, judge(beyond, before).verdict]).toEqual([
        verdictInside,
        verdictBeyond,
      ])
    })
  it.each([
    ['hot', 1, 'watch'],
    ['degraded', 2, 'replace'],
    ['read-only', 3, 'replace'],
    ['the backup of its cache', 4, 'watch'],
    ['spare', 0, 'replace'],
    ['nothing that is named', 5, 'keep'],
  ] as const)('the bit for %s', (_, bit, verdict) => {
    expect(judge({ turns: false, criticalWarning: 1 << bit }).verdict).toBe(verdict)
  })
  it('of the lead: CRC + 1, timeouts + 10', () => {
    expect(judge({ crc: 3 }, { crc: 3 }).changeLead).toBe(false)
    expect(judge({ crc: 4 }, { crc: 3 }).changeLead).toBe(true)
    expect(judge({ timeouts: 12 }, { timeouts: 3 }).changeLead).toBe(false)
    expect(judge({ timeouts: 13 }, { timeouts: 3 }).changeLead).toBe(true)
  })
  it('of heat: at its limit it is cooled today', () => {
    expect(judge({ temperatureC: 59 }).tooHot).toBe(false)
    expect(judge({ temperatureC: 60 }).tooHot).toBe(true)
    expect(judge({ temperatureC: 55, limitC: 55 }).tooHot).toBe(true)
    expect(judge({ turns: false, temperatureC: 79 }).tooHot).toBe(false)
    expect(judge({ turns: false, temperatureC: 80 }).tooHot).toBe(true)
  })
  it('is told again in the seventh year, by the hours', () => {
    expect(judge({ hours: 52_596 }).reasons[0]).toMatchObject({ id: 'hours', value: 52_596 })
  })
})

describe('self-tests', () => {
  it('that were interrupted or run do not count', () => {
    const selfTests = [longTest('running'), longTest('interrupted'), longTest('passed')]
    expect(judge({ selfTests }).verdict).toBe('keep')
    expect(judge({ selfTests: [longTest('interrupted')] }).verdict).toBe('keep')
  })
  it('count by the last long one, and by a later short one that failed', () => {
    const short = (end: DriveSelfTest['end']) => ({ length: 'short', end, atHours: 8950 }) as const
    expect(judge({ selfTests: [short('failed'), longTest('passed')] }).verdict).toBe('replace')
    expect(judge({ selfTests: [longTest('passed'), short('failed')] }).verdict).toBe('keep')
    expect(judge({ selfTests: [short('passed'), longTest('failed')] }).verdict).toBe('replace')
    expect(judge({ selfTests: [longTest('passed'), longTest('failed', 100)] }).verdict).toBe('keep')
  })
  it('whose hours are not known are not judged by their age', () => {
    expect(judge({ selfTests: [{ length: 'long', end: 'passed', atHours: null }] }).verdict).toBe(
      'keep',
    )
    expect(judge({ hours: null, selfTests: [longTest('passed', 1)] }).verdict).toBe('keep')
    expect(judge({}).verdict).toBe('keep')
  })
})

describe('what a counter has grown by', () => {
  const at = (day: string, reallocated: number | null) => report({ day, reallocated })
  it('is held against the youngest report of thirty days, else the oldest', () => {
    expect(growthDays).toBe(30)
    const reports = [
      at('2026-08-01', 1),
      at('2026-10-25', 2),
      at('2026-10-26', 3),
      at('2026-11-24', 9),
    ]
    expect(reportBefore(reports)!.day).toBe('2026-10-25')
    expect(reportBefore(reports.slice(2))!.day).toBe('2026-10-26')
    expect(reportBefore(reports.slice(3))).toBeNull()
    expect(reportBefore([])).toBeNull()
  })
  it('begins again at 0 where it fell, but for what may fall', () => {
    const [newest, before] = [report({ crc: 4, pending: 1 }), report({ crc: 90, pending: 6 })]
    expect(grownBy('crc', newest, before)).toBe(4)
    expect(grownBy('pending', newest, before)).toBe(0)
    expect(grownBy('crc', newest, null)).toBeNull()
    expect(grownBy('reallocated', newest, before)).toBeNull()
  })
  it('needs both values: what is not known is no 0', () => {
    expect(judge({ reallocated: 6 }, { reallocated: null }).verdict).toBe('watch')
    expect(judge({ reallocated: 6 }, { reallocated: 0 }).verdict).toBe('replace')
    const silent = driveHealth([report({ hours: null, passed: null, turns: null })], {
      hasRedundancy: false,
      longTestEveryHours,
    })
    expect(silent.reasons).toEqual([])
  })
})

describe('until it is replaced a drive fails more often', () => {
  it('four times at watch by its sectors, fifteen at replace, not by its age', () => {
    expect(failsMoreOften).toEqual({ watch: 4, replace: 15 })
    expect(failureFactor(judge({ pending: 2 }))).toBe(4)
    expect(failureFactor(judge({ passed: false }))).toBe(15)
    expect(failureFactor(judge({ hours: 40_000 }))).toBe(1)
    expect(failureFactor(judge({}))).toBe(1)
  })
})

describe('the order of replacement', () => {
  const drive = (id: string, parts: object) => ({
    id,
    verdict: 'watch' as DriveVerdict,
    redundancyLeft: 1,
    warrantyUntil: '',
    hours: 9000,
    sizeTB: 8,
    ...parts,
  })
  it('goes by verdict, redundancy, warranty, hours and size', () => {
    expect(claimDays).toBe(60)
    const drives = [
      drive('kept', { verdict: 'keep' }),
      drive('small', { sizeTB: 4 }),
      drive('plain', {}),
      drive('old', { hours: 30_000 }),
      drive('claim', { warrantyUntil: '2027-01-30' }),
      drive('late', { warrantyUntil: '2027-01-31', hours: 1 }),
      drive('over', { warrantyUntil: '2026-11-30', hours: 2 }),
      drive('bare', { redundancyLeft: 0 }),
      drive('gone', { verdict: 'replace' }),
    ]
    expect(orderOfReplacement(drives, '2026-12-01').map(({ id }) => id)).toEqual([
      'gone',
      'bare',
      'claim',
      'old',
      'small',
      'plain',
      'over',
      'late',
    ])
  })
})
