import { driveLoads } from '../drives/driveLoads'
import { singles } from '../drives/bayOrder'
import { driveClassOf, type CommonDrives, type DriveCatalogue } from '../drives/driveTraits'
import type { LayoutRefusal } from '../drives/layouts/layout'
import { layouts } from '../drives/layouts/layouts'
import { roomTB as roomOf, traitsOf, unpricedLots } from '../drives/poolOf'
import { boughtModels } from '../drives/usualPrice'
import { exactly, type Estimate } from '../figure'
import type { Forecast } from '../library/forecast'
import type { JudgedFacts } from '../machine/fit/fitFacts'
import type { FitSlice } from '../machine/fit/fitSlice'
import type { Drives } from '../plan/drives'
import { monthsPerYear } from '../units/time'
import { headroomState, worseState, type VerdictState } from '../verdict'
import { failingWith, newlyFailing } from './plannedFit'
import { plannedCourse, type PlannedLot, type PlannedStep } from './plannedCourse'

export interface RoomSlice {
  readonly layoutId: string
  /** room that the drives give today, TB; null where they make no pool */
  readonly roomTB: number | null
  readonly isAutomatic: boolean
  /** why the drives make no pool; null without any drives too */
  readonly refusal: LayoutRefusal | null
  /** the library, month by month from today on */
  readonly forecast: Forecast
  readonly contentTB: Estimate
  readonly contentAtHorizonTB: Estimate
  readonly nothingKept: boolean
  readonly horizonYears: number
  /** null where no drives are planned */
  readonly planned: Planned | null
}

/** Drives that are bought later, and what decides whether they find a place. */
export interface Planned {
  readonly drives: PlannedDrives
  readonly catalogue: DriveCatalogue
  readonly fit: FitSlice
}

/** Of a plan's drives what decides what they give and ask of the machine. */
export type PlannedDrives = CommonDrives &
  Pick<
    Drives,
    | 'hotSpares'
    | 'fileSystem'
    | 'changedGBPerMonth'
    | 'snapshotMonths'
    | 'purchases'
    | 'expandsParity'
  > & {
    readonly lots: readonly PlannedLot[]
  }

/** Those of a plan. */
export function plannedDrives(drives: Drives): PlannedDrives {
  return {
    lots: unpricedLots(drives),
    driveClass: drives.driveClass,
    failuresPerYear: drives.failuresPerYear,
    outerMBps: drives.outerMBps,
    shingled: drives.shingled,
    sheetReadErrorBits: drives.sheetReadErrorBits,
    hotSpares: drives.hotSpares,
    fileSystem: drives.fileSystem,
    changedGBPerMonth: drives.changedGBPerMonth,
    snapshotMonths: drives.snapshotMonths,
    purchases: drives.purchases,
    expandsParity: drives.expandsParity,
  }
}

/** How long the room lasts, as planned drives come in. */
export interface RoomFacts {
  /** today, TB */
  readonly roomTB: number
  /** by month with the purchases that are planned; null where none are */
  readonly roomByMonthTB: readonly number[] | null
  /**
   * first month whose content exceeds the room: likely, with fast and with slow growth; null within
   * fifteen years
   */
  readonly monthFull: {
    readonly likely: number | null
    readonly soonest: number | null
    readonly latest: number | null
  }
  /** the month up to the horizon in which most is kept, the last of equals */
  readonly largest: {
    readonly contentTB: Estimate
    readonly roomTB: number
  }
  /** the worst state of any month up to the horizon, by how much of the room is left */
  readonly left: VerdictState
  /** the planned purchases, in their order, with how many of their drives count */
  readonly planned: readonly PlannedStep[]
}

/** How long the room of a plan's drives lasts; null where they make no pool. */
export function roomFacts(slice: RoomSlice): { readonly room: RoomFacts | null } {
  const { roomTB, forecast, horizonYears } = slice
  if (roomTB === null) return { room: null }
  const course = slice.planned && courseOf(slice, slice.planned)
  const roomAt = (month: number) => course?.roomTB[month] ?? roomTB
  const fullAt = (end: keyof Estimate) => {
    const month = forecast.months.findIndex((content, at) => content[end] > roomAt(at))
    return month < 0 ? null : month
  }
  const months = forecast.months
    .slice(0, horizonYears * monthsPerYear + 1)
    .map((contentTB, at) => ({ contentTB, roomTB: roomAt(at) }))
  return {
    room: {
      roomTB,
      largest: months.reduce((most, month) =>
        month.contentTB.likely >= most.contentTB.likely ? month : most,
      ),
      left: months.reduce<VerdictState>(
        (worst, { contentTB, roomTB: room }) =>
          worseState(worst, headroomState(contentTB, exactly(room))),
        'ample',
      ),
      roomByMonthTB: course?.roomTB ?? null,
      monthFull: { likely: fullAt('likely'), soonest: fullAt('high'), latest: fullAt('low') },
      planned: course?.steps ?? [],
    },
  }
}

function courseOf({ layoutId, forecast }: RoomSlice, { drives, catalogue, fit }: Planned) {
  const models = boughtModels(driveClassOf(drives, catalogue), catalogue.driveModels)
  const failingOnce = new Map<readonly PlannedLot[], JudgedFacts[]>()
  const failing = (lots: readonly PlannedLot[]) => {
    const known = failingOnce.get(lots)
    if (known) return known
    const found = failingWith(fit, driveLoads(traitsOf({ ...drives, lots }, catalogue)))
    failingOnce.set(lots, found)
    return found
  }
  return plannedCourse({
    rule: {
      layout: layouts.find(({ id }) => id === layoutId)!,
      hotSpares: drives.hotSpares,
      roomOf: usableTB => roomOf(usableTB, drives),
    },
    expandsParity: drives.expandsParity,
    lots: singles(drives.lots),
    purchases: drives.purchases,
    months: forecast.months.length,
    modelOf: sizeTB => models.find(model => model.sizeTB === sizeTB)?.id ?? null,
    failing: (before, after) => newlyFailing(failing(before), failing(after)),
  })
}
