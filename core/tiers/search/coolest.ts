import { cupboardRiseK, driveRiseK } from '../../machine/place/heat'
import { isInCupboard } from '../../machine/place/standsIn'
import type { Brief } from '../../plan/brief'
import type { State } from './searchState'

/**
 * The air at the drives at its best: that of a case that is chosen, once it is known whether a fan
 * is put in. Drives of a machine with bays fill those first, so that its own air counts.
 */
function bestAir({
  frame,
  step,
  chosen: { housing: put, hasFan },
}: State): keyof typeof driveRiseK {
  // Another case may still be chosen in place of the one that is there.
  const at = frame!.groups.findIndex(({ id }) => id === 'case')
  if (frame!.replaces && at >= step) return 'across'
  const air = put?.airflow ?? (frame!.bays > 0 ? frame!.air : null)
  const isSettled = frame!.groups.findIndex(({ id }) => id === 'fan') < step
  return air && isSettled && !hasFan ? air : 'across'
}

/** The coolest that drives can be, °C, on the warmest day, in anything that comes of a state. */
export function coolestC(
  state: State,
  brief: Pick<Brief, 'place' | 'cupboardM2' | 'cupboardVented' | 'roomHighC'>,
  {
    leastW,
    leastOfRise,
  }: { readonly leastW: (state: State) => number; readonly leastOfRise: number },
): number {
  const rise = isInCupboard(brief)
    ? cupboardRiseK(leastW(state), { panelM2: brief.cupboardM2, vented: brief.cupboardVented })
    : 0
  return brief.roomHighC + rise + leastOfRise * driveRiseK[bestAir(state)]
}
