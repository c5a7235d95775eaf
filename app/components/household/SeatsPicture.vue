<script setup lang="ts">
import { computed } from 'vue'
import { mdiCellphone, mdiTelevision } from '@mdi/js'
import { homePlace } from '~~/core/plan/constants'
import { usePlanStore } from '~/stores/planStore'

/**
 * The busy evening as seats: press a seat to set how many watch at once, at home and away, and how
 * many of them are converted.
 */
const store = usePlanStore()
const household = computed(() => store.plan?.household)

const rows = computed(() => {
  const plan = household.value
  if (!plan) return []
  const heads = (place: 'home' | 'away') =>
    plan.viewers.filter(viewer => (viewer.place === homePlace) === (place === 'home'))
  const row = (place: 'home' | 'away', path: string, watching: number) => {
    const names = heads(place)
    const seats = Math.max(names.length, watching) + 1
    return {
      place,
      path,
      watching,
      seats: Math.min(seats, maxSeats),
      names,
      label: place === 'home' ? 'At home' : 'Away',
    }
  }
  return [
    row('home', 'household.watchingHome', plan.watchingHome),
    row('away', 'household.watchingAway', plan.watchingAway),
  ]
})
const watching = computed(
  () => (household.value?.watchingHome ?? 0) + (household.value?.watchingAway ?? 0),
)
const converted = computed(() => household.value?.converted ?? 0)
/** Conversions are drawn on the seats away first: their line seldom takes a file as it is. */
function isConverted(place: 'home' | 'away', seat: number): boolean {
  const away = household.value?.watchingAway ?? 0
  return place === 'away' ? seat < Math.min(converted.value, away) : seat < converted.value - away
}
/** As many as the picture has seats for; more can be typed. */
const maxSeats = 24
function set(path: string, value: number): void {
  store.edit(path, Math.max(0, Math.min(100, value)))
}
function key(event: KeyboardEvent, path: string, value: number): void {
  const next = {
    ArrowRight: value + 1,
    ArrowUp: value + 1,
    ArrowLeft: value - 1,
    ArrowDown: value - 1,
    Home: 0,
    End: maxSeats,
  }[event.key]
  if (next === undefined) return
  event.preventDefault()
  set(path, next)
}
</script>

<template>
  <section class="sheet seats">
    <h2>The busy evening</h2>
    <div v-for="row in rows" :key="row.place" class="row">
      <span class="label">{{ row.label }}</span>
      <div
        class="strip"
        role="slider"
        tabindex="0"
        :aria-label="`Watching at once, ${row.label.toLowerCase()}`"
        aria-valuemin="0"
        aria-valuemax="100"
        :aria-valuenow="row.watching"
        :aria-valuetext="`${row.watching} ${row.watching === 1 ? 'viewer' : 'viewers'}`"
        @keydown="key($event, row.path, row.watching)"
      >
        <span
          v-for="seat in row.seats"
          :key="seat"
          class="seat"
          :class="{
            taken: seat <= row.watching,
            converted: seat <= row.watching && isConverted(row.place, seat - 1),
            next: seat === row.seats && seat > row.watching,
          }"
          :data-seat="`${row.place}-${seat}`"
          @click="set(row.path, seat === row.watching ? seat - 1 : seat)"
        >
          <VIcon :icon="row.place === 'home' ? mdiTelevision : mdiCellphone" size="24" />
          <small>{{
            row.names[seat - 1]?.name ||
            (seat === row.seats && seat > row.watching ? 'one more' : 'seat')
          }}</small>
        </span>
      </div>
      <span class="count">{{ row.watching }} at once</span>
    </div>
    <div class="row">
      <span class="label">Converted</span>
      <div
        class="strip pegs"
        role="slider"
        tabindex="0"
        aria-label="Conversions needed"
        aria-valuemin="0"
        aria-valuemax="100"
        :aria-valuenow="converted"
        :aria-valuetext="`${converted} of ${watching} converted`"
        @keydown="key($event, 'household.converted', converted)"
      >
        <span
          v-for="peg in Math.max(watching, converted, 1)"
          :key="peg"
          class="peg"
          :class="{ taken: peg <= converted }"
          :data-peg="peg"
          @click="set('household.converted', peg === converted ? peg - 1 : peg)"
        />
      </div>
      <span class="count">{{ converted }} of {{ watching }}</span>
    </div>
    <p class="soft small">
      Press a seat or a peg, or use the arrow keys. Hatched seats need the picture converted.
    </p>
  </section>
</template>

<style scoped>
.seats {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.row {
  display: grid;
  grid-template-columns: 78px 1fr 84px;
  align-items: center;
  gap: 12px;
}
.label {
  color: rgb(var(--v-theme-ink-soft));
  font-size: 0.88rem;
}
.count {
  font-weight: 600;
  text-align: right;
  font-variant-numeric: tabular-nums;
}
.strip {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding: 4px;
  border-radius: 6px;
}
.seat {
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 2px;
  width: 82px;
  padding: 8px 4px;
  border: 1px dashed rgb(var(--v-theme-hairline));
  border-radius: 6px;
  cursor: pointer;
  color: rgb(var(--v-theme-ink-soft));
  text-align: center;
}
.seat small {
  font-size: 0.74rem;
  max-width: 100%;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.seat.taken {
  border: 1.5px solid rgb(var(--v-theme-water-line));
  background: rgba(var(--v-theme-water), 0.35);
  color: rgb(var(--v-theme-on-surface));
}
.seat.converted {
  background-image: repeating-linear-gradient(
    45deg,
    transparent 0 5px,
    rgba(var(--v-theme-water-line), 0.4) 5px 7px
  );
}
.seat:hover {
  border-color: rgb(var(--v-theme-primary));
}
.peg {
  width: 26px;
  height: 26px;
  border-radius: 50%;
  border: 1.5px dashed rgb(var(--v-theme-ink-soft));
  cursor: pointer;
}
.peg.taken {
  border-style: solid;
  border-color: rgb(var(--v-theme-water-line));
  background: repeating-linear-gradient(
    45deg,
    rgba(var(--v-theme-water), 0.4) 0 5px,
    rgba(var(--v-theme-water-line), 0.6) 5px 7px
  );
}
@media (max-width: 600px) {
  .row {
    grid-template-columns: 1fr auto;
  }
  .strip {
    grid-column: 1 / -1;
    grid-row: 2;
  }
  .seat {
    width: 68px;
  }
}
</style>
