/** A mark that wants its name beside it. */
export interface LabelledMark {
  readonly id: string
  readonly text: string
  readonly x: number
  readonly y: number
  /** how far it reaches upwards, where that is more than a mark does by itself */
  readonly above?: number
  /** named even where its label covers something */
  readonly always: boolean
}
export interface MarkLabel {
  readonly id: string
  readonly text: string
  readonly x: number
  readonly y: number
  readonly anchor: 'start' | 'end' | 'middle'
}
interface Box {
  readonly left: number
  readonly right: number
  readonly top: number
  readonly bottom: number
}

/** Of a letter on average, and of a line, at the size of the labels. */
const letterWidth = 6.4
const lineHeight = 15
/** Half the width of a mark. */
const markRadius = 11

const overlap = (a: Box, b: Box): number =>
  Math.max(0, Math.min(a.right, b.right) - Math.max(a.left, b.left)) *
  Math.max(0, Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top))

/** Places for a label: to the right of its mark, to the left, above, below. */
function placesOf({
  id,
  text,
  x,
  y,
  above = markRadius,
}: LabelledMark): { label: MarkLabel; box: Box }[] {
  const width = text.length * letterWidth
  const at = (label: Pick<MarkLabel, 'x' | 'y' | 'anchor'>) => {
    const left =
      label.anchor === 'start'
        ? label.x
        : label.anchor === 'end'
          ? label.x - width
          : label.x - width / 2
    return {
      label: { id, text, ...label },
      box: { left, right: left + width, top: label.y - lineHeight + 4, bottom: label.y + 4 },
    }
  }
  const beside = markRadius + 4
  return [
    at({ x: x + beside, y: y + 4, anchor: 'start' }),
    at({ x: x - beside, y: y + 4, anchor: 'end' }),
    at({ x, y: y - above - 4, anchor: 'middle' }),
    at({ x, y: y + beside + lineHeight - 4, anchor: 'middle' }),
  ]
}

/**
 * Names beside marks, the first that are given first: none covers another, a mark, or the edge; a
 * mark for which there is no such place goes without, unless it is always named.
 */
export function markLabels(
  marks: readonly LabelledMark[],
  frame: {
    readonly left: number
    readonly right: number
    readonly top: number
    readonly bottom: number
  },
): MarkLabel[] {
  const taken: Box[] = marks.map(({ x, y, above = markRadius }) => ({
    left: x - markRadius,
    right: x + markRadius,
    top: y - above,
    bottom: y + markRadius,
  }))
  const labels: MarkLabel[] = []
  const outside = (box: Box) =>
    (Math.max(0, frame.left - box.left) + Math.max(0, box.right - frame.right)) * lineHeight +
    (Math.max(0, frame.top - box.top) + Math.max(0, box.bottom - frame.bottom)) * letterWidth
  for (const mark of [...marks].sort((a, b) => Number(b.always) - Number(a.always))) {
    const places = placesOf(mark).map(place => ({
      ...place,
      covers: taken.reduce((sum, box) => sum + overlap(place.box, box), 10 * outside(place.box)),
    }))
    const best = places.reduce((least, place) => (place.covers < least.covers ? place : least))
    if (best.covers > 0 && !mark.always) continue
    labels.push(best.label)
    taken.push(best.box)
  }
  return labels
}
