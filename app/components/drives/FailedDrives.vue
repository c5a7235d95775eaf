<script setup lang="ts">
import { computed } from 'vue'
import type { Figure } from '~~/core/figure'
import type { ToldFailures } from '~~/core/drives/tellFailures'
import WorkingLink from '~/components/common/WorkingLink.vue'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/**
 * What is left when drives have failed: a sentence, a bar of what plays, waits and is lost, and the
 * holdings it hits.
 */
const props = defineProps<{
  told: ToldFailures
  /** share of the library that fits on the drives */ heldShare: number
}>()
const store = usePlanStore()
const { quantity, range, share } = useFormat()
const figures = computed(() => new Map(props.told.figures.map(figure => [figure.id, figure])))
const variant = computed(
  () =>
    store.plan && {
      plan: store.plan,
      label: 'with these drives failed',
      figures: props.told.figures,
    },
)
const shares = computed(() => {
  const { playingShare, waitingShare, lostShare } = props.told.after
  return [
    { id: 'playing', share: playingShare },
    { id: 'waiting', share: waitingShare },
    { id: 'lost', share: lostShare },
  ].filter(part => part.share > 1e-9)
})
const text = (figure: Figure) =>
  figure.value === null
    ? '–'
    : figure.unit === 'share'
      ? share(figure.value)
      : quantity(figure.value, figure.unit)
const band = (figure: Figure) =>
  figure.value !== null && figure.low !== figure.high
    ? range({ low: figure.low!, high: figure.high! }, figure.unit)
    : ''
/** Holdings by what of them is lost, those that cannot be had again first. */
const hit = computed(() => {
  const { lostShare } = props.told.after
  const assessment = store.assessment
  if (lostShare === 0 || !assessment || !store.plan) return []
  return store.plan.library.holdings
    .flatMap((_, index) => {
      const size = assessment.figures[`library.holdings.${index}.contentTB`]
      return size?.value
        ? [
            {
              name: size.label,
              lost: size.value * props.heldShare * lostShare,
              irreplaceable: assessment.domains.library.irreplaceable.includes(index),
            },
          ]
        : []
    })
    .sort((a, b) => Number(b.irreplaceable) - Number(a.irreplaceable) || b.lost - a.lost)
})
const most = 8
</script>

<template>
  <div class="failures" :class="{ lost: told.after.lostShare > 0 }" role="status" data-failures>
    <p class="sentence">
      {{ told.sentence }}
    </p>
    <div
      class="bar"
      role="img"
      :aria-label="
        shares
          .map(part => `${figures.get(`failures.${part.id}TB`)!.label} ${share(part.share)}`)
          .join(', ')
      "
    >
      <span
        v-for="part in shares"
        :key="part.id"
        :class="part.id"
        :style="{ flexGrow: part.share }"
        >{{ share(part.share) }}</span
      >
    </div>
    <dl>
      <template v-for="figure in told.figures" :key="figure.id">
        <div v-if="figure.value !== 0 && !(figure.value === null && told.after.lostShare > 0)">
          <dt>{{ figure.label }}</dt>
          <dd>
            <WorkingLink :figure="figure.id" :variant="variant" :name="figure.label">
              {{ text(figure) }}
            </WorkingLink>
            <small v-if="band(figure)" class="soft">{{ band(figure) }}</small>
          </dd>
        </div>
      </template>
    </dl>
    <template v-if="hit.length">
      <h3>
        {{
          told.after.lostShare >= 1 - 1e-9
            ? 'Lost, unless another copy exists'
            : 'Lost of each holding on average, unless another copy exists'
        }}
      </h3>
      <ul>
        <li v-for="entry in hit.slice(0, most)" :key="entry.name">
          <span>{{ entry.name }}<small v-if="entry.irreplaceable"> irreplaceable</small></span>
          <span class="number">{{ quantity(entry.lost, 'TB') }}</span>
        </li>
        <li v-if="hit.length > most">and {{ hit.length - most }} more</li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.failures {
  border-left: 5px solid rgb(var(--v-theme-state-enough));
  padding: 4px 0 4px 14px;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.failures.lost {
  border-color: rgb(var(--v-theme-state-short));
}
.sentence {
  font-size: 1.05rem;
  line-height: 1.4;
}
.bar {
  display: flex;
  height: 26px;
  border-radius: 3px;
  overflow: hidden;
  font-size: 0.82rem;
  font-weight: 600;
}
.bar span {
  display: grid;
  place-items: center;
  flex-basis: 0;
  min-width: 2px;
  overflow: hidden;
}
.playing {
  background: rgb(var(--v-theme-water));
  color: rgb(var(--v-theme-on-surface));
}
.waiting {
  background: repeating-linear-gradient(
    45deg,
    rgba(var(--v-theme-water), 0.5) 0 4px,
    rgb(var(--v-theme-surface)) 4px 8px
  );
}
.bar .lost {
  background: rgb(var(--v-theme-state-short));
  color: rgb(var(--v-theme-surface));
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 26px;
  margin: 0;
}
dt {
  font-size: 0.8rem;
  color: rgb(var(--v-theme-ink-soft));
}
dd {
  margin: 0;
  font-weight: 600;
  font-variant-numeric: tabular-nums;
}
dd small {
  font-weight: 400;
  margin-left: 6px;
}
ul {
  list-style: none;
  padding: 0;
  font-size: 0.9rem;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 3px 0;
  border-bottom: 1px solid rgba(var(--v-theme-hairline), 0.6);
}
li small {
  color: rgb(var(--v-theme-state-short));
  font-weight: 600;
  margin-left: 6px;
}
.number {
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}
</style>
