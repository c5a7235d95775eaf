<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import type { Entry } from '~~/core/logbook/entry'
import { entryLine } from '~~/core/logbook/entryWords'
import { entryKinds } from '~~/core/logbook/kinds'
import { measuredBy } from '~~/core/logbook/reduceTrials'
import type { UnderstoodFile } from '~~/core/logbook/reports/understoodFile'
import { calibratedFigures } from '~~/core/plan/trials'
import { useFormat } from '~/composables/useFormat'
import { inBackground } from '~/services/background'
import { useLogStore } from '~/stores/logStore'
import { usePlanStore } from '~/stores/planStore'

/** Files of reports: what was understood of them stands here before anything is taken. */
const emit = defineEmits<{ taken: [count: number] }>()
const log = useLogStore()
const store = usePlanStore()
const { format } = useFormat()
const maxBytes = 20_000_000
const mostShown = 60

interface Read extends UnderstoodFile {
  readonly sha256: string
}
const files = shallowRef<readonly Read[]>([])
const reading = ref(0)
const over = ref(false)
const told = ref('')
const input = ref<HTMLInputElement | null>(null)

/** Of browsers without a safe connection it is not known; then values tell what is the same. */
async function sha256Of(text: string): Promise<string> {
  if (!globalThis.crypto?.subtle) return ''
  const digest = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text))
  return Array.from(new Uint8Array(digest), byte => byte.toString(16).padStart(2, '0')).join('')
}

async function take(list: FileList | null | undefined): Promise<void> {
  over.value = false
  told.value = ''
  const chosen = [...(list ?? [])]
  reading.value = chosen.length
  const found: Read[] = []
  for (const file of chosen) {
    found.push(await readFile(file))
    reading.value--
  }
  files.value = [...files.value, ...found]
  if (input.value) input.value.value = ''
}

async function readFile(file: File): Promise<Read> {
  const nothing = { name: file.name, entries: [], logged: [], sha256: '' }
  if (file.size > maxBytes)
    return {
      ...nothing,
      notes: [{ line: 1, text: `The file is larger than ${maxBytes / 1e6} MB.` }],
    }
  try {
    const text = await file.text()
    const understood = await inBackground('compare', work =>
      work.understoodFile(file.name, text, Date.now()),
    )
    return { ...understood, sha256: await sha256Of(text) }
  } catch {
    return { ...nothing, notes: [{ line: 1, text: 'The file could not be read.' }] }
  }
}

interface Found {
  readonly entry: Entry
  readonly file: string
  readonly does: string
}
const found = computed((): Found[] =>
  files.value.flatMap(({ entries, logged, name, sha256 }) => [
    ...entries.flatMap(({ draft, tool, version, place }) => {
      const entry = log.entryOf(draft, { how: 'imported', tool, version, sha256, place })
      return entry ? [{ entry, file: name, does: doesOf(entry) }] : []
    }),
    ...logged.map(entry => ({ entry, file: name, does: 'joins as it is' })),
  ]),
)
/** What taking an entry will do. */
function doesOf(entry: Entry): string {
  if (entry.leftOut !== '') return `kept, does not count: ${entry.leftOut}`
  if (entry.kind === 'driveReport') return 'goes to the drive register'
  if (!store.plan) return ''
  const figures = measuredBy(entry, store.plan).map(({ figure }) => calibratedFigures[figure])
  return figures.length > 0 ? `corrects ${figures.join(', ')}` : 'is kept'
}
const notes = computed(() =>
  files.value.flatMap(({ name, notes: own }) => own.map(note => ({ ...note, name }))),
)
async function takeAll(): Promise<void> {
  const list = found.value.map(({ entry }) => entry)
  const taken = await log.add(list)
  if (taken === null) return
  const known = list.length - taken
  told.value =
    `${taken === 1 ? '1 entry was' : `${taken} entries were`} taken` +
    (known > 0
      ? `; ${known === 1 ? '1 was' : `${known} were`} in the log already and changed nothing.`
      : '.')
  files.value = []
  emit('taken', taken)
}
</script>

<template>
  <section
    class="sheet import"
    :class="{ over }"
    data-import-log
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="take($event.dataTransfer?.files)"
  >
    <header>
      <h2>Reports of tools</h2>
      <VBtn size="small" variant="outlined" @click="input?.click()">Choose files</VBtn>
    </header>
    <input
      ref="input"
      type="file"
      multiple
      accept=".json,.jsonl,.csv,.txt,application/json,text/csv"
      class="file"
      aria-label="Files with reports"
      data-log-files
      @change="take(($event.target as HTMLInputElement).files)"
    />
    <p v-if="reading > 0" role="status">
      Reading {{ reading === 1 ? '1 file' : `${reading} files` }} …
    </p>
    <p v-else-if="files.length === 0" class="soft small">
      {{ told }} Drop files here, many at once: drives (<code>smartctl -j -x</code>), disks (<code
        >fio --output-format=json</code
      >), the network (<code>iperf3 -J</code>), a title (<code>ffprobe</code>), CSV with the columns
      at, kind, value and unit, or an exported log.
    </p>
    <template v-else>
      <p v-if="found.length > 0">
        {{
          found.length === 1 ? '1 entry was understood' : `${found.length} entries were understood`
        }}. Nothing is taken yet.
      </p>
      <p v-else>There is nothing to take.</p>
      <ul v-if="found.length > 0" class="found">
        <li v-for="{ entry, file, does } in found.slice(0, mostShown)" :key="entry.id">
          <strong>{{ entryKinds[entry.kind].label }}</strong>
          {{ entryLine(entry, format) }}
          <small class="soft">{{ entry.at.slice(0, 10) }} · {{ file }} · {{ does }}</small>
        </li>
        <li v-if="found.length > mostShown" class="soft">
          and {{ found.length - mostShown }} more
        </li>
      </ul>
      <ul v-if="notes.length > 0" class="notes">
        <li v-for="(note, at) in notes.slice(0, mostShown)" :key="at">
          {{ note.name }}, line {{ note.line }}: {{ note.text }}
        </li>
      </ul>
      <div class="acts">
        <VBtn
          v-if="found.length > 0"
          color="primary"
          variant="flat"
          :disabled="log.saving"
          data-take-reports
          @click="takeAll"
        >
          {{ found.length === 1 ? 'Import it' : `Import all ${found.length}` }}
        </VBtn>
        <VBtn variant="text" @click="files = []">
          {{ found.length > 0 ? 'Import none' : 'Dismiss' }}
        </VBtn>
      </div>
    </template>
    <p v-if="log.problem" role="alert" class="problem">{{ log.problem }}</p>
  </section>
</template>

<style scoped>
.import {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.import.over {
  outline: 2px dashed rgb(var(--v-theme-primary));
}
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
}
.file {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
  pointer-events: none;
}
.found,
.notes {
  list-style: none;
  padding: 0;
  margin: 0;
  max-height: 260px;
  overflow: auto;
}
.found li {
  padding: 4px 0;
  border-bottom: 1px solid rgba(var(--v-theme-hairline), 0.6);
}
.found small {
  display: block;
}
.notes li {
  padding: 3px 0;
  color: rgb(var(--v-theme-state-tight));
}
.acts {
  display: flex;
  gap: 8px;
}
.problem {
  color: rgb(var(--v-theme-error));
}
</style>
