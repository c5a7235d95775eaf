import { requireWithin } from '../errors'
import type { Network } from '../plan/network'
import { tcpPayloadMbps } from '../units/ethernet'

/** Of the rate that powerline adapters are sold as, what they carry (0.2 to 0.3). */
export const powerlineShare = 0.25
/** Of the rate that a machine shows for its Wi-Fi. */
export const serverWifiShare = 0.5
/** Where no rate is entered, Mb/s. */
export const usualServerLinkMbps = { powerline: 600, wifi: 300 } as const

export type ChainLinkId =
  'drives' | 'controller' | 'enclosure' | 'port' | 'cable' | 'serverLink' | 'switch' | 'device'

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
    'serverPortMbps' | 'serverLink' | 'serverLinkMbps' | 'cableMbps' | 'switchMbps'
  >
  /** MB/s of the slowest drive, and of what stands before it; null where nothing does */
  readonly drivesMBps: number
  readonly controllerMBps: number | null
  readonly enclosureMBps: number | null
  /** link of the device at the far end, Mb/s; null where that is not looked at */
  readonly deviceMbps: number | null
  /** what watching puts on every shared link, and on the device's own, Mb/s */
  readonly loadMbps: number
  readonly deviceLoadMbps: number
}

const bitsPerByte = 8

/** The links of the home network that everything from the machine crosses, in their order. */
export function serverLinks({
  serverPortMbps,
  serverLink,
  serverLinkMbps,
  cableMbps,
  switchMbps,
}: ChainQuestion['network']): Pick<ChainLink, 'id' | 'capacityMbps'>[] {
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
              capacityMbps: (serverLinkMbps ?? usualServerLinkMbps.powerline) * powerlineShare,
            },
          ]
        : [
            {
              id: 'serverLink',
              capacityMbps: (serverLinkMbps ?? usualServerLinkMbps.wifi) * serverWifiShare,
            },
          ]
  return [...wired, { id: 'switch', capacityMbps: tcpPayloadMbps(switchMbps || serverPortMbps) }]
}

/** What the home network carries from the machine: the least of its links, Mb/s. */
export function homeCapacityMbps(network: ChainQuestion['network']): number {
  return Math.min(...serverLinks(network).map(({ capacityMbps }) => capacityMbps))
}

/** Every link from the drives to a device, with what is on it. */
export function chainOf({
  network,
  drivesMBps,
  controllerMBps,
  enclosureMBps,
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
