import { needIds } from '../../headrooms'
import { planAssessor, type Assessment } from '../../assess'
import type { Catalogue } from '../../catalogue/catalogue'
import { effectiveCatalogue } from '../../calibration/effectiveCatalogue'
import type { Plan } from '../../plan/planSchema'
import type { Verdict } from '../../verdict'
import { changedPools } from './cheapestChange'
import { machineOf, ownFrame } from './frames'
import type { Group, Option } from './frame'
import { layoutLabel, partNames } from './names'

/** One step of a path: the limit that binds, and its cheapest relief. */
export interface UpgradeStep {
  readonly limit: Verdict
  /** possible ÷ needed of that limit, before and after */
  readonly before: number
  readonly after: number
  readonly label: string
  readonly price: number
  readonly plan: Plan
}

/** Headrooms that a path goes by: the need as far as more or less of it can be had. */
const followed: readonly string[] = needIds.filter(id => id !== 'fit')
/** More than this much of what is needed is enough for a long time. */
export const plenty = 5

/** possible ÷ needed; plenty where nothing is needed, null where it is not known. */
export function ratioOf({ asked, possible }: Pick<Verdict, 'asked' | 'possible'>): number | null {
  if (!asked || !possible) return null
  return asked.likely <= 0 ? plenty : Math.min(plenty, possible.likely / asked.likely)
}

function ratios(verdicts: readonly Verdict[]): Map<string, number> {
  return new Map(
    verdicts
      .filter(({ id }) => followed.includes(id))
      .flatMap(verdict => {
        const ratio = ratioOf(verdict)
        return ratio === null ? [] : [[verdict.id, ratio] as const]
      }),
  )
}

/**
 * The limit that binds: the smallest possible ÷ needed; null where nothing is known, or everything
 * is plenty.
 */
export function bindingLimit(
  verdicts: readonly Verdict[],
): { readonly limit: Verdict; readonly ratio: number } | null {
  const [id, ratio] = [...ratios(verdicts)].reduce<[string, number]>(
    (min, entry) => (entry[1] < min[1] ? [...entry] : min),
    ['', plenty],
  )
  const limit = verdicts.find(verdict => verdict.id === id)
  return limit ? { limit, ratio } : null
}

/**
 * The next step of a plan, and the one after it: the cheapest single change that raises the
 * smallest headroom and lowers none below what is needed.
 */
export function upgradePath(plan: Plan, shipped: Catalogue, steps = 2): UpgradeStep[] {
  const path: UpgradeStep[] = []
  const assessor = planAssessor(4)
  let now = plan
  for (let at = 0; at < steps; at++) {
    const { verdicts, domains } = assessor.assess(now, shipped)
    const before = ratios(verdicts)
    const failedBefore = failedRules(domains)
    const binding = bindingLimit(verdicts)
    if (!binding) break
    const {
      limit,
      limit: { id },
      ratio: least,
    } = binding
    const step = firstThatHelps(candidates(now, shipped, id), candidate => {
      const changed = assessor.assess(candidate.plan, shipped)
      const after = ratios(changed.verdicts)
      const raised = (after.get(id) ?? 0) > least + 1e-9
      const harms = [...after].some(
        ([other, ratio]) => ratio < 1 && ratio < (before.get(other) ?? 0) - 1e-9,
      )
      const addsDrives = drivesIn(candidate.plan) > drivesIn(now)
      const isRefused = failedRules(changed.domains).some(
        rule => !failedBefore.includes(rule) || (addsDrives && placesOfDrives.includes(rule)),
      )
      return raised && !harms && !isRefused ? { ...candidate, after: after.get(id)! } : null
    })
    if (!step) break
    path.push({
      limit,
      before: least,
      after: step.after,
      label: step.label,
      price: step.price,
      plan: step.plan,
    })
    now = step.plan
  }
  return path
}

/** Rules of fit that say whether a drive has a place: none goes in where one of them fails. */
const placesOfDrives: readonly string[] = ['bays', 'dataPorts', 'powerPlugs', 'ssdPlaces']

const failedRules = ({ fitting }: Pick<Assessment['domains'], 'fitting'>): string[] =>
  fitting.judged.flatMap(({ id, state }) => (state === 'fail' ? [id] : []))
const drivesIn = ({ drives }: Plan) => drives.lots.reduce((sum, { count }) => sum + count, 0)

interface Candidate {
  readonly label: string
  readonly price: number
  readonly plan: Plan
}

/** So many changes are tried for a step, the cheapest first. */
export const maxTried = 900

function firstThatHelps<Found>(
  all: readonly Candidate[],
  look: (candidate: Candidate) => Found | null,
): Found | null {
  for (const candidate of all.slice(0, maxTried)) {
    const found = look(candidate)
    if (found) return found
  }
  return null
}

/** A part, or drives, without what else it may need. */
interface Change {
  readonly label: string
  readonly price: number
  readonly refs: readonly string[]
  readonly portMbps: number
  readonly drives: Plan['drives']
}

/**
 * Changes that may relieve a limit, the cheapest first: a part, or drives; each by itself, and with
 * one more part that it may need to go together.
 */
function candidates(plan: Plan, shipped: Catalogue, limit: string): Candidate[] {
  const catalogue = effectiveCatalogue(plan, shipped)
  const frame = ownFrame(plan, catalogue)
  const optionsOf = (ids: readonly Group['id'][]) =>
    frame.groups.flatMap(({ id, options }) =>
      ids.includes(id) ? options.filter(({ refs }) => refs.length > 0) : [],
    )
  const changes =
    limit === 'space' || limit === 'survival'
      ? drivesChanges(plan, catalogue, limit)
      : optionsOf(['processor', 'card', 'memory', 'networkCard']).map((option): Change => ({
          label: `Put in ${partNames(option.refs, catalogue)}`,
          price: option.price,
          refs: option.refs,
          portMbps: option.portMbps ?? 0,
          drives: plan.drives,
        }))
  const helpers: readonly Option[] = [
    { refs: [], price: 0, idleW: 0, loadW: 0 },
    ...optionsOf(['supply', 'enclosure', 'controller', 'memory']),
  ]
  const withChange = ({ drives, refs, portMbps }: Change, helper: Option): Plan => ({
    ...plan,
    drives,
    machine: machineOf(frame, [...refs, ...helper.refs], { plan: { ...plan, drives }, catalogue }),
    network: {
      ...plan.network,
      serverPortMbps: Math.max(
        plan.network.serverPortMbps,
        portMbps,
      ) as Plan['network']['serverPortMbps'],
    },
  })
  return changes
    .flatMap(change =>
      helpers
        .filter(helper => !helper.refs.some(ref => change.refs.includes(ref)))
        .map(helper => ({ change, helper, price: change.price + helper.price })),
    )
    .sort(
      (a, b) =>
        a.price - b.price ||
        a.helper.refs.length - b.helper.refs.length ||
        (a.change.label < b.change.label ? -1 : 1),
    )
    .slice(0, maxTried)
    .map(({ change, helper, price }) => ({
      label: `${change.label}${helper.refs.length ? `, with ${partNames(helper.refs, catalogue)}` : ''}`,
      price,
      plan: withChange(change, helper),
    }))
}

/** Drives, or another layout of those that are there, that give more of what binds. */
function drivesChanges(plan: Plan, catalogue: Catalogue, limit: 'space' | 'survival'): Change[] {
  const pools = changedPools(plan, catalogue, { newLayout: true })
  const own = pools.find(({ choice }) => choice.count === 0)
  const isMore = ({ roomTB, survives }: (typeof pools)[number]) =>
    limit === 'space' ? roomTB > (own?.roomTB ?? 0) : survives > (own?.survives ?? 0)
  return pools.filter(isMore).map(({ choice, price, drives }) => {
    const isOwn = drives.layout === plan.drives.layout || drives.layout === own?.choice.layout
    const other = isOwn ? '' : `, ${layoutLabel(drives.layout)}`
    return {
      label:
        choice.count > 0
          ? `Add ${choice.count} × ${choice.sizeTB} TB${other}`
          : `Change the layout${other}`,
      price,
      refs: [],
      portMbps: 0,
      drives,
    }
  })
}
