import type { DrivesFacts } from '../../drives/drivesFacts'
import type { HeatFacts } from '../../machine/fit/fitContext'
import type { MachineFacts } from '../../machine/machineFacts'
import { wattCorrections } from '../../machine/machinePower'

/**
 * How far the plan's own machine may be better than its parts say, because it was measured: bounds
 * of a search stay below it.
 */
export interface MeasuredBounds {
  readonly leastOfWatts: number
  readonly leastOfRise: number
}

export function measuredBounds({
  machine,
  drives,
  fitting,
}: {
  readonly machine: MachineFacts
  readonly drives: DrivesFacts
  readonly fitting: { readonly context: { readonly heat: Pick<HeatFacts, 'rise'> } }
}): MeasuredBounds {
  const { resting, converting } = wattCorrections(machine.power, drives)
  const atMostOne = (factor: number | undefined) => Math.min(1, factor ?? 1)
  return {
    leastOfWatts: Math.min(atMostOne(resting?.factor.likely), atMostOne(converting?.factor.likely)),
    leastOfRise: atMostOne(fitting.context.heat.rise?.factor.likely),
  }
}
