<script setup lang="ts">
import { computed } from 'vue'
import type { Plan } from '~~/core/plan/planSchema'
import { useFormat } from '~/composables/useFormat'
import { useWays } from '~/composables/useWays'
import { withBuild } from '~/composables/withBuild'
import { usePlanStore } from '~/stores/planStore'

/** The builds that Tiers finds, one of which takes the place of the machine. */
defineProps<{
  /** which of the two it is */
  label: string
}>()
const emit = defineEmits<{ pick: [plan: Plan | null] }>()
const store = usePlanStore()
const { money } = useFormat()
const { best, running } = useWays()
const choices = computed(() => best.value.filter(({ way, second }) => way !== 'stay' && !second))
function pick(value: string): void {
  const build = choices.value[Number(value)]
  emit('pick', build && store.plan ? withBuild(store.plan, build) : null)
}
</script>

<template>
  <label class="inline-field">
    {{ label }}
    <select data-build @change="pick(($event.target as HTMLSelectElement).value)">
      <option value="">The machine of the plan</option>
      <option v-for="(build, at) in choices" :key="build.label" :value="at">
        {{ build.label }}, {{ money(build.toPay) }} now
      </option>
    </select>
    <span v-if="running" role="status" class="soft small">Tiers is still looking …</span>
  </label>
</template>
