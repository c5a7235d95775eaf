import type { Catalogue } from '../../catalogue/catalogue'
import { rulesFinalAt, pruneSteps, type PruneStep } from '../../machine/fit/fitRule'
import { fitRules } from '../../machine/fit/fitRules'
import type { Plan } from '../../plan/planSchema'
import { singleConversionCapacity } from '../../streams/capacity'
import type { Box, BoxEvaluator, BoxRow, PoolRow } from '../buildRows'
import { onceByKey } from '../../onceByKey'
import { failsNeed } from './buildQuestion'
import { machineOf } from './frames'
import type { PoolOffer } from './poolOffers'
import type { State } from './searchState'

/** Machines and drives as rows of the evaluator, and what is known to lead to no build. */
export interface Pruning {
  /** the machine as far as it converts: board, processor, memory and cards */
  readonly coreRow: (state: State, copyOnWrite: boolean) => BoxRow
  /** the machine with all that is chosen */
  readonly rowOf: (state: State) => BoxRow
  readonly poolRowOf: (offer: PoolOffer) => PoolRow
  /**
   * Whether a machine converts too little: one with the same engines and a processor no weaker,
   * all conversions together and one alone, is known to.
   */
  readonly convertsTooLittle: (state: State, copyOnWrite: boolean) => boolean
  /**
   * Whether what is chosen cannot be part of a machine that goes together, whatever is chosen
   * later; asked once for drives that are alike, or for all drives.
   */
  readonly isInfeasible: (row: BoxRow, drives: PoolRow, step: PruneStep) => boolean
  /**
   * Whether it is too loud, whatever is chosen later: asked once for what sounds, which is the case
   * with its fans, and drives by their number and speed
   */
  readonly isTooLoud: (state: State, row: () => BoxRow, drives: PoolRow) => boolean
  /**
   * Whether drives are too warm in a machine that has its case already: asked no more where both
   * draw as much as some that are, or as little as some that are not
   */
  readonly isTooWarm: (
    state: State,
    offer: PoolOffer,
    rows: () => readonly [machine: BoxRow, drives: PoolRow],
  ) => boolean
}

/** Watts of a machine and of its drives: with more of any of them nothing gets cooler. */
type Watts = readonly [
  machineIdle: number,
  machineLoad: number,
  drivesIdle: number,
  drivesActive: number,
]
const noLess = (one: Watts, other: Watts) => one.every((watts, at) => watts >= other[at]!)

/** What sounds of a machine so far: the frame that it stands on, the case, and fans. */
function soundKey({ frame, refs, chosen: { housing } }: State): string {
  const fans = new Set(
    frame!.groups.flatMap(({ id, options }) =>
      id === 'fan' ? options.flatMap(option => option.refs) : [],
    ),
  )
  // A board that is bought is silent.
  const base = frame!.replaces ? [frame!.id, ...(frame!.refs ?? [])] : []
  return [...base, housing?.id ?? '', ...refs.filter(ref => fans.has(ref))].join(' ')
}

/**
 * What a search has worked out; kept between the questions of one plan.
 * @param strictRules rules of fit of which a warning is too much
 */
export function createPruning(
  plan: Plan,
  catalogue: Catalogue,
  {
    evaluator,
    strictRules,
  }: { readonly evaluator: BoxEvaluator; readonly strictRules: ReadonlySet<string> },
): Pruning {
  const cores = onceByKey<BoxRow>()
  const weak = onceByKey<boolean>()
  const failed = new Map<string, { readonly score: number; readonly ofOne: number }[]>()
  const infeasible = new Map<string, boolean>()
  const loud = onceByKey<boolean>()
  const heat = onceByKey<{ readonly warm: Watts[]; readonly cool: Watts[] }>()
  const rulesAt = new Map(pruneSteps.map(step => [step, rulesFinalAt(step, fitRules)]))

  /** A machine is only put together where its row is not known yet. */
  const boxOf = (
    key: string,
    { frame, portMbps, chosen }: State,
    refs: readonly string[],
  ): Box => ({
    key: `${key} ${chosen.system?.id ?? ''}`,
    ...(chosen.system ? { system: chosen.system.id } : {}),
    serverPortMbps: portMbps as Plan['network']['serverPortMbps'],
    get machine() {
      return machineOf(frame!, refs, { plan, catalogue })
    },
  })
  const coreBox = (state: State): Box =>
    boxOf(`core ${state.frame!.id} ${state.refs.join(' ')}`, state, state.refs)
  const coreKey = ({ frame, refs, chosen }: State, copyOnWrite: boolean) =>
    `${frame!.id} ${refs.join(' ')} ${chosen.system?.id ?? ''} ${copyOnWrite}`
  function coreRow(state: State, copyOnWrite: boolean): BoxRow {
    return cores.get(coreKey(state, copyOnWrite), () => evaluator.box(coreBox(state), copyOnWrite))
  }
  // A machine that was measured converts more than a part of it would, before it is whole.
  const wasMeasured = plan.calibration.trials.some(
    ({ figure }) => figure === 'software' || figure === 'engine',
  )
  const isWeak = (state: State, copyOnWrite: boolean): boolean => {
    if (wasMeasured) return false
    const hardware = evaluator.hardware(coreBox(state), copyOnWrite)
    const { processor, cores: count, memoryGB: _, ...rest } = hardware
    const score = processor === null || !('score' in processor) ? null : processor.score
    const key = JSON.stringify(rest)
    const weaker = score === null ? [] : (failed.get(key) ?? [])
    // One conversion does not use all cores: fewer of them, each quicker, may do more for it.
    const ofOne = score === null ? 0 : singleConversionCapacity(score, count)
    if (weaker.some(other => score! <= other.score && ofOne <= other.ofOne)) return true
    const fails = failsNeed(coreRow(state, copyOnWrite).streams)
    if (fails && score !== null) failed.set(key, [...weaker, { score, ofOne }])
    return fails
  }
  const isInfeasible: Pruning['isInfeasible'] = (row, drives, step) => {
    const ofMachineAlone = step === 'core' || step === 'machine'
    const key = `${row.id} ${ofMachineAlone ? '' : drives.fitKey} ${step}`
    const known = infeasible.get(key)
    if (known !== undefined) return known
    const fails =
      evaluator.failing(row, drives, { rules: rulesAt.get(step)!, strict: strictRules }).length > 0
    infeasible.set(key, fails)
    return fails
  }
  return {
    coreRow,
    poolRowOf: ({ key, drives }) => evaluator.pool({ key, drives }),
    rowOf(state) {
      const { frame, refs, portMbps, pool, core } = state
      const own = [...refs].sort()
      return evaluator.box(
        boxOf(`${frame!.id} ${own.join(' ')} ${portMbps}`, state, own),
        pool!.choice.fileSystem === 'copyOnWrite',
        core ?? undefined,
      )
    },
    convertsTooLittle: (state, copyOnWrite) =>
      weak.get(coreKey(state, copyOnWrite), () => isWeak(state, copyOnWrite)),
    isTooWarm(state, offer, rows) {
      // What stands in a case of its own is not warmed by the machine.
      const known = heat.get(`${soundKey(state)} ${offer.turning > 0}`, () => ({
        warm: [],
        cool: [],
      }))
      const watts: Watts = [state.idleW, state.loadW, offer.idleW, offer.activeW]
      if (known.warm.some(other => noLess(watts, other))) return true
      if (known.cool.some(other => noLess(other, watts))) return false
      const isWarm = isInfeasible(...rows(), 'heat')
      known[isWarm ? 'warm' : 'cool'].push(watts)
      return isWarm
    },
    isTooLoud(state, row, drives) {
      const { spinning, fast, inOwnCase } = drives.drives
      return loud.get(`${soundKey(state)} ${spinning} ${fast} ${inOwnCase}`, () => {
        const asked = { rules: rulesAt.get('noise')!, strict: strictRules }
        return evaluator.failing(row(), drives, asked).length > 0
      })
    },
    isInfeasible,
  }
}
