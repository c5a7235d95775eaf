<script setup lang="ts">
import { computed, ref } from 'vue'
import { mdiDownload } from '@mdi/js'
import type { Entry } from '~~/core/logbook/entry'
import { entryLine } from '~~/core/logbook/entryWords'
import { entryKinds } from '~~/core/logbook/kinds'
import InspectorPanel from '~/components/common/InspectorPanel.vue'
import { todayText } from '~/composables/today'
import { useFormat } from '~/composables/useFormat'
import { logApi } from '~/services/logApi'
import { useLogStore } from '~/stores/logStore'
import { usePlanStore } from '~/stores/planStore'
import EntryForm from './EntryForm.vue'
import ImportSheet from './ImportSheet.vue'
import TimeLinePicture from './TimeLinePicture.vue'

/** The log: what happened, was measured and was changed; entered, or read from reports. */
const log = useLogStore()
const store = usePlanStore()
const { format, number } = useFormat()
const today = todayText()
const selected = ref<string | null>(null)
const isCorrecting = ref(false)
const corrected = computed(() => new Set(log.entries.map(({ corrects }) => corrects)))
const standing = computed(() => log.entries.filter(({ id }) => !corrected.value.has(id)))
const shownCount = ref(12)
const entry = computed(() => log.entries.find(({ id }) => id === selected.value) ?? null)
const index = computed(() => standing.value.findIndex(({ id }) => id === selected.value))
const before = computed(() =>
  entry.value ? log.entries.find(({ id }) => id === entry.value!.corrects) : null,
)
function select(id: string | null): void {
  selected.value = id
  isCorrecting.value = false
}
function step(by: -1 | 1): void {
  const { length } = standing.value
  select(standing.value[(index.value + by + length) % length]?.id ?? null)
}
const sentence = computed(() => {
  if (!log.isLoaded) return log.loading ? 'Reading the log …' : ''
  const newest = standing.value[0]
  if (!newest)
    return (
      'Nothing is written down yet. A measurement corrects the plan; a report tells which ' +
      'drive goes next.'
    )
  return (
    `${log.total === 1 ? '1 entry' : `${number(log.total, 7)} entries`}; the newest is of ` +
    `${newest.at.slice(0, 10)}: ${entryKinds[newest.kind].label.toLowerCase()}, ` +
    `${entryLine(newest, format.value)}.`
  )
})
/** Values of an entry in words, those that are known. */
const valuesOf = (of: Entry) => {
  const shape = entryKinds[of.kind].values.shape as Record<
    string,
    { meta: () => { title?: string; unit?: string; options?: Record<string, string> } | undefined }
  >
  return Object.entries(of.values as Record<string, unknown>).flatMap(([name, value]) => {
    if (value === null || value === '' || (Array.isArray(value) && value.length === 0)) return []
    const meta = shape[name]?.meta()
    const told =
      typeof value === 'number'
        ? meta?.unit
          ? format.value.quantity(value, meta.unit)
          : number(value, 6)
        : typeof value === 'boolean'
          ? value
            ? 'yes'
            : 'no'
          : typeof value === 'object'
            ? `${(value as readonly unknown[]).length}`
            : (meta?.options?.[value as string] ?? (value as string))
    return [[meta?.title ?? plainName(name), told] as const]
  })
}
/** A field of a report without words of its own: its name with spaces. */
const plainName = (name: string) =>
  name.replace(/([A-Z])/g, ' $1').replace(/^./, letter => letter.toUpperCase())
const originWords = (of: Entry) =>
  ({
    entered: 'entered by hand',
    imported: `imported${of.origin.tool ? ` from ${of.origin.tool}` : ''}`,
    simulated: 'of the practice machine',
    sent: 'sent by a machine',
  })[of.origin.how]
</script>

<template>
  <div class="entries" data-entries>
    <p class="lead">{{ sentence }}</p>
    <p v-if="log.problem && !log.saving" role="alert" class="problem">{{ log.problem }}</p>
    <TimeLinePicture :entries="standing" :selected="selected" :today="today" @select="select" />
    <div class="columns">
      <section class="sheet">
        <h2>New entry</h2>
        <EntryForm />
      </section>
      <div class="side">
        <ImportSheet />
        <section v-if="standing.length > 0" class="sheet">
          <header class="head">
            <h2>Newest entries</h2>
            <a :href="logApi.exportAddress(store.id ?? '')" download class="export">
              <VIcon :icon="mdiDownload" size="16" /> Export the log
            </a>
          </header>
          <ul class="list" data-entry-list>
            <li v-for="row in standing.slice(0, shownCount)" :key="row.id">
              <button type="button" class="plain-button" @click="select(row.id)">
                <small class="soft">{{ row.at.slice(0, 10) }}</small>
                <strong>{{ entryKinds[row.kind].label }}</strong>
                <span>{{ entryLine(row, format) }}</span>
              </button>
            </li>
          </ul>
          <VBtn
            v-if="standing.length > shownCount || log.next"
            variant="text"
            size="small"
            @click="standing.length > shownCount ? (shownCount += 40) : log.more()"
          >
            Older entries
          </VBtn>
        </section>
      </div>
    </div>
    <InspectorPanel
      v-if="entry"
      :heading="`${entryKinds[entry.kind].label}, ${entry.at.slice(0, 16).replace('T', ' ')}`"
      :index="index"
      :count="standing.length"
      takes-focus
      @close="select(null)"
      @step="step"
    >
      <template v-if="isCorrecting">
        <p class="soft small">The first one is kept; this one counts in its place.</p>
        <EntryForm :key="entry.id" :corrects="entry" @done="select(null)" />
      </template>
      <template v-else>
        <table class="data-table">
          <tbody>
            <tr v-for="[name, value] in valuesOf(entry)" :key="name">
              <td>{{ name }}</td>
              <td class="number">{{ value }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="entry.note">{{ entry.note }}</p>
        <p v-if="entry.leftOut" class="soft small">
          It does not count for calibration. {{ entry.leftOut }}
        </p>
        <p v-if="before" class="soft small">
          It corrects an entry of {{ before.at.slice(0, 10) }}: {{ entryLine(before, format) }}.
        </p>
        <p class="soft small">This entry was {{ originWords(entry) }}.</p>
        <VBtn
          v-if="entry.kind !== 'driveReport'"
          variant="outlined"
          size="small"
          data-correct
          @click="isCorrecting = true"
        >
          Correct it
        </VBtn>
      </template>
    </InspectorPanel>
  </div>
</template>

<style scoped>
.entries {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.lead {
  margin-top: -6px;
}
.columns {
  --page-columns: minmax(0, 5fr) minmax(0, 6fr);
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 12px;
}
.export {
  font-size: 0.88rem;
}
.list {
  list-style: none;
  padding: 0;
  margin: 6px 0 0;
}
.list li {
  border-bottom: 1px solid rgba(var(--v-theme-hairline), 0.6);
}
.list button {
  display: grid;
  grid-template-columns: 88px 110px 1fr;
  gap: 8px;
  width: 100%;
  padding: 6px 2px;
  min-height: 34px;
  align-items: baseline;
}
.list button:hover {
  background: rgb(var(--v-theme-surface-light));
}
.problem {
  color: rgb(var(--v-theme-error));
}
@media (max-width: 600px) {
  .list button {
    grid-template-columns: 84px 1fr;
  }
  .list button span {
    grid-column: 1 / -1;
  }
}
</style>
