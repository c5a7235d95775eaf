import { onBeforeUnmount, onMounted } from 'vue'

/** What can be chosen in a list that lies over the page. */
const options = '.v-overlay__content [role="option"], .v-overlay__content .v-list-item'
/** A hand that moves further, px, takes its press back. */
const maxMove = 6

/**
 * A press on an option holds for what it was begun on. The list follows its field, and an answer
 * that comes in between may move both: the release would choose a neighbour, or nothing.
 */
export function useSteadyPress(): void {
  let begun: { readonly option: HTMLElement; readonly x: number; readonly y: number } | null = null
  function press(event: PointerEvent): void {
    const option = (event.target as Element | null)?.closest<HTMLElement>(options)
    begun = option && event.button === 0 ? { option, x: event.clientX, y: event.clientY } : null
  }
  function release(event: PointerEvent): void {
    const held = begun
    begun = null
    if (!held?.option.isConnected || held.option.contains(event.target as Node)) return
    if (Math.hypot(event.clientX - held.x, event.clientY - held.y) > maxMove) return
    held.option.click()
    // The click that follows is of whatever slid under the pointer.
    window.addEventListener('click', swallow, { capture: true, once: true })
    setTimeout(() => window.removeEventListener('click', swallow, true))
  }
  function swallow(event: MouseEvent): void {
    event.stopImmediatePropagation()
  }
  onMounted(() => {
    document.addEventListener('pointerdown', press, true)
    document.addEventListener('pointerup', release, true)
  })
  onBeforeUnmount(() => {
    document.removeEventListener('pointerdown', press, true)
    document.removeEventListener('pointerup', release, true)
  })
}
