<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from '#imports'
import { faultEnds } from '~~/core/commissioning/faults/faultTree'
import { faultTrees } from '~~/core/commissioning/faults/faultTrees'
import { walkFaults, walkText } from '~~/core/commissioning/faults/walk'
import { steps } from '~~/core/commissioning/steps'
import { useRunBook } from '~/composables/useRunBook'
import { viewAddress } from '~/composables/views'
import { usePlanStore } from '~/stores/planStore'

/**
 * A fault is found by one question at a time. The way so far stands above the question and in the
 * address; it can be kept as a note of the step that it began at.
 */
const store = usePlanStore()
const route = useRoute()
const router = useRouter()
const { say } = useRunBook()
const word = (key: string) => {
  const value = route.query[key]
  return typeof value === 'string' ? value : ''
}
const from = computed(() => word('tree'))
const picks = computed(() =>
  word('way')
    .split('.')
    .filter(pick => /^\d{1,2}$/.test(pick))
    .map(Number),
)
const step = computed(() => steps.find(({ id }) => id === word('step')) ?? null)
const walk = computed(() => walkFaults(from.value, picks.value))
const kept = computed(
  () => store.plan?.commissioning.steps.find(entry => entry.step === step.value?.id)?.note ?? '',
)
const text = computed(() => (walk.value ? walkText(walk.value) : ''))
const isKept = computed(() => text.value !== '' && kept.value.includes(text.value))
const address = (query: Record<string, string>) => ({
  path: viewAddress(store.id ?? '', 'commissioning', 'faults'),
  query: { ...(step.value ? { step: step.value.id } : {}), ...query },
})
function go(way: readonly number[]): void {
  void router.push(address({ tree: from.value, ...(way.length ? { way: way.join('.') } : {}) }))
}
/** The newest way stands first; what does not fit into a note any more is cut at its end. */
function keep(): void {
  if (!step.value || !walk.value) return
  const note = [text.value, kept.value].filter(Boolean).join('\n\n').slice(0, 1000)
  say(step.value.id, 'note', note)
}
const copy = () => navigator.clipboard?.writeText(text.value)
const back = computed(() =>
  step.value
    ? {
        path: viewAddress(store.id ?? '', 'commissioning'),
        query: { step: step.value.id },
      }
    : null,
)
</script>

<template>
  <div class="faults" data-faults>
    <section class="sheet">
      <h2>What is wrong?</h2>
      <ul class="trees">
        <li v-for="tree in faultTrees" :key="tree.id">
          <NuxtLink
            :to="address({ tree: tree.id })"
            :aria-current="tree.id === from ? 'true' : undefined"
            :data-tree="tree.id"
          >
            {{ tree.label }}
          </NuxtLink>
        </li>
      </ul>
    </section>
    <section v-if="walk" class="sheet" data-walk>
      <p v-if="step" class="soft">
        At the step: {{ step.do }}
        <NuxtLink v-if="back" :to="back">Back to it</NuxtLink>
      </p>
      <ol class="way">
        <li v-for="(answered, at) in walk.way" :key="at" class="answered">
          <span>{{ answered.ask }}</span>
          <strong>{{ answered.says }}</strong>
          <button
            type="button"
            class="plain-button link"
            :aria-label="`Answer again: ${answered.ask}`"
            @click="go(picks.slice(0, at))"
          >
            Answer again
          </button>
        </li>
        <li v-if="walk.now" class="now" data-question>
          <h2>{{ walk.now.ask }}</h2>
          <div class="answers">
            <VBtn
              v-for="(answer, at) in walk.now.answers"
              :key="answer.says"
              variant="outlined"
              color="primary"
              @click="go([...picks.slice(0, walk.way.length), at])"
            >
              {{ answer.says }}
            </VBtn>
          </div>
        </li>
        <li v-if="walk.found" class="found" data-found role="status">
          <h2>{{ walk.found.cause }}</h2>
          <p class="mends">{{ walk.found.fix }}</p>
          <p class="soft">{{ faultEnds[walk.found.end] }}</p>
        </li>
      </ol>
      <div v-if="walk.way.length" class="acts no-print">
        <VBtn v-if="step" variant="outlined" color="primary" :disabled="isKept" @click="keep">
          {{ isKept ? 'Kept with the step' : 'Keep it with the step' }}
        </VBtn>
        <VBtn variant="outlined" @click="copy">Copy as text</VBtn>
        <VBtn v-if="back" :to="back" variant="flat" color="primary">Do the step again</VBtn>
      </div>
    </section>
    <p v-else class="soft">
      Choose what you see. Each answer leads to the next question, until there is a cause and what
      mends it.
    </p>
    <p class="soft small">
      Switch off and pull the plug before anything is opened, and never open a power supply. Fixed
      wiring is work for a licensed electrician.
    </p>
  </div>
</template>

<style scoped>
.faults {
  display: grid;
  gap: 16px;
}
.trees {
  list-style: none;
  padding: 0;
  margin: 8px 0 0;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.trees a {
  display: block;
  padding: 9px 14px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 5px;
  color: inherit;
  text-decoration: none;
}
.trees a:hover,
.trees a[aria-current] {
  border-color: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-primary));
  font-weight: 600;
}
.way {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
}
/* The way hangs on one line, as a plumb line does. */
.way li {
  position: relative;
  padding: 6px 0 10px 26px;
  border-left: 3px solid rgb(var(--v-theme-wall));
  margin-left: 8px;
}
.way li::before {
  content: '';
  position: absolute;
  left: -8px;
  top: 13px;
  width: 13px;
  height: 13px;
  border-radius: 50%;
  background: rgb(var(--v-theme-wall));
}
.way .now::before {
  background: rgb(var(--v-theme-surface));
  border: 3px solid rgb(var(--v-theme-primary));
}
.way .now,
.way .found {
  border-left-color: transparent;
}
.way .found::before {
  background: rgb(var(--v-theme-state-enough));
}
.answered span,
.answered strong {
  display: block;
}
.answers {
  display: flex;
  flex-direction: column;
  gap: 8px;
  align-items: flex-start;
  margin-top: 10px;
}
.answers .v-btn {
  height: auto;
  min-height: 44px;
  white-space: normal;
  text-align: left;
  max-width: 100%;
  padding: 8px 16px;
}
.answers :deep(.v-btn__content) {
  white-space: normal;
}
.mends {
  font-size: 1.05rem;
  margin: 6px 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 12px;
}
.link,
.faults p a {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline;
}
</style>
