import type { SystemKind } from '../../catalogue/systemKinds'
import type { SystemPlan } from '../../plan/system'
import type { FitContext } from '../fit/fitContext'
import { licenceFor, licenceOnce, pluggedIn } from './licence'

/** Why a kind of system is struck out, as a code with what its sentence needs. */
export type SystemRefusal =
  | { readonly code: 'skill'; readonly needs: number; readonly atHand: number }
  | {
      readonly code:
        | 'layout'
        | 'mixedSizes'
        | 'wifi'
        | 'cards'
        | 'engine'
        | 'containers'
        | 'guests'
        | 'snapshots'
        | 'readable'
        | 'growsByOne'
        | 'onlyOn'
        | 'arm'
        | 'licence'
    }

/** One kind of system for a plan. */
export interface SystemRow {
  readonly kind: SystemKind
  readonly refusals: readonly SystemRefusal[]
  /** once and for so many years, in the plan's currency */
  readonly money: number
  readonly hoursPerYear: number
  /** 1 is the best of those that are left; null where it is struck out */
  readonly rank: number | null
}

export interface SystemQuestion {
  readonly context: Pick<
    FitContext,
    'build' | 'drives' | 'machine' | 'layoutId' | 'hardwareConversion' | 'conversionsNeeded'
  >
  readonly wishes: SystemPlan
  /** drives of unlike sizes under a layout that shares data among them */
  readonly mixedSizes: boolean
  readonly horizonYears: number
}

/** What strikes a kind of system out. Musts first, each with its reason. */
export function systemRefusals(
  kind: SystemKind,
  { context, wishes, mixedSizes }: SystemQuestion,
): SystemRefusal[] {
  const {
    build: { base, parts, builtIn, cards, processor },
    machine,
    layoutId,
    hardwareConversion,
    conversionsNeeded,
    drives,
  } = context
  const found: SystemRefusal[] = []
  const strike = (code: Exclude<SystemRefusal['code'], 'skill'>, when: boolean) => {
    if (when) found.push({ code })
  }
  if (wishes.skillAtMost !== null && kind.skill > wishes.skillAtMost)
    found.push({ code: 'skill', needs: kind.skill, atHand: wishes.skillAtMost })
  strike('onlyOn', kind.onlyOn !== null && base?.class !== kind.onlyOn)
  strike('layout', drives.count > 1 && kind.layouts.length > 0 && !kind.layouts.includes(layoutId))
  strike('mixedSizes', mixedSizes && !kind.mixedSizes)
  strike('licence', licenceFor(kind.licence, pluggedIn(context.build, drives.count)) === null)
  strike('arm', processor?.runs === 'ARM' && !kind.onArm)
  strike('wifi', machine.onWifi && !kind.wifi)
  strike(
    'cards',
    !kind.knowsServerCards &&
      parts.some(({ entry }) => 'knownTo' in entry && entry.knownTo === 'servers'),
  )
  strike(
    'engine',
    kind.engine === 'no' &&
      hardwareConversion &&
      conversionsNeeded > 0 &&
      (builtIn !== null || cards.length > 0),
  )
  for (const code of unmetWishes(kind, wishes)) strike(code, true)
  return found
}

/** What is wished of a system and a kind does not do. */
function unmetWishes(kind: SystemKind, wishes: SystemPlan) {
  const unmet = {
    containers: wishes.wantsContainers && !kind.containers,
    guests: wishes.wantsGuests && !kind.guests,
    snapshots: wishes.wantsSnapshots && !kind.snapshots,
    readable: wishes.wantsReadable && !kind.readableElsewhere,
    growsByOne: wishes.growsByOne && !kind.growsByOne,
  }
  return (Object.keys(unmet) as (keyof typeof unmet)[]).filter(wish => unmet[wish])
}

/** Whether a kind of system does everything that is wished of one, whatever the machine. */
export function meetsWishes(kind: SystemKind, wishes: SystemPlan): boolean {
  return unmetWishes(kind, wishes).length === 0
}

/**
 * Kinds of system for a plan: those that are left ranked by skill, then hours, then money, those
 * struck out behind them.
 */
export function compareSystems(
  kinds: readonly SystemKind[],
  question: SystemQuestion,
): SystemRow[] {
  const { build, drives } = question.context
  const plugged = pluggedIn(build, drives.count)
  const rows = kinds.map(kind => ({
    kind,
    refusals: systemRefusals(kind, question),
    money: licenceOnce(kind, plugged) + kind.licence.perYear * question.horizonYears,
    hoursPerYear: kind.upkeepHoursPerYear,
    rank: null,
  }))
  const left = rows
    .filter(({ refusals }) => refusals.length === 0)
    .sort(
      (a, b) =>
        a.kind.skill - b.kind.skill ||
        a.hoursPerYear - b.hoursPerYear ||
        a.money - b.money ||
        (a.kind.id < b.kind.id ? -1 : 1),
    )
  return [
    ...left.map((row, index) => ({ ...row, rank: index + 1 })),
    ...rows.filter(({ refusals }) => refusals.length > 0),
  ]
}

const reasons: Readonly<Record<Exclude<SystemRefusal['code'], 'skill'>, string>> = {
  layout: 'it cannot do the layout of the drives',
  mixedSizes: 'it wants drives of one size',
  wifi: 'it does not support Wi-Fi',
  cards: 'it may not know the controller or network card',
  engine: 'it cannot use the video engine',
  containers: 'it has no containers',
  guests: 'it has no guests',
  snapshots: 'it keeps no snapshots',
  readable: 'its drives cannot be read elsewhere',
  growsByOne: 'it does not grow by a single drive',
  onlyOn: 'it comes with an appliance only',
  arm: 'it does not run on an ARM chip',
  licence: 'its licence does not count that many drives',
}

/** A reason, to stand behind "because". */
export function refusalReason(refusal: SystemRefusal): string {
  return refusal.code === 'skill'
    ? `it needs skill ${refusal.needs}, and ${refusal.atHand} is at hand`
    : reasons[refusal.code]
}
