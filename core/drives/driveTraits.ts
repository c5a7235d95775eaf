import { entryOf, type Catalogue } from '../catalogue/catalogue'
import type { DriveClass } from '../catalogue/driveClasses'
import type { DriveModel } from '../catalogue/driveModels'
import { exactly, type Estimate } from '../figure'
import { ownEntry } from '../plan/constants'
import type { Drives } from '../plan/drives'
import { failureRatePerHour } from './failureRate'
import { hoursPerYear } from '../units/time'
import { likelyReadErrors } from './readError'
import { linkMBps, rebuildShareOfOuter } from './rebuildHours'
import { usualPrice } from './usualPrice'

/** The lists that drives are looked up in. */
export type DriveCatalogue = Pick<Catalogue, 'driveClasses' | 'driveModels'>
/** What is said of all drives without a model of their own. */
export type CommonDrives = Pick<
  Drives,
  'driveClass' | 'failuresPerYear' | 'outerMBps' | 'shingled' | 'sheetReadErrorBits'
>

/** What one drive is like. */
export interface DriveTraits {
  /** null where its figures are entered */
  readonly model: DriveModel | null
  /** null where neither its model nor its class is in the catalogue */
  readonly driveClass: DriveClass | null
  /** annual failure rate, 0..1 */
  readonly failuresPerYear: number
  readonly sheetReadErrorBits: number
  readonly outerMBps: number
  readonly shingled: boolean
  readonly spinning: boolean
  /** an SSD for an M.2 place; other SSDs hang on a data port */
  readonly nvme: boolean
  /** in a case of its own on USB: it takes no place of the machine */
  readonly inOwnCase: boolean
  /** watts, DC */
  readonly idleW: Estimate
  readonly activeW: Estimate
  /** with its platters stopped; of one that does not turn as with nothing to do */
  readonly asleepW: Estimate
  /** of one, were it bought, in the plan's currency, where no price is entered */
  readonly usualPrice: number
}

/** Drives of no known class fail like new ones made for running day and night. */
export const usualFailuresPerYear = 0.015
/** Watts of a data sheet are met within this share either way. */
export const sheetWattsBand = 0.15

/** A drive that turns, asleep, of which no model is known: under 1 W. */
export const usualAsleepW: Estimate = { low: 0.5, likely: 0.75, high: 1 }

/** Class of a plan's drives; a class that the catalogue does not know counts as its first. */
export function driveClassOf(
  { driveClass }: Pick<Drives, 'driveClass'>,
  { driveClasses }: Pick<DriveCatalogue, 'driveClasses'>,
): DriveClass | null {
  return entryOf(driveClasses, driveClass) ?? driveClasses[0] ?? null
}

const around = (watts: number): Estimate => ({
  low: watts * (1 - sheetWattsBand),
  likely: watts,
  high: watts * (1 + sheetWattsBand),
})

/**
 * What a drive of a lot is like: as its model's data sheet says, else as is entered for all drives.
 * A failure rate that is
 * entered goes before both. A model that the catalogue does not know counts as entered.
 */
export function driveTraits(
  { model: id, sizeTB }: { readonly model: string; readonly sizeTB: number },
  drives: CommonDrives,
  catalogue: DriveCatalogue,
): DriveTraits {
  const model = id === ownEntry ? null : entryOf(catalogue.driveModels, id)
  if (model) {
    const driveClass = entryOf(catalogue.driveClasses, model.driveClass)
    return {
      model,
      driveClass,
      failuresPerYear: drives.failuresPerYear ?? model.failuresPerYear,
      sheetReadErrorBits: model.sheetReadErrorBits,
      outerMBps: model.outerMBps,
      shingled: model.recording === 'shingled',
      spinning: model.recording !== 'flash',
      nvme: model.link === 'nvme',
      inOwnCase: model.link === 'usb',
      idleW: around(model.idleW),
      activeW: around(model.activeW),
      asleepW: around(model.recording === 'flash' ? model.idleW : model.standbyW),
      usualPrice: model.price,
    }
  }
  const driveClass = driveClassOf(drives, catalogue)
  return {
    model: null,
    driveClass,
    failuresPerYear: drives.failuresPerYear ?? driveClass?.failuresPerYear ?? usualFailuresPerYear,
    sheetReadErrorBits: drives.sheetReadErrorBits,
    outerMBps: drives.outerMBps,
    shingled: drives.shingled,
    spinning: driveClass?.spinning ?? true,
    nvme: false,
    inOwnCase: driveClass?.inOwnCase ?? false,
    idleW: driveClass?.idleW ?? exactly(0),
    activeW: driveClass?.activeW ?? exactly(0),
    asleepW:
      driveClass === null ? exactly(0) : driveClass.spinning ? usualAsleepW : driveClass.idleW,
    usualPrice: usualPrice(sizeTB, driveClass, catalogue.driveModels),
  }
}

/** What drives of one pool come to together. */
export interface PooledTraits {
  readonly failuresPerYear: number
  /** of the slowest: a rebuild waits for it */
  readonly outerMBps: number
  /** what the slowest keeps up over its whole surface, and through what it hangs on */
  readonly sustainedMBps: number
  readonly shingled: boolean
  /** unreadable sectors a bit read, likely: the mean over the terabytes */
  readonly readErrorsPerBit: number
}

/**
 * Unlike drives in one pool: the mean of their failure rates an hour, the slowest one's speed, and
 * the mean of their read errors.
 * @param drives at least one
 */
export function pooledTraits(
  drives: readonly (Pick<
    DriveTraits,
    'failuresPerYear' | 'outerMBps' | 'shingled' | 'sheetReadErrorBits' | 'nvme' | 'inOwnCase'
  > & { readonly sizeTB: number })[],
): PooledTraits {
  const rates = drives.map(({ failuresPerYear }) => failuresPerYear)
  const alike = rates.every(rate => rate === rates[0])
  const meanPerHour = rates.reduce((sum, rate) => sum + failureRatePerHour(rate), 0) / rates.length
  const sizeTB = drives.reduce((sum, drive) => sum + drive.sizeTB, 0)
  const bits = drives.map(drive => drive.sheetReadErrorBits)
  return {
    failuresPerYear: alike ? rates[0]! : -Math.expm1(-meanPerHour * hoursPerYear),
    outerMBps: Math.min(...drives.map(({ outerMBps }) => outerMBps)),
    sustainedMBps: Math.min(
      ...drives.map(({ outerMBps, nvme, inOwnCase }) =>
        Math.min(
          rebuildShareOfOuter * outerMBps,
          linkMBps[nvme ? 'nvme' : inOwnCase ? 'usb' : 'data'],
        ),
      ),
    ),
    shingled: drives.some(({ shingled }) => shingled),
    readErrorsPerBit: bits.every(one => one === bits[0])
      ? likelyReadErrors(bits[0]!)
      : drives.reduce(
          (sum, drive) => sum + drive.sizeTB * likelyReadErrors(drive.sheetReadErrorBits),
          0,
        ) / sizeTB,
  }
}
