import { sharingOfText } from './sharingText'
import { boardForms, efficiencyClasses, partKinds } from './partWords'

/** Kinds of part that a plan can add to the catalogue, with what they are called. */
const ownKinds = [
  'processor',
  'board',
  'memory',
  'case',
  'supply',
  'cooler',
  'controller',
  'networkCard',
  'ssd',
  'fan',
  'enclosure',
  'ups',
] as const satisfies readonly (keyof typeof partKinds)[]
export type OwnPartKind = (typeof ownKinds)[number]
export const ownPartKinds = Object.fromEntries(ownKinds.map(kind => [kind, partKinds[kind]])) as {
  readonly [Kind in OwnPartKind]: (typeof partKinds)[Kind]
}

type Trait = number | string
/** A part of one's own: its kind, and what is known of it by the names of `ownPartColumns`. */
export interface OwnPart {
  readonly id: string
  readonly label: string
  readonly kind: OwnPartKind
  readonly price: number | null
  readonly traits: Readonly<Record<string, Trait>>
}

/** One property of own parts, as a field of the form and a column of a file. */
export interface OwnPartColumn {
  readonly key: string
  readonly label: string
  /** '' for text and bare numbers */
  readonly unit: string
  readonly of: readonly OwnPartKind[]
  /** kinds that cannot do without it */
  readonly needs: readonly OwnPartKind[]
  readonly min?: number
  readonly max?: number
  readonly options?: readonly string[]
}

const all = Object.keys(ownPartKinds) as OwnPartKind[]
const quantity = (
  [key, label, unit, max]: readonly [key: string, label: string, unit: string, max: number],
  of: readonly OwnPartKind[],
  needs: readonly OwnPartKind[] = [],
): OwnPartColumn => ({ key, label, unit, of, needs, min: 0, max })
const word = (
  [key, label]: readonly [key: string, label: string],
  of: readonly OwnPartKind[],
  {
    needs = [],
    options,
  }: { readonly needs?: readonly OwnPartKind[]; readonly options?: readonly string[] } = {},
): OwnPartColumn => ({ key, label, unit: '', of, needs, ...(options ? { options } : {}) })

/** Every property that own parts can have. Watts are DC. */
// prettier-ignore
export const ownPartColumns: readonly OwnPartColumn[] = [
  quantity(['idleW', 'Idle', 'W', 1000], all), quantity(['loadW', 'At work', 'W', 2000], all),
  word(['socket', 'Socket'], ['processor', 'board', 'cooler'], { needs: ['processor'] }), quantity(['year', 'Year of design', 'year', 2040], ['processor', 'board'], ['processor']),
  quantity(['cores', 'Cores', 'cores', 256], ['processor'], ['processor']), quantity(['gigahertz', 'Sustained clock', 'GHz', 10], ['processor']), quantity(['score', 'Score', 'points', 500_000], ['processor'], ['processor']), word(['engine', 'Built-in video engine'], ['processor']),
  word(['ecc', 'Corrects memory errors'], ['processor', 'board', 'memory'], { options: ['yes', 'no'] }),
  word(['form', 'Form'], ['board', 'case'], { needs: ['board', 'case'], options: Object.keys(boardForms) }),
  word(['memoryType', 'Kind of memory'], ['board', 'memory'], { needs: ['board', 'memory'], options: ['DDR2', 'DDR3', 'DDR4', 'DDR5'] }), word(['memoryShape', 'Shape of memory'], ['board', 'memory'], { options: ['DIMM', 'SO-DIMM'] }),
  quantity(['memorySlots', 'Memory slots', 'slots', 24], ['board']), quantity(['memoryGB', 'Memory, or the most of it', 'GB', 4096], ['board', 'memory'], ['memory']),
  quantity(['dataPorts', 'Data ports', 'ports', 40], ['board', 'controller'], ['board', 'controller']), quantity(['m2Places', 'M.2 places', 'places', 6], ['board']),
  quantity(['slots16', 'Slots ×16', 'slots', 7], ['board']), quantity(['slots8', 'Slots ×8', 'slots', 7], ['board']), quantity(['slots4', 'Slots ×4', 'slots', 7], ['board']), quantity(['slots1', 'Slots ×1', 'slots', 7], ['board']),
  word(['sharing', 'What places switch off'], ['board']), quantity(['networkMbps', 'Network', 'Mb/s', 100_000], ['board', 'networkCard'], ['networkCard']),
  quantity(['bays35', '3.5" bays', 'bays', 60], ['case'], ['case']), quantity(['bays25', '2.5" bays', 'bays', 60], ['case']), quantity(['bays525', '5.25" bays', 'bays', 12], ['case']), quantity(['hotSwap', 'Of them front trays', 'bays', 60], ['case']),
  quantity(['coolerMm', 'Room for the cooler', 'mm', 400], ['case']), quantity(['cardMm', 'Room for cards', 'mm', 600], ['case']), quantity(['widthMm', 'Width', 'mm', 1000], ['case']), quantity(['heightMm', 'Height', 'mm', 1000], ['case', 'cooler'], ['cooler']), quantity(['depthMm', 'Depth', 'mm', 1200], ['case']),
  word(['supplyForm', 'Form of the supply'], ['case', 'supply'], { options: ['ATX', 'SFX', 'rack', 'brick'] }), quantity(['ratingW', 'Rating', 'W', 3000], ['supply', 'ups'], ['supply', 'ups']), quantity(['amps12', 'At 12 V', 'A', 250], ['supply']), word(['efficiency', 'Efficiency class'], ['supply'], { options: efficiencyClasses }), quantity(['drivePlugs', 'Plugs for drives', 'plugs', 60], ['supply']), quantity(['leads', 'Leads for drives', 'leads', 20], ['supply']), quantity(['cardPlugs', 'Plugs for cards', 'plugs', 12], ['supply']),
  quantity(['carriesW', 'Heat carried', 'W', 1000], ['cooler'], ['cooler']), quantity(['noiseDb', 'Sound power', 'dB(A)', 90], ['supply', 'cooler', 'enclosure']),
  quantity(['lanes', 'Lanes', 'lanes', 16], ['controller', 'networkCard']), quantity(['outsideSockets', 'Outside sockets', 'sockets', 40], ['controller']), quantity(['sizeGB', 'Size', 'GB', 100_000], ['ssd'], ['ssd']), word(['link', 'Link'], ['ssd'], { options: ['nvme', 'sata'] }), word(['link', 'Link'], ['enclosure'], { options: ['usb', 'cable'] }), word(['link', 'Medium'], ['networkCard'], { options: ['copper', 'fibre', 'wifi'] }),
  word(['display', 'Picture'], ['board'], { options: ['withEngine', 'own', 'none'] }), word(['wifi', 'Wi-Fi'], ['board'], { options: ['yes', 'no'] }), word(['remote', 'Remote management'], ['board'], { options: ['yes', 'no'] }), word(['m2Kind', 'M.2 takes'], ['board'], { options: ['nvme', 'both', 'sata'] }), quantity(['fanHeaders', 'Fan headers', 'headers', 10], ['board']),
  word(['airflow', 'Air at the drives'], ['case'], { options: ['across', 'slow', 'none'] }), word(['made', 'Made by yourself'], ['case'], { options: ['shelf', 'printed', 'drilled'] }), quantity(['fanMounts', 'Mounts for fans', 'mounts', 12], ['case']), quantity(['dampsDb', 'Lining takes off', 'dB', 20], ['case']),
  word(['ownSupply', 'Supply of its own'], ['enclosure'], { options: ['yes', 'no'] }), word(['shape', 'Shape'], ['ssd'], { options: ['m2', '2.5'] }), word(['registered', 'Registered'], ['memory', 'board'], { options: ['yes', 'no'] }),
  quantity(['sizeMm', 'Size', 'mm', 300], ['fan'], ['fan']), quantity(['rpm', 'Turns', 'rpm', 12_000], ['fan'], ['fan']), quantity(['bays', 'Bays', 'bays', 60], ['enclosure'], ['enclosure']), quantity(['throughputMBps', 'Throughput', 'MB/s', 20_000], ['enclosure']),
  quantity(['ratingVA', 'Rating', 'VA', 10_000], ['ups']), quantity(['energyWh', 'Battery', 'Wh', 10_000], ['ups']), word(['battery', 'Kind of battery'], ['ups'], { options: ['lead', 'lithium'] }),
]

/** What is wrong with the properties of an own part: sentences; empty where nothing is. */
export function ownPartProblems({ kind, traits }: Pick<OwnPart, 'kind' | 'traits'>): string[] {
  const known = ownPartColumns.filter(({ of }) => of.includes(kind))
  const missing = known
    .filter(({ key, needs }) => needs.includes(kind) && traits[key] === undefined)
    .map(({ label }) => label)
  return [
    ...(missing.length
      ? [`A ${ownPartKinds[kind].toLowerCase()} needs: ${missing.join(', ')}.`]
      : []),
    ...Object.entries(traits).flatMap(([key, value]) => {
      const column = known.find(candidate => candidate.key === key)
      if (!column)
        return [`A ${ownPartKinds[kind].toLowerCase()} has no property "${key.slice(0, 40)}".`]
      const { label, unit, min, max, options } = column
      if (min !== undefined)
        return typeof value === 'number' && Number.isFinite(value) && value >= min && value <= max!
          ? []
          : [
              `${label} must be a number from ${min} to ${max}${unit && unit !== 'year' ? ` ${unit}` : ''}.`,
            ]
      if (options)
        return options.includes(String(value))
          ? []
          : [`${label} must be one of: ${options.join(', ')}.`]
      return key === 'sharing' && sharingOfText(String(value)) === null
        ? [`${label} must be written such as "m2-1 off data-5 data-6; slot-3 narrows slot-1 to 8".`]
        : []
    }),
  ]
}
