import type { Catalogue } from '../catalogue/catalogue'
import type { DeviceClass } from '../catalogue/deviceClasses'
import { workTableOf } from '../catalogue/workTable'
import type { Plan } from './planSchema'

/**
 * The catalogue that a plan is assessed with: what ships, with the plan's own entries merged in. An entry of the plan goes
 * before a shipped one of the same id.
 */
export function effectiveCatalogue({ calibration, household }: Pick<Plan, 'calibration' | 'household'>, shipped: Catalogue): Catalogue {
  const { workTable } = calibration
  const own: DeviceClass[] = household.capabilitySets.map(set => ({ ...set, label: set.label || 'Own class', usualLink: 'wifiGood', price: null }))
  if (!workTable && own.length === 0) return shipped
  return {
    ...shipped,
    ...(workTable ? { workTable: workTableOf(workTable) } : {}),
    ...(own.length ? { deviceClasses: [...own, ...shipped.deviceClasses.filter(entry => !own.some(set => set.id === entry.id))] } : {}),
  }
}
