<script setup lang="ts">
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { navigateTo } from '#imports'
import { ownedLots } from '~~/core/tiers/builds'
import { layoutLabel } from '~~/core/tiers/search/names'
import { ways as wayNames } from '~~/core/tiers/search/frame'
import { failedConditions, meetsAll, type WayBuild } from '~~/core/tiers/search/wayBuild'
import type { Because } from '~~/core/tiers/search/bestBuilds'
import { counted } from '~~/core/units/counted'
import { withinSentence } from '~~/core/withinSentence'
import type { VerdictState } from '~~/core/verdict'
import ConditionChips from '~/components/tiers/ConditionChips.vue'
import { lackingText, tightText } from '~/components/tiers/lacksText'
import { missingCopyName, missingCopyPrice } from '~/composables/missingCopyText'
import { useFormat } from '~/composables/useFormat'
import { useSearch } from '~/composables/useSearch'
import { viewAddress } from '~/composables/views'
import { makesVents, withBuild } from '~/composables/withBuild'
import { usePlanStore } from '~/stores/planStore'
import BuildCard from './BuildCard.vue'

/** What to buy for these answers: best over the years, best now, best of another kind. */
const store = usePlanStore()
const { money } = useFormat()
const searchDelayMs = 250
const search = useSearch(
  'best',
  () => ({ budget: store.plan?.brief.budget ?? null }),
  searchDelayMs,
)
const found = search.progress
/** What is shown is for other answers until the search has taken them up. */
const isPending = ref(false)
let pending: ReturnType<typeof setTimeout> | undefined
watch(
  () => store.plan,
  () => {
    isPending.value = true
    clearTimeout(pending)
    pending = setTimeout(() => (isPending.value = false), 2 * searchDelayMs)
  },
)
const isWorking = computed(() => isPending.value || search.running.value)
const isEmpty = computed(() => store.assessment?.domains.library.empty ?? true)
const horizon = computed(() => store.plan?.choices.horizonYears ?? 5)
const figure = (id: string) => store.assessment?.figures[id]?.value ?? 0
const needs = computed(() => ({
  conversions: figure('streams.asked'),
  room: figure('library.contentAtHorizonTB'),
}))
const reasons = computed<Readonly<Record<Because, string>>>(() => ({
  years: `Costs least over ${counted(horizon.value, 'year')}`,
  now: 'Costs least now',
  otherKind: 'The best of another kind',
}))
const headings = (because: readonly Because[]) =>
  because
    .map((id, at) => (at === 0 ? reasons.value[id] : withinSentence(reasons.value[id])))
    .join(' and ')

function stateOf(build: WayBuild): VerdictState {
  if (!meetsAll(build)) return 'short'
  return build.conditions.some(({ state }) => state === 'tight') ? 'tight' : 'enough'
}
/** Over a build that does not meet everything: what it takes to be one that does. */
function closestHeading(build: WayBuild): string {
  if (build.lacks.length > 0) return 'Comes closest'
  return failedConditions(build).length > 0 ? 'But for a condition' : 'For more money'
}
const cards = computed(() =>
  isEmpty.value
    ? []
    : [
        ...(found.value?.builds ?? []).map(({ because, build }) => ({
          build,
          heading: headings(because),
        })),
        ...(found.value?.closest ?? []).map(build => ({
          build,
          heading: closestHeading(build),
        })),
      ].map(({ build, heading }) => {
        const owned = store.plan ? ownedLots(store.plan) : []
        const lots = build.plan.drives.lots.map(lot => ({
          count: lot.count,
          sizeTB: lot.sizeTB,
          isOwned: owned.includes(lot) || lot.condition === 'owned',
        }))
        const drives = lots.reduce((sum, { count }) => sum + count, 0)
        return {
          build,
          heading,
          lots,
          drives,
          key: `${build.way} ${build.label} ${build.drives}`,
          state: stateOf(build),
          bays: build.freeBays + drives,
          detail: `${wayNames[build.way]}, ${layoutLabel(build.plan.drives.layout)}`,
          note: lackingText(build) || tightText(build),
        }
      }),
)
const copyText = computed(() => {
  const copy = found.value?.copy
  return copy
    ? `Every sum holds a copy away of what cannot be replaced, ${missingCopyPrice(copy, money)}: ` +
        `${missingCopyName(copy)}.`
    : ''
})
const ventsSentence = computed(() => {
  const { plan } = store
  const builds = cards.value.map(({ build }) => build)
  const vented = builds.filter(build => plan && makesVents(plan, build))
  if (vented.length === 0) return ''
  const who =
    builds.length > 1 && vented.length === builds.length
      ? 'All of them count'
      : vented.length === 1
        ? `${vented[0]!.label} counts`
        : `${vented[0]!.label} and ${vented[1]!.label} count`
  return `${who} on vents in the cupboard, below and above: they have to be made.`
})
const heading = computed(() =>
  isEmpty.value
    ? 'What to buy'
    : found.value && found.value.closest.length > 0
      ? 'Nothing meets all of it. The closest:'
      : 'What to buy',
)
const status = computed(() => {
  if (isEmpty.value) return 'Say what is kept; the builds that hold it stand here.'
  if (search.failed.value) return 'The search broke off. Change an answer, or reload the page.'
  if (isWorking.value || !found.value) return 'Searching the catalogue …'
  if (found.value.builds.length === 0 && found.value.closest.length === 0)
    return 'No build in the catalogue comes close. Tiers says which parts of the need clash.'
  return 'The same search as under Tiers, where all ways of building stand side by side.'
})
const applied = (build: WayBuild) => store.plan && withBuild(store.plan, build)
async function apply(build: WayBuild): Promise<void> {
  const plan = applied(build)
  store.tried = null
  if (!plan) return
  store.replace(plan)
  await navigateTo(viewAddress(store.id ?? '', 'brief'))
}
function preview(build: WayBuild | null): void {
  store.tried = build && applied(build)
}
onBeforeUnmount(() => {
  clearTimeout(pending)
  preview(null)
})
</script>

<template>
  <section class="ways" aria-label="Builds for your answers" data-results>
    <h2>{{ heading }}</h2>
    <p class="soft small" role="status">
      {{ status }}
      <NuxtLink v-if="!isEmpty" :to="viewAddress(store.id ?? '', 'tiers')"> All ways </NuxtLink>
    </p>
    <ConditionChips v-if="!isEmpty" :build="cards[0]?.build ?? null" folded />
    <div class="cards" :aria-busy="isWorking">
      <BuildCard
        v-for="card in cards"
        :key="card.key"
        :heading="card.heading"
        :name="card.build.label"
        :detail="card.detail"
        :bays="card.bays"
        :drives="card.drives"
        :lots="card.lots"
        :to-pay="card.build.toPay"
        :over-years="card.build.horizonCost"
        :years="horizon"
        :idle-w="card.build.idleW"
        :conversions="{ needed: needs.conversions, possible: card.build.possible }"
        :room="{ needed: needs.room, possible: card.build.roomTB }"
        :state="card.state"
        :lacks="card.note"
        :data-build="card.build.label"
        @pointerenter="preview(card.build)"
        @pointerleave="preview(null)"
        @focusin="preview(card.build)"
        @focusout="preview(null)"
      >
        <!-- What is still shown for other answers is read on, and not applied. -->
        <VBtn
          v-if="card.build.way !== 'stay'"
          color="primary"
          variant="flat"
          size="small"
          :disabled="isWorking"
          :aria-label="`Apply ${card.build.label}`"
          @click="apply(card.build)"
        >
          Apply
        </VBtn>
      </BuildCard>
    </div>
    <p v-if="copyText" class="small">{{ copyText }}</p>
    <p v-if="ventsSentence" class="small" data-vents>{{ ventsSentence }}</p>
    <p v-if="cards.some(card => card.lots.some(({ isOwned }) => isOwned))" class="small">
      Putting drives under another layout erases them: copy what they hold to somewhere else first,
      and read it back.
    </p>
    <p class="soft small">
      Models are invented and prices are planning values; drives that you own are used where that is
      cheaper. Applying a build can be undone, and every answer can be refined later.
    </p>
  </section>
</template>

<style scoped>
.ways {
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.ways a {
  color: rgb(var(--v-theme-primary));
}
.cards {
  display: grid;
  gap: 8px;
  align-items: stretch;
}
</style>
