<script setup lang="ts">
import type { Figure } from '~~/core/figure'
import type { Variant } from '~/stores/workingStore'
import WorkingLink from './WorkingLink.vue'

/** Figures that no assessment holds, a line each; pressed, each shows its working. */
defineProps<{
  figures: readonly Figure[]
  variant: Variant | null
  /** the value as it is read */ write: (figure: Figure) => string
}>()
</script>

<template>
  <dl class="told">
    <template v-for="figure in figures" :key="figure.id">
      <dt>{{ figure.label }}</dt>
      <dd>
        <WorkingLink :figure="figure.id" :variant="variant" :name="figure.label">
          {{ write(figure) }}
        </WorkingLink>
      </dd>
    </template>
  </dl>
</template>

<style scoped>
.told {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 5px 16px;
  margin: 10px 0;
}
dd {
  margin: 0;
  font-weight: 600;
  text-align: right;
}
</style>
