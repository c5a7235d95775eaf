<script setup lang="ts">
import { computed, onMounted } from 'vue'
import { layouts } from '~~/core/drives/layouts/layouts'
import { cautions } from '~~/core/commissioning/cautions'
import { printedDrives } from '~~/core/commissioning/printedDrives'
import { chapterOf, chapters, type Chapter } from '~~/core/commissioning/step'
import { useFormat } from '~/composables/useFormat'
import { useRunBook } from '~/composables/useRunBook'
import { usePlanStore } from '~/stores/planStore'
import { printKinds, type PrintKind } from './printKinds'

/** One thing on paper, black on white, with lines to write on where the plan does not know. */
const props = defineProps<{ kind: PrintKind }>()
const emit = defineEmits<{ ready: [] }>()
onMounted(() => emit('ready'))

const store = usePlanStore()
const { progress } = useRunBook()
const { quantity, hours } = useFormat()
/** The steps by chapter: all, or those that can begin now. */
const groups = computed(() => {
  const all = progress.value.steps.filter(
    step => props.kind === 'book' || (step.canBegin && !step.isOver),
  )
  const byChapter = new Map<Chapter, typeof all>()
  for (const step of all) {
    const chapter = chapterOf(step.step.id)
    byChapter.set(chapter, [...(byChapter.get(chapter) ?? []), step])
  }
  return [...byChapter]
})
const drives = computed(() =>
  store.plan ? printedDrives(store.plan, sizeTB => quantity(sizeTB, 'TB')) : [],
)
const layout = computed(() =>
  layouts.find(({ id }) => id === store.assessment?.domains.drives.layoutId),
)
const readAlone = computed(() =>
  layout.value === undefined
    ? ''
    : layout.value.readableAlone === 'no'
      ? 'One drive alone cannot be read in another computer: all that the layout needs go there ' +
        'together, under a system that knows it.'
      : 'One drive can be read alone in another computer that knows its file system.',
)
const hasStore = computed(() => store.plan?.drives.awayBy === 'store')
const lines = [
  'Administrator of the machine',
  'Private tunnel',
  'Keys of encrypted drives and copies',
  'Licences',
  'Online store',
  'Router',
]
</script>

<template>
  <article class="print-page" :data-printed="kind">
    <h1>{{ store.plan?.name }}</h1>
    <h2>{{ printKinds[kind] }}</h2>
    <template v-if="kind === 'book' || kind === 'next'">
      <section v-for="[chapter, steps] in groups" :key="chapter">
        <h3>{{ chapters[chapter] }}</h3>
        <ol>
          <li v-for="entry in steps" :key="entry.step.id">
            <span class="box">{{ entry.isOver ? '✓' : '' }}</span>
            <div>
              <strong>{{ entry.step.do }}</strong>
              <span v-for="caution in entry.step.cautions" :key="caution" class="caution">
                {{ cautions[caution] }}
              </span>
              <span>Good: {{ entry.step.good }}.</span>
              <span>
                {{ quantity(Math.round(entry.hands), 'min')
                }}{{ entry.wait > 0 ? `, then ${hours(entry.wait / 60)} of waiting` : '' }}
              </span>
            </div>
          </li>
        </ol>
      </section>
    </template>
    <div v-else-if="kind === 'labels'" class="labels">
      <div v-for="(drive, index) in drives" :key="index" class="label">
        <strong>Bay {{ drive.bay ?? '__' }}</strong>
        <span>{{ drive.size }}</span>
        <span>…{{ drive.serialEnd || '____________' }}</span>
      </div>
    </div>
    <template v-else-if="kind === 'card'">
      <p class="line">Name of the machine</p>
      <p class="line">Address</p>
      <table>
        <thead>
          <tr>
            <th>Bay</th>
            <th>Drive</th>
            <th>End of the serial</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(drive, index) in drives" :key="index">
            <td>{{ drive.bay ?? '' }}</td>
            <td>{{ drive.size }}</td>
            <td>{{ drive.serialEnd }}</td>
          </tr>
        </tbody>
      </table>
      <h3>To shut it down</h3>
      <p>From the menu of the system. Never by the button, but where nothing else answers.</p>
      <h3>What the lamps mean</h3>
      <p class="line">Steady</p>
      <p class="line">Blinking</p>
      <p class="line">Red, or a beep</p>
      <h3>Whom to call</h3>
      <p class="line">First</p>
      <p class="line">Second</p>
      <p class="line">The envelope lies</p>
    </template>
    <template v-else>
      <p>
        Written by hand, sealed, and kept where this card says. Nothing of it is typed into any
        program.
      </p>
      <p v-for="line in lines" :key="line" class="line tall">{{ line }}</p>
      <p class="line">Who may open it</p>
      <h3>If its keeper is no longer there</h3>
      <p class="line">Where the copies are</p>
      <p>{{ readAlone }}</p>
      <p class="line">Subscriptions to end{{ hasStore ? ', the online store among them' : '' }}</p>
    </template>
  </article>
</template>

<style scoped>
.print-page {
  color: #000;
  background: #fff;
  font-size: 11pt;
  padding: 4mm;
}
h1 {
  font-size: 13pt;
}
h2 {
  font-size: 16pt;
  margin-bottom: 4mm;
}
h3 {
  font-size: 12pt;
  margin: 5mm 0 2mm;
}
ol {
  list-style: none;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 8mm 1fr;
  break-inside: avoid;
  margin-bottom: 3mm;
}
li div {
  display: grid;
}
.box {
  width: 5mm;
  height: 5mm;
  border: 0.4mm solid #000;
  text-align: center;
  line-height: 1;
}
.caution {
  border-left: 1mm solid #000;
  padding-left: 2mm;
}
.labels {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 4mm;
}
.label {
  border: 0.3mm solid #000;
  padding: 3mm;
  display: grid;
  break-inside: avoid;
}
table {
  border-collapse: collapse;
  margin: 3mm 0;
}
td,
th {
  border: 0.3mm solid #000;
  padding: 1.5mm 4mm;
  text-align: left;
}
.line {
  border-bottom: 0.3mm solid #000;
  padding: 4mm 0 1mm;
}
.tall {
  padding-top: 9mm;
}
</style>
