<script setup lang="ts">
import type { RouteLocationRaw } from 'vue-router'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { cautions } from '~~/core/commissioning/cautions'
import { faultTrees } from '~~/core/commissioning/faults/faultTrees'
import type { StepProgress } from '~~/core/commissioning/progress'
import { chapterOf, chapters } from '~~/core/commissioning/step'
import type { StepState } from '~~/core/plan/commissioning'
import { useFormat } from '~/composables/useFormat'
import { useWakeLock } from '~/composables/useWakeLock'

/** One step a screen, for one hand beside the open case: large targets within reach of a thumb. */
const props = defineProps<{
  steps: readonly StepProgress[]
  picked: string
  /** what the plan says at this step; '' where it says nothing */
  quote: string
  /** what is to be said of saving, where it is not said elsewhere */
  status?: string
  /** where a fault tree opens; without it the trees are only named */
  treeAddress?: (tree: string, step: string) => RouteLocationRaw
  /** says something of a step; what is wrong with it, or null */
  say: (id: string, key: 'note', value: unknown) => string | null
}>()
const emit = defineEmits<{
  become: [id: string, state: StepState]
  pick: [id: string]
  close: []
}>()
const { hours, quantity, number } = useFormat()
const { isAwake, isPossible } = useWakeLock()
const at = computed(() =>
  Math.max(
    0,
    props.steps.findIndex(({ step }) => step.id === props.picked),
  ),
)
const shown = computed(() => props.steps[at.value]!)
const state = computed((): StepState => shown.value.entry?.state ?? 'open')
const over = computed(() => props.steps.filter(({ isOver }) => isOver).length)
const trees = computed(() =>
  faultTrees.filter(({ id }) => shown.value.step.ifNot.trees.includes(id)),
)
const body = ref<HTMLElement | null>(null)
function go(by: -1 | 1): void {
  const next = props.steps[at.value + by]
  if (next) emit('pick', next.step.id)
}
/** What is done is left behind: the next one is shown. */
function done(): void {
  emit('become', shown.value.step.id, state.value === 'done' ? 'open' : 'done')
  if (state.value !== 'done') go(1)
}
watch(at, () => body.value?.scrollTo({ top: 0 }))

/** A swipe of the thumb to the side goes on or back. */
let from: { x: number; y: number } | null = null
function down(event: PointerEvent): void {
  from = { x: event.clientX, y: event.clientY }
}
function up(event: PointerEvent): void {
  if (!from || event.pointerType === 'mouse') return
  const [x, y] = [event.clientX - from.x, event.clientY - from.y]
  from = null
  if (Math.abs(x) > 70 && Math.abs(x) > 2 * Math.abs(y)) go(x < 0 ? 1 : -1)
}
function onKey(event: KeyboardEvent): void {
  if ((event.target as HTMLElement).closest('input, textarea')) return
  if (event.key === 'Escape') emit('close')
  else if (event.key === 'ArrowRight') go(1)
  else if (event.key === 'ArrowLeft') go(-1)
}
onMounted(() => window.addEventListener('keydown', onKey))
onBeforeUnmount(() => window.removeEventListener('keydown', onKey))
</script>

<template>
  <Teleport to="body">
    <section
      class="one"
      role="dialog"
      aria-modal="true"
      :aria-label="`Step ${at + 1} of ${steps.length}`"
      data-one-step
    >
      <header>
        <div>
          <strong>{{ chapters[chapterOf(shown.step.id)] }}</strong>
          <span class="soft">{{ number(at + 1) }} of {{ number(steps.length) }}</span>
        </div>
        <VBtn variant="text" @click="emit('close')">Whole book</VBtn>
        <span class="bar" aria-hidden="true">
          <i :style="{ width: `${(100 * over) / steps.length}%` }" />
        </span>
      </header>
      <div
        ref="body"
        class="body"
        tabindex="0"
        role="region"
        aria-label="The step"
        @pointerdown="down"
        @pointerup="up"
      >
        <p class="do" data-one-do>{{ shown.step.do }}</p>
        <ul v-if="shown.step.cautions.length" class="cautions" aria-label="Cautions">
          <li v-for="caution in shown.step.cautions" :key="caution">{{ cautions[caution] }}</li>
        </ul>
        <p v-if="quote"><strong>From the plan:</strong> {{ quote }}</p>
        <p><strong>Good:</strong> {{ shown.step.good }}</p>
        <p class="soft">{{ shown.step.why }}</p>
        <p class="soft">
          {{ quantity(Math.round(shown.hands), 'min')
          }}{{ shown.wait > 0 ? `, then ${hours(shown.wait / 60)} of waiting` : ''
          }}{{ shown.step.tools ? `. Tools: ${shown.step.tools}` : '' }}
        </p>
        <div v-if="state === 'failed'" class="failed">
          <p v-if="shown.step.ifNot.advice">{{ shown.step.ifNot.advice }}</p>
          <p v-for="tree in trees" :key="tree.id">
            <NuxtLink v-if="treeAddress" :to="treeAddress(tree.id, shown.step.id)"
              >{{ tree.label }}: find the cause</NuxtLink
            >
            <template v-else
              >The fault tree "{{ tree.label }}" of Numeron finds the cause.</template
            >
          </p>
        </div>
        <textarea
          :value="shown.entry?.note ?? ''"
          rows="2"
          placeholder="Note"
          aria-label="Note"
          @change="say(shown.step.id, 'note', ($event.target as HTMLTextAreaElement).value)"
        />
        <p class="soft small">
          {{
            isAwake
              ? 'The screen stays on while this is open.'
              : isPossible
                ? 'The browser lets the screen sleep now.'
                : 'This browser cannot keep the screen on here: over plain HTTP it may not. ' +
                  'Without the server it cannot be loaded again either; the file to carry can.'
          }}
        </p>
      </div>
      <footer>
        <p v-if="status" role="status" class="small" data-one-status>{{ status }}</p>
        <div class="second">
          <VBtn
            variant="outlined"
            size="large"
            data-one-failed
            @click="emit('become', shown.step.id, state === 'failed' ? 'open' : 'failed')"
          >
            {{ state === 'failed' ? 'It is so after all' : 'It is not so' }}
          </VBtn>
          <VBtn
            variant="outlined"
            size="large"
            @click="emit('become', shown.step.id, state === 'skipped' ? 'open' : 'skipped')"
          >
            {{ state === 'skipped' ? 'Take it up' : 'Skip it' }}
          </VBtn>
        </div>
        <div class="first">
          <VBtn
            variant="outlined"
            size="x-large"
            :disabled="at === 0"
            aria-label="Step before"
            @click="go(-1)"
          >
            Back
          </VBtn>
          <VBtn
            color="primary"
            variant="flat"
            size="x-large"
            class="done"
            data-one-done
            @click="done"
          >
            {{ state === 'done' ? 'Take it back' : 'Done' }}
          </VBtn>
          <VBtn
            variant="outlined"
            size="x-large"
            :disabled="at === steps.length - 1"
            aria-label="Step after"
            @click="go(1)"
          >
            Next
          </VBtn>
        </div>
      </footer>
    </section>
  </Teleport>
</template>

<style scoped>
.one {
  position: fixed;
  inset: 0;
  z-index: 1500;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  background: rgb(var(--v-theme-background));
  max-width: 720px;
  margin: 0 auto;
  box-shadow: 0 0 0 100vmax rgb(var(--v-theme-background));
}
header {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  padding: 10px 16px 0;
  gap: 4px 12px;
}
header .soft {
  margin-left: 10px;
}
.bar {
  flex-basis: 100%;
  height: 5px;
  background: rgba(var(--v-theme-ink-soft), 0.2);
}
.bar i {
  display: block;
  height: 100%;
  background: rgb(var(--v-theme-primary));
}
.body {
  overflow: auto;
  padding: 16px;
  font-size: 1.05rem;
  touch-action: pan-y;
}
.body p {
  margin-bottom: 12px;
}
.do {
  font-size: 1.3rem;
  line-height: 1.35;
  font-weight: 600;
}
.cautions {
  border-left: 4px solid rgb(var(--v-theme-state-short));
  padding: 8px 12px 8px 30px;
  margin-bottom: 14px;
  background: rgba(var(--v-theme-state-short), 0.07);
}
.failed {
  border-left: 4px solid rgb(var(--v-theme-state-tight));
  padding-left: 12px;
}
textarea {
  font: inherit;
  color: inherit;
  width: 100%;
  border: 1px solid rgba(var(--v-theme-ink-soft), 0.5);
  border-radius: 4px;
  padding: 8px 10px;
}
footer {
  display: grid;
  gap: 10px;
  padding: 10px 16px calc(14px + env(safe-area-inset-bottom));
  border-top: 1px solid rgb(var(--v-theme-hairline));
}
.first,
.second {
  display: flex;
  gap: 10px;
}
.second .v-btn,
.done {
  flex: 1;
}
.first .v-btn {
  min-height: 64px;
  min-width: 88px;
}
.done {
  font-size: 1.15rem;
}
</style>
