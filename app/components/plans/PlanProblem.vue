<script setup lang="ts">
import NumeronMark from '~/components/common/NumeronMark.vue'
import { downloadText } from '~/composables/planDownload'

/** In place of a plan that cannot be opened: why, and what can be done. */
defineProps<{
  problem: string
  /** text of a plan that cannot be read, as it is stored */ raw: string | null
}>()
defineEmits<{ retry: [] }>()
</script>

<template>
  <div class="missing">
    <NumeronMark />
    <h1>{{ problem }}</h1>
    <div>
      <VBtn variant="outlined" color="primary" @click="$emit('retry')"> Try again </VBtn>
      <VBtn
        v-if="raw !== null"
        variant="outlined"
        color="primary"
        @click="downloadText('stored-plan.json', raw)"
      >
        Export what is stored
      </VBtn>
      <VBtn to="/plans"> All plans </VBtn>
    </div>
  </div>
</template>

<style scoped>
.missing {
  padding: 40px;
  display: flex;
  flex-direction: column;
  gap: 20px;
  align-items: flex-start;
}
</style>
