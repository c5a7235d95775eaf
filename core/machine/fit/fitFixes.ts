import { driveBays } from '../assembly/driveBays'
import { entryOf } from '../../catalogue/catalogue'
import type { HardwarePart } from '../../catalogue/hardware/hardwarePart'
import type { Machine, MachinePart } from '../../plan/machine'
import { machineBuild } from '../machineBuild'
import { knownPart, partLabel, type PartKind, type KnownPart, type PartLists } from '../knownParts'
import { exactly } from '../../figure'
import { machineMark } from '../machineMark'
import { machinePower, stateWatts } from '../machinePower'
import { newPart } from '../partChanges'
import { judgeFit } from './fitFacts'
import { fitContext } from './assembleContext'
import type { FitSlice } from './fitSlice'
import { fitStates, type PossibleFix } from './fitRule'

/** A change of parts that makes a rule pass without making another worse. */
export interface FitFix {
  readonly rule: string
  readonly how: PossibleFix['how']
  /** what is put in, by its id, and so many of it; null where nothing is */
  readonly ref: string | null
  readonly label: string
  readonly count: number
  /** it lies on the shelf already: a spare, or kept for later */
  readonly fromShelf: boolean
  /** what it costs, in the plan's currency */
  readonly price: number
  /** what goes out, by name */
  readonly out: readonly string[]
  readonly machine: Machine
}

type Entry = {
  readonly id: string
  readonly price: number | null
  readonly kind: PartKind
  readonly label: string
  readonly whole: KnownPart['entry'] & Partial<HardwarePart>
}

function entriesOf(
  kind: PartKind,
  { processors, videoEngines, memoryModules, hardware }: PartLists,
): Entry[] {
  const as = (whole: KnownPart['entry'], label: string): Entry => ({
    id: whole.id,
    price: whole.price,
    kind,
    label,
    whole: whole as Entry['whole'],
  })
  switch (kind) {
    case 'processor':
      return processors.filter(({ price }) => price > 0).map(entry => as(entry, entry.name))
    case 'card':
      return videoEngines
        .filter(engine => engine.kind === 'card')
        .map(entry => as(entry, entry.label))
    case 'memory':
      return memoryModules.map(entry => as(entry, entry.label))
    default:
      return hardware
        .filter(entry => entry.kind === kind && entry.comesWith === undefined)
        .map(entry => as(entry, entry.label))
  }
}

/** A slice with another machine in it. */
export function withMachine(slice: FitSlice, machine: Machine, lists: PartLists): FitSlice {
  const build = machineBuild(machine, lists)
  const power = machinePower(machine, build, {
    mainsVolts: slice.brief.mainsVolts,
    system: slice.system,
    // Another machine was never measured.
    trials:
      machineMark(build, slice.system) === machineMark(slice.build, slice.system)
        ? slice.power.trials
        : [],
  })
  const watts = stateWatts(
    power,
    {
      idleW: exactly(slice.drives.idleW),
      readW: exactly(slice.drives.readW),
      activeW: exactly(slice.drives.activeW),
      asleepW: exactly(slice.drives.asleepW),
      count: slice.drives.count,
    },
    slice.hours,
  )
  const { startTogether, memoryGB, monitorAtHand, wantsEcc } = machine
  return {
    ...slice,
    machine: { ...slice.machine, startTogether, memoryGB, monitorAtHand, wantsEcc },
    build,
    power,
    watts,
    freeBays: driveBays(build, slice.drives).free,
  }
}

type FixedMachine = Omit<FitFix, 'rule'>

/** Machines that a fix makes of one, each with what is put in. */
function machinesOf(fix: PossibleFix, machine: Machine, lists: PartLists): FixedMachine[] {
  const nothing = {
    how: fix.how,
    ref: null,
    label: '',
    count: 0,
    fromShelf: false,
    price: 0,
    out: [],
  }
  switch (fix.how) {
    case 'remove':
      return [
        {
          ...nothing,
          out: [machine.parts[fix.partIndex]!.ref],
          machine: {
            ...machine,
            parts: machine.parts.filter((_, index) => index !== fix.partIndex),
          },
        },
      ]
    case 'move':
      return [
        {
          ...nothing,
          out: [machine.parts[fix.partIndex]!.ref],
          machine: {
            ...machine,
            parts: machine.parts.map((part, index) =>
              index === fix.partIndex ? { ...part, at: '' } : part,
            ),
          },
        },
      ]
    case 'startTogether':
      return [{ ...nothing, count: fix.drives, machine: { ...machine, startTogether: fix.drives } }]
    case 'add':
    case 'replace':
      return withPartOf(fix, machine, lists)
  }
}

/**
 * Machines with an entry of a kind put in, beside what is there of it or in its place: what lies on
 * the shelf first, because it is paid for, then what is sold, the cheapest first.
 */
function withPartOf(
  { how, kind, count = 1, only = () => true }: Extract<PossibleFix, { readonly kind: PartKind }>,
  machine: Machine,
  lists: PartLists,
): FixedMachine[] {
  const isOut = (part: MachinePart, index: number) =>
    how === 'replace' && part.purpose === 'fitted' && knownPart(part, index, lists)?.kind === kind
  const kept = machine.parts.filter((part, index) => !isOut(part, index))
  const out = machine.parts.filter(isOut)
  // What is there already is no fix: only another count of it would be.
  const isThere = (id: string) => out.some(part => part.ref === id && part.count === count)
  const common = { how, count, out: out.map(({ ref }) => ref) }
  const shelved = machineBuild(machine, lists)
    .shelved.filter(
      known =>
        known.kind === kind && known.part.count >= count && only(known.entry as Entry['whole']),
    )
    .map(known => ({
      ...common,
      ref: known.part.ref,
      label: partLabel(known),
      fromShelf: true,
      price: 0,
      machine: { ...machine, parts: takenFromShelf(kept, known.part, count) },
    }))
  const bought = entriesOf(kind, lists)
    .filter(entry => entry.price !== null && !isThere(entry.id) && only(entry.whole))
    .sort((a, b) => a.price! - b.price!)
    .slice(0, maxTried)
    .map(entry => ({
      ...common,
      ref: entry.id,
      label: entry.label,
      fromShelf: false,
      price: entry.price! * count,
      machine: { ...machine, parts: [...kept, { ...newPart(entry.id), count }] },
    }))
  return [...shelved, ...bought]
}

/** The parts with so many of one that lay on the shelf put in. */
function takenFromShelf(
  parts: readonly MachinePart[],
  shelved: MachinePart,
  count: number,
): MachinePart[] {
  const fitted: MachinePart = { ...shelved, count, purpose: 'fitted', at: '' }
  return parts.flatMap(part =>
    part !== shelved
      ? part
      : part.count > count
        ? [{ ...part, count: part.count - count }, fitted]
        : fitted,
  )
}

/** Of thousands of own parts only so many are tried, the cheapest. */
export const maxTried = 300
/** Most fixes of one rule: the cheapest. */
export const maxFixes = 4
/** Entries that are offered of one possible fix: the cheapest. */
const maxOfOneFix = 2

interface FixParts {
  readonly machine: Machine
  readonly lists: PartLists
  /** what fit follows from with another machine in the plan, worked out anew */
  readonly sliceOf: (machine: Machine) => FitSlice
}

/**
 * Fixes of what a rule finds: every fix of the rule with every entry of the catalogue, put
 * through all rules. What stays is what
 * makes this rule pass (or at least better) and no other worse, the cheapest first; of one fix
 * the cheapest two.
 */
export function fitFixes(slice: FitSlice, ruleId: string, parts: FixParts): FitFix[] {
  const { machine, lists, sliceOf } = parts
  const before = judgeFit(fitContext(slice))
  const own = before.find(({ rule }) => rule.id === ruleId)
  if (!own?.rule.fixes || own.judgement.state === 'pass') return []
  const worse = (state: (typeof fitStates)[number]) =>
    fitStates.indexOf(state === 'notKnown' ? 'pass' : state)
  const states = new Map(before.map(({ rule, judgement }) => [rule.id, worse(judgement.state)]))
  const mends = (changed: FitSlice): boolean => {
    const after = judgeFit(fitContext(changed))
    const now = worse(after.find(({ rule }) => rule.id === ruleId)?.judgement.state ?? 'pass')
    return (
      now < states.get(ruleId)! &&
      after.every(
        ({ rule, judgement }) =>
          rule.id === ruleId || worse(judgement.state) <= (states.get(rule.id) ?? 0),
      )
    )
  }
  const fixes = own.rule.fixes(fitContext(slice), own.judgement.values).flatMap(fix => {
    const good: FitFix[] = []
    for (const change of machinesOf(fix, machine, lists).sort((a, b) => a.price - b.price)) {
      if (good.length === maxOfOneFix) break
      // What the change does to the conversions, and these to the memory, is asked of the few that
      // would be offered.
      if (mends(withMachine(slice, change.machine, lists)) && mends(sliceOf(change.machine)))
        good.push({ rule: ruleId, ...change })
    }
    return good
  })
  const seen = new Set<string>()
  return fixes
    .sort((a, b) => a.price - b.price)
    .filter(({ ref, how, count, fromShelf }) => {
      const key = `${how} ${ref} ${count} ${fromShelf}`
      return seen.has(key) ? false : seen.add(key)
    })
    .slice(0, maxFixes)
}

/** What the parts of a list are called, by their ids. */
export function namesOf(
  refs: readonly string[],
  { processors, videoEngines, memoryModules, hardware }: PartLists,
): string[] {
  return refs.map(
    ref =>
      entryOf(processors, ref)?.name ??
      entryOf(videoEngines, ref)?.label ??
      entryOf(memoryModules, ref)?.label ??
      entryOf(hardware, ref)?.label ??
      ref,
  )
}
