/** Where the values of a chart are drawn, px of its picture. */
export interface ChartBox {
  readonly left: number
  readonly right: number
  readonly top: number
  readonly bottom: number
}

/** A value that is marked on a scale. */
export interface Tick {
  /** px */
  readonly at: number
  readonly label: string
}

/** The box of a picture within its margins. */
export function chartBox(
  size: { readonly width: number; readonly height: number },
  margin: ChartBox,
): ChartBox {
  return {
    left: margin.left,
    right: size.width - margin.right,
    top: margin.top,
    bottom: size.height - margin.bottom,
  }
}

/** The ticks of a scale, each with its label. */
export function ticksOf(
  values: readonly number[],
  at: (value: number) => number,
  label: (value: number) => string = String,
): Tick[] {
  return values.map(value => ({ at: at(value), label: label(value) }))
}
