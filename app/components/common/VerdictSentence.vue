<script setup lang="ts">
import { computed } from 'vue'
import { viewAddress, views } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import FigureValue from './FigureValue.vue'
import StateMark from './StateMark.vue'
import TideGauge from './TideGauge.vue'

/** One headroom as a plain sentence, with its gauge and the figures behind it. */
const props = withDefaults(defineProps<{ id: string; large?: boolean; linked?: boolean }>(), {
  large: false,
  linked: false,
})
const store = usePlanStore()
const verdict = computed(() =>
  store.assessment?.verdicts.find(candidate => candidate.id === props.id),
)
const viewLabel = computed(() => views.find(view => view.id === verdict.value?.domain)?.label)
</script>

<template>
  <section v-if="verdict" class="verdict" :class="{ large }" :data-sentence="id">
    <TideGauge
      :asked="verdict.asked"
      :possible="verdict.possible"
      :width="large ? 110 : 46"
      :height="large ? 132 : 54"
    />
    <div>
      <p class="head">
        <span class="soft">{{ verdict.label }}</span>
        <StateMark :state="verdict.state" />
        <NuxtLink v-if="linked" :to="viewAddress(store.id ?? '', verdict.domain)" class="small">{{
          viewLabel
        }}</NuxtLink>
      </p>
      <p class="sentence">
        {{ verdict.sentence }}
      </p>
      <div class="figures">
        <FigureValue v-for="figureId in verdict.figures" :id="figureId" :key="figureId" inline />
      </div>
    </div>
  </section>
</template>

<style scoped>
.verdict {
  display: flex;
  gap: 14px;
  align-items: flex-start;
}
.verdict.large {
  gap: 22px;
}
.head {
  display: flex;
  gap: 10px;
  align-items: center;
  font-size: 0.9rem;
}
.head a {
  margin-left: auto;
  color: rgb(var(--v-theme-primary));
}
.verdict > div {
  flex: 1;
  min-width: 0;
}
.sentence {
  margin: 2px 0 0;
  line-height: 1.4;
}
.large .sentence {
  font-size: 1.12rem;
}
.figures {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  margin-top: 3px;
}
</style>
