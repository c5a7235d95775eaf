import { entryOf } from '../catalogue/catalogue'
import type { Capabilities, DeviceClass } from '../catalogue/deviceClasses'
import type { WatchingWeek } from '../household/weekHabits'
import { deviceLink, type DeviceLink, type SharedLinks } from '../network/links'
import { homePlace } from '../plan/constants'
import type { Household } from '../plan/household'

/** A device at a place, under one cap: a column of the playability matrix. */
export interface MatrixColumn {
  readonly key: string
  readonly deviceName: string
  readonly placeName: string
  readonly isAway: boolean
  readonly className: string
  readonly device: Capabilities
  /** short name and index in the plan's devices; null for a class that stands in */
  readonly deviceId: string | null
  readonly deviceIndex: number | null
  readonly placeIndex: number | null
  readonly link: DeviceLink
  readonly linkMbps: number
  readonly capMbps: number
  /** hours watched in an ordinary week */
  readonly hoursPerWeek: number
  /** indices in the week's habits */
  readonly habits: readonly number[]
}

/**
 * The class that stands in for a device that is not chosen, or whose class the catalogue does not
 * know.
 */
export const standInClass = 'tv2020'
/** Where a catalogue has no class at all: what every player has played for fifteen years. */
const plainDevice: DeviceClass = {
  id: 'plain',
  label: 'Plain player',
  usualLink: 'wifiGood',
  price: null,
  video: [{ codec: 'h264', level: 4.1, lines: 1080, framesPerSecond: 30, bits: 8 }],
  screenLines: 1080,
  hdr: [],
  containers: ['mp4', 'mkv'],
  sound: ['aac', 'mp3'],
  channels: 2,
  subtitles: ['text'],
  maxMbps: 20,
  deinterlaces: false,
}

interface Group {
  readonly index: number | null
  readonly classId: string
  readonly placeId: string
  readonly capMbps: number | null
  readonly habits: number[]
}

export interface ColumnsQuestion {
  readonly household: Household
  readonly week: WatchingWeek
  readonly links: SharedLinks
  readonly deviceClasses: readonly DeviceClass[]
}

/**
 * The columns of the matrix: each device at each place where a habit uses it, by cap; then devices
 * that no habit uses.
 * A household without devices is shown the generic classes at home.
 */
export function matrixColumns(question: ColumnsQuestion): MatrixColumn[] {
  const {
    household: { devices },
    week,
    deviceClasses,
  } = question
  const groups = new Map<string, Group>()
  week.habits.forEach(({ habit, watcher }, at) => {
    const { placeId } = week.watchers[watcher]!
    const found = devices.findIndex(device => device.id === habit.device)
    const key = `${found} ${placeId} ${habit.capMbps}`
    const group = groups.get(key) ?? {
      index: found < 0 ? null : found,
      classId: devices[found]?.class ?? standInClass,
      placeId,
      capMbps: habit.capMbps,
      habits: [],
    }
    group.habits.push(at)
    groups.set(key, group)
  })
  const used = [...groups.values()]
    .map(group => columnOf(group, question))
    .sort((a, b) => b.hoursPerWeek - a.hoursPerWeek)
  const atHome = (index: number | null, classId: string): Group => ({
    index,
    classId,
    placeId: homePlace,
    capMbps: null,
    habits: [],
  })
  const unused = devices.flatMap((device, index) =>
    used.some(column => column.deviceIndex === index)
      ? []
      : [columnOf(atHome(index, device.class), question)],
  )
  const columns = [...used, ...unused]
  return columns.length
    ? columns
    : deviceClasses.map(entry => columnOf(atHome(null, entry.id), question))
}

function columnOf(
  { index, classId, placeId, capMbps: habitCapMbps, habits }: Group,
  { household, week, links, deviceClasses }: ColumnsQuestion,
): MatrixColumn {
  const device = index === null ? null : household.devices[index]!
  const known =
    entryOf(deviceClasses, classId) ??
    entryOf(deviceClasses, standInClass) ??
    deviceClasses[0] ??
    plainDevice
  const placeAt = household.places.findIndex(place => place.id === placeId)
  const place = household.places[placeAt]
  const isAway = placeId !== homePlace
  const link = deviceLink(device, { id: placeId, downloadMbps: place?.downloadMbps ?? null }, links)
  return {
    key: [
      device?.id ?? classId,
      placeId || 'nowhere',
      ...(habitCapMbps === null ? [] : [`cap${habitCapMbps}`.replace('.', '_')]),
    ].join('-at-'),
    deviceName: device?.name || known.label,
    placeName: isAway ? place?.name || 'Away' : 'At home',
    isAway,
    className: known.label,
    device: known,
    deviceId: device?.id ?? null,
    deviceIndex: index,
    placeIndex: isAway && placeAt >= 0 ? placeAt : null,
    link,
    linkMbps: link.mbps,
    capMbps: Math.min(habitCapMbps ?? Infinity, isAway ? links.awayRungMbps : Infinity),
    hoursPerWeek: habits.reduce(
      (sum, at) => sum + (week.habits[at]!.habit.onBusyDays ? 0 : week.habits[at]!.hoursPerWeek),
      0,
    ),
    habits,
  }
}
