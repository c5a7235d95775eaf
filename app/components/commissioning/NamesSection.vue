<script setup lang="ts">
import { computed, ref } from 'vue'
import { downloadText, planFileStem } from '~/composables/planDownload'
import { useFormat } from '~/composables/useFormat'
import { useNames } from '~/composables/useNames'
import { useRunBook } from '~/composables/useRunBook'
import { usePlanStore } from '~/stores/planStore'
import NamesFindings from './NamesFindings.vue'
import NamesQuestions from './NamesQuestions.vue'
import NamesTree from './NamesTree.vue'

/** Folders and names: a list of files is checked, corrected, and given back as a script. */
const store = usePlanStore()
const names = useNames()
const { state, share, message, name, summary, rows, total, filter, takenRules, isEncrypted } = names
const { progress, become } = useRunBook()
const { number, share: percent } = useFormat()
const input = ref<HTMLInputElement | null>(null)
const isOver = ref(false)
const command = "find . -type f -printf '%s\\t%p\\n' > files.txt"

function dropped(event: DragEvent): void {
  isOver.value = false
  const list = event.dataTransfer?.files[0]
  if (list) void names.read(list)
}
function chosen(): void {
  const list = input.value?.files?.[0]
  if (list) void names.read(list)
  if (input.value) input.value.value = ''
}
const count = (of: number, one: string, many: string) => `${number(of)} ${of === 1 ? one : many}`
const sentence = computed(() => {
  const found = summary.value
  if (!found) return ''
  const { files, right, taken, left, moves, questionCount } = found
  const parts = [
    `${count(right, 'name is', 'names are')} right`,
    ...(taken + moves > 0 ? [`${count(taken + moves, 'gets', 'get')} another`] : []),
    ...(left > 0 ? [`${count(left, 'is', 'are')} to be confirmed`] : []),
    ...(questionCount > 0 ? [`${count(questionCount, 'question is', 'questions are')} open`] : []),
  ]
  return `Of ${count(files, 'file', 'files')} in ${name.value}: ${parts.join(', ')}.`
})
const isRight = computed(
  () => summary.value !== null && summary.value.right === summary.value.files,
)
const step = computed(
  () => progress.value.steps.find(entry => entry.step.id === 'folders.names') ?? null,
)
const stem = computed(() => planFileStem(store.plan ?? { name: '' }))
async function save(which: 'script' | 'csv' | 'moves'): Promise<void> {
  const text = await names.file(which)
  const [ending, type] = which === 'script' ? ['sh', 'text/x-shellscript'] : ['csv', 'text/csv']
  const what = which === 'moves' ? 'moves' : 'names'
  if (text) downloadText(`${stem.value}-${what}.${ending}`, text, type)
}
</script>

<template>
  <div class="names" data-names>
    <section class="sheet">
      <h2>Where each kind lies, and how it is named</h2>
      <NamesTree
        :summary="summary"
        :top="filter.top"
        @pick="names.show({ ...filter, top: $event })"
      />
      <p v-if="sentence" class="sentence" data-names-sentence>{{ sentence }}</p>
      <p v-for="note in summary?.notes ?? []" :key="note" class="soft small">{{ note }}</p>
      <p v-if="summary && summary.root" class="soft small">
        All paths begin with {{ summary.root }}; it is left out here, and the script is started
        there.
      </p>
      <p v-if="summary && summary.overFat32 > 0" class="soft small">
        {{ count(summary.overFat32, 'file is', 'files are') }} too large for a FAT32 medium.
      </p>
      <p v-if="summary && summary.hidden.length > 0" class="soft small">
        {{ count(summary.hidden.length, 'file is', 'files are') }} hidden by a dot and left alone:
        {{ summary.hidden.slice(0, 3).join(', ') }}{{ summary.hidden.length > 3 ? ' …' : '' }}
      </p>
      <div
        class="drop no-print"
        :class="{ over: isOver }"
        data-names-drop
        @dragover.prevent="isOver = true"
        @dragleave="isOver = false"
        @drop.prevent="dropped"
      >
        <template v-if="state === 'working'">
          <VProgressLinear :model-value="100 * share" aria-label="Checked so far" height="6" />
          <span class="small">{{ percent(share) }} of {{ name }}</span>
          <VBtn size="small" variant="text" @click="names.reset()">Cancel</VBtn>
        </template>
        <template v-else>
          <span>Drop a list of your files here: the output of find, a table, or a scan.</span>
          <code class="small">{{ command }}</code>
          <span class="acts">
            <VBtn size="small" variant="outlined" color="primary" @click="input?.click()">
              Choose a list
            </VBtn>
            <VBtn size="small" variant="text" data-names-example @click="names.readExample()">
              Try an invented list
            </VBtn>
            <VBtn v-if="summary" size="small" variant="text" @click="names.reset()">
              Put it away
            </VBtn>
          </span>
          <span class="soft small">The list stays in this browser; nothing of it is kept.</span>
        </template>
        <input ref="input" type="file" hidden aria-label="List of files" @change="chosen" />
      </div>
      <p v-if="state === 'failed'" role="alert" class="failed" data-names-failed>{{ message }}</p>
      <VBtn
        v-if="isRight && step && !step.isOver"
        size="small"
        variant="outlined"
        color="primary"
        @click="become('folders.names', 'done')"
      >
        Tick the step in the run-book
      </VBtn>
    </section>
    <NamesQuestions
      v-if="summary && summary.questions.length > 0"
      :questions="summary.questions"
      :count="summary.questionCount"
      @answer="names.answer"
      @correct="names.correct"
    />
    <NamesFindings
      v-if="summary"
      :summary="summary"
      :rows="rows"
      :total="total"
      :filter="filter"
      :taken-rules="takenRules"
      @show="names.show"
      @more="names.showMore"
      @take="names.take"
      @take-rule="names.takeRule"
      @correct="names.correct"
    />
    <section v-if="summary" class="sheet" data-names-files>
      <h2>To give the files their names</h2>
      <p>
        The script only prints unless it is called with <code>run</code>. It looks that every file
        is there and no new name is taken, stops at the first error, and writes a script that takes
        everything back. Names are given before copying, at the source; its copy stays untouched
        until a restore was tried.
      </p>
      <div class="acts no-print">
        <VBtn
          size="small"
          variant="outlined"
          color="primary"
          :disabled="summary.taken === 0"
          data-export="script"
          @click="save('script')"
        >
          Script with {{ count(summary.taken, 'name', 'names') }}
        </VBtn>
        <VBtn
          size="small"
          variant="outlined"
          :disabled="summary.taken === 0"
          data-export="names"
          @click="save('csv')"
        >
          The same as CSV
        </VBtn>
        <VBtn
          v-if="summary.moves > 0"
          size="small"
          variant="outlined"
          data-export="moves"
          @click="save('moves')"
        >
          {{ count(summary.moves, 'move', 'moves') }} between top folders as CSV
        </VBtn>
      </div>
      <p v-if="summary.moves > 0" class="soft small">
        A move to another top folder is copied, compared and only then deleted: it may be another
        file system.
      </p>
      <VSwitch
        :model-value="isEncrypted"
        label="Names have to fit an encrypted folder"
        color="primary"
        density="compact"
        hide-details
        @update:model-value="names.encrypt(Boolean($event))"
      />
    </section>
  </div>
</template>

<style scoped>
.names {
  display: grid;
  gap: 16px;
  min-width: 0;
}
.names > * {
  min-width: 0;
}
.sentence {
  font-size: 1.02rem;
  margin: 10px 0 4px;
}
.drop {
  display: grid;
  gap: 8px;
  justify-items: start;
  border: 2px dashed rgba(var(--v-theme-ink-soft), 0.5);
  border-radius: 6px;
  padding: 14px;
  margin-top: 12px;
}
.drop.over {
  border-color: rgb(var(--v-theme-primary));
}
.drop code {
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 8px 0;
}
.drop .acts {
  margin: 0;
}
.failed {
  color: rgb(var(--v-theme-state-short));
}
</style>
