import { computed } from 'vue'
import { calendarContext } from '~~/core/commissioning/calendar/calendarContext'
import { allCalendarRows, calendarEntries } from '~~/core/commissioning/calendar/calendarEntries'
import { exportCalendar } from '~~/core/commissioning/calendar/exportCalendar'
import { setupOf } from '~~/core/commissioning/setupOf'
import { iCalendar } from '~~/core/formats/iCalendar'
import { dayOfText } from '~~/core/units/calendarDay'
import { usePlanStore } from '~/stores/planStore'
import { setupSliceOf } from './runBookOf'
import { todayText } from './today'

/** The calendar of the open plan: it begins on the day after sign-off. */
export function useCalendar() {
  const store = usePlanStore()
  const context = computed(() => {
    const { plan, assessment } = store
    if (!plan || !assessment) return null
    const slice = { ...setupSliceOf(plan, assessment), facts: assessment.domains }
    return calendarContext(slice, setupOf(slice))
  })
  const today = () => dayOfText(todayText())!
  const signedOn = computed(() => dayOfText(store.plan?.commissioning.signedOn ?? ''))
  const intervals = computed(
    () => new Map(store.plan?.commissioning.intervals.map(({ code, days }) => [code, days])),
  )
  /** as it is, or as it would be were sign-off today */
  const entries = computed(() =>
    context.value ? calendarEntries(context.value, signedOn.value ?? today(), intervals.value) : [],
  )
  const rows = computed(() => {
    const codes = new Set(entries.value.map(({ code }) => code))
    return allCalendarRows.filter(({ code }) => codes.has(code))
  })
  /** Sets the days between two of a code; null for the usual interval. */
  function setInterval(code: string, days: number | null): void {
    const { plan } = store
    if (!plan) return
    const others = plan.commissioning.intervals.filter(entry => entry.code !== code)
    const next = days === null ? others : [...others, { code, days }]
    store.replace(
      { ...plan, commissioning: { ...plan.commissioning, intervals: next } },
      `interval ${code}`,
    )
  }
  /** The calendar as a text; what was given is kept, so that the next one changes it. */
  function write(): string {
    const { plan } = store
    if (!plan || !store.id) return ''
    const { events, exported } = exportCalendar(entries.value, {
      planId: store.id,
      known: plan.commissioning.exported,
      today: today(),
    })
    store.replace({
      ...plan,
      commissioning: { ...plan.commissioning, exported: [...exported] },
    })
    return iCalendar(events, { name: plan.name, today: today() })
  }
  return { entries, rows, intervals, signedOn, setInterval, write }
}
