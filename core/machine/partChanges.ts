import { entryOf } from '../catalogue/catalogue'
import type { Processor } from '../catalogue/processors'
import { engineOfProcessor, fromParts } from '../plan/constants'
import type { Machine, MachinePart } from '../plan/machine'
import { knownPart, type PartKind, type PartLists } from './knownParts'

/** A part as it is bought new, at the catalogue's price. */
export function newPart(ref: string): MachinePart {
  return {
    ref,
    count: 1,
    condition: 'new',
    price: null,
    purpose: 'fitted',
    at: '',
    deadChance: 0,
    note: '',
  }
}

/** The machine's parts without those of a kind. */
export function withoutKind(machine: Machine, kind: PartKind, lists: PartLists): MachinePart[] {
  return machine.parts.filter((part, index) => knownPart(part, index, lists)?.kind !== kind)
}

/**
 * The machine with this processor put in; figures of the one before, entered or measured, go with
 * it. Base, drives and cards stay.
 */
export function withProcessor(
  machine: Machine,
  processor: Pick<Processor, 'id'>,
  lists: PartLists,
): Machine {
  const base = entryOf(lists.machineBases, machine.base)
  const comesWith = (base ? base.processor : machine.processor) === processor.id
  return {
    ...machine,
    score: null,
    cores: null,
    sustainedGHz: null,
    designYear: null,
    engine: engineOfProcessor,
    measuredStreams: null,
    measuredLow: null,
    measuredBy: '',
    parts: [
      ...withoutKind(machine, 'processor', lists),
      ...(comesWith ? [] : [newPart(processor.id)]),
    ],
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

/**
 * The machine built on something else: what that brings itself (board, case and supply; with a
 * processor of its own also that and its cooler) goes out of the parts.
 */
export function withBase(machine: Machine, base: string, lists: PartLists): Machine {
  const known = entryOf(lists.machineBases, base)
  const brought: readonly PartKind[] =
    base === fromParts
      ? []
      : [
          'board',
          'case',
          'supply',
          ...(known?.processor ? (['processor', 'cooler', 'memory'] as const) : []),
        ]
  return {
    ...machine,
    base,
    parts: machine.parts.filter(
      (part, index) =>
        part.purpose !== 'fitted' ||
        !brought.includes(knownPart(part, index, lists)?.kind ?? 'cable'),
    ),
  }
}

/** Of these there is one in a machine: another takes its place. */
const singles: readonly PartKind[] = ['processor', 'board', 'case', 'supply', 'cooler']

/**
 * The machine with a part put in: into a place of the board where one is named. What there is one
 * of takes the place of what was there.
 */
export function putIn(
  machine: Machine,
  ref: string,
  { lists, at = '' }: { readonly lists: PartLists; readonly at?: string },
): Machine {
  const part = { ...newPart(ref), at }
  const kind = knownPart(part, 0, lists)?.kind
  const kept =
    kind && singles.includes(kind)
      ? machine.parts.filter(
          (other, index) =>
            other.purpose !== 'fitted' || knownPart(other, index, lists)?.kind !== kind,
        )
      : machine.parts
  return { ...machine, parts: [...kept, part] }
}

/**
 * The machine with one of a part in another place; of several alike, the others stay where they
 * are.
 */
export function moveTo(machine: Machine, index: number, at: string): Machine {
  const part = machine.parts[index]
  if (!part) return machine
  const one = { ...part, count: 1, at }
  const rest = part.count > 1 ? [{ ...part, count: part.count - 1, at: '' }] : []
  return {
    ...machine,
    parts: machine.parts.flatMap((other, place) => (place === index ? [one, ...rest] : [other])),
  }
}

/** The machine with one of a part less. */
export function takeOut(machine: Machine, index: number): Machine {
  return {
    ...machine,
    parts: machine.parts.flatMap((part, place) =>
      place !== index ? [part] : part.count > 1 ? [{ ...part, count: part.count - 1 }] : [],
    ),
  }
}
