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

export interface SearchHandle<Kind extends SearchKind> {
  readonly progress: Readonly<ShallowRef<Searches[Kind]['progress'] | null>>
  readonly running: Ref<boolean>
  readonly cancelled: Ref<boolean>
  readonly failed: Ref<boolean>
  readonly start: () => Promise<void>
  readonly cancel: () => void
}

/**
 * One search of a kind and question, with its answer once it is there; sections that show the same
 * share it.
 */
interface Shared {
  need: unknown
  search: RunningSearch<SearchKind> | null
  readonly progress: ShallowRef<unknown>
  readonly running: Ref<boolean>
  readonly cancelled: Ref<boolean>
  readonly failed: Ref<boolean>
  viewers: number
  leaving: ReturnType<typeof setTimeout> | undefined
}
const known = new Map<string, Shared>()
/**
 * So long a search goes on when nobody looks at it: its reader may only be on the way to the next
 * section.
 */
const leavingMs = 1000

function sharedOf(key: string): Shared {
  let shared = known.get(key)
  if (!shared)
    known.set(
      key,
      (shared = {
        need: null,
        search: null,
        progress: shallowRef(null),
        running: ref(false),
        cancelled: ref(false),
        failed: ref(false),
        viewers: 0,
        leaving: undefined,
      }),
    )
  return shared
}
function stop(shared: Shared): void {
  shared.search?.cancel()
  shared.search = null
  shared.running.value = false
}
/** Whether the answer for a plan is there, or on its way, or was not wanted. */
function isThere(shared: Shared, plan: Plan, kind: SearchKind): boolean {
  return (
    // What flips the answer follows from other plans as well.
    kind !== 'flips' &&
    sameValue(shared.need, needOf(plan)) &&
    (shared.running.value || shared.progress.value !== null || shared.cancelled.value)
  )
}
/** Ends a search that nobody looks at: what it knew until then is no answer for who comes next. */
function abandon(shared: Shared): void {
  if (!shared.search) return
  stop(shared)
  shared.need = null
  shared.progress.value = null
}
async function run(
  shared: Shared,
  kind: SearchKind,
  { plan, question }: { readonly plan: Plan; readonly question: Searches[SearchKind]['question'] },
): Promise<void> {
  stop(shared)
  shared.running.value = true
  shared.cancelled.value = false
  shared.failed.value = false
  shared.need = needOf(plan)
  const plain = JSON.parse(JSON.stringify({ plan, question })) as {
    plan: Plan
    question: typeof question
  }
  const mine: RunningSearch<SearchKind> = startSearch(kind, {
    ...plain,
    report: value => {
      if (shared.search === mine) shared.progress.value = value
    },
  })
  shared.search = mine
  try {
    const answer = await mine.answer
    if (shared.search === mine) shared.progress.value = answer
  } catch {
    if (shared.search === mine) shared.failed.value = true
  } finally {
    if (shared.search === mine) {
      shared.search = null
      shared.running.value = false
    }
  }
}

/**
 * A search that follows the plan: started when its section opens and when what it follows from has
 * changed; it can be cancelled, and started again.
 */
export function useSearch<Kind extends SearchKind>(
  kind: Kind,
  question: () => Searches[Kind]['question'],
  delayMs = 500,
): SearchHandle<Kind> {
  const store = usePlanStore()
  const progress = shallowRef(null) as ShallowRef<Searches[Kind]['progress'] | null>
  const [running, cancelled, failed] = [ref(false), ref(false), ref(false)]
  let shared: Shared | null = null
  let timer: ReturnType<typeof setTimeout> | undefined

  function leave(): void {
    const left = shared
    shared = null
    clearTimeout(timer)
    if (left && --left.viewers === 0) left.leaving = setTimeout(() => abandon(left), leavingMs)
  }
  function enter(next: Shared): void {
    if (next === shared) return
    leave()
    shared = next
    next.viewers++
    clearTimeout(next.leaving)
  }
  async function start(): Promise<void> {
    if (shared && store.plan) await run(shared, kind, { plan: store.plan, question: question() })
  }
  function cancel(): void {
    if (!shared?.search) return
    stop(shared)
    shared.cancelled.value = true
  }
  watch(
    [() => store.plan, () => store.id, question],
    ([plan, id]) => {
      if (!plan) return
      enter(sharedOf(`${id} ${kind} ${kind === 'flips' ? '' : JSON.stringify(question())}`))
      clearTimeout(timer)
      if (isThere(shared!, plan, kind)) return
      const mine = shared!
      // A section that is only passed through asks for nothing; of two that ask alike one does.
      timer = setTimeout(() => {
        if (shared === mine && store.plan && !isThere(mine, store.plan, kind)) void start()
      }, delayMs)
    },
    { immediate: true },
  )
  // What others that share it see, this one sees.
  watch(
    () =>
      [
        shared?.progress.value ?? null,
        shared?.running.value ?? false,
        shared?.cancelled.value ?? false,
        shared?.failed.value ?? false,
        store.plan,
        question(),
      ] as const,
    ([found, isRunning, isCancelled, hasFailed]) => {
      progress.value = found as Searches[Kind]['progress'] | null
      running.value = isRunning
      cancelled.value = isCancelled
      failed.value = hasFailed
    },
    { immediate: true },
  )
  onBeforeUnmount(leave)
  return { progress, running, cancelled, failed, start, cancel }
}
