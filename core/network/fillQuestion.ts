import type { DrivesFacts } from '../drives/drivesFacts'
import { rebuildShareOfOuter } from '../drives/rebuildHours'
import { exactly } from '../figure'
import { correctionOf } from '../calibration/correction'
import { heldAgainst, trialsOf } from '../calibration/heldTrials'
import type { Plan } from '../plan/planSchema'
import { firstFills, smallFilesFactor, type FillQuestion } from './firstFill'
import { homeLinkMark, measuredNetwork } from './measuredNetwork'
import type { NetworkFacts } from './networkFacts'

/** What of an assessment says how fast the first fill can be. */
export interface FillFacts {
  readonly drives: Pick<DrivesFacts, 'slowestOuterMBps'>
  readonly fitting: Pick<FillQuestion, 'enclosureMBps' | 'controllerMBps'>
  readonly wiring: Pick<FillQuestion, 'processorMBps'>
  readonly network: Pick<NetworkFacts, 'payload'>
}

/** The first fill of a plan, of so many TB, as far as measurements correct it. */
export function fillQuestion(
  sizeTB: number,
  plan: Pick<Plan, 'network' | 'calibration'>,
  { drives, fitting, wiring, network: { payload } }: FillFacts,
): FillQuestion {
  const network = measuredNetwork(plan.network, plan.calibration)
  const planned: FillQuestion = {
    sizeTB,
    smallShare: network.smallFilesShare,
    fromMBps: network.fillFromMBps,
    toMBps: rebuildShareOfOuter * drives.slowestOuterMBps,
    enclosureMBps: fitting.enclosureMBps,
    controllerMBps: fitting.controllerMBps,
    processorMBps: wiring.processorMBps,
    homeMbps: payload.likely,
    downloadMbps: network.downloadMbps,
    capGBPerDay: network.downloadCapGBPerDay,
    copying: null,
    smallFiles: null,
  }
  return plan.calibration.trials.length === 0 ? planned : withCopies(planned, plan)
}

/** What copies that were measured make of it: of their rate, and of small files. */
function withCopies(
  planned: FillQuestion,
  { network, calibration }: Pick<Plan, 'network' | 'calibration'>,
): FillQuestion {
  const mark = homeLinkMark(network)
  const { rateMBps } = firstFills(planned).find(({ way }) => way === 'home')!
  const copying = correctionOf(
    'copyRate',
    exactly(rateMBps),
    trialsOf(calibration, 'copyRate', { mark }).flatMap(trial => heldAgainst(trial, rateMBps)),
  )
  const copied = rateMBps * (copying?.factor.likely ?? 1)
  // So many times as long as their bytes: the slower the copy, the more.
  const smallFiles = correctionOf(
    'smallFiles',
    smallFilesFactor,
    trialsOf(calibration, 'smallFiles', { mark }).flatMap(trial =>
      trial.value > 0
        ? heldAgainst(
            { ...trial, reads: 'exact', value: copied / trial.value },
            smallFilesFactor.likely,
          ).map(held => ({ ...held, trial }))
        : [],
    ),
  )
  return { ...planned, copying, smallFiles }
}
