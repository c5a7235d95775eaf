import type { MemoryModule } from '../memoryModules'
import type { Processor } from '../processors'
import { dataPorts, m2, memoryPlaces, plainBoard, slot } from './boards'
import { plainCase } from './cases'
import type { BoardForm, HardwarePart, SharingRule, SupplyForm } from './hardwarePart'
import type { OwnPart, OwnPartKind } from './ownPart'
import { sharingOfText } from './sharingText'
import { plainSupply } from './supplies'

export type OwnEntry =
  | { readonly processor: Processor }
  | { readonly memory: MemoryModule }
  | { readonly hardware: HardwarePart }

/** What is said of a part, and what is usual where nothing is. */
interface Said {
  readonly own: OwnPart
  readonly n: (key: string, usual: number) => number
  readonly w: (key: string, usual: string) => string
}

const lengths = [1, 4, 8, 16] as const
const lengthOf = (lanes: number) => lengths.find(length => length >= lanes) ?? 16

/** What every part has. */
const base = ({ own, n }: Said) => ({
  id: own.id,
  label: own.label,
  price: own.price ?? 0,
  idleW: n('idleW', 0),
  loadW: Math.max(n('idleW', 0), n('loadW', n('idleW', 0))),
})
const card = ({ n }: Said) =>
  ({
    lanes: n('lanes', 4),
    length: lengthOf(n('lanes', 4)),
    generation: 3,
    lowHeight: true,
    lengthMm: 170,
    knownTo: 'all',
  }) as const

function processorOf({ own, n, w }: Said): Processor {
  return {
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
    runs: 'x86',
    sold: 'new',
  }
}

function memoryOf({ own, n, w }: Said): MemoryModule {
  return {
    id: own.id,
    label: own.label,
    price: own.price ?? 0,
    memoryGB: n('memoryGB', 8),
    type: w('memoryType', 'DDR4') as 'DDR4',
    shape: w('memoryShape', 'DIMM') as 'DIMM',
    ecc: w('ecc', 'no') === 'yes',
    registered: w('registered', 'no') === 'yes',
    powerW: n('idleW', 2),
  }
}

/** What its M.2 places take: NVMe alone unless said. */
function m2Kind(w: Said['w']): { readonly takesData?: 'too' | 'only' } {
  const kind = w('m2Kind', 'nvme')
  return kind === 'both' ? { takesData: 'too' } : kind === 'sata' ? { takesData: 'only' } : {}
}

function boardOf({ own, n, w }: Said): HardwarePart {
  const slots = lengths
    .toReversed()
    .flatMap(length => Array.from({ length: n(`slots${length}`, 0) }, () => length))
    .map((length, index) => slot(index + 1, [length, 3]))
  const places = [
    ...slots,
    ...Array.from({ length: n('m2Places', 0) }, (_, index) => m2(index + 1, 3, m2Kind(w))),
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
      {
        ecc: w('ecc', 'no') === 'yes',
        registered: w('registered', 'no') === 'yes',
        shape: w('memoryShape', 'DIMM') as 'DIMM',
      },
    ),
    display: w('display', 'withEngine') as 'withEngine',
    wifi: w('wifi', 'no') === 'yes',
    remoteManagement: w('remote', 'no') === 'yes',
    fanHeaders: n('fanHeaders', 3),
    sharing: (sharingOfText(w('sharing', '')) ?? []).filter(isWhole),
    networkMbps: [n('networkMbps', 1000)],
  }
}

const formsBySize = ['mini-ITX', 'microATX', 'ATX', 'extended'] as const

function caseOf(said: Said): HardwarePart {
  const { n, w } = said
  const form = w('form', 'ATX') as BoardForm
  const hotSwap = Math.min(n('hotSwap', 0), n('bays35', 4))
  return {
    ...plainCase,
    ...base(said),
    forms: form === 'own' ? ['own'] : formsBySize.slice(0, formsBySize.indexOf(form) + 1),
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
    airflow: w('airflow', 'slow') as 'slow',
    fanMounts: n('fanMounts', plainCase.fanMounts),
    dampsDb: n('dampsDb', 0),
    ...(w('made', '') ? { made: w('made', '') as 'shelf' } : {}),
  }
}

function supplyOf(said: Said): HardwarePart {
  const { n, w } = said
  const leads = Math.max(1, n('leads', 2))
  const plugs = n('drivePlugs', 6)
  return {
    ...plainSupply,
    ...base(said),
    form: w('supplyForm', 'ATX') as SupplyForm,
    ratingW: n('ratingW', 400),
    amps12: n('amps12', Math.round(n('ratingW', 400) / 13)),
    efficiency: w('efficiency', 'white') as 'white',
    // The plugs are spread over the leads, the first ones take what is left over.
    driveLeads: Array.from(
      { length: leads },
      (_, index) => Math.floor(plugs / leads) + (index < plugs % leads ? 1 : 0),
    ),
    cardPlugs: n('cardPlugs', 0),
    noiseDb: n('noiseDb', 26),
  }
}

const socketsOf = (text: string) => text.split(/[\s,]+/).filter(Boolean)

/** What is not said of a part is as usual for its kind. */
const entries: { readonly [Kind in OwnPartKind]: (said: Said) => OwnEntry } = {
  processor: said => ({ processor: processorOf(said) }),
  memory: said => ({ memory: memoryOf(said) }),
  board: said => ({ hardware: boardOf(said) }),
  case: said => ({ hardware: caseOf(said) }),
  supply: said => ({ hardware: supplyOf(said) }),
  cooler: said => ({
    hardware: {
      ...base(said),
      kind: 'cooler',
      sockets: socketsOf(said.w('socket', '')),
      heightMm: said.n('heightMm', 120),
      carriesW: said.n('carriesW', 65),
      passive: said.n('noiseDb', 24) === 0,
      noiseDb: said.n('noiseDb', 24),
    },
  }),
  controller: said => ({
    hardware: {
      ...base(said),
      ...card(said),
      kind: 'controller',
      ports: said.n('dataPorts', 4),
      outside: said.n('outsideSockets', 0),
      mode: 'plain',
      breakouts: 0,
    },
  }),
  networkCard: said => ({
    hardware: {
      ...base(said),
      ...card(said),
      kind: 'networkCard',
      mbps: said.n('networkMbps', 1000),
      medium: said.w('link', 'copper') as 'copper',
    },
  }),
  ssd: said => ({
    hardware: {
      ...base(said),
      kind: 'ssd',
      link: said.w('link', 'sata') === 'nvme' ? 'nvme' : 'sata',
      shape: said.w('link', 'sata') === 'nvme' || said.w('shape', '2.5') === 'm2' ? 'm2' : '2.5',
      sizeGB: said.n('sizeGB', 250),
    },
  }),
  fan: said => ({
    hardware: {
      ...base(said),
      kind: 'fan',
      sizeMm: said.n('sizeMm', 120),
      rpm: said.n('rpm', 1000),
    },
  }),
  enclosure: said => ({
    hardware: {
      ...base(said),
      kind: 'enclosure',
      link: said.w('link', 'usb') === 'cable' ? 'cable' : 'usb',
      bays: said.n('bays', 2),
      throughputMBps: said.n('throughputMBps', 400),
      ownSupply: said.w('ownSupply', 'yes') === 'yes',
      noiseDb: said.n('noiseDb', 27),
      // Of a usual one, by its bays: they stand beside each other.
      widthMm: 40 + 40 * said.n('bays', 2),
      heightMm: 165,
      depthMm: 220,
    },
  }),
  ups: said => ({
    hardware: {
      ...base(said),
      kind: 'ups',
      ratingVA: said.n('ratingVA', Math.round(said.n('ratingW', 240) / 0.6)),
      ratingW: said.n('ratingW', 240),
      energyWh: said.n('energyWh', 60),
      battery: said.w('battery', 'lead') as 'lead',
    },
  }),
}

/** An own part as an entry of the catalogue. */
export function entryOfOwn(own: OwnPart): OwnEntry {
  return entries[own.kind]({
    own,
    n: (key, usual) => (typeof own.traits[key] === 'number' ? own.traits[key] : usual),
    w: (key, usual) => (typeof own.traits[key] === 'string' ? own.traits[key] : usual),
  })
}
