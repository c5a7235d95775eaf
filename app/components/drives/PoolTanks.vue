<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import type { Placed } from '~~/core/drives/fast/fastStorage'
import { pools, type PoolId } from '~~/core/plan/fastStorage'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/** What is stored, in the pool where it lies; dragged or moved with the arrow keys to another. */
const props = defineProps<{ placed: readonly Placed[] }>()
const store = usePlanStore()
const { quantity } = useFormat()
const poolIds = Object.keys(pools) as PoolId[]
const hints: Readonly<Record<PoolId, string>> = {
  spinning: 'Cheap by the terabyte, slow to find things',
  ssd: 'Quick, costly, worn by writing',
  front: 'What is read most is quick',
}
const carried = ref<Placed | null>(null)
const over = ref<PoolId | null>(null)
const root = ref<HTMLElement | null>(null)
/** More of one pool than this are shown when asked for. */
const shownAtFirst = 14
const opened = ref<ReadonlySet<PoolId>>(new Set())

const columns = computed(() =>
  poolIds.map(id => {
    const own = props.placed
      .filter(entry => entry.pool === id)
      .toSorted((a, b) => b.sizeGB - a.sizeGB)
    return {
      id,
      own,
      shown: opened.value.has(id) ? own : own.slice(0, shownAtFirst),
      sizeGB: own.reduce((sum, entry) => sum + entry.sizeGB, 0),
    }
  }),
)
const size = (sizeGB: number) =>
  sizeGB >= 1000 ? quantity(sizeGB / 1000, 'TB') : quantity(sizeGB, 'GB')
async function move(entry: Placed, pool: PoolId): Promise<void> {
  if (entry.pool === pool) return
  store.edit(entry.path, pool)
  await nextTick()
  root.value?.querySelector<HTMLElement>(`[data-placed="${entry.id}"]`)?.focus()
}
function onKey(event: KeyboardEvent, entry: Placed): void {
  const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
  if (!step) return
  event.preventDefault()
  const to = poolIds[poolIds.indexOf(entry.pool) + step]
  if (to) void move(entry, to)
}
function drop(pool: PoolId): void {
  if (carried.value) void move(carried.value, pool)
  carried.value = null
  over.value = null
}
function carry(event: DragEvent, entry: Placed): void {
  carried.value = entry
  event.dataTransfer?.setData('text/plain', entry.label)
}
function letGo(): void {
  carried.value = null
  over.value = null
}
</script>

<template>
  <div ref="root" class="tanks">
    <section
      v-for="column in columns"
      :key="column.id"
      class="tank"
      :class="[column.id, { over: over === column.id }]"
      :data-pool="column.id"
      @dragover.prevent="over = column.id"
      @dragleave="over = null"
      @drop.prevent="drop(column.id)"
    >
      <h2>
        {{ pools[column.id] }}
        <span class="soft number">{{ column.own.length ? size(column.sizeGB) : 'nothing' }}</span>
      </h2>
      <p class="soft small">
        {{ hints[column.id] }}
      </p>
      <button
        v-for="entry in column.shown"
        :key="entry.id"
        type="button"
        class="plain-button placed"
        draggable="true"
        :data-placed="entry.id"
        :aria-label="`${entry.label}, ${size(entry.sizeGB)}, on ${pools[column.id]}. Arrow keys move it.`"
        @dragstart="carry($event, entry)"
        @dragend="letGo"
        @keydown="onKey($event, entry)"
      >
        <span>{{ entry.label }}</span><span class="number">{{ size(entry.sizeGB) }}</span>
      </button>
      <button
        v-if="column.own.length > shownAtFirst"
        type="button"
        class="plain-button more"
        @click="opened = new Set([...opened, column.id])"
      >
        {{ opened.has(column.id) ? '' : `and ${column.own.length - shownAtFirst} more` }}
      </button>
    </section>
  </div>
</template>

<style scoped>
.tanks {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 220px), 1fr));
  gap: 10px;
}
.tank {
  display: flex;
  flex-direction: column;
  gap: 4px;
  padding: 10px;
  min-height: 190px;
  border: 1.5px solid rgb(var(--v-theme-wall));
  border-top: 0;
  border-radius: 0 0 8px 8px;
  background: linear-gradient(
    to top,
    rgba(var(--v-theme-water), 0.22),
    rgba(var(--v-theme-water), 0.05) 70%
  );
}
.tank.ssd {
  background: linear-gradient(to top, rgba(var(--v-theme-wall), 0.18), transparent 70%);
}
.tank.front {
  background: repeating-linear-gradient(
    135deg,
    rgba(var(--v-theme-wall), 0.1) 0 6px,
    rgba(var(--v-theme-water), 0.12) 6px 14px
  );
}
.tank.over {
  outline: 2px solid rgb(var(--v-theme-primary));
}
h2 {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  font-size: 0.94rem;
}
.placed {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 4px 8px;
  min-height: 28px;
  font-size: 0.86rem;
  text-align: left;
  background: rgb(var(--v-theme-surface));
  border: 1px solid rgb(var(--v-theme-ink-soft));
  border-radius: 4px;
  cursor: grab;
}
.placed:hover,
.placed:focus-visible {
  border-color: rgb(var(--v-theme-primary));
}
.more {
  color: rgb(var(--v-theme-primary));
  text-align: left;
  font-size: 0.84rem;
}
</style>
