import type { LinkKind } from '../catalogue/deviceClasses'
import type { WatchingWeek } from '../household/weekHabits'
import { homePlace } from '../plan/constants'
import type { Device, Household } from '../plan/household'
import type { MeasuredLines, MeasuredNetwork } from './measuredNetwork'
import { tcpPayloadMbps } from '../units/ethernet'
import { awayShareMbps } from './awayStreams'
import { homeCapacityMbps, meshShare, serverWifiMbps, wifiShare } from './chain'

/** What a device's Wi-Fi carries of the rate it shows, shared by all on the channel. */
export const wifiShares: Readonly<Partial<Record<LinkKind, number>>> = {
  wifiGood: wifiShare.good,
  wifiFair: wifiShare.fair,
  wifiPoor: wifiShare.poor,
}

/** Shown rates that stand in where none is entered, Mb/s. */
export const usualWifiMbps = 300
export const usualMobileMbps = 20
/** Of a place's download, what a stream can count on. */
export const downloadShare = 0.8
/** Label rates of cables, Mb/s. */
const cableMbps: Readonly<Partial<Record<LinkKind, number>>> = {
  wired100: 100,
  wired1000: 1000,
  wired2500: 2500,
  wired10000: 10_000,
}

/** What all streams share on their way: the machine's port, the Wi-Fi channel, the upload. */
export interface SharedLinks {
  /** payload that the home network carries from the machine */
  readonly homeMbps: number
  /**
   * payload of the port between a switch and a router apart from it; null where they are one, or
   * the machine reaches the router by Wi-Fi
   */
  readonly routerMbps: number | null
  /** what Wi-Fi at the machine carries; null where it hangs on a wire */
  readonly serverWifiMbps: number | null
  /** what a mesh without a wire leaves of Wi-Fi: half, however many hops */
  readonly meshShare: number
  /** sessions at once that share the port, the channel and the upload, each at least 1 */
  readonly homeSessions: number
  readonly wifiSessions: number
  readonly awaySessions: number
  /** what people away who edit leave of the upload, and what they take of it */
  readonly uploadMbps: number
  readonly editingMbps: number
  readonly reserveShare: number
  readonly awayRungMbps: number
  readonly measured: MeasuredLines | null
}

/** A device's own link: what carries it, and what it gives one session. */
export type OwnLink =
  | { readonly kind: 'cable'; readonly labelMbps: number; readonly mbps: number }
  | {
      readonly kind: 'wifi'
      readonly shownMbps: number
      readonly share: number
      /** Wi-Fi at the machine, whose channel everything crosses first; null on a wire */
      readonly serverMbps: number | null
      readonly sessions: number
      readonly mbps: number
    }
  | { readonly kind: 'mobile'; readonly mbps: number }

/** What the way from the machine to a device carries for one session: the least of its parts. */
export interface DeviceLink {
  readonly isAway: boolean
  readonly own: OwnLink
  /** at home: the port's payload and how many share it */
  readonly portShareMbps: number | null
  /** the router's port, and how many share it; null where nothing crosses one */
  readonly routerShareMbps: number | null
  /** away: the share of the upload, and what the place's own line brings in for it */
  readonly uploadShareMbps: number | null
  readonly downloadMbps: number | null
  readonly mbps: number
}

/** The shared links of a household whose viewers watch by a week. */
export function sharedLinks(
  {
    network,
    household,
    week,
    editingMbps,
  }: {
    readonly network: MeasuredNetwork
    readonly household: Household
    readonly week: WatchingWeek
    readonly editingMbps: number
  },
  atOnce: { readonly home: number; readonly away: number },
): SharedLinks {
  const isWifi = (id: string) => {
    const device = household.devices.find(candidate => candidate.id === id)
    return !device || wifiShares[device.link] !== undefined
  }
  const onWifi = new Set(
    week.habits
      .filter(({ habit, watcher }) => !week.watchers[watcher]!.isAway && isWifi(habit.device))
      .map(({ watcher }) => watcher),
  ).size
  return {
    homeMbps: homeCapacityMbps(network),
    routerMbps:
      network.routerMbps > 0 && network.serverLink !== 'wifi'
        ? tcpPayloadMbps(network.routerMbps)
        : null,
    serverWifiMbps: serverWifiMbps(network),
    meshShare: network.meshWithoutWire ? meshShare : 1,
    homeSessions: Math.max(1, atOnce.home),
    wifiSessions: Math.max(1, Math.min(onWifi, atOnce.home)),
    awaySessions: Math.max(1, atOnce.away),
    uploadMbps: network.uploadMbps - editingMbps,
    editingMbps,
    reserveShare: network.uploadReserveShare,
    awayRungMbps: network.awayRungMbps,
    measured: network.measured ?? null,
  }
}

function ownLink(
  device: Device | null,
  {
    sessions,
    mesh,
    serverMbps,
  }: { readonly sessions: number; readonly mesh: number; readonly serverMbps: number | null },
): OwnLink {
  const kind = device?.link ?? 'wifiGood'
  const labelMbps = cableMbps[kind]
  if (labelMbps !== undefined) return { kind: 'cable', labelMbps, mbps: tcpPayloadMbps(labelMbps) }
  const share = wifiShares[kind] === undefined ? undefined : wifiShares[kind] * mesh
  if (share === undefined) return { kind: 'mobile', mbps: device?.linkMbps ?? usualMobileMbps }
  const shownMbps = device?.linkMbps ?? usualWifiMbps
  const airMbps = shownMbps * share
  return {
    kind: 'wifi',
    shownMbps,
    share,
    serverMbps,
    sessions,
    // One channel carries it twice, to the router and on: the times add up.
    mbps:
      (serverMbps === null ? airMbps : (airMbps * serverMbps) / (airMbps + serverMbps)) / sessions,
  }
}

/**
 * The link of a device at a place.
 * @param device null where a class stands in: on good Wi-Fi
 * @param place its id, and its download where that is known, Mb/s
 */
export function deviceLink(
  device: Device | null,
  place: { readonly id: string; readonly downloadMbps: number | null },
  shared: SharedLinks,
): DeviceLink {
  const isAway = place.id !== homePlace
  const own = ownLink(
    device,
    isAway
      ? { sessions: 1, mesh: 1, serverMbps: null }
      : {
          sessions: shared.wifiSessions,
          mesh: shared.meshShare,
          serverMbps: shared.serverWifiMbps,
        },
  )
  if (!isAway) {
    const portShareMbps = shared.homeMbps / shared.homeSessions
    const routerShareMbps =
      own.kind === 'wifi' && shared.routerMbps !== null
        ? shared.routerMbps / shared.homeSessions
        : null
    return {
      isAway,
      own,
      portShareMbps,
      routerShareMbps,
      uploadShareMbps: null,
      downloadMbps: null,
      mbps: Math.min(own.mbps, portShareMbps, routerShareMbps ?? Infinity),
    }
  }
  const uploadShareMbps = awayShareMbps({
    uploadMbps: shared.uploadMbps,
    reserveShare: shared.reserveShare,
    sessions: shared.awaySessions,
  })
  const routerShareMbps =
    shared.routerMbps === null ? null : shared.routerMbps / shared.awaySessions
  const downloadMbps = place.downloadMbps === null ? null : place.downloadMbps * downloadShare
  return {
    isAway,
    own,
    portShareMbps: null,
    routerShareMbps,
    uploadShareMbps,
    downloadMbps,
    mbps: Math.min(
      uploadShareMbps,
      routerShareMbps ?? Infinity,
      downloadMbps ?? Infinity,
      own.kind === 'mobile' ? own.mbps : Infinity,
    ),
  }
}
