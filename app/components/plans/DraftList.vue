<script setup lang="ts">
import { ref } from 'vue'
import type { DraftEntry, DraftState } from '~/composables/useDrafts'
import { downloadText, planFileName } from '~/composables/planDownload'

/**
 * Changes that lie in this browser and not on the server: what each holds, and what can be done
 * with it.
 */
defineProps<{ drafts: readonly DraftEntry[] }>()
defineEmits<{ saveAsNew: [entry: DraftEntry]; discard: [key: string] }>()
const asked = ref<string | null>(null)

const texts: Readonly<Record<DraftState, string>> = {
  ready: '',
  changed: 'The plan was saved elsewhere since; you can compare both when you open it.',
  gone: 'The plan was deleted since.',
  unreachable: 'The server does not answer.',
  unreadable: 'This version of Numeron cannot read it; it is kept as it is.',
}
function holds({ kept, fields, state }: DraftEntry): string {
  const when = new Intl.DateTimeFormat(undefined, {
    dateStyle: 'medium',
    timeStyle: 'short',
  }).format(kept.at)
  const what =
    fields === null
      ? ''
      : fields === 0
        ? 'It is the same as what is saved. '
        : `${fields === 1 ? 'One field differs' : `${fields} fields differ`} from what is saved. `
  const waits =
    kept.isOwn && (state === 'ready' || state === 'unreachable')
      ? ' It will be saved as soon as the server answers.'
      : ''
  return `Kept ${when}. ${what}${texts[state]}${waits}`.trim()
}
function exportDraft({ kept }: DraftEntry): void {
  downloadText(
    kept.draft ? planFileName(kept.draft.plan) : 'draft.json',
    `${typeof kept.raw === 'string' ? kept.raw : JSON.stringify(kept.draft?.plan ?? kept.raw, null, 2)}\n`,
  )
}
</script>

<template>
  <section class="sheet drafts" aria-label="Changes that are not saved yet" data-drafts>
    <h2>Changes that are not saved yet</h2>
    <ul>
      <li v-for="entry in drafts" :key="entry.kept.key" :data-draft="entry.state">
        <p>
          <strong>{{ entry.name || 'A draft' }}</strong>
          <span class="soft small">{{ holds(entry) }}</span>
        </p>
        <div class="ways">
          <VBtn
            v-if="entry.state === 'ready' || entry.state === 'changed'"
            size="small"
            variant="outlined"
            color="primary"
            :to="`/plans/${entry.kept.planId}`"
            :aria-label="`Open with these changes: ${entry.name}`"
          >
            Open with these changes
          </VBtn>
          <VBtn
            v-if="entry.kept.draft && entry.state !== 'unreachable'"
            size="small"
            variant="outlined"
            color="primary"
            :aria-label="`Save as a new plan: ${entry.name}`"
            @click="$emit('saveAsNew', entry)"
          >
            Save as a new plan
          </VBtn>
          <VBtn
            size="small"
            variant="outlined"
            :aria-label="`Export: ${entry.name || 'a draft'}`"
            @click="exportDraft(entry)"
          >
            Export
          </VBtn>
          <VBtn
            v-if="asked !== entry.kept.key"
            size="small"
            variant="text"
            :aria-label="`Discard: ${entry.name || 'a draft'}`"
            @click="asked = entry.kept.key"
          >
            Discard
          </VBtn>
          <VBtn
            v-else
            size="small"
            variant="flat"
            color="error"
            @click="$emit('discard', entry.kept.key)"
          >
            Discard for good
          </VBtn>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.drafts {
  border-left: 4px solid rgb(var(--v-theme-state-tight));
  display: flex;
  flex-direction: column;
  gap: 10px;
}
ul {
  list-style: none;
  padding: 0;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 6px;
}
</style>
