import { computed, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue'
import type { Assessment } from '~~/core/assess'
import type { CarriedTick } from '~~/core/commissioning/carried/carriedTicks'
import { withTicks } from '~~/core/commissioning/carried/withTicks'
import { progressOf } from '~~/core/commissioning/progress'
import type { Plan } from '~~/core/plan/planSchema'
import { sameValue } from '~~/core/sameValue'
import { accessApi } from '~/services/accessApi'
import { ApiProblem } from '~/services/apiRequest'
import { inBackground } from '~/services/background'
import { createPageAssessor } from '~/services/pageAssessor'
import { pageLocale } from '~/services/pageLocale'
import { tickBox } from '~/services/tickBox'
import { runBookOf } from './runBookOf'
import { todayText } from './today'

const retryDelayMs = 4000

/** The run-book that a link shows; ticks stay in the browser until the server has taken them. */
export function useTickLink(token: string) {
  const read = shallowRef<{ plan: Plan; assessment: Assessment } | null>(null)
  const waiting = shallowRef<readonly CarriedTick[]>(tickBox.get(token))
  const message = ref('')
  const isAway = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined
  let isSending = false

  const book = computed(() => {
    if (!read.value) return null
    const { plan, assessment } = read.value
    const format = createPageAssessor().formatFor(plan, pageLocale())
    return runBookOf(plan, assessment, format)
  })
  /** the plan's ticks with those that wait */
  const steps = computed(() => {
    if (!read.value || !book.value) return []
    const { basis, book: whole } = book.value
    const ticked = withTicks(read.value.plan, { basis, ticks: waiting.value })
    return progressOf(whole, ticked.commissioning.steps, basis).steps
  })

  async function take({ plan }: { readonly plan: Plan }): Promise<void> {
    const known = read.value
    // Ticks change nothing of what the run-book is made from.
    const { commissioning } = plan
    if (known && sameValue({ ...known.plan, commissioning }, plan)) {
      read.value = { plan, assessment: known.assessment }
      return
    }
    read.value = {
      plan,
      assessment: await inBackground('assess', work => work.assess(plan, pageLocale())),
    }
  }
  const textOf = (error: unknown) =>
    error instanceof ApiProblem ? error.message : 'Something went wrong in this page; reload it.'

  async function load(): Promise<void> {
    message.value = ''
    try {
      await take(await accessApi.runBook(token))
      if (waiting.value.length > 0) await send()
    } catch (error) {
      message.value = textOf(error)
    }
  }
  async function send(): Promise<void> {
    clearTimeout(timer)
    if (isSending || waiting.value.length === 0 || !book.value) return
    isSending = true
    const sent = waiting.value
    try {
      await take(await accessApi.sendTicks(token, { basis: book.value.basis, ticks: sent }))
      // What was said while they were under way goes next.
      keep(waiting.value.filter(tick => !sent.includes(tick)))
      isAway.value = false
      message.value = ''
    } catch (error) {
      isAway.value = error instanceof ApiProblem && (error.status === 0 || error.status >= 500)
      if (!isAway.value) message.value = textOf(error)
    } finally {
      isSending = false
    }
    if (waiting.value.length > 0 && message.value === '')
      timer = setTimeout(() => void send(), isAway.value ? retryDelayMs : 0)
  }
  function keep(ticks: readonly CarriedTick[]): void {
    waiting.value = ticks
    tickBox.put(token, ticks)
  }
  /** Says something of a step, dated today. */
  function say(step: string, change: Partial<Omit<CarriedTick, 'step' | 'day'>>): void {
    const entry = steps.value.find(({ step: { id } }) => id === step)?.entry
    const tick = {
      step,
      state: entry?.state ?? 'open',
      who: entry?.who ?? '',
      note: entry?.note ?? '',
      measured: entry?.measured ?? '',
      ...change,
      day: todayText(),
    } as const
    keep([...waiting.value.filter(({ step: id }) => id !== step), tick])
    message.value = ''
    void send()
  }
  onMounted(load)
  onBeforeUnmount(() => clearTimeout(timer))
  return { read, book, steps, waiting, message, isAway, load, say }
}
