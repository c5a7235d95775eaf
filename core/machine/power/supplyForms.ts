import type { SupplyForm } from '../../catalogue/hardware/hardwarePart'

/**
 * Whether a supply of a form goes into a case that takes another: a small one comes with the frame
 * that makes it fit into a large place.
 */
export function supplyGoesIn(form: SupplyForm, wanted: SupplyForm): boolean {
  return form === wanted || (form === 'SFX' && wanted === 'ATX')
}
