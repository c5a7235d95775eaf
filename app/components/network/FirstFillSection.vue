<script setup lang="ts">
import { computed } from 'vue'
import type { Figure } from '~~/core/figure'
import { fillQuestion } from '~~/core/network/fillQuestion'
import { fillOrders, firstFills } from '~~/core/network/firstFill'
import { fillFigures, fillSentence, orderFigures } from '~~/core/network/tellFirstFill'
import PlanField from '~/components/common/PlanField.vue'
import WorkingLink from '~/components/common/WorkingLink.vue'
import { useFormat } from '~/composables/useFormat'
import { useRipping } from '~/composables/useRipping'
import { usePlanStore } from '~/stores/planStore'

/** How long it takes until everything is on the machine, by each way it can get there. */
const store = usePlanStore()
const { format, number, quantity } = useFormat()
const ripping = useRipping()

const question = computed(() => {
  const { plan, assessment } = store
  if (!plan || !assessment) return null
  const { domains } = assessment
  return fillQuestion(domains.library.contentTB.likely, plan, domains)
})
const fills = computed(() => (question.value ? firstFills(question.value) : []))
const figures = computed(() => {
  const build = store.assessment?.domains.drives.pool?.firstBuild
  const orders = question.value && build && fillOrders(question.value, build)
  return question.value && ripping.value
    ? [
        ...fillFigures(fills.value, {
          question: question.value,
          ripping: ripping.value,
          format: format.value,
        }),
        ...(orders ? orderFigures(orders, build, format.value) : []),
      ]
    : []
})
const sentence = computed(() =>
  question.value
    ? fillSentence(fills.value, { sizeTB: question.value.sizeTB, format: format.value })
    : '',
)
const variant = computed(
  () => store.plan && { plan: store.plan, label: 'of the first fill', figures: figures.value },
)
const longest = computed(() =>
  Math.max(1e-9, ...figures.value.map(({ high, value }) => high ?? value ?? 0)),
)
/** On a scale of roots, so that hours can be seen beside weeks. */
const width = (hours: number | null) => `${Math.sqrt((hours ?? 0) / longest.value) * 100}%`
/** Hours at the bench stay hours: they are somebody's own. */
const text = ({ id, value }: Figure) =>
  value === null
    ? 'never'
    : id === 'network.fill.ripping'
      ? quantity(value, 'h')
      : format.value.hours(value)
</script>

<template>
  <div class="columns">
    <section class="sheet">
      <p class="sentence">
        {{ sentence }}
      </p>
      <ul class="ways">
        <li v-for="figure in figures" :key="figure.id" :data-fill="figure.id">
          <span class="head"
            ><strong>{{ figure.label }}</strong>
            <WorkingLink :figure="figure.id" :variant="variant" :name="figure.label">
              {{ text(figure) }}
            </WorkingLink></span
          >
          <span class="track" role="img" :aria-label="`${figure.label}: ${text(figure)}`">
            <span class="high" :style="{ width: width(figure.high ?? figure.value) }" /><span
              class="likely"
              :style="{ width: width(figure.value) }"
            />
          </span>
          <span class="soft small">{{ figure.note }}</span>
        </li>
      </ul>
      <p class="soft small">
        Bars on a scale of roots. Keep the old copy until everything has been compared: counts
        first, then checksums.
      </p>
    </section>
    <section class="sheet">
      <h2>What is copied, and from where</h2>
      <div class="fields">
        <PlanField path="network.fillFromMBps" />
        <PlanField path="network.smallFilesShare" />
        <PlanField path="network.downloadCapGBPerDay" placeholder="none" />
        <PlanField path="network.ripDiscs" :placeholder="number(ripping?.discs ?? 0)" />
        <PlanField path="network.ripMinutes" />
        <PlanField path="network.ripDrives" />
        <PlanField path="network.ripHoursPerDay" />
      </div>
    </section>
  </div>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.4fr) minmax(0, 1fr);
}
.sentence {
  font-size: 1.02rem;
  margin-bottom: 12px;
}
.ways {
  list-style: none;
  padding: 0;
  display: flex;
  flex-direction: column;
  gap: 14px;
  margin-bottom: 12px;
}
.ways li {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.head {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}
.track {
  position: relative;
  display: block;
  height: 18px;
  background: rgb(var(--v-theme-surface-light));
  border-radius: 3px;
  overflow: hidden;
}
.high,
.likely {
  position: absolute;
  left: 0;
  top: 0;
  bottom: 0;
}
.high {
  background: repeating-linear-gradient(
    45deg,
    rgba(var(--v-theme-wall), 0.5) 0 1.5px,
    transparent 1.5px 6px
  );
}
.likely {
  background: rgb(var(--v-theme-water));
}
.fields {
  --least: 160px;
  margin-top: 14px;
}
</style>
