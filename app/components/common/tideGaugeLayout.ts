import type { Estimate } from '~~/core/figure'

export interface TideGaugeLayout {
  /** height of the water above the floor, for the likely, low and high ask */
  readonly water: number | null
  readonly waterLow: number | null
  readonly waterHigh: number | null
  /** heights of the wall: solid up to low, hatched up to high, a notch at likely */
  readonly wallLow: number | null
  readonly wallLikely: number | null
  readonly wallHigh: number | null
  /** the top of the scale, in the gauge's unit */
  readonly top: number
}

/**
 * Heights of a tide gauge: what is asked is water, what is possible a wall.
 * The scale starts at zero and leaves some sky over the higher of the two.
 * @param height of the drawing, > 0
 */
export function tideGaugeLayout(
  asked: Estimate | null,
  possible: Estimate | null,
  height: number,
): TideGaugeLayout {
  const top = Math.max(asked?.high ?? 0, possible?.high ?? 0, 1e-9) * 1.12
  // A share of the height, by hand: the first view shows nothing else that would need a library of
  // scales.
  const at = (value: number | undefined) =>
    value === undefined ? null : Math.min(1, Math.max(0, value) / top) * height
  return {
    water: at(asked?.likely),
    waterLow: at(asked?.low),
    waterHigh: at(asked?.high),
    wallLow: at(possible?.low),
    wallLikely: at(possible?.likely),
    wallHigh: at(possible?.high),
    top,
  }
}

/** A wavy water surface from x = 0 to width at a depth y from the top, closed down to the floor. */
export function waterPath(width: number, y: number, height: number, wave = 1.6): string {
  const half = width / 4
  const crest = (x: number, sign: number) =>
    `Q${(x + half / 2).toFixed(2)} ${(y + sign * wave).toFixed(2)} ` +
    `${(x + half).toFixed(2)} ${y.toFixed(2)}`
  return (
    'M0 ' +
    `${y.toFixed(2)}${crest(0, -1)}${crest(half, 1)}${crest(2 * half, -1)}${crest(3 * half, 1)}V${height}H0Z`
  )
}
