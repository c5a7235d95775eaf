<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { valueAt } from '~~/core/plan/paths'
import { planField } from '~~/core/plan/planField'
import { clockText } from '~~/core/units/week'
import { parseNumber } from '~/composables/parseNumber'
import { parseTimeOfDay } from '~/composables/parseTimeOfDay'
import { fieldElementId } from '~/composables/views'
import { useFormat } from '~/composables/useFormat'
import { usePlanStore } from '~/stores/planStore'

/**
 * One field of the plan, by its path; label, unit, range and help come from the schema. What was
 * typed stays, even when it cannot be taken.
 */
const props = defineProps<{
  path: string
  label?: string
  hideLabel?: boolean
  placeholder?: string
  /** what a reference to another entry of the plan may be */
  items?: readonly { readonly value: string; readonly title: string }[]
  /** what it holds while the plan itself has no such entry yet */
  fallback?: unknown
  /** sets the value where more than this field changes with it; answers what is wrong, or null */
  set?: (value: unknown) => string | null
}>()

const store = usePlanStore()
const { unitText } = useFormat()

const field = computed(() => planField(props.path))
const stored = computed((): unknown => {
  const value = valueAt(store.plan, props.path)
  return value === undefined ? props.fallback : value
})
const send = (value: unknown) => (props.set ? props.set(value) : store.edit(props.path, value))
const label = computed(() => props.label ?? field.value?.label ?? props.path)
// A count says what it counts in its label already.
const counted = new Set([
  'viewers',
  'conversions',
  'cores',
  'bays',
  'drives',
  'titles',
  'failed drives',
])
const isTime = computed(() => field.value?.unit === 'time of day')
const suffix = computed(() =>
  field.value?.kind === 'number' && !isTime.value && !counted.has(field.value.unit)
    ? unitText(field.value.unit)
    : '',
)
const factor = computed(() => (field.value?.unit === 'share' ? 100 : 1))

function textOf(value: unknown): string {
  if (value === null || value === undefined) return ''
  if (isTime.value && typeof value === 'number') return clockText(value)
  return typeof value === 'number'
    ? String(Number((value * factor.value).toPrecision(12)))
    : String(value)
}

const typed = ref(textOf(stored.value))
const error = ref<string | null>(null)

function valueOf(text: string): unknown {
  if (field.value?.kind !== 'number') return text
  if (isTime.value) return parseTimeOfDay(text) ?? text
  const number = parseNumber(text)
  if (number === null) return field.value.nullable ? null : ''
  return number === undefined ? text : number / factor.value
}

function take(text: string): void {
  typed.value = text
  error.value = send(valueOf(text))
}

// A change from elsewhere (undo, another field, a press on a picture) replaces the text, unless the
// text already says it.
watch([stored, () => props.path], ([value]) => {
  if (valueOf(typed.value) === value && !error.value) return
  typed.value = textOf(value)
  error.value = null
})

const choiceItems = computed(
  () =>
    props.items ??
    (field.value?.options ?? []).map(option => ({
      value: option.value,
      // A choice that is called by words is no number of the unit.
      title:
        field.value?.unit && /^\d/.test(option.label)
          ? `${option.label} ${unitText(field.value.unit)}`
          : option.label,
    })),
)
function takeChoice(value: unknown): void {
  error.value = send(value)
}
</script>

<template>
  <div
    v-if="field"
    class="plan-field"
    :class="{ 'floating-gloss': !error && field.kind !== 'toggle' }"
  >
    <VSelect
      v-if="items || field.kind === 'choice' || field.kind === 'choices'"
      :id="fieldElementId(path)"
      :model-value="stored"
      :items="choiceItems"
      :multiple="field.kind === 'choices'"
      :label="hideLabel ? undefined : label"
      :aria-label="label"
      :hint="field.description"
      :error-messages="error ?? []"
      hide-details="auto"
      @update:model-value="takeChoice"
    />
    <VSwitch
      v-else-if="field.kind === 'toggle'"
      :id="fieldElementId(path)"
      :model-value="stored"
      :label="label"
      :hint="field.description"
      persistent-hint
      color="primary"
      density="compact"
      hide-details="auto"
      @update:model-value="takeChoice"
    />
    <VTextarea
      v-else-if="field.kind === 'text' && (field.max ?? 0) > 200"
      :id="fieldElementId(path)"
      :model-value="typed"
      :label="hideLabel ? undefined : label"
      :aria-label="label"
      :hint="field.description"
      :error-messages="error ?? []"
      rows="3"
      auto-grow
      hide-details="auto"
      @update:model-value="take"
    />
    <VTextField
      v-else
      :id="fieldElementId(path)"
      :model-value="typed"
      :label="hideLabel ? undefined : label"
      :aria-label="suffix && field.kind === 'number' ? `${label}, ${suffix}` : label"
      :suffix="suffix"
      :hint="field.description"
      :error-messages="error ?? []"
      :inputmode="field.kind === 'number' && !isTime ? 'decimal' : 'text'"
      autocomplete="off"
      hide-details="auto"
      :placeholder="field.nullable ? (placeholder ?? 'not known') : undefined"
      :persistent-placeholder="field.nullable"
      @update:model-value="take"
    />
  </div>
</template>

<style scoped>
.plan-field {
  min-width: 0;
}
.plan-field :deep(.v-field__suffix),
.plan-field :deep(.v-text-field__suffix) {
  font-size: 0.82rem;
  opacity: 1;
  color: rgb(var(--v-theme-ink-soft));
}
</style>
