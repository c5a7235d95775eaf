<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import type { Figure } from '~~/core/figure'
import { layouts } from '~~/core/drives/layouts/layouts'
import { poolOf } from '~~/core/drives/poolOf'
import { temporaryCopy, waysOut, wayOutQuestion } from '~~/core/drives/wayOut/planWayOut'
import { stepText, tieText, wayFigures, wayText } from '~~/core/drives/wayOut/tellWayOut'
import PlanField from '~/components/common/PlanField.vue'
import ToldFigures from '~/components/common/ToldFigures.vue'
import { useFormat } from '~/composables/useFormat'
import { usePoolChoices } from '~/composables/usePoolChoices'
import { usePlanStore } from '~/stores/planStore'

/** How the data get from this layout to another one over the same drives, step by step. */
const store = usePlanStore()
const choices = usePoolChoices()
const { format, quantity, money, number } = useFormat()
const targetId = ref<string | null>(null)
const pointed = ref<number | null>(null)

const layoutId = computed(() => store.assessment?.domains.drives.layoutId ?? '')
const value = (id: string) => store.assessment?.figures[id]?.value ?? 0
const heldTB = computed(() => Math.min(value('library.contentTB'), value('drives.roomTB')))
const pool = computed(() => {
  const { plan } = store
  if (!plan || !choices.value) return null
  const found = poolOf({
    drives: plan.drives,
    choices: choices.value,
    catalogue,
    contentTB: heldTB.value,
    layoutId: layoutId.value,
  })
  return 'refused' in found ? null : found
})
const expandsParity = computed(() => store.plan?.drives.expandsParity ?? true)
/** how the layout is turned into another one by drives that are added */
const byAdding = (id: string) => pool.value?.layout.becomes?.[id] ?? null
const ways = computed(() =>
  pool.value
    ? waysOut(pool.value, { heldTB: heldTB.value, expandsParity: expandsParity.value })
    : [],
)
const chosen = computed(
  () =>
    ways.value.find(({ toId }) => toId === targetId.value) ??
    ways.value.find(({ way }) => way !== null) ??
    ways.value[0] ??
    null,
)
const question = computed(() =>
  pool.value && chosen.value
    ? wayOutQuestion(pool.value, {
        heldTB: heldTB.value,
        toId: chosen.value.toId,
        expandsParity: expandsParity.value,
      })
    : null,
)
const temporary = computed(() =>
  temporaryCopy(heldTB.value, store.plan?.drives.copyPricePerTB ?? 0),
)
const figures = computed(() =>
  question.value
    ? wayFigures(chosen.value!.way, {
        question: question.value,
        temporary: temporary.value,
        format: format.value,
      })
    : [],
)
const variant = computed(
  () => store.plan && { plan: store.plan, label: 'on the way out', figures: figures.value },
)
const text = (figure: Figure) =>
  figure.value === null
    ? '–'
    : figure.unit === 'money'
      ? money(figure.value)
      : figure.unit === 'h'
        ? format.value.hours(figure.value)
        : quantity(figure.value, figure.unit)
const steps = computed(() => chosen.value?.way?.steps ?? [])
const stand = computed(() => {
  const { way, toId } = chosen.value!
  const others = byAdding(toId)
  return way || !others
    ? wayText(way, { to: question.value!.to, format: format.value })
    : `It takes drives besides, with the data on those that are there. ${others}`
})
watch(chosen, () => (pointed.value = null))

/** What each drive is after each step: still in the old pool, free, or in the new one. */
const grid = computed(() => {
  const drives = question.value?.drives.toSorted((a, b) => a.place - b.place) ?? []
  const state = new Map(drives.map(({ place }) => [place, 'old' as 'old' | 'free' | 'new']))
  const columns = steps.value.map(step => {
    for (const place of step.places) {
      if (step.kind === 'release') state.set(place, 'free')
      if (step.kind === 'make' || step.kind === 'grow' || step.kind === 'setAside')
        state.set(place, 'new')
    }
    return { step, states: new Map(state) }
  })
  return { drives, columns }
})
const wordOf = { old: 'in the old pool', free: 'free', new: 'in the new pool' }
const label = (id: string) => layouts.find(layout => layout.id === id)?.label ?? id
const tie = computed(() => (pool.value ? tieText(pool.value.layout) : ''))
</script>

<template>
  <template v-if="pool && question && chosen">
    <section class="sheet">
      <p class="sentence">
        {{ tie }}
      </p>
      <p class="soft small">
        Where should the {{ quantity(heldTB, 'TB') }} go? The drives stay the same; borrowed ones
        are as large as the largest of them.
      </p>
      <div class="targets" role="radiogroup" aria-label="The new layout">
        <button
          v-for="{ toId, way } in ways"
          :key="toId"
          type="button"
          role="radio"
          class="plain-button target"
          :class="{ none: way === null && !byAdding(toId) }"
          :aria-checked="toId === chosen.toId"
          :data-target="toId"
          @click="targetId = toId"
        >
          {{ label(toId) }}
          <small>{{
            way === null
              ? byAdding(toId)
                ? 'takes more drives'
                : 'not with these drives'
              : way.inPlace
                ? 'in place'
                : way.borrowed === 0
                  ? 'borrows nothing'
                  : way.borrowed === 1
                    ? 'borrows 1 drive'
                    : `borrows ${number(way.borrowed)} drives`
          }}</small>
        </button>
      </div>
    </section>
    <div class="columns">
      <section class="sheet">
        <h2>To {{ label(chosen.toId) }}</h2>
        <p class="stand">
          {{ stand }}
        </p>
        <div
          v-if="steps.length"
          class="scroll"
          tabindex="0"
          role="region"
          aria-label="Drives after each step"
        >
          <table class="grid">
            <thead>
              <tr>
                <th scope="col">Step</th>
                <th
                  v-for="(column, at) in grid.columns"
                  :key="at"
                  scope="col"
                  :class="{ pointed: pointed === at, bare: column.step.unprotectedTB > 1e-9 }"
                >
                  {{ at + 1 }}
                </th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="drive in grid.drives" :key="drive.place">
                <th scope="row">
                  {{ drive.place + 1
                  }}<span class="soft small">{{ quantity(drive.sizeTB, 'TB') }}</span>
                </th>
                <td
                  v-for="(column, at) in grid.columns"
                  :key="at"
                  :class="{ pointed: pointed === at }"
                  @mouseenter="pointed = at"
                  @mouseleave="pointed = null"
                >
                  <span
                    class="cell"
                    :class="[
                      column.states.get(drive.place),
                      { acts: column.step.places.includes(drive.place) },
                    ]"
                    role="img"
                    :aria-label="`Drive ${drive.place + 1} after step ${at + 1}: ${wordOf[column.states.get(drive.place) ?? 'old']}`"
                  />
                </td>
              </tr>
              <tr>
                <th scope="row">
                  <span class="small">No redundancy</span>
                </th>
                <td v-for="(column, at) in grid.columns" :key="at" class="small number">
                  <strong v-if="column.step.unprotectedTB > 1e-9"
                    >{{ number(column.step.unprotectedTB, 2) }} TB</strong
                  ><span v-else>–</span>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <ul v-if="steps.length" class="legend">
          <li><span class="cell old" /> old pool</li>
          <li><span class="cell free" /> free</li>
          <li><span class="cell new" /> new pool</li>
        </ul>
        <ToldFigures :figures="figures" :variant="variant" :write="text" />
        <PlanField path="drives.expandsParity" />
      </section>
      <section class="sheet">
        <h2>Steps</h2>
        <ol v-if="steps.length" class="steps">
          <li
            v-for="(step, at) in steps"
            :key="at"
            :class="{ pointed: pointed === at }"
            :data-way-step="step.kind"
            tabindex="0"
            @mouseenter="pointed = at"
            @mouseleave="pointed = null"
            @focus="pointed = at"
            @blur="pointed = null"
          >
            {{ stepText(step, question, format) }}
            <span class="soft small">{{
              step.hours > 0 ? `About ${format.hours(step.hours)}.` : ''
            }}</span>
            <strong v-if="step.unprotectedTB > 1e-9" class="small bare"
              >{{ quantity(step.unprotectedTB, 'TB') }} without redundancy.</strong
            >
          </li>
        </ol>
        <p v-else class="soft">
          {{
            chosen.way
              ? 'No data have to be moved.'
              : 'There are no steps to this layout over the same drives.'
          }}
        </p>
        <p class="soft small">
          Before the first step: make and test a copy of everything irreplaceable, and write down
          serial number and bay of every drive. Never wipe a drive before what was on it has been
          compared.
        </p>
      </section>
    </div>
  </template>
  <section v-else class="sheet">
    <p>Put in drives that make the chosen layout under Space: the way out begins with them.</p>
  </section>
</template>

<style scoped>
.columns {
  --page-columns: minmax(0, 1.2fr) minmax(0, 1fr);
}
.sentence,
.stand {
  font-size: 1.02rem;
  margin-bottom: 8px;
}
.targets {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 10px;
}
.target {
  padding: 5px 10px;
  text-align: left;
  border: 1px solid rgb(var(--v-theme-ink-soft));
  border-radius: 4px;
  font-size: 0.86rem;
  background: rgb(var(--v-theme-surface-bright));
}
.target small {
  display: block;
  color: rgb(var(--v-theme-ink-soft));
}
.target[aria-checked='true'] {
  border-color: rgb(var(--v-theme-primary));
  background: rgba(var(--v-theme-primary), 0.14);
}
.target.none {
  border-style: dashed;
}
.scroll {
  overflow-x: auto;
}
.grid {
  border-collapse: separate;
  border-spacing: 4px;
  font-variant-numeric: tabular-nums;
}
.grid th {
  text-align: left;
  font-weight: 600;
  font-size: 0.86rem;
  padding-right: 8px;
  white-space: nowrap;
}
.grid tbody th span {
  font-weight: 400;
  margin-left: 8px;
}
.grid thead th {
  text-align: center;
  min-width: 52px;
}
.grid td {
  text-align: center;
}
.grid thead th.bare {
  color: rgb(var(--v-theme-state-short));
  border-bottom: 3px solid rgb(var(--v-theme-state-short));
}
.pointed {
  background: rgba(var(--v-theme-primary), 0.1);
}
.cell {
  display: inline-block;
  width: 44px;
  height: 20px;
  border: 1.5px solid rgb(var(--v-theme-wall));
  border-radius: 3px;
  vertical-align: middle;
}
.cell.old {
  background: rgb(var(--v-theme-water));
}
.cell.free {
  background: transparent;
  border-style: dashed;
}
.cell.new {
  background: rgb(var(--v-theme-wall));
}
.cell.acts {
  outline: 2px solid rgb(var(--v-theme-primary));
  outline-offset: 1px;
}
.legend {
  list-style: none;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  margin: 10px 0;
  font-size: 0.84rem;
}
.steps {
  padding-left: 22px;
  display: flex;
  flex-direction: column;
  gap: 8px;
  margin: 8px 0 12px;
}
.bare {
  color: rgb(var(--v-theme-state-short));
}
</style>
