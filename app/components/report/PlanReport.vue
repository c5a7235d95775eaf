<script setup lang="ts">
import { computed } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { priceOfLot } from '~~/core/drives/drivePrices'
import { driveTraits } from '~~/core/drives/driveTraits'
import { layouts } from '~~/core/drives/layouts/layouts'
import { estimateOf } from '~~/core/figure'
import type { Assessment } from '~~/core/assess'
import type { Plan } from '~~/core/plan/planSchema'
import type { Format } from '~~/core/units/format'
import { overallAnswer, overallWords } from '~~/core/verdictClauses'
import StateMark from '~/components/common/StateMark.vue'
import TideGauge from '~/components/common/TideGauge.vue'

/**
 * A plan to be read: whether it will do, what is bought, what to know. For a phone first; nothing
 * on it can be changed.
 */
const props = defineProps<{ plan: Plan; assessment: Assessment; format: Format }>()
const overall = computed(() =>
  overallAnswer(props.assessment.verdicts, props.plan.brief.budget !== null),
)
const findings = computed(() => props.assessment.findings)
const severityWords = { fail: 'Problem', warning: 'Warning', caution: 'Worth knowing' }

const price = (amount: number | null) =>
  amount === null ? 'not known' : amount === 0 ? 'owned' : props.format.money(amount)
const machineLines = computed(() =>
  props.assessment.domains.machine.prices.map(({ label, toPay }) => ({
    label,
    price: price(toPay),
  })),
)
const driveLines = computed(() => {
  const { drives } = props.plan
  return drives.lots.map(lot => {
    const { toPay } = priceOfLot(lot, drives, catalogue)
    const { model, driveClass } = driveTraits(lot, drives, catalogue)
    return {
      label:
        `${lot.count} × ${props.format.quantity(lot.sizeTB, 'TB')}, ` +
        `${model?.label ?? driveClass?.label ?? drives.driveClass}`,
      price: lot.condition === 'owned' ? 'owned' : props.format.money(toPay),
    }
  })
})
const layout = computed(
  () => layouts.find(({ id }) => id === props.assessment.domains.drives.layoutId)?.label,
)
const extras = computed(() =>
  props.plan.costs.extras > 0
    ? [{ label: 'Extras', price: props.format.money(props.plan.costs.extras) }]
    : [],
)

/** What a reader beside the open case asks for first. */
const figureIds = [
  'drives.rawTB',
  'drives.usableTB',
  'drives.roomTB',
  'machine.idleW',
  'machine.loadW',
  'ownership.electricityPerYear',
]
const figures = computed(() =>
  figureIds.flatMap(id => {
    const figure = props.assessment.figures[id]
    const band = figure && estimateOf(figure)
    return figure && band
      ? [
          {
            label: figure.label,
            text:
              band.low === band.high
                ? props.format.quantity(band.likely, figure.unit)
                : `${props.format.range(band, figure.unit)}${figure.unit === 'money' ? '' : ` ${props.format.unit(figure.unit)}`}`,
          },
        ]
      : []
  }),
)
</script>

<template>
  <article class="report">
    <section class="answer" :class="overall.answer">
      <p class="word">
        {{ overallWords[overall.answer] }}<span>, because {{ overall.because }}.</span>
      </p>
    </section>
    <section class="sheet" aria-labelledby="report-headroom">
      <h2 id="report-headroom">Needed and possible</h2>
      <ul class="headroom">
        <li v-for="verdict in assessment.verdicts" :key="verdict.id">
          <TideGauge :asked="verdict.asked" :possible="verdict.possible" :width="34" :height="44" />
          <div>
            <p>
              <strong>{{ verdict.label }}</strong> <StateMark :state="verdict.state" />
            </p>
            <p>{{ verdict.sentence }}</p>
          </div>
        </li>
      </ul>
    </section>
    <section class="sheet" aria-labelledby="report-parts">
      <h2 id="report-parts">Parts</h2>
      <table class="data-table">
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col" class="number">To pay now</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(line, index) in [...machineLines, ...driveLines, ...extras]" :key="index">
            <td>{{ line.label }}</td>
            <td class="number">
              {{ line.price }}
            </td>
          </tr>
          <tr class="sum">
            <th scope="row">Together</th>
            <td class="number">
              {{ format.money(assessment.domains.ownership.toPay) }}
            </td>
          </tr>
        </tbody>
      </table>
      <dl>
        <template v-if="layout">
          <dt>Layout</dt>
          <dd>{{ layout }}</dd>
        </template>
        <template v-for="figure in figures" :key="figure.label">
          <dt>{{ figure.label }}</dt>
          <dd>{{ figure.text }}</dd>
        </template>
      </dl>
    </section>
    <section v-if="findings.length" class="sheet" aria-labelledby="report-findings">
      <h2 id="report-findings">What to know</h2>
      <ul class="findings">
        <li v-for="(finding, index) in findings" :key="index">
          <strong>{{ severityWords[finding.severity] }}.</strong> {{ finding.sentence }}
          <span v-for="fix in finding.fixes" :key="fix.sentence">{{ fix.sentence }}</span>
        </li>
      </ul>
    </section>
  </article>
</template>

<style scoped>
.report {
  display: flex;
  flex-direction: column;
  gap: 16px;
}
.answer {
  border-left: 5px solid rgb(var(--v-theme-state-ample));
  padding: 6px 0 6px 16px;
}
.answer.no {
  border-color: rgb(var(--v-theme-state-short));
}
.answer.open {
  border-color: rgb(var(--v-theme-state-unknown));
}
.word {
  font-size: 1.3rem;
  font-weight: 650;
  line-height: 1.3;
}
.word span {
  font-weight: 400;
}
.headroom,
.findings {
  list-style: none;
  padding: 0;
  display: flex;
  flex-direction: column;
  gap: 12px;
  margin-top: 10px;
}
.headroom li {
  display: flex;
  gap: 12px;
  align-items: flex-start;
}
.sum th,
.sum td {
  font-weight: 650;
  border-bottom: 0;
  color: inherit;
  font-size: 0.9rem;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 4px 16px;
  margin: 12px 0 0;
  font-size: 0.92rem;
}
dt {
  color: rgb(var(--v-theme-ink-soft));
}
dd {
  margin: 0;
  text-align: right;
  font-variant-numeric: tabular-nums;
}
.findings span {
  display: block;
  color: rgb(var(--v-theme-ink-soft));
}
.findings span::before {
  content: '→ ';
}
</style>
