import type { ConditionId, Counts, Setup } from './setup'
import type { Minutes, Step, When } from './step'
import { steps as allSteps } from './steps'

/** A step of one plan's run-book. */
export interface BookStep {
  readonly step: Step
  /** minutes of work, and of waiting after it */
  readonly hands: number
  readonly wait: number
  /** ids of steps of this book that come before it */
  readonly needs: readonly string[]
}

const minutes = (of: Minutes | undefined, counts: Counts): number =>
  of === undefined ? 0 : typeof of === 'number' ? of : of(counts)

/** Whether a step appears. */
export function appears(when: When, is: ReadonlySet<ConditionId>): boolean {
  const holds = (wanted: string) =>
    wanted.startsWith('!') ? !is.has(wanted.slice(1) as ConditionId) : is.has(wanted as ConditionId)
  return when.every(wanted => (typeof wanted === 'string' ? holds(wanted) : wanted.some(holds)))
}

/**
 * The steps of a plan, in the order of the chapters. A step that does not appear passes on what it
 * needs to those that need it.
 */
export function runBook({ is, counts }: Setup, steps: readonly Step[] = allSteps): BookStep[] {
  const byId = new Map(steps.map(step => [step.id, step]))
  const there = new Set(steps.filter(({ when }) => appears(when, is)).map(({ id }) => id))
  const needsOf = (id: string): string[] => [
    ...new Set(
      byId.get(id)!.needs.flatMap(needed => (there.has(needed) ? [needed] : needsOf(needed))),
    ),
  ]
  return steps
    .filter(({ id }) => there.has(id))
    .map(step => ({
      step,
      hands: minutes(step.hands, counts),
      wait: minutes(step.wait, counts),
      needs: needsOf(step.id),
    }))
}
