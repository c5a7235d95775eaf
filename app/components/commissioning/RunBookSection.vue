<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { useRoute } from '#imports'
import { fitsInto } from '~~/core/commissioning/progress'
import { chapterOf, chapters } from '~~/core/commissioning/step'
import { stepStates } from '~~/core/plan/commissioning'
import { buildsParityApart } from '~~/core/commissioning/setupSlice'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import { useProposal } from '~/composables/useProposal'
import { useRunBook } from '~/composables/useRunBook'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import CarriedFile from './CarriedFile.vue'
import PrintMenu from './PrintMenu.vue'
import RunBookPicture from './RunBookPicture.vue'
import StepInspector from './StepInspector.vue'

/**
 * The run-book of the plan: the steps over their hours, what comes next, and what fits into the
 * time that is free tonight.
 */
const store = usePlanStore()
const { progress, waits, quotes, say, become } = useRunBook()
const { hours, number, quantity } = useFormat()
const { look, apply } = useProposal()
const route = useRoute()
/** a way back from a fault tree names the step that it came from */
const picked = ref<string | null>(typeof route.query.step === 'string' ? route.query.step : null)
const OneStep = defineAsyncComponent(() => import('./OneStep.vue'))
const PlanLinkDialog = defineAsyncComponent(() => import('~/components/access/PlanLinkDialog.vue'))
const showLink = ref(false)
/** one step a screen, beside the open case */
const isOne = ref(false)
const treeAddress = (tree: string, step: string) => ({
  path: viewAddress(store.id ?? '', 'commissioning', 'faults'),
  query: { tree, step },
})
function openOne(): void {
  picked.value ??= progress.value.left.timed[0]?.id ?? progress.value.steps[0]?.step.id ?? null
  isOne.value = picked.value !== null
}
const freeHours = ref(0)
const marked = computed(
  () => new Set(freeHours.value > 0 ? fitsInto(freeHours.value * 60, progress.value) : []),
)
const byId = computed(() => new Map(progress.value.steps.map(step => [step.step.id, step])))
const next = computed(() =>
  progress.value.left.timed
    .map(({ id }) => byId.value.get(id)!)
    .filter(step => (freeHours.value > 0 ? marked.value.has(step.step.id) : step.canBegin))
    .slice(0, freeHours.value > 0 ? 40 : 4),
)
/** What to do, as far as it takes to know it again: the rest stands at the step. */
function shortOf(text: string): string {
  const first = text.split(/(?<=[.;:]) /)[0]!.replace(/[.;:]$/, '')
  return first.length > 110 ? `${first.slice(0, 107)}…` : first
}
const sentence = computed(() => {
  const { steps, whole, left, over } = progress.value
  const all = `${steps.length} steps, ${hours(whole.hands / 60)} of work`
  if (over === 0)
    return (
      `${all}. With one pair of hands all of it is over after ${hours(whole.onePair / 60)}` +
      `${whole.onePair > 2 * whole.hands ? ', most of it waiting for drives and copies' : ''}.`
    )
  if (over === steps.length)
    return `All ${steps.length} steps are over: ${hours(whole.hands / 60)} of work.`
  return (
    `${over} of ${all}. Left: ${hours(left.hands / 60)} of work, over in ` +
    `${hours(left.onePair / 60)} from here on.`
  )
})
const rows = computed(() =>
  progress.value.whole.timed.map(({ id, from, isCritical }) => {
    const { step, hands, wait, entry } = byId.value.get(id)!
    return [
      step.do,
      chapters[chapterOf(id)],
      hours(from / 60),
      quantity(Math.round(hands), 'min'),
      wait > 0 ? hours(wait / 60) : '–',
      isCritical ? 'yes' : 'no',
      stepStates[entry?.state ?? 'open'],
    ]
  }),
)
/** Where one person runs it, steps for two can be skipped with a reason that is at hand. */
const isAlone = computed(() => (store.plan?.household.viewers.length ?? 0) === 1)
const parityApart = computed(
  () => store.assessment !== null && buildsParityApart(store.assessment.domains),
)
/** Ownership counts own hours to build: those of this book, where it has others. */
const hoursPlan = computed(() => {
  const { plan } = store
  const worked = Math.round(progress.value.whole.hands / 6) / 10
  return plan && worked > 0 && plan.costs.buildHours !== worked
    ? { worked, plan: { ...plan, costs: { ...plan.costs, buildHours: worked } } }
    : null
})
</script>

<template>
  <div class="book" data-run-book>
    <section v-if="waits.length" class="sheet wait" role="note" data-why-wait>
      <h2>Building should wait</h2>
      <ul>
        <li v-for="reason in waits" :key="reason">{{ reason }}</li>
      </ul>
      <p class="soft small">
        The steps can be read and ticked all the same: a machine may run already.
      </p>
    </section>
    <ChartFrame
      title="The run-book"
      :columns="['Step', 'Chapter', 'Begins after', 'Work', 'Waiting', 'Longest chain', 'State']"
      :rows="rows"
    >
      <template #default="{ width }">
        <div class="head">
          <p class="sentence" data-run-book-sentence>{{ sentence }}</p>
          <VBtn
            class="no-print"
            size="small"
            variant="outlined"
            color="primary"
            :disabled="progress.steps.length === 0"
            data-open-one
            @click="openOne"
          >
            One step at a time
          </VBtn>
          <PrintMenu class="no-print" />
          <CarriedFile />
          <VBtn
            class="no-print"
            size="small"
            variant="outlined"
            data-run-book-link
            @click="showLink = true"
          >
            A link to tick
          </VBtn>
          <PlanLinkDialog v-if="showLink" v-model="showLink" kind="runBook" />
        </div>
        <RunBookPicture
          v-model:picked="picked"
          :progress="progress"
          :width="width"
          :marked="marked"
        />
      </template>
      <template #below>
        <p class="soft small">
          Solid is work, hatched waiting (over an hour drawn short), the thick line the longest
          chain. Minutes are planning values. Press a bar.
        </p>
        <p v-if="hoursPlan" class="small" data-count-hours>
          Ownership counts
          {{
            store.plan?.costs.buildHours === null
              ? 'a planning value for your own hours to build'
              : `${quantity(store.plan?.costs.buildHours ?? 0, 'h')} of your own to build`
          }}.
          <VBtn
            size="small"
            variant="outlined"
            color="primary"
            @pointerenter="look(hoursPlan.plan)"
            @pointerleave="look(null)"
            @focus="look(hoursPlan.plan)"
            @blur="look(null)"
            @click="apply(hoursPlan.plan)"
          >
            Count {{ quantity(hoursPlan.worked, 'h') }}
          </VBtn>
        </p>
      </template>
    </ChartFrame>
    <div class="lower">
      <section class="sheet" data-next>
        <h2>{{ freeHours > 0 ? 'What fits in' : 'Next' }}</h2>
        <div class="free" role="group" aria-label="Free time">
          <VBtn
            v-for="time in [0, 1, 2, 4]"
            :key="time"
            size="small"
            :variant="freeHours === time ? 'flat' : 'outlined'"
            color="primary"
            :aria-pressed="freeHours === time"
            @click="freeHours = time"
          >
            {{ time === 0 ? 'Any' : `${number(time)} h free` }}
          </VBtn>
        </div>
        <p v-if="next.length === 0" class="soft">
          {{
            progress.left.timed.length === 0
              ? 'Nothing is left.'
              : 'No step is over in that time: the next ones take longer, or something waits.'
          }}
        </p>
        <ol class="next">
          <li v-for="entry in next" :key="entry.step.id" :data-next-step="entry.step.id">
            <button type="button" class="plain-button" @click="picked = entry.step.id">
              {{ shortOf(entry.step.do) }}
            </button>
            <span class="soft small">
              {{ chapters[chapterOf(entry.step.id)] }}, {{ quantity(Math.round(entry.hands), 'min')
              }}{{ entry.wait > 0 ? `, then ${hours(entry.wait / 60)} of waiting` : '' }}
            </span>
          </li>
        </ol>
      </section>
      <section class="sheet follows">
        <h2>What it follows, beside board, layout and system</h2>
        <PlanField path="brief.anotherHome" />
        <PlanField path="machine.monitorAtHand" />
        <PlanField v-if="parityApart" path="drives.parityAfterCopy" />
      </section>
    </div>
    <OneStep
      v-if="isOne && picked && byId.has(picked)"
      :steps="progress.steps"
      :quote="quotes.get(picked) ?? ''"
      :picked="picked"
      :say="say"
      :tree-address="treeAddress"
      @become="become"
      @pick="picked = $event"
      @close="isOne = false"
    />
    <StepInspector
      v-else-if="picked && byId.has(picked)"
      :progress="progress.steps"
      :quote="quotes.get(picked) ?? ''"
      :is-alone="isAlone"
      :picked="picked"
      :say="say"
      @become="become"
      @pick="picked = $event"
    />
  </div>
</template>

<style scoped>
.book {
  display: grid;
  gap: 16px;
  min-width: 0;
}
.lower {
  display: grid;
  grid-template-columns: minmax(0, 2.2fr) minmax(230px, 1fr);
  gap: 16px;
  align-items: start;
}
.sentence {
  font-size: 1.02rem;
  margin: 2px 0 10px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  margin-bottom: 8px;
  align-items: center;
}
.head .sentence {
  flex: 1 1 420px;
  margin: 0;
}
.wait {
  border-left: 4px solid rgb(var(--v-theme-state-tight));
}
.wait ul {
  padding-left: 18px;
}
.free {
  display: flex;
  gap: 6px;
  flex-wrap: wrap;
  margin: 8px 0 12px;
}
.next {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 10px 20px;
}
.next button {
  text-align: left;
}
.next button:hover {
  text-decoration: underline;
}
.next span {
  display: block;
}
/* On a phone what comes next stands before the picture. */
@media (max-width: 760px) {
  .wait {
    order: -2;
  }
  .lower {
    order: -1;
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
