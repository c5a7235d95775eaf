<script setup lang="ts">
import { computed } from 'vue'
import { maxCompared, type useCompared } from '~/composables/useCompared'

/** Two to five plans and ways that stand side by side. */
const props = defineProps<{ of: ReturnType<typeof useCompared> }>()
const { ids, options, otherCurrency, choose } = props.of
const items = computed(() => options.value.map(({ id, label }) => ({ value: id, title: label })))
const model = computed({ get: () => [...ids.value], set: (next: string[]) => choose(next) })
</script>

<template>
  <VSelect
    v-model="model"
    :items="items"
    :label="`Compared, two to ${maxCompared}`"
    multiple
    chips
    hide-details
    class="no-print"
    data-compared
  />
  <p v-for="one in otherCurrency" :key="one.id" class="soft" data-other-currency>
    {{ one.label }} counts in {{ one.plan.brief.currency }} and is left out, because Numeron does
    not exchange currencies.
  </p>
</template>
