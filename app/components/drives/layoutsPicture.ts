import { scaleLinear, scaleLog, type ScaleLinear, type ScaleLogarithmic } from 'd3-scale'

/** One layout as a place in the picture. */
export interface LayoutPoint {
  readonly id: string
  readonly label: string
  /** TB of room, or a price */ readonly x: number
  /** chance of loss, 0..1 */ readonly loss: number
}

export interface PlacedLayout extends LayoutPoint {
  readonly px: number
  readonly py: number
  readonly labelY: number
  readonly labelLeft: boolean
}

export interface LayoutsPicture {
  readonly x: ScaleLinear<number, number>
  readonly y: ScaleLogarithmic<number, number>
  readonly points: readonly PlacedLayout[]
  readonly xTicks: readonly number[]
  readonly lossTicks: readonly number[]
}

/** What is rarer is drawn at this line: no plan tells such chances apart. */
export const rarestDrawn = 1e-9
const lineHeight = 15
const margin = { left: 74, right: 16, top: 14, bottom: 40 }

/** So narrow a picture has no place for whole names. */
export const narrowWidth = 520

/**
 * Name of a layout where there is little place: 'Rotating parity, two drives (RAID 6)' is 'Rotating
 * parity 2'.
 */
export function shortName(label: string): string {
  return label
    .replace(/ \(.*\)$/, '')
    .replace(
      /, (one|two|three) drives?$/,
      (_, count: string) => ` ${{ one: 1, two: 2, three: 3 }[count]}`,
    )
}

/** Safer is higher; labels of neighbours move apart. */
export function layoutsPicture(
  points: readonly LayoutPoint[],
  {
    width,
    height,
    atLeast,
  }: {
    readonly width: number
    readonly height: number
    /** a value of x that must be in sight */ readonly atLeast: number
  },
): LayoutsPicture {
  const x = scaleLinear(
    [0, Math.max(1, atLeast, ...points.map(point => point.x)) * 1.02],
    [margin.left, width - margin.right],
  )
  const y = scaleLog([rarestDrawn, 1], [margin.top, height - margin.bottom])
  const placed = points.map(point => ({
    ...point,
    px: x(point.x),
    py: y(Math.min(1, Math.max(rarestDrawn, point.loss))),
  }))
  const labels: { left: number; right: number; y: number }[] = []
  const leads: { px: number; from: number; to: number }[] = []
  const withLabels = [...placed]
    // From the right: a label that gives way goes below those beside it, and no lead crosses them.
    .sort((a, b) => b.px - a.px || a.py - b.py)
    .map(point => {
      const length = point.label.length * 6.4
      const isRoomRight = point.px + 12 + length <= width
      const isRoomLeft = point.px - 12 - length >= margin.left
      const labelLeft = !isRoomRight && (isRoomLeft || point.px - margin.left > width - point.px)
      const [left, right] = labelLeft
        ? [point.px - 12 - length, point.px - 12]
        : [point.px + 12, point.px + 12 + length]
      let labelY = point.py
      const isTaken = () =>
        labels.some(
          other =>
            Math.abs(other.y - labelY) < lineHeight && left < other.right && right > other.left,
        ) ||
        placed.some(
          other =>
            Math.abs(other.py - labelY) < lineHeight - 4 && other.px > left && other.px < right,
        ) ||
        leads.some(
          ({ px, from, to }) =>
            labelY > Math.min(from, to) - lineHeight / 2 &&
            labelY < Math.max(from, to) + lineHeight / 2 &&
            Math.abs(px - point.px) > 0.5 &&
            left < px + 10 &&
            right > px - 10,
        )
      // Down, and where the picture ends up from the mark instead.
      const lowest = height - margin.bottom
      while (isTaken() && labelY <= lowest) labelY += lineHeight / 3
      if (labelY > lowest) {
        labelY = Math.min(point.py, lowest)
        while (isTaken() && labelY > margin.top) labelY -= lineHeight / 3
      }
      labels.push({ left, right, y: labelY })
      leads.push({ px: point.px, from: point.py, to: labelY })
      return { ...point, labelY, labelLeft }
    })
  return {
    x,
    y,
    points: withLabels,
    xTicks: x.ticks(6),
    lossTicks: [1, 1e-1, 1e-2, 1e-3, 1e-4, 1e-5, 1e-6, 1e-7, 1e-8, rarestDrawn],
  }
}
