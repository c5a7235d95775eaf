<script setup lang="ts">
import { computed } from 'vue'
import { signOffRows, type Judged, type SignOffRow } from '~~/core/commissioning/signOff/measures'
import { plannedOf } from '~~/core/commissioning/signOff/planned'
import PlanField from '~/components/common/PlanField.vue'
import { parseNumber } from '~/composables/parseNumber'
import { todayText } from '~/composables/today'
import { setupSliceOf } from '~/composables/runBookOf'
import { useFormat } from '~/composables/useFormat'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import SignOffGauge from './SignOffGauge.vue'

/** Measured against planned; two people sign, and day 0 begins. */
const store = usePlanStore()
const { number, quantity } = useFormat()
const rows = computed((): SignOffRow[] => {
  const { plan, assessment } = store
  if (!plan || !assessment) return []
  const planned = plannedOf({
    ...setupSliceOf(plan, assessment),
    figures: assessment.figures,
    facts: assessment.domains,
  })
  return signOffRows(planned, plan.commissioning.measured)
})
const judgedWords: Readonly<Record<Judged, string>> = {
  inOrder: 'In order',
  note: 'Worth a note',
  otherwise: 'Not as planned',
}
const counts = computed(() => {
  const of = (judged: Judged | null) => rows.value.filter(row => row.judged === judged).length
  return { left: of(null), inOrder: of('inOrder'), note: of('note'), otherwise: of('otherwise') }
})
const sentence = computed(() => {
  const { left, note, otherwise } = counts.value
  const all = rows.value.length
  if (left === all)
    return `${number(all)} ${all === 1 ? 'thing is' : 'things are'} to be measured. None is yet.`
  const parts = [
    left > 0
      ? `${number(all - left)} of ${number(all)} are measured`
      : `All ${number(all)} are measured`,
    ...(otherwise > 0 ? [`${number(otherwise)} not as planned`] : []),
    ...(note > 0 ? [`${number(note)} worth a note`] : []),
    ...(otherwise + note === 0 ? ['all in order'] : []),
  ]
  return `${parts.join(', ')}.`
})
const shown = (value: number, row: SignOffRow) =>
  row.measure.unit ? quantity(value, row.measure.unit) : number(value)
/** What is in order, in words. */
function orderText(row: SignOffRow): string {
  const { from, to } = row.tolerance
  const range =
    from !== null && to !== null
      ? `${number(from, 3)} to ${shown(to, row)}`
      : from !== null
        ? `at least ${shown(from, row)}`
        : `at most ${shown(to!, row)}`
  const { planned } = row.tolerance
  return planned === null ? range : `${range}; planned ${shown(planned, row)}`
}
function setMeasured(id: string, text: string): void {
  const { plan } = store
  if (!plan) return
  const value = parseNumber(text)
  if (value === undefined) return
  const others = plan.commissioning.measured.filter(entry => entry.id !== id)
  const measured = value === null ? others : [...others, { id, value }]
  store.replace({ ...plan, commissioning: { ...plan.commissioning, measured } }, `measured ${id}`)
}
const commissioning = computed(() => store.plan?.commissioning ?? null)
/** Where one person runs it, one signature is enough. */
const signaturesNeeded = computed(() => ((store.plan?.household.viewers.length ?? 0) === 1 ? 1 : 2))
const signed = computed(
  () => commissioning.value?.signatures.filter(({ who }) => who.trim() !== '').length ?? 0,
)
function put(change: Partial<NonNullable<typeof commissioning.value>>): void {
  const { plan } = store
  if (plan) store.replace({ ...plan, commissioning: { ...plan.commissioning, ...change } })
}
const addSignature = () =>
  put({ signatures: [...(commissioning.value?.signatures ?? []), { who: '', day: todayText() }] })
const addOpen = () =>
  put({ stillOpen: [...(commissioning.value?.stillOpen ?? []), { what: '', by: '' }] })
const dropOpen = (index: number) =>
  put({ stillOpen: commissioning.value?.stillOpen.filter((_, at) => at !== index) ?? [] })
const begin = () => put({ signedOn: todayText() })
const trouble = (tree: string) => ({
  path: viewAddress(store.id ?? '', 'commissioning', 'faults'),
  query: { tree },
})
const stepOf = (step: string) => ({
  path: viewAddress(store.id ?? '', 'commissioning'),
  query: { step },
})
</script>

<template>
  <div class="sign" data-sign-off>
    <section class="sheet">
      <h2>Measured against planned</h2>
      <p class="sentence" data-sign-sentence>{{ sentence }}</p>
      <ul class="measures">
        <li v-for="row in rows" :key="row.measure.id" :data-measure="row.measure.id">
          <div class="what">
            <strong>{{ row.measure.label }}</strong>
            <span class="soft small">{{ row.measure.how }}</span>
          </div>
          <VTextField
            :model-value="row.value ?? ''"
            :aria-label="`${row.measure.label}, measured`"
            :suffix="row.measure.unit"
            inputmode="decimal"
            placeholder="not yet"
            hide-details
            @update:model-value="setMeasured(row.measure.id, String($event))"
          />
          <div class="gauge">
            <SignOffGauge :tolerance="row.tolerance" :value="row.value" :judged="row.judged" />
            <span class="small">
              <strong v-if="row.judged" :class="row.judged" data-judged>{{
                judgedWords[row.judged]
              }}</strong>
              <span class="soft"> {{ orderText(row) }}</span>
              <template v-if="row.judged === 'otherwise'">
                · {{ row.measure.otherwise.says }}
                <NuxtLink
                  v-if="row.measure.otherwise.tree"
                  :to="trouble(row.measure.otherwise.tree)"
                  >Find the cause</NuxtLink
                >
                <NuxtLink
                  v-else-if="row.measure.otherwise.step"
                  :to="stepOf(row.measure.otherwise.step)"
                  >To the step</NuxtLink
                >
              </template>
            </span>
          </div>
        </li>
      </ul>
    </section>
    <section class="sheet" data-signatures>
      <h2>Signed off</h2>
      <p>
        {{
          signaturesNeeded === 1
            ? 'One person signs: they can run the machine alone.'
            : 'Two people sign: each can play, get a file back, read the lamp, shut it down, and say whom to call.'
        }}
      </p>
      <div v-for="(_, index) in commissioning?.signatures ?? []" :key="index" class="pair">
        <PlanField :path="`commissioning.signatures.${index}.who`" />
        <PlanField :path="`commissioning.signatures.${index}.day`" />
      </div>
      <h3>Still open</h3>
      <div v-for="(_, index) in commissioning?.stillOpen ?? []" :key="index" class="open">
        <PlanField :path="`commissioning.stillOpen.${index}.what`" />
        <PlanField :path="`commissioning.stillOpen.${index}.by`" />
        <VBtn size="small" variant="text" @click="dropOpen(index)">Remove</VBtn>
      </div>
      <div class="acts no-print">
        <VBtn
          v-if="(commissioning?.signatures.length ?? 0) < signaturesNeeded"
          size="small"
          variant="outlined"
          color="primary"
          data-add-signature
          @click="addSignature"
        >
          Sign
        </VBtn>
        <VBtn size="small" variant="text" @click="addOpen">Add what is still open</VBtn>
        <VBtn
          v-if="!commissioning?.signedOn"
          size="small"
          :disabled="signed < signaturesNeeded"
          color="primary"
          variant="flat"
          data-begin
          @click="begin"
        >
          Begin day 0
        </VBtn>
      </div>
      <PlanField v-if="commissioning?.signedOn" path="commissioning.signedOn" />
      <p class="soft small">
        {{
          commissioning?.signedOn
            ? 'Drift is told from these values, and the calendar begins on the next day.'
            : signed < signaturesNeeded
              ? 'Day 0 begins once it is signed.'
              : 'Day 0 can begin: drift is told from these values, and the calendar begins.'
        }}
      </p>
    </section>
  </div>
</template>

<style scoped>
.sign {
  display: grid;
  gap: 16px;
  min-width: 0;
}
.sentence {
  font-size: 1.02rem;
  margin: 2px 0 10px;
}
.measures {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 12px;
}
.measures li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px minmax(0, 1.3fr);
  gap: 14px;
  align-items: center;
}
.what {
  display: grid;
}
.gauge {
  display: grid;
  gap: 2px;
}
.gauge strong {
  margin-right: 6px;
}
.otherwise {
  color: rgb(var(--v-theme-state-short));
}
.note {
  color: rgb(var(--v-theme-state-tight));
}
.inOrder {
  color: rgb(var(--v-theme-state-ample));
}
.pair {
  display: grid;
  grid-template-columns: 1.4fr 1fr;
  gap: 8px;
  max-width: 520px;
  margin-bottom: 10px;
}
.open {
  display: grid;
  grid-template-columns: 2fr 1fr auto;
  gap: 8px;
  max-width: 720px;
  align-items: center;
  margin-bottom: 10px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 10px 0;
}
h3 {
  font-size: 0.95rem;
  margin: 10px 0 6px;
}
@media (max-width: 760px) {
  .measures li,
  .open {
    grid-template-columns: minmax(0, 1fr);
    gap: 6px;
  }
}
</style>
