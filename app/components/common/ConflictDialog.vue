<script setup lang="ts">
import { computed } from 'vue'
import { navigateTo } from '#imports'
import { planDifferences } from '~~/core/plan/differences'
import { usePlanStore } from '~/stores/planStore'

/**
 * The plan was saved elsewhere since it was read here: both versions side by side, and a clear
 * choice.
 */
const store = usePlanStore()
const differences = computed(() =>
  store.conflict && store.plan ? planDifferences(store.plan, store.conflict.plan) : [],
)
const shownAtMost = 12

function text(value: unknown): string {
  if (value === null || value === undefined) return 'empty'
  if (Array.isArray(value)) return `${value.length} entries`
  return typeof value === 'object' ? 'changed' : String(value)
}
async function settle(how: 'mine' | 'theirs' | 'both'): Promise<void> {
  const copy = await store.settle(how)
  if (copy) await navigateTo(`/plans/${copy}`)
}
</script>

<template>
  <VDialog
    :model-value="store.conflict !== null"
    persistent
    max-width="640"
    role="alertdialog"
    aria-labelledby="conflict-title"
  >
    <div class="sheet">
      <h2 id="conflict-title">This plan was changed elsewhere</h2>
      <p>
        It was saved in another tab or browser after you opened it here. Nothing was overwritten.
        Both versions are still whole:
      </p>
      <div class="scroll">
        <table class="data-table">
          <thead>
            <tr>
              <th scope="col">Field</th>
              <th scope="col">In this tab</th>
              <th scope="col">Saved</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="difference in differences.slice(0, shownAtMost)" :key="difference.path">
              <td>{{ difference.label }}</td>
              <td>{{ text(difference.mine) }}</td>
              <td>{{ text(difference.theirs) }}</td>
            </tr>
          </tbody>
        </table>
        <p v-if="differences.length > shownAtMost" class="soft small">
          and {{ differences.length - shownAtMost }} more
        </p>
        <p v-if="!differences.length" class="soft small">Both hold the same values.</p>
      </div>
      <div class="choices">
        <VBtn variant="outlined" color="primary" @click="settle('both')">
          Store mine as a second plan
        </VBtn>
        <VBtn variant="outlined" @click="settle('theirs')">
          Load the saved plan and drop mine
        </VBtn>
        <VBtn variant="outlined" @click="settle('mine')"> Replace the saved plan with mine </VBtn>
      </div>
    </div>
  </VDialog>
</template>

<style scoped>
.sheet {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.sheet p {
  margin: 0;
}
.scroll {
  max-height: 300px;
  overflow: auto;
}
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  justify-content: flex-end;
}
</style>
