import type { MemoryModule } from '../memoryModules'
import type { Processor } from '../processors'
import { dataPorts, m2, memoryPlaces, plainBoard, slot } from './boards'
import { plainCase } from './cases'
import type { Board, BoardForm, HardwarePart, SharingRule, SupplyForm } from './hardwarePart'
import { boardForms, efficiencyClasses, partKinds } from './partWords'
import { plainSupply } from './supplies'

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
  quantity(['lanes', 'Lanes', 'lanes', 16], ['controller', 'networkCard']), quantity(['sizeGB', 'Size', 'GB', 100_000], ['ssd'], ['ssd']), word(['link', 'Link'], ['ssd'], { options: ['nvme', 'sata'] }), word(['link', 'Link'], ['enclosure'], { options: ['usb', 'cable'] }), word(['link', 'Medium'], ['networkCard'], { options: ['copper', 'fibre', 'wifi'] }),
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

/**
 * Sharing rules as text: 'm2-1 off data-5 data-6; slot-3 narrows slot-1 to 8', by the places' ids.
 * Null where it is not so written.
 */
export function sharingOfText(text: string): SharingRule[] | null {
  const rules = text
    .split(';')
    .map(part => part.trim())
    .filter(Boolean)
    .map((part): SharingRule | null => {
      const off = /^(\S+) off ((?:\S+\s*)+)$/.exec(part)
      if (off) return { when: off[1]!, off: off[2]!.trim().split(/\s+/) }
      const narrows = /^(\S+) narrows (\S+) to (\d+)$/.exec(part)
      return narrows
        ? { when: narrows[1]!, narrows: { place: narrows[2]!, lanes: Number(narrows[3]) } }
        : null
    })
  return rules.includes(null) ? null : (rules as SharingRule[])
}

const lengths = [1, 4, 8, 16] as const
const lengthOf = (lanes: number) => lengths.find(length => length >= lanes) ?? 16

function boardOf(
  own: OwnPart,
  n: (key: string, fallback: number) => number,
  w: (key: string, fallback: string) => string,
): Board {
  const slots = lengths
    .toReversed()
    .flatMap(length => Array.from({ length: n(`slots${length}`, 0) }, () => length))
    .map((length, index) => slot(index + 1, [length, 3]))
  const places = [
    ...slots,
    ...Array.from({ length: n('m2Places', 0) }, (_, index) => m2(index + 1, 3)),
    ...dataPorts(n('dataPorts', 4)),
  ]
  const ids = new Set(places.map(({ id }) => id))
  const isWhole = ({ when, off = [], narrows }: SharingRule) =>
    [when, ...off, ...(narrows ? [narrows.place] : [])].every(id => ids.has(id))
  return {
    ...plainBoard,
    id: own.id,
    label: own.label,
    price: own.price ?? 0,
    idleW: n('idleW', 14),
    loadW: n('loadW', 18),
    year: n('year', 2018),
    form: w('form', 'ATX') as BoardForm,
    socket: w('socket', '') || null,
    places,
    memory: memoryPlaces(
      w('memoryType', 'DDR4') as 'DDR4',
      [n('memorySlots', 4), n('memoryGB', 64)],
      { ecc: w('ecc', 'no') === 'yes', shape: w('memoryShape', 'DIMM') as 'DIMM' },
    ),
    sharing: (sharingOfText(w('sharing', '')) ?? []).filter(isWhole),
    networkMbps: [n('networkMbps', 1000)],
  }
}

/** An own part as an entry of the catalogue; what is not said is as usual for its kind. */
export function entryOfOwn(
  own: OwnPart,
):
  | { readonly processor: Processor }
  | { readonly memory: MemoryModule }
  | { readonly hardware: HardwarePart } {
  const n = (key: string, fallback: number) =>
    typeof own.traits[key] === 'number' ? own.traits[key] : fallback
  const w = (key: string, fallback: string) =>
    typeof own.traits[key] === 'string' ? own.traits[key] : fallback
  const base = {
    id: own.id,
    label: own.label,
    price: own.price ?? 0,
    idleW: n('idleW', 0),
    loadW: Math.max(n('idleW', 0), n('loadW', n('idleW', 0))),
  }
  const card = {
    lanes: n('lanes', 4),
    length: lengthOf(n('lanes', 4)),
    generation: 3,
    lowHeight: true,
    lengthMm: 170,
    knownTo: 'all',
  } as const
  switch (own.kind) {
    case 'processor':
      return {
        processor: {
          id: own.id,
          name: own.label,
          class: 'own part',
          year: n('year', 2018),
          cores: n('cores', 4),
          threadsPerCore: 1,
          gigahertz: n('gigahertz', 3),
          score: n('score', 1),
          singleScore: Math.round(n('score', 1) / Math.max(1, n('cores', 4))),
          idleW: n('idleW', 6),
          maxW: Math.max(n('idleW', 6), n('loadW', 65)),
          engine: w('engine', 'none'),
          price: own.price ?? 0,
          notes: 'Own part.',
          socket: w('socket', ''),
          ecc: w('ecc', 'no') === 'yes',
        },
      }
    case 'memory':
      return {
        memory: {
          id: own.id,
          label: own.label,
          price: own.price ?? 0,
          memoryGB: n('memoryGB', 8),
          type: w('memoryType', 'DDR4') as 'DDR4',
          shape: w('memoryShape', 'DIMM') as 'DIMM',
          ecc: w('ecc', 'no') === 'yes',
          powerW: n('idleW', 2),
        },
      }
    case 'board':
      return { hardware: boardOf(own, n, w) }
    case 'case': {
      const order = ['mini-ITX', 'microATX', 'ATX', 'extended'] as const
      const form = w('form', 'ATX') as BoardForm
      const hotSwap = Math.min(n('hotSwap', 0), n('bays35', 4))
      return {
        hardware: {
          ...plainCase,
          ...base,
          forms: form === 'own' ? ['own'] : order.slice(0, order.indexOf(form) + 1),
          bays35: n('bays35', 4),
          bays25: n('bays25', 1),
          bays525: n('bays525', 0),
          hotSwap,
          bayLights: hotSwap > 0,
          coolerMm: n('coolerMm', 155),
          cardMm: n('cardMm', 300),
          widthMm: n('widthMm', 200),
          heightMm: n('heightMm', 430),
          depthMm: n('depthMm', 440),
          supplyForm: w('supplyForm', 'ATX') as SupplyForm,
          weightKg: 7,
        },
      }
    }
    case 'supply': {
      const leads = Math.max(1, n('leads', 2))
      const plugs = n('drivePlugs', 6)
      return {
        hardware: {
          ...plainSupply,
          ...base,
          form: w('supplyForm', 'ATX') as SupplyForm,
          ratingW: n('ratingW', 400),
          amps12: n('amps12', Math.round(n('ratingW', 400) / 13)),
          efficiency: w('efficiency', 'white') as 'white',
          driveLeads: Array.from(
            { length: leads },
            (_, index) => Math.floor(plugs / leads) + (index < plugs % leads ? 1 : 0),
          ),
          cardPlugs: n('cardPlugs', 0),
          noiseDb: n('noiseDb', 26),
        },
      }
    }
    case 'cooler':
      return {
        hardware: {
          ...base,
          kind: 'cooler',
          sockets: w('socket', '')
            .split(/[\s,]+/)
            .filter(Boolean),
          heightMm: n('heightMm', 120),
          carriesW: n('carriesW', 65),
          passive: n('noiseDb', 24) === 0,
          noiseDb: n('noiseDb', 24),
        },
      }
    case 'controller':
      return {
        hardware: {
          ...base,
          ...card,
          kind: 'controller',
          ports: n('dataPorts', 4),
          mode: 'plain',
          breakouts: 0,
        },
      }
    case 'networkCard':
      return {
        hardware: {
          ...base,
          ...card,
          kind: 'networkCard',
          mbps: n('networkMbps', 1000),
          medium: w('link', 'copper') as 'copper',
        },
      }
    case 'ssd':
      return {
        hardware: {
          ...base,
          kind: 'ssd',
          link: w('link', 'sata') === 'nvme' ? 'nvme' : 'sata',
          shape: w('link', 'sata') === 'nvme' ? 'm2' : '2.5',
          sizeGB: n('sizeGB', 250),
        },
      }
    case 'fan':
      return { hardware: { ...base, kind: 'fan', sizeMm: n('sizeMm', 120), rpm: n('rpm', 1000) } }
    case 'enclosure':
      return {
        hardware: {
          ...base,
          kind: 'enclosure',
          link: w('link', 'usb') === 'cable' ? 'cable' : 'usb',
          bays: n('bays', 2),
          throughputMBps: n('throughputMBps', 400),
          ownSupply: true,
          noiseDb: n('noiseDb', 27),
        },
      }
    case 'ups':
      return {
        hardware: {
          ...base,
          kind: 'ups',
          ratingVA: n('ratingVA', Math.round(n('ratingW', 240) / 0.6)),
          ratingW: n('ratingW', 240),
          energyWh: n('energyWh', 60),
          battery: w('battery', 'lead') as 'lead',
        },
      }
  }
}
