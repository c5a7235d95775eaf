<script setup lang="ts">
import { defineAsyncComponent, nextTick, onBeforeUnmount, ref } from 'vue'
import { mdiPrinterOutline } from '@mdi/js'
import { printKinds, type PrintKind } from './printKinds'

/** What goes on paper: it is laid out by itself, printed, and gone again. */
const PrintPage = defineAsyncComponent(() => import('./PrintPage.vue'))
const kind = ref<PrintKind | null>(null)
function over(): void {
  kind.value = null
  document.body.classList.remove('prints-alone')
}
function print(what: PrintKind): void {
  kind.value = what
  document.body.classList.add('prints-alone')
}
/** The page is there: now it is printed. */
async function laidOut(): Promise<void> {
  await nextTick()
  window.addEventListener('afterprint', over, { once: true })
  window.print()
}
onBeforeUnmount(() => {
  window.removeEventListener('afterprint', over)
  over()
})
</script>

<template>
  <VMenu>
    <template #activator="{ props: activator }">
      <VBtn
        v-bind="activator"
        size="small"
        variant="outlined"
        :prepend-icon="mdiPrinterOutline"
        data-print
      >
        Print
      </VBtn>
    </template>
    <VList density="compact">
      <VListItem
        v-for="(label, id) in printKinds"
        :key="id"
        :title="label"
        :data-print-kind="id"
        @click="print(id)"
      />
    </VList>
  </VMenu>
  <Teleport to="body">
    <PrintPage v-if="kind" :kind="kind" @ready="laidOut" />
  </Teleport>
</template>

<style>
/* On the screen it is never seen; on paper it is all that is. */
.print-page {
  display: none;
}
@media print {
  body.prints-alone > :not(.print-page) {
    display: none !important;
  }
  body.prints-alone > .print-page {
    display: block;
  }
}
</style>
