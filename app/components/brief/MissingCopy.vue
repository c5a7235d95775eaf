<script setup lang="ts">
import { computed } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { missingCopy } from '~~/core/ownership/missingCopy'
import { effectiveCatalogue } from '~~/core/calibration/effectiveCatalogue'
import { missingCopyName, missingCopyPrice } from '~/composables/missingCopyText'
import { useFormat } from '~/composables/useFormat'
import { useProposal } from '~/composables/useProposal'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** The cheapest copy away of what cannot be replaced: previewed under the pointer, applied. */
const store = usePlanStore()
const { look, apply } = useProposal()
const { money, quantity } = useFormat()
const copy = computed(
  () => store.plan && missingCopy(store.plan, effectiveCatalogue(store.plan, catalogue)),
)
</script>

<template>
  <p v-if="copy" class="sentence" data-missing-copy>
    The cheapest copy away of what is irreplaceable, {{ quantity(copy.copyTB, 'TB') }} with older
    versions: {{ missingCopyName(copy) }}, {{ missingCopyPrice(copy, money) }},
    {{ copy.media ? 'carried there' : 'renewed' }} every
    {{ copy.plan.drives.awayEveryDays === 1 ? 'day' : `${copy.plan.drives.awayEveryDays} days` }}.
    <VBtn
      color="primary"
      variant="flat"
      size="small"
      data-apply-copy
      @pointerenter="look(copy.plan)"
      @pointerleave="look(null)"
      @focus="look(copy.plan)"
      @blur="look(null)"
      @click="apply(copy.plan)"
    >
      Apply this copy
    </VBtn>
    <NuxtLink :to="viewAddress(store.id ?? '', 'drives', 'backup')">
      Other ways to keep copies
    </NuxtLink>
  </p>
</template>

<style scoped>
.sentence {
  margin: 6px 0;
}
.sentence .v-btn {
  margin: 0 8px 0 0;
}
.sentence a {
  color: rgb(var(--v-theme-primary));
}
</style>
