import { type ReadPool, type Reads, readsPerDrive } from '../layouts/layout'
import { layouts } from '../layouts/layouts'
import { diskStreams } from './diskStreams'
import type { Plan } from '../../plan/planSchema'
import type { Format } from '../../units/format'

export const readsOf = (layoutId: string, pool: ReadPool): Reads =>
  (layouts.find(({ id }) => id === layoutId)?.reads ?? readsPerDrive)(pool)

/**
 * Streams that the data drives carry: on layouts with whole files on single drives the low end is
 * one drive.
 */
export function dataDrivesCarry({
  pool,
  layoutId,
}: Pick<FastTale, 'pool' | 'layoutId'>): { readonly low: number; readonly high: number } | null {
  if (!pool) return null
  const { together, sideBySide, isPerDrive } = readsOf(layoutId, pool)
  const carry = (beside: number) =>
    diskStreams({
      streamMbps: plannedStreamMbps,
      outerMBps: pool.outerMBps,
      together,
      sideBySide: beside,
      spinning: pool.spinning,
    })
  return { low: carry(isPerDrive ? 1 : sideBySide), high: carry(sideBySide) }
}

/** A stream of a title as it is kept, Mb/s: what disks are asked for. */
export const plannedStreamMbps = 8

/** What the telling knows besides the placement. */
export interface FastTale {
  readonly plan: Plan
  readonly sentMbps: number
  readonly conversions: number
  /** hours of a day in which anything is converted */
  readonly convertingHours: number
  /**
   * streams that are watched at the worst moment, and the layout with its drives; null while there
   * is no pool
   */
  readonly watching: number
  readonly layoutId: string
  readonly pool: {
    readonly members: number
    readonly survives: number
    readonly dataDrives: number
    readonly outerMBps: number
    readonly spinning: boolean
  } | null
  readonly format: Format
}
