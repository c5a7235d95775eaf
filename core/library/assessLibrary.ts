import type { Catalogue } from '../catalogue/catalogue'
import type { DomainAssessment } from '../domainAssessment'
import { figure, noFigure, type Estimate, type Figure } from '../figure'
import type { Choices } from '../plan/choices'
import type { Holding, Library } from '../plan/library'
import { monthsPerYear } from '../units/time'
import { formatNumber as n } from '../units/formatNumber'
import { extrasShare, forecastLibrary, holdingSizes, longestForecastMonths, type Forecast, type HoldingSize } from './forecast'

export interface LibraryAssessment extends DomainAssessment {
  readonly forecast: Forecast
  readonly contentTB: Estimate
  readonly contentAtHorizonTB: Estimate
  /** nothing is kept and nothing will be */
  readonly empty: boolean
}

/** What the library holds, and holds at the horizon. */
export function assessLibrary(library: Library, { horizonYears, ruleOfThumbFactor }: Choices, catalogue: Catalogue): LibraryAssessment {
  const forecast = forecastLibrary(library, catalogue.qualities, longestForecastMonths)
  const horizonMonths = horizonYears * monthsPerYear
  const contentTB = forecast.months[0]!
  const contentAtHorizonTB = forecast.months[horizonMonths]!
  const sizes = holdingSizes(library, catalogue.qualities)
  const videoTB = sizes.reduce((sum, size) => sum + size.bitrateMbps.likely * size.todayTBPerMbps, 0)
  const videoGrowthTB = sizes.reduce((sum, size) => sum + size.bitrateMbps.likely * size.addedTBPerMbps, 0)
  const otherGrowthTB = library.otherGrowthGBPerMonth / 1000
  const growthTB = videoGrowthTB + otherGrowthTB
  const empty = contentAtHorizonTB.high === 0
  const ladder = 'Size of a title: Mb/s · minutes · 60 / 8 / 1000 GB; usual bitrates of the quality ladder unless a holding gives its own.'
  const holdingFigures = sizes.map((size, index) => holdingFigure(size, library.holdings[index]!, index, ladder))
  return {
    forecast,
    contentTB,
    contentAtHorizonTB,
    empty,
    figures: [
      ...holdingFigures,
      figure(contentTB, {
        id: 'library.contentTB', label: 'Content today', unit: 'TB', inputs: [...holdingFigures.map(entry => entry.id), 'library.holdings', 'library.otherTB'], source: ladder,
        formula: `video ${n(videoTB / (1 + extrasShare))} TB + 2 % for artwork, previews and index + everything else ${n(library.otherTB)} TB = ${n(contentTB.likely)} TB`,
      }),
      figure({ low: growthTB * library.growthLowFactor, likely: growthTB, high: growthTB * library.growthHighFactor }, {
        id: 'library.growthTBPerMonth', label: 'Growth this year', unit: 'TB/month',
        inputs: ['library.holdings', 'library.otherGrowthGBPerMonth', 'library.growthLowFactor', 'library.growthHighFactor'], source: ladder,
        formula: `new video ${n(videoGrowthTB)} TB + everything else ${n(otherGrowthTB)} TB = ${n(growthTB)} TB a month; slow × ${n(library.growthLowFactor)}, fast × ${n(library.growthHighFactor)}`,
      }),
      figure(contentAtHorizonTB, {
        id: 'library.contentAtHorizonTB', label: `Content in ${horizonYears} years`, unit: 'TB',
        inputs: ['library.contentTB', 'library.growthTBPerMonth', 'library.additionsChangePerYear', 'choices.horizonYears'],
        formula: `${n(contentTB.likely)} TB + ${horizonMonths} months of ${n(growthTB)} TB${library.additionsChangePerYear ? `, changing by ${n(library.additionsChangePerYear * 100)} % a year,` : ''} = ${n(contentAtHorizonTB.likely)} TB`,
        source: 'Month by month; each bitrate and the growth are swung to the ends of their band, and the swings added by the root of the sum of squares.',
      }),
      empty
        ? noFigure('Nothing is kept yet.', { id: 'library.ruleOfThumbTB', label: 'Rule of thumb', unit: 'TB', inputs: ['library.contentTB', 'choices.ruleOfThumbFactor'], formula: 'content today × factor' })
        : figure(contentTB.likely * ruleOfThumbFactor, {
            id: 'library.ruleOfThumbTB', label: 'Rule of thumb', unit: 'TB', inputs: ['library.contentTB', 'choices.ruleOfThumbFactor'],
            formula: `${n(contentTB.likely)} TB × ${n(ruleOfThumbFactor)} = ${n(contentTB.likely * ruleOfThumbFactor)} TB`,
            note: 'Usable space to buy by the factor; it is shown beside the forecast and decides nothing.',
          }),
    ],
    verdicts: [],
    findings: [],
  }
}

/** Size of one holding today. */
function holdingFigure(size: HoldingSize, holding: Holding, index: number, source: string): Figure {
  const tb = (mbps: number) => mbps * size.todayTBPerMbps
  const { low, likely, high } = size.bitrateMbps
  return figure({ low: tb(low), likely: tb(likely), high: tb(high) }, {
    id: `library.holdings.${index}.contentTB`, label: size.name, unit: 'TB', source,
    inputs: ['titles', 'minutes', 'bitrateMbps', 'quality'].map(field => `library.holdings.${index}.${field}`),
    formula: `${n(holding.titles, 7)} titles × ${n(likely)} Mb/s × ${n(holding.minutes)} min × 60 ÷ 8 ÷ 10⁶ × 1.02 = ${n(tb(likely), 3)} TB`,
    ...(size.usualBitrate ? { note: `The usual bitrate of this quality, ${n(low)} to ${n(high)} Mb/s; enter your own to narrow it.` } : {}),
  })
}
