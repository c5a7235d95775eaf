import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Entry, EntryDraft, Origin } from '~~/core/logbook/entry'
import { entryKinds } from '~~/core/logbook/kinds'
import { marksOf } from '~~/core/logbook/marksOf'
import { measuringKinds, reduceTrials } from '~~/core/logbook/reduceTrials'
import { registeredDrives, withVerdicts } from '~~/core/logbook/register'
import { sameValue } from '~~/core/sameValue'
import { todayText } from '~/composables/today'
import { ApiProblem } from '~/services/apiRequest'
import { logApi, type LogMonth } from '~/services/logApi'
import { usePlanStore } from './planStore'

/** Entries of the line of time that are loaded at first, and with each *More*. */
const entriesAtOnce = 500
/** What the calibration and the register look back at. */
const measuringEntries = 200
const reportEntries = 2000

/** A name for a new entry; browsers give these without a safe connection too. */
function newEntryId(): string {
  return Array.from(crypto.getRandomValues(new Uint8Array(16)), byte =>
    byte.toString(16).padStart(2, '0'),
  ).join('')
}

/** The log of the open plan: its entries, and what they say of the plan. */
export const useLogStore = defineStore('log', () => {
  const plans = usePlanStore()
  const loadedFor = ref('')
  const entries = shallowRef<readonly Entry[]>([])
  const next = ref<string | null>(null)
  const months = shallowRef<readonly LogMonth[]>([])
  const measuring = shallowRef<readonly Entry[]>([])
  const reports = shallowRef<readonly Entry[]>([])
  const readings = shallowRef<readonly Entry[]>([])
  const loading = ref(false)
  const problem = ref('')
  const saving = ref(false)

  const isLoaded = computed(() => loadedFor.value !== '' && loadedFor.value === plans.id)
  const total = computed(() => months.value.reduce((sum, { count }) => sum + count, 0))

  async function load(): Promise<void> {
    const { id } = plans
    if (!id) return
    loading.value = true
    problem.value = ''
    try {
      const [page, measured, reported, read] = await Promise.all([
        logApi.page(id, { limit: entriesAtOnce }),
        // Each kind by itself: many of one leave no other out.
        Promise.all(
          measuringKinds.map(kind => logApi.page(id, { kinds: [kind], limit: measuringEntries })),
        ),
        logApi.page(id, { kinds: ['driveReport', 'selfTest'], limit: reportEntries }),
        logApi.page(id, {
          kinds: [
            'space',
            'energy',
            'watched',
            'ups',
            'money',
            'incident',
            'restore',
            'copyRun',
            'build',
          ],
          limit: reportEntries,
        }),
      ])
      if (plans.id !== id) return
      entries.value = page.entries
      next.value = page.next
      months.value = page.months
      measuring.value = measured.flatMap(page => page.entries)
      reports.value = reported.entries
      readings.value = read.entries
      loadedFor.value = id
      takeIntoPlan()
    } catch (error) {
      problem.value = error instanceof ApiProblem ? error.message : 'The log could not be read.'
    } finally {
      loading.value = false
    }
  }

  async function more(): Promise<void> {
    const { id } = plans
    if (!id || next.value === null) return
    const page = await logApi.page(id, { limit: entriesAtOnce, after: next.value })
    if (plans.id !== id) return
    entries.value = [...entries.value, ...page.entries]
    next.value = page.next
  }

  /** The drives of the register and of the reports. */
  const drives = computed(() => {
    const { plan, assessment } = plans
    if (!plan) return []
    return registeredDrives({
      plan,
      entries: reports.value,
      survives: assessment?.domains.drives.pool?.survives ?? null,
      today: todayText(),
    })
  })

  /** What the log says of the plan's figures and drives, taken into the plan where it is new. */
  function takeIntoPlan(): void {
    const { plan } = plans
    if (!plan) return
    const trials = reduceTrials(measuring.value, {
      plan,
      before: plan.calibration.trials,
      withSimulated: plan.calibration.countsSimulated,
    })
    const measured = sameValue(trials, plan.calibration.trials)
      ? plan
      : { ...plan, calibration: { ...plan.calibration, trials } }
    const judged = withVerdicts(measured, drives.value)
    if (judged !== plan) plans.replace(judged, 'log')
  }

  /** A draft as an entry: with an id, today where it says no day, and what it was measured on. */
  function entryOf(draft: EntryDraft, origin: Origin, corrects = ''): Entry | null {
    const { plan, assessment } = plans
    if (!plan || !assessment) return null
    const { kind, at, values, note = '', leftOut = '', simulated = false } = draft
    const read = entryKinds[kind].values.safeParse(values)
    if (!read.success) return null
    return {
      id: newEntryId(),
      kind,
      at: at ?? todayText(),
      who: '',
      note,
      attachment: null,
      origin: simulated ? { ...origin, how: 'simulated' } : origin,
      marks: marksOf(plan, assessment.domains),
      corrects,
      leftOut,
      values: read.data,
    } as Entry
  }

  /** Takes entries into the log; answers how many were new, or null where it could not. */
  async function add(list: readonly Entry[]): Promise<number | null> {
    const { id } = plans
    if (!id || list.length === 0) return null
    saving.value = true
    problem.value = ''
    try {
      const { taken } = await logApi.add(id, list)
      await load()
      return taken.length
    } catch (error) {
      problem.value =
        error instanceof ApiProblem
          ? `${error.message} ${error.errors[0]?.message ?? ''}`.trim()
          : 'The entries could not be stored.'
      return null
    } finally {
      saving.value = false
    }
  }

  return {
    entries,
    next,
    months,
    total,
    measuring,
    reports,
    readings,
    drives,
    loading,
    saving,
    problem,
    isLoaded,
    load,
    more,
    add,
    entryOf,
    takeIntoPlan,
  }
})
