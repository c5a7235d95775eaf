<script setup lang="ts" generic="Row">
import { ref, shallowRef } from 'vue'
import { mdiUpload } from '@mdi/js'
import type { RowProblem } from '~~/core/formats/csvTable'
import { useFormat } from '~/composables/useFormat'

/**
 * A file is read off the page; what is wrong with each row is listed, the good rows are offered,
 * and nothing changes until they are applied.
 */
const props = defineProps<{
  label: string
  /** what a row is: 'part' */
  what: string
  read: (text: string) => Promise<{
    readonly parts: readonly Row[]
    readonly problems: readonly RowProblem[]
    readonly moreProblems: number
  }>
  /** buttons: what is done with the good rows */
  actions: readonly {
    readonly label: string
    readonly run: (rows: readonly Row[]) => string | null
  }[]
}>()
const { number } = useFormat()
const limitBytes = 30e6
const reading = ref(false)
const refused = ref('')
const result = shallowRef<Awaited<ReturnType<typeof props.read>> | null>(null)
let latest = 0

async function pick(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  result.value = null
  refused.value = ''
  if (file.size > limitBytes) {
    refused.value =
      `The file is ${number(file.size / 1e6, 3)} MB; at most ${number(limitBytes / 1e6)} MB ` +
      'are read.'
    return
  }
  const mine = ++latest
  reading.value = true
  try {
    const found = await props.read(await file.text())
    if (mine === latest) result.value = found
  } catch {
    refused.value = 'The file could not be read. Nothing was changed.'
  } finally {
    if (mine === latest) reading.value = false
  }
}
function cancel(): void {
  latest++
  reading.value = false
  result.value = null
}
function run(action: (typeof props.actions)[number]): void {
  refused.value = action.run(result.value?.parts ?? []) ?? ''
  if (!refused.value) result.value = null
}
const rows = (count: number) => `${number(count)} ${props.what}${count === 1 ? '' : 's'}`
</script>

<template>
  <div class="csv">
    <label class="choose no-print">
      <VIcon :icon="mdiUpload" size="18" />
      <span>{{ label }}</span>
      <input type="file" accept=".csv,.tsv,.txt,text/csv" class="visually-hidden" @change="pick" />
    </label>
    <p v-if="reading" class="soft">Reading … <VBtn size="small" @click="cancel"> Cancel </VBtn></p>
    <p v-if="refused" role="alert" class="refused">
      {{ refused }}
    </p>
    <section v-if="result" class="result" aria-live="polite">
      <p>
        <strong>{{
          result.parts.length === 0
            ? `No ${what} can be taken from this file.`
            : `${rows(result.parts.length)} can be taken from this file.`
        }}</strong>
        {{
          result.problems.length + result.moreProblems === 0
            ? ''
            : `${number(result.problems.length + result.moreProblems)} ${result.problems.length + result.moreProblems === 1 ? 'row has a problem' : 'rows have problems'}. Nothing is changed yet.`
        }}
      </p>
      <ol v-if="result.problems.length">
        <li
          v-for="problem in result.problems.slice(0, 50)"
          :key="`${problem.line} ${problem.message}`"
        >
          Line {{ problem.line }}: {{ problem.message }}
        </li>
      </ol>
      <p v-if="result.problems.length + result.moreProblems > 50" class="soft small">
        {{ number(result.problems.length + result.moreProblems - 50) }} more problems are not
        listed.
      </p>
      <div class="buttons">
        <template v-if="result.parts.length">
          <VBtn
            v-for="action in actions"
            :key="action.label"
            size="small"
            color="primary"
            variant="outlined"
            @click="run(action)"
          >
            {{ action.label }}
          </VBtn>
        </template>
        <VBtn size="small" @click="cancel"> Dismiss </VBtn>
      </div>
    </section>
  </div>
</template>

<style scoped>
.choose {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  cursor: pointer;
  color: rgb(var(--v-theme-primary));
  min-height: 32px;
  font-weight: 600;
}
.choose:focus-within {
  outline: 2px solid rgb(var(--v-theme-primary));
  outline-offset: 2px;
}
.result {
  border-left: 4px solid rgb(var(--v-theme-primary));
  padding: 4px 12px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
ol {
  max-height: 220px;
  overflow-y: auto;
  padding-left: 20px;
  font-size: 0.88rem;
  overflow-wrap: anywhere;
}
.refused {
  color: rgb(var(--v-theme-error));
}
.buttons {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
</style>
