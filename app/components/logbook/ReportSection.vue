<script setup lang="ts">
import { useWindowSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { layouts } from '~~/core/drives/layouts/layouts'
import { calibrationRows } from '~~/core/logbook/calibrationRows'
import { headroomSvg } from '~~/core/logbook/report/headroomSvg'
import { onePage } from '~~/core/logbook/report/onePage'
import { reportHtml, reportMarkdown } from '~~/core/logbook/report/writeReport'
import { downloadText, planFileStem } from '~/composables/planDownload'
import { todayText } from '~/composables/today'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/** The plan on one page, for somebody outside: to be printed, or handed on as one file. */
const store = usePlanStore()
const { format } = useFormat()
const withNames = ref(false)
const page = computed(() => {
  const { plan, assessment } = store
  if (!plan || !assessment) return null
  const { figures, verdicts, findings, domains } = assessment
  return onePage({
    plan,
    figures,
    verdicts,
    findings,
    rows: calibrationRows(plan, domains, catalogue),
    names: {
      machine: plan.machine.name || domains.machine.build.base?.label || 'The machine',
      layout: layouts.find(({ id }) => id === domains.drives.layoutId)?.label ?? 'not chosen',
    },
    atOnce: domains.household.atOnce,
    withNames: withNames.value,
    format: format.value,
    today: todayText(),
  })
})
const { width: windowWidth } = useWindowSize()
/** A picture from text: it needs no address. */
const chart = computed(() =>
  page.value
    ? `data:image/svg+xml;charset=utf-8,${encodeURIComponent(headroomSvg(page.value.verdicts, Math.max(300, Math.min(680, windowWidth.value - 84))))}`
    : '',
)
const stem = computed(() => (store.plan ? planFileStem(store.plan) : 'plan'))
function saveHtml(): void {
  if (page.value) downloadText(`${stem.value}-report.html`, reportHtml(page.value), 'text/html')
}
function saveMarkdown(): void {
  if (page.value)
    downloadText(`${stem.value}-report.md`, reportMarkdown(page.value), 'text/markdown')
}
function saveChart(): void {
  if (page.value)
    downloadText(`${stem.value}-headroom.svg`, headroomSvg(page.value.verdicts), 'image/svg+xml')
}
const print = () => window.print()
</script>

<template>
  <div v-if="page" class="report" data-report>
    <div class="tools no-print">
      <VBtn color="primary" variant="flat" size="small" data-save-html @click="saveHtml">
        Save as one HTML file
      </VBtn>
      <VBtn variant="outlined" size="small" data-save-markdown @click="saveMarkdown">
        Save as Markdown
      </VBtn>
      <VBtn variant="outlined" size="small" @click="saveChart">Save the chart</VBtn>
      <VBtn variant="outlined" size="small" @click="print">Print</VBtn>
      <VSwitch
        v-model="withNames"
        label="Names of people and places"
        color="primary"
        density="compact"
        hide-details
        data-with-names
      />
    </div>
    <article class="sheet page">
      <h2 class="title">{{ page.title }}</h2>
      <p class="soft">{{ page.day }}</p>
      <p class="answer">{{ page.answer }}</p>
      <img :src="chart" alt="Of each need, how much of what is possible it takes" />
      <section v-for="part in page.parts" :key="part.id" :data-part="part.id">
        <h3>{{ part.heading }}</h3>
        <ul>
          <li v-for="line in part.lines" :key="line">{{ line }}</li>
        </ul>
      </section>
      <p class="soft small">
        It tells no names unless you switch them on, and never who watched what.
      </p>
    </article>
  </div>
</template>

<style scoped>
.report {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: center;
}
.page {
  max-width: 780px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.title {
  font-size: 1.3rem;
}
.answer {
  font-size: 1.1rem;
  font-weight: 650;
}
.page img {
  max-width: 100%;
  height: auto;
  align-self: flex-start;
  background: #fbfaf6;
  padding: 6px 8px;
  border-radius: 4px;
}
h3 {
  font-size: 1rem;
  margin: 6px 0 2px;
}
ul {
  margin: 0;
  padding-left: 20px;
}
</style>
