import { counted } from '../units/counted'
import type { Format } from '../units/format'
import type { LayoutRefusal } from './layouts/layout'
import { layouts } from './layouts/layouts'

/** Name of a layout; its id where the catalogue has none of it. */
export function layoutLabel(layoutId: string): string {
  return layouts.find(layout => layout.id === layoutId)?.label ?? layoutId
}

/** Why drives cannot make a layout, in a sentence. */
export function refusalText(
  refusal: LayoutRefusal,
  layoutId: string,
  format: Pick<Format, 'number'>,
): string {
  return `${refusal.group === undefined ? '' : `Group ${refusal.group}: `}${reasonText(refusal, layoutId, format)}`
}

function reasonText(
  refusal: LayoutRefusal,
  layoutId: string,
  { number: n }: Pick<Format, 'number'>,
): string {
  switch (refusal.refused) {
    case 'UNKNOWN_LAYOUT':
      return `There is no layout "${refusal.layout}".`
    case 'TOO_FEW_DRIVES':
      return (
        `${layoutLabel(layoutId)} takes at least ${counted(refusal.takes, 'drive')}; there ` +
        `${refusal.have === 1 ? 'is' : 'are'} ${drivesText(refusal)}.`
      )
    case 'TOO_MANY_DRIVES':
      return (
        `${layoutLabel(layoutId)} takes exactly ${counted(refusal.takes, 'drive')}; there are ` +
        `${drivesText(refusal)}.`
      )
    case 'PARITY_MARKED':
      return `${refusal.marked} drives are marked for parity; this layout takes ${refusal.takes}.`
    case 'PARITY_NOT_LEFT':
      return `Too many drives are marked for data: ${refusal.takes} must be left for parity.`
    case 'PARITY_TOO_SMALL':
      return (
        `The parity drive of ${n(refusal.parityTB)} TB is smaller than the data drive of ` +
        `${n(refusal.dataTB)} TB; parity must be at least as large as every data drive.`
      )
  }
}

function drivesText({
  have,
  besideSpares,
}: {
  readonly have: number
  readonly besideSpares: boolean
}): string {
  return `${have} ${have === 1 ? 'drive' : 'drives'}${besideSpares ? ' beside the hot spares' : ''}`
}
