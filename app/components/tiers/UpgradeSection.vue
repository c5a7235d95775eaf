<script setup lang="ts">
import { computed } from 'vue'
import StateMark from '~/components/common/StateMark.vue'
import WholeNeedLink from '~/components/common/WholeNeedLink.vue'
import { plenty } from '~~/core/tiers/search/upgradePath'
import type { UpgradeStep } from '~~/core/tiers/search/upgradePath'
import { useFormat } from '~/composables/useFormat'
import { useProposal } from '~/composables/useProposal'
import { useSearch } from '~/composables/useSearch'
import { usePlanStore } from '~/stores/planStore'

/** Which limit binds next, what relieves it for least, and what comes after that. */
const store = usePlanStore()
const { progress, running } = useSearch('upgrade', () => null)
const { money, share } = useFormat()
const { look, apply } = useProposal()
const steps = computed(() => progress.value ?? [])
const total = computed(() => steps.value.reduce((sum, { price }) => sum + price, 0))
const width = (ratio: number) => `${Math.min(1, ratio / 2) * 100}%`
const planOf = ({ plan }: UpgradeStep) =>
  store.plan && { ...store.plan, machine: plan.machine, drives: plan.drives, network: plan.network }
</script>

<template>
  <section class="sheet">
    <p class="sentence">
      {{
        running && !steps.length
          ? 'Every single change is tried.'
          : steps.length
            ? `The limit that binds now is ${steps[0]!.limit.label.toLowerCase()}; ${steps.length === 1 ? 'one step relieves it' : 'two steps ahead'} for ${money(total)}.`
            : `No single part, drive or layout raises the smallest headroom, or all of them are more than ${plenty} times what is needed.`
      }}
    </p>
    <ol>
      <li
        v-for="(step, at) in steps"
        :key="step.label"
        :data-step="at"
        @pointerenter="look(planOf(step))"
        @pointerleave="look(null)"
      >
        <h2>{{ at + 1 }}. {{ step.limit.label }} <StateMark :state="step.limit.state" /></h2>
        <p>{{ step.limit.sentence }}</p>
        <div
          class="track"
          role="img"
          :aria-label="`Possible against needed: ${share(step.before)} before, ${share(step.after)} after`"
        >
          <span class="after" :style="{ width: width(step.after) }" /><span
            class="before"
            :style="{ width: width(step.before) }"
          /><span class="needed"><small>needed</small></span>
        </div>
        <p>
          <strong>{{ step.label }}</strong>: {{ money(step.price) }}. From
          {{ share(step.before) }} of what is needed to {{ share(step.after) }}.
        </p>
        <VBtn
          size="small"
          variant="outlined"
          color="primary"
          @focus="look(planOf(step))"
          @blur="look(null)"
          @click="apply(planOf(step))"
        >
          Apply{{ at > 0 ? ' both' : '' }}
        </VBtn>
      </li>
    </ol>
    <p class="soft small">
      A step is the cheapest single change that raises the smallest headroom, money apart, and
      pushes no other below what is needed. Prices of new parts and drives; nothing is counted for
      what is taken out.
      <WholeNeedLink question="Each step starts from the machine and drives in the plan." />
    </p>
  </section>
</template>

<style scoped>
.sentence {
  font-size: 1.06rem;
  margin-bottom: 14px;
}
ol {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  gap: 20px;
}
.track {
  position: relative;
  height: 26px;
  background: rgb(var(--v-theme-surface-light));
  border-radius: 3px;
  margin: 18px 0 8px;
}
.track > span {
  position: absolute;
  inset: 0 auto 0 0;
  border-radius: 3px;
}
.after {
  background: rgba(var(--v-theme-water), 0.55);
}
.before {
  background: rgb(var(--v-theme-water));
}
.track .needed {
  left: 50%;
  border-left: 3px solid rgb(var(--v-theme-on-surface));
  top: -5px;
  bottom: -5px;
  border-radius: 0;
}
.needed small {
  position: absolute;
  top: -15px;
  left: -3px;
  white-space: nowrap;
}
</style>
