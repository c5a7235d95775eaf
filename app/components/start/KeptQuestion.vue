<script setup lang="ts">
import { computed } from 'vue'
import {
  mdiFilmstrip,
  mdiImageMultipleOutline,
  mdiLock,
  mdiLockOpenVariantOutline,
  mdiMusicNoteOutline,
  mdiTelevisionPlay,
  mdiVideoOutline,
} from '@mdi/js'
import { catalogue } from '~~/core/catalogue/catalogue'
import {
  isLocked,
  keptCount,
  keptKinds,
  withKept,
  withLock,
  type KeptKind,
} from '~~/core/library/kept'
import FigureValue from '~/components/common/FigureValue.vue'
import PlanField from '~/components/common/PlanField.vue'
import { parseNumber } from '~/composables/parseNumber'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import StartQuestion from './StartQuestion.vue'

/** What is kept, by rough count, or as terabytes. */
const store = usePlanStore()
const kinds: Readonly<
  Record<
    KeptKind,
    { readonly label: string; readonly icon: string; readonly some: readonly number[] }
  >
> = {
  film: { label: 'Films', icon: mdiFilmstrip, some: [50, 300, 1000] },
  series: { label: 'Episodes', icon: mdiTelevisionPlay, some: [200, 1000, 4000] },
  homeVideo: { label: 'Own videos', icon: mdiVideoOutline, some: [50, 300, 1000] },
  photos: { label: 'Photos', icon: mdiImageMultipleOutline, some: [5000, 20_000, 100_000] },
  music: { label: 'Albums', icon: mdiMusicNoteOutline, some: [100, 500, 2000] },
}
const most = 1_000_000
const tiles = computed(() =>
  keptKinds.map(kind => ({
    kind,
    ...kinds[kind],
    count: store.plan ? keptCount(store.plan.library, kind) : 0,
    locked: store.plan !== null && isLocked(store.plan.library, kind),
  })),
)
const isEmpty = computed(
  () =>
    store.plan !== null &&
    store.plan.library.otherTB === 0 &&
    store.plan.library.holdings.every(holding => holding.titles === 0 && !holding.sizeGB),
)

function set(kind: KeptKind, count: number): void {
  if (store.plan)
    store.replace({
      ...store.plan,
      library: withKept(
        store.plan.library,
        { kind, count: Math.round(Math.max(0, Math.min(most, count))) },
        catalogue,
      ),
    })
}
function lock(kind: KeptKind, locked: boolean): void {
  if (store.plan)
    store.replace({ ...store.plan, library: withLock(store.plan.library, { kind, locked }) })
}
function type(kind: KeptKind, event: Event): void {
  const count = parseNumber((event.target as HTMLInputElement).value)
  if (typeof count === 'number') set(kind, count)
  else if (count === null) set(kind, 0)
}
</script>

<template>
  <StartQuestion :number="2" question="What is kept?">
    <ul class="kinds">
      <li v-for="tile in tiles" :key="tile.kind" class="kind" :data-kept="tile.kind">
        <label class="head">
          <VIcon :icon="tile.icon" size="22" /><span>{{ tile.label }}</span>
          <input
            type="text"
            inputmode="numeric"
            :value="tile.count"
            :aria-label="`${tile.label}, how many`"
            @input="type(tile.kind, $event)"
          />
        </label>
        <button
          type="button"
          class="plain-button lock small"
          :class="{ locked: tile.locked }"
          :aria-pressed="tile.locked"
          :disabled="tile.count === 0"
          :aria-label="`${tile.label} cannot be replaced`"
          :data-lock="tile.kind"
          @click="lock(tile.kind, !tile.locked)"
        >
          <VIcon :icon="tile.locked ? mdiLock : mdiLockOpenVariantOutline" size="15" />
          {{ tile.locked ? 'Cannot be replaced' : 'Can be replaced' }}
        </button>
        <span class="some" role="group" :aria-label="`${tile.label}, roughly`">
          <button
            v-for="some in tile.some"
            :key="some"
            type="button"
            class="plain-button"
            :aria-pressed="tile.count === some"
            @click="set(tile.kind, tile.count === some ? 0 : some)"
          >
            {{ some.toLocaleString() }}
          </button>
        </span>
      </li>
    </ul>
    <p class="soft small">
      What cannot be replaced needs a copy away from home: it comes with every build, and its price
      is in every sum.
    </p>
    <div class="rest">
      <PlanField path="library.otherTB" label="Or anything else, as it is now" />
      <NuxtLink :to="viewAddress(store.id ?? '', 'library', 'scan')" class="small">
        Or import a scan of your files
      </NuxtLink>
    </div>
    <template #result>
      <span v-if="isEmpty">Nothing is kept yet, so no space is needed.</span>
      <template v-else>
        <FigureValue id="library.contentTB" inline />
      </template>
    </template>
  </StartQuestion>
</template>

<style scoped>
.kinds {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(176px, 1fr));
  gap: 8px;
}
.kind {
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 6px;
  padding: 6px 8px;
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.head {
  display: flex;
  align-items: center;
  gap: 7px;
  font-size: 0.9rem;
}
.head .v-icon {
  color: rgb(var(--v-theme-primary));
}
.head input {
  font: inherit;
  font-weight: 600;
  text-align: right;
  width: 78px;
  margin-left: auto;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 4px;
  padding: 3px 6px;
  background: none;
  color: inherit;
  font-variant-numeric: tabular-nums;
}
.lock {
  display: flex;
  align-items: center;
  gap: 5px;
  min-height: 24px;
  color: rgb(var(--v-theme-ink-soft));
}
.lock.locked {
  color: rgb(var(--v-theme-primary));
  font-weight: 600;
}
.lock:disabled {
  opacity: 0.6;
}
.some {
  display: flex;
  gap: 4px;
}
.some button {
  flex: 1;
  min-height: 26px;
  font-size: 0.8rem;
  text-align: center;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 4px;
  font-variant-numeric: tabular-nums;
}
.some button[aria-pressed='true'] {
  background: rgba(var(--v-theme-primary), 0.14);
  border-color: rgb(var(--v-theme-primary));
  font-weight: 600;
}
.rest {
  display: flex;
  gap: 18px;
  align-items: center;
  flex-wrap: wrap;
}
.rest .plan-field {
  width: 260px;
}
.rest a {
  color: rgb(var(--v-theme-primary));
}
</style>
