<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { z } from 'zod'
import { parseNumber } from '~/composables/parseNumber'
import { useFormat } from '~/composables/useFormat'

/** One value of an entry; label, unit, range and help come from its schema. */
const props = defineProps<{
  name: string
  schema: z.ZodType
  modelValue: unknown
  /** what it was the last time, to be seen while it is empty */
  last?: unknown
  autofocus?: boolean
}>()
const emit = defineEmits<{
  'update:modelValue': [value: unknown]
  error: [message: string | null]
}>()
const { unitText, number } = useFormat()
interface Meta {
  readonly title?: string
  readonly description?: string
  readonly unit?: string
  readonly options?: Readonly<Record<string, string>>
}
const meta = computed(() => (props.schema.meta() ?? {}) as Meta)
const kind = computed(() => {
  if (meta.value.options) return 'choice'
  if (meta.value.unit !== undefined) return 'number'
  if (props.schema.safeParse(true).success) return 'toggle'
  return 'text'
})
const items = computed(() =>
  Object.entries(meta.value.options ?? {}).map(([value, title]) => ({ value, title })),
)
const textOf = (value: unknown) => (value === null || value === undefined ? '' : String(value))
const typed = ref(textOf(props.modelValue))
const error = ref<string | null>(null)
watch(
  () => props.modelValue,
  value => {
    if (kind.value === 'number' && parseNumber(typed.value) === value) return
    if (error.value === null) typed.value = textOf(value)
  },
)
function take(text: string): void {
  typed.value = text
  const value =
    kind.value !== 'number' ? text : text.trim() === '' ? null : (parseNumber(text) ?? text)
  const read = props.schema.safeParse(value ?? undefined)
  const isEmptyOk = value === null
  error.value =
    read.success || isEmptyOk ? null : (read.error.issues[0]?.message ?? 'Not possible.')
  emit('error', error.value)
  if (error.value === null) emit('update:modelValue', value)
}
const placeholder = computed(() =>
  typeof props.last === 'number'
    ? `last ${number(props.last, 4)}`
    : typeof props.last === 'string' && props.last !== ''
      ? `last ${props.last}`
      : undefined,
)
const suffix = computed(() => (meta.value.unit ? unitText(meta.value.unit) : ''))
</script>

<template>
  <div class="entry-field" :class="{ 'floating-gloss': !error && kind !== 'toggle' }">
    <VSelect
      v-if="kind === 'choice'"
      :model-value="modelValue"
      :items="items"
      :label="meta.title"
      :hint="meta.description"
      hide-details="auto"
      :data-field="name"
      @update:model-value="emit('update:modelValue', $event)"
    />
    <VSwitch
      v-else-if="kind === 'toggle'"
      :model-value="modelValue === true"
      :label="meta.title"
      :hint="meta.description"
      color="primary"
      density="compact"
      hide-details="auto"
      :data-field="name"
      @update:model-value="emit('update:modelValue', $event)"
    />
    <VTextField
      v-else
      :model-value="typed"
      :label="meta.title"
      :aria-label="suffix ? `${meta.title}, ${suffix}` : meta.title"
      :suffix="suffix"
      :hint="meta.description"
      :error-messages="error ?? []"
      :inputmode="kind === 'number' ? 'decimal' : 'text'"
      :placeholder="placeholder"
      :persistent-placeholder="placeholder !== undefined"
      :autofocus="autofocus"
      autocomplete="off"
      hide-details="auto"
      :data-field="name"
      @update:model-value="take"
    />
  </div>
</template>

<style scoped>
.entry-field {
  min-width: 0;
}
</style>
