import { markOf } from '../markOf'
import type { Estimate } from '../figure'
import { correctionOf, type Correction } from '../calibration/correction'
import { wifiRange } from '../calibration/figureRules'
import { heldAgainst, trialsOf, type Trials } from '../calibration/heldTrials'
import {
  lineCorrections,
  withMeasuredLines,
  type LineCorrections,
} from '../calibration/measuredLines'
import type { Network } from '../plan/network'
import { homeCapacity } from './chain'

/** The network of a plan with what measurements made of its lines. */
export interface MeasuredNetwork extends Network {
  readonly homeFactor?: Estimate
  readonly measured?: MeasuredLines
}

/** What measurements made of each line, and what was entered of it. */
export interface MeasuredLines extends LineCorrections {
  readonly home: Correction | null
  readonly enteredUploadMbps: number
}

/** A mark of the home network: another cable or port was never measured. */
export function homeLinkMark(network: Network): string {
  const { serverPortMbps, serverLink, serverLinkMbps, serverWifi, cableMbps, switchMbps } = network
  return markOf(
    JSON.stringify([
      serverPortMbps,
      serverLink,
      serverLinkMbps,
      serverWifi,
      cableMbps,
      switchMbps,
      network.meshWithoutWire,
    ]),
  )
}

/** What the home network carries by the plan; what Wi-Fi carries is known roughly. */
function homeRange(network: Network): Estimate {
  const carries = homeCapacity(network)
  return network.serverLink === 'wifi'
    ? {
        low: carries.likely * wifiRange.low,
        likely: carries.likely,
        high: carries.likely * wifiRange.high,
      }
    : carries
}

/**
 * The network with its lines as measurements corrected them; the very same where none count. The
 * likely value of a line takes the place of what was entered.
 */
export function measuredNetwork(network: Network, calibration: Trials): MeasuredNetwork {
  if (calibration.trials.length === 0) return network
  const lines = lineCorrections(network, calibration)
  const range = homeRange(network)
  const home = correctionOf(
    'homeLink',
    range,
    trialsOf(calibration, 'homeLink', { mark: homeLinkMark(network) }).flatMap(trial =>
      heldAgainst(trial, range.likely),
    ),
  )
  if (!lines.upload && !lines.download && !home) return network
  return {
    ...withMeasuredLines(network, calibration),
    ...(home ? { homeFactor: home.factor } : {}),
    measured: { ...lines, home, enteredUploadMbps: network.uploadMbps },
  }
}
