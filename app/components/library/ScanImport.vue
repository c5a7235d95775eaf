<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { mdiContentCopy, mdiUpload } from '@mdi/js'
import { holdingKind } from '~~/core/catalogue/holdingKinds'
import { holdingsOf, oddityTexts } from '~~/core/library/scanGroups'
import { useLibraryScan } from '~/composables/useLibraryScan'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/**
 * A scan of real files becomes holdings with their real lengths and bitrates; nothing is applied
 * until it is accepted.
 */
const store = usePlanStore()
const { number } = useFormat()
const scan = useLibraryScan()
const dropping = ref(false)
const copied = ref(false)
const refused = ref('')
const command =
  "find . -type f \\( -iname '*.mkv' -o -iname '*.mp4' -o -iname '*.m4v' -o -iname '*.avi' " +
  "-o -iname '*.ts' -o -iname '*.mpg' -o -iname '*.mov' -o -iname '*.webm' \\) -exec " +
  'ffprobe -v error -print_format json -show_format -show_streams {} \\; > ' +
  'library-scan.json'

const summary = computed(() => scan.result.value?.summary ?? null)
const problems = computed(() => scan.result.value?.problems ?? [])
const totalBytes = computed(() =>
  (summary.value?.groups ?? []).reduce((sum, group) => sum + group.sizeBytes, 0),
)
const totalText = computed(() =>
  totalBytes.value >= 1e12
    ? `${number(totalBytes.value / 1e12, 3)} TB`
    : `${number(totalBytes.value / 1e9, 3)} GB`,
)
const counted = computed(() =>
  (summary.value?.groups ?? []).reduce((sum, group) => sum + group.titles, 0),
)

function pick(event: Event): void {
  const input = event.target as HTMLInputElement
  if (input.files?.[0]) scan.read(input.files[0])
  input.value = ''
}
function drop(event: DragEvent): void {
  dropping.value = false
  const file = event.dataTransfer?.files[0]
  if (file) scan.read(file)
}
/** Anywhere on the page: nobody has to aim. */
function over(event: DragEvent): void {
  if (!event.dataTransfer?.types.includes('Files')) return
  event.preventDefault()
  dropping.value = true
}
function dropped(event: DragEvent): void {
  if (!event.dataTransfer?.files.length) return
  event.preventDefault()
  drop(event)
}
function leave(event: DragEvent): void {
  if (event.relatedTarget === null) dropping.value = false
}
onMounted(() => {
  window.addEventListener('dragover', over)
  window.addEventListener('dragleave', leave)
  window.addEventListener('drop', dropped)
})
onBeforeUnmount(() => {
  window.removeEventListener('dragover', over)
  window.removeEventListener('dragleave', leave)
  window.removeEventListener('drop', dropped)
})
function accept(how: 'replace' | 'add'): void {
  const plan = store.plan
  if (!plan || !summary.value) return
  const scanned = holdingsOf(summary.value.groups)
  refused.value =
    store.edit(
      'library.holdings',
      how === 'replace' ? scanned : [...plan.library.holdings, ...scanned],
    ) ?? ''
  if (!refused.value) scan.reset()
}
async function copy(): Promise<void> {
  try {
    await navigator.clipboard.writeText(command)
    copied.value = true
  } catch {
    /* it can still be marked and copied by hand */
  }
}
</script>

<template>
  <section class="sheet scan" :class="{ dropping }" data-scan>
    <h2>Import a scan of your files</h2>
    <p class="small">
      Drop a scan anywhere on this page: ffprobe JSON (one document, an array, or one after the
      other) or a CSV with a header row. The file stays in this browser. Nothing changes until you
      apply it.
    </p>
    <details>
      <summary>Command that makes the scan</summary>
      <div class="command">
        <code>{{ command }}</code>
        <VBtn :prepend-icon="mdiContentCopy" size="small" variant="outlined" @click="copy">
          {{ copied ? 'Copied' : 'Copy' }}
        </VBtn>
      </div>
    </details>
    <div class="actions">
      <VBtn :prepend-icon="mdiUpload" variant="outlined" tag="label" for="scan-file">
        Choose a scan
      </VBtn>
      <input
        id="scan-file"
        class="visually-hidden"
        type="file"
        accept=".json,.jsonl,.ndjson,.csv,.txt,application/json,text/csv"
        aria-label="Choose a scan of your library"
        @change="pick"
      />
    </div>
    <div v-if="scan.state.value === 'reading'" class="reading" role="status">
      <progress :value="scan.share.value" max="1" aria-label="Reading the scan" />
      <span>{{ number(scan.files.value, 7) }} files read</span>
      <VBtn size="small" variant="outlined" @click="scan.reset()"> Cancel </VBtn>
    </div>
    <p v-if="scan.state.value === 'failed'" class="problem" role="alert">
      {{ scan.name.value }}: {{ scan.message.value }}
    </p>
    <div v-if="summary" class="result" role="region" aria-label="What the scan holds">
      <h3>
        {{ scan.name.value }}: {{ number(summary.files, 7) }} files, of which
        {{ number(counted, 7) }} make {{ totalText }} of video
      </h3>
      <div
        v-if="summary.groups.length"
        class="table-scroll"
        tabindex="0"
        role="region"
        aria-label="Groups of the scan"
      >
        <table class="data-table">
          <thead>
            <tr>
              <th scope="col">New holding</th>
              <th scope="col" class="number">Titles</th>
              <th scope="col" class="number">Mean length, min</th>
              <th scope="col" class="number">Bitrate, Mb/s</th>
              <th scope="col" class="number">GB</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="group in summary.groups"
              :key="`${group.kind} ${group.label}`"
              :data-group="group.quality.id"
            >
              <td>{{ holdingKind(group.kind).label }}: {{ group.label }}</td>
              <td class="number">
                {{ number(group.titles, 7) }}
              </td>
              <td class="number">
                {{ number(group.minutes, 3) }}
              </td>
              <td class="number">
                {{ number(group.bitrateMbps, 3) }}
              </td>
              <td class="number">
                {{ number(group.sizeBytes / 1e9, 3) }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <ul v-if="summary.oddities.length || problems.length" class="oddities small">
        <li v-for="entry in summary.oddities" :key="entry.oddity">
          {{ number(entry.files, 7) }} {{ entry.files === 1 ? 'file' : 'files' }}
          {{ oddityTexts[entry.oddity] }}
          <span class="soft"
            >({{ entry.examples.join(', ')
            }}{{ entry.files > entry.examples.length ? ' …' : '' }})</span
          >
        </li>
        <li v-for="(problem, index) in problems.slice(0, 20)" :key="`p${index}`">
          Line {{ problem.line }}: {{ problem.message }}
        </li>
        <li v-if="(scan.result.value?.problemCount ?? 0) > 20">
          … and {{ (scan.result.value?.problemCount ?? 0) - 20 }} more.
        </li>
      </ul>
      <p v-if="refused" class="problem" role="alert">
        {{ refused }}
      </p>
      <div class="actions">
        <template v-if="summary.groups.length">
          <VBtn color="primary" variant="flat" @click="accept('replace')">
            Replace the holdings
          </VBtn>
          <VBtn color="primary" variant="outlined" @click="accept('add')">
            Add to the holdings
          </VBtn>
        </template>
        <VBtn @click="scan.reset()"> Dismiss </VBtn>
      </div>
      <p class="small soft">
        A scan does not show monthly additions; enter them afterwards. The import can be undone.
      </p>
    </div>
  </section>
</template>

<style scoped>
.scan {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.scan.dropping {
  outline: 3px dashed rgb(var(--v-theme-primary));
  outline-offset: -6px;
}
.command {
  display: flex;
  gap: 10px;
  align-items: flex-start;
  margin-top: 6px;
}
.command code {
  flex: 1;
  overflow-wrap: anywhere;
  font-size: 0.8rem;
  background: rgb(var(--v-theme-surface-light));
  padding: 8px;
  border-radius: 4px;
}
.actions {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.reading {
  display: flex;
  gap: 12px;
  align-items: center;
}
progress {
  flex: 1;
  max-width: 420px;
  accent-color: rgb(var(--v-theme-primary));
  height: 12px;
}
.problem {
  border-left: 4px solid rgb(var(--v-theme-state-short));
  padding: 6px 12px;
}
.result {
  display: flex;
  flex-direction: column;
  gap: 10px;
  border-top: 1px solid rgb(var(--v-theme-hairline));
  padding-top: 12px;
}
.table-scroll {
  overflow-x: auto;
  position: relative;
}
.oddities {
  padding-left: 18px;
}
summary {
  cursor: pointer;
  padding: 4px 0;
  min-height: 26px;
  color: rgb(var(--v-theme-primary));
}
</style>
