import type { StepEntry } from '../plan/commissioning'
import { isOutdated } from './basis'
import type { BookStep } from './runBook'
import { schedule, type Schedule } from './schedule'

/** A step of a run-book with what became of it. */
export interface StepProgress extends BookStep {
  /** null where nothing was said of it yet */
  readonly entry: StepEntry | null
  readonly isOver: boolean
  /** done before what it needs */
  readonly isEarly: boolean
  /** ticked for another board, other drives, another layout or system */
  readonly isOutdated: boolean
  /** everything that it needs is over */
  readonly canBegin: boolean
}

export interface Progress {
  readonly steps: readonly StepProgress[]
  /** of all steps, and of those that are left */
  readonly whole: Schedule
  readonly left: Schedule
  readonly over: number
}

const isOver = (entry: StepEntry | null | undefined) =>
  entry?.state === 'done' || entry?.state === 'skipped'

/** What is left of a book, once some steps are over. */
function remaining(steps: readonly StepProgress[]): StepProgress[] {
  const open = steps.filter(step => !step.isOver)
  const ids = new Set(open.map(({ step }) => step.id))
  return open.map(step => ({ ...step, needs: step.needs.filter(id => ids.has(id)) }))
}

/**
 * How far a run-book is.
 * @param entries what was ticked; own minutes of work stand for the planning values
 * @param basis marks of the plan as it is now
 */
export function progressOf(
  book: readonly BookStep[],
  entries: readonly StepEntry[],
  basis: string,
): Progress {
  const known = new Map(entries.map(entry => [entry.step, entry]))
  const steps = book.map((bookStep): StepProgress => {
    const { id } = bookStep.step
    const entry = known.get(id) ?? null
    const needsOver = bookStep.needs.every(needed => isOver(known.get(needed)))
    return {
      ...bookStep,
      hands: entry?.handsMin ?? bookStep.hands,
      entry,
      isOver: isOver(entry),
      isEarly: entry?.state === 'done' && !needsOver,
      isOutdated: entry?.state === 'done' && isOutdated(id, entry.basis, basis),
      canBegin: needsOver,
    }
  })
  return {
    steps,
    whole: schedule(steps),
    left: schedule(remaining(steps)),
    over: steps.filter(step => step.isOver).length,
  }
}

/** The steps that one pair of hands ends within so many minutes from now, in their order. */
export function fitsInto(minutes: number, { left }: Pick<Progress, 'left'>): string[] {
  return left.timed.filter(({ handsTo }) => handsTo <= minutes).map(({ id }) => id)
}
