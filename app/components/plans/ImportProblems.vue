<script setup lang="ts">
import type { PlanIssue } from '~~/core/plan/issues'

/** Why a file was not imported, as far as it can be told at a look. */
defineProps<{ file: string; issues: readonly PlanIssue[] }>()
</script>

<template>
  <div class="problem" role="alert">
    <p>
      <strong>{{ file }}</strong> was not imported; nothing was changed.
    </p>
    <ul>
      <li v-for="issue in issues.slice(0, 20)" :key="issue.path + issue.message">
        <code v-if="issue.path">{{ issue.path }}</code> {{ issue.message }}
      </li>
      <li v-if="issues.length > 20">… and {{ issues.length - 20 }} more.</li>
    </ul>
  </div>
</template>

<style scoped>
.problem {
  border-left: 4px solid rgb(var(--v-theme-state-short));
  padding: 8px 14px;
  background: rgb(var(--v-theme-surface));
}
.problem ul {
  padding-left: 18px;
}
</style>
