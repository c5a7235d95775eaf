import { readsOf } from '../../drives/fast/fastRates'
import type { Resource } from '../evening/world'
import type { RehearsalSlice } from '../question/rehearsalSlice'

/** What runs out is called, so that a practitioner knows where to look. */
export function resourceName(
  { kind, at }: Pick<Resource, 'kind' | 'at'>,
  { plan, facts }: Pick<RehearsalSlice, 'plan' | 'facts'>,
): string {
  const engines = facts.streams.converter.engines
  const engine = engines.length > 1 ? `engine ${at + 1}'s` : "the engine's"
  const device = plan.household.devices[at]?.name || 'the device'
  switch (kind) {
    case 'processor':
      return 'the processor'
    case 'decode':
      return `${engine} decoding`
    case 'toneMap':
      return `${engine} tone mapping`
    case 'encode':
      return `${engine} encoding`
    case 'upload':
      return 'the upload'
    case 'placeLine':
      return `the line of ${plan.household.places[at]?.name || 'the place away'}`
    case 'deviceLine':
      return `the mobile line of ${device}`
    case 'airtime':
      return 'Wi-Fi at home'
    case 'deviceCable':
      return `the cable of ${device}`
    case 'port':
      return 'the home network'
    case 'router':
      return "the router's port"
    case 'drives':
      return severalReads(facts.drives) ? `drive ${at + 1}` : 'the drives'
  }
}

/** Whole files lie on single drives, or there are several groups, so that each has its own time. */
function severalReads({ pool, layoutId }: RehearsalSlice['facts']['drives']): boolean {
  if (!pool) return false
  const { groups, parts } = pool.arrangement
  return groups.some(({ members, survives }) => {
    const dataDrives = members.filter(member => parts[member]!.dataTB > 0).length
    const { isPerDrive } = readsOf(layoutId, { members: members.length, survives, dataDrives })
    return groups.length > 1 || (isPerDrive && dataDrives > 1)
  })
}

/** What was missing where a session found no place. */
export function placeName(missing: string): string {
  switch (missing) {
    case 'driverSessions':
      return "the driver's sessions are taken"
    case 'engineMemory':
      return "the engine's memory is full"
    default:
      return 'no engine has room, and software is too slow'
  }
}

/** What a blame of the tally is called. */
export function blameName(blame: string, slice: Pick<RehearsalSlice, 'plan' | 'facts'>): string {
  const [kind = '', at = '0', row = ''] = blame.split(' ')
  if (kind === 'hang') return 'the machine hangs'
  if (kind === 'own') return 'nothing that is shared'
  if (kind === 'never') {
    const label = slice.facts.playback.matrix.rows[Number(row)]?.groupLabel ?? 'the title'
    return at === 'machine'
      ? `${label} cannot be converted on this machine`
      : at === 'line'
        ? `the line does not carry ${label}`
        : `the device does not show ${label}`
  }
  if (kind === 'driverSessions' || kind === 'engineMemory' || kind === 'software')
    return placeName(kind)
  return resourceName({ kind: kind as Resource['kind'], at: Number(at) }, slice)
}
