import type { Quality } from '../catalogue/qualities'
import type { AtOnce } from '../household/householdFacts'
import type { WatchingWeek } from '../household/watchingWeek'
import type { Household } from '../plan/household'
import type { Library } from '../plan/library'
import type { Network } from '../plan/network'
import { tcpPayloadMbps } from '../units/ethernet'
import { awayStreams, uploadNeededMbps } from './awayStreams'
import { homePeak, type HomePeak } from './homePeak'
import { ladder, type Rung } from '../catalogue/sentQualities'
import { sharedLinks, type SharedLinks } from './links'

export interface NetworkSlice {
  readonly network: Network
  readonly household: Household
  readonly library: Library
  readonly qualities: readonly Quality[]
  readonly week: WatchingWeek
  readonly atOnce: AtOnce
}

/** The home network and the internet line, against who watches. */
export interface NetworkFacts {
  readonly links: SharedLinks
  /** streams that the upload carries at the chosen rung */
  readonly awayStreams: number
  /** upload that the viewers away need at the chosen rung, Mb/s */
  readonly uploadNeededMbps: number
  readonly homePeak: HomePeak
  /** TCP payload of the machine's port, Mb/s */
  readonly payloadMbps: number
  /** the best rung at which all viewers away can watch; null when none carries them */
  readonly carries: Rung | null
}

export function networkFacts({ network, household, library, qualities, week, atOnce }: NetworkSlice): NetworkFacts {
  const { uploadMbps, uploadReserveShare: reserveShare, awayRungMbps: rungMbps } = network
  return {
    links: sharedLinks({ network, household, week }, atOnce),
    awayStreams: awayStreams({ uploadMbps, reserveShare, rungMbps }),
    uploadNeededMbps: uploadNeededMbps({ streams: atOnce.away, reserveShare, rungMbps }),
    homePeak: homePeak(library, qualities, atOnce.home),
    payloadMbps: tcpPayloadMbps(network.serverPortMbps),
    carries: ladder.find(rung => awayStreams({ uploadMbps, reserveShare, rungMbps: rung.rungMbps }) >= atOnce.away) ?? null,
  }
}
