import type { Qualities } from '../../library/holdingSizes'
import { withMeasuredLines } from '../../calibration/measuredLines'
import type { Plan } from '../../plan/planSchema'
import { kWhPerWattYear, monthsPerYear } from '../../units/time'
import { rebuildShareOfOuter } from '../rebuildHours'
import { averagePricePerKWh } from '../../plan/energyPrice'
import { type BackupHolding, backupHoldings, isCopied } from './backupHoldings'
import { keepsUp, lineCopy, type LineCopy } from './lineCopy'

export const placeIds = ['secondBox', 'offlineCopy', 'awayCopy'] as const
export type PlaceId = (typeof placeIds)[number]

/** What a copy of one holding takes. */
export interface HoldingCopy {
  readonly holding: BackupHolding
  /** size and what its older versions take */
  readonly copyTB: number
  readonly fullHours: number
  readonly incrementHours: number
  /** the data in the copy can be so old */
  readonly ageDays: number
  /** until it is back */
  readonly backHours: number
}

export interface PlaceCopy {
  readonly id: PlaceId
  readonly rows: readonly HoldingCopy[]
  readonly copyTB: number
  /** MB/s at which the copy is made; over the internet line while it runs */
  readonly rateMBps: number
  /** MB/s at which it is read back, and hours until it is at hand */
  readonly backMBps: number
  readonly fetchHours: number
  /**
   * drives that are bought for it, all sets together; 0 where it lies on a machine or in a store
   */
  readonly media: number
  /** null where it does not go over the internet line */
  readonly line: LineCopy | null
  readonly pricePerYear: {
    readonly media: number
    readonly store: number
    readonly electricity: number
  }
}

export interface BackupPlan {
  readonly holdings: readonly BackupHolding[]
  readonly places: readonly PlaceCopy[]
}

/** An external drive reads and writes at three quarters of the outer rate of its class, MB/s. */
export const externalMBps = rebuildShareOfOuter * 180
/** Drives for copies are filled to this share. */
export const mediumFill = 0.9
/** External drives are counted as used up within so many years. */
export const mediumYears = 5
/** Hours until a copy is at hand. */
export const fetchHours: Readonly<
  Record<'secondBox' | 'offlineCopy' | 'carried' | 'line' | 'store', number>
> = { secondBox: 0, offlineCopy: 1, carried: 24, line: 24, store: 0 }
export interface BackupQuestion {
  readonly plan: Pick<Plan, 'library' | 'drives' | 'network' | 'costs' | 'calibration'>
  readonly qualities: Qualities
  /** MB/s between two machines in the house */
  readonly linkMBps: number
}

/** What the copies that a plan keeps take, holding by holding. */
export function backupPlan({ plan, qualities, linkMBps }: BackupQuestion): BackupPlan {
  const holdings = backupHoldings(plan, qualities)
  const places = placeIds.flatMap(id =>
    plan.drives[id] === 'nothing' ? [] : [placeCopy(id, holdings, { plan, linkMBps })],
  )
  return { holdings, places }
}

interface Way {
  readonly everyDays: number
  readonly kept: number
  readonly rateMBps: number
  readonly backMBps: number
  readonly fetch: number
  readonly sets: number
  readonly mediumTB: number | null
}

function wayOf(
  id: PlaceId,
  { plan: { drives, ...plan }, linkMBps }: Pick<BackupQuestion, 'plan' | 'linkMBps'>,
): Way {
  const network = withMeasuredLines(plan.network, plan.calibration)
  const versions = (kept: number) => (drives.copiesWithVersions ? kept : 0)
  if (id === 'secondBox')
    return {
      everyDays: drives.secondBoxEveryDays,
      kept: versions(drives.secondBoxKept),
      rateMBps: linkMBps,
      backMBps: linkMBps,
      fetch: fetchHours.secondBox,
      sets: 1,
      mediumTB: null,
    }
  const drive = { rateMBps: externalMBps, backMBps: externalMBps }
  if (id === 'offlineCopy')
    return {
      ...drive,
      everyDays: drives.offlineEveryDays,
      kept: versions(drives.offlineKept),
      fetch: fetchHours.offlineCopy,
      sets: drives.offlineSets,
      mediumTB: drives.offlineMediumTB,
    }
  const away = { everyDays: drives.awayEveryDays, kept: versions(drives.awayKept) }
  if (drives.awayBy === 'carried')
    return {
      ...away,
      ...drive,
      fetch: fetchHours.carried,
      sets: drives.awaySets,
      mediumTB: drives.awayMediumTB,
    }
  const rateMBps = (network.uploadMbps * drives.awayUploadShare) / 8
  // From a machine elsewhere the drives themselves are fetched; a store can only be read over the
  // line.
  return drives.awayBy === 'line'
    ? {
        ...away,
        rateMBps,
        backMBps: externalMBps,
        fetch: fetchHours.line,
        sets: 1,
        mediumTB: drives.awayMediumTB,
      }
    : {
        ...away,
        rateMBps,
        backMBps: network.downloadMbps / 8,
        fetch: fetchHours.store,
        sets: 1,
        mediumTB: null,
      }
}

const hoursFor = (sizeTB: number, rateMBps: number) =>
  sizeTB === 0 ? 0 : rateMBps > 0 ? (sizeTB * 1e6) / rateMBps / 3600 : Infinity

function placeCopy(
  id: PlaceId,
  holdings: readonly BackupHolding[],
  parts: Pick<BackupQuestion, 'plan' | 'linkMBps'>,
): PlaceCopy {
  const { drives, costs, calibration } = parts.plan
  const network = withMeasuredLines(parts.plan.network, calibration)
  const { everyDays, kept, rateMBps, backMBps, fetch, sets, mediumTB } = wayOf(id, parts)
  const rows = holdings
    .filter(holding => isCopied(holding, drives[id]))
    .map((holding): HoldingCopy => {
      const changedTB = holding.changedTBPerDay * everyDays
      return {
        holding,
        copyTB: holding.sizeTB + changedTB * kept,
        fullHours: hoursFor(holding.sizeTB, rateMBps),
        incrementHours: hoursFor(changedTB, rateMBps),
        // Of sets in the house the freshest is at hand; of those that are carried the older one is.
        ageDays: everyDays * (id === 'awayCopy' ? sets : 1),
        backHours: fetch + hoursFor(holding.sizeTB, backMBps),
      }
    })
  const sum = (of: (row: HoldingCopy) => number) => rows.reduce((all, row) => all + of(row), 0)
  const copyTB = sum(row => row.copyTB)
  const media =
    mediumTB === null || copyTB === 0
      ? 0
      : Math.ceil(copyTB / (mediumTB * mediumFill) - 1e-9) * sets
  const isOverLine = id === 'awayCopy' && drives.awayBy !== 'carried'
  const changedGBPerDay = sum(row => row.holding.changedTBPerDay) * 1000
  const firstGB = sum(row => row.holding.sizeTB) * 1000
  return {
    id,
    rows,
    copyTB,
    rateMBps,
    backMBps,
    fetchHours: fetch,
    media,
    line: isOverLine ? lineCopy(network, drives, { firstGB, changedGBPerDay }) : null,
    pricePerYear: {
      media: (media * (mediumTB ?? 0) * drives.copyPricePerTB) / mediumYears,
      store:
        isOverLine && drives.awayBy === 'store'
          ? copyTB * drives.storePricePerTBMonth * monthsPerYear
          : 0,
      electricity:
        id === 'secondBox' ? drives.secondBoxW * kWhPerWattYear * averagePricePerKWh(costs) : 0,
    },
  }
}

/**
 * Whether a copy away that goes over the line can be kept: more gets through in a night than
 * changes in a day, and the first pass is done within so many nights. True for every other copy.
 */
export function lineKeepsUp(
  plan: Pick<Plan, 'library' | 'drives' | 'network' | 'calibration'>,
  qualities: Qualities,
): boolean {
  const { drives } = plan
  const network = withMeasuredLines(plan.network, plan.calibration)
  if (drives.awayCopy === 'nothing' || drives.awayBy === 'carried') return true
  let [firstGB, changedGBPerDay] = [0, 0]
  for (const holding of backupHoldings(plan, qualities))
    if (isCopied(holding, drives.awayCopy)) {
      firstGB += holding.sizeTB * 1000
      changedGBPerDay += holding.changedTBPerDay * 1000
    }
  return keepsUp(lineCopy(network, drives, { firstGB, changedGBPerDay }))
}
