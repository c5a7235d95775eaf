import type { Catalogue } from '../catalogue/catalogue'
import { exactly } from '../figure'
import { planCatalogue } from '../plan/planCatalogue'
import type { Plan } from '../plan/planSchema'
import { correctionOf, type Correction } from './correction'
import { heldAgainst, trialsOf, type Trials } from './heldTrials'

/** What measurements make of the rate of a model of drive, MB/s at its outer tracks. */
export function driveRateCorrection(
  { id, outerMBps }: { readonly id: string; readonly outerMBps: number },
  calibration: Trials,
): Correction | null {
  return correctionOf(
    'driveMBps',
    exactly(outerMBps),
    trialsOf(calibration, 'driveMBps', { of: id }).flatMap(trial => heldAgainst(trial, outerMBps)),
  )
}

/** Models at the rates that were measured of them; what is quick is so in every machine. */
function measuredModels(
  models: Catalogue['driveModels'],
  calibration: Trials,
): Catalogue['driveModels'] {
  const measured = new Set(
    calibration.trials.flatMap(({ figure, of }) => (figure === 'driveMBps' ? [of] : [])),
  )
  return models.map(model => {
    const correction = measured.has(model.id) ? driveRateCorrection(model, calibration) : null
    return correction ? { ...model, outerMBps: correction.corrected.likely } : model
  })
}

/**
 * The catalogue that a plan is assessed with: what ships, the plan's own entries, and of drives
 * what was measured.
 */
export function effectiveCatalogue(
  plan: Pick<Plan, 'calibration' | 'household' | 'machine' | 'system'>,
  shipped: Catalogue,
): Catalogue {
  const catalogue = planCatalogue(plan, shipped)
  const { trials } = plan.calibration
  return trials.some(({ figure }) => figure === 'driveMBps')
    ? { ...catalogue, driveModels: measuredModels(catalogue.driveModels, plan.calibration) }
    : catalogue
}
