import { computed, ref } from 'vue'

interface Corner {
  readonly x: number
  readonly y: number
}

/** A frame that is no larger than this was a press. */
const minSide = 8

/**
 * A frame drawn round drives in their bays, begun beside the drives. Bays are elements with
 * `data-bay`.
 * @param count drives that are there, in the first bays
 */
export function useBayFrame(count: () => number) {
  const from = ref<Corner | null>(null)
  const chosen = ref<ReadonlySet<number>>(new Set())
  const drawn = ref<ReadonlySet<number>>(new Set())

  function begin(event: PointerEvent): void {
    if (
      event.button !== 0 ||
      event.pointerType === 'touch' ||
      (event.target as Element).closest('button')
    )
      return
    from.value = { x: event.clientX, y: event.clientY }
    drawn.value = new Set()
    ;(event.currentTarget as Element).setPointerCapture?.(event.pointerId)
  }
  function follow(event: PointerEvent): void {
    const start = from.value
    if (!start) return
    const [left, right] = [Math.min(start.x, event.clientX), Math.max(start.x, event.clientX)]
    const [top, bottom] = [Math.min(start.y, event.clientY), Math.max(start.y, event.clientY)]
    if (right - left < minSide && bottom - top < minSide) return
    const bays = [
      ...(event.currentTarget as Element).querySelectorAll<HTMLElement>('[data-bay]'),
    ].slice(0, count())
    drawn.value = new Set(
      bays.flatMap((bay, place) => {
        const box = bay.getBoundingClientRect()
        return box.left < right && box.right > left && box.top < bottom && box.bottom > top
          ? [place]
          : []
      }),
    )
  }
  function release(): void {
    if (!from.value) return
    from.value = null
    chosen.value = drawn.value
    drawn.value = new Set()
  }
  function giveUp(): void {
    from.value = null
    drawn.value = new Set()
    chosen.value = new Set()
  }
  /** drives inside the frame, while it is drawn and after */
  const within = computed(() => (from.value ? drawn.value : chosen.value))
  return { within, chosen, begin, follow, release, giveUp }
}
