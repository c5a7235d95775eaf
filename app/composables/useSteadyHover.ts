import { onBeforeUnmount, onMounted } from 'vue'

type Crossing = 'pointerenter' | 'pointerleave'

/**
 * What slides under a pointer that stands still is neither entered nor left until the pointer
 * moves. What is tried under the pointer may make the page longer or shorter: its neighbour would
 * slide under it, be tried in turn, and the two would take turns without end.
 */
export function useSteadyHover(): void {
  let at: { readonly x: number; readonly y: number } | null = null
  const held = new Map<EventTarget, Crossing>()
  let telling = false

  const stands = (event: PointerEvent) => at?.x === event.clientX && at.y === event.clientY
  function cross(event: PointerEvent): void {
    // A finger is down or not; and what is told below is heard.
    if (telling || event.pointerType === 'touch' || !event.target) return
    if (!stands(event)) return tellHeld()
    event.stopImmediatePropagation()
    const kind = event.type as Crossing
    if (held.has(event.target) && held.get(event.target) !== kind) held.delete(event.target)
    else held.set(event.target, kind)
  }
  function move(event: PointerEvent): void {
    if (stands(event)) return
    tellHeld()
    at = { x: event.clientX, y: event.clientY }
  }
  /** First what was left, then what was entered. */
  function tellHeld(): void {
    const crossings = [...held]
    held.clear()
    telling = true
    for (const kind of ['pointerleave', 'pointerenter'] as const)
      for (const [target, crossing] of crossings)
        if (crossing === kind) target.dispatchEvent(new PointerEvent(kind))
    telling = false
  }

  onMounted(() => {
    document.addEventListener('pointerenter', cross, true)
    document.addEventListener('pointerleave', cross, true)
    document.addEventListener('pointermove', move, true)
  })
  onBeforeUnmount(() => {
    document.removeEventListener('pointerenter', cross, true)
    document.removeEventListener('pointerleave', cross, true)
    document.removeEventListener('pointermove', move, true)
  })
}
