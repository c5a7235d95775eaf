/** Memory as it is put into a machine. Planning values in the plan's currency. */
export interface MemoryModule {
  readonly id: string
  readonly label: string
  readonly memoryGB: number
  /** watts, DC, at rest and at work alike */
  readonly powerW: number
  readonly price: number
}

/** A stick takes 1.5 to 3 W, whatever it holds. */
const stickW = 2

export const memoryModules: readonly MemoryModule[] = [
  { id: 'memory-4', label: 'Memory, 4 GB', memoryGB: 4, powerW: stickW, price: 12 },
  { id: 'memory-8', label: 'Memory, 8 GB', memoryGB: 8, powerW: stickW, price: 22 },
  { id: 'memory-16', label: 'Memory, 16 GB', memoryGB: 16, powerW: stickW, price: 40 },
  { id: 'memory-32', label: 'Memory, 32 GB', memoryGB: 32, powerW: stickW, price: 78 },
]
