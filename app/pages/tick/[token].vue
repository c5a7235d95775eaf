<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useHead, useRoute } from '#imports'
import { chapterOf, chapters } from '~~/core/commissioning/step'
import { stepStates, type StepState } from '~~/core/plan/commissioning'
import OneStep from '~/components/commissioning/OneStep.vue'
import SchemeButton from '~/components/common/SchemeButton.vue'
import { useTickLink } from '~/composables/useTickLink'

/** What a run-book link shows: the steps of one plan, which can be ticked and nothing else. */
const route = useRoute()
const { read, book, steps, waiting, message, isAway, load, say } = useTickLink(
  String(route.params.token),
)
useHead({
  title: () => (read.value ? `${read.value.plan.name} – Run-book` : 'Numeron'),
  meta: [
    { name: 'robots', content: 'noindex' },
    { name: 'referrer', content: 'no-referrer' },
  ],
})
const picked = ref('')
const isOne = ref(false)
const over = computed(() => steps.value.filter(({ isOver }) => isOver).length)
const groups = computed(() =>
  Object.entries(chapters)
    .map(([id, label]) => ({
      id,
      label,
      steps: steps.value.filter(({ step }) => chapterOf(step.id) === id),
    }))
    .filter(group => group.steps.length > 0),
)
/** Beside the open case the next step is what is wanted first. */
watch(
  () => steps.value.length > 0,
  isThere => {
    if (!isThere) return
    picked.value = (steps.value.find(({ isOver }) => !isOver) ?? steps.value[0]!).step.id
    isOne.value = over.value < steps.value.length
  },
)
function open(id: string): void {
  picked.value = id
  isOne.value = true
}
const become = (id: string, state: StepState) => say(id, { state })
function note(id: string, _: 'note', value: unknown): null {
  say(id, { note: String(value).slice(0, 1000) })
  return null
}
const waitingText = computed(() => {
  const count = waiting.value.length
  if (count === 0) return ''
  const ticks = count === 1 ? '1 tick waits' : `${count} ticks wait`
  return isAway.value
    ? `The server does not answer. ${ticks} in this browser until it does.`
    : `${ticks} to be saved.`
})
</script>

<template>
  <VMain tag="div">
    <main class="tick">
      <template v-if="read">
        <header>
          <h1>{{ read.plan.name }}</h1>
          <SchemeButton />
        </header>
        <p>
          {{ over }} of {{ steps.length }} {{ steps.length === 1 ? 'step' : 'steps' }} done or
          skipped. Here steps can be ticked and notes be added; nothing else of the plan can be
          changed.
        </p>
        <p v-if="waitingText" role="status" data-ticks-wait>{{ waitingText }}</p>
        <p v-if="message" role="alert" class="problem">{{ message }}</p>
        <p v-if="steps.length === 0">
          The plan has no machine and no drives yet, so there is nothing to do.
        </p>
        <section v-for="group in groups" :key="group.id" class="sheet">
          <h2>{{ group.label }}</h2>
          <ul>
            <li v-for="entry in group.steps" :key="entry.step.id">
              <button
                type="button"
                class="plain-button"
                :data-tick-step="entry.step.id"
                @click="open(entry.step.id)"
              >
                <span>{{ entry.step.do }}</span>
                <span class="state" :class="{ soft: !entry.isOver }">{{
                  stepStates[entry.entry?.state ?? 'open']
                }}</span>
              </button>
            </li>
          </ul>
        </section>
        <OneStep
          v-if="isOne && picked"
          :steps="steps"
          :picked="picked"
          :quote="book?.quotes.get(picked) ?? ''"
          :status="message || waitingText"
          :say="note"
          @become="become"
          @pick="picked = $event"
          @close="isOne = false"
        />
      </template>
      <section v-else-if="message" class="sheet">
        <p role="alert">{{ message }}</p>
        <VBtn variant="outlined" color="primary" @click="load"> Try again </VBtn>
      </section>
    </main>
  </VMain>
</template>

<style scoped>
.tick {
  max-width: 760px;
  margin: 0 auto;
  padding: 20px 16px 60px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
header {
  display: flex;
  align-items: center;
  gap: 12px;
}
header h1 {
  flex: 1;
  overflow-wrap: anywhere;
}
ul {
  list-style: none;
  padding: 0;
  margin: 8px 0 0;
}
li + li {
  border-top: 1px solid rgb(var(--v-theme-hairline));
}
li button {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 16px;
  width: 100%;
  min-height: 48px;
  padding: 8px 0;
  text-align: left;
}
.state {
  white-space: nowrap;
  font-weight: 600;
}
.problem {
  color: rgb(var(--v-theme-state-short));
}
</style>
