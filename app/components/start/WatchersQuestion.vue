<script setup lang="ts">
import { computed } from 'vue'
import {
  mdiAccount,
  mdiCellphone,
  mdiClose,
  mdiLaptop,
  mdiPlus,
  mdiProjectorScreenOutline,
  mdiSetTopBox,
  mdiTablet,
  mdiTelevision,
  mdiTelevisionClassic,
  mdiUsbFlashDriveOutline,
} from '@mdi/js'
import { catalogue } from '~~/core/catalogue/catalogue'
import {
  addWatcher,
  removeWatcher,
  setWatcherDevice,
  watchersOnDevices,
} from '~~/core/household/watchers'
import type { Household } from '~~/core/plan/household'
import FigureValue from '~/components/common/FigureValue.vue'
import { usePlanStore } from '~/stores/planStore'
import StartQuestion from './StartQuestion.vue'

/**
 * Who watches, at home and away, each with the screen they watch on: pressed together from small
 * pictures.
 */
const store = usePlanStore()
/** most viewers that a plan holds */
const most = 40
const icons: Readonly<Record<string, string>> = {
  tv2016: mdiTelevisionClassic,
  tv2020: mdiTelevision,
  tv2024: mdiTelevision,
  stickHd: mdiUsbFlashDriveOutline,
  stick4k: mdiUsbFlashDriveOutline,
  phone: mdiCellphone,
  phoneMobile: mdiCellphone,
  tablet: mdiTablet,
  browser: mdiLaptop,
  player: mdiLaptop,
  console: mdiSetTopBox,
  oldSetTop: mdiSetTopBox,
  projector: mdiProjectorScreenOutline,
}
const watchers = computed(() => (store.plan ? watchersOnDevices(store.plan.household) : []))
const sides = computed(() => [
  {
    isAway: false,
    label: 'At home',
    add: 'Add a viewer at home',
    usual: 'tv2020',
    watchers: watchers.value.filter(watcher => !watcher.isAway),
  },
  {
    isAway: true,
    label: 'Away',
    add: 'Add a viewer away',
    usual: 'tablet',
    watchers: watchers.value.filter(watcher => watcher.isAway),
  },
])
const items = computed(() =>
  catalogue.deviceClasses.map(({ id, label }) => ({
    value: id,
    title: label,
    icon: icons[id] ?? mdiTelevision,
  })),
)
const classOf = (id: string) => catalogue.deviceClasses.find(entry => entry.id === id)!

function change(to: (household: Household) => Household): void {
  if (store.plan) store.replace({ ...store.plan, household: to(store.plan.household) })
}
</script>

<template>
  <StartQuestion :number="1" question="Who watches, and on what?">
    <div class="sides">
      <div
        v-for="side in sides"
        :key="side.label"
        class="where"
        role="group"
        :aria-label="side.label"
        :data-side="side.isAway ? 'away' : 'home'"
      >
        <p class="soft small">
          {{ side.label }}
        </p>
        <ul>
          <li v-for="watcher in side.watchers" :key="watcher.viewer" class="watcher">
            <VMenu>
              <template #activator="{ props: activator }">
                <button
                  v-bind="activator"
                  type="button"
                  class="plain-button seat"
                  :aria-label="`${watcher.name}, ${items.find(item => item.value === watcher.deviceClass)?.title ?? 'no screen yet'}: change the screen`"
                >
                  <VIcon :icon="icons[watcher.deviceClass ?? ''] ?? mdiTelevision" size="30" />
                  <VIcon :icon="mdiAccount" size="18" />
                  <small>{{
                    items.find(item => item.value === watcher.deviceClass)?.title ??
                    'Choose a screen'
                  }}</small>
                </button>
              </template>
              <VList density="compact">
                <VListItem
                  v-for="item in items"
                  :key="item.value"
                  :title="item.title"
                  :prepend-icon="item.icon"
                  :active="item.value === watcher.deviceClass"
                  @click="
                    change(household =>
                      setWatcherDevice(household, watcher.viewer, classOf(item.value)),
                    )
                  "
                />
              </VList>
            </VMenu>
            <button
              type="button"
              class="plain-button gone"
              :aria-label="`Remove ${watcher.name}`"
              @click="change(household => removeWatcher(household, watcher.viewer))"
            >
              <VIcon :icon="mdiClose" size="14" />
            </button>
          </li>
          <li>
            <button
              type="button"
              class="plain-button seat more"
              :aria-label="side.add"
              :disabled="watchers.length >= most"
              @click="
                change(household =>
                  addWatcher(
                    household,
                    side.isAway,
                    classOf(side.watchers.at(-1)?.deviceClass ?? side.usual),
                  ),
                )
              "
            >
              <VIcon :icon="mdiPlus" size="26" />
            </button>
          </li>
        </ul>
      </div>
    </div>
    <template #result>
      <span v-if="watchers.length === 0"
        >Until you add viewers, a busy evening is assumed:
        {{ store.plan?.household.watchingHome }} at home,
        {{ store.plan?.household.watchingAway }} away,
        {{ store.plan?.household.converted }} converted.</span
      >
      <template v-else>
        <FigureValue id="streams.asked" inline label="Conversions needed at once" />
        <FigureValue id="network.uploadNeededMbps" inline />
      </template>
    </template>
  </StartQuestion>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) minmax(0, 1fr);
  gap: 14px;
}
ul {
  list-style: none;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 4px;
}
.watcher {
  position: relative;
}
.seat {
  width: 92px;
  min-height: 84px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 6px;
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 1px;
  padding: 6px 4px;
  text-align: center;
}
.seat:hover {
  background: rgb(var(--v-theme-surface-light));
}
.seat small {
  font-size: 0.72rem;
  line-height: 1.15;
}
.seat .v-icon {
  color: rgb(var(--v-theme-primary));
}
.more {
  border-style: dashed;
}
.gone {
  position: absolute;
  top: 0;
  right: 0;
  width: 24px;
  height: 24px;
  display: grid;
  place-items: center;
}
@media (max-width: 700px) {
  .sides {
    grid-template-columns: 1fr;
  }
}
</style>
