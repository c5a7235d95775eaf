<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useHead, useRoute } from '#imports'
import type { SessionState } from '~~/core/plan/sessionState'
import NumeronMark from '~/components/common/NumeronMark.vue'
import { accessApi } from '~/services/accessApi'
import { ApiProblem } from '~/services/apiRequest'
import { returnAddress } from '~/services/signInAddress'

/**
 * Where somebody comes in to a Numeron that is open to a network, or sets its first passphrase on
 * its own computer.
 */
const route = useRoute()
const state = ref<SessionState | null>(null)
const passphrase = ref('')
const again = ref('')
const shown = ref(false)
const message = ref('')
const busy = ref(false)
const minLetters = 12
useHead({ title: 'Sign in – Numeron' })

const isFirst = computed(() => state.value?.passphrase === 'yoursToSet')
const repeatError = computed(() =>
  isFirst.value && again.value !== '' && again.value !== passphrase.value
    ? 'The two are not the same.'
    : '',
)
const canSend = computed(
  () =>
    !busy.value &&
    passphrase.value.length >= minLetters &&
    (!isFirst.value || again.value === passphrase.value),
)

/** A whole new page: what it had loaded while nobody was signed in is of no use. */
function goOn(): void {
  window.location.replace(returnAddress(route.query.to))
}
async function attempt(work: () => Promise<unknown>): Promise<boolean> {
  message.value = ''
  busy.value = true
  try {
    await work()
    return true
  } catch (error) {
    message.value =
      error instanceof ApiProblem ? error.message : 'Something went wrong in this page; reload it.'
    return false
  } finally {
    busy.value = false
  }
}
const look = () =>
  attempt(async () => {
    state.value = await accessApi.session()
    if (state.value.signedIn) goOn()
  })
async function send(): Promise<void> {
  if (!canSend.value) return
  const done = await attempt(() =>
    isFirst.value
      ? accessApi.setFirstPassphrase(passphrase.value)
      : accessApi.signIn(passphrase.value),
  )
  if (done) goOn()
}
onMounted(look)
</script>

<template>
  <VMain tag="div">
    <main class="sign-in">
      <NumeronMark />
      <form
        v-if="state && !state.signedIn && state.passphrase !== 'none'"
        class="sheet"
        @submit.prevent="send"
      >
        <h1>{{ isFirst ? 'Choose a passphrase' : 'Sign in' }}</h1>
        <p v-if="isFirst">
          This Numeron is open to your network. From now on, everyone who uses it signs in with one
          passphrase, on this computer too.
        </p>
        <p v-else>This Numeron is open to a network, so its plans are behind a passphrase.</p>
        <VTextField
          v-model="passphrase"
          :label="isFirst ? 'New passphrase' : 'Passphrase'"
          :type="shown ? 'text' : 'password'"
          :autocomplete="isFirst ? 'new-password' : 'current-password'"
          autofocus
          maxlength="200"
          :hint="
            isFirst
              ? 'At least 12 letters. Four or five words that have nothing to do with each other are easy to remember.'
              : 'It has at least 12 letters; capital letters and spaces count.'
          "
          persistent-hint
        />
        <VTextField
          v-if="isFirst"
          v-model="again"
          label="The same again"
          :type="shown ? 'text' : 'password'"
          autocomplete="new-password"
          maxlength="200"
          :error-messages="repeatError || []"
        />
        <VCheckbox v-model="shown" label="Show what I type" density="compact" hide-details />
        <p v-if="message" class="problem" role="alert">
          {{ message }}
        </p>
        <VBtn type="submit" color="primary" variant="flat" :disabled="!canSend" :loading="busy">
          {{ isFirst ? 'Set the passphrase' : 'Sign in' }}
        </VBtn>
        <p class="soft small">
          {{
            isFirst
              ? 'If it is forgotten, whoever runs this computer can set another: docs/open-to-a-network.md says how.'
              : 'If you do not know it, ask whoever runs this Numeron.'
          }}
          Without TLS in front of Numeron, others on the same network can read along; do not use a
          passphrase that you use elsewhere.
        </p>
      </form>
      <section v-else-if="state && !state.signedIn" class="sheet">
        <h1>Nobody can sign in yet</h1>
        <p>
          No passphrase is set. Open Numeron on the computer that runs it, at
          <code>http://localhost</code> with the same port, and choose one there.
        </p>
        <VBtn variant="outlined" color="primary" @click="look"> Look again </VBtn>
      </section>
      <section v-else-if="message" class="sheet">
        <p role="alert">
          {{ message }}
        </p>
        <VBtn variant="outlined" color="primary" @click="look"> Try again </VBtn>
      </section>
    </main>
  </VMain>
</template>

<style scoped>
.sign-in {
  max-width: 460px;
  margin: 0 auto;
  padding: 9vh 16px 40px;
  display: flex;
  flex-direction: column;
  gap: 22px;
}
.sheet {
  display: flex;
  flex-direction: column;
  gap: 14px;
  padding: 24px;
  align-items: stretch;
}
.problem {
  border-left: 4px solid rgb(var(--v-theme-state-short));
  padding-left: 12px;
}
</style>
