import { holdingKind, type HoldingKindId } from '../catalogue/holdingKinds'
import type { Catalogue } from '../catalogue/catalogue'
import { librarySchema, type Holding, type Library } from '../plan/library'
import { sameValue } from '../sameValue'
import { monthsPerYear } from '../units/time'
import { isIrreplaceable } from './holdingSizes'
import { qualitiesOfKind } from './qualitiesOfKind'

/** The kinds that are asked for at the start, by rough count. */
export const keptKinds = [
  'film',
  'series',
  'homeVideo',
  'photos',
  'music',
] as const satisfies readonly HoldingKindId[]
export type KeptKind = (typeof keptKinds)[number]

/** The quality that a rough count stands for, where the catalogue has it. */
const usualQuality: Readonly<Record<KeptKind, string>> = {
  film: 'hd1080-h264',
  series: 'hd1080-h264',
  homeVideo: 'hd1080-h264',
  photos: 'photo',
  music: 'music-lossless',
}

const counted = (kind: HoldingKindId) => (holding: Holding) =>
  holding.kind === kind && holding.quality !== 'given'

/** How many of a kind the library holds by count. */
export function keptCount({ holdings }: Library, kind: KeptKind): number {
  return holdings.filter(counted(kind)).reduce((sum, holding) => sum + holding.titles, 0)
}

/**
 * The library with so many of a kind: its first holding of that kind takes the difference, and goes
 * when nothing is left of
 * it; a new one begins with the usual quality of its kind and the growth of the others.
 */
export function withKept(
  library: Library,
  { kind, count }: { readonly kind: KeptKind; readonly count: number },
  catalogue: Pick<Catalogue, 'qualities' | 'otherQualities'>,
): Library {
  const growth = growthShare(library)
  const at = library.holdings.findIndex(counted(kind))
  if (at < 0) {
    if (count <= 0) return library
    const all = qualitiesOfKind(kind, catalogue)
    const quality = (all.find(({ id }) => id === usualQuality[kind]) ?? all[0]!).id
    return librarySchema.parse({
      ...library,
      holdings: [
        ...library.holdings,
        {
          kind,
          quality,
          titles: count,
          addedPerMonth: growth === null ? 0 : perMonth(count, growth),
        },
      ],
    })
  }
  const holding = library.holdings[at]!
  const titles = Math.max(0, holding.titles + count - keptCount(library, kind))
  const alone = library.holdings.filter(counted(kind)).length === 1
  if (titles === 0 && (count <= 0 || !alone))
    return { ...library, holdings: library.holdings.filter((_, index) => index !== at) }
  return {
    ...library,
    holdings: library.holdings.with(at, {
      ...holding,
      titles,
      addedPerMonth: growth === null ? holding.addedPerMonth : perMonth(titles, growth),
    }),
  }
}

/** Whether what is kept of a kind cannot be replaced; while nothing is, as usual for the kind. */
export function isLocked({ holdings }: Library, kind: KeptKind): boolean {
  const own = holdings.filter(counted(kind))
  return own.length > 0 ? own.some(isIrreplaceable) : !holdingKind(kind).replaceable
}

/** The library with all of a kind such that it can be replaced, or cannot. */
export function withLock(
  library: Library,
  { kind, locked }: { readonly kind: KeptKind; readonly locked: boolean },
): Library {
  const isUsual = locked !== holdingKind(kind).replaceable
  const loss = isUsual ? 'byKind' : locked ? 'irreplaceable' : 'replaceable'
  return {
    ...library,
    holdings: library.holdings.map(holding =>
      counted(kind)(holding)
        ? { ...holding, loss, mayBeLost: holding.mayBeLost && !locked }
        : holding,
    ),
  }
}

/** Titles a month, in hundredths, that make so much of a number a year. */
const perMonth = (titles: number, sharePerYear: number) =>
  Math.round(((titles * sharePerYear) / monthsPerYear) * 100) / 100
const gigabytes = (terabytes: number) => terabytes * 1000

/** What may be answered: of what is there, so much comes in a year. */
export const growthChoices = [0, 0.05, 0.15, 0.4] as const

/** The answer by which everything grows; null where things grow otherwise, or nothing is kept. */
export function growthShare(library: Library): number | null {
  if (library.otherTB === 0 && library.holdings.every(({ titles }) => titles === 0)) return null
  return growthChoices.find(share => sameValue(withGrowth(library, share), library)) ?? null
}

/** The library with everything growing by this share a year. */
export function withGrowth(library: Library, sharePerYear: number): Library {
  return {
    ...library,
    holdings: library.holdings.map(holding =>
      holding.titles > 0
        ? { ...holding, addedPerMonth: perMonth(holding.titles, sharePerYear) }
        : holding,
    ),
    otherGrowthGBPerMonth:
      Math.round(((gigabytes(library.otherTB) * sharePerYear) / monthsPerYear) * 100) / 100,
  }
}
