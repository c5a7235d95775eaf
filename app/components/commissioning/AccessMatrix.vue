<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import type { AccessFinding } from '~~/core/commissioning/access/accessRules'
import type { RightCells } from '~~/core/commissioning/access/rightOf'
import { rights, type Access, type Account, type Right } from '~~/core/plan/access'
import { useInParts } from '~/composables/useInParts'

/**
 * Accounts and groups against shares. A filled mark is a right of its own, a hollow one comes from
 * a group; a press goes on to the next right.
 */
const props = defineProps<{
  access: Access
  cells: RightCells
  findings: readonly AccessFinding[]
  /** 'share films', 'account maren', 'group household' */
  picked: string | null
}>()
const emit = defineEmits<{
  set: [share: string, who: string, right: Right | null]
  pick: [what: string]
}>()
const table = ref<HTMLElement | null>(null)
const at = ref<[row: number, column: number]>([0, 0])

interface Line {
  readonly who: string
  readonly name: string
  readonly note: string
  readonly account: Account | null
}
const kindNotes = { person: '', service: 'service', computer: 'computer' } as const
const lines = computed((): Line[] => [
  ...props.access.groups.map(({ id }) => ({
    who: `@${id}`,
    name: id,
    note: 'group',
    account: null,
  })),
  ...props.access.accounts.map(account => ({
    who: account.id,
    name: account.id,
    note: [account.isAdministrator ? 'administrator' : '', kindNotes[account.kind]]
      .filter(Boolean)
      .join(', '),
    account,
  })),
])
const wrong = computed(() => {
  const marks = new Map<string, string>()
  for (const { cells, rule } of props.findings)
    for (const { share = '', who = '' } of cells) marks.set(`${share}\n${who}`, rule.id)
  return marks
})
const placeOf = (line: Line) => `${line.account ? 'account' : 'group'} ${line.name}`
const ruleAt = (share: string, who: string) => wrong.value.get(`${share}\n${who}`) ?? null
const ownRight = (share: string, { who }: Line) => props.cells.own(share, who)
const rightAt = (share: Access['shares'][number], line: Line): Right =>
  line.account ? props.cells.of(share, line.account) : (ownRight(share.id, line) ?? 'none')
/** What a line shows, in short: while it is the same the line is not drawn anew. */
const looks = computed(() =>
  lines.value.map(line =>
    [
      line.name,
      line.note,
      ruleAt('', line.who),
      placeOf(line) === props.picked,
      ...props.access.shares.flatMap(share => [
        share.id,
        rightAt(share, line),
        ownRight(share.id, line) === null,
        ruleAt(share.id, line.who),
      ]),
    ].join('\n'),
  ),
)
const drawn = useInParts(lines, 30)
const shapes = { none: '', read: 'reads', write: 'writes' } as const

function spoken(share: Access['shares'][number], line: Line): string {
  const own = ownRight(share.id, line)
  const rule = ruleAt(share.id, line.who)
  const from = line.account && own === null ? ', from its groups' : ''
  return (
    `${line.note === 'group' ? 'Group ' : ''}${line.name}, ${share.id}: ` +
    `${rights[rightAt(share, line)].toLowerCase()}${from}${rule ? `, against rule ${rule}` : ''}`
  )
}
/** The right after this one; an account comes back to what its groups have. */
function next(share: string, line: Line): Right | null {
  const own = ownRight(share, line)
  if (own === 'write') return line.account ? null : 'none'
  return own === null ? (line.account ? 'none' : 'read') : own === 'none' ? 'read' : 'write'
}

async function key(
  event: KeyboardEvent,
  [row, column]: readonly [row: number, column: number],
): Promise<void> {
  const line = lines.value[row]!
  const share = props.access.shares[column]!
  const set = (right: Right | null) => emit('set', share.id, line.who, right)
  const asked = {
    n: () => set('none'),
    r: () => set('read'),
    w: () => set('write'),
    Delete: () => set(line.account ? null : 'none'),
    Backspace: () => set(line.account ? null : 'none'),
    Enter: () => set(next(share.id, line)),
    ' ': () => set(next(share.id, line)),
  }[event.key]
  if (asked) {
    event.preventDefault()
    event.stopPropagation()
    asked()
    return
  }
  const [down, right] = (
    { ArrowDown: [1, 0], ArrowUp: [-1, 0], ArrowRight: [0, 1], ArrowLeft: [0, -1] } as Record<
      string,
      [number, number]
    >
  )[event.key] ?? [0, 0]
  const ends = { Home: 0, End: props.access.shares.length - 1 }[event.key]
  if (!down && !right && ends === undefined) return
  event.preventDefault()
  at.value = [
    Math.max(0, Math.min(lines.value.length - 1, row + down)),
    ends ?? Math.max(0, Math.min(props.access.shares.length - 1, column + right)),
  ]
  await nextTick()
  table.value?.querySelector<HTMLElement>(`[data-right="${at.value.join(' ')}"]`)?.focus()
}
</script>

<template>
  <div class="scroll" role="region" aria-label="Accounts and shares" tabindex="0">
    <table ref="table" role="grid" aria-label="What each account may do in each share">
      <thead>
        <tr role="row">
          <th scope="col" class="corner"><span class="soft small">Who</span></th>
          <th v-for="share in access.shares" :key="share.id" scope="col">
            <button
              type="button"
              class="plain-button head"
              :class="{ chosen: picked === `share ${share.id}`, wrong: ruleAt(share.id, '') }"
              :data-share="share.id"
              @click="emit('pick', `share ${share.id}`)"
            >
              {{ share.id }}
            </button>
            <span class="soft note">{{
              ruleAt(share.id, '') ??
              (share.folders === 'one'
                ? share.loss === 'irreplaceable'
                  ? 'irreplaceable'
                  : ''
                : 'a folder each')
            }}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="(line, row) in drawn"
          :key="line.who"
          v-memo="[looks[row], row === at[0] ? at[1] : -1]"
          role="row"
          :class="{ group: !line.account }"
        >
          <th scope="row">
            <button
              type="button"
              class="plain-button who"
              :class="{ chosen: picked === placeOf(line), wrong: ruleAt('', line.who) }"
              :data-account="line.account ? line.who : undefined"
              :data-group="line.account ? undefined : line.name"
              @click="emit('pick', placeOf(line))"
            >
              {{ line.name }}
            </button>
            <span v-if="line.note || ruleAt('', line.who)" class="soft note">
              {{ line.note }}{{ ruleAt('', line.who) ? ` ${ruleAt('', line.who)}` : '' }}
            </span>
          </th>
          <td
            v-for="(share, column) in access.shares"
            :key="share.id"
            role="gridcell"
            :tabindex="row === at[0] && column === at[1] ? 0 : -1"
            :aria-label="spoken(share, line)"
            :data-right="`${row} ${column}`"
            :data-has="rightAt(share, line)"
            :class="{ wrong: ruleAt(share.id, line.who) }"
            @click="emit('set', share.id, line.who, next(share.id, line))"
            @focus="at = [row, column]"
            @keydown="key($event, [row, column])"
          >
            <i
              :class="[shapes[rightAt(share, line)], { own: ownRight(share.id, line) !== null }]"
            />
            <span v-if="ruleAt(share.id, line.who)" class="rule">{{
              ruleAt(share.id, line.who)
            }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
  <p class="legend small">
    <span><i class="reads own" /> reads</span>
    <span><i class="writes own" /> writes</span>
    <span><i class="writes" /> hollow: from a group</span>
    <span><i class="own" /> kept out, whatever its groups have</span>
    <span class="soft">
      Press a cell for the next right. By keyboard: R, W, N for nothing, Delete for what the groups
      have.
    </span>
  </p>
</template>

<style scoped>
.scroll {
  overflow: auto;
  max-height: 620px;
}
table {
  border-collapse: separate;
  border-spacing: 0 2px;
  font-size: 0.86rem;
  width: 100%;
}
thead th {
  position: sticky;
  top: 0;
  background: rgb(var(--v-theme-surface));
  z-index: 1;
  vertical-align: bottom;
  text-align: center;
  padding: 0 2px 4px;
  min-width: 68px;
  font-size: 0.82rem;
}
.corner,
tbody th {
  text-align: left;
  position: sticky;
  left: 0;
  background: rgb(var(--v-theme-surface));
  min-width: 130px;
  max-width: 220px;
  padding: 0 10px 0 0;
  z-index: 1;
}
.corner {
  z-index: 2;
}
.head,
.who {
  font-weight: 600;
  overflow-wrap: anywhere;
}
.group td,
.group th {
  border-bottom: 1px solid rgba(var(--v-theme-ink-soft), 0.35);
}
.note {
  display: block;
  font-size: 0.72rem;
  font-weight: 400;
  line-height: 1.1;
}
thead .note {
  min-height: 0.8rem;
}
.head:hover,
.who:is(button):hover {
  text-decoration: underline;
}
.chosen {
  text-decoration: underline solid rgb(var(--v-theme-primary)) 2px;
  text-underline-offset: 3px;
}
td {
  position: relative;
  height: 32px;
  min-width: 68px;
  text-align: center;
  cursor: pointer;
  background: rgba(var(--v-theme-ink-soft), 0.06);
  border-left: 2px solid rgb(var(--v-theme-surface));
}
td:hover {
  background: rgba(var(--v-theme-primary), 0.14);
}
td:focus-visible {
  outline: 2px solid rgb(var(--v-theme-primary));
  outline-offset: -2px;
}
/* A reader is a bar that is half filled from below, a writer one that is full. */
i {
  display: inline-block;
  width: 26px;
  height: 14px;
  vertical-align: middle;
  border-radius: 2px;
}
i.own:not(.reads):not(.writes) {
  width: 12px;
  height: 2px;
  background: rgb(var(--v-theme-ink-soft));
}
i.reads,
i.writes {
  border: 1.5px solid rgb(var(--v-theme-primary));
}
i.reads {
  border-top-color: transparent;
  border-left-color: transparent;
  border-right-color: transparent;
  height: 8px;
  border-bottom-width: 3px;
}
i.reads:not(.own) {
  border-bottom-width: 1.5px;
}
i.writes.own {
  background: rgb(var(--v-theme-primary));
}
td.wrong {
  box-shadow: inset 0 0 0 2px rgb(var(--v-theme-state-short));
}
.rule {
  position: absolute;
  right: 4px;
  top: 2px;
  font-size: 0.68rem;
  font-weight: 700;
  color: rgb(var(--v-theme-state-short));
}
.head.wrong,
.who.wrong {
  color: rgb(var(--v-theme-state-short));
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  margin-top: 8px;
  align-items: center;
}
</style>
