<script setup lang="ts">
import { computed, ref } from 'vue'
import { mdiUpload } from '@mdi/js'
import { catalogue } from '~~/core/catalogue/catalogue'
import { readWorkTable } from '~~/core/formats/workTable'
import { fieldElementId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** Where the coefficients of a conversion come from, and another table in their place. */
const store = usePlanStore()
const problems = ref<readonly string[]>([])
const own = computed(() => store.plan?.calibration.workTable ?? null)

async function pick(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (!file) return
  if (file.size > 1_000_000) {
    problems.value = ['A work table has at most 1 MB.']
    return
  }
  const read = readWorkTable(await file.text())
  problems.value = read.ok ? [] : read.problems
  if (read.ok)
    problems.value = [store.edit('calibration.workTable', read.file) ?? ''].filter(Boolean)
}
</script>

<template>
  <section
    :id="fieldElementId('calibration.workTable')"
    class="sheet table"
    tabindex="-1"
    data-work-table
  >
    <h2>Where the work comes from</h2>
    <p class="small">
      {{ own ? 'A table of your own: ' : '' }}{{ own ? own.source : catalogue.workTable.source }}
    </p>
    <p v-if="own?.modelError?.median !== undefined" class="soft small">
      Its median error on its own measured cases is
      {{ Math.round(own.modelError.median * 1000) / 10 }} %.
    </p>
    <div class="actions">
      <VBtn
        :prepend-icon="mdiUpload"
        size="small"
        variant="outlined"
        tag="label"
        for="work-table-file"
      >
        Import another table
      </VBtn>
      <input
        id="work-table-file"
        class="visually-hidden"
        type="file"
        accept=".json,application/json"
        aria-label="Choose a work table"
        @change="pick"
      />
      <VBtn v-if="own" size="small" @click="store.edit('calibration.workTable', null)">
        Use the built-in table
      </VBtn>
    </div>
    <ul v-if="problems.length" class="problem small" role="alert">
      <li v-for="problem in problems.slice(0, 12)" :key="problem">
        {{ problem }}
      </li>
    </ul>
    <p class="soft small">
      <code>npm run measure-work</code> measures the coefficients anew on the computer it runs on
      and writes such a file.
    </p>
  </section>
</template>

<style scoped>
.table {
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: flex-start;
}
.actions {
  display: flex;
  gap: 8px;
  align-items: center;
}
.problem {
  border-left: 4px solid rgb(var(--v-theme-state-short));
  padding: 4px 12px 4px 28px;
}
</style>
