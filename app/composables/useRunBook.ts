import { computed } from 'vue'
import { progressOf } from '~~/core/commissioning/progress'
import { withStepEntry } from '~~/core/commissioning/stepEntries'
import { whyWait } from '~~/core/commissioning/whyWait'
import type { StepEntry, StepState } from '~~/core/plan/commissioning'
import type { TickChange } from '~~/core/commissioning/carried/carriedTicks'
import { withTickChanges } from '~~/core/commissioning/carried/withTicks'
import { editPlan } from '~~/core/plan/editPlan'
import type { Plan } from '~~/core/plan/planSchema'
import { usePlanStore } from '~/stores/planStore'
import { runBookOf, setupSliceOf } from './runBookOf'
import { todayText } from './today'
import { useFormat } from './useFormat'

const entryOf = ({ commissioning }: Plan, id: string) =>
  commissioning.steps.find(({ step }) => step === id)

/** The run-book of the open plan, how far it is, and what is said of its steps. */
export function useRunBook() {
  const store = usePlanStore()
  const { format } = useFormat()
  const read = computed(() =>
    store.plan && store.assessment
      ? runBookOf(store.plan, store.assessment, format.value)
      : { book: [], basis: '', quotes: new Map<string, string>() },
  )
  const basis = computed(() => read.value.basis)
  const progress = computed(() =>
    progressOf(read.value.book, store.plan?.commissioning.steps ?? [], basis.value),
  )
  const waits = computed(() =>
    store.plan && store.assessment
      ? whyWait(setupSliceOf(store.plan, store.assessment), format.value)
      : [],
  )
  /** what the plan says at its steps, as the other views show it */
  const quotes = computed(() => read.value.quotes)
  /** who ticked last */
  const who = computed(
    () =>
      [...(store.plan?.commissioning.steps ?? [])]
        .filter(entry => entry.who !== '')
        .sort((a, b) => (a.day < b.day ? 1 : -1))[0]?.who ?? '',
  )

  /** Says something of a step; what is wrong with it, and then nothing is changed, else null. */
  function say(id: string, key: Exclude<keyof StepEntry, 'step'>, value: unknown): string | null {
    const { plan } = store
    if (!plan) return null
    // With a mark of its own it stays in the list while it says nothing yet.
    const there = withStepEntry(plan, id, { basis: entryOf(plan, id)?.basis || basis.value })
    const at = there.commissioning.steps.findIndex(({ step }) => step === id)
    const result = editPlan(there, `commissioning.steps.${at}.${key}`, value)
    if (!result.ok) return result.issues[0]?.message ?? 'This value is not possible.'
    const entry = entryOf(result.plan, id)
    const isTicked = entry !== undefined && entry.state !== 'open'
    store.replace(
      withStepEntry(result.plan, id, isTicked ? {} : { basis: '' }),
      `step ${id} ${key}`,
    )
    return null
  }
  /** Ticks a step, skips it, or says that it is not so; with the day, and what it was made for. */
  function become(id: string, state: StepState): void {
    if (!store.plan) return
    const known = entryOf(store.plan, id)
    store.replace(
      withStepEntry(
        store.plan,
        id,
        state === 'open'
          ? { state, day: '', basis: '' }
          : { state, day: todayText(), who: known?.who || who.value, basis: basis.value },
      ),
    )
  }
  /** Takes over what a file says of steps, in one step that can be undone. */
  function takeOver(changes: readonly TickChange[]): void {
    if (!store.plan) return
    store.replace(withTickChanges(store.plan, changes, basis.value))
  }
  return { progress, waits, quotes, say, become, takeOver }
}
