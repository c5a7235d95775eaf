import 'fake-indexeddb/auto'
import { config, disableAutoUnmount, enableAutoUnmount } from '@vue/test-utils'
import { createVuetify } from 'vuetify'
import { VBtn } from 'vuetify/components/VBtn'
import { VIcon } from 'vuetify/components/VIcon'
import { VSelect } from 'vuetify/components/VSelect'
import { VSwitch } from 'vuetify/components/VSwitch'
import { VTextField } from 'vuetify/components/VTextField'
import { VTextarea } from 'vuetify/components/VTextarea'
import { afterEach, beforeAll } from 'vitest'
import { planEditor } from '~/services/planEditor'

globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
}
config.global.plugins = [
  createVuetify({ components: { VBtn, VIcon, VSelect, VSwitch, VTextField, VTextarea } }),
]
config.global.stubs = { NuxtLink: { props: ['to'], template: '<a :href="to"><slot /></a>' } }
// The files share a process and its document, and each has hooks of its own. Hooks run from the
// last to the first: what is mounted goes, then what else was put into the page.
afterEach(() => document.body.replaceChildren())
disableAutoUnmount()
enableAutoUnmount(afterEach)
// As in a page whose first view stands.
beforeAll(async () => {
  await planEditor.load()
})
