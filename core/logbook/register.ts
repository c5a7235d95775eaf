import type { Plan } from '../plan/planSchema'
import type { KeptVerdict, RegisterEntry } from '../plan/driveRegister'
import type { DriveReport } from './driveValues'
import { dayOf, type Entry } from './entry'
import { orderOfReplacement } from './health/replacement'
import { driveHealth, type DriveHealth } from './health/verdict'

/** Hours of use between two long self-tests, where nobody set them: a month. */
export const usualLongTestHours = 730

/** A drive as it stands in the register, with what its reports say. */
export interface RegisteredDrive {
  readonly serial: string
  readonly bay: number | null
  /** place in the plan's register; null for a drive that only reports know */
  readonly index: number | null
  readonly entry: RegisterEntry | null
  readonly model: string
  readonly sizeTB: number | null
  /** its reports, the oldest first */
  readonly reports: readonly DriveReport[]
  /** null while there is no report of it */
  readonly health: DriveHealth | null
  /** from 1 on in the order of replacement; null for one to keep */
  readonly goes: number | null
  readonly simulated: boolean
}

interface RegisterQuestion {
  readonly plan: Pick<Plan, 'drives' | 'commissioning'>
  /** drive reports and self-tests, in any order */
  readonly entries: readonly Entry[]
  /** drives that may fail without loss; null while they make no pool */
  readonly survives: number | null
  readonly today: string
}

/** Hours between two long self-tests, as the calendar has them. */
function longTestHours({ commissioning: { intervals } }: RegisterQuestion['plan']): number {
  const days = intervals.find(({ code }) => code === 'testLong')?.days
  return days ? days * 24 : usualLongTestHours
}

/** A self-test that was entered by hand, beside those that the drive keeps itself. */
function withTests(
  report: DriveReport,
  tests: readonly Extract<Entry, { kind: 'selfTest' }>[],
): DriveReport {
  const own = tests.map(({ values: { length, end, atHours } }) => ({ length, end, atHours }))
  return { ...report, selfTests: [...own, ...report.selfTests] }
}

/**
 * Every drive of the register with its reports, and those that only reports know: a drive is known
 * by its serial.
 */
export function registeredDrives({
  plan,
  entries,
  survives,
  today,
}: RegisterQuestion): RegisteredDrive[] {
  const { register } = plan.drives
  const reports = new Map<string, (DriveReport & { readonly simulated: boolean })[]>()
  const tests = new Map<string, Extract<Entry, { kind: 'selfTest' }>[]>()
  for (const entry of entries) {
    if (entry.kind === 'driveReport') {
      const { serial } = entry.values
      const simulated = entry.origin.how === 'simulated'
      const list = reports.get(serial) ?? []
      reports.set(serial, [...list, { ...entry.values, day: dayOf(entry.at), simulated }])
    } else if (entry.kind === 'selfTest' && entry.values.serial !== '') {
      const list = tests.get(entry.values.serial) ?? []
      tests.set(entry.values.serial, [...list, entry])
    }
  }
  const isOf = (serial: string, known: string) =>
    serial !== '' && (serial === known || known.endsWith(serial))
  const serials = [...reports.keys()]
  const found = register.map((entry, index) => ({
    entry,
    index,
    serial: serials.find(known => isOf(entry.serial, known)) ?? entry.serial,
  }))
  const unknown = serials
    .filter(serial => found.every(drive => drive.serial !== serial))
    .map(serial => ({ entry: null, index: null, serial }))
  const sizes = plan.drives.lots.flatMap(({ count, sizeTB }) => Array<number>(count).fill(sizeTB))
  const rows = [...found, ...unknown].map(({ entry, index, serial }) => {
    const own = [...(reports.get(serial) ?? [])].sort((a, b) =>
      a.day < b.day ? -1 : a.day > b.day ? 1 : 0,
    )
    const newest = own.at(-1)
    const byHand = (tests.get(serial) ?? []).filter(({ at }) => !newest || dayOf(at) >= newest.day)
    const judged = newest ? [...own.slice(0, -1), withTests(newest, byHand)] : []
    const bay = entry?.bay ?? null
    return {
      serial,
      bay,
      index,
      entry,
      model: newest?.model ?? entry?.lot ?? '',
      sizeTB: newest?.sizeTB ?? (bay === null ? null : (sizes[bay - 1] ?? null)),
      reports: own,
      simulated: newest?.simulated ?? false,
      health:
        judged.length > 0
          ? driveHealth(judged, {
              hasRedundancy: (survives ?? 0) > 0,
              longTestEveryHours: longTestHours(plan),
            })
          : null,
    }
  })
  const order = orderOfReplacement(
    rows.flatMap(row =>
      row.health
        ? [
            {
              serial: row.serial,
              verdict: row.health.verdict,
              redundancyLeft: survives ?? 0,
              warrantyUntil: row.entry?.warrantyUntil ?? '',
              hours: row.health.newest.hours,
              sizeTB: row.sizeTB,
            },
          ]
        : [],
    ),
    today,
  ).map(({ serial }) => serial)
  return rows.map(row => {
    const at = order.indexOf(row.serial)
    return { ...row, goes: at < 0 ? null : at + 1 }
  })
}

/** A verdict as the plan keeps it. */
function keptVerdict({ verdict, sectors }: DriveHealth): KeptVerdict {
  return verdict === 'watch' && sectors ? 'watchSectors' : verdict
}

/**
 * The plan with the verdicts of its drives; the very same where they are there already. Reports of
 * a practice machine change nothing of it.
 */
export function withVerdicts<Kept extends Pick<Plan, 'drives'>>(
  plan: Kept,
  drives: readonly RegisteredDrive[],
): Kept {
  let changed = false
  const register = plan.drives.register.map((entry, index) => {
    const drive = drives.find(candidate => candidate.index === index)
    if (!drive?.health || drive.simulated) return entry
    const health = keptVerdict(drive.health)
    const healthDay = drive.health.newest.day
    if (entry.health === health && entry.healthDay === healthDay) return entry
    changed = true
    return { ...entry, health, healthDay }
  })
  return changed ? { ...plan, drives: { ...plan.drives, register } } : plan
}
