<script setup lang="ts">
import { computed } from 'vue'
import { memoryUses } from '~~/core/machine/memory/memoryNeed'
import FigureValue from '~/components/common/FigureValue.vue'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import { useMachineParts } from '~/composables/useMachineParts'
import { usePlanStore } from '~/stores/planStore'

/** What takes how much memory, against what is there. */
const store = usePlanStore()
const { assembly, put, preview, withPartIn, lists } = useMachineParts()
const { quantity, number, money } = useFormat()
const labels = {
  system: 'System',
  mediaSoftware: 'Media software',
  conversions: 'Conversions',
  services: 'Services',
  guests: 'Guests',
  engine: 'Video engine',
} as const
const memory = computed(() => assembly.value?.memory ?? null)
const there = computed(() => assembly.value?.build.memoryGB ?? 0)
const scale = computed(
  () => Math.max(there.value, memory.value?.wantedGB ?? 0, memory.value?.sumGB ?? 0) || 1,
)
const at = (gb: number) => `${Math.min(100, (gb / scale.value) * 100)}%`
const uses = computed(() => (memory.value?.uses ?? []).filter(({ gb }) => gb > 0))
const sentence = computed(() => {
  if (!memory.value) return ''
  const { sumGB, floorGB, wantedGB } = memory.value
  if (there.value < sumGB)
    return (
      `${quantity(there.value, 'GB')} of memory are too little: ${quantity(sumGB, 'GB')} are ` +
      `needed, so at least ${quantity(floorGB, 'GB')}.`
    )
  return there.value < wantedGB
    ? `${quantity(there.value, 'GB')} of memory will do; with ${quantity(wantedGB, 'GB')} ` +
        'nothing has to be watched.'
    : `${quantity(there.value, 'GB')} of memory are enough for everything that runs.`
})
const sticks = computed(() => {
  const board = assembly.value?.board?.memory
  return board
    ? lists.value.memoryModules.filter(
        ({ type, shape, registered }) =>
          type === board.type && shape === board.shape && (!registered || board.registered),
      )
    : []
})
const freeSlots = computed(() =>
  assembly.value?.board
    ? assembly.value.board.memory.slots -
      assembly.value.sticks.length -
      (assembly.value.build.base?.memorySticks ?? 0)
    : 0,
)
</script>

<template>
  <div class="columns">
    <section class="sheet">
      <p class="sentence">
        {{ sentence }}
      </p>
      <div class="bar" role="img" :aria-label="sentence">
        <span
          v-for="({ id, gb }, index) in uses"
          :key="id"
          class="use"
          :class="`use-${index % 3}`"
          :style="{ width: at(gb) }"
          :title="`${labels[id]}: ${quantity(gb, 'GB')}`"
          ><span v-if="gb / scale > 0.12">{{ labels[id] }}</span></span
        >
        <span class="wall" :style="{ left: at(there) }" />
      </div>
      <p class="scale soft small">
        <span>0</span><span :style="{ left: at(there) }">{{ quantity(there, 'GB') }} there</span>
      </p>
      <table class="data-table">
        <tbody>
          <tr v-for="{ id, gb } in memory?.uses ?? []" :key="id">
            <th scope="row">
              {{ labels[id] }}
            </th>
            <td class="number">
              {{ gb > 0 ? quantity(gb, 'GB') : '–' }}
            </td>
          </tr>
          <tr>
            <th scope="row">Together</th>
            <td class="number">
              <strong>{{ quantity(memory?.sumGB ?? 0, 'GB') }}</strong>
            </td>
          </tr>
          <tr>
            <th scope="row">The least that is sold</th>
            <td class="number">
              {{ quantity(memory?.floorGB ?? 0, 'GB') }}
            </td>
          </tr>
          <tr>
            <th scope="row">Wanted</th>
            <td class="number">
              {{ quantity(memory?.wantedGB ?? 0, 'GB') }}
            </td>
          </tr>
          <tr>
            <th scope="row">By the rule of 1 GB for each raw terabyte</th>
            <td class="number">
              {{ quantity(memory?.byRawTB ?? 0, 'GB') }}
            </td>
          </tr>
        </tbody>
      </table>
      <p class="soft small">
        A checksummed pool counts {{ quantity(memoryUses.copyOnWritePool, 'GB') }}. The rule by raw
        terabytes comes from much larger machines; at home a flat 8 to 16 GB serves well, so only
        the floor is judged.
      </p>
    </section>
    <section class="sheet side">
      <FigureValue id="machine.memoryFloorGB" />
      <div class="fields">
        <PlanField path="machine.memoryGB" :placeholder="number(there)" />
        <PlanField path="drives.fileSystem" />
      </div>
      <template v-if="sticks.length">
        <h2>
          {{
            freeSlots > 0
              ? `${freeSlots === 1 ? 'One memory slot is' : `${freeSlots} memory slots are`} free`
              : 'Every memory slot is taken'
          }}
        </h2>
        <ul class="sticks no-print">
          <li
            v-for="stick in sticks"
            :key="stick.id"
            @pointerenter="preview(withPartIn(stick.id))"
            @pointerleave="preview(null)"
          >
            <span>{{ stick.label }}</span><span class="number">{{ money(stick.price) }}</span>
            <VBtn
              size="x-small"
              variant="outlined"
              color="primary"
              :disabled="freeSlots <= 0"
              :aria-label="`Add ${stick.label}`"
              @click="
                () => {
                  preview(null)
                  put(stick.id)
                }
              "
            >
              Add
            </VBtn>
          </li>
        </ul>
      </template>
      <p class="soft small">
        {{
          store.plan?.system.services.length
            ? 'Services and guests are entered under System and services.'
            : 'Nothing runs beside the media software; services are entered under System and services.'
        }}
      </p>
    </section>
  </div>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.6fr) minmax(260px, 1fr);
}
.sentence {
  font-size: 1.02rem;
  margin-bottom: 12px;
}
.bar {
  position: relative;
  display: flex;
  height: 46px;
  background: rgb(var(--v-theme-surface-light));
  border-radius: 4px;
}
.use {
  display: flex;
  align-items: center;
  justify-content: center;
  overflow: hidden;
  font-size: 0.8rem;
  white-space: nowrap;
  border-right: 1px solid rgb(var(--v-theme-surface));
  background: rgba(var(--v-theme-water), 0.6);
}
.use-1 {
  background: rgba(var(--v-theme-water), 0.42);
}
.use-2 {
  background: rgba(var(--v-theme-water), 0.26);
}
.wall {
  position: absolute;
  top: -6px;
  bottom: -6px;
  width: 6px;
  margin-left: -3px;
  background: rgb(var(--v-theme-wall));
  border-radius: 2px;
}
.scale {
  position: relative;
  height: 22px;
  margin: 6px 0 12px;
}
.scale span + span {
  position: absolute;
  transform: translateX(-100%);
  white-space: nowrap;
}
.data-table th {
  font-weight: 500;
  color: inherit;
  font-size: 0.9rem;
}
.sticks {
  list-style: none;
  padding: 0;
}
.sticks li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 10px;
  align-items: center;
  padding: 3px 0;
}
.fields {
  --least: 150px;
}
</style>
