import { planAssessor } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import { upgradeSteps } from '../network/upgrades'
import { effectiveCatalogue } from '../calibration/effectiveCatalogue'
import type { Plan } from '../plan/planSchema'
import { Rehearsal, type RehearsalHow } from '../rehearsal/playOne'
import type { RehearsalSlice } from '../rehearsal/question/rehearsalSlice'
import { rehearsalWorld, type Missing } from '../rehearsal/question/rehearsalWorld'
import { isDisturbed, scoreOf } from '../rehearsal/many/eveningScore'
import { conversionFixes } from './conversionFixes'
import { fixesOf } from './rankFixes'

const needed = ['household', 'titles', 'playback', 'streams', 'network', 'drives'] as const

/** A plan ready to be rehearsed, or what is missing. */
export type Rehearsed =
  | { readonly missing: Missing; readonly rehearsal: null; readonly slice: RehearsalSlice }
  | { readonly missing: null; readonly rehearsal: Rehearsal; readonly slice: RehearsalSlice }

/** Makes a plan ready to be rehearsed. */
export function rehearsalOf(plan: Plan, catalogue: Catalogue, how: RehearsalHow): Rehearsed {
  const facts = planAssessor(1).facts(plan, catalogue, [...needed])
  const slice = { plan, catalogue: effectiveCatalogue(plan, catalogue), facts }
  const { missing, world } = rehearsalWorld(slice, how)
  return world
    ? { missing: null, rehearsal: new Rehearsal(world, how), slice }
    : { missing, rehearsal: null, slice }
}

/** A change of the plan that may mend an evening. */
export interface RehearsalFix {
  readonly id: string
  readonly label: string
  /** planning value; null where it is not known */
  readonly price: number | null
  readonly plan: Plan
}

/** Every fix that the plan's views offer: the cheapest first, those without a price last. */
export function rehearsalFixes(plan: Plan, catalogue: Catalogue): RehearsalFix[] {
  const playback = fixesOf(plan, catalogue).ranked
  const conversions = conversionFixes(plan, catalogue)
  const network = upgradeSteps(plan.network).map(({ id, label, price, changes }) => ({
    id: `network-${id}`,
    label,
    price,
    plan: { ...plan, network: { ...plan.network, ...changes } },
  }))
  const all = [...playback, ...conversions, ...network].map(({ id, label, price, plan: next }) => ({
    id,
    label,
    price,
    plan: next,
  }))
  return all
    .filter(({ id }, at) => all.findIndex(other => other.id === id) === at)
    .sort((a, b) => (a.price ?? Infinity) - (b.price ?? Infinity))
}

/** What a fix makes of the same evening. */
export interface TriedFix extends RehearsalFix {
  /** the session in question is watched without a stall, a step or a refusal */
  readonly mends: boolean
  /** nothing at all disturbs the evening any more */
  readonly isQuiet: boolean
}

/** One session of an evening, by the habit that it comes from. */
export interface SessionAsked {
  readonly evening: number
  readonly habit: number
  /** it is about a step: then a session that steps down is not mended */
  readonly isStep: boolean
}

/** A fix of the plan, with the same evening replayed on it. */
export function triedFix(
  fix: RehearsalFix,
  catalogue: Catalogue,
  { how, asked }: { readonly how: RehearsalHow; readonly asked: SessionAsked },
): TriedFix {
  const { rehearsal } = rehearsalOf(fix.plan, catalogue, how)
  if (!rehearsal) return { ...fix, mends: false, isQuiet: false }
  const drawn = rehearsal.evening(asked.evening)
  const run = rehearsal.play(drawn)
  const result = run.results[drawn.sessions.findIndex(({ habit }) => habit === asked.habit)]
  const live = result?.live
  const mends =
    result?.outcome === 'watched' && live?.stalls === 0 && (!asked.isStep || live.steps === 0)
  return { ...fix, mends, isQuiet: !isDisturbed(scoreOf(asked.evening, run)) }
}
