<script setup lang="ts">
import { computed } from 'vue'
import { withinSentence } from '~~/core/withinSentence'
import { lackingText } from './lacksText'
import { useFormat } from '~/composables/useFormat'
import { useProposal } from '~/composables/useProposal'
import { useSearch } from '~/composables/useSearch'
import { makesVents, ventsText, withBuild } from '~/composables/withBuild'
import { usePlanStore } from '~/stores/planStore'

/**
 * The cheapest parts and drives that make the plan meet its need: tried under the pointer, applied
 * by a press. What else there is, where there are none.
 */
const props = defineProps<{ newLayout: boolean }>()
const store = usePlanStore()
const { look, apply } = useProposal()
const { money } = useFormat()
const { progress, running, failed } = useSearch('change', () => ({ newLayout: props.newLayout }))
const found = computed(() => progress.value?.build ?? null)
const vents = computed(() =>
  store.plan && found.value && makesVents(store.plan, found.value) ? ` ${ventsText}` : '',
)
const isFree = computed(() => found.value !== null && found.value.price <= 0.005)
const changed = computed(() =>
  found.value && store.plan && !(isFree.value && !found.value.takenOut && !vents.value)
    ? withBuild(store.plan, found.value)
    : null,
)
const sentence = computed(() => {
  const build = found.value
  if (failed.value)
    return (
      'The search for the cheapest change broke off; it starts again with the next change of ' +
      'the plan.'
    )
  if (!build)
    return running.value || !progress.value
      ? 'Parts and drives that could be added are gone through.'
      : null
  const left = lackingText({ ...build, lacks: [] })
  const but = left ? ` But ${withinSentence(left)}` : ''
  if (isFree.value && !build.takenOut)
    return `No part and no drive has to be bought.${vents.value}${but}`
  const parts = build.parts ? ` Put in ${build.parts}.` : ''
  const out = build.takenOut
    ? ` Take out ${build.takenOut}, once what they hold is copied to somewhere else.`
    : ''
  return (
    `${running.value ? 'Cheapest change found so far' : 'The cheapest change that meets the need'}: ` +
    `${money(build.price)} for parts and drives.${parts}${out}${vents.value} Drives then: ${build.drives}.${but}`
  )
})
</script>

<template>
  <div data-change :aria-busy="running">
    <p v-if="sentence" class="sentence">
      {{ sentence }}
      <VBtn
        v-if="changed"
        color="primary"
        variant="flat"
        size="small"
        data-apply-change
        @pointerenter="look(changed)"
        @pointerleave="look(null)"
        @focus="look(changed)"
        @blur="look(null)"
        @click="apply(changed)"
      >
        Apply this change
      </VBtn>
    </p>
    <template v-else>
      <p class="sentence">
        No set of parts and drives makes the machine that is in the plan meet its need{{
          newLayout ? '' : ' under its layout'
        }}.
      </p>
      <slot />
    </template>
  </div>
</template>

<style scoped>
.sentence {
  margin: 6px 0;
}
.sentence .v-btn {
  margin-left: 8px;
}
</style>
