import { describe, expect, it } from 'vitest'
import { assess } from '../core/assess'
import { catalogue } from '../core/catalogue/catalogue'
import { tideMillHouse } from '../core/catalogue/tideMillHouse'
import { planSchema, type Plan } from '../core/plan/planSchema'
import { drawPlan, withValue } from './plans/drawPlan'

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

/** Words that end like a plural and are none, or stand for a rate. */
const noPlural =
  /^(is|was|has|this|GB\/s|Mb\/s|MB\/s|less|plus|across|always|as|us|its|class|process|series|hours?-?less|lens)$/
/** A plan in which what is counted is none, one or two. */
function counted(count: number): Plan {
  const list = <Entry>(entry: (at: number) => Entry) =>
    Array.from({ length: count }, (_, at) => entry(at))
  return planSchema.parse({
    name: 'x',
    choices: { horizonYears: Math.max(1, count) },
    brief: { budget: count },
    household: {
      watchingHome: count,
      watchingAway: count,
      converted: count,
      viewers: list(at => ({ id: `v${at}`, name: `Viewer ${at}` })),
      devices: list(at => ({ id: `d${at}`, class: 'tv2016' })),
      habits: list(at => ({ viewer: `v${at}`, device: `d${at}` })),
    },
    library: { holdings: list(() => ({ titles: count, quality: 'uhd-hdr-hevc' })) },
    drives: {
      lots: list(() => ({ count: 1, sizeTB: 8 })),
      purchases: list(() => ({ month: 1, count: 1, sizeTB: 8 })),
    },
    machine: { bays: count, base: 'own', score: 4000 },
  })
}
const plans: readonly (readonly [string, Plan])[] = [
  ...[0, 1, 2].map(count => [`counts of ${count}`, counted(count)] as const),
  ['the demo for a year', withValue(planSchema.parse(tideMillHouse), 'choices.horizonYears', 1)!],
  ...Array.from({ length: 60 }, (_, seed) => [`drawn ${seed}`, drawPlan(5000 + seed)] as const),
]

describe('what is told', () => {
  const all = plans.flatMap(([name, plan]) => textsOf(plan).map(entry => ({ name, ...entry })))
  it('has one thing in the singular, and none and two in the plural', () => {
    const wrong = all.flatMap(({ name, at, text }) =>
      [
        ...text.matchAll(
          /(?<![\d.,:×/^-])\b1[ \u00A0](\p{L}+)(?:[ \u00A0](are|have|were|do)\b)?/gu,
        ),
      ].flatMap(([found, word, verb]) =>
        (word!.endsWith('s') && !noPlural.test(word!)) || verb !== undefined
          ? [`${name}, ${at}: „${found}“ in: ${text}`]
          : [],
      ),
    )
    expect([...new Set(wrong.map(line => line.replace(/^[^,]*, /, '')))]).toEqual([])
  })
  it('has numbers for what it counts, and no gap, doubled sign or loose end', () => {
    const wrong = all
      .filter(({ text }) =>
        /undefined|NaN|null|\[object|\bInfinity\b| {2,}|\.\.(?!\.)|,\.|\( | \)/.test(text),
      )
      .map(({ at, text }) => `${at}: ${text}`)
    expect([...new Set(wrong)]).toEqual([])
  })
})
