import type { Format } from '../units/format'
import { overheadFactor } from './awayStreams'
import { downloadShare, type DeviceLink, type OwnLink, type SharedLinks } from './links'

function ownText(own: OwnLink, { number: n }: Format): string {
  switch (own.kind) {
    case 'cable':
      return `cable: ${n(own.labelMbps)} × 1448 ÷ 1538 = ${n(own.mbps)}`
    case 'mobile':
      return `mobile network ${n(own.mbps)}`
    case 'wifi':
      return (
        `Wi-Fi ${n(own.shownMbps)} ÷ ${n(1 / own.share)} ÷ ${own.sessions} on the channel = ` +
        `${n(own.mbps, 3)}`
      )
  }
}

/** How the rate of a device's link came about, with its numbers. */
export function linkFormula(link: DeviceLink, shared: SharedLinks, format: Format): string {
  const { number: n } = format
  const own = ownText(link.own, format)
  if (link.portShareMbps !== null) {
    return (
      `the lesser of ${own} and the home network ${n(shared.homeMbps)} ÷ ` +
      `${shared.homeSessions} = ${n(link.portShareMbps, 3)} Mb/s`
    )
  }
  const parts = [
    `upload ${n(shared.uploadMbps)} × (1 − ${n(shared.reserveShare)}) ÷ ` +
      `${n(overheadFactor)} ÷ ${shared.awaySessions} away = ` +
      `${n(link.uploadShareMbps ?? 0, 3)}`,
  ]
  if (link.downloadMbps !== null)
    parts.push(
      `download there ${n(link.downloadMbps / downloadShare)} × ${n(downloadShare)} = ` +
        `${n(link.downloadMbps, 3)}`,
    )
  if (link.own.kind === 'mobile') parts.push(own)
  return `${parts.length > 1 ? 'the least of ' : ''}${parts.join(', ')} Mb/s`
}

/** Fields and figures behind it. */
export function linkInputs(
  link: DeviceLink,
  {
    deviceIndex,
    placeIndex,
  }: { readonly deviceIndex: number | null; readonly placeIndex: number | null },
): string[] {
  const own =
    deviceIndex === null
      ? []
      : [`household.devices.${deviceIndex}.link`, `household.devices.${deviceIndex}.linkMbps`]
  if (!link.isAway) return [...own, 'network.serverPortMbps', 'household.watchingHomeAtOnce']
  return [
    'network.uploadMbps',
    'network.uploadReserveShare',
    'household.watchingAwayAtOnce',
    ...(placeIndex === null ? [] : [`household.places.${placeIndex}.downloadMbps`]),
    ...(link.own.kind === 'mobile' ? own : []),
  ]
}
