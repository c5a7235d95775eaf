import type { Catalogue } from '../catalogue/catalogue'
import { workTableOf } from '../catalogue/workTable'
import type { WorkTableFile } from '../catalogue/workTableFile'
import type { Plan } from '../plan/planSchema'
import { rememberLast } from '../rememberLast'

const withTable = rememberLast((file: WorkTableFile, catalogue: Catalogue): Catalogue => ({ ...catalogue, workTable: workTableOf(file) }))

/** The catalogue with the plan's own work table, where it has one; the same value for the same table. */
export function catalogueOf({ calibration }: Pick<Plan, 'calibration'>, catalogue: Catalogue): Catalogue {
  return calibration.workTable ? withTable(calibration.workTable, catalogue) : catalogue
}
