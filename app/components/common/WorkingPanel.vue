<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, onMounted, ref, useId, watch } from 'vue'
import { mdiClose } from '@mdi/js'
import { estimateOf } from '~~/core/figure'
import { valueAt } from '~~/core/plan/paths'
import { planField } from '~~/core/plan/planField'
import { useGoTo } from '~/composables/useGoTo'
import { useFormat } from '~/composables/useFormat'
import { useWorkingStore } from '~/stores/workingStore'

/**
 * How one figure came about: the formula with its numbers, and every input down to where it is set.
 */
const working = useWorkingStore()
const { goToField } = useGoTo()
const { quantity, range, unitText } = useFormat()

const figures = computed(() => working.figures)
const figure = computed(() => (working.figureId ? (figures.value[working.figureId] ?? null) : null))
const band = computed(() => {
  const estimate = figure.value && estimateOf(figure.value)
  return estimate && estimate.low !== estimate.high
    ? `${range(estimate, figure.value!.unit)}${['share', 'money'].includes(figure.value!.unit) ? '' : ` ${unitText(figure.value!.unit)}`}`
    : null
})
const bases = {
  entered: 'entered by you',
  default: 'usual value',
  computed: 'worked out',
  calibrated: 'corrected by measurement',
  measured: 'measured',
} as const

function fieldText(path: string): string {
  const value = valueAt(working.plan, path)
  const field = planField(path)
  if (value === null) return 'not entered'
  if (Array.isArray(value)) return `${value.length} ${value.length === 1 ? 'entry' : 'entries'}`
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (field?.kind === 'choice') {
    const label = field.options.find(option => option.value === value)?.label ?? String(value)
    return field.unit && typeof value === 'number' && /^\d/.test(label)
      ? quantity(value, field.unit)
      : label
  }
  if (typeof value === 'number') return quantity(value, field?.unit ?? '')
  return String(value)
}

const inputs = computed(() =>
  (figure.value?.inputs ?? []).map(id => {
    const other = figures.value[id]
    if (other) {
      return {
        id,
        isFigure: true,
        label: other.label,
        text: other.value === null ? 'does not apply' : quantity(other.value, other.unit),
        basis: bases[other.basis],
      }
    }
    const field = planField(id)
    const isDefault = JSON.stringify(valueAt(working.plan, id)) === JSON.stringify(field?.fallback)
    return {
      id,
      isFigure: false,
      label: field?.label ?? id,
      text: fieldText(id),
      basis: isDefault ? bases.default : bases.entered,
    }
  }),
)

const heading = ref<HTMLElement | null>(null)
const headingId = useId()
let cameFrom: HTMLElement | null = null
watch(
  () => working.figureId,
  async (now, before) => {
    if (now === null) {
      cameFrom?.focus?.()
      return
    }
    if (before === null) cameFrom = document.activeElement as HTMLElement | null
    await nextTick()
    heading.value?.focus()
  },
)

function onKey(event: KeyboardEvent): void {
  if (event.key === 'Escape' && working.isOpen) working.close()
}
onMounted(() => window.addEventListener('keydown', onKey))
onBeforeUnmount(() => window.removeEventListener('keydown', onKey))
</script>

<template>
  <VNavigationDrawer
    :model-value="working.isOpen"
    location="right"
    temporary
    :width="400"
    class="no-print"
    @update:model-value="
      open => {
        if (!open) working.close()
      }
    "
  >
    <div
      v-if="figure"
      class="working"
      role="dialog"
      aria-modal="true"
      :aria-labelledby="`${headingId}-what ${headingId}`"
    >
      <header>
        <p v-if="working.variant" class="variant small">
          {{ working.variant.label }}
        </p>
        <ol v-if="working.trail.length > 1" class="trail">
          <li v-for="step in working.trail.slice(0, -1)" :key="step">
            <button type="button" class="plain-button" @click="working.follow(step)">
              {{ figures[step]?.label }}
            </button>
          </li>
        </ol>
        <p :id="`${headingId}-what`" class="soft small">Show working</p>
        <div class="title">
          <h2 :id="headingId" ref="heading" tabindex="-1">
            {{ figure.label }}
          </h2>
          <VBtn
            :icon="mdiClose"
            size="small"
            aria-label="Close the working"
            @click="working.close()"
          />
        </div>
        <p class="result">
          {{ figure.value === null ? 'Does not apply' : quantity(figure.value, figure.unit) }}
        </p>
        <p v-if="band" class="soft small">80 % range: {{ band }}</p>
      </header>
      <section>
        <h3>Formula with its numbers</h3>
        <p class="formula">
          {{ figure.formula }}
        </p>
        <p v-if="figure.note" class="note">
          {{ figure.note }}
        </p>
      </section>
      <section v-if="inputs.length">
        <h3>Worked out from</h3>
        <ul class="inputs">
          <li v-for="input in inputs" :key="input.id">
            <button
              type="button"
              class="plain-button"
              :data-input="input.id"
              @click="input.isFigure ? working.follow(input.id) : goToField(input.id)"
            >
              <span class="input-label">{{ input.label }}</span>
              <span class="input-value">{{ input.text }}</span>
              <span class="soft small"
                >{{ input.basis
                }}{{ input.isFigure ? ', show its working' : ', go to the field' }}</span
              >
            </button>
          </li>
        </ul>
      </section>
      <section v-if="figure.source">
        <h3>Where the rule comes from</h3>
        <p class="small">
          {{ figure.source }}
        </p>
      </section>
      <p class="soft small">{{ figure.id }} · {{ bases[figure.basis] }}</p>
    </div>
  </VNavigationDrawer>
</template>

<style scoped>
.working {
  padding: 16px 20px;
  display: flex;
  flex-direction: column;
  gap: 18px;
}
.title {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.variant {
  color: rgb(var(--v-theme-primary));
  font-weight: 600;
  margin-bottom: 4px;
}
.trail {
  list-style: none;
  padding: 0;
  margin: 0 0 6px;
  font-size: 0.82rem;
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
}
.trail li::after {
  content: ' ›';
  color: rgb(var(--v-theme-ink-soft));
}
.trail button {
  text-decoration: underline;
  color: rgb(var(--v-theme-primary));
}
.result {
  font-size: 1.7rem;
  font-weight: 600;
  margin: 2px 0 0;
}
h3 {
  margin-bottom: 4px;
  color: rgb(var(--v-theme-ink-soft));
  font-size: 0.82rem;
}
.formula {
  font-size: 0.98rem;
  line-height: 1.5;
  padding: 10px 12px;
  background: rgb(var(--v-theme-surface-light));
  border-left: 3px solid rgb(var(--v-theme-primary));
  margin: 0;
  overflow-wrap: anywhere;
}
.note {
  margin: 8px 0 0;
  font-size: 0.9rem;
}
.inputs {
  list-style: none;
  padding: 0;
  margin: 0;
}
.inputs li {
  border-bottom: 1px solid rgb(var(--v-theme-hairline));
}
.inputs button {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 10px;
  width: 100%;
  padding: 7px 4px;
}
.inputs button:hover {
  background: rgb(var(--v-theme-surface-light));
}
.input-label {
  font-weight: 550;
}
.input-value {
  font-variant-numeric: tabular-nums;
  text-align: right;
}
.inputs .soft {
  grid-column: 1 / -1;
}
</style>
