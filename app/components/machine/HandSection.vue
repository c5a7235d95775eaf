<script setup lang="ts">
import { headroomWords } from '~~/core/headrooms'
import { withinSentence } from '~~/core/withinSentence'
import { computed, ref } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { namesOf } from '~~/core/machine/fit/fitFixes'
import { maxAtHand } from '~~/core/plan/constants'
import type { HandBuild } from '~~/core/tiers/search/handBuilds'
import { yearsCost, type WayBuild } from '~~/core/tiers/search/wayBuild'
import PickList from '~/components/common/PickList.vue'
import PlanField from '~/components/common/PlanField.vue'
import { lackingText } from '~/components/tiers/lacksText'
import { useBackground } from '~/composables/useBackground'
import { useFormat } from '~/composables/useFormat'
import { fieldElementId } from '~/composables/views'
import { withBuild } from '~/composables/withBuild'
import { usePlanStore } from '~/stores/planStore'

/** Computers that are in the house already: the best build around each, by the one search. */
const store = usePlanStore()
const { money, quantity, share } = useFormat()
const atHand = computed(() => store.plan?.machine.atHand ?? [])
const picked = ref<number | null>(null)
const { result, working } = useBackground(
  'compare',
  () => (store.plan && atHand.value.length ? store.plan : null),
  (core, plan) => core.handBuilds(plan),
)
const ofIndex = (index: number): HandBuild | null =>
  result.value?.computers.length === atHand.value.length
    ? (result.value.computers[index] ?? null)
    : null
const bestOf = (entry: HandBuild): WayBuild | null => entry.build ?? entry.closest
const verdicts = {
  base: 'Base of the machine',
  secondMachine: 'Second machine, for copies',
  leave: 'Leave it',
} as const
const paths = {
  base: 'M2 13h12v-2.500H2zM4 9h8V2.500H4z',
  secondMachine: 'M2 13h5V6H2zM9 13h5V3H9z',
  leave: 'M3 7h10v2H3z',
} as const
const words = (ids: readonly string[]) => ids.map(id => headroomWords(id)?.name ?? id).join(', ')
function sentence(entry: HandBuild): string {
  const lacks = entry.lacks.length
    ? `As it is, with the drives of the plan, it lacks: ${words(entry.lacks)}. `
    : ''
  const parts = entry.parts.length ? namesOf(entry.parts, catalogue).join(' and ') : ''
  if (entry.build)
    return `${lacks}With ${parts ? `${parts} and ` : ''}${entry.build.drives} it meets the need.`
  return entry.closest
    ? `${lacks}Nothing around it meets the need. Closest: ${entry.closest.drives}. ${lackingText(entry.closest)}`
    : `${lacks}Nothing that can be put in mends that.`
}
const applied = (entry: HandBuild) => {
  const build = bestOf(entry)
  return store.plan && build ? withBuild(store.plan, build) : null
}
function look(entry: HandBuild | null): void {
  store.tried = entry && applied(entry)
}
function apply(entry: HandBuild): void {
  const plan = applied(entry)
  look(null)
  if (plan) store.replace(plan)
}
</script>

<template>
  <div class="columns">
    <section class="sheet">
      <p class="sentence">
        {{
          atHand.length === 0
            ? 'Which computers are in the house already? Each is tried as the base of the machine.'
            : working && !result
              ? 'Trying each as the base …'
              : result?.bought
                ? `On what is bought, ${result.bought.label} costs least over the years: ${money(yearsCost(result.bought))}, ${money(result.bought.toPay)} of it now. The best build around each of these is held against it.`
                : 'Nothing that is bought meets the need, so each stands by itself.'
        }}
      </p>
      <ul class="cards">
        <li v-for="(computer, index) in atHand" :key="index" :data-hand="index">
          <template v-if="ofIndex(index)">
            <p class="verdict">
              <svg viewBox="0 0 16 16" aria-hidden="true">
                <path :d="paths[ofIndex(index)!.verdict]" />
              </svg>
              <strong
                >{{ ofIndex(index)!.name }}:
                {{ withinSentence(verdicts[ofIndex(index)!.verdict]) }}</strong
              >
            </p>
            <p>{{ sentence(ofIndex(index)!) }}</p>
            <dl>
              <template v-if="bestOf(ofIndex(index)!)">
                <dt>To pay now, with drives</dt>
                <dd>{{ money(bestOf(ofIndex(index)!)!.toPay) }}</dd>
                <dt>Over the years</dt>
                <dd>{{ money(bestOf(ofIndex(index)!)!.horizonCost) }}</dd>
              </template>
              <dt>Chance that it is dead, in money</dt>
              <dd>{{ money(ofIndex(index)!.risk.dead) }}</dd>
              <dt>Not sold</dt>
              <dd>
                {{ ofIndex(index)!.risk.worth ? money(ofIndex(index)!.risk.worth) : 'nothing' }}
              </dd>
              <template v-if="bestOf(ofIndex(index)!)">
                <dt>Together</dt>
                <dd>
                  <strong>{{ money(yearsCost(bestOf(ofIndex(index)!)!)) }}</strong>
                </dd>
                <dt>Idle</dt>
                <dd>{{ quantity(bestOf(ofIndex(index)!)!.idleW, 'W') }}</dd>
              </template>
            </dl>
            <VBtn
              v-if="bestOf(ofIndex(index)!)"
              size="small"
              variant="outlined"
              color="primary"
              class="no-print"
              :aria-label="`Apply: build on ${ofIndex(index)!.name}`"
              @pointerenter="look(ofIndex(index))"
              @pointerleave="look(null)"
              @focus="look(ofIndex(index))"
              @blur="look(null)"
              @click="apply(ofIndex(index)!)"
            >
              Build on it
            </VBtn>
          </template>
          <p v-else class="soft">{{ computer.name || `Computer ${index + 1}` }}: trying it …</p>
        </li>
      </ul>
    </section>
    <section class="sheet side">
      <PickList
        :id="fieldElementId('machine.atHand')"
        v-model:picked="picked"
        :entries="atHand"
        path="machine.atHand"
        add="Add a computer"
        :full="atHand.length >= maxAtHand"
        :name="(computer, index) => computer.name || `Computer ${index + 1}`"
        @add="store.edit('machine.atHand', [...atHand, { ref: 'clerk-17' }])"
        @remove="
          index =>
            store.edit(
              'machine.atHand',
              atHand.filter((_, other) => other !== index),
            )
        "
      >
        <template #line="{ entry, index }">
          <span
            ><strong>{{ entry.name || `Computer ${index + 1}` }}</strong
            >{{ ' ' }}
            <span class="soft"
              >{{ entry.faults
              }}{{ entry.deadChance === null ? '' : ` ${share(entry.deadChance)} dead` }}</span
            ></span
          >
        </template>
        <template #default="{ index }">
          <PlanField :path="`machine.atHand.${index}.name`" />
          <PlanField :path="`machine.atHand.${index}.ref`" />
          <PlanField :path="`machine.atHand.${index}.score`" />
          <PlanField :path="`machine.atHand.${index}.memoryGB`" />
          <PlanField :path="`machine.atHand.${index}.bays`" />
          <PlanField :path="`machine.atHand.${index}.idleW`" />
          <PlanField :path="`machine.atHand.${index}.usedHoursPerDay`" />
          <template v-if="(atHand[index]?.usedHoursPerDay ?? 0) > 0">
            <PlanField :path="`machine.atHand.${index}.usedShare`" />
            <PlanField :path="`machine.atHand.${index}.usedEngineToo`" />
            <PlanField :path="`machine.atHand.${index}.restartsPerWeek`" />
          </template>
          <PlanField :path="`machine.atHand.${index}.lastSeen`" />
          <PlanField :path="`machine.atHand.${index}.deadChance`" />
          <PlanField :path="`machine.atHand.${index}.faults`" />
          <PlanField :path="`machine.atHand.${index}.worth`" />
        </template>
      </PickList>
      <PlanField path="machine.diagnosisFee" />
      <p class="soft small">
        Start it and run it for an evening before it is taken apart. Memory, sockets and slots of
        old machines are no longer sold: spend little on what ends with them. The battery of an old
        laptop is a small UPS, and may swell: look at it first.
      </p>
    </section>
  </div>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.6fr) minmax(260px, 1fr);
}
.sentence {
  font-size: 1.02rem;
  margin-bottom: 12px;
}
.cards {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
  gap: 14px;
}
.cards li {
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 6px;
  padding: 12px;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.verdict {
  display: flex;
  gap: 8px;
  align-items: center;
}
.verdict svg {
  width: 16px;
  height: 16px;
  fill: rgb(var(--v-theme-wall));
  flex: none;
}
dl {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 3px 10px;
  font-size: 0.9rem;
}
dt {
  color: rgb(var(--v-theme-ink-soft));
}
dd {
  margin: 0;
  text-align: right;
  font-variant-numeric: tabular-nums;
}
</style>
