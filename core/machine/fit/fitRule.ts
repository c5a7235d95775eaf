import type { HardwarePart } from '../../catalogue/hardware/hardwarePart'
import type { PlanPath } from '../../expressions/planPath'
import type { Format } from '../../units/format'
import type { PartKind, KnownPart } from '../knownParts'
import type { FitContext } from './fitContext'

/** Whether something goes together; notKnown where the plan does not say enough. */
export const fitStates = ['pass', 'warning', 'fail', 'notKnown'] as const
export type FitState = (typeof fitStates)[number]

/** What a rule is about, as the report is divided. */
export const fitGroups = {
  parts: 'Parts that go together',
  places: 'Slots, ports and bays',
  power: 'Power',
  running: 'Running it',
  place: 'Where it stands',
} as const
export type FitGroup = keyof typeof fitGroups

/**
 * A change of parts that may fix what does not fit; each is tried on the whole machine before it
 * is offered.
 */
export type PossibleFix =
  /** every entry of this kind that fits the condition, so many of it, beside what is there */
  | {
      readonly how: 'add'
      readonly kind: PartKind
      readonly count?: number
      readonly only?: (entry: KnownPart['entry'] & Partial<HardwarePart>) => boolean
    }
  /** every entry of this kind in place of what is there of it */
  | {
      readonly how: 'replace'
      readonly kind: PartKind
      readonly count?: number
      readonly only?: (entry: KnownPart['entry'] & Partial<HardwarePart>) => boolean
    }
  | { readonly how: 'remove'; readonly partIndex: number }
  /** the place it was put into is left open again */
  | { readonly how: 'move'; readonly partIndex: number }
  | { readonly how: 'startTogether'; readonly drives: number }

/** What a rule says of a machine. `values` are plain numbers and names for its sentence. */
export interface Judgement<Values extends object = object> {
  readonly state: FitState
  readonly values: Values
  /** ids of places of the board, and indices of parts, that clash */
  readonly clash?: { readonly places?: readonly string[]; readonly parts?: readonly number[] }
}

/**
 * Steps of a search for builds, each with all that was chosen before it:
 * core – board, processor, memory, cards and system, whatever the drives are;
 * machine – the same of a machine whose case, cooler and supply stay;
 * heat – what the watts of the drives decide of such a machine;
 * noise – drives, case and its fans are chosen: whatever else goes in makes it no quieter;
 * cards – what the places decide that its drives leave;
 * body – case, supply, cooler and enclosure are chosen: disks for the system and cards only add.
 */
export const pruneSteps = ['core', 'machine', 'heat', 'noise', 'cards', 'body'] as const
export type PruneStep = (typeof pruneSteps)[number]

/** Whose failures are final at a step: heat looks at the drives' watts alone. */
const finalAt: Readonly<Record<PruneStep, readonly PruneStep[]>> = {
  core: ['core'],
  machine: ['core', 'machine'],
  heat: ['heat'],
  noise: ['noise'],
  cards: ['cards', 'heat'],
  body: pruneSteps,
}

/** Of some rules those whose failure is final at a step of a search. */
export function rulesFinalAt(step: PruneStep, rules: readonly FitRule[]): FitRule[] {
  return rules.filter(({ prunes }) => prunes !== undefined && finalAt[step].includes(prunes))
}

/**
 * One rule of fit. A rule that has nothing to say of a machine answers null. Another rule is a file
 * in rules/ and a line in fitRules.ts, with its two cases in tests/fit.
 */
export interface FitRule<Values extends object = object> {
  readonly id: string
  readonly label: string
  readonly group: FitGroup
  /** when it fails, the machine cannot be put together or does not start */
  readonly stops?: boolean
  /** what mends it is small, and bought along with a drive: it keeps none out that is planned */
  readonly boughtAlong?: boolean
  /**
   * the step of a search from which on a failure is final: nothing that is chosen later mends it;
   * left out where something may
   */
  readonly prunes?: PruneStep
  /** fields that a finding of it points at where no part clashes; the machine's base unless said */
  readonly about?: readonly PlanPath[]
  /** told in the report alone, never as a finding */
  readonly inReportOnly?: boolean
  readonly judge: (context: FitContext) => Judgement<Values> | null
  readonly say: (values: Values, format: Format, state: FitState) => string
  /** what mends it, or why nothing does, where no part of the catalogue mends it by itself */
  readonly otherwise: string
  readonly fixes?: (context: FitContext, values: Values) => readonly PossibleFix[]
}

/** Keeps a rule's values typed within its file. */
export function fitRule<Values extends object>(rule: FitRule<Values>): FitRule {
  return rule as unknown as FitRule
}

/** pass, or the worse state. */
export function passIf(passes: boolean, otherwise: 'warning' | 'fail' = 'fail'): FitState {
  return passes ? 'pass' : otherwise
}
