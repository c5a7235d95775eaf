<script setup lang="ts">
import { withinSentence } from '~~/core/withinSentence'
import { computed, onBeforeUnmount, ref } from 'vue'
import { countStates } from '~~/core/machine/fit/fitFacts'
import { namesOf, type FitFix } from '~~/core/machine/fit/fitFixes'
import { fitGroups, type FitGroup, type FitState } from '~~/core/machine/fit/fitRule'
import { fitRules } from '~~/core/machine/fit/fitRules'
import { fitSentence } from '~~/core/machine/fit/tellFit'
import VerdictSentence from '~/components/common/VerdictSentence.vue'
import WholeNeedLink from '~/components/common/WholeNeedLink.vue'
import { useBackground } from '~/composables/useBackground'
import { useFormat } from '~/composables/useFormat'
import { useMachineParts } from '~/composables/useMachineParts'
import { usePlanStore } from '~/stores/planStore'
import { fitMarks } from './fitMarks'

/**
 * Every rule of fit with what it says of this machine, and fixes that were tried on the whole of
 * it.
 */
const store = usePlanStore()
const { facts, lists, apply, preview } = useMachineParts()
const { money, format } = useFormat()
const showsAll = ref(false)
/** What has to be looked at stands first. */
const order: readonly FitState[] = ['fail', 'warning', 'notKnown', 'pass']

const rows = computed(() =>
  (facts.value?.judged ?? []).map(judged => ({
    ...judged,
    rule: fitRules.find(({ id }) => id === judged.id)!,
    sentence: fitSentence(judged, format.value),
  })),
)
const counts = computed(() => countStates(rows.value))
const groups = computed(() =>
  (Object.keys(fitGroups) as FitGroup[])
    .map(group => {
      const own = rows.value
        .filter(({ rule }) => rule.group === group)
        .sort((a, b) => order.indexOf(a.state) - order.indexOf(b.state))
      return {
        group,
        label: fitGroups[group],
        passing: own.filter(({ state }) => state === 'pass'),
        own: own.filter(({ state }) => showsAll.value || state !== 'pass'),
      }
    })
    .filter(({ own, passing }) => own.length || passing.length),
)
const open = computed(() =>
  rows.value.filter(({ state }) => state === 'fail' || state === 'warning').map(({ id }) => id),
)
const { result: fixes, working } = useBackground(
  'compare',
  () => (store.plan && open.value.length ? { plan: store.plan, rules: open.value } : null),
  (core, { plan, rules }) => core.fitFixes(plan, rules),
)
const fixesOf = (id: string): readonly FitFix[] => fixes.value?.[id] ?? []
function textOf({ how, label, count, out, fromShelf }: FitFix): string {
  const names = namesOf(out, lists.value)
  const what = `${count > 1 ? `${count} × ` : ''}${label}${fromShelf ? ' from the shelf' : ''}`
  switch (how) {
    case 'add':
      return `Add ${what}`
    case 'replace':
      return names.length ? `Put ${what} in place of ${names.join(' and ')}` : `Put in ${what}`
    case 'remove':
      return `Take out ${names.join(', ')}`
    case 'move':
      return `Move ${names.join(', ')} to another place`
    case 'startTogether':
      return count === 1
        ? 'Let the drives start one after the other'
        : `Let at most ${count} drives start together`
  }
}
type Row = (typeof rows.value)[number]
/** Fixes were searched for, and there is none. */
const isWithoutFix = ({ id, state }: Row) =>
  (state === 'fail' || state === 'warning') && fixes.value?.[id]?.length === 0
const otherwise = ({ rule }: Row) =>
  rule.fixes ? `No part of the catalogue mends this by itself. ${rule.otherwise}` : rule.otherwise
onBeforeUnmount(() => preview(null))
</script>

<template>
  <section class="sheet">
    <div class="head">
      <VerdictSentence id="fit" />
      <p class="counts">
        <span
          v-for="state in ['fail', 'warning', 'pass', 'notKnown'] as const"
          :key="state"
          class="fit-mark"
          :class="`fit-${state}`"
          ><svg viewBox="0 0 16 16" aria-hidden="true"><path :d="fitMarks[state].path" /></svg
          >{{ counts[state] }} {{ fitMarks[state].counted[counts[state] === 1 ? 0 : 1] }}</span
        >
      </p>
      <VBtn size="small" variant="outlined" :aria-pressed="showsAll" @click="showsAll = !showsAll">
        {{ showsAll ? 'Hide what fits' : 'Show what fits' }}
      </VBtn>
    </div>
    <p v-if="rows.length === 0" class="soft">
      Choose under Map what the machine is built on; then every rule is held against it.
    </p>
    <div class="groups">
      <section v-for="{ group, label, own, passing } in groups" :key="group" class="group">
        <h2>{{ label }}</h2>
        <p v-if="!showsAll && passing.length" class="soft small">
          {{ passing.length === 1 ? 'One rule is' : `${passing.length} rules are` }} met:
          {{ passing.map(({ rule }) => withinSentence(rule.label)).join(', ') }}.
        </p>
        <ul>
          <li v-for="row in own" :key="row.id" :data-rule="row.id" :data-state="row.state">
            <p class="line">
              <span class="fit-mark" :class="`fit-${row.state}`"
                ><svg viewBox="0 0 16 16" aria-hidden="true">
                  <path :d="fitMarks[row.state].path" /></svg
                ><span class="visually-hidden">{{ fitMarks[row.state].word }}.</span></span
              >
              <span
                ><strong>{{ row.rule.label }}.</strong> {{ row.sentence }}</span
              >
            </p>
            <ul
              v-if="fixesOf(row.id).length && (row.state === 'fail' || row.state === 'warning')"
              class="fixes no-print"
            >
              <li
                v-for="fix in fixesOf(row.id)"
                :key="`${fix.how} ${fix.ref} ${fix.count} ${fix.fromShelf}`"
                @pointerenter="preview(fix.machine)"
                @pointerleave="preview(null)"
                @focusin="preview(fix.machine)"
                @focusout="preview(null)"
              >
                <span>{{ textOf(fix) }}</span><span class="number soft">{{
                  fix.price > 0
                    ? money(fix.price)
                    : fix.fromShelf
                      ? 'is there already'
                      : 'costs nothing'
                }}</span>
                <VBtn
                  size="x-small"
                  variant="outlined"
                  color="primary"
                  :aria-label="`Apply: ${textOf(fix)}`"
                  @click="
                    () => {
                      preview(null)
                      apply(fix.machine)
                    }
                  "
                >
                  Apply
                </VBtn>
              </li>
            </ul>
            <p v-else-if="isWithoutFix(row)" class="otherwise">{{ otherwise(row) }}</p>
          </li>
        </ul>
      </section>
    </div>
    <p v-if="working && open.length" class="soft small no-print">Searching for fixes …</p>
    <p v-if="open.some(id => fixesOf(id).length > 0)" class="soft small no-print">
      <WholeNeedLink question="A fix mends one rule on the machine in the plan." />
    </p>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 24px;
  align-items: center;
  margin-bottom: 12px;
}
.head > :first-child {
  flex: 1 1 340px;
}
.counts {
  display: flex;
  gap: 6px 16px;
  flex-wrap: wrap;
}
.groups {
  columns: 2 420px;
  column-gap: 28px;
}
.group {
  break-inside: avoid;
  margin-bottom: 18px;
}
ul {
  list-style: none;
  padding: 0;
}
.group > ul > li {
  padding: 7px 0;
  border-bottom: 1px solid rgb(var(--v-theme-hairline));
}
.line {
  display: flex;
  gap: 8px;
}
.fit-mark {
  display: inline-flex;
  align-items: center;
  gap: 5px;
  flex: none;
  font-weight: 600;
  color: var(--mark);
}
.line .fit-mark {
  align-items: flex-start;
  padding-top: 3px;
}
.fit-mark svg {
  width: 14px;
  height: 14px;
  fill: var(--mark);
}
.fit-pass {
  --mark: rgb(var(--v-theme-state-enough));
}
.fit-warning {
  --mark: rgb(var(--v-theme-state-tight));
}
.fit-fail {
  --mark: rgb(var(--v-theme-state-impossible));
}
.fit-notKnown {
  --mark: rgb(var(--v-theme-state-unknown));
}
.fixes,
.otherwise {
  margin: 5px 0 2px 22px;
}
.fixes li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 10px;
  align-items: center;
  padding: 2px 0;
  font-size: 0.9rem;
}
</style>
