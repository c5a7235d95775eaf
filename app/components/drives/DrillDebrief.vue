<script setup lang="ts">
import type { Debrief } from '~~/core/drives/drill/debrief'

/** What a drill came to, beside what the plan promises, and what would have been right. */
defineProps<{ debrief: Debrief }>()
</script>

<template>
  <div class="debrief" data-debrief>
    <p class="stand">
      {{ debrief.verdict }}
    </p>
    <div class="scroll">
      <table class="data-table">
        <thead>
          <tr>
            <th scope="col" />
            <th scope="col">The plan promises</th>
            <th scope="col">In the drill</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in debrief.rows" :key="row.label">
            <th scope="row">
              {{ row.label }}
            </th>
            <td>{{ row.promised }}</td>
            <td>
              <strong>{{ row.happened }}</strong>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <dl v-if="debrief.mistakes.length">
      <template v-for="entry in debrief.mistakes" :key="entry.wrong">
        <dt>{{ entry.wrong }}{{ entry.times > 1 ? ` (${entry.times} times)` : '' }}</dt>
        <dd>{{ entry.right }}</dd>
      </template>
    </dl>
  </div>
</template>

<style scoped>
.debrief {
  margin-top: 12px;
}
.stand {
  font-size: 1.02rem;
  font-weight: 600;
  margin: 8px 0;
}
th {
  text-align: left;
}
dt {
  font-weight: 600;
  margin-top: 10px;
}
dd {
  margin: 0;
}
.scroll {
  overflow-x: auto;
}
</style>
