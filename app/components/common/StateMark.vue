<script setup lang="ts">
import { computed } from 'vue'
import type { VerdictState } from '~~/core/verdict'
import { stateMarks } from './stateMarks'

const props = defineProps<{ state: VerdictState; small?: boolean }>()
const mark = computed(() => stateMarks[props.state])
</script>

<template>
  <span class="state-mark" :class="[`is-${state}`, { small }]">
    <svg viewBox="0 0 16 16" aria-hidden="true"><path :d="mark.path" /></svg>
    <span>{{ mark.word }}</span>
  </span>
</template>

<style scoped>
.state-mark {
  display: inline-flex;
  align-items: center;
  gap: 4px;
  font-weight: 650;
  white-space: nowrap;
  color: var(--state);
  vertical-align: bottom;
}
.state-mark svg {
  width: 14px;
  height: 14px;
  flex: none;
  fill: var(--state);
}
.state-mark.small {
  font-size: 0.8rem;
}
.is-ample {
  --state: rgb(var(--v-theme-state-ample));
}
.is-enough {
  --state: rgb(var(--v-theme-state-enough));
}
.is-tight {
  --state: rgb(var(--v-theme-state-tight));
}
.is-short {
  --state: rgb(var(--v-theme-state-short));
}
.is-impossible {
  --state: rgb(var(--v-theme-state-impossible));
}
.is-unknown {
  --state: rgb(var(--v-theme-state-unknown));
}
</style>
