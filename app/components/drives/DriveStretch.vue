<script setup lang="ts">
import type { StretchKind } from '~~/core/drives/driveMap'

/** A stretch of a drive, in the pattern of what lies on it. */
defineProps<{ kind: StretchKind }>()
</script>

<template><span class="stretch" :class="kind" /></template>

<style scoped>
.stretch {
  display: block;
  min-height: 1px;
  flex-basis: 0;
  --ink: rgb(var(--v-theme-wall));
}
.kept {
  background: rgb(var(--v-theme-water));
}
.free {
  background: rgba(var(--v-theme-water), 0.28);
}
.full {
  background:
    radial-gradient(circle at 3px 3px, rgba(var(--v-theme-wall), 0.45) 1px, transparent 1.4px) 0 0 /
      6px 6px,
    rgb(var(--v-theme-surface));
}
.reserve {
  background: rgba(var(--v-theme-wall), 0.3);
}
.copy {
  background: repeating-linear-gradient(
    0deg,
    rgb(var(--v-theme-water-line)) 0 2px,
    rgba(var(--v-theme-water), 0.5) 2px 7px
  );
}
.parity {
  background: repeating-linear-gradient(
    45deg,
    var(--ink) 0 2px,
    rgba(var(--v-theme-wall), 0.2) 2px 7px
  );
}
.unused {
  background: repeating-linear-gradient(
    135deg,
    rgba(var(--v-theme-state-short), 0.75) 0 1.5px,
    rgb(var(--v-theme-surface)) 1.5px 8px
  );
}
.spare {
  background: rgb(var(--v-theme-surface-bright));
}
</style>
