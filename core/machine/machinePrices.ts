import type { Machine } from '../plan/machine'
import type { MachineBuild } from './machineBuild'
import { partLabel } from './knownParts'

/** One line of what a machine costs. */
export interface PriceLine {
  readonly label: string
  /** to pay now; null where no price is known */
  readonly toPay: number | null
  /** no price is entered, so the catalogue's stands in */
  readonly isUsual: boolean
  /** path of the field that sets it */
  readonly path: string
}

/** What the base and each of the parts cost now; what is owned costs nothing. */
export function machinePrices(machine: Machine, build: MachineBuild): PriceLine[] {
  const owned = machine.condition === 'owned'
  const baseLine: PriceLine | null = build.isFromParts
    ? null
    : {
        label: machine.name || build.base?.label || 'Machine',
        path: 'machine.price',
        isUsual: !owned && machine.price === null && build.base !== null,
        toPay: owned ? 0 : (machine.price ?? build.base?.price ?? null),
      }
  const partLines = machine.parts.map(({ ref, count, condition, price }, index): PriceLine => {
    const known = [...build.parts, ...build.shelved].find(part => part.index === index)
    const label = known ? partLabel(known) : ref
    const each = condition === 'owned' ? 0 : (price ?? known?.entry.price ?? null)
    return {
      label,
      path: `machine.parts.${index}.price`,
      isUsual: condition !== 'owned' && price === null,
      toPay: each === null ? null : each * count,
    }
  })
  return [...(baseLine ? [baseLine] : []), ...partLines]
}
