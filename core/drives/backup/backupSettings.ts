import type { PlanPath } from '../../expressions/planPath'
import type { Drives } from '../../plan/drives'
import type { PlaceId } from './backupPlan'

export type Settings = Pick<
  Drives,
  | 'secondBoxEveryDays'
  | 'secondBoxKept'
  | 'offlineEveryDays'
  | 'offlineKept'
  | 'offlineMediumTB'
  | 'offlineSets'
  | 'awayEveryDays'
  | 'awayKept'
  | 'awayMediumTB'
  | 'awaySets'
  | 'awayBy'
  | 'awayUploadShare'
  | 'awayNightHours'
  | 'awayFirstCarried'
  | 'copiesWithVersions'
  | 'copyPricePerTB'
  | 'storePricePerTBMonth'
  | 'secondBoxW'
>

export const placeLabels: Readonly<Record<PlaceId, string>> = {
  secondBox: 'Second machine here',
  offlineCopy: 'Offline copy here',
  awayCopy: 'Copy away from home',
}

/** What is set for one place of copies, and the fields that it is set in. */
interface PlaceSettings {
  readonly everyDays: number
  readonly kept: number
  readonly sets: number
  readonly mediumTB: number
  readonly paths: {
    readonly everyDays: PlanPath
    readonly kept: PlanPath
    readonly sets: readonly PlanPath[]
    readonly mediumTB: readonly PlanPath[]
  }
}

export function settingsOf(id: PlaceId, drives: Settings): PlaceSettings {
  const kept = (count: number) => (drives.copiesWithVersions ? count : 0)
  switch (id) {
    case 'secondBox':
      return {
        everyDays: drives.secondBoxEveryDays,
        kept: kept(drives.secondBoxKept),
        sets: 1,
        mediumTB: 0,
        paths: {
          everyDays: 'drives.secondBoxEveryDays',
          kept: 'drives.secondBoxKept',
          sets: [],
          mediumTB: [],
        },
      }
    case 'offlineCopy':
      return {
        everyDays: drives.offlineEveryDays,
        kept: kept(drives.offlineKept),
        sets: drives.offlineSets,
        mediumTB: drives.offlineMediumTB,
        paths: {
          everyDays: 'drives.offlineEveryDays',
          kept: 'drives.offlineKept',
          sets: ['drives.offlineSets'],
          mediumTB: ['drives.offlineMediumTB'],
        },
      }
    case 'awayCopy':
      return {
        everyDays: drives.awayEveryDays,
        kept: kept(drives.awayKept),
        sets: drives.awayBy === 'carried' ? drives.awaySets : 1,
        mediumTB: drives.awayMediumTB,
        paths: {
          everyDays: 'drives.awayEveryDays',
          kept: 'drives.awayKept',
          sets: ['drives.awaySets', 'drives.awayBy'],
          mediumTB: ['drives.awayMediumTB', 'drives.awayBy'],
        },
      }
  }
}
