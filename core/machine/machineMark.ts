import type { SystemKind } from '../catalogue/systemKinds'
import { markOf } from '../markOf'
import type { MachineBuild } from './machineBuild'

/**
 * A mark of what a measurement of a machine was made on: its base, processor, engines, memory,
 * cooling and kind of system. It counts for no other.
 */
export function machineMark(
  { base, processor, cores, cards, builtIn, memoryGB, passivelyCooled, board }: MachineBuild,
  system: SystemKind | null,
): string {
  return markOf(
    JSON.stringify([
      base?.id ?? board?.id ?? null,
      processor?.id ?? cores,
      [...cards.map(({ id }) => id).sort(), builtIn?.id ?? null],
      memoryGB,
      passivelyCooled,
      system?.id ?? null,
    ]),
  )
}
