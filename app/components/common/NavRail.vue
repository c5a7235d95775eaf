<script setup lang="ts">
import { computed, nextTick, onMounted, ref, shallowRef, watch } from 'vue'
import { useRoute } from '#imports'
import type { VerdictState } from '~~/core/verdict'
import { phases, viewAddress, type ViewId } from '~/composables/views'
import { afterPaint } from '~/services/afterPaint'
import { usePlanStore } from '~/stores/planStore'
import { stateMarks } from './stateMarks'

/**
 * The views by phase, each with the mark of its verdict; on a phone a strip that keeps the view in
 * sight.
 */
const props = defineProps<{ planId: string }>()
const route = useRoute()
const store = usePlanStore()
const current = computed<ViewId>(() => {
  const last = route.path.replace(`/plans/${props.planId}`, '').split('/')[1] ?? ''
  return (last || 'brief') as ViewId
})
const rank: readonly VerdictState[] = ['impossible', 'short', 'unknown', 'tight', 'enough', 'ample']
const worst = (states: readonly VerdictState[]): VerdictState | null =>
  rank.find(state => states.includes(state)) ?? null

/** Where fields are set is known after the first view: only findings are marked by it. */
const viewOfPath = shallowRef<((path: string) => ViewId) | null>(null)
onMounted(async () => {
  await afterPaint()
  viewOfPath.value = (await import('~/composables/fieldPlaces')).viewOfPath
})
const marks = computed(() => {
  const verdicts = store.assessment?.verdicts ?? []
  const found: Partial<Record<ViewId, VerdictState>> = {}
  const overall = worst(verdicts.map(verdict => verdict.state))
  if (overall) found.brief = overall
  for (const { domain } of verdicts) {
    const state = worst(
      verdicts.filter(verdict => verdict.domain === domain).map(verdict => verdict.state),
    )
    if (state) found[domain as ViewId] = state
  }
  // A view without a headroom of its own tells what its findings tell.
  for (const { from, severity } of store.assessment?.findings ?? []) {
    for (const view of new Set(viewOfPath.value ? from.map(viewOfPath.value) : [])) {
      if (found[view] === undefined && severity !== 'caution')
        found[view] = severity === 'fail' ? 'short' : 'tight'
    }
  }
  return found
})

const strip = ref<HTMLElement | null>(null)
watch(
  current,
  async () => {
    await nextTick()
    const nav = strip.value
    const link = nav?.querySelector<HTMLElement>('[aria-current]')
    if (nav && link && nav.scrollWidth > nav.clientWidth)
      nav.scrollTo({ left: link.offsetLeft - (nav.clientWidth - link.clientWidth) / 2 })
  },
  { immediate: true, flush: 'post' },
)
</script>

<template>
  <nav ref="strip" class="rail no-print" aria-label="Views">
    <div v-for="phase in phases" :key="phase.label" class="phase">
      <p class="soft">
        {{ phase.label }}
      </p>
      <NuxtLink
        v-for="view in phase.views"
        :key="view.id"
        :to="viewAddress(planId, view.id)"
        :aria-current="view.id === current ? 'page' : undefined"
        :data-view="view.id"
      >
        <VIcon :icon="view.icon" size="18" />
        <span>{{ view.label }}</span>
        <svg
          v-if="marks[view.id]"
          viewBox="0 0 16 16"
          class="mark"
          :style="{ fill: `rgb(var(--v-theme-state-${marks[view.id]}))` }"
          role="img"
          :aria-label="stateMarks[marks[view.id]!].word"
        >
          <path :d="stateMarks[marks[view.id]!].path" />
        </svg>
      </NuxtLink>
    </div>
  </nav>
</template>

<style scoped>
.rail {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding: 12px 8px;
  position: sticky;
  top: 92px;
  align-self: start;
}
.phase {
  display: flex;
  flex-direction: column;
  gap: 1px;
}
.phase p {
  font-size: 0.76rem;
  padding: 2px 10px;
}
a {
  display: flex;
  align-items: center;
  gap: 9px;
  padding: 6px 10px;
  border-radius: 5px;
  color: inherit;
  text-decoration: none;
  font-size: 0.92rem;
}
a:hover {
  background: rgb(var(--v-theme-surface-light));
}
a[aria-current] {
  background: rgba(var(--v-theme-primary), 0.14);
  font-weight: 650;
  box-shadow: inset 3px 0 rgb(var(--v-theme-primary));
}
.mark {
  width: 12px;
  height: 12px;
  margin-left: auto;
  flex: none;
}
@media (max-width: 800px) {
  .rail {
    flex-direction: row;
    overflow-x: auto;
    position: relative;
    top: 0;
    padding: 6px 8px;
    gap: 4px;
    border-bottom: 1px solid rgb(var(--v-theme-hairline));
    scrollbar-width: none;
  }
  .phase {
    flex-direction: row;
    flex: none;
  }
  .phase + .phase {
    border-left: 1px solid rgb(var(--v-theme-hairline));
    padding-left: 4px;
  }
  .phase p {
    display: none;
  }
  a {
    white-space: nowrap;
    padding: 8px 10px;
    gap: 6px;
  }
  a[aria-current] {
    box-shadow: inset 0 -3px rgb(var(--v-theme-primary));
  }
}
</style>
