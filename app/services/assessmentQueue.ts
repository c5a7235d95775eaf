import type { Assessment } from '~~/core/assess'
import type { Plan } from '~~/core/plan/planSchema'
import { hasBackground, inBackground } from './background'
import { createPageAssessor } from './pageAssessor'
import { pageLocale } from './pageLocale'

/** One memory for all that is assessed on the page. */
const onPage = createPageAssessor()

/**
 * An assessment that takes no longer than this is done at once; half of a frame is left for
 * drawing.
 */
export const quickMs = 8
/**
 * A plan of more habits and holdings than this is not assessed on the page when it is opened,
 * before anything is known of its time.
 */
export const maxAtOnce = 40

function isLarge({ household: { habits }, library: { holdings } }: Plan): boolean {
  return habits.length + holdings.length > maxAtOnce
}

export interface Answer {
  readonly assessment: Assessment
  readonly ms: number
}

export interface QueueParts {
  readonly take: (assessment: Assessment, plan: Plan) => void
  readonly here?: (plan: Plan) => Assessment
  readonly there?: (plan: Plan) => Promise<Assessment>
  readonly canWait?: boolean
  readonly now?: () => number
}

/**
 * Assesses plans as they come: at once while that is quick; in a worker when it is not, so that
 * typing is never held up.
 * While one is being worked out, of all that come only the last is kept.
 */
export function createAssessmentQueue({
  take,
  here = plan => onPage.assess(plan, pageLocale()),
  there = plan => inBackground('assess', work => work.assess(plan, pageLocale())),
  canWait = hasBackground(),
  now = () => performance.now(),
}: QueueParts) {
  let took: number[] = []
  let busy = false
  let waiting: Plan | null = null
  /** plans told to be done with are not answered any more */
  let round = 0

  function noteTime(since: number): void {
    took.push(now() - since)
    if (took.length > 2) took.shift()
  }
  /** The better of the last two: a single hiccup of the machine changes nothing. */
  const isQuick = () => !canWait || took.length === 0 || Math.min(...took) <= quickMs

  function atOnce(plan: Plan): void {
    const since = now()
    const assessment = here(plan)
    noteTime(since)
    take(assessment, plan)
  }

  async function later(plan: Plan): Promise<void> {
    busy = true
    const mine = round
    const since = now()
    try {
      const assessment = await there(plan)
      noteTime(since)
      if (mine === round) take(assessment, plan)
    } finally {
      busy = false
    }
    const next = waiting
    waiting = null
    if (next) ask(next)
  }

  function ask(plan: Plan): void {
    if (busy) waiting = plan
    else if (isQuick()) atOnce(plan)
    else void later(plan)
  }

  return {
    ask,
    /**
     * Another plan is opened: whatever else is under way is not answered any more. A plan of usual
     * size is answered now.
     */
    askAnew(plan: Plan): void {
      round++
      waiting = null
      took = canWait && isLarge(plan) ? [Infinity] : []
      if (took.length > 0) ask(plan)
      else atOnce(plan)
    },
    get isBusy() {
      return busy
    },
  }
}
