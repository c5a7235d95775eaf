import { onBeforeUnmount, ref } from 'vue'
import { usePlanStore } from '~/stores/planStore'

/** A place in a picture, in the picture's own coordinates. */
export interface Point {
  readonly x: number
  readonly y: number
}

/** A press that moves no further than this is no drag. */
const minMove = 3

/** Where an event happened in the picture it belongs to, whatever size it is shown at. */
export function pointIn(event: PointerEvent): Point {
  const svg = (event.currentTarget as Element).closest('svg')!
  const box = svg.getBoundingClientRect()
  const [, , width = 0] = (svg.getAttribute('viewBox') ?? '').split(/[\s,]+/).map(Number)
  const scale = box.width > 0 && width > 0 ? box.width / width : 1
  return { x: (event.clientX - box.left) / scale, y: (event.clientY - box.top) / scale }
}

export interface DragParts<Start> {
  /** the pointer was moved with something in hand */
  readonly move: (start: Start, to: Point, from: Point) => void
  readonly end?: (start: Start) => void
}

/**
 * Dragging something in a picture: begun on a mark, followed over the whole picture, one step of
 * undo from press to release,
 * given up with Escape.
 */
export function usePictureDrag<Start>({ move, end }: DragParts<Start>) {
  const store = usePlanStore()
  const dragging = ref(false)
  let hand: { readonly start: Start; readonly from: Point; moved: boolean } | null = null

  function begin(event: PointerEvent, start: Start): void {
    if (event.button !== 0) return
    event.stopPropagation()
    hand = { start, from: pointIn(event), moved: false }
    dragging.value = true
    store.grab()
    ;(event.currentTarget as Element).closest('svg')?.setPointerCapture?.(event.pointerId)
    window.addEventListener('keydown', onEscape, true)
  }
  /** Follows the pointer; false while nothing is in hand. */
  function follow(event: PointerEvent): boolean {
    if (!hand) return false
    const to = pointIn(event)
    hand.moved ||= Math.hypot(to.x - hand.from.x, to.y - hand.from.y) >= minMove
    if (hand.moved) move(hand.start, to, hand.from)
    return true
  }
  function putDown(): void {
    hand = null
    dragging.value = false
    window.removeEventListener('keydown', onEscape, true)
  }
  function release(): void {
    if (!hand) return
    const { start } = hand
    putDown()
    store.letGo()
    end?.(start)
  }
  function onEscape(event: KeyboardEvent): void {
    if (event.key !== 'Escape' || !hand) return
    event.preventDefault()
    event.stopPropagation()
    putDown()
    store.giveUp()
  }
  onBeforeUnmount(release)
  return { dragging, begin, follow, release }
}
