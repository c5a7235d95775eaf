<script setup lang="ts">
import { computed } from 'vue'
import { maxDrives } from '~~/core/plan/constants'
import PlanField from '~/components/common/PlanField.vue'
import { useFormat } from '~/composables/useFormat'
import { useInParts } from '~/composables/useInParts'
import { usePlanStore } from '~/stores/planStore'

/** The drives that are there: serial, bay, and until when each can go back. */
const store = usePlanStore()
const { quantity } = useFormat()
const register = computed(() => store.plan?.drives.register ?? [])
const drawn = useInParts(register, 2)
/** Drives of the plan, one by one, as they are told in a list. */
const planned = computed(() =>
  (store.plan?.drives.lots ?? []).flatMap(({ count, sizeTB }) =>
    Array.from({ length: count }, () => quantity(sizeTB, 'TB')),
  ),
)
const missing = computed(() => Math.max(0, planned.value.length - register.value.length))
function put(next: typeof register.value): void {
  if (store.plan) store.replace({ ...store.plan, drives: { ...store.plan.drives, register: next } })
}
const bare = {
  health: 'notKnown' as const,
  healthDay: '',
  serial: '',
  bought: '',
  lastReturn: '',
  warrantyUntil: '',
}
function addAll(): void {
  const from = register.value.length
  const fresh = planned.value.slice(from).map((lot, at) => ({ ...bare, lot, bay: from + at + 1 }))
  put([...register.value, ...fresh].slice(0, maxDrives))
}
const addOne = () => put([...register.value, { ...bare, lot: '', bay: null }])
const remove = (index: number) => put(register.value.filter((_, at) => at !== index))
</script>

<template>
  <section class="sheet" data-register>
    <h2>Drive register</h2>
    <p class="soft small">
      A failed drive is claimed by its serial, and every drive is tested while the shop still takes
      it back. The calendar reminds of both.
    </p>
    <div class="acts no-print">
      <VBtn v-if="missing > 0" size="small" variant="outlined" color="primary" @click="addAll">
        {{ missing === 1 ? 'Enter the drive of the plan' : `Enter ${missing} drives of the plan` }}
      </VBtn>
      <VBtn v-else-if="register.length < maxDrives" size="small" variant="text" @click="addOne">
        Add a drive
      </VBtn>
    </div>
    <ul>
      <li v-for="(entry, index) in drawn" :key="index">
        <PlanField :path="`drives.register.${index}.serial`" />
        <PlanField :path="`drives.register.${index}.lot`" />
        <PlanField :path="`drives.register.${index}.bay`" />
        <PlanField :path="`drives.register.${index}.bought`" />
        <PlanField :path="`drives.register.${index}.lastReturn`" />
        <PlanField :path="`drives.register.${index}.warrantyUntil`" />
        <VBtn
          size="small"
          variant="text"
          :aria-label="`Remove drive ${entry.serial || index + 1}`"
          @click="remove(index)"
        >
          Remove
        </VBtn>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  display: grid;
  gap: 14px;
}
li {
  display: grid;
  grid-template-columns: 1.2fr 1fr 0.6fr 1fr 1fr 1fr auto;
  gap: 8px;
  align-items: center;
}
.acts {
  margin: 8px 0 12px;
}
@media (max-width: 1000px) {
  li {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
}
</style>
