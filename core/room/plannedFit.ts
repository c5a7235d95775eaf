import type { DriveLoads } from '../drives/driveLoads'
import { formsOf } from '../machine/assembly/driveForms'
import { driveBays } from '../machine/assembly/driveBays'
import { fitContext } from '../machine/fit/assembleContext'
import { judgeFit, type JudgedFacts } from '../machine/fit/fitFacts'
import { fitRules } from '../machine/fit/fitRules'
import type { FitSlice } from '../machine/fit/fitSlice'
import { sameValue } from '../sameValue'

/** Rules that say whether drives have a place, a port and power. */
const rulesOfDrives = fitRules.filter(
  ({ stops, boughtAlong, group }) =>
    !boughtAlong && (stops || group === 'places' || group === 'power'),
)

/** What fails on a machine with such drives in it, rule by rule. */
export function failingWith(slice: FitSlice, loads: DriveLoads): JudgedFacts[] {
  const context = fitContext({
    ...slice,
    freeBays: driveBays(slice.build, formsOf(loads)).free,
    drives: {
      ...slice.drives,
      ...loads,
      count: loads.count - loads.inOwnCase,
      idleW: loads.idleW.likely,
      activeW: loads.activeW.likely,
      asleepW: loads.asleepW.likely,
    },
  })
  return judgeFit(context, rulesOfDrives).flatMap(({ rule, judgement }) =>
    judgement.state === 'fail' ? [{ id: rule.id, ...judgement }] : [],
  )
}

/** The first rule that fails because of drives that come in: it did not, or not as much, before. */
export function newlyFailing(
  before: readonly JudgedFacts[],
  after: readonly JudgedFacts[],
): JudgedFacts | null {
  return (
    after.find(
      ({ id, values }) => !before.some(known => known.id === id && sameValue(known.values, values)),
    ) ?? null
  )
}
