import type { HoldingKindId } from '../catalogue/holdingKinds'
import type { Estimate } from '../figure'
import type { Library } from '../plan/library'
import { monthsBetween, monthsPerYear } from '../units/time'
import { forecastLibrary, longestForecastMonths, type Forecast } from './forecast'
import { growthPerMonth, type Growth } from './growth'
import { holdingSizes, isIrreplaceable, type HoldingSize, type Qualities } from './holdingSizes'

export interface LibrarySlice extends Qualities {
  readonly library: Library
  readonly horizonYears: number
  readonly ruleOfThumbFactor: number
}

/** How holdings stand to the copies, by whether their loss could be made good. */
export interface CopyMarks {
  /** one at least is in no copy */
  readonly irreplaceableNowhere: boolean
  readonly replaceableNowhere: boolean
  /** all of them are in every copy */
  readonly replaceableEverywhere: boolean
}

/** What the library holds, and holds at the horizon. */
export interface LibraryFacts {
  readonly sizes: readonly HoldingSize[]
  readonly forecast: Forecast
  readonly contentTB: Estimate
  readonly contentAtHorizonTB: Estimate
  readonly growth: Growth
  /** nothing is kept and nothing will be */
  readonly empty: boolean
  /** indices of the holdings whose loss could not be made good, and what they hold today */
  readonly irreplaceable: readonly number[]
  readonly irreplaceableTB: number
  /** everything that is kept may be lost */
  readonly allMayBeLost: boolean
  /** what holdings say of being copied, over what the copies are set to hold */
  readonly copyMarks: CopyMarks
  /** the kind that grows most to the horizon; null while nothing does */
  readonly driver: { readonly kind: HoldingKindId | 'other'; readonly addedTB: number } | null
  /** indices of holdings whose quality the catalogue does not know */
  readonly unknownQualities: readonly number[]
  /** indices of dated events that lie before the forecast */
  readonly pastEvents: readonly number[]
}

/** What the library holds, month by month, with its band. */
export function libraryFacts({
  library,
  horizonYears,
  qualities,
  otherQualities,
}: LibrarySlice): LibraryFacts {
  const lists = { qualities, otherQualities }
  const sizes = holdingSizes(library, lists)
  const forecast = forecastLibrary(library, sizes, longestForecastMonths)
  const horizonMonths = horizonYears * monthsPerYear
  const contentAtHorizonTB = forecast.months[horizonMonths]!
  const irreplaceable = library.holdings.flatMap((holding, index) =>
    isIrreplaceable(holding) ? [index] : [],
  )
  const driver = [...forecast.kinds]
    .map(([kind, months]) => ({ kind, addedTB: months[horizonMonths]! - months[0]! }))
    .sort((a, b) => b.addedTB - a.addedTB)[0]
  const known = new Set([...qualities, ...otherQualities].map(quality => quality.id))
  return {
    sizes,
    forecast,
    contentAtHorizonTB,
    irreplaceable,
    copyMarks: copyMarksOf(library, irreplaceable),
    allMayBeLost:
      library.otherTB === 0 &&
      library.holdings.length > 0 &&
      library.holdings.every(({ mayBeLost }) => mayBeLost),
    contentTB: forecast.months[0]!,
    growth: growthPerMonth(library, sizes),
    empty: forecast.months.slice(0, horizonMonths + 1).every(({ high }) => high === 0),
    irreplaceableTB: sizes.reduce(
      (sum, size) =>
        irreplaceable.includes(size.index) ? sum + size.amount.likely * size.todayTB : sum,
      0,
    ),
    driver: driver && driver.addedTB > 0 ? driver : null,
    unknownQualities: library.holdings.flatMap(({ quality }, index) =>
      quality === 'given' || known.has(quality) ? [] : [index],
    ),
    pastEvents: library.events.flatMap((event, index) =>
      monthsBetween(library.startsOn, event.month) < 0 ? [index] : [],
    ),
  }
}

function copyMarksOf({ holdings, otherTB }: Library, irreplaceable: readonly number[]): CopyMarks {
  const marks = (isIrreplaceableOne: boolean) =>
    holdings.flatMap(({ copies, mayBeLost }, index) =>
      !mayBeLost && irreplaceable.includes(index) === isIrreplaceableOne ? [copies] : [],
    )
  const [own, other] = [marks(true), marks(false)]
  return {
    irreplaceableNowhere: own.includes('nowhere'),
    replaceableNowhere: other.includes('nowhere'),
    // Whatever else is kept has no mark of its own.
    replaceableEverywhere:
      otherTB === 0 && other.length > 0 && other.every(copies => copies === 'everywhere'),
  }
}
