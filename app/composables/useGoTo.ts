import { nextTick } from 'vue'
import { useRouter } from '#imports'
import { usePlanStore } from '~/stores/planStore'
import { useWorkingStore } from '~/stores/workingStore'
import { placeOfPath } from './fieldPlaces'
import { fieldElementId, viewAddress } from './views'

/**
 * How long a field is looked for where its view is being loaded, ms; and from when on the list that
 * holds it will do.
 */
const [seekMs, settleMs, everyMs] = [2500, 900, 50]

function placeAbove(path: string): HTMLElement | null {
  const above = path.slice(0, Math.max(0, path.lastIndexOf('.')))
  return above ? (document.getElementById(fieldElementId(above)) ?? placeAbove(above)) : null
}

/** Ways to the places of the open plan. */
export function useGoTo() {
  const router = useRouter()
  const store = usePlanStore()
  const working = useWorkingStore()

  /** Goes where a field is set, brings it to light and gives it the focus. */
  async function goToField(path: string): Promise<void> {
    const { view, section } = placeOfPath(path)
    working.close()
    working.target = null
    await router.push(viewAddress(store.id ?? '', view, section))
    await nextTick()
    // A list that holds the field picks its entry.
    working.target = path
    const started = Date.now()
    const seek = () => {
      const waited = Date.now() - started
      const target =
        document.getElementById(fieldElementId(path)) ??
        (waited > settleMs ? placeAbove(path) : null)
      if (target) {
        target.scrollIntoView({ block: 'center' })
        const focusable = target.matches('input,select,button,textarea')
          ? target
          : target.querySelector<HTMLElement>('input,button,textarea,select,[tabindex="0"]')
        focusable?.focus()
      } else if (waited < seekMs) {
        setTimeout(seek, everyMs)
      }
    }
    seek()
  }
  return { goToField }
}
