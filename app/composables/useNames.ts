import { onBeforeUnmount, ref, shallowRef } from 'vue'
import type { Remote } from 'comlink'
import type { NameRuleId } from '~~/core/commissioning/names/nameRules'
import type {
  NameFilter,
  NameRow,
  NameSettings,
  NameSummary,
  NamesWork,
} from '~/services/namesWork'

/** Largest list that is read, in bytes. */
export const listLimitBytes = 500_000_000
export const rowsAtOnce = 50

interface Held {
  readonly worker: Worker
  readonly work: Remote<NamesWork>
}

/** Checks a list of file names in a worker; nothing of it leaves the browser or is kept. */
export function useNames() {
  const state = ref<'idle' | 'working' | 'done' | 'failed'>('idle')
  const share = ref(0)
  const message = ref('')
  const name = ref('')
  const summary = shallowRef<NameSummary | null>(null)
  const rows = shallowRef<readonly NameRow[]>([])
  const total = ref(0)
  const filter = ref<NameFilter>({ top: null, rule: null })
  const answers = new Map<string, string>()
  const byHand = new Map<string, string>()
  const taken = new Map<string, boolean>()
  const takenRules = ref<NameRuleId[]>([])
  const isEncrypted = ref(false)
  let held: Held | null = null
  let shown = rowsAtOnce

  function stop(): void {
    held?.worker.terminate()
    held = null
  }
  function fail(text: string): void {
    stop()
    message.value = text
    state.value = 'failed'
  }
  async function hold(): Promise<Held> {
    if (held) return held
    const worker = new Worker(new URL('../workers/names.worker.ts', import.meta.url), {
      type: 'module',
    })
    worker.onerror = () => fail('Checking stopped before its end. Nothing was changed.')
    worker.onmessageerror = () => fail('What the check found could not be read.')
    const { wrap } = await import('comlink')
    held = { worker, work: wrap<NamesWork>(worker) }
    return held
  }
  const settings = (): NameSettings => ({
    year: new Date().getFullYear(),
    answers: [...answers],
    byHand: [...byHand],
    isEncrypted: isEncrypted.value,
    takenRules: [...takenRules.value],
    taken: [...taken],
  })

  async function showRows({ work }: Held): Promise<void> {
    const found = await work.rows({ ...filter.value }, 0, shown)
    rows.value = found.rows
    total.value = found.total
  }
  /** Runs something in the worker, and then shows what came of it. */
  async function run(does: (held: Held) => Promise<NameSummary>): Promise<void> {
    state.value = 'working'
    share.value = 0
    try {
      const mine = await hold()
      const found = await does(mine)
      // Cancelled meanwhile: what came of it is nobody's any more.
      if (held !== mine) return
      await showRows(mine)
      summary.value = found
      state.value = 'done'
    } catch (error) {
      if (held) fail(error instanceof Error ? error.message : 'The list cannot be read.')
    }
  }
  async function checkIn({ work }: Held): Promise<NameSummary> {
    const { proxy } = await import('comlink')
    return work.check(
      settings(),
      proxy((done: number) => {
        share.value = done
      }),
    )
  }
  const check = () => run(checkIn)

  function reset(): void {
    stop()
    answers.clear()
    byHand.clear()
    taken.clear()
    takenRules.value = []
    summary.value = null
    rows.value = []
    filter.value = { top: null, rule: null }
    shown = rowsAtOnce
    state.value = 'idle'
  }
  async function read(list: File): Promise<void> {
    reset()
    name.value = list.name
    if (list.size > listLimitBytes)
      return fail(
        `The list has ${(list.size / 1e6).toFixed(0)} MB; at most ${listLimitBytes / 1e6} MB can be ` +
          'checked at once. Split it by its top folders.',
      )
    await run(async mine => {
      await mine.work.read(list)
      return checkIn(mine)
    })
  }
  async function readExample(): Promise<void> {
    reset()
    name.value = 'an invented list'
    await run(async mine => {
      await mine.work.readExample()
      return checkIn(mine)
    })
  }
  async function answer(key: string, text: string): Promise<void> {
    if (text.trim() === '') answers.delete(key)
    else answers.set(key, text.trim())
    await check()
  }
  async function correct(path: string, to: string): Promise<void> {
    if (to.trim() === '') byHand.delete(path)
    else byHand.set(path, to)
    await check()
  }
  const takeNow = () => run(({ work }) => work.take(settings()))
  async function take(path: string, isTaken: boolean): Promise<void> {
    taken.set(path, isTaken)
    await takeNow()
  }
  async function takeRule(rule: NameRuleId, isTaken: boolean): Promise<void> {
    takenRules.value = takenRules.value.filter(other => other !== rule)
    if (isTaken) takenRules.value.push(rule)
    await takeNow()
  }
  async function show(next: NameFilter): Promise<void> {
    filter.value = next
    shown = rowsAtOnce
    if (held) await showRows(held)
  }
  async function showMore(): Promise<void> {
    shown += 4 * rowsAtOnce
    if (held) await showRows(held)
  }
  async function encrypt(is: boolean): Promise<void> {
    isEncrypted.value = is
    await check()
  }
  /** A file to be downloaded; '' where the list is gone. */
  const file = (which: 'script' | 'csv' | 'moves'): Promise<string> =>
    held ? held.work[which]() : Promise.resolve('')

  onBeforeUnmount(stop)
  return {
    ...{ state, share, message, name, summary, rows, total, filter, takenRules, isEncrypted },
    ...{ read, readExample, reset, answer, correct, take, takeRule, show, showMore, encrypt, file },
  }
}
