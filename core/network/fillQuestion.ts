import type { DrivesFacts } from '../drives/drivesFacts'
import { rebuildShareOfOuter } from '../drives/rebuildHours'
import type { Network } from '../plan/network'
import type { FillQuestion } from './firstFill'
import type { NetworkFacts } from './networkFacts'

/** What of an assessment says how fast the first fill can be. */
export interface FillFacts {
  readonly drives: Pick<DrivesFacts, 'slowestOuterMBps'>
  readonly fitting: Pick<FillQuestion, 'enclosureMBps' | 'controllerMBps'>
  readonly wiring: Pick<FillQuestion, 'processorMBps'>
  readonly network: Pick<NetworkFacts, 'payload'>
}

/** The first fill of a plan, of so many TB. */
export function fillQuestion(
  sizeTB: number,
  network: Network,
  { drives, fitting, wiring, network: { payload } }: FillFacts,
): FillQuestion {
  return {
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
  }
}
