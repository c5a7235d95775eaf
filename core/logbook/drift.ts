import type { CalibrationRow } from './calibrationRows'
import { dayOf, type Entry, type EntryOf } from './entry'
import type { FittedGrowth } from './growth'
import type { RegisteredDrive } from './register'
import { daysBetween } from '../units/calendarDay'
import { daysPerMonth } from '../units/time'

export type AlertLevel = 'worthKnowing' | 'warning' | 'problem'

/** Something of the running machine that is not as planned; one for each cause. */
export interface Alert {
  readonly id: AlertId
  readonly level: AlertLevel
  /** since when: the day of the first reading of its kind in a row */
  readonly since: string
  /** what it is about, where there are several: the serial of a drive */
  readonly of: string
  readonly values: Readonly<Record<string, number>>
}
export type AlertId =
  | 'spaceOutside'
  | 'spaceFull'
  | 'fullSoon'
  | 'falls'
  | 'idleW'
  | 'energy'
  | 'conversions'
  | 'minutesShort'
  | 'driveWarm'
  | 'processorWarm'
  | 'slow'
  | 'copyFailed'
  | 'copyLate'
  | 'neverReadBack'
  | 'upsBattery'
  | 'upsMinutes'
  | 'drive'

/** Limits of what is watched. */
export const driftLimits = {
  /** months before it is full in which a purchase is made, beside its lead */
  purchaseMonths: 3,
  fullMonths: 1,
  warmDriveC: 45,
  warningDriveC: 50,
  problemDriveC: 60,
  ssdMore: 20,
  warmProcessorC: 85,
  energyWarning: 1.1,
  energyProblem: 1.5,
  slowKnown: 0.8,
  slowWarning: 0.6,
  slowProblem: 0.3,
  upsMinutes: 10,
  lateBy: 1.25,
  lateTwice: 2,
  failedOften: 3,
} as const

export interface DriftQuestion {
  readonly entries: readonly Entry[]
  readonly rows: readonly CalibrationRow[]
  readonly drives: readonly RegisteredDrive[]
  readonly growth: FittedGrowth | null
  /** content that the plan expects on a day, TB; null where it says nothing of that day */
  readonly plannedTB: (day: string) => { readonly low: number; readonly high: number } | null
  /** most that may be kept under the fill limit, TB */
  readonly roomTB: number | null
  /** months that a purchase takes from order to use */
  readonly leadMonths: number
  readonly kWhPerMonth: number | null
  readonly conversions: { readonly level95: number; readonly minutesAccepted: number } | null
  readonly hasRedundancy: boolean
  /** days between two copies, and between two trials of reading one back */
  readonly readBackEveryDays: number
  readonly hasCopies: boolean
  readonly today: string
}

const of = <Kind extends Entry['kind']>(entries: readonly Entry[], kind: Kind): EntryOf<Kind>[] =>
  entries
    .filter((entry): entry is EntryOf<Kind> => entry.kind === kind)
    .sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0))

/** The newest in a row for which something holds. */
function running<Value>(newestFirst: readonly Value[], holds: (value: Value) => boolean): Value[] {
  const until = newestFirst.findIndex(value => !holds(value))
  return until < 0 ? [...newestFirst] : newestFirst.slice(0, until)
}

function spaceAlerts(question: DriftQuestion): Alert[] {
  const { entries, growth, plannedTB, roomTB, leadMonths, today } = question
  const readings = of(entries, 'space').filter(({ values }) => values.usedTB !== null)
  const newest = readings[0]
  if (!newest) return []
  const usedTB = newest.values.usedTB!
  const alert = (id: AlertId, level: AlertLevel, parts: Partial<Alert>): Alert => ({
    id,
    level,
    since: dayOf(newest.at),
    of: '',
    values: {},
    ...parts,
  })
  const monthsLeft =
    growth?.monthFull.likely == null ? null : growth.monthFull.likely - growth.now.month
  // Each reading is held against the forecast of its own day.
  const outside = running(readings, ({ at, values }) => {
    const planned = plannedTB(dayOf(at))
    return planned !== null && (values.usedTB! > planned.high || values.usedTB! < planned.low)
  })
  const planned = plannedTB(dayOf(newest.at))
  return [
    ...(roomTB !== null && usedTB > roomTB
      ? [alert('spaceFull', 'problem', { values: { usedTB, roomTB } })]
      : monthsLeft !== null && monthsLeft < leadMonths + driftLimits.purchaseMonths
        ? [
            alert('fullSoon', monthsLeft < driftLimits.fullMonths ? 'problem' : 'warning', {
              values: { months: Math.max(0, monthsLeft), leadMonths },
              since: today,
            }),
          ]
        : []),
    ...(outside.length > 0 && planned
      ? [
          alert('spaceOutside', outside.length > 1 ? 'warning' : 'worthKnowing', {
            values: { usedTB, low: planned.low, high: planned.high },
            since: dayOf(outside.at(-1)!.at),
          }),
        ]
      : []),
    ...(growth && growth.falls >= 3
      ? [alert('falls', 'warning', { values: { falls: growth.falls } })]
      : []),
  ]
}

/** Shorter than so many days, a reading of the meter says little of a month. */
const minEnergyDays = 20

/** What a reading of the meter comes to in a month, kWh; null where it says too little. */
export function kWhOfMonth({ from, to, kWh }: EntryOf<'energy'>['values']): number | null {
  const days = from && to ? daysBetween(from, to) : 0
  return kWh !== null && days >= minEnergyDays ? (kWh / days) * daysPerMonth : null
}

function powerAlerts({ entries, rows, kWhPerMonth }: DriftQuestion): Alert[] {
  const idle = rows.find(({ figure }) => figure === 'idleW')
  const high = idle?.correction?.corrected.high ?? idle?.planned?.high ?? null
  const readings = of(entries, 'watts').filter(
    ({ values }) => values.state === 'idle' && values.watts !== null,
  )
  const above = high === null ? [] : running(readings, ({ values }) => values.watts! > high)
  const months = of(entries, 'energy').flatMap(({ at, values }) => {
    const perMonth = kWhOfMonth(values)
    return perMonth === null ? [] : [{ at, perMonth }]
  })
  const newest = months[0]
  const over = newest && kWhPerMonth ? newest.perMonth / kWhPerMonth : 0
  return [
    ...(above.length > 0
      ? [
          {
            id: 'idleW',
            level: above.length >= 3 ? 'warning' : 'worthKnowing',
            since: dayOf(above.at(-1)!.at),
            of: '',
            values: { watts: above[0]!.values.watts!, high: high! },
          } as const,
        ]
      : []),
    ...(newest && over > driftLimits.energyWarning
      ? [
          {
            id: 'energy',
            level: over > driftLimits.energyProblem ? 'problem' : 'warning',
            since: dayOf(newest.at),
            of: '',
            values: { kWh: newest.perMonth, planned: kWhPerMonth! },
          } as const,
        ]
      : []),
  ]
}

function watchingAlerts({ entries, conversions, today }: DriftQuestion): Alert[] {
  if (!conversions) return []
  const counted = of(entries, 'watched')
  const lastMonth = counted.filter(({ at }) => daysBetween(at, today) <= 31)
  const most = Math.max(0, ...lastMonth.map(({ values }) => values.mostConversions ?? 0))
  const minutes = lastMonth.reduce((sum, { values }) => sum + (values.minutesShort ?? 0), 0)
  const since = dayOf(lastMonth.at(-1)?.at ?? today)
  const { level95, minutesAccepted } = conversions
  return [
    ...(most > level95
      ? [
          {
            id: 'conversions',
            level: 'worthKnowing',
            since,
            of: '',
            values: { most, level95 },
          } as const,
        ]
      : []),
    ...(minutes > minutesAccepted
      ? [
          {
            id: 'minutesShort',
            level: minutes > 2 * minutesAccepted ? 'problem' : 'warning',
            since,
            of: '',
            values: { minutes, accepted: minutesAccepted },
          } as const,
        ]
      : []),
  ]
}

function warmAlerts({ entries, drives }: DriftQuestion): Alert[] {
  const processor = of(entries, 'temperature').find(
    ({ values }) => values.what === 'processor' && values.celsius !== null,
  )
  return [
    ...drives.flatMap(({ serial, health }): Alert[] => {
      const newest = health?.newest
      const celsius = newest?.temperatureC ?? null
      if (!newest || celsius === null) return []
      const more = newest.turns === false ? driftLimits.ssdMore : 0
      const level: AlertLevel | null =
        celsius >= Math.min(driftLimits.problemDriveC + more, newest.limitC ?? Infinity)
          ? 'problem'
          : celsius >= driftLimits.warningDriveC + more
            ? 'warning'
            : celsius >= driftLimits.warmDriveC + more
              ? 'worthKnowing'
              : null
      return level
        ? [{ id: 'driveWarm', level, since: newest.day, of: serial, values: { celsius } }]
        : []
    }),
    ...(processor && processor.values.celsius! >= driftLimits.warmProcessorC
      ? [
          {
            id: 'processorWarm',
            level: 'worthKnowing',
            since: dayOf(processor.at),
            of: '',
            values: { celsius: processor.values.celsius! },
          } as const,
        ]
      : []),
  ]
}

/** Copies, disks and links that run at less than what is believed of them. */
function slowAlerts({ rows }: DriftQuestion): Alert[] {
  return rows.flatMap(({ figure, label, correction }): Alert[] => {
    if (figure !== 'copyRate' && figure !== 'homeLink' && figure !== 'driveMBps') return []
    if (!correction) return []
    const newest = correction.trials.at(-1)
    if (!newest || newest.trial.reads !== 'exact' || newest.state === 'mistake') return []
    const share = Math.exp(newest.from) / correction.factor.likely
    const twice = correction.trials.slice(-2)
    const bothSlow =
      twice.length === 2 &&
      twice.every(({ from }) => Math.exp(from) / correction.factor.likely < driftLimits.slowWarning)
    const level: AlertLevel | null =
      share < driftLimits.slowProblem
        ? 'problem'
        : bothSlow
          ? 'warning'
          : share < driftLimits.slowKnown
            ? 'worthKnowing'
            : null
    return level
      ? [{ id: 'slow', level, since: newest.trial.day, of: label, values: { share } }]
      : []
  })
}

function copyAlerts({ entries, hasCopies, readBackEveryDays, today }: DriftQuestion): Alert[] {
  const runs = of(entries, 'copyRun')
  const failed = running(runs, ({ values }) => values.result === 'failed')
  const back = of(entries, 'restore').filter(({ values }) => values.result === 'good')
  const days = back[0] ? daysBetween(back[0].at, today) : null
  return [
    ...(failed.length > 0
      ? [
          {
            id: 'copyFailed',
            level: failed.length >= driftLimits.failedOften ? 'problem' : 'warning',
            since: dayOf(failed.at(-1)!.at),
            of: failed[0]!.values.job,
            values: { times: failed.length },
          } as const,
        ]
      : []),
    // Whoever has begun to keep a log of copies wants to know; an empty log says nothing.
    ...(hasCopies && runs.length > 0 && days === null
      ? [
          {
            id: 'neverReadBack',
            level: 'problem',
            since: dayOf(runs.at(-1)!.at),
            of: '',
            values: {},
          } as const,
        ]
      : []),
    ...(days !== null && days > driftLimits.lateBy * readBackEveryDays
      ? [
          {
            id: 'copyLate',
            level: days > driftLimits.lateTwice * readBackEveryDays ? 'warning' : 'worthKnowing',
            since: dayOf(back[0]!.at),
            of: '',
            values: { days, everyDays: readBackEveryDays },
          } as const,
        ]
      : []),
  ]
}

function upsAlerts({ entries }: DriftQuestion): Alert[] {
  const newest = of(entries, 'ups')[0]
  if (!newest) return []
  const { test, minutesLeft } = newest.values
  const since = dayOf(newest.at)
  return [
    ...(test === 'failed'
      ? [{ id: 'upsBattery', level: 'problem', since, of: '', values: {} } as const]
      : []),
    ...(minutesLeft !== null && minutesLeft < driftLimits.upsMinutes
      ? [
          {
            id: 'upsMinutes',
            level: 'warning',
            since,
            of: '',
            values: { minutes: minutesLeft },
          } as const,
        ]
      : []),
  ]
}

function driveAlerts({ drives, hasRedundancy }: DriftQuestion): Alert[] {
  return drives.flatMap(({ serial, health }): Alert[] => {
    if (!health || health.verdict === 'keep') return []
    const level: AlertLevel =
      health.verdict === 'watch' ? 'worthKnowing' : hasRedundancy ? 'warning' : 'problem'
    return [{ id: 'drive', level, since: health.newest.day, of: serial, values: {} }]
  })
}

const rank: Readonly<Record<AlertLevel, number>> = { problem: 0, warning: 1, worthKnowing: 2 }

/** Everything that is not as planned, the worst first; one notice for each cause. */
export function alertsOf(question: DriftQuestion): Alert[] {
  return [
    ...spaceAlerts(question),
    ...driveAlerts(question),
    ...warmAlerts(question),
    ...copyAlerts(question),
    ...powerAlerts(question),
    ...watchingAlerts(question),
    ...slowAlerts(question),
    ...upsAlerts(question),
  ].sort((a, b) => rank[a.level] - rank[b.level])
}

/** By which a notice is dismissed: the same cause again is the same notice. */
export const alertKey = ({ id, of: which }: Pick<Alert, 'id' | 'of'>): string =>
  which === '' ? id : `${id} ${which}`
