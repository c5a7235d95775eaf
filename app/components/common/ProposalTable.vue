<script setup lang="ts" generic="Row">
import type { Plan } from '~~/core/plan/planSchema'
import { useProposal } from '~/composables/useProposal'

/**
 * Choices in rows, each a changed plan: under the pointer or focus it is tried on the headroom
 * line, and one press applies it.
 */
const props = defineProps<{
  label: string
  /** the first names the row */
  columns: readonly { readonly id: string; readonly label: string; readonly isNumber?: boolean }[]
  rows: readonly Row[]
  keyOf: (row: Row) => string
  nameOf: (row: Row) => string
  /** null where there is nothing to apply */
  planOf: (row: Row) => Plan | null
  /** whether the plan has it already */
  isIn?: (row: Row) => boolean
  /** whether it will not do */
  isOut?: (row: Row) => boolean
  /** what rows are called in the page: `data-…` */
  mark: string
}>()
defineSlots<Record<string, (props: { row: Row }) => unknown>>()
const { look, apply } = useProposal()
const proposed = (row: Row) => (props.isIn?.(row) ? null : props.planOf(row))
</script>

<template>
  <div class="scroll" tabindex="0" role="region" :aria-label="label">
    <table class="data-table" @pointerleave="look(null)">
      <thead>
        <tr>
          <th
            v-for="column in columns"
            :key="column.id"
            scope="col"
            :class="{ number: column.isNumber }"
          >
            {{ column.label }}
          </th>
          <th scope="col">
            <span class="visually-hidden">Apply</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="row in rows"
          :key="keyOf(row)"
          v-bind="{ [`data-${mark}`]: keyOf(row) }"
          :class="{ here: isIn?.(row), out: isOut?.(row) }"
          @pointerenter="look(proposed(row))"
          @focusin="look(proposed(row))"
          @focusout="look(null)"
        >
          <component
            :is="at === 0 ? 'th' : 'td'"
            v-for="(column, at) in columns"
            :key="column.id"
            :scope="at === 0 ? 'row' : undefined"
            :class="{ number: column.isNumber }"
          >
            <slot :name="column.id" :row="row" />
          </component>
          <td class="no-print">
            <span v-if="isIn?.(row)">in the plan</span>
            <VBtn
              v-else-if="planOf(row)"
              size="x-small"
              variant="outlined"
              color="primary"
              :aria-label="`Apply: ${nameOf(row)}`"
              @click="apply(planOf(row))"
            >
              Apply
            </VBtn>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  position: relative;
  overflow-x: auto;
  margin-bottom: 10px;
}
tbody th {
  font-size: 0.9rem;
  color: inherit;
  font-weight: 600;
  vertical-align: top;
}
td.number {
  white-space: nowrap;
}
tbody tr:hover,
tbody tr:focus-within {
  background: rgba(var(--v-theme-primary), 0.08);
}
.here {
  background: rgba(var(--v-theme-primary), 0.1);
}
.out,
.out th {
  color: rgb(var(--v-theme-ink-soft));
}
</style>
