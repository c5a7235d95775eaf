import type { StepEntry } from '../../plan/commissioning'
import type { Plan } from '../../plan/planSchema'
import { sameValue } from '../../sameValue'

const byStep = ({ commissioning }: Plan) =>
  new Map(commissioning.steps.map(entry => [entry.step, entry] as const))

/**
 * A plan that is edited here, with the ticks that came to it elsewhere meanwhile. Null where more
 * than ticks was changed there, or where both changed one step: a person decides that.
 */
export function joinTickedPlan({
  base,
  mine,
  theirs,
}: {
  /** as it was when both were the same */
  readonly base: Plan
  readonly mine: Plan
  readonly theirs: Plan
}): Plan | null {
  const { steps } = base.commissioning
  const untouched = { ...theirs, commissioning: { ...theirs.commissioning, steps } }
  if (!sameValue(untouched, base)) return null
  const [before, own, other] = [base, mine, theirs].map(byStep) as [
    Map<string, StepEntry>,
    Map<string, StepEntry>,
    Map<string, StepEntry>,
  ]
  const came = [...new Set([...before.keys(), ...other.keys()])].filter(
    step => !sameValue(before.get(step), other.get(step)),
  )
  const clashes = came.some(
    step =>
      !sameValue(before.get(step), own.get(step)) && !sameValue(own.get(step), other.get(step)),
  )
  if (clashes) return null
  const joined = new Map(own)
  for (const step of came) {
    const entry = other.get(step)
    if (entry) joined.set(step, entry)
    else joined.delete(step)
  }
  return { ...mine, commissioning: { ...mine.commissioning, steps: [...joined.values()] } }
}
