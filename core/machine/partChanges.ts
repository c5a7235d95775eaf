import { entryOf } from '../catalogue/catalogue'
import type { Processor } from '../catalogue/processors'
import { engineOfProcessor } from '../plan/constants'
import type { Machine, MachinePart } from '../plan/machine'
import { knownPart, type PartLists } from './machineBuild'

/** A part as it is bought new, at the catalogue's price. */
export function newPart(ref: string): MachinePart {
  return { ref, count: 1, condition: 'new', price: null }
}

function withoutKind(machine: Machine, kind: 'processor' | 'card' | 'memory', lists: PartLists): MachinePart[] {
  return machine.parts.filter((part, index) => knownPart(part, index, lists)?.kind !== kind)
}

/** The machine with this processor put in; figures of the one before, entered or measured, go with it. Base, drives and cards stay. */
export function withProcessor(machine: Machine, processor: Pick<Processor, 'id'>, lists: PartLists): Machine {
  const base = entryOf(lists.machineBases, machine.base)
  const comesWith = (base ? base.processor : machine.processor) === processor.id
  return {
    ...machine, score: null, cores: null, sustainedGHz: null, designYear: null, engine: engineOfProcessor, measuredStreams: null, measuredLow: null, measuredBy: '',
    parts: [...withoutKind(machine, 'processor', lists), ...(comesWith ? [] : [newPart(processor.id)])],
  }
}

/** The machine with one more part put in. */
export function withPart(machine: Machine, ref: string): Machine {
  return { ...machine, parts: [...machine.parts, newPart(ref)] }
}

/** The machine without its video cards. */
export function withoutCards(machine: Machine, lists: PartLists): Machine {
  return { ...machine, parts: withoutKind(machine, 'card', lists) }
}
