import { ref, shallowRef, watch, type Ref, type ShallowRef } from 'vue'
import type { Assessment } from '~~/core/assess'
import type { Plan } from '~~/core/plan/planSchema'
import { createAssessmentQueue } from '~/services/assessmentQueue'

/** The assessments of the open plan and of one that is tried, as they change. */
export function usePlanAssessments({
  id,
  plan,
  tried,
}: {
  readonly id: Ref<string | null>
  readonly plan: ShallowRef<Plan | null>
  readonly tried: Readonly<Ref<Plan | null>>
}) {
  const assessment = shallowRef<Assessment | null>(null)
  const triedAssessment = shallowRef<Assessment | null>(null)
  /** the assessment belongs to an earlier state of the plan, and the new one is being worked out */
  const assessing = ref(false)
  let assessedId: string | null = null
  const own = createAssessmentQueue({
    take(found, of) {
      assessment.value = plan.value && found
      assessing.value = plan.value !== null && of !== plan.value
    },
  })
  const other = createAssessmentQueue({
    take(found, of) {
      triedAssessment.value = of === tried.value ? found : null
    },
  })
  // At once with the change, so that whoever edits finds the assessment of what is in the plan now.
  watch(
    plan,
    next => {
      if (!next) {
        assessment.value = null
        return
      }
      assessing.value = true
      if (assessment.value === null || id.value !== assessedId) {
        // Nothing of the plan before stands beside this one, however long its own takes.
        assessment.value = null
        own.askAnew(next)
      } else {
        own.ask(next)
      }
      assessedId = id.value
    },
    { flush: 'sync' },
  )
  watch(
    tried,
    next => {
      triedAssessment.value = null
      if (next) other.ask(next)
    },
    { flush: 'sync' },
  )
  return { assessment, triedAssessment, assessing }
}
