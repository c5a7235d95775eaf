import { onBeforeUnmount, ref, shallowRef, watch, type Ref, type ShallowRef } from 'vue'
import type { Plan } from '~~/core/plan/planSchema'
import { sameValue } from '~~/core/sameValue'
import { startSearch, type RunningSearch } from '~/services/longSearch'
import type { SearchKind, Searches } from '~/services/searchWork'
import { usePlanStore } from '~/stores/planStore'

/** What a search follows from: not the plan's name and budget, and not notes. */
function needOf({ name, brief, keptAside, ...rest }: Plan): unknown {
  void name
  void keptAside
  return { ...rest, brief: { ...brief, budget: null, who: '' } }
}

interface Kept { readonly need: unknown, readonly question: unknown, readonly progress: unknown }
/** The last answers, so that going to another section and back does not search again. */
const kept = new Map<string, Kept>()

export interface SearchHandle<Kind extends SearchKind> {
  readonly progress: Readonly<ShallowRef<Searches[Kind]['progress'] | null>>
  readonly running: Ref<boolean>
  readonly cancelled: Ref<boolean>
  readonly failed: Ref<boolean>
  readonly start: () => Promise<void>
  readonly cancel: () => void
}

/** A search that follows the plan: started when its section opens and when what it follows from has changed; it can be cancelled, and started again. */
export function useSearch<Kind extends SearchKind>(kind: Kind, question: () => Searches[Kind]['question'], delayMs = 500): SearchHandle<Kind> {
  const store = usePlanStore()
  const progress = shallowRef(null) as ShallowRef<Searches[Kind]['progress'] | null>
  const running = ref(false)
  const cancelled = ref(false)
  const failed = ref(false)
  const isFor = shallowRef<Plan | null>(null)
  let search: RunningSearch<Kind> | null = null
  let timer: ReturnType<typeof setTimeout> | undefined
  const key = () => `${kind} ${JSON.stringify(question())}`

  function stop(): void {
    clearTimeout(timer)
    search?.cancel()
    search = null
    running.value = false
  }
  function cancel(): void {
    if (!running.value) return
    stop()
    cancelled.value = true
  }
  async function start(): Promise<void> {
    stop()
    const plan = store.plan
    if (!plan) return
    const asked = question()
    running.value = true
    cancelled.value = false
    failed.value = false
    const mine = startSearch(kind, { plan: JSON.parse(JSON.stringify(plan)) as Plan, question: JSON.parse(JSON.stringify(asked)) as typeof asked, report: (value) => {
      if (search === mine) progress.value = value
    } })
    search = mine
    try {
      const answer = await mine.answer
      if (search !== mine) return
      progress.value = answer
      isFor.value = plan
      kept.set(key(), { need: needOf(plan), question: asked, progress: answer })
    }
    catch {
      if (search === mine) failed.value = true
    }
    finally {
      if (search === mine) {
        search = null
        running.value = false
      }
    }
  }
  watch([() => store.plan, question], ([plan]) => {
    if (!plan) return
    const known = kept.get(key())
    if (known && sameValue(known.need, needOf(plan))) {
      if (progress.value !== known.progress) stop()
      progress.value = known.progress as Searches[Kind]['progress']
      isFor.value = plan
      return
    }
    if (isFor.value && sameValue(needOf(isFor.value), needOf(plan)) && running.value) return
    clearTimeout(timer)
    timer = setTimeout(() => void start(), progress.value === null ? 0 : delayMs)
  }, { immediate: true })
  onBeforeUnmount(stop)
  return { progress, running, cancelled, failed, start, cancel }
}
