import {
  mdiAccountGroupOutline,
  mdiClipboardCheckOutline,
  mdiCompassOutline,
  mdiTelevisionPlay,
  mdiFilmstrip,
  mdiHandCoinOutline,
  mdiHarddisk,
  mdiLanConnect,
  mdiPulse,
  mdiScaleBalance,
  mdiServerOutline,
} from '@mdi/js'

export type ViewId =
  | 'brief'
  | 'household'
  | 'library'
  | 'playback'
  | 'streams'
  | 'drives'
  | 'network'
  | 'machine'
  | 'tiers'
  | 'ownership'
  | 'commissioning'

/** A part of a view with an address of its own; the first is the view's own address. */
export interface Section {
  readonly id: string
  readonly label: string
}
export interface View {
  readonly id: ViewId
  readonly label: string
  readonly icon: string
  readonly sections: readonly Section[]
}
export interface Phase {
  readonly label: string
  readonly views: readonly View[]
}

/**
 * The views of a plan by phase, in the order practitioners work; the order is a guide, not a gate.
 */
export const phases: readonly Phase[] = [
  {
    label: 'Need',
    views: [
      {
        id: 'brief',
        label: 'Brief',
        icon: mdiCompassOutline,
        sections: [
          { id: 'answer', label: 'Answer' },
          { id: 'answers', label: 'Your answers' },
          { id: 'verdicts', label: 'Verdicts' },
        ],
      },
      {
        id: 'household',
        label: 'Household',
        icon: mdiAccountGroupOutline,
        sections: [
          { id: 'week', label: 'Week' },
          { id: 'moment', label: 'One moment' },
          { id: 'viewers', label: 'Viewers' },
          { id: 'devices', label: 'Devices' },
          { id: 'evening', label: 'Busy evening' },
        ],
      },
      {
        id: 'library',
        label: 'Library',
        icon: mdiFilmstrip,
        sections: [
          { id: 'growth', label: 'Growth' },
          { id: 'holdings', label: 'Holdings' },
          { id: 'scan', label: 'Scan' },
          { id: 'events', label: 'Single events' },
        ],
      },
      {
        id: 'playback',
        label: 'Playback',
        icon: mdiTelevisionPlay,
        sections: [
          { id: 'matrix', label: 'Matrix' },
          { id: 'fixes', label: 'Fixes' },
        ],
      },
    ],
  },
  {
    label: 'Size',
    views: [
      {
        id: 'streams',
        label: 'Streams',
        icon: mdiPulse,
        sections: [
          { id: 'capacity', label: 'Capacity' },
          { id: 'mix', label: 'Mix' },
          { id: 'processors', label: 'Processors' },
          { id: 'fixes', label: 'Fixes' },
          { id: 'archive', label: 'Archive' },
          { id: 'measure', label: 'Measure' },
        ],
      },
      {
        id: 'drives',
        label: 'Drives',
        icon: mdiHarddisk,
        sections: [
          { id: 'space', label: 'Space' },
          { id: 'layouts', label: 'Layouts' },
          { id: 'risk', label: 'Risk' },
          { id: 'perils', label: 'Perils and copies' },
          { id: 'backup', label: 'Backup plan' },
          { id: 'growing', label: 'Growing' },
          { id: 'fast', label: 'Fast storage' },
          { id: 'way-out', label: 'Way out' },
          { id: 'drill', label: 'Drill' },
        ],
      },
      {
        id: 'network',
        label: 'Network',
        icon: mdiLanConnect,
        sections: [
          { id: 'chain', label: 'Chain' },
          { id: 'home', label: 'Home' },
          { id: 'away', label: 'Away' },
          { id: 'first-fill', label: 'First fill' },
          { id: 'upgrades', label: 'Upgrades' },
        ],
      },
      {
        id: 'machine',
        label: 'Machine',
        icon: mdiServerOutline,
        sections: [
          { id: 'map', label: 'Map' },
          { id: 'fit', label: 'Fit' },
          { id: 'power', label: 'Power' },
          { id: 'memory', label: 'Memory' },
          { id: 'place', label: 'Noise and heat' },
          { id: 'at-hand', label: 'At hand' },
          { id: 'parts', label: 'Parts list' },
          { id: 'system', label: 'System and services' },
          { id: 'figures', label: 'Own figures' },
        ],
      },
    ],
  },
  {
    label: 'Choose',
    views: [
      {
        id: 'tiers',
        label: 'Tiers',
        icon: mdiScaleBalance,
        sections: [
          { id: 'ways', label: 'Ways' },
          { id: 'search', label: 'Search' },
          { id: 'frontier', label: 'Frontier' },
          { id: 'compare', label: 'Compare' },
          { id: 'upgrade', label: 'Upgrade path' },
          { id: 'builds', label: 'Examples' },
        ],
      },
      {
        id: 'ownership',
        label: 'Ownership',
        icon: mdiHandCoinOutline,
        sections: [
          { id: 'years', label: 'Years' },
          { id: 'power', label: 'Power' },
          { id: 'old-or-new', label: 'Old or new' },
          { id: 'cloud', label: 'Cloud instead' },
          { id: 'carbon', label: 'Carbon' },
          { id: 'flips', label: 'What flips it' },
        ],
      },
    ],
  },
  {
    label: 'Set up',
    views: [
      {
        id: 'commissioning',
        label: 'Commissioning',
        icon: mdiClipboardCheckOutline,
        sections: [{ id: 'run-book', label: 'Run-book' }],
      },
    ],
  },
]

export const views: readonly View[] = phases.flatMap(phase => phase.views)

export function viewOf(id: ViewId): View {
  return views.find(view => view.id === id)!
}

/** Where something is shown: a view, and one of its sections. */
export interface FieldPlace {
  readonly view: ViewId
  readonly section?: string
}

/**
 * Where the fields of a plan are set, by the beginning of their path; the first that fits counts.
 */
const places: readonly (readonly [RegExp, FieldPlace])[] = [
  [/^household\.(viewers|places)/, { view: 'household', section: 'viewers' }],
  [/^household\.(devices|capabilitySets)/, { view: 'household', section: 'devices' }],
  [/^household\.(watchingHome|watchingAway|converted)/, { view: 'household', section: 'evening' }],
  [/^(household|choices\.school|choices\.minutesShortTarget)/, { view: 'household' }],
  [/^library\.events/, { view: 'library', section: 'events' }],
  [/^conditions/, { view: 'tiers' }],
  [/^choices\.horizonYears/, { view: 'library' }],
  [/^(library|choices\.ruleOfThumbFactor)/, { view: 'library', section: 'holdings' }],
  [/^(calibration|machine\.measured)/, { view: 'streams', section: 'measure' }],
  [
    /^choices\.(pointsPerStream|systemReserveShare|toneMapping|hardwareConversion|fallbackShare)/,
    { view: 'streams', section: 'mix' },
  ],
  [/^drives\.(lots|layout|fileSystem|hotSpares|driveClass)/, { view: 'drives' }],
  [/^choices\.survivesAtLeast/, { view: 'drives', section: 'layouts' }],
  [
    /^drives\.(secondBox(EveryDays|Kept|W)|offline(Every|Kept|Medium|Sets)|away(By|Every|Kept|Medium|Sets|Upload|Night)|store|copyPrice)/,
    { view: 'drives', section: 'backup' },
  ],
  [
    /^drives\.(ups|secondBox|offlineCopy|awayCopy|copiesWithVersions|coverages|\w+Chance$)/,
    { view: 'drives', section: 'perils' },
  ],
  [
    /^drives\.(ssd|system|index|scratch|cache|work|daysBetween|arrivals)/,
    { view: 'drives', section: 'fast' },
  ],
  [
    /^drives\.(purchases|priceFallPerYear|replacedWorth|expandsParity)/,
    { view: 'drives', section: 'growing' },
  ],
  [
    /^(drives|choices\.(readErrorEndsRebuild|watchingHoursPerDay))/,
    { view: 'drives', section: 'risk' },
  ],
  [/^network\.(fill|small|downloadCap|rip)/, { view: 'network', section: 'first-fill' }],
  [
    /^network\.(upload|download|awayRung|dataCap|needsOutside)/,
    { view: 'network', section: 'away' },
  ],
  [/^network/, { view: 'network' }],
  [/^machine\.base/, { view: 'machine' }],
  [/^machine\.(atHand|diagnosisFee)/, { view: 'machine', section: 'at-hand' }],
  [/^machine\.(parts|ownParts)/, { view: 'machine', section: 'parts' }],
  [/^(machine\.startTogether|brief\.mainsVolts)/, { view: 'machine', section: 'power' }],
  [/^machine/, { view: 'machine', section: 'figures' }],
  [/^brief\.(opensTo|ear|room|cupboard|damp|dusty)/, { view: 'machine', section: 'place' }],
  [/^system/, { view: 'machine', section: 'system' }],
  [/^costs\.(tiers|linkBetween)/, { view: 'tiers', section: 'search' }],
  [
    /^(costs\.(pricePerKWh|electricity|night|solar|ups)|choices\.(converting|asleep|off|wakes))/,
    { view: 'ownership', section: 'power' },
  ],
  [/^commissioning/, { view: 'commissioning' }],
  [/^costs\.cloud/, { view: 'ownership', section: 'cloud' }],
  [/^costs\.grid/, { view: 'ownership', section: 'carbon' }],
  [/^costs/, { view: 'ownership' }],
  [/^(brief|name)/, { view: 'brief', section: 'answers' }],
]

/** Where a plan field is set. */
export function placeOfPath(path: string): FieldPlace {
  return places.find(([start]) => start.test(path))?.[1] ?? { view: 'brief' }
}

/** The view that a plan field or a figure belongs to. */
export function viewOfPath(path: string): ViewId {
  return placeOfPath(path).view
}

/** Address of a view of a plan, or of one of its sections. */
export function viewAddress(planId: string, view: string, section?: string): string {
  const known = views.find(candidate => candidate.id === view)
  const own = section && known && section !== known.sections[0]!.id ? `/${section}` : ''
  return view === 'brief' && !own ? `/plans/${planId}` : `/plans/${planId}/${view}${own}`
}

/** DOM id of the place where a plan field is set. */
export function fieldElementId(path: string): string {
  return `field-${path}`
}
