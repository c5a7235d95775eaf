<script setup lang="ts">
import { computed } from 'vue'
import FigureValue from '~/components/common/FigureValue.vue'
import PlanField from '~/components/common/PlanField.vue'
import HoldingsQuick from '~/components/library/HoldingsQuick.vue'
import LotsEditor from '~/components/drives/LotsEditor.vue'
import { useUsualMachine } from '~/composables/useUsualMachine'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/** The few fields that a first answer needs. */
const store = usePlanStore()
const fromHabits = computed(() => store.assessment?.domains.household.fromHabits ?? false)
const habits = computed(
  () => store.plan?.household.habits.filter(habit => !habit.onBusyDays).length ?? 0,
)
const usual = useUsualMachine()
</script>

<template>
  <section class="sheet answers">
    <h2>Your answers</h2>
    <h3>{{ fromHabits ? 'Who watches' : 'A busy evening' }}</h3>
    <p v-if="fromHabits" class="small">
      From the {{ habits === 1 ? 'one habit' : `${habits} habits` }} of your week:
      <FigureValue id="household.watching95" inline label="watching at once" />
      <FigureValue id="streams.asked" inline label="of these converted" />
      <NuxtLink :to="viewAddress(store.id ?? '', 'household')"> Change the week </NuxtLink>
    </p>
    <div v-else class="fields">
      <PlanField path="household.watchingHome" label="Watching at home" />
      <PlanField path="household.watchingAway" label="Watching away" />
      <PlanField path="household.converted" />
    </div>
    <NuxtLink v-if="!fromHabits" :to="viewAddress(store.id ?? '', 'household')" class="small">
      Describe a week of habits
    </NuxtLink>
    <h3>The library</h3>
    <HoldingsQuick />
    <h3>The machine</h3>
    <div class="fields">
      <PlanField path="machine.score" :placeholder="usual.score" />
      <PlanField path="machine.cores" :placeholder="usual.cores" />
      <PlanField path="machine.bays" :placeholder="usual.bays" />
      <PlanField path="machine.condition" />
      <PlanField
        v-if="store.plan?.machine.condition !== 'owned'"
        path="machine.price"
        :placeholder="usual.price"
      />
    </div>
    <h3>Its drives</h3>
    <LotsEditor />
    <div class="fields">
      <PlanField path="drives.layout" class="wide" />
    </div>
    <h3>Internet line and money</h3>
    <div class="fields">
      <PlanField path="network.uploadMbps" />
      <PlanField path="network.awayRungMbps" />
      <PlanField path="costs.pricePerKWh" />
      <PlanField path="brief.budget" />
      <PlanField path="brief.currency" />
      <PlanField path="brief.place" />
    </div>
    <PlanField path="brief.who" />
  </section>
</template>

<style scoped>
.answers {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.wide {
  grid-column: 1 / -1;
}
h3 {
  margin-top: 6px;
}
.answers p a {
  margin-left: 10px;
}
.answers a {
  color: rgb(var(--v-theme-primary));
}
</style>
