import { usePreferredDark, useStorage } from '@vueuse/core'
import { computed } from 'vue'

export type Scheme = 'day' | 'night'

/** What was chosen in this browser; null while nothing was, and the system decides. */
const chosen = useStorage<Scheme | null>('numeron.scheme', null)
const systemIsDark = usePreferredDark()

/** Day or night; kept in this browser once chosen. */
export const colourScheme = computed<Scheme>({
  get: () =>
    chosen.value === 'day' || chosen.value === 'night'
      ? chosen.value
      : systemIsDark.value
        ? 'night'
        : 'day',
  set: scheme => {
    chosen.value = scheme
  },
})
