/**
 * What a machine is built on: a prebuilt one with its processor, or a board in a case with its supply, ready to take one.
 * Models are invented; prices are planning values in the plan's currency, without drives.
 */
export interface MachineBase {
  readonly id: string
  readonly label: string
  readonly kind: 'prebuilt' | 'board'
  readonly description: string
  /** id of the processor it comes with; null where one is put in */
  readonly processor: string | null
  readonly memoryGB: number
  readonly bays: number
  readonly portMbps: 100 | 1000 | 2500 | 10_000
  readonly passivelyCooled: boolean
  /** watts at the wall as it comes, without drives: with nothing to do, and with its processor (where it has one) fully busy */
  readonly idleW: number
  readonly loadW: number
  readonly price: number
}

const fanned = { passivelyCooled: false } as const

export const machineBases: readonly MachineBase[] = [
  {
    ...fanned, id: 'wherry-2', label: 'Wherry 2', kind: 'prebuilt', description: 'Two-bay appliance with a small four-core processor; its system comes with it.',
    processor: 'beck-19', memoryGB: 4, bays: 2, portMbps: 1000, idleW: 9, loadW: 19, price: 240,
  },
  {
    ...fanned, id: 'towpath', label: 'Towpath', kind: 'board', description: 'A used office board in a small case with three bays.',
    processor: null, memoryGB: 0, bays: 3, portMbps: 1000, idleW: 13, loadW: 15, price: 120,
  },
  {
    ...fanned, id: 'wherry-4', label: 'Wherry 4', kind: 'prebuilt', description: 'Four-bay appliance with an efficient four-core processor and a faster port.',
    processor: 'beck-23', memoryGB: 8, bays: 4, portMbps: 2500, idleW: 14, loadW: 30, price: 520,
  },
  {
    ...fanned, id: 'millrace', label: 'Millrace', kind: 'board', description: 'A small new board in a quiet case with six bays.',
    processor: null, memoryGB: 0, bays: 6, portMbps: 2500, idleW: 11, loadW: 14, price: 350,
  },
  {
    ...fanned, id: 'lighter-8', label: 'Lighter 8', kind: 'prebuilt', description: 'Eight-bay appliance with room for years and a fast port.',
    processor: 'bore-19', memoryGB: 16, bays: 8, portMbps: 10_000, idleW: 27, loadW: 64, price: 1290,
  },
  {
    ...fanned, id: 'weir', label: 'Weir', kind: 'board', description: 'A board for error-correcting memory in a case with eight front bays.',
    processor: null, memoryGB: 0, bays: 8, portMbps: 10_000, idleW: 16, loadW: 20, price: 830,
  },
]
