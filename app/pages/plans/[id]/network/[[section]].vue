<script setup lang="ts">
import { computed, defineAsyncComponent } from 'vue'
import FigureValue from '~/components/common/FigureValue.vue'
import ViewFindings from '~/components/common/ViewFindings.vue'
import PlanField from '~/components/common/PlanField.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import { usePlanStore } from '~/stores/planStore'

const ChainSection = defineAsyncComponent(() => import('~/components/network/ChainSection.vue'))
const HomeSection = defineAsyncComponent(() => import('~/components/network/HomeSection.vue'))
const RungPicture = defineAsyncComponent(() => import('~/components/network/RungPicture.vue'))
const FirstFillSection = defineAsyncComponent(
  () => import('~/components/network/FirstFillSection.vue'),
)
const UpgradesSection = defineAsyncComponent(
  () => import('~/components/network/UpgradesSection.vue'),
)

definePageMeta({ key: 'network' })

const store = usePlanStore()
const fromHabits = computed(() => store.assessment?.domains.household.fromHabits ?? false)
const whenDown = {
  no: 'While the line is down, everything plays at home as before.',
  firstTime:
    'While the line is down, what was set up before plays at home; new devices and titles ' +
    'without their pictures wait. Fetch pictures beforehand.',
  always: 'While the line is down, nothing plays, at home either.',
} as const
</script>

<template>
  <ViewFrame view="network" question="Where is the narrow place, at home and on the way out?">
    <template #chain>
      <ChainSection />
    </template>
    <template #home>
      <HomeSection />
    </template>
    <template #away>
      <div class="columns">
        <RungPicture />
        <section class="sheet side">
          <VerdictSentence id="away" />
          <div class="figures">
            <FigureValue id="network.awayStreams" />
            <FigureValue id="network.uploadNeededMbps" />
            <FigureValue id="household.watchingAwayAtOnce" />
            <FigureValue id="network.uploadGBPerMonth" />
            <FigureValue id="network.awayShortChance" />
          </div>
          <div class="fields">
            <PlanField path="network.uploadMbps" />
            <PlanField path="network.downloadMbps" />
            <PlanField path="network.uploadReserveShare" />
            <PlanField path="network.dataCapGBPerMonth" placeholder="none" />
            <template v-if="!fromHabits">
              <PlanField path="household.watchingAway" />
              <PlanField path="household.watchingHome" />
            </template>
            <PlanField path="network.needsOutside" />
          </div>
          <p v-if="store.plan">
            {{ whenDown[store.plan.network.needsOutside] }} Try it once with the line unplugged.
          </p>
          <ViewFindings view="network" />
          <p class="soft small">
            Where the provider shares one address among houses, or two routers stand in a row,
            nothing reaches the machine from outside; a private tunnel or a relay gets through. Open
            no share and no admin page to the world.
          </p>
        </section>
      </div>
    </template>
    <template #first-fill>
      <FirstFillSection />
    </template>
    <template #upgrades>
      <UpgradesSection />
    </template>
  </ViewFrame>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.3fr) minmax(0, 1fr);
}
</style>
