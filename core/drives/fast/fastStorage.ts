import type { Catalogue } from '../../catalogue/catalogue'
import { extrasShare } from '../../library/holdingSizes'
import { holdingKind } from '../../catalogue/holdingKinds'
import type { PoolId } from '../../plan/fastStorage'
import type { Plan } from '../../plan/planSchema'
import { gbPerMbpsHour } from '../../units/dataSize'
import { daysPerYear } from '../../units/time'
import { backupHoldings, editedGBPerDay } from '../backup/backupHoldings'

export const useIds = ['system', 'index', 'scratch', 'cache', 'work'] as const
export type UseId = (typeof useIds)[number]

/** Something that lies on a pool: a holding, or a use besides the library. */
export interface Placed {
  readonly id: string
  readonly label: string
  /** plan path of the field that says where it lies */
  readonly path: string
  readonly pool: PoolId
  readonly sizeGB: number
}

export interface FastStorageParts {
  readonly plan: Plan
  readonly catalogue: Catalogue
  /** conversions at once that the plan must meet */
  readonly conversions: number
  /** Mb/s at which converted streams are sent */
  readonly sentMbps: number
  /** hours of a day in which anything is converted */
  readonly convertingHours: number
}

export interface FastStorage {
  readonly placed: readonly Placed[]
  /** GB by pool; what lies in front of the data drives counts on both */
  readonly ssdGB: number
  readonly scratchGB: number
  readonly cacheGB: number
  readonly indexGB: number
  /** work in progress, projects that are edited from away with it */
  readonly workGB: number
  /** GB that come on a day on which everything comes */
  readonly biggestDayGB: number
  /** GB written to the SSD on a day */
  readonly writtenGBPerDay: number
  readonly ratedTB: number
  /** years until the rated writes are used up; null where nothing is written to it */
  readonly wearYears: number | null
  /** the SSD needed so that a fifth of it stays free, TB */
  readonly ssdNeededTB: number
}

/** Rated writes of an SSD for each TB of its size, where its data sheet is not known. */
export const usualWritesPerTB = 600
/** An SSD is filled to this share. */
export const ssdFill = 0.8
/** A write cache holds the arrivals of its days and so much more. */
export const cacheSlack = 1.3
/** Of what lies behind an SSD, the share that is kept in it: what is read most. */
export const frontShare = 0.1
/** GB that one Mb/s makes in a minute. */
const gbPerMbpsMinute = gbPerMbpsHour / 60

/** GB of scratch space of one converted stream. */
export function scratchGB(sentMbps: number, minutesKept: number): number {
  return sentMbps * minutesKept * gbPerMbpsMinute
}

/** GB written a day by streams that are converted so many hours a day. */
export function wearGBPerDay(sentMbps: number, hoursPerDay: number): number {
  return sentMbps * hoursPerDay * gbPerMbpsHour
}

/** Uses besides the library, then its holdings, each on its pool. */
function placedOf(
  { drives, library, system }: Plan,
  holdings: ReturnType<typeof backupHoldings>,
  sizes: Pick<FastStorage, 'indexGB' | 'scratchGB' | 'cacheGB' | 'workGB'>,
): Placed[] {
  const use = (
    id: UseId,
    label: string,
    { pool, sizeGB }: Pick<Placed, 'pool' | 'sizeGB'>,
  ): Placed => ({ id, label, path: `drives.${id}On`, pool, sizeGB })
  return [
    use('system', 'System and services', { pool: drives.systemOn, sizeGB: drives.systemGB }),
    use('index', 'Library index with pictures', { pool: drives.indexOn, sizeGB: sizes.indexGB }),
    use('scratch', 'Conversion scratch', { pool: drives.scratchOn, sizeGB: sizes.scratchGB }),
    use('cache', 'Write cache', { pool: drives.cacheOn, sizeGB: sizes.cacheGB }),
    use('work', 'Work in progress', { pool: drives.workOn, sizeGB: sizes.workGB }),
    ...system.services.flatMap(({ name, dataGB, pool }, index): Placed[] =>
      dataGB > 0
        ? [
            {
              id: `service-${index}`,
              label: name || `Service ${index + 1}`,
              path: `system.services.${index}.pool`,
              pool,
              sizeGB: dataGB,
            },
          ]
        : [],
    ),
    ...holdings.flatMap(({ index, name, sizeTB }): Placed[] =>
      index === null
        ? []
        : [
            {
              id: `holding-${index}`,
              label: name,
              path: `library.holdings.${index}.pool`,
              pool: library.holdings[index]!.pool,
              sizeGB: sizeTB * 1000,
            },
          ],
    ),
  ]
}

/** What lies where, what the SSD must hold, and how fast it wears. */
export function fastStorage({
  plan,
  catalogue,
  conversions,
  sentMbps,
  convertingHours,
}: FastStorageParts): FastStorage {
  const { drives, library } = plan
  const holdings = backupHoldings(plan, catalogue)
  const videoTB = holdings.reduce(
    (sum, { index, sizeTB }) =>
      index !== null && holdingKind(library.holdings[index]!.kind).sized === 'video'
        ? sum + sizeTB
        : sum,
    0,
  )
  const biggestDayGB = drives.arrivals.reduce((sum, arrival) => sum + arrival.gbPerDay, 0)
  const scratch = scratchGB(sentMbps, drives.scratchMinutes) * Math.max(1, Math.ceil(conversions))
  const cacheGB = biggestDayGB * drives.daysBetweenMoves * cacheSlack
  const indexGB = ((videoTB * extrasShare) / (1 + extrasShare)) * 1000
  const workGB = drives.workGB + drives.arrivals.reduce((sum, { projectGB }) => sum + projectGB, 0)
  const placed = placedOf(plan, holdings, { indexGB, scratchGB: scratch, cacheGB, workGB })
  const ssdGB = placed.reduce(
    (sum, { pool, sizeGB }) =>
      sum + (pool === 'ssd' ? sizeGB : pool === 'front' ? sizeGB * frontShare : 0),
    0,
  )
  const isOnSsd = (pool: PoolId) => pool !== 'spinning'
  const dailyGB = drives.arrivals.reduce(
    (sum, arrival) => sum + (arrival.gbPerDay * arrival.daysPerWeek) / 7,
    0,
  )
  const writtenGBPerDay =
    (isOnSsd(drives.scratchOn) ? wearGBPerDay(sentMbps, convertingHours) : 0) +
    (isOnSsd(drives.cacheOn) ? dailyGB : isOnSsd(drives.workOn) ? editedGBPerDay(drives) : 0)
  const ratedTB = drives.ssdWritesTB ?? drives.ssdTB * usualWritesPerTB
  return {
    placed,
    ssdGB,
    scratchGB: scratch,
    cacheGB,
    indexGB,
    workGB,
    biggestDayGB,
    writtenGBPerDay,
    ratedTB,
    wearYears:
      writtenGBPerDay > 0 && ratedTB > 0
        ? (ratedTB * 1000) / (writtenGBPerDay * daysPerYear)
        : null,
    ssdNeededTB: ssdGB / 1000 / ssdFill,
  }
}
