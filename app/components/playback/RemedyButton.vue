<script setup lang="ts">
import { onBeforeUnmount } from 'vue'
import type { ShownRemedy } from '~~/core/tiers/rankRemedies'
import StateMark from '~/components/common/StateMark.vue'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/**
 * A remedy: under the pointer or the focus it is tried on the headroom line, pressed it is done,
 * and can be undone.
 */
const props = defineProps<{ remedy: ShownRemedy }>()
const store = usePlanStore()
const { money, number } = useFormat()
let trying = false
function tryOn(): void {
  trying = true
  store.tried = props.remedy.plan
}
function leave(): void {
  if (trying) store.tried = null
  trying = false
}
function take(): void {
  leave()
  store.replace(props.remedy.plan)
}
onBeforeUnmount(leave)
</script>

<template>
  <div
    class="remedy"
    @pointerenter="tryOn"
    @pointerleave="leave"
    @focusin="tryOn"
    @focusout="leave"
  >
    <StateMark :state="remedy.state" small />
    <span class="what"
      >{{ remedy.label }}
      <span class="soft small"
        >{{
          remedy.price === null
            ? ''
            : remedy.price === 0
              ? 'costs nothing'
              : `about ${money(remedy.price)}`
        }}{{ remedy.extraTB > 0.0005 ? `${number(remedy.extraTB, 2)} TB more space` : '' }}</span
      >
    </span>
    <VBtn
      size="small"
      variant="outlined"
      color="primary"
      :aria-label="`Apply: ${remedy.label}`"
      @click="take"
    >
      Apply
    </VBtn>
  </div>
</template>

<style scoped>
.remedy {
  display: flex;
  gap: 12px;
  align-items: center;
  width: 100%;
}
.what {
  flex: 1;
  min-width: 0;
  text-align: left;
}
</style>
