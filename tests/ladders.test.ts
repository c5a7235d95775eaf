import { describe, expect, it } from 'vitest'
import { catalogue } from '../core/catalogue/catalogue'
import { tideMillHouse } from '../core/catalogue/tideMillHouse'
import { planAssessor } from '../core/assess'
import { planSchema, type Plan } from '../core/plan/planSchema'
import { verdictStates, type VerdictState } from '../core/verdict'
import { drawPlan } from './plans/drawPlan'

const rules = ['level95', 'level99', 'minutesShort', 'headCount', 'atOnce'] as const
/** A new plan as its five answers make it. */
const answered = planSchema.parse({
  name: 'new',
  household: { watchingHome: 3, watchingAway: 1, converted: 1 },
  library: {
    holdings: [
      { quality: 'hd1080-hevc', titles: 1000 },
      { quality: 'sd-disc', titles: 20 },
    ],
  },
})
const plans: readonly (readonly [string, Plan])[] = [
  ['the demo', planSchema.parse(tideMillHouse)],
  ['a new plan', answered],
  ...Array.from({ length: Number(process.env.LADDERS ?? 2) }, (_, seed) => {
    return [`drawn ${seed}`, drawPlan(7000 + seed)] as const
  }),
]
const ladder = (from: number, to: number, steps: number) =>
  Array.from({ length: steps }, (_, at) => from * (to / from) ** (at / (steps - 1)))

/** What gets worse on the way up a ladder of plans, as sentences; nothing does. */
function worsening(
  steps: readonly { readonly at: number; readonly plan: Plan }[],
  id: string,
): string[] {
  const assessor = planAssessor(2)
  const found: string[] = []
  let before: { state: VerdictState; at: number; sentence: string } | null = null
  for (const { at, plan } of steps) {
    const verdict = assessor.assess(plan, catalogue).verdicts.find(entry => entry.id === id)!
    const { state, sentence } = verdict
    if (
      before &&
      state !== 'unknown' &&
      before.state !== 'unknown' &&
      verdictStates.indexOf(state) > verdictStates.indexOf(before.state)
    )
      found.push(
        `${before.at}: ${before.state} (${before.sentence}) → ${at}: ${state} (${sentence})`,
      )
    before = { state, at, sentence }
  }
  return found
}

describe.each(rules)('nothing gets worse on the way up, by the rule %s', school => {
  it.each(plans)('%s: with a faster processor', (_, plan) => {
    const steps = ladder(300, 30_000, 60).map(score => ({
      at: Math.round(score),
      plan: {
        ...plan,
        machine: { ...plan.machine, score: Math.round(score), measuredStreams: null },
        choices: { ...plan.choices, school },
      },
    }))
    expect(worsening(steps, 'streams')).toEqual([])
  })
  it.each(plans)('%s: with more upload', (_, plan) => {
    const steps = ladder(1, 1000, 24).map(uploadMbps => ({
      at: uploadMbps,
      plan: {
        ...plan,
        network: { ...plan.network, uploadMbps },
        choices: { ...plan.choices, school },
      },
    }))
    expect(worsening(steps, 'away')).toEqual([])
  })
  it.each(plans)('%s: with more memory', (_, plan) => {
    const steps = [2, 4, 6, 8, 12, 16, 24, 32, 64].map(memoryGB => ({
      at: memoryGB,
      plan: {
        ...plan,
        machine: { ...plan.machine, memoryGB },
        choices: { ...plan.choices, school },
      },
    }))
    expect(worsening(steps, 'streams')).toEqual([])
  })
})
