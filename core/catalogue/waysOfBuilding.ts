/** A complete box with drives at one budget. Models are invented; prices are planning values in the plan's currency. */
export interface WayOfBuilding {
  readonly id: string
  readonly tier: 'Lean' | 'Household' | 'Ample'
  /** most that this tier may cost now */
  readonly capPrice: number
  readonly kind: 'prebuilt' | 'self-built'
  readonly label: string
  readonly description: string
  readonly machine: {
    readonly score: number
    readonly cores: number
    /** built-in video engine; 'none' without */
    readonly engine: string
    readonly memoryGB: number
    readonly passivelyCooled: boolean
    readonly bays: number
    readonly idleW: number
    readonly loadW: number
    readonly price: number
    readonly portMbps: 1000 | 2500 | 10_000
  }
  readonly drives: {
    readonly count: number
    readonly sizeTB: number
    readonly priceEach: number
    readonly layout: string
    readonly fileSystem: 'journalled' | 'copyOnWrite'
  }
}

export const waysOfBuilding: readonly WayOfBuilding[] = [
  {
    id: 'lean-prebuilt', tier: 'Lean', capPrice: 700, kind: 'prebuilt', label: 'Wherry 2',
    description: 'Two-bay appliance with a small four-core processor; its system comes with it.',
    machine: { score: 3000, cores: 4, engine: 'builtInE', memoryGB: 4, passivelyCooled: false, bays: 2, idleW: 9, loadW: 19, price: 240, portMbps: 1000 },
    drives: { count: 2, sizeTB: 8, priceEach: 165, layout: 'mirror', fileSystem: 'journalled' },
  },
  {
    id: 'lean-built', tier: 'Lean', capPrice: 700, kind: 'self-built', label: 'Towpath',
    description: 'A used office board and processor in a small case with three bays.',
    machine: { score: 7800, cores: 6, engine: 'builtInD', memoryGB: 16, passivelyCooled: false, bays: 3, idleW: 19, loadW: 78, price: 220, portMbps: 1000 },
    drives: { count: 2, sizeTB: 8, priceEach: 165, layout: 'mirror', fileSystem: 'journalled' },
  },
  {
    id: 'household-prebuilt', tier: 'Household', capPrice: 1700, kind: 'prebuilt', label: 'Wherry 4',
    description: 'Four-bay appliance with an efficient four-core processor and a faster port.',
    machine: { score: 5600, cores: 4, engine: 'builtInE', memoryGB: 8, passivelyCooled: false, bays: 4, idleW: 14, loadW: 30, price: 520, portMbps: 2500 },
    drives: { count: 4, sizeTB: 12, priceEach: 235, layout: 'rotating-1', fileSystem: 'copyOnWrite' },
  },
  {
    id: 'household-built', tier: 'Household', capPrice: 1700, kind: 'self-built', label: 'Millrace',
    description: 'A new eight-core processor on a small board, in a quiet case with six bays.',
    machine: { score: 16_000, cores: 8, engine: 'builtInF', memoryGB: 16, passivelyCooled: false, bays: 6, idleW: 18, loadW: 92, price: 570, portMbps: 2500 },
    drives: { count: 4, sizeTB: 12, priceEach: 235, layout: 'rotating-1', fileSystem: 'copyOnWrite' },
  },
  {
    id: 'ample-prebuilt', tier: 'Ample', capPrice: 2900, kind: 'prebuilt', label: 'Lighter 8',
    description: 'Eight-bay appliance with room for years and a fast port.',
    machine: { score: 11_500, cores: 8, engine: 'none', memoryGB: 16, passivelyCooled: false, bays: 8, idleW: 27, loadW: 64, price: 1290, portMbps: 10_000 },
    drives: { count: 6, sizeTB: 12, priceEach: 235, layout: 'rotating-2', fileSystem: 'copyOnWrite' },
  },
  {
    id: 'ample-built', tier: 'Ample', capPrice: 2900, kind: 'self-built', label: 'Weir',
    description: 'A strong desktop processor, error-correcting memory and eight front bays.',
    machine: { score: 33_000, cores: 12, engine: 'none', memoryGB: 32, passivelyCooled: false, bays: 8, idleW: 31, loadW: 168, price: 1240, portMbps: 10_000 },
    drives: { count: 6, sizeTB: 12, priceEach: 235, layout: 'rotating-2', fileSystem: 'copyOnWrite' },
  },
]
