import { scaleBand, scaleLinear } from 'd3-scale'
import type { WaterfallStep } from '~~/core/drives/waterfall'

export interface WaterfallBar {
  readonly step: WaterfallStep
  readonly x: number
  readonly width: number
  readonly y: number
  readonly height: number
  /** where the line to the next bar starts */
  readonly level: number
}

/** Floating bars from raw to room; losses of nothing are left out. */
export function waterfallLayout(
  steps: readonly WaterfallStep[],
  width: number,
  height: number,
  margin: { left: number; right: number; top: number; bottom: number },
): WaterfallBar[] {
  const shown = steps.filter(step => step.kind === 'total' || step.sizeTB > 1e-9)
  const x = scaleBand<string>()
    .domain(shown.map(step => step.id))
    .range([margin.left, width - margin.right])
    .paddingInner(0.28)
  const y = scaleLinear()
    .domain([0, Math.max(shown[0]?.sizeTB ?? 0, 1e-9)])
    .range([height - margin.bottom, margin.top])
  let levelTB = 0
  return shown.map(step => {
    const topTB = step.kind === 'total' ? step.sizeTB : levelTB
    const bottomTB = step.kind === 'total' ? 0 : levelTB - step.sizeTB
    levelTB = step.kind === 'total' ? step.sizeTB : bottomTB
    return {
      step,
      x: x(step.id) ?? 0,
      width: x.bandwidth(),
      y: y(topTB),
      height: Math.max(0, y(bottomTB) - y(topTB)),
      level: y(levelTB),
    }
  })
}
