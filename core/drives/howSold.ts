import { entryOf } from '../catalogue/catalogue'
import type { DriveModel } from '../catalogue/driveModels'
import type { DriveLot, Drives } from '../plan/drives'
import type { DriveCatalogue } from './driveTraits'

/**
 * How the drives of a lot are sold, were they bought: as their model is; those of no model as the
 * lot, or else as the class of the plan's drives.
 */
export function howSold(
  { model: id, condition }: Pick<DriveLot, 'model' | 'condition'>,
  { driveClass }: Pick<Drives, 'driveClass'>,
  { driveModels }: Pick<DriveCatalogue, 'driveModels'>,
): DriveModel['sold'] {
  const model = entryOf(driveModels, id)
  if (condition === 'refurbished') return 'refurbished'
  if (model) return model.sold
  if (driveClass === 'externalCase') return 'fromExternalCase'
  return driveClass === 'refurbished' ? 'refurbished' : 'new'
}
