<script setup lang="ts">
import { views } from '~/composables/views'

const open = defineModel<boolean>({ required: true })
const keys = [
  ['?', 'This list'],
  ['Ctrl Z, Ctrl Shift Z', 'Undo, redo (outside a text field)'],
  ['Ctrl K', 'Find a view, field, figure, action or plan'],
  ['T', 'Pin what is being previewed, or drop the pin'],
  ['P', 'Play or pause an evening'],
  [', .', 'Event before, event after in an evening'],
  [`Alt 1 to Alt 9, Alt 0`, `Go to a view: ${views.map(view => view.label).join(', ')}`],
  ['Arrow keys', 'Move a handle in a picture: horizon, conversions, seats, hours'],
  ['Enter', 'Show the working of a figure or a bar'],
  ['Esc', 'Close a panel or the inspector'],
  ["Arrow keys on the inspector's heading", 'Go to the next or previous entry'],
]
</script>

<template>
  <VDialog v-model="open" max-width="560" aria-label="Keyboard shortcuts">
    <div class="sheet">
      <h2>Keyboard shortcuts</h2>
      <table class="data-table">
        <tbody>
          <tr v-for="[key, what] in keys" :key="key">
            <td>
              <kbd>{{ key }}</kbd>
            </td>
            <td>{{ what }}</td>
          </tr>
        </tbody>
      </table>
      <VBtn color="primary" @click="open = false"> Close </VBtn>
    </div>
  </VDialog>
</template>

<style scoped>
kbd {
  font-family: inherit;
  font-weight: 600;
  white-space: nowrap;
}
</style>
