import { usePictureDrag, type Point } from './usePictureDrag'

export interface HandleParts {
  readonly value: () => number
  readonly min: number
  readonly max: number
  /** what one arrow key changes, and what it snaps to */
  readonly step: number
  /** what an arrow with Shift, or a page key, changes */
  readonly coarse: number
  /** the value at a place of the picture */
  readonly valueAt: (point: Point) => number
  readonly set: (value: number) => void
  /** it only shows the value */
  readonly locked?: () => boolean
}

/**
 * A handle that sets one number in a picture, by drag and by keyboard alike: arrows, + and −, Shift
 * or page keys for coarse
 * steps, Home and End for the ends, Escape to give a drag up.
 */
export function usePictureHandle({
  value,
  min,
  max,
  step,
  coarse,
  valueAt,
  set,
  locked = () => false,
}: HandleParts) {
  function take(next: number): void {
    const snapped = Math.round(next / step) * step
    if (!locked()) set(Math.max(min, Math.min(max, Number(snapped.toPrecision(12)))))
  }
  const { begin, follow, release } = usePictureDrag<null>({ move: (_, to) => take(valueAt(to)) })

  function onKey(event: KeyboardEvent): void {
    if (event.altKey || event.ctrlKey || event.metaKey) return
    const next = nextValue(event)
    if (next === null) return
    event.preventDefault()
    event.stopPropagation()
    take(next)
  }
  function nextValue({ key, shiftKey }: KeyboardEvent): number | null {
    const by = shiftKey ? coarse : step
    switch (key) {
      case 'ArrowRight':
      case 'ArrowUp':
      case '+':
        return value() + by
      case 'ArrowLeft':
      case 'ArrowDown':
      case '-':
        return value() - by
      case 'PageUp':
        return value() + coarse
      case 'PageDown':
        return value() - coarse
      case 'Home':
        return min
      case 'End':
        return max
      default:
        return null
    }
  }
  return {
    /** for the mark that is taken hold of */
    handle: { onPointerdown: (event: PointerEvent) => begin(event, null), onKeydown: onKey },
    follow,
    release,
  }
}
