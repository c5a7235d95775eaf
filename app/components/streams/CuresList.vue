<script setup lang="ts">
import { computed, onBeforeUnmount } from 'vue'
import type { ConversionCure } from '~~/core/tiers/conversionCures'
import StateMark from '~/components/common/StateMark.vue'
import { useBackground } from '~/composables/useBackground'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/** What would help: devices, copies, cards, a processor; each with its effect, tried under the pointer. */
const store = usePlanStore()
const { money, number } = useFormat()
const { result, working } = useBackground('compare', () => store.plan, (work, plan) => work.cures(plan), 400)
const cures = computed(() => (result.value ?? []).slice(0, 9))
function cost({ price, extraTB }: ConversionCure): string {
  return [...(price === null ? [] : [price === 0 ? 'costs nothing' : `about ${money(price)}`]), ...(extraTB > 0.0005 ? [`${number(extraTB, 2)} TB more space`] : [])].join(', ')
}
const band = ({ possible }: ConversionCure) => possible ? possible.low === possible.high ? String(possible.likely) : `${possible.low}–${possible.high}` : '–'
function take(cure: ConversionCure): void {
  store.tried = null
  store.replace(cure.plan)
}
onBeforeUnmount(() => {
  store.tried = null
})
</script>

<template>
  <section
    class="sheet"
    :aria-busy="working"
    data-cures
  >
    <h2>What would help</h2>
    <p class="soft small">
      Fixes that meet the need come first, then by price. Hover or focus to preview it on the headroom line.
      <span
        v-if="working"
        role="status"
      >Calculating …</span>
    </p>
    <div
      class="scroll"
      tabindex="0"
      role="region"
      aria-label="Fixes compared"
    >
      <table
        class="data-table"
        @pointerleave="store.tried = null"
      >
        <thead>
          <tr>
            <th scope="col">
              Fix
            </th><th scope="col">
              Cost
            </th><th
              scope="col"
              class="number"
            >
              Needed
            </th><th
              scope="col"
              class="number"
            >
              Possible
            </th><th
              scope="col"
              class="number"
            >
              Min short
            </th><th scope="col">
              Then
            </th><th scope="col">
              <span class="visually-hidden">Apply</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr
            v-for="cure in cures"
            :key="cure.id"
            :data-cure="cure.id"
            @pointerenter="store.tried = cure.plan"
            @focusin="store.tried = cure.plan"
            @focusout="store.tried = null"
          >
            <td>{{ cure.label }}</td>
            <td class="soft">
              {{ cost(cure) }}
            </td>
            <td class="number">
              {{ cure.asked }}
            </td>
            <td class="number">
              {{ band(cure) }}
            </td>
            <td class="number">
              {{ cure.minutesShort ? cure.minutesShort.likely < 0.1 ? 'under 0.1' : number(cure.minutesShort.likely, 2) : '–' }}
            </td>
            <td>
              <StateMark
                :state="cure.state"
                small
              />
            </td>
            <td>
              <button
                type="button"
                class="plain-button link"
                :aria-label="`Apply: ${cure.label}`"
                @click="take(cure)"
              >
                Apply
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.scroll { overflow-x: auto; }
tbody tr:hover, tbody tr:focus-within { background: rgb(var(--v-theme-surface-light)); }
.link { color: rgb(var(--v-theme-primary)); text-decoration: underline; min-height: 24px; white-space: nowrap; }
</style>
