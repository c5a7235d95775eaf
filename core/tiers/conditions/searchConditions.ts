import { entryOf, type Catalogue } from '../../catalogue/catalogue'
import { driveDb, noiseAtEar, noiseCeiling } from '../../machine/place/noise'
import { isInCupboard, isPlaceSaid } from '../../machine/place/standsIn'
import type { DrivesFacts } from '../../drives/drivesFacts'
import type { Plan } from '../../plan/planSchema'
import type { BoxRow, PoolRow } from '../buildRows'
import type { Frame, Option } from '../search/frame'
import type { PoolOffer } from '../search/poolOffers'
import { mostSkill, skillAtHand } from './assemblingSkill'
import { conditions, isSmallArm, lossPerYear } from './conditions'

/** The conditions of a plan as a search asks them, each as soon as it can be said. */
export interface SearchConditions {
  readonly takesFrame: (frame: Frame) => boolean
  /** @param pool where drives are chosen already */
  readonly takesOption: (option: Option, pool: PoolOffer | null) => boolean
  readonly takesOffer: (offer: PoolOffer) => boolean
  /** of a machine as far as it converts */
  readonly takesCore: (row: BoxRow, frame: Frame) => boolean
  readonly takesDrives: (row: PoolRow) => boolean
  /** rules of fit of which not even a warning may be left */
  readonly strictRules: ReadonlySet<string>
  readonly spareBays: number
}

/** Nothing is asked for. */
export const noConditions: SearchConditions = {
  takesFrame: () => true,
  takesOption: ({ mends }) => mends === undefined,
  takesOffer: () => true,
  takesCore: () => true,
  takesDrives: () => true,
  strictRules: new Set(),
  spareBays: 0,
}

/** The least that arrives at the ear of drives that seek, dB(A), in the case that damps most. */
function quietestDb(
  { spinning, fast }: Pick<DrivesFacts, 'spinning' | 'fast'>,
  brief: Plan['brief'],
  mostDamping: number,
): number {
  const each = (count: number, db: number) =>
    Array.from({ length: count }, () => Math.max(0, db - mostDamping))
  return noiseAtEar(
    [...each(spinning - fast, driveDb.slow.seeking), ...each(fast, driveDb.fast.seeking)],
    { distanceM: brief.earDistanceM, inCupboard: isInCupboard(brief) },
  )
}

/** What is asked for by a plan. @param catalogue with the plan's own entries */
export function searchConditions(plan: Plan, catalogue: Catalogue): SearchConditions {
  const { conditions: set } = plan
  const skill = skillAtHand(plan, catalogue.systemKinds)
  const asksSkill = skill < mostSkill
  const ownedRefs = new Set(
    plan.machine.parts.flatMap(({ ref, condition }) => (condition === 'owned' ? [ref] : [])),
  )
  const mended = {
    coolDrives: set.coolDrives && isPlaceSaid(plan.brief),
    systemApart: set.systemApart,
  }
  const asksQuiet = set.quiet && isPlaceSaid(plan.brief)
  const mostDamping = catalogue.hardware.reduce(
    (most, part) => (part.kind === 'case' ? Math.max(most, part.dampsDb ?? 0) : most),
    0,
  )
  const isRefused = (sold: string | undefined) =>
    (!set.refurbishedDrives && sold === 'refurbished') ||
    (!set.externalCaseDrives && sold === 'fromExternalCase')
  return {
    takesFrame: ({ isOwn, sold, assembling }) =>
      isOwn || ((set.refurbishedMachines || sold === 'new') && (!asksSkill || assembling <= skill)),
    takesOption: ({ processor, system, mends, onUsb }, pool) =>
      // An empty one may be wanted for its spare bays.
      (!set.noUsbLayouts || !onUsb || pool === null || set.spareBays > 0 || pool.standsAlone) &&
      (mends === undefined || mended[mends]) &&
      (set.refurbishedMachines ||
        !processor ||
        processor.sold === 'new' ||
        ownedRefs.has(processor.id)) &&
      (!asksSkill || !system || system.skill <= skill),
    takesOffer: ({ choice: { model, count } }) =>
      count === 0 || !isRefused(model ? entryOf(catalogue.driveModels, model)?.sold : undefined),
    takesCore: ({ machine, needs }, { isOwn }) =>
      !set.madeForConversion || needs.needed.needed === 0 || !isSmallArm(machine.build, isOwn),
    takesDrives: ({ drives }) =>
      (!set.limitsLoss || (lossPerYear(drives) ?? 0) <= set.lossPerYearAtMost) &&
      (!asksQuiet || quietestDb(drives, plan.brief, mostDamping) <= noiseCeiling(plan.brief)),
    strictRules: new Set(
      conditions.flatMap(({ rules = [], isOn }) => (isOn(plan, catalogue) ? rules : [])),
    ),
    spareBays: set.spareBays,
  }
}
