import { computed, ref, shallowRef, watch } from 'vue'
import type { Assessment } from '~~/core/assess'
import type { Plan } from '~~/core/plan/planSchema'
import type { PlanEntry } from '~~/core/plan/storedPlan'
import { inBackground } from '~/services/background'
import { pageLocale } from '~/services/pageLocale'
import { planApi } from '~/services/planApi'
import { selectPlans, type PlanOrder } from './planSelection'

/** What a card tells of its plan, once it has been read and assessed. */
export interface PlanReading {
  readonly version: number
  readonly plan: Plan
  readonly assessment: Assessment
}

/** Cards of one page. */
export const plansOnPage = 12
/** Readings that are kept; the oldest go first. */
const maxReadings = 200

/**
 * The plans of the server as pages of cards: only those in sight are read and assessed, off the
 * page, one after the other.
 */
export function usePlanCards() {
  const entries = shallowRef<readonly PlanEntry[] | null>(null)
  const search = ref('')
  const order = ref<PlanOrder>('saved')
  const archived = ref(false)
  const page = ref(0)
  const readings = shallowRef<ReadonlyMap<string, PlanReading>>(new Map())

  const found = computed(() =>
    selectPlans(entries.value ?? [], {
      search: search.value,
      order: order.value,
      archived: archived.value,
    }),
  )
  const pages = computed(() => Math.max(1, Math.ceil(found.value.length / plansOnPage)))
  const shown = computed(() =>
    found.value.slice(page.value * plansOnPage, (page.value + 1) * plansOnPage),
  )
  const archivedCount = computed(() => (entries.value ?? []).filter(entry => entry.archived).length)
  watch([search, order, archived], () => (page.value = 0))
  // With the last one taken out, the archive is left.
  watch(archivedCount, count => {
    if (count === 0) archived.value = false
  })
  watch(pages, count => (page.value = Math.min(page.value, count - 1)))

  let round = 0
  watch(shown, async list => {
    const mine = ++round
    for (const { id, version } of list) {
      if (readings.value.get(id)?.version === version) continue
      const stored = await planApi.get(id).catch(() => null)
      if (mine !== round) return
      if (!stored) continue
      const assessment = await inBackground('assess', work =>
        work.assess(stored.plan, pageLocale()),
      )
      if (mine !== round) return
      const next = new Map(readings.value)
      next.delete(id)
      next.set(id, { version: stored.version, plan: stored.plan, assessment })
      readings.value = new Map([...next].slice(-maxReadings))
    }
  })

  async function load(): Promise<void> {
    entries.value = await planApi.list()
  }
  return {
    entries,
    search,
    order,
    archived,
    archivedCount,
    page,
    pages,
    found,
    shown,
    readings,
    load,
  }
}
