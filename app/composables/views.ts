import {
  mdiAccountGroupOutline,
  mdiClipboardCheckOutline,
  mdiCompassOutline,
  mdiTelevisionPlay,
  mdiFilmstrip,
  mdiHandCoinOutline,
  mdiHarddisk,
  mdiLanConnect,
  mdiNotebookOutline,
  mdiPlayBoxMultipleOutline,
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
  | 'rehearsal'
  | 'logbook'

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
    label: 'Prove',
    views: [
      {
        id: 'rehearsal',
        label: 'Rehearsal',
        icon: mdiPlayBoxMultipleOutline,
        sections: [
          { id: 'evening', label: 'Evening' },
          { id: 'thousands', label: 'Thousands of evenings' },
          { id: 'what-if', label: 'What if' },
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
        sections: [
          { id: 'run-book', label: 'Run-book' },
          { id: 'faults', label: 'Fault trees' },
          { id: 'people', label: 'People and shares' },
          { id: 'names', label: 'Folders and names' },
          { id: 'fill', label: 'Fill, copies, calendar' },
          { id: 'sign-off', label: 'Sign-off' },
        ],
      },
    ],
  },
  {
    label: 'Keep',
    views: [
      {
        id: 'logbook',
        label: 'Logbook',
        icon: mdiNotebookOutline,
        sections: [
          { id: 'entries', label: 'Entries' },
          { id: 'calibration', label: 'Calibration' },
          { id: 'drives', label: 'Drives' },
          { id: 'drift', label: 'Drift' },
          { id: 'report', label: 'Report' },
        ],
      },
    ],
  },
]

export const views: readonly View[] = phases.flatMap(phase => phase.views)

export function viewOf(id: ViewId): View {
  return views.find(view => view.id === id)!
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
