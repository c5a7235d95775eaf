import { entryOf, type Catalogue } from '../../catalogue/catalogue'
import type { NeedId } from '../../headrooms'
import { effectiveCatalogue } from '../../calibration/effectiveCatalogue'
import type { Plan } from '../../plan/planSchema'
import { deadChanceOf, machineAtHand, riskAtHand, type RiskAtHand } from '../machineAtHand'
import { costEpsilon } from './branchAndBound'
import { createBuildSearch, finishSearch } from './buildSearch'
import { ways, type WayId } from './frame'
import { frameAtHand } from './frames'
import { asItIs, wayBuild, withConditions, yearsCost, type WayBuild } from './wayBuild'

/** What is more likely dead than not is no second machine either. */
export const likelyDead = 0.5
/** A second machine for copies has at least so many bays. */
export const secondBays = 2

/** A computer at hand with the best build around it. */
export interface HandBuild {
  readonly index: number
  readonly name: string
  /** parts of the need that it lacks as it is, with the plan's drives */
  readonly lacks: readonly NeedId[]
  /** the best around it that meets the need; null where none does */
  readonly build: WayBuild | null
  /** ids of the parts that are put in for that */
  readonly parts: readonly string[]
  /** where none does: what comes closest, a condition given up */
  readonly closest: WayBuild | null
  readonly risk: RiskAtHand
  readonly verdict: 'base' | 'secondMachine' | 'leave'
}

export interface HandBuilds {
  /** the best build on anything that is bought; null where none meets the need */
  readonly bought: WayBuild | null
  readonly computers: readonly HandBuild[]
}

/**
 * The best build around each computer at hand, by the sums of every other answer: it is the base
 * where that costs no more over the years than the best that is bought; a second machine for copies
 * where it has bays; otherwise it is left.
 */
export function handBuilds(plan: Plan, shipped: Catalogue): HandBuilds {
  const catalogue = effectiveCatalogue(plan, shipped)
  const search = createBuildSearch({ ...plan, brief: { ...plan.brief, budget: null } }, shipped)
  const best = (question: { readonly ways?: readonly WayId[]; readonly frame?: string }) =>
    finishSearch(search.search({ objective: 'horizon', ways: null, cap: null, ...question })).best
      ?.found ?? null
  const bought = best({
    ways: (Object.keys(ways) as WayId[]).filter(way => way !== 'atHand' && way !== 'shared'),
  })
  const boughtBuild = bought && wayBuild(bought)
  return {
    bought: boughtBuild,
    computers: plan.machine.atHand.map((computer, index): HandBuild => {
      const frame = frameAtHand(index)
      const found = best({ frame })
      const build = found && wayBuild(found)
      const free = found
        ? null
        : finishSearch(
            search.search({
              objective: 'horizon',
              ways: null,
              cap: null,
              frame,
              withoutConditions: true,
            }),
          ).best
      const base = entryOf(catalogue.machineBases, computer.ref)
      const asIs = asItIs(
        {
          ...plan,
          machine: {
            ...machineAtHand(computer),
            atHand: plan.machine.atHand,
            ownParts: plan.machine.ownParts,
            diagnosisFee: plan.machine.diagnosisFee,
          },
        },
        shipped,
      )
      const isBase =
        build !== null &&
        (boughtBuild === null || yearsCost(build) <= yearsCost(boughtBuild) + costEpsilon)
      return {
        index,
        name: computer.name || base?.label || `Computer ${index + 1}`,
        lacks: asIs.lacks,
        build: build && withConditions(build, shipped),
        parts: found?.refs ?? [],
        closest: free && withConditions(wayBuild(free.found), shipped),
        risk: riskAtHand(computer, { plan, catalogue }),
        verdict: isBase
          ? 'base'
          : (computer.bays ?? base?.bays ?? 0) >= secondBays && deadChanceOf(computer) < likelyDead
            ? 'secondMachine'
            : 'leave',
      }
    }),
  }
}
