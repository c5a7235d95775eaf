<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { ways as wayNames } from '~~/core/tiers/search/frame'
import type { WayBuild } from '~~/core/tiers/search/wayBuild'
import InspectorPanel from '~/components/common/InspectorPanel.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import type { useWays } from '~/composables/useWays'
import { viewAddress } from '~/composables/views'
import { lacksText } from './lacksText'
import WayLook from './WayLook.vue'
import { fieldBuilds, keyOf } from './waysLayout'

/**
 * The build that is picked, beside the field: what it comes to, to apply or to keep as a plan of
 * its own.
 */
const props = defineProps<{ ways: ReturnType<typeof useWays>; span: string }>()
const picked = defineModel<string | null>('picked', { required: true })
const { rows, apply, fork } = props.ways
const router = useRouter()
const { money, quantity, number } = useFormat()
const builds = computed(() => fieldBuilds(rows.value))
const at = computed(() => builds.value.findIndex(({ build }) => keyOf(build) === picked.value))
const shown = computed(() => builds.value[at.value] ?? null)
const canApply = computed(
  () =>
    shown.value !== null && shown.value.build.way !== 'stay' && shown.value.build.second === null,
)
async function keep(build: WayBuild): Promise<void> {
  const id = await fork(build).catch(() => null)
  if (id) await router.push(viewAddress(id, 'brief'))
}
function step(by: number): void {
  const next = builds.value[(at.value + by + builds.value.length) % builds.value.length]
  if (next) picked.value = keyOf(next.build)
}
</script>

<template>
  <InspectorPanel
    v-if="shown"
    :heading="shown.build.label || wayNames[shown.build.way]"
    :index="at"
    :count="builds.length"
    @close="picked = null"
    @step="step"
  >
    <p>
      <strong>{{ wayNames[shown.build.way] }}</strong>, {{ shown.build.drives }}.
      {{ shown.meets ? 'It meets the whole need.' : lacksText(shown.build.lacks) }}
    </p>
    <div class="acts">
      <VBtn v-if="canApply" color="primary" variant="flat" size="small" @click="apply(shown.build)">
        Apply
      </VBtn>
      <VBtn
        v-if="shown.build.way !== 'stay'"
        variant="outlined"
        size="small"
        @click="keep(shown.build)"
      >
        {{ shown.build.second ? 'Keep both as new plans' : 'Keep as a new plan' }}
      </VBtn>
    </div>
    <dl v-if="shown.build.second" class="facts">
      <dt>To pay now</dt>
      <dd>{{ money(shown.build.toPay) }}</dd>
      <dt>Over {{ span }}</dt>
      <dd>{{ money(shown.build.horizonCost) }}</dd>
      <dt>Conversions</dt>
      <dd>{{ number(shown.build.possible) }}</dd>
      <dt>Room</dt>
      <dd>{{ quantity(shown.build.roomTB, 'TB') }}</dd>
      <dt>Idle</dt>
      <dd>{{ quantity(shown.build.idleW, 'W') }}</dd>
      <dt>Free bays</dt>
      <dd>{{ number(shown.build.freeBays) }}</dd>
    </dl>
    <WayLook :build="shown.build" :ways="ways" />
    <p v-if="shown.build.second" class="soft">
      One machine stores, {{ shown.build.second.label }} converts. Work is kept apart; both take
      power, and {{ money(shown.build.second.linkPrice) }} link them. They are two plans: keep both,
      and compare them with one machine.
    </p>
    <PlanField path="brief.budget" />
    <PlanField path="choices.horizonYears" />
  </InspectorPanel>
</template>

<style scoped>
.facts {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 4px 12px;
  margin: 12px 0;
}
.facts dd {
  font-variant-numeric: tabular-nums;
  font-weight: 600;
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  margin: 12px 0;
}
</style>
