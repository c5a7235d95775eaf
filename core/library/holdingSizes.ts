import type { Catalogue } from '../catalogue/catalogue'
import { holdingKind, type HoldingKindId } from '../catalogue/holdingKinds'
import { exactly, type Estimate } from '../figure'
import type { Holding, Library } from '../plan/library'
import { recordingGB } from '../units/dataSize'
import { smallCopyMbps } from './smallCopies'

/** Artwork, previews and index beside the video, as a share of it. */
export const extrasShare = 0.02

/**
 * A holding as an amount and how much it counts: Mb/s times the TB that one Mb/s makes, MB times
 * the TB of one MB each,
 * or simply TB. So a different amount is a multiplication.
 */
export interface HoldingSize {
  /** index in the plan's holdings */
  readonly index: number
  readonly name: string
  readonly kind: HoldingKindId
  readonly sized: 'video' | 'sound' | 'each' | 'given' | 'copy' | 'direct'
  readonly amount: Estimate
  /**
   * sizes with the same key take the same amount, and so swing together; null where the amount is
   * the holding's own
   */
  readonly usualOf: string | null
  /** TB that one unit of the amount makes of all of it today */
  readonly todayTB: number
  /** the same of what is added, and of what is deleted, in one month */
  readonly addedTB: number
  readonly removedTB: number
  readonly changePerYear: number
  readonly growthPerYear: number
}

/** The lists that sizes follow from. */
export type Qualities = Pick<Catalogue, 'qualities' | 'otherQualities'>

/**
 * What one title makes of one unit of its amount, TB; null where the quality is none of the
 * catalogue's.
 */
function perTitle(
  holding: Holding,
  { qualities, otherQualities }: Qualities,
): { amount: Estimate; usualOf: string | null; tb: number; sized: HoldingSize['sized'] } | null {
  const own = holding.bitrateMbps
  const video = qualities.find(quality => quality.id === holding.quality)
  const recordedTB = recordingGB(1, holding.minutes) / 1000
  if (video)
    return {
      amount: own === null ? video.bitrateMbps : exactly(own),
      usualOf: own === null ? video.id : null,
      tb: recordedTB * (1 + extrasShare),
      sized: 'video',
    }
  const other = otherQualities.find(quality => quality.id === holding.quality)
  if (!other) return null
  return other.sized === 'sound'
    ? {
        amount: own === null ? other.amount : exactly(own),
        usualOf: own === null ? other.id : null,
        tb: recordedTB,
        sized: 'sound',
      }
    : { amount: other.amount, usualOf: other.id, tb: 1e-6, sized: 'each' }
}

function sizesOf(
  { holdings, additionsChangePerYear }: Library,
  index: number,
  qualities: Qualities,
): HoldingSize[] {
  const holding = holdings[index]!
  const common = {
    index,
    name: holding.name || holdingKind(holding.kind).label,
    kind: holding.kind,
    changePerYear: holding.changePerYear ?? additionsChangePerYear,
    growthPerYear: holding.growthPerYear,
  }
  const titled = perTitle(holding, qualities)
  if (holding.sizeGB !== null || !titled) {
    // A size given whole: titles that come or go count with their mean share of it.
    const sizeTB = (holding.sizeGB ?? 0) / 1000
    const eachTB = holding.titles > 0 ? sizeTB / holding.titles : 0
    return [
      {
        ...common,
        sized: 'given',
        amount: exactly(1),
        usualOf: null,
        todayTB: sizeTB,
        addedTB: holding.addedPerMonth * eachTB + holding.addedGBPerMonth / 1000,
        removedTB: holding.removedPerMonth * eachTB,
      },
    ]
  }
  const { amount, usualOf, tb, sized } = titled
  const main: HoldingSize = {
    ...common,
    sized,
    amount,
    usualOf,
    todayTB: holding.titles * tb,
    addedTB: holding.addedPerMonth * tb,
    removedTB: holding.removedPerMonth * tb,
  }
  // Gigabytes that are entered as such are known as they are, whatever the bitrate of the titles.
  const direct: HoldingSize = {
    ...common,
    sized: 'direct',
    amount: exactly(1),
    usualOf: null,
    todayTB: 0,
    addedTB: holding.addedGBPerMonth / 1000,
    removedTB: 0,
  }
  return [main, ...copyOf(holding, main), ...(holding.addedGBPerMonth > 0 ? [direct] : [])]
}

/** The small second copies of a holding's titles, where it keeps them. */
function copyOf(holding: Holding, size: HoldingSize): HoldingSize[] {
  const mbps = smallCopyMbps(holding.smallCopies)
  if (mbps === 0 || size.sized === 'sound' || size.sized === 'each') return []
  const tb = recordingGB(1, holding.minutes) / 1000
  return [
    {
      ...size,
      name: `${size.name}, second copies`,
      sized: 'copy',
      amount: exactly(mbps),
      usualOf: null,
      todayTB: holding.titles * tb,
      addedTB: holding.addedPerMonth * tb,
      removedTB: holding.removedPerMonth * tb,
    },
  ]
}

/**
 * The library's holdings as sizes; second copies, and gigabytes that come in as such, stand for
 * themselves.
 */
export function holdingSizes(
  library: Library,
  { qualities, otherQualities }: Qualities,
): HoldingSize[] {
  const { holdings, additionsChangePerYear } = library
  return holdings.flatMap((holding, index) => {
    const asked = [index, additionsChangePerYear, qualities, otherQualities]
    const known = knownSizes.get(holding)
    if (known && asked.every((value, at) => value === known.asked[at])) return known.sizes
    const sizes = sizesOf(library, index, { qualities, otherQualities })
    knownSizes.set(holding, { asked, sizes })
    return sizes
  })
}

/** By holding, with what they were worked out for: an edit changes one of them. */
const knownSizes = new WeakMap<
  Holding,
  { readonly asked: readonly unknown[]; readonly sizes: readonly HoldingSize[] }
>()

/** Whether the loss of a holding could not be made good. */
export function isIrreplaceable({
  loss,
  kind,
  mayBeLost,
}: Pick<Holding, 'loss' | 'kind' | 'mayBeLost'>): boolean {
  if (mayBeLost) return false
  return loss === 'byKind' ? !holdingKind(kind).replaceable : loss === 'irreplaceable'
}
