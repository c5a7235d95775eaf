import { deviceClasses, type Capabilities, type LinkKind } from '../catalogue/deviceClasses'
import { awayShareMbps } from '../network/awayStreams'
import type { WatchingWeek } from '../household/watchingWeek'
import { homePlace, type Device, type Household } from '../plan/household'
import type { Network } from '../plan/network'
import { tcpPayloadMbps } from '../units/ethernet'
import { formatNumber as n } from '../units/formatNumber'

/** A device at a place, under one cap: a column of the playability matrix. */
export interface MatrixColumn {
  readonly key: string
  readonly deviceName: string
  readonly placeName: string
  readonly isAway: boolean
  readonly className: string
  readonly device: Capabilities
  /** index in the plan's devices; null for a class that stands in */
  readonly deviceIndex: number | null
  readonly linkMbps: number
  /** how the link's rate came about */
  readonly linkFormula: string
  readonly linkInputs: readonly string[]
  readonly capMbps: number
  /** hours watched in an ordinary week */
  readonly hoursPerWeek: number
  /** indices in the week's habits */
  readonly habits: readonly number[]
}

/** How many watch at once, by the school the plan follows. */
export interface AtOnce { readonly home: number, readonly away: number }

/** Wi-Fi carries half, a third or a sixth of the rate it shows, shared by all on the channel. */
const wifiShares: Readonly<Partial<Record<LinkKind, number>>> = { wifiGood: 1 / 2, wifiFair: 1 / 3, wifiPoor: 1 / 6 }
const usualWifiMbps = 300
const usualMobileMbps = 20
/** Of a place's download, what a stream can count on. */
const downloadShare = 0.8

/** The capabilities of a device's class: one of the plan's own, or a generic one. */
export function capabilitiesOf(household: Household, classId: string): { readonly label: string, readonly device: Capabilities } | null {
  const found = household.capabilitySets.find(set => set.id === classId) ?? deviceClasses.find(candidate => candidate.id === classId)
  return found ? { label: found.label || 'Own class', device: found } : null
}

interface Link { mbps: number, formula: string, inputs: string[] }

function ownLink(device: Device | null, index: number | null, wifiSessions: number): Link {
  const kind = device?.link ?? 'wifiGood'
  const path = index === null ? [] : [`household.devices.${index}.link`, `household.devices.${index}.linkMbps`]
  if (kind === 'wired100' || kind === 'wired1000') {
    const label = kind === 'wired100' ? 100 : 1000
    return { mbps: tcpPayloadMbps(label), formula: `cable: ${label} × 1448 ÷ 1538 = ${n(tcpPayloadMbps(label))}`, inputs: path }
  }
  const share = wifiShares[kind]
  if (share === undefined) {
    const mbps = device?.linkMbps ?? usualMobileMbps
    return { mbps, formula: `mobile network ${n(mbps)}`, inputs: path }
  }
  const shown = device?.linkMbps ?? usualWifiMbps
  const mbps = shown * share / wifiSessions
  return { mbps, formula: `Wi-Fi ${n(shown)} ÷ ${n(1 / share)} ÷ ${wifiSessions} on the channel = ${n(mbps, 3)}`, inputs: path }
}

function homeLink(own: Link, network: Network, atOnce: AtOnce): Link {
  const sessions = Math.max(1, atOnce.home)
  const port = tcpPayloadMbps(network.serverPortMbps) / sessions
  return {
    mbps: Math.min(own.mbps, port),
    formula: `the lesser of ${own.formula} and the box's port ${n(tcpPayloadMbps(network.serverPortMbps))} ÷ ${sessions} = ${n(port, 3)} Mb/s`,
    inputs: [...own.inputs, 'network.serverPortMbps', 'household.watchingHomeAtOnce'],
  }
}

function awayLink(own: Link, isMobile: boolean, downloadMbps: number | null, placePath: string | null, network: Network, atOnce: AtOnce): Link {
  const sessions = Math.max(1, atOnce.away)
  const upload = awayShareMbps({ uploadMbps: network.uploadMbps, reserveShare: network.uploadReserveShare, sessions })
  const parts = [`upload ${n(network.uploadMbps)} × (1 − ${n(network.uploadReserveShare)}) ÷ 1.08 ÷ ${sessions} away = ${n(upload, 3)}`]
  const limits = [upload]
  if (downloadMbps !== null) {
    limits.push(downloadMbps * downloadShare)
    parts.push(`download there ${n(downloadMbps)} × 0.8 = ${n(downloadMbps * downloadShare, 3)}`)
  }
  if (isMobile) {
    limits.push(own.mbps)
    parts.push(own.formula)
  }
  return {
    mbps: Math.min(...limits),
    formula: `${parts.length > 1 ? 'the least of ' : ''}${parts.join(', ')} Mb/s`,
    inputs: ['network.uploadMbps', 'network.uploadReserveShare', 'household.watchingAwayAtOnce', ...(placePath ? [placePath] : []), ...(isMobile ? own.inputs : [])],
  }
}

/**
 * The columns of the matrix: each device at each place where a habit uses it, by cap; then devices that no habit uses.
 * A household without devices is shown the generic classes at home.
 */
export function matrixColumns(household: Household, network: Network, week: WatchingWeek, atOnce: AtOnce): MatrixColumn[] {
  const deviceOf = (id: string) => household.devices.findIndex(device => device.id === id)
  const isWifi = (index: number) => index < 0 || wifiShares[household.devices[index]!.link] !== undefined
  const onWifi = new Set(week.habits.filter(({ habit, watcher }) => !week.watchers[watcher]!.isAway && isWifi(deviceOf(habit.device))).map(({ watcher }) => watcher)).size
  const wifiSessions = Math.max(1, Math.min(onWifi, atOnce.home))

  const column = (index: number | null, classId: string, placeId: string, habitCapMbps: number | null, habits: number[]): MatrixColumn => {
    const device = index === null ? null : household.devices[index]!
    const known = capabilitiesOf(household, classId) ?? capabilitiesOf(household, 'tv2020')!
    const placeIndex = household.places.findIndex(place => place.id === placeId)
    const place = household.places[placeIndex]
    const isAway = placeId !== homePlace
    const own = ownLink(device, index, isAway ? 1 : wifiSessions)
    const link = isAway
      ? awayLink(own, device?.link === 'mobile', place?.downloadMbps ?? null, placeIndex < 0 ? null : `household.places.${placeIndex}.downloadMbps`, network, atOnce)
      : homeLink(own, network, atOnce)
    const capMbps = Math.min(habitCapMbps ?? Infinity, isAway ? network.awayRungMbps : Infinity)
    return {
      key: [device?.id ?? classId, placeId || 'nowhere', ...(habitCapMbps === null ? [] : [`cap${habitCapMbps}`.replace('.', '_')])].join('-at-'),
      deviceName: device?.name || known.label, placeName: isAway ? place?.name || 'Away' : 'At home', isAway, className: known.label, device: known.device, deviceIndex: index,
      linkMbps: link.mbps, linkFormula: link.formula, linkInputs: link.inputs, capMbps,
      hoursPerWeek: habits.reduce((sum, at) => sum + (week.habits[at]!.habit.onBusyDays ? 0 : week.habits[at]!.hoursPerWeek), 0), habits,
    }
  }

  const groups = new Map<string, { index: number, placeId: string, cap: number | null, habits: number[] }>()
  week.habits.forEach(({ habit, watcher }, at) => {
    const { placeId } = week.watchers[watcher]!
    const index = deviceOf(habit.device)
    const key = `${index} ${placeId} ${habit.capMbps}`
    const group = groups.get(key) ?? { index, placeId, cap: habit.capMbps, habits: [] }
    group.habits.push(at)
    groups.set(key, group)
  })
  const used = [...groups.values()].map(({ index, placeId, cap, habits }) =>
    column(index < 0 ? null : index, index < 0 ? 'tv2020' : household.devices[index]!.class, placeId, cap, habits))
  const unused = household.devices.flatMap((device, index) => [...groups.values()].some(group => group.index === index) ? [] : [column(index, device.class, homePlace, null, [])])
  const columns = [...used.sort((a, b) => b.hoursPerWeek - a.hoursPerWeek), ...unused]
  return columns.length ? columns : deviceClasses.map(entry => column(null, entry.id, homePlace, null, []))
}
