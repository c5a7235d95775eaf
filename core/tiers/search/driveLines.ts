import type { PoolOffer } from './poolOffers'

/** Drives of one model under one layout, few or many: the first that do beat those with more. */
export interface DriveLines {
  /** drives that hold and survive enough by themselves */
  readonly does: (offer: PoolOffer) => void
  /** in some machine they do not, because of what they share there */
  readonly fallsShort: (offer: PoolOffer) => void
  /** whether fewer of the same drives do: they cost less, and go wherever more of them go */
  readonly isBeaten: (offer: PoolOffer) => boolean
}

interface Line {
  /** the fewest that do */
  least: number
  isOpen: boolean
}

/**
 * What is known of drives within one search. With more drives of a kind a build costs no less, and
 * no rule of fit passes that fails with fewer. Where links that are shared make fewer of them fall
 * short, more are looked at all the same: a fuller pool is rebuilt for longer.
 */
export function createDriveLines(): DriveLines {
  const byKey = new Map<string, Line>()
  const byOffer = new Map<PoolOffer, Line>()
  function newLine(offer: PoolOffer): Line {
    const { choice, survives, isMixed } = offer
    const { model = '', sizeTB, layout, fileSystem, keepsOwned = false, takesOut = [] } = choice
    const out = takesOut.join('-')
    const key = [model || sizeTB, layout, fileSystem, keepsOwned, out, survives, isMixed].join(' ')
    const line = byKey.get(key) ?? { least: Infinity, isOpen: false }
    byKey.set(key, line)
    byOffer.set(offer, line)
    return line
  }
  const lineOf = (offer: PoolOffer) => byOffer.get(offer) ?? newLine(offer)
  return {
    does(offer) {
      const line = lineOf(offer)
      line.least = Math.min(line.least, offer.choice.count)
    },
    fallsShort(offer) {
      lineOf(offer).isOpen = true
    },
    isBeaten(offer) {
      const { least, isOpen } = lineOf(offer)
      return least < offer.choice.count && !isOpen
    },
  }
}
