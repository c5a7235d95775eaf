<script setup lang="ts">
import { computed, ref } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { mayVent } from '~~/core/machine/place/standsIn'
import { conditions } from '~~/core/tiers/conditions/conditions'
import type { ConditionId, ConditionState } from '~~/core/tiers/conditions/conditionIds'
import type { WayBuild } from '~~/core/tiers/search/wayBuild'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import { useSearch } from '~/composables/useSearch'
import { useObjective } from '~/composables/useWays'
import { usePlanStore } from '~/stores/planStore'

/**
 * What a practitioner would not do without, as a row of chips: each with its state at a build, and
 * with what it costs, once that is found in the background. A press opens its switch.
 */
const {
  build,
  priced = false,
  folded = false,
} = defineProps<{
  build: WayBuild | null
  /** prices are asked for */
  priced?: boolean
  /** only what wants a look is shown at first */
  folded?: boolean
}>()
const store = usePlanStore()
const { money } = useFormat()
const objective = useObjective()
const prices = priced
  ? useSearch('prices', () => ({ objective: objective.value }), 1500).progress
  : ref(null)
const words: Readonly<Record<ConditionState, string>> = {
  met: 'met',
  tight: 'just met',
  fails: 'not met',
  off: 'off',
  notAsked: 'not asked',
  notKnown: 'not known',
}
/** A mark for each state beside its word: a wall that holds, one that just does, a gap. */
const marks: Readonly<Record<ConditionState, string>> = {
  met: 'M2 4h12v8H2z',
  tight: 'M2 4h9v8H2zM13 4h1v8h-1z',
  fails: 'M2 4h4v8H2zM10 4h4v8h-4z',
  off: 'M2 11h12v1H2z',
  notAsked: 'M2 7.500h12v1H2z',
  notKnown: 'M2 4h1v8H2zM13 4h1v8h-1z',
}
const picked = ref<ConditionId | null>(null)
const chips = computed(() =>
  conditions.map(condition => {
    const { id, isOn } = condition
    const isAsked = store.plan !== null && isOn(store.plan, catalogue)
    const state: ConditionState = !isAsked
      ? 'off'
      : (build?.conditions.find(judged => judged.id === id)?.state ?? 'notKnown')
    const price = isAsked ? prices.value?.prices.find(each => each.id === id) : undefined
    return {
      ...condition,
      isAsked,
      state,
      cost: !price
        ? ''
        : price.blocks
          ? 'nothing meets it'
          : price.price === null
            ? ''
            : money(Math.round(price.price)),
    }
  }),
)
const isOpen = ref(false)
const wantsLook = (state: ConditionState) =>
  state === 'fails' || state === 'tight' || state === 'notKnown'
const shown = computed(() =>
  folded && !isOpen.value ? chips.value.filter(({ state }) => wantsLook(state)) : chips.value,
)
const chosen = computed(() => chips.value.find(({ id }) => id === picked.value) ?? null)
const together = computed(() => {
  const sum = prices.value?.together
  return typeof sum === 'number' ? `All of them together cost ${money(Math.round(sum))}.` : ''
})
function flip(): void {
  const condition = chosen.value
  if (condition?.switched && store.plan)
    store.replace(condition.switched(store.plan, !condition.isAsked))
}
</script>

<template>
  <div class="conditions no-print">
    <ul aria-label="Conditions of the need">
      <li v-for="chip in shown" :key="chip.id">
        <button
          type="button"
          class="plain-button"
          :class="chip.state"
          :aria-expanded="picked === chip.id"
          :data-condition="chip.id"
          :data-state="chip.state"
          @click="picked = picked === chip.id ? null : chip.id"
        >
          <svg viewBox="0 0 16 16" aria-hidden="true"><path :d="marks[chip.state]" /></svg>
          <span>{{ chip.label }}</span>
          <span class="state">{{ words[chip.state] }}</span>
          <span v-if="chip.cost" class="cost">{{ chip.cost }}</span>
        </button>
      </li>
      <li v-if="folded">
        <button
          type="button"
          class="plain-button"
          :aria-expanded="isOpen"
          data-all-conditions
          @click="isOpen = !isOpen"
        >
          {{ isOpen ? 'Fewer' : `All ${chips.length} conditions` }}
        </button>
      </li>
    </ul>
    <div v-if="chosen" class="set" data-condition-set>
      <p class="small">{{ chosen.help }}</p>
      <VBtn v-if="chosen.switched" size="small" variant="outlined" color="primary" @click="flip">
        {{ chosen.isAsked ? 'Do without it' : 'Ask for it' }}
      </VBtn>
      <PlanField v-if="chosen.id === 'shelf'" path="brief.shelfWidthMm" />
      <PlanField v-if="chosen.id === 'shelf'" path="brief.shelfHeightMm" />
      <PlanField v-if="chosen.id === 'shelf'" path="brief.shelfDepthMm" />
      <PlanField
        v-if="chosen.state === 'notKnown' && (chosen.id === 'quiet' || chosen.id === 'coolDrives')"
        path="brief.place"
      />
      <PlanField
        v-else-if="chosen.id === 'coolDrives' && mayVent(store.plan?.brief)"
        path="brief.ventsMayBeMade"
      />
      <PlanField v-else-if="chosen.id === 'loss' && chosen.isAsked" :path="chosen.field" />
      <PlanField v-else-if="chosen.id === 'skill'" :path="chosen.field" placeholder="3" />
      <PlanField v-else-if="chosen.id === 'spareBays' && chosen.isAsked" :path="chosen.field" />
      <PlanField v-else-if="chosen.id === 'survives'" :path="chosen.field" placeholder="1 or 2" />
    </div>
    <p v-if="together" class="soft small">
      {{ together }} Their prices do not add up: two may ask for the same.
    </p>
  </div>
</template>

<style scoped>
.conditions {
  display: flex;
  flex-direction: column;
  gap: 6px;
}
ul {
  list-style: none;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
}
button {
  display: flex;
  align-items: center;
  gap: 5px;
  min-height: 26px;
  padding: 2px 8px;
  font-size: 0.8rem;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 4px;
}
button svg {
  width: 13px;
  height: 13px;
  fill: rgb(var(--v-theme-wall));
}
button[aria-expanded='true'] {
  border-color: rgb(var(--v-theme-primary));
}
.fails svg {
  fill: rgb(var(--v-theme-error));
}
.off,
.notAsked {
  border-style: dashed;
  color: rgb(var(--v-theme-ink-soft));
}
.state,
.cost {
  color: rgb(var(--v-theme-ink-soft));
  font-variant-numeric: tabular-nums;
}
.cost {
  font-weight: 600;
}
.set {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  border-left: 3px solid rgb(var(--v-theme-primary));
  padding: 4px 12px;
}
.set .plan-field {
  width: 230px;
}
</style>
