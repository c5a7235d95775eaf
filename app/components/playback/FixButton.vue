<script setup lang="ts">
import { onBeforeUnmount } from 'vue'
import type { ShownFix } from '~~/core/tiers/rankFixes'
import StateMark from '~/components/common/StateMark.vue'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/**
 * A fix: under the pointer or the focus it is tried on the headroom line, pressed it is done,
 * and can be undone.
 */
const props = defineProps<{ fix: ShownFix }>()
const store = usePlanStore()
const { money, number } = useFormat()
let trying = false
function tryOn(): void {
  trying = true
  store.tried = props.fix.plan
}
function leave(): void {
  if (trying) store.tried = null
  trying = false
}
function take(): void {
  leave()
  store.replace(props.fix.plan)
}
onBeforeUnmount(leave)
</script>

<template>
  <div class="fix" @pointerenter="tryOn" @pointerleave="leave" @focusin="tryOn" @focusout="leave">
    <StateMark :state="fix.state" small />
    <span class="what"
      >{{ fix.label }}
      <span class="soft small"
        >{{
          fix.price === null ? '' : fix.price === 0 ? 'costs nothing' : `about ${money(fix.price)}`
        }}{{ fix.extraTB > 0.0005 ? `${number(fix.extraTB, 2)} TB more space` : '' }}</span
      >
    </span>
    <VBtn
      size="small"
      variant="outlined"
      color="primary"
      :aria-label="`Apply: ${fix.label}`"
      @click="take"
    >
      Apply
    </VBtn>
  </div>
</template>

<style scoped>
.fix {
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
