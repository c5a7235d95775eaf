import { bisector } from 'd3-array'
import { onceByKey } from '../../onceByKey'
import { arrangeDrives } from '../arrangeDrives'
import { isRefusal, type LayoutDrive } from '../layouts/layout'
import type { GrowthQuestion } from './growthQuestion'
import { priceIn } from './purchases'

/** Usable space that gives a room, TB, by halving; nothing where no space gives it. */
function usableFor(roomTB: number, roomOf: (usableTB: number) => number): number {
  let [low, high] = [0, 1]
  while (roomOf(high) < roomTB) {
    high *= 2
    if (high > 1e9) return Infinity
  }
  for (let round = 0; round < 60; round++) {
    const middle = (low + high) / 2
    if (roomOf(middle) < roomTB) low = middle
    else high = middle
  }
  return low
}

/**
 * The most of their space that so many equal drives of a layout give, as a share: unlike drives
 * never give more of theirs.
 */
function bestShare({ layout, bays, drives: { length } }: GrowthQuestion): number {
  let best = 0
  for (let count = 1; count <= Math.max(bays, length, layout.minimumDrives); count++) {
    const drives = Array.from({ length: count }, (): LayoutDrive => ({ sizeTB: 1, role: 'any' }))
    const arrangement = arrangeDrives(layout, drives, 0)
    if (!isRefusal(arrangement)) best = Math.max(best, arrangement.usableTB / count)
  }
  return best
}

/** Of each group all but its largest drives, as many as may fail: no layout gives more. */
function withoutLargest({ layout }: GrowthQuestion, drives: readonly LayoutDrive[]): number {
  const groups = new Map<number, number[]>()
  for (const { sizeTB, group = 1 } of drives) {
    const sizes = groups.get(group)
    if (sizes) sizes.push(sizeTB)
    else groups.set(group, [sizeTB])
  }
  let sum = 0
  for (const sizes of groups.values()) {
    sizes.sort((a, b) => a - b)
    const counting = sizes.length - layout.survives(sizes.length)
    for (let at = 0; at < counting; at++) sum += sizes[at]!
  }
  return sum
}

/** Space that a place for a drive can still give, TB, at a price of a terabyte. */
interface Gain {
  readonly spaceTB: number
  readonly perTB: number
}

/**
 * What a place gives, cheapest first, when its drive (0 for a free one) is replaced by a larger one
 * at these prices: the lower hull of price over space.
 */
function gainsOf(
  sizeTB: number,
  offers: readonly { readonly sizeTB: number; readonly price: number }[],
): Gain[] {
  const gains: Gain[] = []
  let [at, paid] = [sizeTB, 0]
  for (;;) {
    let next: { readonly sizeTB: number; readonly price: number; readonly perTB: number } | null =
      null
    for (const offer of offers) {
      if (offer.sizeTB <= at) continue
      const perTB = Math.max(0, offer.price - paid) / (offer.sizeTB - at)
      if (!next || perTB < next.perTB || (perTB === next.perTB && offer.sizeTB > next.sizeTB))
        next = { ...offer, perTB }
    }
    if (!next) return gains
    gains.push({ spaceTB: next.sizeTB - at, perTB: next.perTB })
    ;[at, paid] = [next.sizeTB, Math.max(paid, next.price)]
  }
}

/**
 * A price that what is still to be bought cannot stay below. Each place is replaced once at most,
 * by the size that gives most for the money; the space that is lacking is bought as late as can be,
 * and what is dear as late as that.
 * @returns of drives the bound, in the plan's currency; Infinity where no drives are enough
 */
export function costBound(question: GrowthQuestion): (drives: readonly LayoutDrive[]) => number {
  const { contentTB, offers, roomOf, bays, fallPerYear, replacedWorth } = question
  const lastFactor = priceIn(1, contentTB.length - 1, fallPerYear)
  const space = neededSpace(
    contentTB.map(content => usableFor(content, roomOf)),
    fallPerYear,
  )
  const share = bestShare(question)
  const less = offers.map(({ sizeTB, price }) => ({
    sizeTB,
    price: Math.max(0, price - replacedWorth / lastFactor),
  }))
  const known = onceByKey<Gain[]>()
  const gainsFrom = (sizeTB: number) =>
    known.get(String(sizeTB), () => gainsOf(sizeTB, sizeTB === 0 ? offers : less))

  function lacking(thereTB: number, gains: readonly Gain[], each: number): number {
    let [at, cost] = [thereTB, 0]
    for (const { spaceTB, perTB } of gains) {
      if (at >= space.most) return cost
      const to = Math.min(space.most, at + spaceTB * each)
      cost += (space.between(at, to) * perTB) / each
      at = to
    }
    return at >= space.most - 1e-9 ? cost : Infinity
  }
  return drives => {
    const gains = drives.flatMap(({ sizeTB }) => gainsFrom(sizeTB))
    for (let free = bays - drives.length; free > 0; free--) gains.push(...gainsFrom(0))
    gains.sort((a, b) => a.perTB - b.perTB)
    const rawTB = drives.reduce((sum, { sizeTB }) => sum + sizeTB, 0)
    return Math.max(
      lacking(withoutLargest(question, drives), gains, 1),
      lacking(share * rawTB, gains, share),
    )
  }
}

/** Space that is needed, month by month, by what a terabyte costs when it first is. */
function neededSpace(need: readonly number[], fallPerYear: number) {
  const steps: { readonly to: number; readonly factor: number; readonly sum: number }[] = []
  let [covered, sum] = [0, 0]
  for (const [month, level] of need.entries()) {
    if (level <= covered) continue
    const factor = priceIn(1, month, fallPerYear)
    sum += (level - covered) * factor
    covered = level
    steps.push({ to: level, factor, sum })
  }
  const upTo = (level: number) => {
    const at = bisector((step: { readonly to: number }) => step.to).left(steps, level)
    const step = steps[Math.min(at, steps.length - 1)]
    return step ? step.sum - (step.to - level) * step.factor : 0
  }
  return { most: covered, between: (from: number, to: number) => upTo(to) - upTo(from) }
}
