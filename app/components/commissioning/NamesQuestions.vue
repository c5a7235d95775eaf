<script setup lang="ts">
import { nameRules } from '~~/core/commissioning/names/nameRules'
import type { NameQuestion } from '~/services/namesWork'
import { useFormat } from '~/composables/useFormat'

/** What no name tells: answered once for all files alike. */
defineProps<{ questions: readonly NameQuestion[]; count: number }>()
const emit = defineEmits<{
  answer: [key: string, text: string]
  correct: [path: string, to: string]
}>()
const { number } = useFormat()
/** Where a file goes is said by its whole path, anything else in a word. */
const isPath = ({ key }: NameQuestion) => key.startsWith('sort|') || key.startsWith('name|')
function send(question: NameQuestion, text: string): void {
  if (isPath(question)) emit('correct', question.example, text)
  else emit('answer', question.key, text)
}
</script>

<template>
  <section class="sheet" data-names-questions>
    <h2>What no name tells</h2>
    <ul>
      <li v-for="question in questions" :key="question.key" :data-question="question.key">
        <span>{{ question.question }}</span>
        <span class="soft small">
          {{ nameRules[question.rule] }},
          {{ question.files === 1 ? '1 file' : `${number(question.files)} files` }}:
          {{ question.example }}
        </span>
        <span v-if="question.choices" class="choices">
          <VBtn
            v-for="choice in question.choices"
            :key="choice"
            size="small"
            variant="outlined"
            color="primary"
            @click="emit('answer', question.key, choice)"
          >
            {{ choice }}
          </VBtn>
        </span>
        <input
          v-else
          :aria-label="question.question"
          :placeholder="isPath(question) ? 'its whole new path' : 'answer'"
          @change="send(question, ($event.target as HTMLInputElement).value)"
        />
      </li>
    </ul>
    <p v-if="count > questions.length" class="soft small">
      {{ number(count - questions.length) }} more questions follow once these are answered.
    </p>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 12px 20px;
}
li {
  display: grid;
  gap: 3px;
  align-content: start;
  min-width: 0;
}
li span {
  overflow-wrap: anywhere;
}
.choices {
  display: flex;
  gap: 8px;
}
input {
  font: inherit;
  color: inherit;
  background: rgba(var(--v-theme-primary), 0.07);
  border: 0;
  border-bottom: 1px solid rgba(var(--v-theme-primary), 0.5);
  padding: 3px 6px;
  max-width: 320px;
  width: 100%;
}
input:focus-visible {
  outline: 2px solid rgb(var(--v-theme-primary));
}
</style>
