<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { navigateTo } from '#imports'
import { planApi } from '~/services/planApi'

/** Opens the plan worked on last; the list when there is none. */
const failed = ref(false)
async function go(): Promise<void> {
  failed.value = false
  try {
    const latest = await planApi.latest()
    await navigateTo(latest ? `/plans/${latest.id}` : '/plans', { replace: true })
  } catch {
    failed.value = true
  }
}
onMounted(go)
</script>

<template>
  <VMain tag="div">
    <div class="start">
      <template v-if="failed">
        <p>The server does not answer. Start it again, then press the button.</p>
        <VBtn color="primary" variant="outlined" @click="go"> Try again </VBtn>
      </template>
    </div>
  </VMain>
</template>

<style scoped>
.start {
  padding: 40px;
}
</style>
