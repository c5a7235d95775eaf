<script setup lang="ts">
import type { OutcomeShares } from '~~/core/playback/matrix'
import { outcomes } from '~~/core/playback/playability'
import { outcomeTexts } from './outcomeTexts'
import { useFormat } from '~/composables/useFormat'

/** Watching hours as one strip, by what comes of them. */
defineProps<{ shares: OutcomeShares | null; height?: number }>()
const { share } = useFormat()
</script>

<template>
  <span
    class="strip"
    :style="{ height: `${height ?? 8}px` }"
    role="img"
    :aria-label="
      shares
        ? outcomes
            .filter(outcome => shares![outcome] > 0.0005)
            .map(outcome => `${outcomeTexts[outcome].short} ${share(shares![outcome])}`)
            .join(', ')
        : 'not watched'
    "
  >
    <template v-if="shares">
      <i
        v-for="outcome in outcomes.filter(entry => shares![entry] > 0)"
        :key="outcome"
        :class="outcome"
        :style="{ flexGrow: shares[outcome] }"
        :title="`${outcomeTexts[outcome].long}: ${share(shares[outcome])}`"
      />
    </template>
  </span>
</template>

<style scoped>
.strip {
  display: flex;
  width: 100%;
  border-radius: 2px;
  overflow: hidden;
  background: rgb(var(--v-theme-surface-light));
}
i {
  flex-basis: 0;
  min-width: 1px;
}
.playAsIs {
  background: rgb(var(--v-theme-water));
  opacity: 0.55;
}
.repack,
.sound {
  background: rgb(var(--v-theme-water-line));
}
.picture {
  background: repeating-linear-gradient(
    45deg,
    rgb(var(--v-theme-state-tight)) 0 3px,
    rgba(var(--v-theme-state-tight), 0.55) 3px 6px
  );
}
.cannot {
  background: rgb(var(--v-theme-state-impossible));
}
</style>
