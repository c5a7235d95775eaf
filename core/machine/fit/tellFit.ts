import { headrooms } from '../../headrooms'
import type { Telling } from '../../domain'
import { exactly } from '../../figure'
import { finding, type Finding } from '../../finding'
import type { Format } from '../../units/format'
import { headroomShare, type Verdict } from '../../verdict'
import type { FitFacts } from './fitFacts'
import type { FitSlice } from './fitSlice'
import { fitFigures } from './fitFigures'
import { fitRules } from './fitRules'

/** The fit's facts in words. */
export function tellFit(facts: FitFacts, slice: FitSlice, format: Format): Telling {
  return {
    figures: () => fitFigures(facts, slice, format),
    verdicts: [fitVerdict(facts, slice, format)],
    findings: fitFindings(facts, format),
  }
}

const ruleOf = (id: string) => fitRules.find(rule => rule.id === id)!

/** What a rule says, as a sentence. */
export function fitSentence(
  { id, state, values }: FitFacts['judged'][number],
  format: Format,
): string {
  return ruleOf(id).say(values, format, state)
}

function fitVerdict(
  facts: FitFacts,
  { freeBays: free, drives: { count } }: FitSlice,
  format: Format,
): Verdict {
  const bays = count + free
  const asked = exactly(count)
  const possible = exactly(bays)
  return {
    id: 'fit',
    label: headrooms.fit.label,
    domain: 'machine',
    unit: 'drives',
    asked,
    possible,
    share: headroomShare(asked, possible),
    state: facts.state,
    sentence: fitVerdictSentence(facts, { count, free, format }),
    figures: ['machine.freeBays', 'machine.freePorts', 'machine.startSurgeW'],
  }
}

function fitVerdictSentence(
  facts: FitFacts,
  {
    count,
    free,
    format,
  }: {
    readonly count: number
    readonly free: number
    readonly format: Format
  },
): string {
  const failing = facts.judged.filter(({ state }) => state === 'fail')
  const inBays =
    count === 0
      ? 'Add drives to see whether they fit.'
      : free === 0
        ? `${count === 1 ? 'The drive fits' : `All ${count} drives fit`}, and no bay is left.`
        : `${count === 1 ? '1 drive fits' : `${count} drives fit`}; ${free} ${free === 1 ? 'bay is' : 'bays are'} left.`
  if (failing.length === 0) return inBays
  const first = fitSentence(failing[0]!, format)
  return failing.length === 1
    ? first
    : `${first} ${failing.length - 1} more ${failing.length === 2 ? 'rule fails' : 'rules fail'}.`
}

/** What fails or warns, as findings; the bays have one of their own. */
function fitFindings(facts: FitFacts, format: Format): Finding[] {
  return facts.judged
    .filter(
      ({ state, id }) => (state === 'fail' || state === 'warning') && !ruleOf(id).inReportOnly,
    )
    .map(judged =>
      finding(
        judged.state === 'fail' ? 'fail' : 'caution',
        `FIT_${judged.id.replace(/[A-Z]/g, '_$&').toUpperCase()}`,
        {
          sentence: fitSentence(judged, format),
          from: findingInputs(judged),
        },
      ),
    )
}

function findingInputs({ clash, id }: FitFacts['judged'][number]): string[] {
  const parts = [...new Set(clash?.parts ?? [])].map(index => `machine.parts.${index}.ref`)
  if (parts.length > 0) return parts
  return [...(ruleOf(id).about ?? ['machine.base'])]
}
