<script setup lang="ts">
import { computed, ref } from 'vue'
import { dayText } from '~~/core/units/calendarDay'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import { downloadText, planFileStem } from '~/composables/planDownload'
import { parseNumber } from '~/composables/parseNumber'
import { useCalendar } from '~/composables/useCalendar'
import { useFormat } from '~/composables/useFormat'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import CalendarYear from './CalendarYear.vue'

/** What has to be done when, from sign-off on, to be taken into one's own calendar. */
const store = usePlanStore()
const { entries, rows, intervals, signedOn, setInterval, write } = useCalendar()
const { number, quantity } = useFormat()
const picked = ref<string | null>(null)
const row = computed(() => rows.value.find(({ code }) => code === picked.value) ?? null)
const own = computed(() => entries.value.filter(({ code }) => code === picked.value))
const from = computed(() => Math.min(...entries.value.map(({ start }) => start)))
const units = { day: 'day', week: 'week', month: 'month', year: 'year' } as const
const everyText = ({ recurrence }: (typeof entries.value)[number]) =>
  recurrence === null
    ? 'once'
    : recurrence.every === 1
      ? `every ${units[recurrence.unit]}`
      : `every ${number(recurrence.every)} ${units[recurrence.unit]}s`
const tableRows = computed(() =>
  entries.value.map(entry => [
    entry.title,
    dayText(entry.start),
    everyText(entry),
    quantity(entry.minutes, 'min'),
  ]),
)
const error = ref<string | null>(null)
function take(text: string): void {
  if (!row.value) return
  const days = parseNumber(text)
  error.value = null
  if (days === null) setInterval(row.value.code, null)
  else if (days === undefined || days < 1 || days > 4000)
    error.value = 'Every must be a number from 1 to 4000 days.'
  else setInterval(row.value.code, days)
}
const canBeSet = computed(() => row.value !== null && !row.value.isDeadline)
function save(): void {
  const text = write()
  if (text) downloadText(`${planFileStem(store.plan ?? { name: '' })}.ics`, text, 'text/calendar')
}
</script>

<template>
  <ChartFrame
    title="Calendar"
    :columns="['What', 'First', 'Comes', 'Takes']"
    :rows="tableRows"
    data-calendar
  >
    <template #default="{ width }">
      <p class="sentence">
        {{
          signedOn === null
            ? 'So it would be if the machine were signed off today.'
            : `From the day after sign-off, ${dayText(signedOn)}.`
        }}
        No two long jobs share a night.
      </p>
      <CalendarYear
        v-if="entries.length"
        v-model:picked="picked"
        :entries="entries"
        :rows="rows"
        :from="from"
        :width="width"
        @pick="picked = $event"
      />
    </template>
    <template #below>
      <div v-if="row" class="picked" data-calendar-row>
        <h3>{{ row.label }}</h3>
        <p>{{ row.why }}</p>
        <ul>
          <li v-for="entry in own.slice(0, 8)" :key="entry.target">
            {{ entry.title }}: first on {{ dayText(entry.start) }}, {{ everyText(entry) }}
          </li>
        </ul>
        <p v-if="own.length > 8" class="soft small">and {{ number(own.length - 8) }} more.</p>
        <VTextField
          v-if="canBeSet"
          class="interval"
          :model-value="intervals.get(row.code) ?? ''"
          label="Every"
          suffix="days"
          placeholder="usual"
          persistent-placeholder
          inputmode="decimal"
          :error-messages="error ?? []"
          hide-details="auto"
          @update:model-value="take"
        />
      </div>
      <p v-else class="soft small">
        Tall marks keep the drives busy for hours, diamonds are last days. Press a line for its
        interval.
      </p>
      <p class="no-print">
        <VBtn
          size="small"
          variant="outlined"
          color="primary"
          :disabled="signedOn === null"
          data-export="calendar"
          @click="save"
        >
          Calendar as iCalendar
        </VBtn>
        <span v-if="signedOn === null" class="soft small beside">
          There is no calendar before
          <NuxtLink :to="viewAddress(store.id ?? '', 'commissioning', 'sign-off')"
            >sign-off</NuxtLink
          >.
        </span>
        <span v-else class="soft small beside">
          Import it again after a change: entries keep their ids, so they are changed and not
          doubled.
        </span>
      </p>
    </template>
  </ChartFrame>
</template>

<style scoped>
.sentence {
  margin: 2px 0 8px;
}
.picked ul {
  padding-left: 18px;
}
.picked h3 {
  font-size: 0.95rem;
  margin-top: 8px;
}
.interval {
  max-width: 200px;
  margin: 10px 0;
}
.beside {
  margin-left: 10px;
}
</style>
