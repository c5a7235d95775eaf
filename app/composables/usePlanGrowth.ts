import { watchDebounced } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, shallowRef } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { applyPurchases } from '~~/core/drives/growth/applyPurchases'
import type { PricedPurchase } from '~~/core/drives/growth/growthQuestion'
import { growthQuestion, type PlanGrowth } from '~~/core/drives/growth/planGrowth'
import { roomCourse } from '~~/core/drives/growth/roomCourse'
import { growthFigures, growthSentence } from '~~/core/drives/growth/tellGrowth'
import { effectiveCatalogue } from '~~/core/calibration/effectiveCatalogue'
import { fitSlice } from '~~/core/machine/fitting'
import { placesForMore } from '~~/core/room/placesForMore'
import { plannedDrives } from '~~/core/room/roomFacts'
import { useFormat } from '~/composables/useFormat'
import { inBackground } from '~/services/background'
import { usePlanStore } from '~/stores/planStore'

const bitsPerByte = 8
/** Without a known link everything is copied at this rate, MB/s. */
const usualCopyMBps = 110
const settledMs = 120

/**
 * How the plan's drives grow: the planned purchases drawn at once, the cheapest ones looked for off
 * the page.
 */
export function usePlanGrowth() {
  const store = usePlanStore()
  const { format } = useFormat()
  /** which growth of the library the room has to last for */
  const growthEnd = ref<'likely' | 'high'>('likely')
  const growth = shallowRef<PlanGrowth | null>(null)
  const looking = ref(false)
  const failed = ref(false)
  let run = 0

  const months = computed(() => store.assessment?.domains.library.forecast.months ?? [])
  const horizonMonths = computed(() => (store.plan?.choices.horizonYears ?? 5) * 12)
  const parts = computed(() => {
    const { assessment } = store
    if (!assessment || !store.plan) return null
    const lists = effectiveCatalogue(store.plan, catalogue)
    const linkMbps = assessment.figures['network.homeLinkMbps']?.value
    return {
      contentTB: months.value
        .slice(0, horizonMonths.value + 1)
        .map(month => month[growthEnd.value]),
      layoutId: assessment.domains.drives.layoutId,
      bays:
        assessment.domains.drives.count +
        placesForMore(
          fitSlice(store.plan, assessment.domains),
          plannedDrives(store.plan.drives),
          lists,
        ),
      copyMBps: linkMbps ? linkMbps / bitsPerByte : usualCopyMBps,
    }
  })
  const question = computed(() =>
    store.plan && parts.value && parts.value.contentTB.length > 0
      ? growthQuestion(store.plan, parts.value, catalogue)
      : null,
  )
  const course = computed(() => {
    const planned = store.assessment?.domains.room.room?.planned
    return (
      question.value &&
      roomCourse(
        question.value,
        store.plan!.drives.purchases,
        planned?.map(({ counted }) => counted),
      )
    )
  })
  const cheapestCourse = computed(() =>
    question.value && growth.value?.cheapest
      ? roomCourse(question.value, growth.value.cheapest)
      : null,
  )

  async function look(): Promise<void> {
    const mine = ++run
    const { plan } = store
    if (!plan || !parts.value || parts.value.contentTB.length === 0) return
    looking.value = true
    failed.value = false
    try {
      const found = await inBackground('compare', work => work.planGrowth(plan, parts.value!))
      if (mine === run) growth.value = found
    } catch {
      failed.value = mine === run
    }
    if (mine === run) looking.value = false
  }
  // Purchases that are planned, and dragged, change nothing of what the cheapest ones are.
  const asked = computed(() =>
    JSON.stringify([parts.value, { ...store.plan?.drives, purchases: [] }]),
  )
  watchDebounced(asked, () => void look(), { debounce: settledMs, immediate: true })
  onBeforeUnmount(() => run++)

  function apply(purchases: readonly PricedPurchase[]): void {
    const { plan } = store
    if (plan && question.value)
      store.replace({
        ...plan,
        drives: applyPurchases(plan.drives, purchases, question.value.offers),
      })
  }
  const fallPerYear = computed(() => store.plan?.drives.priceFallPerYear ?? 0)
  return {
    growthEnd,
    growth,
    looking,
    failed,
    months,
    horizonMonths,
    course,
    cheapestCourse,
    question,
    apply,
    figures: computed(() =>
      course.value
        ? growthFigures({
            course: course.value,
            growth: growth.value,
            fallPerYear: fallPerYear.value,
            format: format.value,
          })
        : [],
    ),
    sentence: computed(() =>
      course.value
        ? growthSentence({
            course: course.value,
            growth: growth.value,
            horizonYears: horizonMonths.value / 12,
            format: format.value,
          })
        : '',
    ),
  }
}
export type PlanGrowthState = ReturnType<typeof usePlanGrowth>
