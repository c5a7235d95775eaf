<script setup lang="ts">
import { computed, nextTick, onMounted, ref, watch } from 'vue'
import { useRoute } from '#imports'
import { viewAddress, viewOf, type ViewId } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'
import StateMark from './StateMark.vue'

/**
 * A view: the question it answers, the ways to its sections, and the section that the address
 * names.
 */
const props = defineProps<{
  view: ViewId
  question: string
  /** a headroom whose verdict stands under the question */ verdict?: string
}>()
const route = useRoute()
const store = usePlanStore()
const own = computed(() => viewOf(props.view))
const answer = computed(() =>
  store.assessment?.verdicts.find(candidate => candidate.id === props.verdict),
)
/** The day on which it is printed, as far as the page knows. */
const printedOn = new Intl.DateTimeFormat(undefined, { dateStyle: 'long' }).format(new Date())
const ways = ref<HTMLElement | null>(null)
/** On a narrow page the way to the present section may lie outside the row. */
async function showOwnWay(): Promise<void> {
  await nextTick()
  const row = ways.value
  const own = row?.querySelector<HTMLElement>('[aria-current]')
  if (row && own)
    row.scrollLeft = own.offsetLeft - row.offsetLeft - (row.clientWidth - own.offsetWidth) / 2
}
onMounted(showOwnWay)
watch(() => route.params.section, showOwnWay)
const section = computed(
  () =>
    own.value.sections.find(candidate => candidate.id === route.params.section) ??
    own.value.sections[0]!,
)
</script>

<template>
  <div class="view-frame" :data-section="section.id">
    <p class="print-only soft small">
      {{ store.plan?.name }} · {{ own.label }}: {{ section.label }} · {{ printedOn }}
    </p>
    <header>
      <h1>{{ question }}</h1>
      <nav
        v-if="own.sections.length > 1"
        ref="ways"
        class="sections no-print"
        :aria-label="`Sections of ${own.label}`"
      >
        <NuxtLink
          v-for="entry in own.sections"
          :key="entry.id"
          :to="viewAddress(store.id ?? '', view, entry.id)"
          :aria-current="entry.id === section.id ? 'page' : undefined"
        >
          {{ entry.label }}
        </NuxtLink>
      </nav>
    </header>
    <p v-if="answer" class="answer"><StateMark :state="answer.state" /> {{ answer.sentence }}</p>
    <slot :name="section.id" />
  </div>
</template>

<style scoped>
.view-frame {
  display: flex;
  flex-direction: column;
  gap: 14px;
  max-width: 1480px;
}
header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 22px;
}
h1 {
  flex: 0 1 auto;
}
.answer {
  margin-top: -6px;
  line-height: 1.4;
}
.sections {
  display: flex;
  gap: 2px;
  margin-left: auto;
  overflow-x: auto;
  max-width: 100%;
  scrollbar-width: none;
}
.sections a {
  padding: 5px 11px;
  min-height: 30px;
  color: inherit;
  text-decoration: none;
  font-size: 0.92rem;
  white-space: nowrap;
  border-bottom: 2px solid transparent;
}
.sections a:hover {
  background: rgb(var(--v-theme-surface-light));
}
.sections a[aria-current] {
  font-weight: 650;
  border-color: rgb(var(--v-theme-primary));
}
@media (max-width: 800px) {
  .sections {
    margin-left: 0;
  }
}
</style>
