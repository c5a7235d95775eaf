<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { carriedFile } from '~~/core/commissioning/carried/carriedFile'
import {
  CarriedError,
  joinTicks,
  readCarried,
  type JoinedTicks,
  type ReadCarried,
} from '~~/core/commissioning/carried/carriedTicks'
import { stepStates, type StepState } from '~~/core/plan/commissioning'
import { downloadText, planFileStem } from '~/composables/planDownload'
import { todayText } from '~/composables/today'
import { useRunBook } from '~/composables/useRunBook'
import { usePlanStore } from '~/stores/planStore'

/** The run-book as a file for a phone without the server, and what it says when it comes back. */
const store = usePlanStore()
const { progress, takeOver } = useRunBook()
const input = ref<HTMLInputElement | null>(null)
const problem = ref('')
const read = shallowRef<ReadCarried | null>(null)
const joined = computed((): JoinedTicks | null => {
  if (!read.value || !store.plan) return null
  const ids = new Set(progress.value.steps.map(({ step }) => step.id))
  return joinTicks(store.plan.commissioning.steps, read.value.carried, ids)
})
const names = computed(
  () => new Map(progress.value.steps.map(({ step }) => [step.id, step.do] as const)),
)
const short = (text: string) => (text.length > 70 ? `${text.slice(0, 67)}…` : text)
const notes = computed(() => {
  if (!read.value || !joined.value) return []
  const { carried, isEdited } = read.value
  const { gone } = joined.value
  return [
    ...(isEdited ? ['The file was changed by hand: look at each line before you apply it.'] : []),
    ...(carried.version < (store.version ?? 0)
      ? ['The plan was changed since the file was made; the later day of both wins.']
      : []),
    ...(gone.length > 0
      ? [
          `Of steps that the run-book does not have any more: ${gone.join(', ')}. They are left out.`,
        ]
      : []),
  ]
})

function carry(): void {
  if (!store.plan || !store.id) return
  const text = carriedFile({
    planId: store.id,
    planName: store.plan.name,
    version: store.version ?? 0,
    made: todayText(),
    steps: progress.value.steps,
  })
  downloadText(`${planFileStem(store.plan)}-run-book.html`, text, 'text/html')
}
function drop(): void {
  read.value = null
  problem.value = ''
}
async function chosen(): Promise<void> {
  const file = input.value?.files?.[0]
  if (input.value) input.value.value = ''
  drop()
  if (!file) return
  if (file.size > 5_000_000) {
    problem.value = 'This is no run-book that was carried: it is too large.'
    return
  }
  try {
    const found = readCarried(await file.text())
    if (found.carried.plan !== store.id)
      problem.value =
        `The file is the run-book of another plan, "${found.carried.planName}". Open that plan ` +
        'and read it there. Nothing of it was taken.'
    else read.value = found
  } catch (error) {
    problem.value =
      error instanceof CarriedError ? error.message : 'The file cannot be read. Nothing was taken.'
  }
}
function apply(): void {
  if (joined.value) takeOver(joined.value.changes)
  drop()
}
const stateText = (state: StepState | undefined, day: string | undefined) =>
  `${stepStates[state ?? 'open']}${day ? `, ${day}` : ''}`
</script>

<template>
  <div class="carried no-print" data-carried>
    <div class="acts">
      <VBtn size="small" variant="outlined" color="primary" data-carry @click="carry">
        A file to carry
      </VBtn>
      <VBtn size="small" variant="outlined" data-read-carried @click="input?.click()">
        Read it back
      </VBtn>
      <input
        ref="input"
        type="file"
        accept=".html,text/html"
        hidden
        aria-label="A carried run-book"
        @change="chosen"
      />
    </div>
    <p v-if="problem" role="alert" class="problem" data-carried-problem>{{ problem }}</p>
    <div v-if="joined" data-carried-changes>
      <p v-for="note in notes" :key="note" class="soft">{{ note }}</p>
      <p v-if="joined.changes.length === 0">The file says nothing that the plan does not say.</p>
      <table v-else class="data-table">
        <thead>
          <tr>
            <th scope="col">Step</th>
            <th scope="col">In the plan</th>
            <th scope="col">With the file</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="change in joined.changes" :key="change.step">
            <th scope="row">{{ short(names.get(change.step) ?? change.step) }}</th>
            <td>{{ stateText(change.before?.state, change.before?.day) }}</td>
            <td>
              {{ stateText(change.after.state, change.after.day) }}
              <span v-if="change.after.note" class="soft small">{{ change.after.note }}</span>
            </td>
          </tr>
        </tbody>
      </table>
      <div class="acts">
        <VBtn
          v-if="joined.changes.length > 0"
          size="small"
          color="primary"
          variant="flat"
          data-apply-carried
          @click="apply"
        >
          Apply
        </VBtn>
        <VBtn size="small" variant="text" @click="drop">Drop</VBtn>
      </div>
    </div>
  </div>
</template>

<style scoped>
/* Its buttons stand in the row of the run-book's; what it says has a row of its own. */
.carried {
  display: contents;
}
.carried > :not(.acts) {
  flex-basis: 100%;
  min-width: 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.acts + .acts {
  margin-top: 10px;
}
.problem {
  color: rgb(var(--v-theme-state-short));
}
th[scope='row'] {
  font-weight: 500;
  max-width: 420px;
}
.soft {
  display: block;
}
</style>
