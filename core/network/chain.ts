import { requireWithin } from '../errors'
import { mapEstimate } from '../band'
import type { Estimate } from '../figure'
import type { Network } from '../plan/network'
import { tcpPayloadMbps } from '../units/ethernet'

/** Of the rate that powerline adapters are sold as, what they carry. */
export const powerlineShare: Estimate = { low: 0.2, likely: 0.25, high: 0.3 }
/** Of the rate that something shows for its Wi-Fi, by how good that is there. */
export const wifiShare = { good: 1 / 2, fair: 1 / 3, poor: 1 / 6 } as const
/** What a mesh without a wire leaves of Wi-Fi, however many hops. */
export const meshShare = 0.5
/** Where no rate is entered, Mb/s. */
export const usualServerLinkMbps = { powerline: 600, wifi: 300 } as const

export type ChainLinkId =
  | 'drives'
  | 'controller'
  | 'enclosure'
  | 'processor'
  | 'port'
  | 'cable'
  | 'serverLink'
  | 'switch'
  | 'device'

/** One link between the drives and whoever is served. */
export interface ChainLink {
  readonly id: ChainLinkId
  /** Mb/s that it carries, and that are on it already */
  readonly capacityMbps: number
  readonly loadMbps: number
}

export interface ChainQuestion {
  readonly network: Pick<
    Network,
    | 'serverPortMbps'
    | 'serverLink'
    | 'serverLinkMbps'
    | 'serverWifi'
    | 'meshWithoutWire'
    | 'cableMbps'
    | 'switchMbps'
  > & {
    /** what measurements made of the home network; 1 where none were */
    readonly homeFactor?: Estimate
  }
  /** MB/s of the slowest drive, and of what stands before it; null where nothing does */
  readonly drivesMBps: number
  readonly controllerMBps: number | null
  readonly enclosureMBps: number | null
  /** what parity and encryption let through; null where there is neither */
  readonly processorMBps: number | null
  /** link of the device at the far end, Mb/s; null where that is not looked at */
  readonly deviceMbps: number | null
  /** what watching puts on every shared link, and on the device's own, Mb/s */
  readonly loadMbps: number
  readonly deviceLoadMbps: number
}

const bitsPerByte = 8

/** What Wi-Fi at the machine carries, Mb/s; null where it hangs on a wire. */
export function serverWifiMbps({
  serverLink,
  serverLinkMbps,
  serverWifi,
  meshWithoutWire,
}: ChainQuestion['network']): number | null {
  if (serverLink !== 'wifi') return null
  const shownMbps = serverLinkMbps ?? usualServerLinkMbps.wifi
  return shownMbps * wifiShare[serverWifi] * (meshWithoutWire ? meshShare : 1)
}

/** The links of the home network that everything from the machine crosses, in their order. */
export function serverLinks(
  network: ChainQuestion['network'],
): Pick<ChainLink, 'id' | 'capacityMbps'>[] {
  const { serverPortMbps, serverLink, serverLinkMbps, cableMbps, switchMbps } = network
  const wired: Pick<ChainLink, 'id' | 'capacityMbps'>[] =
    serverLink === 'cable'
      ? [
          { id: 'port', capacityMbps: tcpPayloadMbps(serverPortMbps) },
          { id: 'cable', capacityMbps: tcpPayloadMbps(cableMbps || serverPortMbps) },
        ]
      : serverLink === 'powerline'
        ? [
            { id: 'port', capacityMbps: tcpPayloadMbps(serverPortMbps) },
            {
              id: 'serverLink',
              capacityMbps:
                (serverLinkMbps ?? usualServerLinkMbps.powerline) * powerlineShare.likely,
            },
          ]
        : [{ id: 'serverLink', capacityMbps: serverWifiMbps(network)! }]
  const links = [
    ...wired,
    { id: 'switch' as const, capacityMbps: tcpPayloadMbps(switchMbps || serverPortMbps) },
  ]
  const { homeFactor } = network
  return homeFactor
    ? links.map(({ id, capacityMbps }) => ({ id, capacityMbps: capacityMbps * homeFactor.likely }))
    : links
}

/** What the home network carries from the machine: the least of its links, Mb/s. */
export function homeCapacityMbps(network: ChainQuestion['network']): number {
  return Math.min(...serverLinks(network).map(({ capacityMbps }) => capacityMbps))
}

/** The same with its band: what powerline carries of its label is known roughly. */
export function homeCapacity(network: ChainQuestion['network']): Estimate {
  const { homeFactor, ...plain } = network
  if (homeFactor) return mapEstimate(homeFactor, factor => factor * homeCapacityMbps(plain))
  const links = serverLinks(network)
  const at = (end: keyof Estimate) =>
    Math.min(
      ...links.map(({ id, capacityMbps }) =>
        id === 'serverLink' && network.serverLink === 'powerline'
          ? (capacityMbps * powerlineShare[end]) / powerlineShare.likely
          : capacityMbps,
      ),
    )
  return { low: at('low'), likely: homeCapacityMbps(network), high: at('high') }
}

/** Every link from the drives to a device, with what is on it. */
export function chainOf({
  network,
  drivesMBps,
  controllerMBps,
  enclosureMBps,
  processorMBps,
  deviceMbps,
  loadMbps,
  deviceLoadMbps,
}: ChainQuestion): ChainLink[] {
  const bytes = (id: ChainLinkId, rateMBps: number | null): ChainLink[] =>
    rateMBps === null ? [] : [{ id, capacityMbps: rateMBps * bitsPerByte, loadMbps }]
  return [
    ...bytes('drives', drivesMBps),
    ...bytes('enclosure', enclosureMBps),
    ...bytes('controller', controllerMBps),
    ...bytes('processor', processorMBps),
    ...serverLinks(network).map(link => ({ ...link, loadMbps })),
    ...(deviceMbps === null
      ? []
      : [{ id: 'device' as const, capacityMbps: deviceMbps, loadMbps: deviceLoadMbps }]),
  ]
}

/**
 * Which link binds: for copies the least that is left, for streams the fullest; of equals the first
 * in the chain. Null for no links.
 */
export function bindingLink(
  links: readonly ChainLink[],
  what: 'copies' | 'streams',
): ChainLink | null {
  const measure = ({ capacityMbps, loadMbps }: ChainLink) =>
    what === 'copies' ? capacityMbps - loadMbps : -(loadMbps / Math.max(1e-9, capacityMbps))
  return links.reduce<ChainLink | null>(
    (least, link) => (least === null || measure(link) < measure(least) - 1e-9 ? link : least),
    null,
  )
}

/** The link that binds, and the one that would once it is mended. */
export function bindingTwo(
  links: readonly ChainLink[],
  what: 'copies' | 'streams',
): { readonly now: ChainLink | null; readonly next: ChainLink | null } {
  const now = bindingLink(links, what)
  return {
    now,
    next: bindingLink(
      links.filter(link => link !== now),
      what,
    ),
  }
}

/**
 * Hours to copy so much through a chain, beside what is on it; null where nothing gets through.
 * @throws {CoreRangeError} CHAIN_TB
 * @example chainHours(10, a chain that leaves 941.5 Mb/s) // 23.6
 */
export function chainHours(sizeTB: number, links: readonly ChainLink[]): number | null {
  requireWithin('CHAIN_TB', sizeTB, { min: 0 })
  const binding = bindingLink(links, 'copies')
  const leftMbps = binding ? binding.capacityMbps - binding.loadMbps : 0
  return leftMbps > 0 ? (sizeTB * 1e6 * bitsPerByte) / leftMbps / 3600 : null
}
