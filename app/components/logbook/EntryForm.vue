<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { z } from 'zod'
import { useRoute } from '#imports'
import { maxNote, momentSchema, type Entry } from '~~/core/logbook/entry'
import { entryKinds, type EntryKind } from '~~/core/logbook/kinds'
import { todayText } from '~/composables/today'
import { useLogStore } from '~/stores/logStore'
import EntryField from './EntryField.vue'

/** A new entry: its kind first, then only what that asks for; or a correction of one. */
const props = defineProps<{ corrects?: Entry | null }>()
const emit = defineEmits<{ done: [] }>()
const log = useLogStore()

/** Kinds that are entered by hand, the most usual first. */
const kinds = (Object.keys(entryKinds) as EntryKind[]).filter(kind => kind !== 'driveReport')
const usual = kinds.slice(0, 8)
const others = kinds.slice(8)
const asked = useRoute().query.kind
const kind = ref<EntryKind | null>(props.corrects?.kind ?? kinds.find(id => id === asked) ?? null)
const isMoreShown = ref(false)
const isAllShown = ref(false)
const stored = ref('')
const at = ref(props.corrects?.at ?? todayText())
const note = ref(props.corrects?.note ?? '')
const values = ref<Record<string, unknown>>({})
const errors = ref<Record<string, string | null>>({})

const shape = computed((): Record<string, z.ZodType> =>
  kind.value ? entryKinds[kind.value].values.shape : {},
)
const first = computed((): readonly string[] => (kind.value ? entryKinds[kind.value].first : []))
const fields = computed(() =>
  Object.entries(shape.value).filter(
    ([name]) => isAllShown.value || first.value.includes(name) || props.corrects,
  ),
)
const hidden = computed(() => Object.keys(shape.value).length - fields.value.length)
/** The last entry of the kind: its choices are usual, its numbers are seen. */
const last = computed(() => log.entries.find(entry => entry.kind === kind.value))
watch(
  kind,
  () => {
    if (kind.value) stored.value = ''
    values.value = {}
    errors.value = {}
    if (!kind.value) return
    const before = props.corrects ?? last.value
    const empty = entryKinds[kind.value].values.safeParse({})
    const known = (before?.values ?? {}) as Record<string, unknown>
    const usualValues = (empty.success ? empty.data : {}) as Record<string, unknown>
    for (const [key, value] of Object.entries(usualValues))
      // Numbers are read anew; what was chosen is likely chosen again.
      values.value[key] =
        props.corrects || (typeof known[key] === 'string' && key !== 'until')
          ? (known[key] ?? value)
          : value
  },
  { immediate: true },
)
const whenError = computed(() =>
  momentSchema.safeParse(at.value).success ? null : 'Write a day such as 2026-12-24.',
)
const isEmpty = computed(
  () =>
    kind.value !== 'note' &&
    Object.entries(values.value).every(
      ([key, value]) => value === null || value === '' || !first.value.includes(key),
    ),
)
const canStore = computed(
  () =>
    kind.value !== null &&
    whenError.value === null &&
    !isEmpty.value &&
    (kind.value !== 'note' || note.value.trim() !== '') &&
    Object.values(errors.value).every(error => error === null || error === undefined),
)
async function store(): Promise<void> {
  if (!kind.value || !canStore.value) return
  const entry = log.entryOf(
    { kind: kind.value, at: at.value, values: { ...values.value }, note: note.value } as never,
    { how: 'entered', tool: '', version: '', sha256: '', place: '' },
    props.corrects?.id ?? '',
  )
  if (!entry) return
  const taken = await log.add([entry])
  if (taken === null) return
  stored.value =
    taken > 0 ? 'Stored.' : 'The very same entry is in the log already; nothing was stored.'
  if (taken > 0) {
    note.value = ''
    kind.value = null
    emit('done')
  }
}
</script>

<template>
  <form class="entry-form" data-entry-form @submit.prevent="store">
    <div v-if="!corrects" class="kinds" role="group" aria-label="Kind of entry">
      <button
        v-for="id in isMoreShown ? kinds : usual"
        :key="id"
        type="button"
        class="chip"
        :aria-pressed="id === kind"
        :disabled="log.saving"
        :data-kind="id"
        @click="kind = id"
      >
        {{ entryKinds[id].label }}
      </button>
      <button
        v-if="!isMoreShown"
        type="button"
        class="plain-button more"
        @click="isMoreShown = true"
      >
        {{ others.length }} more kinds
      </button>
    </div>
    <template v-if="kind">
      <div class="fields">
        <EntryField
          v-for="[name, schema] in fields"
          :key="`${kind} ${name}`"
          v-model="values[name]"
          :name="name"
          :schema="schema"
          :last="(last?.values as Record<string, unknown> | undefined)?.[name]"
          @error="errors[name] = $event"
        />
        <div class="floating-gloss">
          <VTextField
            v-model="at"
            label="When"
            :error-messages="whenError ?? []"
            hint="A day, or a day with the time such as 2026-12-24T20:15+01:00."
            hide-details="auto"
            data-field="at"
          />
        </div>
        <VTextField
          v-model="note"
          label="Note"
          :maxlength="maxNote"
          hide-details="auto"
          data-field="note"
        />
      </div>
      <div class="acts">
        <VBtn
          type="submit"
          color="primary"
          variant="flat"
          :disabled="!canStore || log.saving"
          data-store-entry
        >
          {{ corrects ? 'Store the correction' : 'Store' }}
        </VBtn>
        <button
          v-if="hidden > 0"
          type="button"
          class="plain-button more"
          @click="isAllShown = true"
        >
          {{ hidden === 1 ? '1 more field' : `${hidden} more fields` }}
        </button>
      </div>
    </template>
    <p v-else class="soft small">
      {{ stored || 'Choose what you want to write down. It takes ten seconds.' }}
    </p>
    <p v-if="kind && stored" role="status" class="small">{{ stored }}</p>
    <p v-if="log.problem" role="alert" class="problem">{{ log.problem }}</p>
  </form>
</template>

<style scoped>
.entry-form {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.chip {
  padding: 6px 12px;
  min-height: 34px;
  border: 1px solid rgb(var(--v-theme-hairline));
  border-radius: 4px;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}
.chip[aria-pressed='true'] {
  border-color: rgb(var(--v-theme-primary));
  box-shadow: inset 0 -2px 0 rgb(var(--v-theme-primary));
  font-weight: 650;
}
.more {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline;
  padding: 6px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(170px, 1fr));
  gap: 12px;
  align-items: start;
}
.acts {
  display: flex;
  gap: 12px;
  align-items: center;
}
.problem {
  color: rgb(var(--v-theme-error));
}
</style>
