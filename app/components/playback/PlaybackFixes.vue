<script setup lang="ts">
import { computed, ref } from 'vue'
import type { ShownFix } from '~~/core/tiers/rankFixes'
import FixButton from './FixButton.vue'
import { useFormat } from '~/composables/useFormat'

/** What can be done, by how much of the conversions it removes. */
const props = defineProps<{
  ranked: readonly ShownFix[]
  working: boolean
  anyHabits: boolean
}>()
const { number } = useFormat()
const all = ref(false)
const shown = computed(() => (all.value ? props.ranked : props.ranked.slice(0, 6)))
const fewer = (share: number) => `${number(share * 100, 2)} % fewer`
</script>

<template>
  <section class="sheet" :aria-busy="working" data-fixes>
    <h2>Fixes that remove most conversions</h2>
    <p class="soft small">
      Each is put through the whole matrix; its mark says how conversions stand then. Hover or focus
      to preview it on the headroom line; once applied it can be undone.
      <span v-if="working" role="status">Calculating …</span>
    </p>
    <ol v-if="shown.length">
      <li v-for="fix in shown" :key="fix.id" :data-fix="fix.id">
        <span class="track" :title="`${fewer(fix.removedShare)} hours converted`">
          <i :style="{ width: `${Math.max(1, fix.removedShare * 100)}%` }" />
          <small>{{ fewer(fix.removedShare) }}</small>
        </span>
        <FixButton :fix="fix" />
      </li>
    </ol>
    <p v-else-if="!working" class="soft">
      {{
        anyHabits
          ? 'Nothing is converted, or no single fix removes any of it.'
          : 'Nobody watches anything yet. Enter habits under Household, and the fixes are ranked here.'
      }}
    </p>
    <button
      v-if="ranked.length > 6"
      type="button"
      class="plain-button link small"
      @click="all = !all"
    >
      {{ all ? 'Only the first six' : `All ${ranked.length}` }}
    </button>
  </section>
</template>

<style scoped>
ol {
  list-style: none;
  padding: 0;
  margin: 8px 0 0;
  display: flex;
  flex-direction: column;
}
li {
  display: grid;
  grid-template-columns: 170px minmax(0, 1fr);
  gap: 14px;
  align-items: center;
  padding: 5px 0;
  border-bottom: 1px solid rgba(var(--v-theme-hairline), 0.6);
  min-height: 40px;
}
li:hover,
li:focus-within {
  background: rgb(var(--v-theme-surface-light));
}
.track {
  position: relative;
  height: 22px;
  background: rgb(var(--v-theme-surface-light));
  border-radius: 3px;
  overflow: hidden;
}
.track i {
  position: absolute;
  inset: 0 auto 0 0;
  background: rgb(var(--v-theme-water));
}
.track small {
  position: relative;
  padding-left: 7px;
  line-height: 22px;
  font-weight: 600;
}
.link {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline;
  min-height: 26px;
}
@media (max-width: 600px) {
  li {
    grid-template-columns: 1fr;
    gap: 4px;
  }
}
</style>
