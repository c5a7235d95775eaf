import type { Drives } from '../plan/drives'

/**
 * What a plan says of its drives' wear and mounting, once they are bought new and put into another
 * case.
 */
export function newDrives({
  ageYears,
}: Drives): Pick<
  Drives,
  'hotSpares' | 'failuresPerYear' | 'shingled' | 'above45C' | 'unmounted' | 'ageYears' | 'purchases'
> {
  return {
    hotSpares: 0,
    purchases: [],
    failuresPerYear: null,
    shingled: false,
    above45C: false,
    unmounted: false,
    ageYears: ageYears === null ? null : 0,
  }
}
