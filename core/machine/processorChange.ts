import type { Board } from '../catalogue/hardware/hardwarePart'
import type { Processor } from '../catalogue/processors'
import type { Machine } from '../plan/machine'
import { machineBuild } from './machineBuild'
import { partsOfKind, type PartLists } from './knownParts'
import { putIn, withoutKind, withProcessor } from './partChanges'

/**
 * The machine with another processor, and where it does not go into the board that is there, with
 * the cheapest board of its socket that
 * goes into the case, a stick of that board's memory at least as large as what was there, and a
 * cooler. Of a machine whose board is not
 * known, or fixed by its maker, only the processor changes.
 */
export function changeProcessor(
  machine: Machine,
  processor: Pick<Processor, 'id' | 'socket' | 'maxW'>,
  lists: PartLists,
): Machine {
  const { board, base, housing, memoryGB } = machineBuild(machine, lists)
  const changed = withProcessor(machine, processor, lists)
  if (
    !board ||
    board.socket === processor.socket ||
    processor.socket === null ||
    base?.fixed.includes('board')
  )
    return changed
  const boards = lists.hardware.filter(
    (part): part is Board =>
      part.kind === 'board' &&
      part.socket === processor.socket &&
      part.comesWith === undefined &&
      (housing?.forms.includes(part.form) ?? true),
  )
  const next = boards.sort((a, b) => a.price - b.price)[0]
  const stick =
    next &&
    lists.memoryModules
      .filter(
        ({ type, shape, registered, memoryGB: gb }) =>
          type === next.memory.type && shape === next.memory.shape && !registered && gb >= memoryGB,
      )
      .sort((a, b) => a.price - b.price)[0]
  if (!next || !stick) return changed
  const cooler = lists.hardware
    .filter(
      part =>
        part.kind === 'cooler' &&
        !part.passive &&
        part.sockets.includes(processor.socket!) &&
        part.carriesW >= processor.maxW &&
        part.heightMm <= (housing?.coolerMm ?? Infinity),
    )
    .sort((a, b) => a.price - b.price)[0]
  const withBoard = putIn(
    { ...changed, memoryGB: null, parts: withoutKind(changed, 'memory', lists) },
    next.id,
    { lists },
  )
  const withMemory = putIn(withBoard, stick.id, { lists })
  const kept = partsOfKind(machineBuild(machine, lists).parts, 'cooler').at(-1)?.entry
  return cooler && !(kept?.sockets.includes(processor.socket) && kept.carriesW >= processor.maxW)
    ? putIn(withMemory, cooler.id, { lists })
    : withMemory
}
