<script setup lang="ts">
import type { WayBuild } from '~~/core/tiers/search/wayBuild'
import WorkingLink from '~/components/common/WorkingLink.vue'
import { useFormat } from '~/composables/useFormat'
import { withBuild } from '~/composables/withBuild'
import { usePlanStore } from '~/stores/planStore'

/**
 * What a build costs, with its working; of two machines the working of each, and the link between
 * them.
 */
const props = defineProps<{ build: WayBuild; of: 'toPay' | 'horizonCost' }>()
const store = usePlanStore()
const { money } = useFormat()
const figureOf = { toPay: 'ownership.purchase', horizonCost: 'ownership.horizonTotal' } as const
const names = { toPay: 'Price now', horizonCost: 'Over the years' } as const
function variantOf(build: Pick<WayBuild, 'plan' | 'label'>) {
  return { plan: withBuild(store.plan!, build), label: `With ${build.label}` }
}
const storing = () =>
  props.build[props.of] -
  (props.build.second ? props.build.second[props.of] + props.build.second.linkPrice : 0)
</script>

<template>
  <template v-if="build.second">
    {{ money(build[of]) }}
    <small class="soft">
      <WorkingLink
        :figure="figureOf[of]"
        :variant="variantOf(build)"
        :name="`${names[of]}, the machine that stores`"
        >{{ money(storing()) }}</WorkingLink
      >
      +
      <WorkingLink
        :figure="figureOf[of]"
        :variant="variantOf(build.second)"
        :name="`${names[of]}, ${build.second.label}`"
        >{{ money(build.second[of]) }}</WorkingLink
      >
      + {{ money(build.second.linkPrice) }} link
    </small>
  </template>
  <WorkingLink
    v-else
    :figure="figureOf[of]"
    :variant="variantOf(build)"
    :name="`${names[of]}, ${build.label}`"
  >
    {{ money(build[of]) }}
  </WorkingLink>
</template>

<style scoped>
small {
  display: block;
  white-space: nowrap;
}
</style>
