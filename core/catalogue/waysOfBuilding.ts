/**
 * One build of the catalogue: a base, parts in it and drives, at one budget. Models are invented.
 */
export interface WayOfBuilding {
  readonly id: string
  readonly tier: 'Lean' | 'Middle' | 'Large'
  /** most that this tier may cost now */
  readonly capPrice: number
  readonly kind: 'prebuilt' | 'self-built'
  readonly label: string
  readonly description: string
  /** id of its base */
  readonly base: string
  /** ids of the parts that are put in */
  readonly parts: readonly string[]
  readonly drives: {
    readonly count: number
    readonly sizeTB: number
    readonly priceEach: number
    readonly layout: string
    readonly fileSystem: 'journalled' | 'copyOnWrite'
  }
}

const pairOf8 = {
  count: 2,
  sizeTB: 8,
  priceEach: 165,
  layout: 'mirror',
  fileSystem: 'journalled',
} as const
const fourOf12 = {
  count: 4,
  sizeTB: 12,
  priceEach: 235,
  layout: 'rotating-1',
  fileSystem: 'copyOnWrite',
} as const
const sixOf12 = {
  count: 6,
  sizeTB: 12,
  priceEach: 235,
  layout: 'rotating-2',
  fileSystem: 'copyOnWrite',
} as const

export const waysOfBuilding: readonly WayOfBuilding[] = [
  {
    id: 'lean-prebuilt',
    tier: 'Lean',
    capPrice: 700,
    kind: 'prebuilt',
    label: 'Wherry 2',
    base: 'wherry-2',
    parts: [],
    drives: pairOf8,
    description: 'Two-bay appliance with a small four-core processor; its system comes with it.',
  },
  {
    id: 'lean-built',
    tier: 'Lean',
    capPrice: 700,
    kind: 'self-built',
    label: 'Towpath',
    base: 'towpath',
    parts: ['leat-17', 'memory-16'],
    drives: pairOf8,
    description: 'A used office board and processor in a small case with three bays.',
  },
  {
    id: 'middle-prebuilt',
    tier: 'Middle',
    capPrice: 1700,
    kind: 'prebuilt',
    label: 'Wherry 4',
    base: 'wherry-4',
    parts: [],
    drives: fourOf12,
    description: 'Four-bay appliance with an efficient four-core processor and a faster port.',
  },
  {
    id: 'middle-built',
    tier: 'Middle',
    capPrice: 1700,
    kind: 'self-built',
    label: 'Millrace',
    base: 'millrace',
    parts: ['leat-22', 'memory-16'],
    drives: fourOf12,
    description: 'A new six-core processor on a small board, in a quiet case with six bays.',
  },
  {
    id: 'large-prebuilt',
    tier: 'Large',
    capPrice: 2900,
    kind: 'prebuilt',
    label: 'Lighter 8',
    base: 'lighter-8',
    parts: [],
    drives: sixOf12,
    description: 'Eight-bay appliance with room for years and a fast port.',
  },
  {
    id: 'large-built',
    tier: 'Large',
    capPrice: 2900,
    kind: 'self-built',
    label: 'Weir',
    base: 'weir',
    parts: ['race-22', 'memory-32-new'],
    drives: sixOf12,
    description: 'A strong desktop processor, error-correcting memory and eight front bays.',
  },
]
