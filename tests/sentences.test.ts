import { describe, expect, it } from 'vitest'
import { assess } from '../core/assess'
import { catalogue } from '../core/catalogue/catalogue'
import { tideMillHouse } from '../core/catalogue/tideMillHouse'
import { planSchema, type Plan } from '../core/plan/planSchema'
import { drawPlan, withValue } from './plans/drawPlan'
import { countedPlan, isBroken, wronglyCounted } from './wording/wording'

/** Everything that a plan is told, each text with where it stands. */
function textsOf(plan: Plan): { readonly at: string; readonly text: string }[] {
  const { figures, verdicts, findings } = assess(plan, catalogue)
  return [
    ...Object.values(figures).flatMap(({ id, label, formula, note, source }) =>
      [label, formula, note ?? '', source ?? ''].map(text => ({ at: id, text })),
    ),
    ...verdicts.map(({ id, sentence }) => ({ at: id, text: sentence })),
    ...findings.flatMap(({ code, sentence, fixes }) =>
      [sentence, ...fixes.map(fix => (typeof fix === 'string' ? fix : fix.sentence))].map(text => ({
        at: code,
        text,
      })),
    ),
  ].filter(({ text }) => text !== '')
}

const plans: readonly (readonly [string, Plan])[] = [
  ...[0, 1, 2].map(count => [`counts of ${count}`, countedPlan(count)] as const),
  ['the demo for a year', withValue(planSchema.parse(tideMillHouse), 'choices.horizonYears', 1)!],
  ...Array.from({ length: 60 }, (_, seed) => [`drawn ${seed}`, drawPlan(5000 + seed)] as const),
]

describe('what is told', () => {
  const all = plans.flatMap(([name, plan]) => textsOf(plan).map(entry => ({ name, ...entry })))
  it('has one thing in the singular, and none and two in the plural', () => {
    const wrong = all.flatMap(({ name, at, text }) =>
      wronglyCounted(text).map(found => `${name}, ${at}: „${found}“ in: ${text}`),
    )
    expect([...new Set(wrong.map(line => line.replace(/^[^,]*, /, '')))]).toEqual([])
  })
  it('has numbers for what it counts, and no gap, doubled sign or loose end', () => {
    const wrong = all.filter(({ text }) => isBroken(text)).map(({ at, text }) => `${at}: ${text}`)
    expect([...new Set(wrong)]).toEqual([])
  })
})
