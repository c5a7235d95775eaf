<script setup lang="ts">
import { computed } from 'vue'
import { shortChance } from '~~/core/network/watchingLoad'
import { slotMinutes } from '~~/core/units/week'
import ChartFrame from '~/components/charts/ChartFrame.vue'
import FigureValue from '~/components/common/FigureValue.vue'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import { useNetworkChain } from '~/composables/useNetworkChain'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/** How much is asked of the home network at its busiest moment, and what each link has of it. */
const store = usePlanStore()
const { links, devices } = useNetworkChain()
const { quantity, number, share } = useFormat()
const facts = computed(() => store.assessment?.domains.network ?? null)
const load = computed(() => facts.value?.homeLoad ?? null)
const capacity = computed(() => facts.value?.payload.likely ?? 0)
/** Rows that ever happen. */
const rows = computed(() => (load.value?.rows ?? []).filter(({ chance }) => chance >= 0.0005))
const most = computed(() => Math.max(0.01, ...rows.value.map(({ chance }) => chance)))
const days = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']
const when = computed(() => {
  if (!load.value) return ''
  const minute = load.value.slot * slotMinutes
  return (
    `${days[Math.floor(minute / 1440)]}, ` +
    `${String(Math.floor((minute % 1440) / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`
  )
})
const short = computed(() => (load.value ? shortChance(load.value, capacity.value) : 0))
const sentence = computed(() =>
  load.value
    ? `${when.value} is the busiest moment at home: ${quantity(load.value.meanMbps, 'Mb/s')} ` +
      `on average, no more than ${quantity(load.value.level99Mbps, 'Mb/s')} in 99 weeks of ` +
      '100. ' +
      `${short.value < 0.0005 ? `The home network carries ${quantity(capacity.value, 'Mb/s')}, so it never falls ` + 'behind.' : `With ${share(short.value)} more is asked than the ` + `${quantity(capacity.value, 'Mb/s')} that the home network carries.`}`
    : 'Enter habits under Household, to see how much is asked of the home network at its ' +
      'busiest moment.',
)
const shares = computed(() => {
  const level = load.value?.level99Mbps ?? facts.value?.homePeak.peakMbps ?? 0
  return [
    ...links.value
      .filter(({ id }) => id !== 'device')
      .map(({ id, capacityMbps }) => ({
        key: id as string,
        label: {
          drives: 'Drives',
          controller: 'Controller',
          enclosure: 'Enclosure',
          processor: 'Processor',
          port: 'Network port',
          cable: 'Cable',
          serverLink: 'Link of the machine',
          switch: 'Switch',
          device: '',
        }[id],
        of: level / Math.max(1e-9, capacityMbps),
      })),
    ...devices.value
      .filter(({ isAway, loadMbps }) => !isAway && loadMbps > 0)
      .map(({ index, name, capacityMbps, loadMbps }) => ({
        key: `device ${index}`,
        label: name,
        of: loadMbps / Math.max(1e-9, capacityMbps),
      })),
  ]
})
</script>

<template>
  <div class="columns">
    <div class="side">
      <ChartFrame
        title="How many watch at home at the busiest moment"
        :columns="['Viewers', 'Chance', 'On average']"
        :rows="
          rows.map(({ viewers, chance, mbps }) => [
            number(viewers),
            share(chance),
            quantity(mbps, 'Mb/s'),
          ])
        "
      >
        <template #default>
          <p class="sentence home-sentence">
            {{ sentence }}
          </p>
          <ul class="bars">
            <li v-for="row in rows" :key="row.viewers">
              <span>{{
                row.viewers === 0
                  ? 'Nobody'
                  : row.viewers === 1
                    ? '1 viewer'
                    : `${number(row.viewers)} viewers`
              }}</span>
              <span class="track"
                ><span
                  class="fill"
                  :class="{ over: row.mbps > capacity }"
                  :style="{ width: `${(row.chance / most) * 100}%` }"
              /></span>
              <span class="number">{{ share(row.chance) }}</span><span class="number soft">{{
                quantity(row.mbps, 'Mb/s')
              }}</span>
            </li>
          </ul>
        </template>
      </ChartFrame>
      <ChartFrame
        title="What each link has of it"
        :columns="['Link', 'Taken']"
        :rows="shares.map(({ label, of }) => [label, share(of)])"
      >
        <template #default>
          <ul class="bars two">
            <li v-for="one in shares" :key="one.key">
              <span>{{ one.label }}</span>
              <span class="track"
                ><span
                  class="fill"
                  :class="{ over: one.of > 1 }"
                  :style="{ width: `${Math.min(1, one.of) * 100}%` }"
              /></span>
              <span class="number">{{ share(one.of) }}</span>
            </li>
          </ul>
        </template>
        <template #below>
          <p class="soft small">
            Shared links at the 99 % level; a device's own link with its largest title at the peak.
            What is more than a link carries is converted, or stutters.
          </p>
        </template>
      </ChartFrame>
    </div>
    <section class="sheet side">
      <VerdictSentence id="home" />
      <div class="figures">
        <FigureValue id="network.homeMeanMbps" />
        <FigureValue id="network.home99Mbps" />
        <FigureValue id="network.homePeakMbps" />
        <FigureValue id="network.homeLinkMbps" />
        <FigureValue id="household.watchingHomeAtOnce" />
      </div>
      <p class="soft small">
        On average and at the 99 % level each viewer watches a title by its share of the library, at
        its average rate. Titles that play as they are have peaks: 1.5 times their average when
        re-encoded, 1.8 times from disc. At the peak every viewer counts with the average, and one
        of them with the rise of the largest title.
      </p>
    </section>
  </div>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.7fr) minmax(260px, 1fr);
}
.sentence {
  font-size: 1.02rem;
  margin-bottom: 12px;
}
.figures {
  --least: 130px;
}
.bars {
  list-style: none;
  padding: 0;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
.bars li {
  display: grid;
  grid-template-columns: minmax(80px, 0.7fr) minmax(0, 2fr) 62px 86px;
  gap: 10px;
  align-items: center;
}
.bars.two li {
  grid-template-columns: minmax(110px, 0.8fr) minmax(0, 2fr) 62px;
}
.track {
  height: 18px;
  background: rgb(var(--v-theme-surface-light));
  border-radius: 3px;
  overflow: hidden;
}
.fill {
  display: block;
  height: 100%;
  background: rgb(var(--v-theme-water));
}
.fill.over {
  background:
    repeating-linear-gradient(
      45deg,
      rgb(var(--v-theme-state-impossible)) 0 3px,
      transparent 3px 6px
    ),
    rgba(var(--v-theme-water), 0.5);
}
</style>
