import { figureIdNow } from '~~/core/renamedFigures'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Figure } from '~~/core/figure'
import type { Plan } from '~~/core/plan/planSchema'
import { createPageAssessor } from '~/services/pageAssessor'
import { pageLocale } from '~/services/pageLocale'
import { usePlanStore } from './planStore'

/**
 * A plan other than the open one whose figures are looked at: the same need with another layout,
 * box or rung.
 */
export interface Variant {
  readonly plan: Plan
  readonly label: string
  /**
   * figures that the plan's assessment does not hold, such as those of drives that are pressed dead
   */
  readonly figures?: readonly Figure[]
}

/** Which figure's working is shown, of which plan, and the way the reader came to it. */
export const useWorkingStore = defineStore('working', () => {
  const trail = ref<readonly string[]>([])
  const variant = shallowRef<Variant | null>(null)
  /** path of the field that a reader was sent to; the view that holds it brings it to light */
  const target = ref<string | null>(null)
  const planStore = usePlanStore()
  const { assess } = createPageAssessor()

  const figureId = computed(() => trail.value.at(-1) ?? null)
  const isOpen = computed(() => trail.value.length > 0)
  const plan = computed(() => variant.value?.plan ?? planStore.plan)
  const figures = computed(() => {
    const assessed =
      (variant.value && variant.value.plan !== planStore.plan
        ? assess(variant.value.plan, pageLocale())
        : planStore.assessment
      )?.figures ?? {}
    return variant.value?.figures
      ? {
          ...assessed,
          ...Object.fromEntries(variant.value.figures.map(figure => [figure.id, figure])),
        }
      : assessed
  })

  function show(id: string, of: Variant | null = null): void {
    variant.value = of
    trail.value = [figureIdNow(id)]
  }
  function follow(id: string): void {
    const known = trail.value.indexOf(id)
    trail.value = known >= 0 ? trail.value.slice(0, known + 1) : [...trail.value, id]
  }
  function close(): void {
    trail.value = []
    variant.value = null
  }
  return { trail, variant, target, figureId, isOpen, plan, figures, show, follow, close }
})
