import { mdiAccountGroupOutline, mdiCompassOutline, mdiTelevisionPlay, mdiFilmstrip, mdiHandCoinOutline, mdiHarddisk, mdiLanConnect, mdiPulse, mdiScaleBalance, mdiServerOutline } from '@mdi/js'

/** The views of a plan, in the order practitioners work; the order is a guide, not a gate. */
export const views = [
  { id: 'brief', label: 'Brief', icon: mdiCompassOutline },
  { id: 'household', label: 'Household', icon: mdiAccountGroupOutline },
  { id: 'library', label: 'Library', icon: mdiFilmstrip },
  { id: 'playback', label: 'Playback', icon: mdiTelevisionPlay },
  { id: 'streams', label: 'Streams', icon: mdiPulse },
  { id: 'drives', label: 'Drives', icon: mdiHarddisk },
  { id: 'network', label: 'Network', icon: mdiLanConnect },
  { id: 'machine', label: 'Machine', icon: mdiServerOutline },
  { id: 'tiers', label: 'Tiers', icon: mdiScaleBalance },
  { id: 'ownership', label: 'Ownership', icon: mdiHandCoinOutline },
] as const

export type ViewId = typeof views[number]['id']

const homeOfChoice: Readonly<Record<string, ViewId>> = {
  horizonYears: 'library', ruleOfThumbFactor: 'library', school: 'household', minutesShortTarget: 'household',
  pointsPerStream: 'streams', systemReserveShare: 'streams', toneMapping: 'streams', hardwareConversion: 'streams', fallbackShare: 'streams',
  survivesAtLeast: 'drives', readErrorEndsRebuild: 'drives', watchingHoursPerDay: 'drives',
  convertingHoursPerDay: 'ownership',
}

/** Fields of the machine that are set where it converts. */
const convertingFields = new Set(['sustainedGHz', 'designYear', 'coreKind', 'threadsPerCore', 'memoryGB', 'engine', 'processor', 'base', 'parts', 'oneEngineAtATime', 'measuredStreams', 'measuredLow', 'measuredBy'])

/** The view on which a plan field is set. */
export function viewOfPath(path: string): ViewId {
  const [section = '', field = ''] = path.split('.')
  if (section === 'choices') return homeOfChoice[field] ?? 'brief'
  if (section === 'costs') return 'ownership'
  if (section === 'calibration') return 'streams'
  if (section === 'machine' && convertingFields.has(field)) return 'streams'
  return views.find(view => view.id === section)?.id ?? 'brief'
}

/** Address of a view of a plan. */
export function viewAddress(planId: string, view: string): string {
  return view === 'brief' ? `/plans/${planId}` : `/plans/${planId}/${view}`
}

/** DOM id of the place where a plan field is set. */
export function fieldElementId(path: string): string {
  return `field-${path}`
}
