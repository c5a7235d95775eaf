<script setup lang="ts">
import { headroomOrder } from '~~/core/headrooms'
import { layouts } from '~~/core/drives/layouts/layouts'
import { computed, onBeforeUnmount } from 'vue'
import { navigateTo } from '#imports'
import { catalogue, entryOf } from '~~/core/catalogue/catalogue'
import { ownedLots } from '~~/core/tiers/builds'
import { applyBuild, type BuildForNeed } from '~~/core/tiers/cheapestBuilds'
import { worseState, type VerdictState } from '~~/core/verdict'
import { joinClauses, verdictClause } from '~~/core/verdictClauses'
import { useBackground } from '~/composables/useBackground'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import BuildCard from './BuildCard.vue'

/**
 * What the answers come to, and the cheapest builds that meet it; a machine that is owned comes
 * first.
 */
const store = usePlanStore()
const shown = 3
const { result, working } = useBackground(
  'compare',
  () => store.plan,
  (work, plan) => work.cheapestBuilds(plan, shown),
  250,
)
const builds = computed(() => result.value ?? [])
const figure = (id: string) => store.assessment?.figures[id]?.value ?? 0
const needs = computed(() => ({
  conversions: figure('streams.asked'),
  room: figure('library.contentAtHorizonTB'),
}))

/** What falls short, as clauses; the headrooms are those of the plan as it is, told as short. */
function lacksText({ lacks }: BuildForNeed, state: VerdictState): string {
  if (lacks.length)
    return `${joinClauses(lacks.map(id => verdictClause(shortVerdict(id))))}.`.replace(
      /^./,
      first => first.toUpperCase(),
    )
  return (
    'It meets every ' +
    `need${state === 'tight' ? ', with little to spare' : ''}${isEmpty.value ? '; space cannot be judged until you say what is kept' : ''}.`
  )
}
const shortVerdict = (id: string) => ({
  ...store.assessment!.verdicts.find(verdict => verdict.id === id)!,
  state: 'short' as const,
  asked: null,
  possible: null,
})
const isEmpty = computed(() => figure('library.contentAtHorizonTB') === 0)
function stateOf({ evaluation, lacks }: BuildForNeed): VerdictState {
  return lacks.length ? 'short' : headroomOrder.map(id => evaluation[id]).reduce(worseState)
}
const inShort = (id: string) => layouts.find(layout => layout.id === id)?.takesInShort ?? id
const cardsOf = computed(() =>
  (store.assessment ? builds.value : []).map(entry => {
    const {
      build: { base, converter, pool },
      evaluation,
    } = entry
    const known = base === null ? undefined : entryOf(catalogue.machineBases, base)
    const parts = [
      converter.processor && entryOf(catalogue.processors, converter.processor)?.name,
      converter.card && entryOf(catalogue.videoEngines, converter.card)?.label,
    ].filter(Boolean)
    const kind =
      base === null ? 'Your own computer' : known?.kind === 'board' ? 'Self-built' : 'Prebuilt'
    const lots = [
      ...(pool.keepsOwned && store.plan
        ? ownedLots(store.plan).map(lot => ({ ...lot, isOwned: true }))
        : []),
      ...(pool.count ? [{ count: pool.count, sizeTB: pool.sizeTB, isOwned: false }] : []),
    ]
    const drives = lots.reduce((sum, { count }) => sum + count, 0)
    const state = stateOf(entry)
    return {
      key: base ?? 'owned',
      entry,
      state,
      drives,
      lots,
      bays: evaluation.freeBays + drives,
      lacks: lacksText(entry, state),
      name: base === null ? store.plan?.machine.name || 'What you have' : (known?.label ?? base),
      detail: `${kind}${parts.length ? `, ${parts.join(', ')}` : ''}, ` + inShort(pool.layout),
    }
  }),
)
async function apply({ build }: BuildForNeed): Promise<void> {
  store.tried = null
  if (!store.plan) return
  store.replace(applyBuild(store.plan, build, catalogue))
  await navigateTo(viewAddress(store.id ?? '', 'brief'))
}
function preview(entry: BuildForNeed | null): void {
  store.tried = entry && store.plan ? applyBuild(store.plan, entry.build, catalogue) : null
}
onBeforeUnmount(() => preview(null))
</script>

<template>
  <section class="ways" aria-label="Builds for your answers" data-results>
    <h2>
      {{
        builds.length && builds.every(entry => entry.lacks.length)
          ? 'No build in the catalogue meets all of it. The closest:'
          : 'The cheapest builds that meet it'
      }}
    </h2>
    <p class="soft small" role="status">
      {{
        working || !result
          ? 'Searching the catalogue …'
          : builds.some(entry => entry.build.base === null)
            ? 'What you have, completed as cheaply as it goes, and the best builds on other machines.'
            : `The best build on each of ${builds.length} machines.`
      }}
    </p>
    <div class="cards" :aria-busy="working">
      <BuildCard
        v-for="card in cardsOf"
        :key="card.key"
        :name="card.name"
        :detail="card.detail"
        :bays="card.bays"
        :drives="card.drives"
        :lots="card.lots"
        :to-pay="card.entry.evaluation.toPay"
        :idle-w="card.entry.evaluation.idleW"
        :conversions="{ needed: needs.conversions, possible: card.entry.evaluation.possible }"
        :room="{ needed: needs.room, possible: card.entry.evaluation.roomTB }"
        :state="card.state"
        :lacks="card.lacks"
        :data-build="card.key"
        @pointerenter="preview(card.entry)"
        @pointerleave="preview(null)"
        @focusin="preview(card.entry)"
        @focusout="preview(null)"
      >
        <!-- What is still shown for other answers is read on, and not applied. -->
        <VBtn
          color="primary"
          variant="flat"
          size="small"
          :disabled="working"
          :aria-label="`Apply ${card.name}`"
          @click="apply(card.entry)"
        >
          Apply
        </VBtn>
      </BuildCard>
    </div>
    <p v-if="builds.some(entry => entry.build.pool.keepsOwned)" class="small">
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
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(250px, 1fr));
  gap: 12px;
  align-items: stretch;
}
</style>
