<script setup lang="ts">
import FigureValue from '~/components/common/FigureValue.vue'
</script>

<template>
  <section class="sheet need" data-need>
    <h2>What is needed</h2>
    <div class="figures">
      <FigureValue id="streams.asked" label="Conversions at once" />
      <FigureValue id="library.contentAtHorizonTB" />
      <FigureValue id="network.uploadNeededMbps" />
    </div>
  </section>
</template>

<style scoped>
.need {
  border-left: 4px solid rgb(var(--v-theme-primary));
  padding: 12px 16px;
}
.figures {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px;
  margin-top: 4px;
}
</style>
