import type { Catalogue } from '../catalogue/catalogue'
import { holdingKind, type HoldingKindId } from '../catalogue/holdingKinds'
import type { DomainAssessment } from '../domainAssessment'
import { figure, noFigure, type Estimate, type Figure } from '../figure'
import type { Finding } from '../finding'
import type { Choices } from '../plan/choices'
import type { Library } from '../plan/library'
import { tebibytes } from '../units/dataSize'
import { monthsBetween, monthsPerYear } from '../units/time'
import { formatNumber as n } from '../units/formatNumber'
import { forecastLibrary, longestForecastMonths, type Forecast } from './forecast'
import { holdingSizes, isIrreplaceable, type HoldingSize } from './holdingSizes'

export interface LibraryAssessment extends DomainAssessment {
  readonly forecast: Forecast
  readonly contentTB: Estimate
  readonly contentAtHorizonTB: Estimate
  /** nothing is kept and nothing will be */
  readonly empty: boolean
}

const ladder = 'Size of a title: Mb/s · minutes · 60 / 8 / 1000 GB; usual sizes of the quality ladder unless a holding gives its own.'

/** Name of a kind, or of what is not listed. */
export function kindLabel(kind: HoldingKindId | 'other'): string {
  return kind === 'other' ? 'Not listed' : holdingKind(kind).label
}

/** What the library holds, and holds at the horizon. */
export function assessLibrary(library: Library, { horizonYears, ruleOfThumbFactor }: Choices, catalogue: Catalogue): LibraryAssessment {
  const forecast = forecastLibrary(library, catalogue.qualities, longestForecastMonths)
  const horizonMonths = horizonYears * monthsPerYear
  const contentTB = forecast.months[0]!
  const contentAtHorizonTB = forecast.months[horizonMonths]!
  const sizes = holdingSizes(library, catalogue.qualities)
  const growthOf = (pick: (size: HoldingSize) => number) => sizes.reduce((sum, size) => sum + size.amount.likely * pick(size), 0)
  const addedTB = growthOf(size => size.addedTB) + library.otherGrowthGBPerMonth / 1000
  const removedTB = growthOf(size => size.removedTB)
  const ownTB = growthOf(size => size.todayTB * ((1 + size.growthPerYear) ** (1 / monthsPerYear) - 1))
  const growthTB = addedTB + ownTB - removedTB
  const empty = contentAtHorizonTB.high === 0
  const holdingFigures = library.holdings.map((_, index) => holdingFigure(sizes.filter(size => size.index === index), library, index))
  const irreplaceable = sizes.filter(size => isIrreplaceable(library.holdings[size.index]!))
  const irreplaceableTB = irreplaceable.reduce((sum, size) => sum + size.amount.likely * size.todayTB, 0)
  const grown = [...forecast.kinds].map(([kind, months]) => ({ kind, addedTB: months[horizonMonths]! - months[0]! })).sort((a, b) => b.addedTB - a.addedTB)
  const driver = grown[0]
  return {
    forecast,
    contentTB,
    contentAtHorizonTB,
    empty,
    figures: [
      ...holdingFigures,
      figure(contentTB, {
        id: 'library.contentTB', label: 'Content today', unit: 'TB', inputs: [...holdingFigures.map(entry => entry.id), 'library.holdings', 'library.otherTB'], source: ladder,
        formula: `${[...forecast.kinds].filter(([, months]) => months[0]! > 0).map(([kind, months]) => `${kindLabel(kind).toLowerCase()} ${n(months[0]!, 3)}`).join(' + ') || '0'} = ${n(contentTB.likely)} TB (${n(tebibytes(contentTB.likely))} TiB)`,
      }),
      figure({ low: addedTB * library.growthLowFactor + ownTB - removedTB, likely: growthTB, high: addedTB * library.growthHighFactor + ownTB - removedTB }, {
        id: 'library.growthTBPerMonth', label: 'Growth this year', unit: 'TB/month',
        inputs: ['library.holdings', 'library.otherGrowthGBPerMonth', 'library.growthLowFactor', 'library.growthHighFactor'], source: ladder,
        formula: `added ${n(addedTB)}${ownTB ? ` + growing by itself ${n(ownTB)}` : ''}${removedTB ? ` − deleted ${n(removedTB)}` : ''} = ${n(growthTB)} TB a month; additions slow × ${n(library.growthLowFactor)}, fast × ${n(library.growthHighFactor)}`,
      }),
      figure(contentAtHorizonTB, {
        id: 'library.contentAtHorizonTB', label: `Content in ${horizonYears} years`, unit: 'TB',
        inputs: ['library.contentTB', 'library.growthTBPerMonth', 'library.additionsChangePerYear', 'library.events', 'library.startsOn', 'choices.horizonYears'],
        formula: `${n(contentTB.likely)} TB + ${horizonMonths} months of ${n(growthTB)} TB${library.additionsChangePerYear ? `, changing by ${n(library.additionsChangePerYear * 100)} % a year,` : ''}${library.events.length ? ` and ${library.events.length} dated events` : ''} = ${n(contentAtHorizonTB.likely)} TB (${n(tebibytes(contentAtHorizonTB.likely))} TiB)`,
        source: 'Month by month, each holding by itself, never below nothing; each usual size and the growth are swung to the ends of their band, and the swings added by the root of the sum of squares.',
        ...(driver && driver.addedTB > 0 ? { note: `${kindLabel(driver.kind)} drive the growth: ${n(driver.addedTB, 3)} of ${n(contentAtHorizonTB.likely - contentTB.likely, 3)} TB.` } : {}),
      }),
      figure(irreplaceableTB, {
        id: 'library.irreplaceableTB', label: 'Gone for good if lost', unit: 'TB', inputs: [...new Set(irreplaceable.map(size => `library.holdings.${size.index}.contentTB`)), 'library.holdings'],
        formula: `${[...new Set(irreplaceable.map(size => size.name))].slice(0, 6).join(' + ') || 'none of the holdings'} = ${n(irreplaceableTB)} TB`,
        note: 'A copy away from the house is for these; what is not listed as a holding is not counted.',
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
    findings: libraryFindings(library, irreplaceableTB),
  }
}

/** Size of one holding today, second copies included. */
function holdingFigure(sizes: readonly HoldingSize[], library: Library, index: number): Figure {
  const holding = library.holdings[index]!
  const main = sizes[0]!
  const copy = sizes[1]
  const copyTB = copy ? copy.amount.likely * copy.todayTB : 0
  const tb = (amount: number) => amount * main.todayTB + copyTB
  const { low, likely, high } = main.amount
  const copies = copy ? ` + second copies ${n(copyTB, 3)}` : ''
  const formulas = {
    video: `${n(holding.titles, 7)} titles × ${n(likely)} Mb/s × ${n(holding.minutes)} min × 60 ÷ 8 ÷ 10⁶ × 1.02`,
    sound: `${n(holding.titles, 7)} × ${n(likely)} Mb/s × ${n(holding.minutes)} min × 60 ÷ 8 ÷ 10⁶`,
    each: `${n(holding.titles, 7)} × ${n(likely)} MB ÷ 10⁶`,
    given: `${n(holding.sizeGB ?? 0)} GB as entered ÷ 1 000`,
    copy: '',
  }
  const fields = main.sized === 'given' ? ['sizeGB'] : main.sized === 'each' ? ['titles', 'quality'] : ['titles', 'minutes', 'bitrateMbps', 'quality']
  return figure({ low: tb(low), likely: tb(likely), high: tb(high) }, {
    id: `library.holdings.${index}.contentTB`, label: main.name, unit: 'TB', source: ladder,
    inputs: [...fields, ...(copy ? ['smallCopies'] : [])].map(field => `library.holdings.${index}.${field}`),
    formula: `${formulas[main.sized]}${copies} = ${n(tb(likely), 3)} TB`,
    ...(main.usualOf === null ? {} : { note: `The usual size of this quality, ${n(low)} to ${n(high)} ${main.sized === 'each' ? 'MB each' : 'Mb/s'}; enter your own to narrow it.` }),
  })
}

function libraryFindings(library: Library, irreplaceableTB: number): Finding[] {
  const findings: Finding[] = []
  if (irreplaceableTB > 0) {
    findings.push({
      severity: 'caution', code: 'IRREPLACEABLE', sentence: `${n(irreplaceableTB, 2)} TB could not be had again. Redundancy is no backup: deletion, malware, theft, fire and lightning take every copy in the box.`,
      from: ['library.irreplaceableTB', 'library.holdings'], cures: [{ sentence: 'Keep a copy of these away from the house, and try once whether it can be read back.' }],
    })
  }
  const early = library.events.filter(event => monthsBetween(library.startsOn, event.month) < 0)
  if (early.length) {
    findings.push({
      severity: 'caution', code: 'EVENT_PAST', sentence: `${early.map(event => event.name || 'An event').join(', ')}: before the forecast starts, so it is counted from the first month on.`,
      from: ['library.events', 'library.startsOn'], cures: [{ sentence: 'Remove what is already in today\'s sizes, or correct the month.' }],
    })
  }
  return findings
}
