<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'

/** A chart with its title, and the same numbers as a table for those who cannot see it. */
defineProps<{ title: string; columns: readonly string[]; rows: readonly (readonly string[])[] }>()
const body = ref<HTMLElement | null>(null)
const usualWidth = 640
const { width: measured } = useElementSize(body, { width: usualWidth, height: 0 })
// Nothing is measured while the table stands in its place.
const width = computed(() => Math.round(measured.value) || usualWidth)
const asTable = ref(false)
</script>

<template>
  <figure class="chart-frame sheet">
    <figcaption>
      <h2>{{ title }}</h2>
      <button type="button" class="plain-button toggle small no-print" @click="asTable = !asTable">
        {{ asTable ? 'Show as chart' : 'Show as table' }}
      </button>
    </figcaption>
    <div v-show="!asTable" ref="body">
      <slot :width="width" />
    </div>
    <div v-if="asTable" class="scroll" tabindex="0" role="region" :aria-label="title">
      <table class="data-table">
        <thead>
          <tr>
            <th
              v-for="(column, index) in columns"
              :key="column"
              scope="col"
              :class="{ number: index > 0 }"
            >
              {{ column }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row[0]">
            <td v-for="(cell, index) in row" :key="index" :class="{ number: index > 0 }">
              {{ cell }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <slot name="below" />
  </figure>
</template>

<style scoped>
.chart-frame {
  margin: 0;
  min-width: 0;
}
figcaption {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 12px;
  margin-bottom: 8px;
}
.toggle {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline;
  white-space: nowrap;
}
.scroll {
  max-height: 320px;
  overflow: auto;
}
</style>
