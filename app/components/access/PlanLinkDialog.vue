<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import type { PlanLinkKind, PlanLinkState } from '~~/core/plan/sessionState'
import { accessApi } from '~/services/accessApi'
import { ApiProblem } from '~/services/apiRequest'
import { pageLocale } from '~/services/pageLocale'
import { addressForOthers } from '~/services/signInAddress'
import { usePlanStore } from '~/stores/planStore'
import QrCode from './QrCode.vue'

/**
 * One address that needs no signing in: of this plan's report, or of its run-book to be ticked
 * beside the open case.
 */
const { kind = 'reader' } = defineProps<{ kind?: PlanLinkKind }>()
const words = computed(
  () =>
    ({
      reader: {
        title: "Reader's link",
        code: "QR code of the reader's link",
        about:
          'Whoever has this link can read the report of this plan, without signing in, and can ' +
          'change nothing. It follows the plan as it is saved. Use it for somebody who helps.',
      },
      runBook: {
        title: 'Run-book link',
        code: 'QR code of the run-book link',
        about:
          'Whoever has this link can read the run-book, tick its steps and add notes, without ' +
          'signing in, and can change nothing else of this plan. Use it for the phone beside ' +
          'the open case. Ticks made while the server is out join later.',
      },
    })[kind],
)
const isShown = defineModel<boolean>({ required: true })
const store = usePlanStore()
const state = ref<PlanLinkState | null>(null)
const address = ref('')
const message = ref('')
const copied = ref(false)
const madeAt = computed(() =>
  state.value?.madeAt
    ? new Date(state.value.madeAt).toLocaleString(pageLocale(), {
        dateStyle: 'medium',
        timeStyle: 'short',
      })
    : null,
)

async function attempt(work: (planId: string) => Promise<unknown>): Promise<void> {
  message.value = ''
  try {
    if (store.id) await work(store.id)
  } catch (error) {
    message.value =
      error instanceof ApiProblem ? error.message : 'Something went wrong in this page; reload it.'
  }
}
const load = () =>
  attempt(async planId => {
    state.value = await accessApi.link(planId, kind)
  })
const make = () =>
  attempt(async planId => {
    await store.flush()
    const { path, host } = await accessApi.makeLink(planId, kind)
    address.value = addressForOthers(path, host)
    copied.value = false
    await load()
  })
const revoke = () =>
  attempt(async planId => {
    await accessApi.revokeLink(planId, kind)
    address.value = ''
    await load()
  })
async function copy(): Promise<void> {
  copied.value =
    (await navigator.clipboard?.writeText(address.value).then(
      () => true,
      () => false,
    )) ?? false
}
onMounted(load)
</script>

<template>
  <VDialog v-model="isShown" max-width="520" aria-labelledby="plan-link-title">
    <section class="sheet">
      <h2 id="plan-link-title">{{ words.title }}</h2>
      <p>{{ words.about }}</p>
      <p v-if="state && !state.open" class="notice">
        Only this computer reaches Numeron now, so the link works here only. To use it on a phone,
        open Numeron to your network: docs/open-to-a-network.md says how.
      </p>
      <template v-if="address">
        <QrCode :text="address" :label="words.code" class="code" />
        <VTextField
          :model-value="address"
          label="Link"
          readonly
          hide-details
          @focus="($event.target as HTMLInputElement).select()"
        />
        <p class="soft small">
          The link is shown only now. If it is lost, make a new one; the old one then ends.
        </p>
      </template>
      <p v-else-if="madeAt">
        There is a link, made {{ madeAt }}. It cannot be shown again; a new one replaces it.
      </p>
      <p v-if="message" role="alert" class="notice">
        {{ message }}
      </p>
      <div class="buttons">
        <VBtn v-if="madeAt" color="error" @click="revoke"> Revoke the link </VBtn>
        <VBtn v-if="address" variant="outlined" @click="copy">
          {{ copied ? 'Copied' : 'Copy' }}
        </VBtn>
        <VBtn color="primary" :variant="address ? 'outlined' : 'flat'" @click="make">
          {{ madeAt ? 'Make a new link' : 'Make a link' }}
        </VBtn>
        <VBtn @click="isShown = false"> Close </VBtn>
      </div>
    </section>
  </VDialog>
</template>

<style scoped>
.sheet {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.code {
  width: 220px;
  align-self: center;
  border-radius: 4px;
}
.notice {
  border-left: 4px solid rgb(var(--v-theme-primary));
  padding-left: 12px;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  justify-content: flex-end;
}
</style>
