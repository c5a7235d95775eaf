<script setup lang="ts">
import { computed } from 'vue'
import { cautions } from '~~/core/commissioning/cautions'
import { faultTrees } from '~~/core/commissioning/faults/faultTrees'
import type { StepProgress } from '~~/core/commissioning/progress'
import { chapterOf, chapters } from '~~/core/commissioning/step'
import type { StepEntry, StepState } from '~~/core/plan/commissioning'
import InspectorPanel from '~/components/common/InspectorPanel.vue'
import PlanField from '~/components/common/PlanField.vue'
import { viewAddress } from '~/composables/views'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/** One step: what to do, why, its cautions, what good looks like, and what became of it. */
const props = defineProps<{
  progress: readonly StepProgress[]
  picked: string
  /** what the plan says at this step; '' where it says nothing */
  quote: string
  /** one person runs the machine: a step for two may be skipped for that reason */
  isAlone: boolean
  /** says something of a step; what is wrong with it, or null */
  say: (id: string, key: Exclude<keyof StepEntry, 'step'>, value: unknown) => string | null
}>()
const emit = defineEmits<{
  become: [id: string, state: StepState]
  pick: [id: string | null]
}>()
const store = usePlanStore()
const { hours, quantity } = useFormat()
const at = computed(() => props.progress.findIndex(({ step }) => step.id === props.picked))
const shown = computed(() => props.progress[at.value] ?? null)
const state = computed((): StepState => shown.value?.entry?.state ?? 'open')
const names = computed(() => new Map(props.progress.map(({ step }) => [step.id, step.do])))
const before = computed(() =>
  (shown.value?.needs ?? []).map(id => ({
    id,
    do: names.value.get(id)!,
    isOver: props.progress.find(({ step }) => step.id === id)!.isOver,
  })),
)
/** Steps of this book that are named for when it is not so. */
const otherwise = computed(() =>
  (shown.value?.step.ifNot.steps ?? []).filter(id => names.value.has(id)),
)
const trees = computed(() =>
  faultTrees.filter(({ id }) => shown.value?.step.ifNot.trees.includes(id)),
)
const addressOfTree = (tree: string) => ({
  path: viewAddress(store.id ?? '', 'commissioning', 'faults'),
  query: { tree, step: props.picked },
})
/** Where the entry stands in the plan, or will stand. */
const place = computed(() => {
  const steps = store.plan?.commissioning.steps ?? []
  const index = steps.findIndex(({ step }) => step === props.picked)
  return `commissioning.steps.${index < 0 ? steps.length : index}`
})
const field = (key: Exclude<keyof StepEntry, 'step'>) => (value: unknown) =>
  props.say(props.picked, key, value)
function step(by: number): void {
  const next = props.progress[(at.value + by + props.progress.length) % props.progress.length]
  if (next) emit('pick', next.step.id)
}
/** Steps that want two people. */
const forTwo = new Set(['system.alerts', 'sign.hand', 'assembly.close'])
/** Only a short sentence of what to do is read out in lists. */
const short = (text: string) => (text.length > 70 ? `${text.slice(0, 67)}…` : text)
</script>

<template>
  <InspectorPanel
    v-if="shown"
    :heading="chapters[chapterOf(shown.step.id)]"
    :index="at"
    :count="progress.length"
    @close="emit('pick', null)"
    @step="step"
  >
    <p class="do">{{ shown.step.do }}</p>
    <p class="soft">{{ shown.step.why }}</p>
    <ul v-if="shown.step.cautions.length" class="cautions" aria-label="Cautions" data-cautions>
      <li v-for="caution in shown.step.cautions" :key="caution">{{ cautions[caution] }}</li>
    </ul>
    <p v-if="quote" data-quote><strong>From the plan:</strong> {{ quote }}</p>
    <dl>
      <dt>Work</dt>
      <dd>{{ quantity(Math.round(shown.hands), 'min') }}</dd>
      <template v-if="shown.wait > 0">
        <dt>Then waiting</dt>
        <dd>{{ hours(shown.wait / 60) }}</dd>
      </template>
      <template v-if="shown.step.tools">
        <dt>Tools</dt>
        <dd>{{ shown.step.tools }}</dd>
      </template>
      <dt>Good</dt>
      <dd>{{ shown.step.good }}</dd>
    </dl>
    <p v-if="shown.isEarly" class="note" data-early>
      Done early: something that comes before it is not over yet.
    </p>
    <p v-if="shown.isOutdated" class="note" data-outdated>
      Check it again: the plan has another board, other drives, another layout or another system
      since it was ticked.
    </p>
    <div class="acts">
      <VBtn
        :color="state === 'done' ? undefined : 'primary'"
        :variant="state === 'done' ? 'outlined' : 'flat'"
        data-done
        @click="emit('become', picked, state === 'done' ? 'open' : 'done')"
      >
        {{ state === 'done' ? 'Not done after all' : 'Done' }}
      </VBtn>
      <VBtn
        v-if="state !== 'failed'"
        variant="outlined"
        data-failed
        @click="emit('become', picked, 'failed')"
      >
        It is not so
      </VBtn>
      <VBtn
        v-if="state !== 'skipped'"
        variant="outlined"
        data-skip
        @click="emit('become', picked, 'skipped')"
      >
        Skip it
      </VBtn>
      <VBtn v-else variant="outlined" @click="emit('become', picked, 'open')">Take it up</VBtn>
    </div>
    <div v-if="state === 'failed'" class="otherwise" data-otherwise>
      <h3>When it is not so</h3>
      <p v-if="shown.step.ifNot.advice">{{ shown.step.ifNot.advice }}</p>
      <p v-if="trees.length" data-step-trees>
        Find the cause, one question at a time:
        <template v-for="(tree, index) in trees" :key="tree.id">
          {{ index > 0 ? ' · ' : '' }}
          <NuxtLink :to="addressOfTree(tree.id)">{{ tree.label }}</NuxtLink>
        </template>
      </p>
      <p v-for="id in otherwise" :key="id">
        Go back to:
        <button type="button" class="plain-button link" @click="emit('pick', id)">
          {{ short(names.get(id)!) }}
        </button>
      </p>
      <p v-if="!shown.step.ifNot.advice && otherwise.length === 0 && trees.length === 0">
        Do it once more from the beginning; if it stays so, write down what you saw and ask somebody
        who has the tools.
      </p>
    </div>
    <PlanField
      v-if="state === 'skipped'"
      :path="`${place}.reason`"
      :set="field('reason')"
      placeholder="why it is not needed"
    />
    <VBtn
      v-if="state === 'skipped' && isAlone && shown.entry?.reason === '' && forTwo.has(picked)"
      size="small"
      variant="outlined"
      data-alone
      @click="say(picked, 'reason', 'Alone: nobody else uses the machine.')"
    >
      Alone
    </VBtn>
    <div v-if="state !== 'open'" class="fields">
      <PlanField :path="`${place}.day`" :set="field('day')" />
      <PlanField :path="`${place}.who`" :set="field('who')" />
    </div>
    <PlanField :path="`${place}.note`" :set="field('note')" />
    <div class="fields">
      <PlanField :path="`${place}.measured`" :set="field('measured')" />
      <PlanField :path="`${place}.photo`" :set="field('photo')" />
      <PlanField
        :path="`${place}.handsMin`"
        :set="field('handsMin')"
        :placeholder="String(Math.round(shown.hands))"
      />
    </div>
    <template v-if="before.length">
      <h3>Comes before it</h3>
      <ul class="before">
        <li v-for="entry in before" :key="entry.id">
          <button type="button" class="plain-button link" @click="emit('pick', entry.id)">
            {{ short(entry.do) }}
          </button>
          <span class="soft">{{ entry.isOver ? ' (over)' : ' (open)' }}</span>
        </li>
      </ul>
    </template>
  </InspectorPanel>
</template>

<style scoped>
.do {
  font-size: 1.05rem;
}
.cautions {
  border-left: 4px solid rgb(var(--v-theme-state-tight));
  padding: 6px 10px 6px 26px;
  margin: 10px 0;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 4px 12px;
  margin: 10px 0;
}
dt {
  color: rgba(var(--v-theme-on-surface), 0.72);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 12px 0;
}
.acts .v-btn {
  min-height: 44px;
}
.note {
  color: rgb(var(--v-theme-state-tight));
  font-weight: 600;
}
.otherwise a,
.link {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline;
  text-align: left;
}
.before {
  padding-left: 18px;
}
h3 {
  font-size: 0.95rem;
  margin-top: 10px;
}
</style>
