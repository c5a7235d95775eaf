<script setup lang="ts">
import { nameRules, type NameRuleId } from '~~/core/commissioning/names/nameRules'
import type { NameFilter, NameRow, NameSummary } from '~/services/namesWork'
import { useFormat } from '~/composables/useFormat'

/** What is proposed, by rule: taken or left one by one, all alike at once, or written by hand. */
defineProps<{
  summary: NameSummary
  rows: readonly NameRow[]
  total: number
  filter: NameFilter
  takenRules: readonly NameRuleId[]
}>()
const emit = defineEmits<{
  show: [filter: NameFilter]
  more: []
  take: [path: string, isTaken: boolean]
  takeRule: [rule: NameRuleId, isTaken: boolean]
  correct: [path: string, to: string]
}>()
const { number } = useFormat()
const isRename = ({ state }: NameRow) => state === 'sure' || state === 'confirm'
</script>

<template>
  <section class="sheet" data-names-findings>
    <h2>What is proposed</h2>
    <div class="chips" role="group" aria-label="By rule">
      <VBtn
        size="small"
        :variant="filter.rule === null ? 'flat' : 'outlined'"
        color="primary"
        :aria-pressed="filter.rule === null"
        @click="emit('show', { ...filter, rule: null })"
      >
        All
      </VBtn>
      <VBtn
        v-for="entry in summary.rules"
        :key="entry.rule"
        size="small"
        :variant="filter.rule === entry.rule ? 'flat' : 'outlined'"
        color="primary"
        :aria-pressed="filter.rule === entry.rule"
        :data-rule-chip="entry.rule"
        @click="emit('show', { ...filter, rule: entry.rule })"
      >
        {{ nameRules[entry.rule] }} · {{ number(entry.sure + entry.confirm) }}
      </VBtn>
    </div>
    <p v-for="entry in summary.rules" v-show="filter.rule === entry.rule" :key="entry.rule">
      <template v-if="entry.confirm > 0">
        {{ number(entry.confirm) }} to be confirmed.
        <VBtn
          size="small"
          variant="outlined"
          color="primary"
          data-take-rule
          @click="emit('takeRule', entry.rule, !takenRules.includes(entry.rule))"
        >
          {{ takenRules.includes(entry.rule) ? 'Leave them all' : 'Take them all' }}
        </VBtn>
      </template>
    </p>
    <p v-if="total === 0" class="soft">Nothing is proposed here.</p>
    <ul class="rows">
      <li v-for="row in rows" :key="`${row.path} ${row.state}`" :data-name-row="row.state">
        <VCheckbox
          v-if="isRename(row)"
          :model-value="row.isTaken"
          :aria-label="`Take the new name of ${row.path}`"
          density="compact"
          hide-details
          @update:model-value="emit('take', row.path, Boolean($event))"
        />
        <span v-else class="no-box" />
        <div class="names">
          <span class="from">{{ row.path }}</span>
          <input
            v-if="isRename(row)"
            class="to"
            :value="row.to"
            :aria-label="`New name of ${row.path}`"
            spellcheck="false"
            @change="emit('correct', row.path, ($event.target as HTMLInputElement).value)"
          />
          <span class="soft small">
            {{ row.rule ? nameRules[row.rule] : ''
            }}{{ row.state === 'confirm' ? ', to be confirmed' : ''
            }}{{ row.clashes ? ': another file gets the same name, so neither is taken' : ''
            }}{{ row.sentence ? `. ${row.sentence}` : '' }}
          </span>
        </div>
      </li>
    </ul>
    <VBtn v-if="rows.length < total" size="small" variant="text" @click="emit('more')">
      Show more of {{ number(total) }}
    </VBtn>
  </section>
</template>

<style scoped>
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 6px 0 10px;
}
.rows {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 6px;
}
.rows li {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr);
  gap: 4px;
  align-items: start;
}
.names {
  display: grid;
  gap: 1px;
  min-width: 0;
}
.from {
  font-size: 0.86rem;
  overflow-wrap: anywhere;
  white-space: pre-wrap;
}
.to {
  font: inherit;
  font-weight: 600;
  color: inherit;
  background: rgba(var(--v-theme-primary), 0.07);
  border: 0;
  border-bottom: 1px solid rgba(var(--v-theme-primary), 0.5);
  padding: 2px 6px;
  width: 100%;
  min-width: 0;
}
.to:focus-visible {
  outline: 2px solid rgb(var(--v-theme-primary));
}
</style>
