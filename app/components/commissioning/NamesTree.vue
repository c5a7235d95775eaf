<script setup lang="ts">
import { computed } from 'vue'
import { treeFolders } from '~~/core/commissioning/names/topFolders'
import { nameStates, type NameState, type NameSummary } from '~/services/namesWork'
import { useFormat } from '~/composables/useFormat'

/** The tree by its top folders: how many files of each are named right, and what is to be done. */
const props = defineProps<{ summary: NameSummary | null; top: string | null }>()
const emit = defineEmits<{ pick: [top: string | null] }>()
const { number } = useFormat()

const words: Readonly<Record<NameState, string>> = {
  right: 'right',
  sure: 'get another name',
  confirm: 'to be confirmed',
  ask: 'asked',
  leaveOut: 'left out',
  told: 'told',
}
const lines = computed(() => {
  const states = props.summary?.states ?? {}
  const known = treeFolders.map(({ id, pattern }) => ({ id, label: pattern }))
  const all = [...known, ...(states[''] ? [{ id: '', label: 'in none of them' }] : [])]
  return all.map(({ id, label }) => {
    const counts = states[id]
    const files = counts ? nameStates.reduce((sum, state) => sum + counts[state], 0) : 0
    return { id, label, files, counts }
  })
})
const most = computed(() => Math.max(1, ...lines.value.map(({ files }) => files)))
const told = (counts: Readonly<Record<NameState, number>> | undefined) =>
  nameStates
    .filter(state => (counts?.[state] ?? 0) > 0)
    .map(state => `${number(counts![state])} ${words[state]}`)
    .join(', ')
</script>

<template>
  <div data-names-tree>
    <ul class="tree">
      <li v-for="line in lines" :key="line.id" :class="{ empty: summary && line.files === 0 }">
        <button
          type="button"
          class="plain-button"
          :disabled="line.files === 0"
          :aria-pressed="top === line.id"
          :data-top="line.id"
          @click="emit('pick', top === line.id ? null : line.id)"
        >
          <span class="pattern">{{ line.label }}</span>
        </button>
        <span class="bar" role="img" :aria-label="told(line.counts) || 'no files'">
          <i
            v-for="state in nameStates.filter(state => (line.counts?.[state] ?? 0) > 0)"
            :key="state"
            :class="state"
            :style="{ width: `${(100 * (line.counts?.[state] ?? 0)) / most}%` }"
          />
        </span>
        <span class="soft small">{{
          line.files > 0 ? told(line.counts) : summary ? '–' : ''
        }}</span>
      </li>
    </ul>
    <p v-if="summary" class="legend small">
      <span v-for="state in nameStates" :key="state"><i :class="state" /> {{ words[state] }}</span>
    </p>
  </div>
</template>

<style scoped>
.tree {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 4px;
}
.tree li {
  display: grid;
  grid-template-columns: 240px minmax(120px, 1fr) minmax(0, 1.4fr);
  gap: 12px;
  align-items: center;
}
.pattern {
  font-size: 0.88rem;
  font-variant-numeric: tabular-nums;
}
button {
  text-align: left;
}
button[aria-pressed='true'] .pattern {
  text-decoration: underline solid rgb(var(--v-theme-primary)) 2px;
  text-underline-offset: 3px;
}
button:hover:enabled .pattern {
  text-decoration: underline;
}
.empty {
  opacity: 0.6;
}
.bar {
  display: flex;
  height: 14px;
  background: rgba(var(--v-theme-ink-soft), 0.08);
}
.bar i {
  min-width: 0;
}
i {
  display: inline-block;
  box-sizing: border-box;
}
.legend i {
  width: 22px;
  height: 12px;
  vertical-align: -1px;
}
/* Filled is done, hatched is work, hollow is a question. */
i.right {
  background: rgb(var(--v-theme-primary));
}
i.sure {
  background: repeating-linear-gradient(
    90deg,
    rgb(var(--v-theme-primary)) 0 3px,
    rgba(var(--v-theme-primary), 0.25) 3px 6px
  );
}
i.confirm {
  background: repeating-linear-gradient(
    45deg,
    rgb(var(--v-theme-state-tight)) 0 2px,
    rgba(var(--v-theme-state-tight), 0.15) 2px 6px
  );
}
i.ask {
  border: 2px solid rgb(var(--v-theme-state-tight));
}
i.leaveOut {
  background: rgba(var(--v-theme-ink-soft), 0.35);
}
i.told {
  border: 1px dashed rgb(var(--v-theme-ink-soft));
}
.bar i.ask,
.bar i.told {
  border-inline-width: 1px;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin-top: 8px;
}
@media (max-width: 760px) {
  .tree li {
    grid-template-columns: minmax(0, 1fr);
    gap: 2px;
    margin-bottom: 6px;
  }
}
</style>
