<script setup lang="ts">
import { useFormat } from '~/composables/useFormat'
import type { DrillTale } from '~/composables/useDrill'

/** What has happened in a drill; before it the order in which things are done. */
defineProps<{ told: DrillTale | null }>()
const { number } = useFormat()
</script>

<template>
  <section class="sheet">
    <h2>{{ told ? 'What has happened' : 'The right order' }}</h2>
    <ol v-if="told" class="log">
      <li v-for="(entry, at) in told.log" :key="at" :class="entry.event">
        <span class="soft small at">{{ number(entry.atHours, 3) }} h</span> {{ entry.text }}
      </li>
    </ol>
    <ol v-else class="order">
      <li>Read the report: it names the failed drive by its serial number.</li>
      <li>If the next failure can lose data, copy what is irreplaceable first.</li>
      <li>Order a new drive, unless one is on the shelf.</li>
      <li>Find the drive by the serial number on its label, and pull that one and no other.</li>
      <li>Put the new drive in, rebuild, and check everything with a scrub.</li>
      <li>
        Label the new drive with serial number and bay, write it down, and order the next spare.
      </li>
    </ol>
    <p class="soft small">
      A drill is no instruction for your own machine: read its manual, power it down if its bays are
      not made for pulling drives while it runs, and touch bare metal of the case first.
    </p>
  </section>
</template>

<style scoped>
.log li {
  display: grid;
  grid-template-columns: 62px 1fr;
}
.log {
  margin-bottom: 12px;
  padding-left: 0;
  list-style: none;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.log .mistake,
.log .lost,
.log .sectorEnds {
  color: rgb(var(--v-theme-state-short));
  font-weight: 600;
}
.at {
  display: inline-block;
  min-width: 56px;
  font-variant-numeric: tabular-nums;
}
.order {
  margin-bottom: 12px;
  padding-left: 20px;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
</style>
