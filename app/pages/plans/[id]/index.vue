<script setup lang="ts">
import { defineAsyncComponent } from 'vue'
import ConversionsChart from '~/components/charts/ConversionsChart.vue'
import GrowthChart from '~/components/charts/GrowthChart.vue'
import WaterfallChart from '~/components/charts/WaterfallChart.vue'
import OverallVerdict from '~/components/brief/OverallVerdict.vue'
import FindingsList from '~/components/common/FindingsList.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import { afterPaint } from '~/services/afterPaint'

// The answer and its pictures first: the fields, which lie below them, follow with all that editing needs.
const BriefAnswers = defineAsyncComponent(() => afterPaint().then(() => import('~/components/brief/BriefAnswers.vue')))
const order = ['streams', 'space', 'survival', 'home', 'away', 'fit', 'money']
</script>

<template>
  <ViewFrame question="Will this box do?">
    <OverallVerdict />
    <div class="pictures">
      <ConversionsChart />
      <GrowthChart :height="190" />
      <WaterfallChart :height="214" />
    </div>
    <div class="columns">
      <BriefAnswers />
      <section class="sheet sentences">
        <h2>What it comes to</h2>
        <VerdictSentence
          v-for="id in order"
          :id="id"
          :key="id"
          linked
        />
        <h2>To know</h2>
        <FindingsList />
      </section>
    </div>
  </ViewFrame>
</template>

<style scoped>
.pictures { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 16px; }
.columns { display: grid; grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); gap: 16px; align-items: start; }
.sentences { display: flex; flex-direction: column; gap: 12px; grid-column: 2; }
@media (max-width: 900px) {
  .columns, .pictures { grid-template-columns: minmax(0, 1fr); }
  .sentences { grid-column: 1; }
}
</style>
