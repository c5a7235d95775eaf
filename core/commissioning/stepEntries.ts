import { maxStepEntries, type StepEntry } from '../plan/commissioning'
import type { Plan } from '../plan/planSchema'

const nothingSaid: Omit<StepEntry, 'step'> = {
  state: 'open',
  day: '',
  who: '',
  reason: '',
  note: '',
  measured: '',
  photo: '',
  handsMin: null,
  basis: '',
}

const saysNothing = (entry: StepEntry) =>
  (Object.keys(nothingSaid) as (keyof typeof nothingSaid)[]).every(
    key => entry[key] === nothingSaid[key],
  )

/** The plan with more said of a step; what says nothing any more is not kept. */
export function withStepEntry(
  plan: Plan,
  id: string,
  change: Partial<Omit<StepEntry, 'step'>>,
): Plan {
  const { steps } = plan.commissioning
  const known = steps.find(({ step }) => step === id)
  const entry: StepEntry = { ...(known ?? { ...nothingSaid, step: id }), ...change }
  if (!known && steps.length >= maxStepEntries) return plan
  // Each stays in its place: fields on the page are found by it.
  const all = known ? steps.map(other => (other === known ? entry : other)) : [...steps, entry]
  return {
    ...plan,
    commissioning: {
      ...plan.commissioning,
      steps: all.filter(other => other !== entry || !saysNothing(entry)),
    },
  }
}
