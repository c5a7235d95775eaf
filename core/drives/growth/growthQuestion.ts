import type { Layout, LayoutDrive } from '../layouts/layout'
import type { DriveOffer } from './driveOffers'
import type { Purchase } from './purchases'

export interface GrowthQuestion {
  readonly layout: Layout
  /** the drives there are, as the layout sees them */
  readonly drives: readonly LayoutDrive[]
  readonly hotSpares: number
  /** room of a usable space, TB */
  readonly roomOf: (usableTB: number) => number
  /** library by month, TB, from today to the horizon */
  readonly contentTB: readonly number[]
  readonly offers: readonly DriveOffer[]
  /** what a drive of any size costs today */
  readonly priceOf: (sizeTB: number) => number
  readonly bays: number
  /** a parity group can take a further drive */
  readonly expandsParity: boolean
  /** share by which prices fall in a year */
  readonly fallPerYear: number
  /** what a replaced drive still brings */
  readonly replacedWorth: number
}

export interface PricedPurchase extends Purchase {
  /** of all its drives, less what the replaced ones bring */
  readonly price: number
}

/** What may be bought next, by the layout's rule and within the bays. */
export function possiblePurchases(
  { layout, hotSpares, bays, expandsParity, offers }: GrowthQuestion,
  drives: readonly LayoutDrive[],
): Omit<Purchase, 'month'>[] {
  const free = bays - drives.length
  const isMade = drives.length - hotSpares >= layout.minimumDrives
  const smallest = Math.min(...drives.map(drive => drive.sizeTB))
  return offers.flatMap(({ sizeTB }): Omit<Purchase, 'month'>[] => {
    const add = (count: number): Omit<Purchase, 'month'>[] =>
      count <= free ? [{ count, sizeTB, how: 'added' }] : []
    // So many drives as are not there yet come first, whatever the layout grows by then.
    if (!isMade) return add(1)
    const smaller = drives.filter(drive => drive.sizeTB < sizeTB).length
    const all: Omit<Purchase, 'month'>[] =
      smaller > 0 ? [{ count: smaller, sizeTB, how: 'allSmaller' }] : []
    const smallestOnes = (count: number): Omit<Purchase, 'month'>[] =>
      sizeTB > smallest && drives.length >= count ? [{ count, sizeTB, how: 'smallest' }] : []
    switch (layout.grows) {
      case 'added': {
        const each = layout.takesAtATime
        return free >= each ? add(each) : smallestOnes(each)
      }
      case 'parityGroup': {
        const groups = Array.from(
          // A larger one is a group that a drive is added to.
          {
            length: Math.max(
              0,
              Math.min(expandsParity ? 1 : free, free - layout.minimumDrives + 1),
            ),
          },
          (_, more): Omit<Purchase, 'month'> => ({
            count: layout.minimumDrives + more,
            sizeTB,
            how: 'newGroup',
          }),
        )
        return [...(expandsParity ? add(1) : []), ...groups, ...all]
      }
      case 'startOver':
        return [...add(1), ...all]
      case 'replaceAll':
        return all
    }
  })
}

/** What purchases cost together. */
export function priceSum(purchases: readonly PricedPurchase[]): number {
  return purchases.reduce((sum, { price }) => sum + price, 0)
}
