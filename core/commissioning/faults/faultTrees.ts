import { driveFaults } from './driveFaults'
import type { FaultTree } from './faultTree'
import { networkFaults } from './networkFaults'
import { starting } from './starting'

/** Every fault tree, in the order of their numbers. */
export const faultTrees: readonly FaultTree[] = [
  ...starting,
  ...driveFaults,
  ...networkFaults,
].sort((a, b) => Number(a.id.slice(1)) - Number(b.id.slice(1)))
