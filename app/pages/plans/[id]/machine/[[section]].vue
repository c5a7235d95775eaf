<script setup lang="ts">
import FigureValue from '~/components/common/FigureValue.vue'
import FindingsList from '~/components/common/FindingsList.vue'
import PlanField from '~/components/common/PlanField.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import ViewFrame from '~/components/common/ViewFrame.vue'
import DriveBays from '~/components/drives/DriveBays.vue'
import MachineFields from '~/components/streams/MachineFields.vue'
import { useUsualMachine } from '~/composables/useUsualMachine'

definePageMeta({ key: 'machine' })

const usual = useUsualMachine()
</script>

<template>
  <ViewFrame
    view="machine"
    question="Do the drives fit, and how much power does the machine use?"
  >
    <template #fit>
      <div class="columns">
        <DriveBays />
        <section class="sheet side">
          <VerdictSentence id="fit" />
          <div class="figures">
            <FigureValue id="machine.freeBays" />
            <FigureValue id="machine.idleW" />
            <FigureValue id="machine.loadW" />
          </div>
          <div class="fields">
            <PlanField
              path="machine.name"
              class="wide"
            />
            <PlanField path="machine.condition" />
            <PlanField
              path="machine.price"
              :placeholder="usual.price"
            />
            <PlanField
              path="machine.bays"
              :placeholder="usual.bays"
            />
            <PlanField
              path="machine.boxIdleW"
              :placeholder="usual.idleW"
            />
            <PlanField
              path="machine.boxLoadW"
              :placeholder="usual.loadW"
            />
          </div>
          <FindingsList
            view="machine"
            :most="3"
          />
          <p class="soft small">
            Before the case is opened: switch off, unplug and wait; never open a power supply. Anything wired into the house is for a licensed electrician.
          </p>
        </section>
      </div>
    </template>
    <template #parts>
      <section class="sheet side">
        <VerdictSentence id="streams" />
        <MachineFields />
        <FindingsList view="machine" />
      </section>
    </template>
  </ViewFrame>
</template>

<style scoped>
.figures, .fields { --least: 160px; }
.wide { grid-column: 1 / -1; }
</style>
