<script setup lang="ts">
import { computed, ref } from 'vue'
import { mdiAlertOutline, mdiCloseOctagonOutline, mdiInformationOutline } from '@mdi/js'
import { usePlanStore } from '~/stores/planStore'

/** What the plan warns of, with the way out, the worst first. */
const props = defineProps<{
  /** only those that something of these follows from */
  follows?: (source: string) => boolean
  /** only those whose code begins so */
  code?: string
  /** more are behind a press */
  most?: number
}>()
const store = usePlanStore()
const findings = computed(() =>
  (store.assessment?.findings ?? []).filter(
    finding =>
      (!props.follows || finding.from.some(props.follows)) &&
      finding.code.startsWith(props.code ?? ''),
  ),
)
const all = ref(false)
const shown = computed(() =>
  all.value ? findings.value : findings.value.slice(0, props.most ?? findings.value.length),
)
const icons = {
  fail: mdiCloseOctagonOutline,
  warning: mdiAlertOutline,
  caution: mdiInformationOutline,
}
const words = { fail: 'Problem', warning: 'Warning', caution: 'Worth knowing' }
</script>

<template>
  <ul v-if="findings.length" class="findings" aria-label="Findings">
    <li
      v-for="(finding, index) in shown"
      :key="`${finding.code}-${index}`"
      :class="finding.severity"
      :data-finding="finding.code"
    >
      <VIcon :icon="icons[finding.severity]" size="18" aria-hidden="true" />
      <div>
        <strong>{{ words[finding.severity] }}.</strong> {{ finding.sentence }}
        <span v-for="fix in finding.fixes" :key="fix.sentence" class="fix">{{ fix.sentence }}</span>
      </div>
    </li>
    <li v-if="shown.length < findings.length" class="more no-print">
      <button type="button" class="plain-button" @click="all = true">
        Show {{ findings.length - shown.length }} more
      </button>
    </li>
  </ul>
</template>

<style scoped>
.findings {
  list-style: none;
  padding: 0;
  margin: 0;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.findings li {
  display: flex;
  gap: 10px;
  font-size: 0.92rem;
  line-height: 1.4;
}
.findings .v-icon {
  margin-top: 1px;
  flex: none;
}
.fail .v-icon,
.fail strong {
  color: rgb(var(--v-theme-state-impossible));
}
.warning .v-icon,
.warning strong {
  color: rgb(var(--v-theme-state-short));
}
.caution .v-icon,
.caution strong {
  color: rgb(var(--v-theme-water-line));
}
.more button {
  color: rgb(var(--v-theme-primary));
  text-decoration: underline;
  min-height: 26px;
}
.fix {
  display: block;
  color: rgb(var(--v-theme-ink-soft));
}
.fix::before {
  content: '→ ';
}
</style>
