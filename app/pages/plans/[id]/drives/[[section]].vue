<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import WaterfallChart from '~/components/charts/WaterfallChart.vue'
import FigureValue from '~/components/common/FigureValue.vue'
import ViewFindings from '~/components/common/ViewFindings.vue'
import PlanField from '~/components/common/PlanField.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import DriveMap from '~/components/drives/DriveMap.vue'
import FailedDrives from '~/components/drives/FailedDrives.vue'
import LayoutTable from '~/components/drives/LayoutTable.vue'
import LayoutsChart from '~/components/drives/LayoutsChart.vue'
import LotsEditor from '~/components/drives/LotsEditor.vue'
import LossSimulation from '~/components/drives/LossSimulation.vue'
import RippingAgain from '~/components/drives/RippingAgain.vue'
import PerilsPicture from '~/components/drives/PerilsPicture.vue'
import { useDriveMap } from '~/composables/useDriveMap'
import { useFormat } from '~/composables/useFormat'
import { useHoursByHabits } from '~/composables/useHoursByHabits'
import { usePlanStore } from '~/stores/planStore'

const BackupSection = defineAsyncComponent(() => import('~/components/drives/BackupSection.vue'))
const DrillSection = defineAsyncComponent(() => import('~/components/drives/DrillSection.vue'))
const FastStorageSection = defineAsyncComponent(
  () => import('~/components/drives/FastStorageSection.vue'),
)
const WayOutSection = defineAsyncComponent(() => import('~/components/drives/WayOutSection.vue'))
const GrowingSection = defineAsyncComponent(() => import('~/components/drives/GrowingSection.vue'))

definePageMeta({ key: 'drives' })
const map = useDriveMap()
const store = usePlanStore()
const byHabits = useHoursByHabits()
const { format } = useFormat()
const hours = (value: number) => format.value.hours(value)
const required = computed(() => store.assessment?.domains.drives.asked.count ?? 1)
const rebuilds = computed(() => store.assessment?.domains.drives.pool?.rebuildEnds ?? null)
/** index of the drives that are edited */
const picked = ref<number | null>(null)
</script>

<template>
  <ViewFrame view="drives" question="How much fits, and what happens when a drive fails?">
    <template #space>
      <div class="columns">
        <div class="stack">
          <DriveMap :map="map" />
          <section class="sheet">
            <LotsEditor v-model:picked="picked" />
            <div class="fields">
              <PlanField path="drives.layout" />
              <PlanField path="drives.driveClass" />
              <PlanField path="drives.fileSystem" />
              <PlanField path="drives.hotSpares" />
              <PlanField path="drives.encrypted" />
            </div>
          </section>
        </div>
        <div class="stack">
          <section class="sheet side left">
            <FailedDrives
              v-if="map.told.value"
              :told="map.told.value"
              :held-share="map.heldShare.value"
            />
            <template v-else>
              <VerdictSentence id="space" />
              <VerdictSentence id="survival" />
            </template>
          </section>
          <WaterfallChart />
        </div>
      </div>
      <ViewFindings view="drives" :most="3" />
    </template>
    <template #layouts>
      <LayoutsChart />
      <LayoutTable />
      <section class="sheet narrow">
        <PlanField path="choices.survivesAtLeast" :placeholder="`${required} by the drives`" />
        <FigureValue id="drives.mustSurvive" />
      </section>
    </template>
    <template #risk>
      <div class="columns">
        <section class="sheet side">
          <VerdictSentence id="survival" />
          <div class="figures">
            <FigureValue id="drives.rebuildHours" />
            <FigureValue id="drives.firstBuildHours" />
            <FigureValue id="drives.lossChancePerYear" />
            <FigureValue id="drives.lossChanceAtHorizon" />
            <FigureValue id="drives.fileLossChanceAtHorizon" />
            <FigureValue id="drives.shareAtLoss" />
            <FigureValue id="drives.usableTB" />
            <FigureValue id="drives.roomTB" />
            <FigureValue id="drives.monthFull" />
            <FigureValue id="drives.usableNeededTB" />
          </div>
          <p v-if="rebuilds" class="soft small" data-rebuilds>
            A rebuild takes {{ hours(rebuilds.unwatched) }} while nobody watches, and
            {{ hours(rebuilds.watched) }} while somebody always does.
          </p>
          <LossSimulation />
          <ViewFindings view="drives" />
        </section>
        <section class="sheet side">
          <h2>What makes drives fail sooner or later</h2>
          <div class="fields">
            <PlanField path="drives.failuresPerYear" placeholder="usual for its kind" />
            <PlanField path="drives.ageYears" placeholder="every year alike" />
            <PlanField path="drives.replacement" />
            <PlanField path="drives.outerMBps" />
            <PlanField path="drives.sheetReadErrorBits" />
            <PlanField path="choices.watchingHoursPerDay" :placeholder="byHabits.watching" />
            <PlanField path="drives.changedGBPerMonth" />
            <PlanField path="drives.snapshotMonths" />
          </div>
          <PlanField path="drives.above45C" />
          <PlanField path="drives.unmounted" />
          <PlanField path="drives.oneBatch" />
          <PlanField path="drives.shingled" />
          <PlanField path="choices.readErrorEndsRebuild" />
          <h2>Choosing drives</h2>
          <ul class="advice soft small">
            <li>
              Compare by the price of a usable terabyte, with the bay and the port that a drive
              takes.
            </li>
            <li>
              NAS-class drives are made for running day and night beside others; parity wants
              conventional (CMR) ones.
            </li>
            <li>Mix batches: drives of one batch tend to fail together.</li>
            <li>
              Of refurbished drives ask for hours in use and warranty; one that is taken out of an
              external case has usually lost its warranty.
            </li>
            <li>
              Fix each drive at every point, with something soft between, and let air move over all
              of them.
            </li>
            <li>
              Label each with its size, the end of its serial number and its bay before it goes in.
            </li>
          </ul>
        </section>
      </div>
    </template>
    <template #backup>
      <BackupSection />
    </template>
    <template #fast>
      <FastStorageSection />
    </template>
    <template #way-out>
      <WayOutSection />
    </template>
    <template #drill>
      <DrillSection />
    </template>
    <template #growing>
      <GrowingSection />
    </template>
    <template #perils>
      <PerilsPicture />
      <div class="columns">
        <section class="sheet side">
          <div class="figures">
            <FigureValue id="drives.irreplaceableLossChancePerYear" />
            <FigureValue id="drives.replaceableLossChancePerYear" />
            <FigureValue id="drives.dayOutChancePerYear" />
            <FigureValue id="library.irreplaceableTB" />
          </div>
          <RippingAgain />
          <VerdictSentence id="survival" />
          <ViewFindings view="drives" />
        </section>
        <section class="sheet side">
          <h2>Copies and measures</h2>
          <div class="fields">
            <PlanField path="drives.secondBox" />
            <PlanField path="drives.offlineCopy" />
            <PlanField path="drives.awayCopy" />
            <PlanField path="drives.snapshotMonths" />
          </div>
          <PlanField path="drives.copiesWithVersions" />
          <PlanField path="drives.secondBoxTakesOver" />
          <p class="soft small">
            A UPS is a part of the machine: press it in the picture to add the cheapest that holds
            the machine, or list your own under Machine, Parts list.
          </p>
        </section>
      </div>
    </template>
  </ViewFrame>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.25fr) minmax(0, 1fr);
}
.stack {
  display: flex;
  flex-direction: column;
  gap: 16px;
  min-width: 0;
}
/* On a narrow page what is left stands right below the drives that were pressed. */
@media (max-width: 900px) {
  .columns:has(.map) .stack {
    display: contents;
  }
  .columns:has(.map) > .stack > * {
    order: 3;
  }
  .columns:has(.map) > .stack > :deep(.map) {
    order: 1;
  }
  .columns:has(.map) > .stack > .left {
    order: 2;
  }
}
.narrow {
  max-width: 320px;
}
.advice {
  padding-left: 18px;
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.fields {
  --least: 190px;
}
.sheet > .fields {
  margin-top: 14px;
}
</style>
