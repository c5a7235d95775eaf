<script setup lang="ts">
import { computed, ref } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { alertKey, alertsOf, kWhOfMonth, type Alert, type AlertLevel } from '~~/core/logbook/drift'
import { alertWords } from '~~/core/logbook/alertWords'
import { calibrationRows } from '~~/core/logbook/calibrationRows'
import { dayOf } from '~~/core/logbook/entry'
import { fitGrowth, monthsSince } from '~~/core/logbook/growth'
import { leadHours } from '~~/core/drives/poolOf'
import { monthAfter } from '~~/core/units/time'
import { counted } from '~~/core/units/counted'
import { todayText } from '~/composables/today'
import { useFormat } from '~/composables/useFormat'
import { viewAddress } from '~/composables/views'
import { useLogStore } from '~/stores/logStore'
import { usePlanStore } from '~/stores/planStore'
import SpaceDrift from './SpaceDrift.vue'

/** What is no longer as planned: space, power, warmth, conversions, copies and drives. */
const log = useLogStore()
const store = usePlanStore()
const { format, number, quantity, money } = useFormat()
const today = todayText()

const startsOn = computed(() => `${store.plan?.library.startsOn ?? '2026-01'}-01`)
const forecast = computed(() => store.assessment?.domains.library.forecast.months ?? [])
const room = computed(() => store.assessment?.domains.room.room ?? null)
const roomByMonth = computed(() =>
  room.value ? (room.value.roomByMonthTB ?? [room.value.roomTB]) : null,
)
const readings = computed(() =>
  log.readings.flatMap(entry =>
    entry.kind === 'space' &&
    entry.values.usedTB !== null &&
    (entry.origin.how !== 'simulated' || store.plan?.calibration.countsSimulated)
      ? [
          {
            day: dayOf(entry.at),
            usedTB: entry.values.usedTB,
            onceTB: entry.values.onceGB / 1000,
          },
        ]
      : [],
  ),
)
const perMonth = computed(() => {
  const figure = store.assessment?.figures['library.growthTBPerMonth']
  return figure?.value == null
    ? null
    : { low: figure.low ?? figure.value, likely: figure.value, high: figure.high ?? figure.value }
})
const growth = computed(() =>
  perMonth.value && forecast.value.length > 0
    ? fitGrowth({
        readings: readings.value,
        from: startsOn.value,
        forecastTB: forecast.value.map(({ likely }) => likely),
        perMonthTB: perMonth.value,
        roomTB: roomByMonth.value,
      })
    : null,
)
const rows = computed(() =>
  store.plan && store.assessment
    ? calibrationRows(store.plan, store.assessment.domains, catalogue)
    : [],
)
const alerts = computed((): Alert[] => {
  const { plan, assessment } = store
  if (!plan || !assessment || !log.isLoaded) return []
  const { figures, domains } = assessment
  const kWh = figures['ownership.kWhPerYear']?.value ?? null
  const level95 = figures['streams.asked95']?.value ?? null
  const restoreDays =
    plan.commissioning.intervals.find(({ code }) => code === 'restore')?.days ?? 183
  return alertsOf({
    entries: [...log.readings, ...log.measuring].filter(
      ({ origin }) => origin.how !== 'simulated' || plan.calibration.countsSimulated,
    ),
    rows: rows.value,
    drives: log.drives.filter(({ simulated }) => !simulated || plan.calibration.countsSimulated),
    growth: growth.value,
    plannedTB: day => forecast.value[Math.floor(monthsSince(startsOn.value, day))] ?? null,
    roomTB: room.value?.roomTB ?? null,
    leadMonths: leadHours[plan.drives.replacement] / 730,
    kWhPerMonth: kWh === null ? null : kWh / 12,
    conversions:
      level95 === null ? null : { level95, minutesAccepted: plan.choices.minutesShortTarget },
    hasRedundancy: (domains.drives.pool?.survives ?? 0) > 0,
    readBackEveryDays: restoreDays,
    hasCopies: domains.drives.pool?.hasOneCopyOnly === false,
    today,
  })
})
const dismissed = computed(
  () =>
    new Map(
      (store.plan?.calibration.dismissed ?? [])
        .filter(({ until }) => until > today)
        .map(({ notice, until }) => [notice, until]),
    ),
)
const shown = computed(() => alerts.value.filter(alert => !dismissed.value.has(alertKey(alert))))
const hidden = computed(() => alerts.value.filter(alert => dismissed.value.has(alertKey(alert))))
const areHiddenShown = ref(false)
const levelWords: Readonly<Record<AlertLevel, string>> = {
  worthKnowing: 'Worth knowing',
  warning: 'Warning',
  problem: 'Problem',
}
function dismiss(alert: Alert, days: number): void {
  const { plan } = store
  if (!plan) return
  const until = new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10)
  const others = plan.calibration.dismissed.filter(({ notice }) => notice !== alertKey(alert))
  const list = days > 0 ? [...others, { notice: alertKey(alert).slice(0, 80), until }] : others
  store.replace({ ...plan, calibration: { ...plan.calibration, dismissed: list } })
}
const address = (to: { view: string; section?: string }) =>
  viewAddress(store.id ?? '', to.view, to.section)

const sentence = computed(() => {
  if (!log.isLoaded) return log.loading ? 'Reading the log …' : ''
  if (log.total === 0) return 'Nothing is written down yet, so nothing can be compared.'
  if (shown.value.length === 0) return 'Nothing of what was written down is out of the ordinary.'
  const worst = shown.value[0]!
  return (
    `${counted(shown.value.length, 'notice')}. ${alertWords(worst, format.value).sentence} ` +
    alertWords(worst, format.value).next
  )
})
/** Month by month: what was forecast, what was read. */
const table = computed(() => {
  const byMonth = new Map<
    string,
    { used?: number; kWh?: number | undefined; paid?: number; incidents: number; minutes: number }
  >()
  const at = (month: string) => {
    const known = byMonth.get(month) ?? { incidents: 0, minutes: 0 }
    byMonth.set(month, known)
    return known
  }
  for (const entry of [...log.readings].reverse()) {
    const own = at(entry.at.slice(0, 7))
    if (entry.kind === 'space' && entry.values.usedTB !== null) own.used = entry.values.usedTB
    else if (entry.kind === 'energy') own.kWh = kWhOfMonth(entry.values) ?? own.kWh
    else if (entry.kind === 'money' && entry.values.paid !== null)
      own.paid = (own.paid ?? 0) + entry.values.paid
    else if (entry.kind === 'incident') own.incidents++
    else if (entry.kind === 'watched') own.minutes += entry.values.minutesShort ?? 0
  }
  return [...byMonth]
    .sort(([a], [b]) => (a < b ? 1 : -1))
    .slice(0, 12)
    .map(([month, own]) => {
      // Before the plan begins it says nothing of a month.
      const planned = forecast.value[Math.floor(monthsSince(startsOn.value, `${month}-28`))]
      return { month, own, planned }
    })
})
const plannedKWh = computed(
  () => (store.assessment?.figures['ownership.kWhPerYear']?.value ?? 0) / 12,
)
const fullWords = computed(() => {
  const fitted = growth.value?.monthFull
  if (!growth.value || !fitted || !roomByMonth.value) return ''
  const { now } = growth.value
  if (now.usedTB > (roomByMonth.value[Math.floor(now.month)] ?? roomByMonth.value.at(-1)!))
    return 'More is used than the room has: it is full today.'
  const month = (at: number | null) =>
    at === null ? 'not within the forecast' : monthAfter(store.plan!.library.startsOn, at)
  return (
    `Growth is ${number(growth.value.factor.likely, 3)} times what was planned ` +
    `(${number(growth.value.factor.low, 3)} to ${number(growth.value.factor.high, 3)}), by ` +
    `${counted(growth.value.pairs, 'month')} of readings. Full: ${month(fitted.likely)}` +
    (fitted.soonest !== fitted.latest
      ? `, at the earliest ${month(fitted.soonest)}, at the latest ${month(fitted.latest)}.`
      : '.')
  )
})
</script>

<template>
  <div class="drift" data-drift>
    <p class="lead">{{ sentence }}</p>
    <SpaceDrift
      v-if="store.plan && forecast.length > 0"
      :forecast="forecast"
      :readings="readings"
      :growth="growth"
      :room="roomByMonth"
      :from="startsOn"
      :below="fullWords"
    />
    <div class="columns">
      <section class="sheet">
        <h2>Notices</h2>
        <ul v-if="shown.length > 0" class="alerts" data-alerts>
          <li
            v-for="alert in areHiddenShown ? alerts : shown"
            :key="alertKey(alert)"
            :class="alert.level"
            :data-alert="alert.id"
          >
            <strong>{{ levelWords[alert.level] }}.</strong>
            {{ alertWords(alert, format).sentence }}
            <NuxtLink :to="address(alertWords(alert, format).to)">{{
              alertWords(alert, format).next
            }}</NuxtLink>
            <small class="soft">
              since {{ alert.since }} ·
              <button
                v-if="!dismissed.has(alertKey(alert))"
                type="button"
                class="plain-button link"
                @click="dismiss(alert, 30)"
              >
                dismiss for a month
              </button>
              <button v-else type="button" class="plain-button link" @click="dismiss(alert, 0)">
                dismissed until {{ dismissed.get(alertKey(alert)) }}: show it again
              </button>
            </small>
          </li>
        </ul>
        <p v-else class="soft">
          {{
            log.total === 0
              ? 'Write down what is used, once a month, and what the meter shows.'
              : 'There is none.'
          }}
        </p>
        <button
          v-if="hidden.length > 0"
          type="button"
          class="plain-button link"
          @click="areHiddenShown = !areHiddenShown"
        >
          {{
            areHiddenShown
              ? 'Hide dismissed notices'
              : hidden.length === 1
                ? 'Show 1 dismissed notice'
                : `Show ${hidden.length} dismissed notices`
          }}
        </button>
      </section>
      <section class="sheet">
        <h2>Forecast against what was read</h2>
        <table v-if="table.length > 0" class="data-table">
          <thead>
            <tr>
              <th scope="col">Month</th>
              <th scope="col" class="number">Used</th>
              <th scope="col" class="number">Forecast</th>
              <th scope="col" class="number">kWh</th>
              <th scope="col" class="number">Planned</th>
              <th scope="col" class="number">Paid</th>
              <th scope="col" class="number">Min short</th>
              <th scope="col" class="number">Incidents</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="line in table" :key="line.month">
              <td>{{ line.month }}</td>
              <td class="number">
                {{ line.own.used === undefined ? '–' : quantity(line.own.used, 'TB') }}
              </td>
              <td class="number">
                {{
                  line.planned
                    ? `${number(line.planned.low, 3)}–${number(line.planned.high, 3)}`
                    : '–'
                }}
              </td>
              <td class="number">
                {{ line.own.kWh === undefined ? '–' : number(line.own.kWh, 3) }}
              </td>
              <td class="number">{{ number(plannedKWh, 3) }}</td>
              <td class="number">{{ line.own.paid === undefined ? '–' : money(line.own.paid) }}</td>
              <td class="number">{{ line.own.minutes > 0 ? number(line.own.minutes, 3) : '–' }}</td>
              <td class="number">{{ line.own.incidents > 0 ? line.own.incidents : '–' }}</td>
            </tr>
          </tbody>
        </table>
        <p v-else class="soft">Nothing was read yet.</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.drift {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.lead {
  margin-top: -6px;
}
.alerts {
  list-style: none;
  padding: 0;
  margin: 0;
}
.alerts li {
  padding: 7px 0 7px 12px;
  border-left: 4px solid rgb(var(--v-theme-ink-soft));
  margin-bottom: 8px;
}
.alerts .warning {
  border-left-color: rgb(var(--v-theme-state-tight));
}
.alerts .problem {
  border-left-color: rgb(var(--v-theme-state-short));
}
.alerts small {
  display: block;
}
.link {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline;
}
</style>
