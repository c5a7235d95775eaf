<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { mdiLanConnect } from '@mdi/js'
import { accessApi } from '~/services/accessApi'

/**
 * Says that this Numeron is open to a network, and signs out. It shows nothing where only this
 * computer reaches it.
 */
const open = ref(false)
onMounted(async () => {
  open.value = (await accessApi.session().catch(() => null))?.open ?? false
})
async function signOut(everywhere: boolean): Promise<void> {
  await accessApi.signOut(everywhere).catch(() => undefined)
  window.location.assign('/sign-in')
}
</script>

<template>
  <VMenu v-if="open">
    <template #activator="{ props: activator }">
      <button
        v-bind="activator"
        type="button"
        class="plain-button sign"
        title="Everyone on the network who knows the passphrase can read and change these plans."
      >
        <VIcon :icon="mdiLanConnect" size="18" aria-hidden="true" /><span>Open to the network</span>
      </button>
    </template>
    <VList density="compact">
      <VListItem title="Sign out" subtitle="In this browser" @click="signOut(false)" />
      <VListItem title="Sign out everywhere" subtitle="In every browser" @click="signOut(true)" />
    </VList>
  </VMenu>
</template>

<style scoped>
.sign {
  display: inline-flex;
  align-items: center;
  gap: 7px;
  min-height: 32px;
  padding: 2px 10px;
  font-size: 0.82rem;
  white-space: nowrap;
  color: rgb(var(--v-theme-state-tight));
  border: 1px solid currentColor;
  border-radius: 5px;
}
.sign:hover {
  background: rgb(var(--v-theme-surface-light));
}
@media (max-width: 1000px) {
  .sign span {
    position: absolute;
    width: 1px;
    height: 1px;
    overflow: hidden;
    clip-path: inset(50%);
  }
}
</style>
