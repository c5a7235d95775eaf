import type { LayoutDrive } from '../layouts/layout'

/** Drives bought in some month, and what they replace. */
export interface Purchase {
  /** from today on, whole; the drives count from this month on */
  readonly month: number
  readonly count: number
  readonly sizeTB: number
  readonly how: 'added' | 'newGroup' | 'smallest' | 'allSmaller'
}

/**
 * The drives after a purchase. What replaces the smallest replaces as many as are bought; new
 * drives join the group of the last
 * drive, or of what they replace, or are a group of their own.
 * @example drivesAfter([8, 8, 4], one of 12 TB in the place of the smallest) // 8, 8, 12
 */
export function drivesAfter(
  drives: readonly LayoutDrive[],
  { count, sizeTB, how }: Omit<Purchase, 'month'>,
): { readonly drives: LayoutDrive[]; readonly replaced: LayoutDrive[] } {
  const bySize = drives
    .map((_, place) => place)
    .sort((a, b) => drives[a]!.sizeTB - drives[b]!.sizeTB)
  const gone =
    how === 'added' || how === 'newGroup'
      ? []
      : how === 'smallest'
        ? bySize.slice(0, count)
        : bySize.filter(place => drives[place]!.sizeTB < sizeTB)
  const group =
    how === 'newGroup'
      ? 1 + Math.max(0, ...drives.map(drive => drive.group ?? 1))
      : drives.at(-1)?.group
  const bought = Array.from({ length: count }, (_, at): LayoutDrive => {
    const old = drives[gone[at] ?? -1]
    const joins = old ? old.group : group
    return { sizeTB, role: 'any', ...(joins === undefined ? {} : { group: joins }) }
  })
  // What is put in the place of a drive stands where that one stood.
  const after = drives.flatMap((drive, place) => {
    const at = gone.indexOf(place)
    return at < 0 ? [drive] : bought[at] ? [bought[at]] : []
  })
  return {
    drives: [...after, ...bought.slice(gone.length)],
    replaced: gone.map(place => drives[place]!),
  }
}

/**
 * Price of a drive some months from now: p₀ · (1 − r)^(month ÷ 12).
 * @param fallPerYear share by which prices fall in a year; negative where they rise
 * @example priceIn(200, 24, 0.05) // 180.5
 */
export function priceIn(price: number, month: number, fallPerYear: number): number {
  return price * (1 - fallPerYear) ** (month / 12)
}

/**
 * Price of a purchase, less what the drives that it replaces bring: each at most what a new one
 * costs then.
 * @param each what one of its drives costs today
 * @param replaced how many it replaces
 */
export function priceOfPurchase(
  { fallPerYear, replacedWorth }: { readonly fallPerYear: number; readonly replacedWorth: number },
  {
    purchase: { count, month },
    each,
    replaced,
  }: { readonly purchase: Purchase; readonly each: number; readonly replaced: number },
): number {
  const price = priceIn(each, month, fallPerYear)
  return count * price - replaced * Math.min(replacedWorth, price)
}
