<script setup lang="ts">
import { computed, onBeforeUnmount } from 'vue'
import { navigateTo } from '#imports'
import { catalogue, entryOf } from '~~/core/catalogue/catalogue'
import { applyBuild, type BuildForNeed } from '~~/core/tiers/cheapestBuilds'
import { worseState, type VerdictState } from '~~/core/verdict'
import { joinClauses, verdictClause } from '~~/core/verdictClauses'
import { useBackground } from '~/composables/useBackground'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import BuildCard from './BuildCard.vue'

/** What the answers come to, and the cheapest builds that meet it. A machine of one's own stands beside them. */
const store = usePlanStore()
const shown = 3
const { result, working } = useBackground('compare', () => store.plan, (work, plan) => work.cheapestBuilds(plan, shown), 250)
const builds = computed(() => result.value ?? [])
const figure = (id: string) => store.assessment?.figures[id]?.value ?? 0
const needs = computed(() => ({ conversions: figure('streams.asked'), room: figure('library.contentAtHorizonTB') }))

function lacksText(ids: readonly string[], state: VerdictState): string {
  if (ids.length) return `${joinClauses(ids.map(id => verdictClause(verdictOf(id))))}.`.replace(/^./, first => first.toUpperCase())
  return `It meets every need${state === 'tight' ? ', with little to spare' : ''}${isEmpty.value ? '; space cannot be judged until you say what is kept' : ''}.`
}
/** A headroom that falls short, as far as its clause goes. */
const verdictOf = (id: string) => ({ ...store.assessment!.verdicts.find(verdict => verdict.id === id)!, state: 'short' as const, asked: null, possible: null })
const isEmpty = computed(() => figure('library.contentAtHorizonTB') === 0)
function stateOf({ evaluation, lacks }: BuildForNeed): VerdictState {
  const { streams, space, survival, home, away, fit, money } = evaluation
  return lacks.length ? 'short' : [streams, space, survival, home, away, fit, money].reduce(worseState)
}
function detail({ build: { base, converter, pool } }: BuildForNeed): string {
  const parts = [converter.processor && entryOf(catalogue.processors, converter.processor)?.name, converter.card && entryOf(catalogue.videoEngines, converter.card)?.label].filter(Boolean)
  const kind = entryOf(catalogue.machineBases, base)?.kind === 'board' ? 'Self-built' : 'Prebuilt'
  return `${kind}${parts.length ? `, ${parts.join(', ')}` : ''}, ${layoutWords[pool.layout] ?? pool.layout}`
}
const layoutWords: Readonly<Record<string, string>> = { 'separate': 'drives by themselves', 'mirror': 'a mirror', 'rotating-1': 'one parity drive\'s worth', 'rotating-2': 'two parity drives\' worth' }

const own = computed(() => {
  const assessment = store.assessment
  const plan = store.plan
  if (!assessment || !plan || plan.machine.condition !== 'owned' || !assessment.domains.streams.possible) return null
  const failing = assessment.verdicts.filter(({ id, state }) => (state === 'short' || state === 'impossible') && (id !== 'survival' || plan.drives.lots.length > 0))
  return {
    lacks: failing.map(verdict => verdict.id), state: assessment.domains.drives.count === 0 ? 'unknown' as const : failing.length ? 'short' as const : assessment.verdicts.map(verdict => verdict.state).reduce(worseState),
    bays: assessment.domains.machine.build.bays, drives: assessment.domains.drives.count, sizeTB: plan.drives.lots[0]?.sizeTB ?? 0,
  }
})
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
  <section
    class="ways"
    aria-label="Builds for your answers"
    data-results
  >
    <h2>{{ builds.length && builds.every(entry => entry.lacks.length) ? 'No build in the catalogue meets all of it. The closest:' : 'The cheapest builds that meet it' }}</h2>
    <p
      class="soft small"
      role="status"
    >
      {{ working || !result ? 'Searching the catalogue …' : `The best build on each of ${builds.length} machines.` }}
    </p>
    <div class="cards">
      <BuildCard
        v-if="own"
        name="What you have"
        detail="The computer and drives that are there already"
        :bays="own.bays"
        :drives="own.drives"
        :size-t-b="own.sizeTB"
        :to-pay="figure('ownership.purchase')"
        :idle-w="figure('machine.idleW')"
        :conversions="{ needed: needs.conversions, possible: figure('streams.possible') }"
        :room="{ needed: needs.room, possible: figure('drives.roomTB') }"
        :state="own.state"
        :lacks="own.drives ? lacksText(own.lacks, own.state) : `It has no drives yet. ${own.lacks.includes('streams') ? 'It cannot convert enough at once.' : 'It converts enough at once.'}`"
      />
      <BuildCard
        v-for="entry in builds"
        :key="entry.build.base"
        :name="entryOf(catalogue.machineBases, entry.build.base)?.label ?? entry.build.base"
        :detail="detail(entry)"
        :bays="entryOf(catalogue.machineBases, entry.build.base)?.bays ?? 0"
        :drives="entry.build.pool.count"
        :size-t-b="entry.build.pool.sizeTB"
        :to-pay="entry.evaluation.toPay"
        :idle-w="entry.evaluation.idleW"
        :conversions="{ needed: needs.conversions, possible: entry.evaluation.possible }"
        :room="{ needed: needs.room, possible: entry.evaluation.roomTB }"
        :state="stateOf(entry)"
        :lacks="lacksText(entry.lacks, stateOf(entry))"
        :data-build="entry.build.base"
        @pointerenter="preview(entry)"
        @pointerleave="preview(null)"
        @focusin="preview(entry)"
        @focusout="preview(null)"
      >
        <VBtn
          color="primary"
          variant="flat"
          size="small"
          :aria-label="`Apply ${entryOf(catalogue.machineBases, entry.build.base)?.label ?? entry.build.base}`"
          @click="apply(entry)"
        >
          Apply
        </VBtn>
      </BuildCard>
    </div>
    <p class="soft small">
      Models are invented and prices are planning values, with new drives. Applying a build can be undone, and every answer can be refined later.
    </p>
  </section>
</template>

<style scoped>
.ways { display: flex; flex-direction: column; gap: 8px; }
.cards { display: grid; grid-template-columns: repeat(auto-fit, minmax(250px, 1fr)); gap: 12px; align-items: stretch; }
</style>
