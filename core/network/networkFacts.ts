import type { Quality } from '../catalogue/qualities'
import { mapEstimate } from '../band'
import { exactly, type Estimate } from '../figure'
import type { AtOnce } from '../household/householdFacts'
import type { WatchingWeek } from '../household/weekHabits'
import type { Household } from '../plan/household'
import type { Arrival } from '../plan/fastStorage'
import type { Library } from '../plan/library'
import type { MeasuredLines, MeasuredNetwork } from './measuredNetwork'
import { awayRates, ratedLoad, type RatedLoad } from './watchingLoad'
import { awayStreams, uploadNeededMbps } from './awayStreams'
import { homePlace } from '../plan/constants'
import { gbPerMbpsHour } from '../units/dataSize'
import { daysPerMonth } from '../units/time'
import { editingMbps } from './editingLoad'
import { homeCapacity } from './chain'
import { homePeak, type HomePeak } from './homePeak'
import { titleRatesOf } from './titleRates'
import { ladder, type Rung } from '../catalogue/sentQualities'
import { sharedLinks, type SharedLinks } from './links'

export interface NetworkSlice {
  readonly network: MeasuredNetwork
  readonly household: Household
  readonly library: Library
  readonly qualities: readonly Quality[]
  readonly week: WatchingWeek
  readonly atOnce: AtOnce
  readonly arrivals: readonly Arrival[]
  readonly watchedHoursPerDay: number
}

/** The home network and the internet line, against who watches. */
export interface NetworkFacts {
  readonly links: SharedLinks
  /** upload that people away who edit take while the household watches, Mb/s */
  readonly editingMbps: number
  /** what of the upload that leaves, Mb/s */
  readonly uploadMbps: number
  /** streams that the upload carries at the chosen rung */
  readonly awayStreams: number
  /** the same with its band, where the line was measured */
  readonly awayStreamsBand: Estimate
  /** what measurements made of the lines; null where none count */
  readonly lines: MeasuredLines | null
  /** upload that the viewers away need at the chosen rung, Mb/s */
  readonly uploadNeededMbps: number
  readonly homePeak: HomePeak
  /** the busiest moment by habits, at home and away; null without habits */
  readonly homeLoad: RatedLoad | null
  readonly awayLoad: RatedLoad | null
  /** upload without what is reserved, Mb/s */
  readonly awayCapacityMbps: number
  /** hours that viewers away watch in a month, by habits */
  readonly awayHoursPerMonth: number
  /** what that sends out at the chosen rung, GB */
  readonly uploadGBPerMonth: number
  /** what the home network carries from the machine: the least of port, cable and switch, Mb/s */
  readonly payload: Estimate
  /** the best rung at which all viewers away can watch; null when none carries them */
  readonly carries: Rung | null
}

/** Hours that viewers away watch in a month, by their habits on ordinary days; 0 without any. */
export function awayHoursPerMonth({
  habits,
  viewers,
}: Pick<Household, 'habits' | 'viewers'>): number {
  const isAway = (id: string) =>
    viewers.some(viewer => viewer.id === id && viewer.place !== homePlace)
  return habits
    .filter(({ viewer, onBusyDays }) => !onBusyDays && isAway(viewer))
    .reduce(
      (sum, { days, chance, minutes }) =>
        sum + ((days.length / 7) * daysPerMonth * chance * minutes) / 60,
      0,
    )
}

/** The upload with its band, where it was measured. */
function uploadBand({ uploadMbps, measured }: MeasuredNetwork): Estimate {
  return measured?.upload?.corrected ?? exactly(uploadMbps)
}

export function networkFacts({
  network,
  household,
  library,
  qualities,
  week,
  atOnce,
  arrivals,
  watchedHoursPerDay,
}: NetworkSlice): NetworkFacts {
  const { uploadReserveShare: reserveShare, awayRungMbps: rungMbps } = network
  const editing = Math.min(network.uploadMbps, editingMbps(arrivals, watchedHoursPerDay))
  const uploadMbps = network.uploadMbps - editing
  const awayHours = awayHoursPerMonth(household)
  const rates = titleRatesOf(library, qualities)
  const peak = homePeak(library, qualities, atOnce.home)
  return {
    homeLoad: ratedLoad(week, false, rates),
    awayLoad: ratedLoad(week, true, awayRates(rates, rungMbps)),
    awayCapacityMbps: uploadMbps * (1 - reserveShare),
    awayHoursPerMonth: awayHours,
    uploadGBPerMonth: awayHours * rungMbps * gbPerMbpsHour,
    editingMbps: editing,
    uploadMbps,
    links: sharedLinks({ network, household, week, editingMbps: editing }, atOnce),
    awayStreams: awayStreams({ uploadMbps, reserveShare, rungMbps }),
    awayStreamsBand: mapEstimate(uploadBand(network), mbps =>
      awayStreams({ uploadMbps: Math.max(0, mbps - editing), reserveShare, rungMbps }),
    ),
    lines: network.measured ?? null,
    uploadNeededMbps: editing + uploadNeededMbps({ streams: atOnce.away, reserveShare, rungMbps }),
    homePeak: peak,
    payload: homeCapacity(network),
    carries:
      ladder.find(
        rung => awayStreams({ uploadMbps, reserveShare, rungMbps: rung.rungMbps }) >= atOnce.away,
      ) ?? null,
  }
}
