<script setup lang="ts">
import { headroomOrder } from '~~/core/headrooms'
import { defineAsyncComponent } from 'vue'
import OverallVerdict from '~/components/brief/OverallVerdict.vue'
import FindingsList from '~/components/common/FindingsList.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import { afterPaint } from '~/services/afterPaint'

// The answer and its pictures first: the fields follow with all that editing needs.
const BriefAnswers = defineAsyncComponent(() =>
  afterPaint().then(() => import('~/components/brief/BriefAnswers.vue')),
)
const ConversionsChart = defineAsyncComponent(() =>
  afterPaint().then(() => import('~/components/charts/ConversionsChart.vue')),
)
const GrowthChart = defineAsyncComponent(() =>
  afterPaint().then(() => import('~/components/charts/GrowthChart.vue')),
)
const WaterfallChart = defineAsyncComponent(() =>
  afterPaint().then(() => import('~/components/charts/WaterfallChart.vue')),
)
const QuickFields = defineAsyncComponent(() =>
  afterPaint().then(() => import('~/components/brief/QuickFields.vue')),
)
</script>

<template>
  <ViewFrame view="brief" question="Will this plan do?">
    <template #answer>
      <OverallVerdict />
      <div class="pictures">
        <ConversionsChart />
        <GrowthChart :height="190" />
        <WaterfallChart :height="214" />
      </div>
      <QuickFields />
      <section class="sheet">
        <h2>Worth knowing</h2>
        <FindingsList :most="4" />
      </section>
    </template>
    <template #answers>
      <BriefAnswers />
    </template>
    <template #verdicts>
      <div class="columns">
        <section class="sheet sentences">
          <h2>Verdicts</h2>
          <VerdictSentence v-for="id in headroomOrder" :id="id" :key="id" linked />
        </section>
        <section class="sheet sentences">
          <h2>Worth knowing</h2>
          <FindingsList />
        </section>
      </div>
    </template>
  </ViewFrame>
</template>

<style scoped>
/* The pictures come a frame after the answer: what stands below them keeps its place. */
.pictures {
  min-height: 320px;
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 14px;
}
.columns {
  --page-columns: minmax(0, 1.2fr) minmax(0, 1fr);
}
.sentences {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
h2 {
  margin-bottom: 8px;
}
@media (max-width: 900px) {
  .columns,
  .pictures {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
