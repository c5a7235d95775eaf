import { ref, watch } from 'vue'

export type Scheme = 'day' | 'night'
const key = 'numeron.scheme'

function initial(): Scheme {
  try {
    const kept = localStorage.getItem(key)
    if (kept === 'day' || kept === 'night') return kept
  }
  catch { /* no storage: the system decides */ }
  return globalThis.matchMedia?.('(prefers-color-scheme: dark)').matches ? 'night' : 'day'
}

/** Day or night; kept in this browser once chosen. */
export const colourScheme = ref<Scheme>(initial())

watch(colourScheme, (scheme) => {
  try {
    localStorage.setItem(key, scheme)
  }
  catch { /* it then lasts until the page is closed */ }
})
