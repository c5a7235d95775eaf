<script setup lang="ts">
import { computed } from 'vue'
import { awayStreams } from '~~/core/network/awayStreams'
import { ladder } from '~~/core/catalogue/sentQualities'
import { editPlan } from '~~/core/plan/editPlan'
import WorkingLink from '~/components/common/WorkingLink.vue'
import { fieldElementId } from '~/composables/views'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'
import type { Variant } from '~/stores/workingStore'

/**
 * Quality against viewers: how many streams the line carries at each sent quality. Press one to
 * send it.
 */
const store = usePlanStore()
const { number } = useFormat()
const network = computed(() => store.plan?.network)
const asked = computed(() => store.assessment?.figures['household.watchingAwayAtOnce']?.value ?? 0)
const rungs = computed(() =>
  ladder.map(rung => ({
    ...rung,
    streams: network.value
      ? awayStreams({
          uploadMbps: store.assessment?.domains.network.uploadMbps ?? network.value.uploadMbps,
          reserveShare: network.value.uploadReserveShare,
          rungMbps: rung.rungMbps,
        })
      : 0,
  })),
)
const maxDots = 24
function variant(rungMbps: number): Variant | null {
  if (!store.plan || rungMbps === network.value?.awayRungMbps) return null
  const result = editPlan(store.plan, 'network.awayRungMbps', rungMbps)
  return result.ok ? { plan: result.plan, label: `Sent at ${number(rungMbps)} Mb/s` } : null
}
function choose(rungMbps: number): void {
  store.edit('network.awayRungMbps', rungMbps)
}
</script>

<template>
  <section :id="fieldElementId('network.awayRungMbps')" class="sheet">
    <h2>Quality against viewers away</h2>
    <p class="soft small">Each dot is a stream the line can carry; a ring is a viewer it cannot.</p>
    <fieldset>
      <legend class="visually-hidden">Quality sent away</legend>
      <label
        v-for="rung in rungs"
        :key="rung.rungMbps"
        class="rung"
        :class="{ chosen: rung.rungMbps === network?.awayRungMbps }"
        :data-rung="rung.rungMbps"
      >
        <input
          type="radio"
          name="rung"
          :checked="rung.rungMbps === network?.awayRungMbps"
          @change="choose(rung.rungMbps)"
        />
        <span class="quality">{{ rung.lines }}p</span>
        <span class="rate">{{ number(rung.rungMbps) }} Mb/s</span>
        <span class="dots" aria-hidden="true">
          <span
            v-for="dot in Math.min(maxDots, Math.max(rung.streams, asked))"
            :key="dot"
            class="dot"
            :class="{ carried: dot <= rung.streams, asked: dot <= asked }"
          />
        </span>
        <span class="count"
          ><WorkingLink
            figure="network.awayStreams"
            :variant="variant(rung.rungMbps)"
            :name="`Streams at ${number(rung.rungMbps)} Mb/s`"
            >{{ rung.streams }} {{ rung.streams === 1 ? 'stream' : 'streams' }}</WorkingLink
          >{{ rung.streams < asked ? `, ${asked} needed` : '' }}</span
        >
      </label>
    </fieldset>
  </section>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0;
}
.rung {
  display: grid;
  grid-template-columns: 22px 58px 80px 1fr auto;
  gap: 8px;
  align-items: center;
  padding: 6px 8px;
  border-bottom: 1px solid rgb(var(--v-theme-hairline));
  cursor: pointer;
}
.rung:hover {
  background: rgb(var(--v-theme-surface-light));
}
.rung.chosen {
  background: rgba(var(--v-theme-primary), 0.12);
}
input {
  accent-color: rgb(var(--v-theme-primary));
}
.quality {
  font-weight: 600;
}
.rate,
.count {
  font-variant-numeric: tabular-nums;
  font-size: 0.9rem;
}
.dots {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.dot {
  width: 13px;
  height: 13px;
  border-radius: 50%;
  border: 1.5px solid rgb(var(--v-theme-state-short));
}
.dot.carried {
  background: rgba(var(--v-theme-water), 0.5);
  border-color: rgb(var(--v-theme-water-line));
}
.dot.carried.asked {
  background: rgb(var(--v-theme-water-line));
}
@media (max-width: 600px) {
  .rung {
    grid-template-columns: 22px 50px 74px 1fr;
  }
  .count {
    grid-column: 2 / -1;
  }
}
</style>
