<script setup lang="ts">
import { computed } from 'vue'
import { trialWords, type AccountTest, type Trial } from '~~/core/commissioning/access/testList'

/** What to try with each account: one thing that must work, and one that must be refused. */
const props = defineProps<{
  tests: readonly (AccountTest & { readonly isProved: boolean })[]
  /** the step of the run-book is over */
  isOver: boolean
}>()
const emit = defineEmits<{ prove: [test: AccountTest, isProved: boolean]; tick: [] }>()
const left = computed(() => props.tests.filter(({ isProved }) => !isProved).length)
const words = (trial: Trial | null) => (trial ? trialWords(trial) : '–')
const sentence = computed(() =>
  left.value === 0
    ? 'Every account was tried.'
    : left.value === props.tests.length
      ? 'Rights are what is refused: try both with each account.'
      : `${left.value} of ${props.tests.length} accounts ${left.value === 1 ? 'is' : 'are'} left to be tried.`,
)
</script>

<template>
  <section class="sheet" data-test-list>
    <h2>Test list</h2>
    <p class="soft small">{{ sentence }}</p>
    <div class="scroll" tabindex="0" role="region" aria-label="Test list">
      <table class="data-table">
        <thead>
          <tr>
            <th scope="col">Account</th>
            <th scope="col">Must work</th>
            <th scope="col">Must be refused</th>
            <th scope="col">Tried</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="test in tests" :key="test.who">
            <th scope="row">{{ test.name }}</th>
            <td>{{ words(test.allowed) }}</td>
            <td>{{ words(test.forbidden) }}</td>
            <td>
              <VCheckbox
                :model-value="test.isProved"
                :aria-label="`Both tried with ${test.name}`"
                density="compact"
                hide-details
                @update:model-value="emit('prove', test, Boolean($event))"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <VBtn
      v-if="left === 0 && tests.length > 0 && !isOver"
      size="small"
      variant="outlined"
      color="primary"
      data-tick-prove
      @click="emit('tick')"
    >
      Tick the step in the run-book
    </VBtn>
  </section>
</template>

<style scoped>
th[scope='row'] {
  font-weight: 600;
}
tbody :is(th, td) {
  vertical-align: middle;
}
tbody td:first-of-type,
tbody td:nth-of-type(2) {
  min-width: 170px;
}
.scroll {
  overflow-x: auto;
  margin-bottom: 8px;
}
</style>
