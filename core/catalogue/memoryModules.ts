import type { MemoryShape, MemoryType } from './hardware/hardwarePart'

/** Memory as it is put into a machine. Planning values in the plan's currency. */
export interface MemoryModule {
  readonly id: string
  readonly label: string
  readonly memoryGB: number
  readonly type: MemoryType
  readonly shape: MemoryShape
  readonly ecc: boolean
  /** for servers: with a register between the chips and the board */
  readonly registered: boolean
  /** watts, DC, at rest and at work alike */
  readonly powerW: number
  readonly price: number
}

/** A stick takes 1.5 to 3 W, whatever it holds. */
const stickW = 2

const dimm = { shape: 'DIMM', ecc: false, registered: false, powerW: stickW } as const
const small = { shape: 'SO-DIMM', ecc: false, registered: false, powerW: stickW } as const

// prettier-ignore
export const memoryModules: readonly MemoryModule[] = [
  { ...dimm, id: 'memory-4', label: 'Memory, 4 GB', memoryGB: 4, type: 'DDR4', price: 12 },
  { ...dimm, id: 'memory-8', label: 'Memory, 8 GB', memoryGB: 8, type: 'DDR4', price: 22 },
  { ...dimm, id: 'memory-16', label: 'Memory, 16 GB', memoryGB: 16, type: 'DDR4', price: 40 },
  { ...dimm, id: 'memory-32', label: 'Memory, 32 GB', memoryGB: 32, type: 'DDR4', price: 78 },
  { ...dimm, id: 'memory-32e', label: 'Memory, 32 GB, ECC', memoryGB: 32, type: 'DDR4', ecc: true, price: 96 },
  { ...dimm, id: 'memory-2-old', label: 'Memory, 2 GB, DDR2', memoryGB: 2, type: 'DDR2', price: 8 },
  { ...dimm, id: 'memory-4-old', label: 'Memory, 4 GB, DDR3', memoryGB: 4, type: 'DDR3', price: 8 },
  { ...dimm, id: 'memory-8-old', label: 'Memory, 8 GB, DDR3', memoryGB: 8, type: 'DDR3', price: 14 },
  { ...dimm, id: 'memory-8e-old', label: 'Memory, 8 GB, DDR3, ECC', memoryGB: 8, type: 'DDR3', ecc: true, price: 16 },
  { ...dimm, id: 'memory-16-new', label: 'Memory, 16 GB, DDR5', memoryGB: 16, type: 'DDR5', price: 46 },
  { ...dimm, id: 'memory-32-new', label: 'Memory, 32 GB, DDR5', memoryGB: 32, type: 'DDR5', price: 86 },
  { ...dimm, id: 'memory-32e-new', label: 'Memory, 32 GB, DDR5, ECC', memoryGB: 32, type: 'DDR5', ecc: true, price: 118 },
  { ...dimm, id: 'memory-16r-old', label: 'Memory, 16 GB, DDR3, registered, used', memoryGB: 16, type: 'DDR3', ecc: true, registered: true, price: 14 },
  { ...dimm, id: 'memory-32r', label: 'Memory, 32 GB, DDR4, registered, used', memoryGB: 32, type: 'DDR4', ecc: true, registered: true, price: 48 },
  { ...small, id: 'memory-8s', label: 'Memory, 8 GB, small', memoryGB: 8, type: 'DDR4', price: 22 },
  { ...small, id: 'memory-16s', label: 'Memory, 16 GB, small', memoryGB: 16, type: 'DDR4', price: 40 },
  { ...small, id: 'memory-32s', label: 'Memory, 32 GB, small', memoryGB: 32, type: 'DDR4', price: 78 },
  { ...small, id: 'memory-16s-new', label: 'Memory, 16 GB, small, DDR5', memoryGB: 16, type: 'DDR5', price: 46 },
  { ...small, id: 'memory-32s-new', label: 'Memory, 32 GB, small, DDR5', memoryGB: 32, type: 'DDR5', price: 86 },
]
