<script setup lang="ts">
import { onMounted, ref, shallowRef } from 'vue'
import { useHead, useRoute } from '#imports'
import type { Assessment } from '~~/core/assess'
import type { Plan } from '~~/core/plan/planSchema'
import type { Format } from '~~/core/units/format'
import PlanReport from '~/components/report/PlanReport.vue'
import SchemeButton from '~/components/common/SchemeButton.vue'
import { accessApi } from '~/services/accessApi'
import { ApiProblem } from '~/services/apiRequest'
import { inBackground } from '~/services/background'
import { createPageAssessor } from '~/services/pageAssessor'
import { pageLocale } from '~/services/pageLocale'

/** What a reader's link shows: the report of one plan, as it was saved last. */
const route = useRoute()
const read = shallowRef<{
  plan: Plan
  assessment: Assessment
  format: Format
  savedAt: string
} | null>(null)
const message = ref('')
useHead({
  title: () => (read.value ? `${read.value.plan.name} – Numeron` : 'Numeron'),
  meta: [
    { name: 'robots', content: 'noindex' },
    { name: 'referrer', content: 'no-referrer' },
  ],
})

async function load(): Promise<void> {
  message.value = ''
  try {
    const { plan, savedAt } = await accessApi.read(String(route.params.token))
    // Off the page: a plan may be of any size.
    const assessment = await inBackground('assess', work => work.assess(plan, pageLocale()))
    const format = createPageAssessor().formatFor(plan, pageLocale())
    read.value = {
      plan,
      assessment,
      format,
      savedAt: new Date(savedAt).toLocaleString(pageLocale(), {
        dateStyle: 'medium',
        timeStyle: 'short',
      }),
    }
  } catch (error) {
    message.value =
      error instanceof ApiProblem ? error.message : 'Something went wrong in this page; reload it.'
  }
}
onMounted(load)
</script>

<template>
  <VMain tag="div">
    <main class="read">
      <template v-if="read">
        <header>
          <h1>{{ read.plan.name }}</h1>
          <SchemeButton class="no-print" />
        </header>
        <p class="soft">
          Report of a plan made with Numeron, as saved {{ read.savedAt }}. It can be read here and
          not changed.
        </p>
        <PlanReport :plan="read.plan" :assessment="read.assessment" :format="read.format" />
      </template>
      <section v-else-if="message" class="sheet">
        <p role="alert">
          {{ message }}
        </p>
        <VBtn variant="outlined" color="primary" @click="load"> Try again </VBtn>
      </section>
    </main>
  </VMain>
</template>

<style scoped>
.read {
  max-width: 760px;
  margin: 0 auto;
  padding: 20px 16px 60px;
  display: flex;
  flex-direction: column;
  gap: 12px;
}
header {
  display: flex;
  align-items: center;
  gap: 12px;
}
header h1 {
  flex: 1;
  overflow-wrap: anywhere;
}
.sheet {
  display: flex;
  flex-direction: column;
  gap: 14px;
  align-items: flex-start;
}
</style>
