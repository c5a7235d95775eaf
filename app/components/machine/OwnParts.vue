<script setup lang="ts">
import { computed, ref } from 'vue'
import { mdiPlus } from '@mdi/js'
import {
  ownPartColumns,
  ownPartKinds,
  type OwnPart,
  type OwnPartKind,
} from '~~/core/catalogue/hardware/ownPart'
import { ownPartsCsv } from '~~/core/machine/parts/ownPartsCsv'
import { maxOwnParts } from '~~/core/plan/constants'
import InspectorPanel from '~/components/common/InspectorPanel.vue'
import PlanField from '~/components/common/PlanField.vue'
import { downloadText, planFileStem } from '~/composables/planDownload'
import { parseNumber } from '~/composables/parseNumber'
import { useFormat } from '~/composables/useFormat'
import { useMachineParts } from '~/composables/useMachineParts'
import { inBackground } from '~/services/background'
import { usePlanStore } from '~/stores/planStore'
import CsvImport from './CsvImport.vue'

/** Parts of one's own beside the catalogue: thousands of them, searched as one types. */
const store = usePlanStore()
const { put } = useMachineParts()
const { money, number } = useFormat()
const search = ref('')
const picked = ref<string | null>(null)
const error = ref('')
const own = computed(() => store.plan?.machine.ownParts ?? [])
const words = computed(() => search.value.toLowerCase().split(/\s+/).filter(Boolean))
const indexed = computed(() =>
  own.value.map((part, index) => ({
    part,
    index,
    text: `${part.label} ${part.id} ${ownPartKinds[part.kind]}`.toLowerCase(),
  })),
)
const found = computed(() =>
  words.value.length
    ? indexed.value.filter(({ text }) => words.value.every(word => text.includes(word)))
    : indexed.value,
)
const at = computed(() => own.value.findIndex(({ id }) => id === picked.value))
const part = computed(() => own.value[at.value] ?? null)
const columns = computed(() =>
  part.value ? ownPartColumns.filter(({ of }) => of.includes(part.value!.kind)) : [],
)

/** A new part begins with what its kind cannot do without. */
function startOf(kind: OwnPartKind): OwnPart['traits'] {
  return Object.fromEntries(
    ownPartColumns
      .filter(({ needs }) => needs.includes(kind))
      .map(({ key, min, options }) => [
        key,
        min === undefined
          ? (options?.[0] ?? 'L3')
          : ({
              year: 2018,
              cores: 4,
              score: 5000,
              memoryGB: 8,
              dataPorts: 4,
              networkMbps: 1000,
              bays35: 4,
              heightMm: 120,
              ratingW: 400,
              carriesW: 65,
              sizeGB: 250,
              sizeMm: 120,
              rpm: 1000,
              bays: 2,
            }[key] ?? 1),
      ]),
  )
}
function add(): void {
  const taken = new Set(own.value.map(({ id }) => id))
  let id = 'own-1'
  for (let next = 2; taken.has(id); next++) id = `own-${next}`
  error.value =
    store.edit('machine.ownParts', [
      { id, label: 'Part of my own', kind: 'board', price: null, traits: startOf('board') },
      ...own.value,
    ]) ?? ''
  picked.value = id
}
function setKind(value: unknown): string | null {
  return store.edit(`machine.ownParts.${at.value}`, {
    ...part.value!,
    kind: value as OwnPartKind,
    traits: startOf(value as OwnPartKind),
  })
}
function setTrait(key: string, text: string, isNumber: boolean): void {
  const { [key]: _, ...others } = part.value!.traits
  const value = text.trim() === '' ? undefined : isNumber ? (parseNumber(text) ?? text) : text
  error.value =
    store.edit(
      `machine.ownParts.${at.value}.traits`,
      value === undefined ? others : { ...others, [key]: value },
    ) ?? ''
}
function remove(): void {
  error.value =
    store.edit(
      'machine.ownParts',
      own.value.filter(({ id }) => id !== picked.value),
    ) ?? ''
  picked.value = null
}
const read = (text: string) =>
  inBackground('compare', core => core.readOwnPartsCsv(store.plan!, text)) as Promise<{
    readonly parts: readonly OwnPart[]
    readonly problems: readonly { readonly line: number; readonly message: string }[]
    readonly moreProblems: number
  }>
const actions = [
  {
    label: 'Add to my parts',
    run: (rows: readonly OwnPart[]) => store.edit('machine.ownParts', [...own.value, ...rows]),
  },
  {
    label: 'Replace my parts',
    run: (rows: readonly OwnPart[]) => store.edit('machine.ownParts', [...rows]),
  },
]
</script>

<template>
  <section class="sheet side">
    <header>
      <h2>
        {{
          own.length === 0
            ? 'Parts of your own'
            : own.length === 1
              ? '1 part of your own'
              : `${number(own.length)} parts of your own`
        }}
      </h2>
      <VTextField
        v-if="own.length > 5"
        v-model="search"
        label="Search"
        density="compact"
        hide-details
        class="search"
      />
    </header>
    <p v-if="own.length === 0" class="soft">
      What lies in your drawers, or what a shop near you sells: enter it here, or import a table. It
      then stands in every list beside the catalogue, and every rule looks at it.
    </p>
    <VVirtualScroll
      v-else
      :items="found"
      :item-height="40"
      :height="Math.min(360, found.length * 40 + 2)"
      item-key="index"
    >
      <template #default="{ item }">
        <div class="row" :class="{ picked: item.part.id === picked }">
          <button
            type="button"
            class="plain-button name"
            :data-own="item.part.id"
            @click="picked = item.part.id"
          >
            <strong>{{ item.part.label }}</strong>{{ ' ' }}
            <span class="soft">{{ ownPartKinds[item.part.kind] }}</span>
          </button>
          <span class="number soft">{{
            item.part.price === null ? '' : money(item.part.price)
          }}</span>
          <VBtn
            size="x-small"
            :aria-label="`Put ${item.part.label} into the machine`"
            @click="put(item.part.id)"
          >
            Put in
          </VBtn>
        </div>
      </template>
    </VVirtualScroll>
    <p v-if="own.length > 0 && found.length === 0" class="soft">None of them is called that.</p>
    <p v-if="error" role="alert" class="refused">
      {{ error }}
    </p>
    <div class="buttons no-print">
      <VBtn
        v-if="own.length < maxOwnParts"
        :prepend-icon="mdiPlus"
        size="small"
        color="primary"
        @click="add"
      >
        Enter a part
      </VBtn>
      <VBtn
        v-if="own.length"
        size="small"
        @click="
          downloadText(`${planFileStem(store.plan!)}-own-parts.csv`, ownPartsCsv(own), 'text/csv')
        "
      >
        Export
      </VBtn>
    </div>
    <CsvImport label="Import own parts (CSV)" what="part" :read="read" :actions="actions" />
    <p class="soft small">
      The first row names the columns: id, kind, label, price, and properties of the kind such as
      socket, form, dataPorts, ratingW. An export shows how they are written.
    </p>
    <InspectorPanel
      v-if="part"
      :heading="part.label"
      :index="at"
      :count="own.length"
      @close="picked = null"
      @step="by => (picked = own[(at + by + own.length) % own.length]!.id)"
    >
      <PlanField :path="`machine.ownParts.${at}.label`" />
      <PlanField :path="`machine.ownParts.${at}.kind`" :set="setKind" />
      <PlanField :path="`machine.ownParts.${at}.price`" />
      <template v-for="column in columns" :key="column.key">
        <VSelect
          v-if="column.options"
          :model-value="
            part.traits[column.key] === undefined ? null : String(part.traits[column.key])
          "
          :items="[...column.options]"
          :label="column.label"
          density="compact"
          :clearable="!column.needs.includes(part.kind)"
          @update:model-value="value => setTrait(column.key, value ?? '', false)"
        />
        <VTextField
          v-else
          :model-value="String(part.traits[column.key] ?? '')"
          :label="column.label"
          :suffix="column.unit === 'year' ? '' : column.unit"
          density="compact"
          :hint="
            column.key === 'sharing'
              ? 'Such as: m2-1 off data-5 data-6; slot-3 narrows slot-1 to 8'
              : ''
          "
          @change="
            setTrait(
              column.key,
              ($event.target as HTMLInputElement).value,
              column.min !== undefined,
            )
          "
        />
      </template>
      <div class="buttons">
        <VBtn size="small" @click="put(part.id)"> Put in </VBtn>
        <VBtn size="small" :aria-label="`Remove ${part.label}`" @click="remove"> Remove </VBtn>
      </div>
    </InspectorPanel>
  </section>
</template>

<style scoped>
header {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  align-items: center;
}
.search {
  flex: 0 1 220px;
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 10px;
  align-items: center;
  height: 40px;
  border-bottom: 1px solid rgb(var(--v-theme-hairline));
  padding: 0 6px;
}
.row.picked {
  background: rgba(var(--v-theme-primary), 0.1);
}
.name .soft {
  margin-left: 8px;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  min-height: 28px;
}
.buttons {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.refused {
  color: rgb(var(--v-theme-error));
}
</style>
