import { gbPerMbpsHour } from '../../units/dataSize'
import type { Drives } from '../../plan/drives'
import type { Network } from '../../plan/network'

/** A copy over the internet line. */
export interface LineCopy {
  readonly perNightGB: number
  readonly changedGBPerDay: number
  /** nights until the first pass is whole; null where more changes than gets through */
  readonly nights: number | null
}

/** A first pass over the line that takes more nights is not waited for. */
export const mostNights = 90

/** Whether a copy over the line can be kept; every other copy can. */
export function keepsUp(line: Pick<LineCopy, 'nights'> | null): boolean {
  return line === null || (line.nights !== null && line.nights <= mostNights)
}

type LineSettings = Pick<Drives, 'awayUploadShare' | 'awayNightHours' | 'awayFirstCarried'>

/**
 * How a copy over the line gets on: GB a night, and nights until it is whole while the data change
 * meanwhile; one that is carried over needs none.
 * @example lineCopy(25 Mb/s, 60 %, 7 h; 3 TB, 5 GB a day) // 47 GB a night, 72 nights
 */
export function lineCopy(
  { uploadMbps }: Pick<Network, 'uploadMbps'>,
  { awayUploadShare, awayNightHours, awayFirstCarried }: LineSettings,
  { firstGB, changedGBPerDay }: { readonly firstGB: number; readonly changedGBPerDay: number },
): LineCopy {
  const perNightGB = uploadMbps * awayUploadShare * awayNightHours * gbPerMbpsHour
  const left = perNightGB - changedGBPerDay
  return {
    perNightGB,
    changedGBPerDay,
    nights: left <= 0 ? null : awayFirstCarried ? 0 : Math.ceil(firstGB / left - 1e-9),
  }
}
