import { withinSentence } from '../withinSentence'
import { counted } from '../units/counted'
import { holdingKind, type HoldingKindId } from '../catalogue/holdingKinds'
import type { Telling } from '../domain'
import { declareFigure } from '../expressions/declareFigure'
import {
  brief,
  chosen,
  constant,
  minus,
  product,
  sum,
  workedOut,
  type Expression,
  type Input,
} from '../expressions/expression'
import type { DimensionsOf } from '../expressions/unitTypes'
import type { Figure } from '../figure'
import { finding, type Finding } from '../finding'
import { tebibytes } from '../units/dataSize'
import type { Format } from '../units/format'
import { monthsPerYear } from '../units/time'
import { holdingFigure, irreplaceableFigure, ladder, thumbFigure } from './holdingFigures'
import type { HoldingSize } from './holdingSizes'
import type { LibraryFacts, LibrarySlice } from './libraryFacts'

/** Name of a kind, or of what is not listed. */
export function kindLabel(kind: HoldingKindId | 'other'): string {
  return kind === 'other' ? 'Not listed' : holdingKind(kind).label
}

/** The library's facts in words. */
export function tellLibrary(facts: LibraryFacts, slice: LibrarySlice, format: Format): Telling {
  return {
    figures: () => {
      const holdings = slice.library.holdings.map((_, index) =>
        holdingFigure(index, { facts, slice, format }),
      )
      return [
        ...holdings,
        contentFigure(facts, holdings, format),
        growthFigure(facts, slice, format),
        horizonFigure(facts, slice, format),
        irreplaceableFigure(facts, holdings, format),
        thumbFigure(facts, slice, format),
      ]
    },
    verdicts: [],
    findings: libraryFindings(facts, slice),
  }
}

/** The TB of today by kind; what is sized alike swings together. */
function contentFigure(
  { contentTB, forecast, sizes }: LibraryFacts,
  holdings: readonly Figure[],
  format: Format,
): Figure {
  const amounts = new Map<string, Expression<DimensionsOf<'TB'>>>()
  const amountOf = ({ usualOf, amount }: HoldingSize): Expression<DimensionsOf<'TB'>> => {
    const known = usualOf === null ? undefined : amounts.get(usualOf)
    if (known) return known
    const own = constant(amount, 'TB')
    if (usualOf !== null) amounts.set(usualOf, own)
    return own
  }
  const kinds = [...forecast.kinds].filter(([, months]) => months[0]! > 0)
  const behind: readonly Input[] = [
    ...holdings.map(({ id }) => ({ figure: id })),
    'library.holdings',
    'library.otherTB',
    'library.events',
    'library.startsOn',
  ]
  return declareFigure(
    () =>
      chosen(
        behind,
        sum(
          ...kinds.map(([kind, months]) =>
            brief(
              kind === 'other'
                ? constant(months[0]!, 'TB')
                : sum(
                    ...sizes
                      .filter(size => size.kind === kind && size.todayTB !== 0)
                      .map(size => product(amountOf(size), constant(size.todayTB, 'factor'))),
                  ),
              'TB',
              { by: [], before: kindLabel(kind).toLowerCase(), bare: true },
            ),
          ),
        ),
      ),
    {
      id: 'library.contentTB',
      label: 'Library today',
      unit: 'TB',
      source: ladder,
      note: `That is ${format.number(tebibytes(contentTB.likely))} TiB.`,
    },
    format,
  )
}

function growthFigure(
  { growth: { addedTB, ownTB, removedTB, total } }: LibraryFacts,
  { library }: LibrarySlice,
  format: Format,
): Figure {
  const { number: n } = format
  const inputs: readonly Input[] = [
    'library.holdings',
    'library.otherGrowthGBPerMonth',
    'library.growthLowFactor',
    'library.growthHighFactor',
  ]
  const part = (valueTB: number, before: string) =>
    workedOut(valueTB, 'TB/month', { inputs, before, bare: true })
  return declareFigure(
    () =>
      sum(
        part(addedTB, 'added'),
        ...(ownTB ? [part(ownTB, 'growing by itself')] : []),
        ...(removedTB ? [minus(part(removedTB, 'deleted'))] : []),
      ),
    {
      id: 'library.growthTBPerMonth',
      label: 'Growth a month, first year',
      unit: 'TB/month',
      source: ladder,
      note:
        `Slow growth is × ${n(library.growthLowFactor)}, fast growth × ` +
        `${n(library.growthHighFactor)}.`,
      band: total,
    },
    format,
  )
}

function horizonFigure(
  { contentTB, contentAtHorizonTB, growth, driver }: LibraryFacts,
  { library, horizonYears }: LibrarySlice,
  format: Format,
): Figure {
  const { number: n } = format
  const drift = library.additionsChangePerYear
    ? `, additions changing by ${n(library.additionsChangePerYear * 100)} % a year`
    : ''
  const count = library.events.length
  const events = count ? ` and ${count} dated ${count === 1 ? 'event' : 'events'}` : ''
  return declareFigure(
    () =>
      workedOut(contentAtHorizonTB, 'TB', {
        inputs: [
          { figure: 'library.contentTB' },
          { figure: 'library.growthTBPerMonth' },
          'library.additionsChangePerYear',
          'library.events',
          'library.startsOn',
          'choices.horizonYears',
        ],
        says:
          `${n(contentTB.likely)} TB today, ${horizonYears * monthsPerYear} months that begin ` +
          `with ${n(growth.total.likely)} TB${drift}${events}: ` +
          `${n(contentAtHorizonTB.likely)} TB (${n(tebibytes(contentAtHorizonTB.likely))} TiB)`,
      }),
    {
      id: 'library.contentAtHorizonTB',
      label: `Library in ${counted(horizonYears, 'year')}`,
      unit: 'TB',
      source:
        'Month by month, each holding by itself, never below nothing; each usual size and the ' +
        'growth are swung to the ends of their range, and the swings added by the root of the ' +
        'sum of squares.',
      ...(driver
        ? {
            note:
              `What adds most: ${withinSentence(kindLabel(driver.kind))}, ` +
              `${n(driver.addedTB, 3)} TB.`,
          }
        : {}),
    },
    format,
  )
}

function libraryFindings(
  { unknownQualities, pastEvents, sizes }: LibraryFacts,
  { library }: LibrarySlice,
): Finding[] {
  const findings = unknownQualities.map(index =>
    finding('warning', 'UNKNOWN_QUALITY', {
      sentence:
        `${sizes.find(size => size.index === index)?.name ?? 'A holding'}: the quality ` +
        `"${library.holdings[index]!.quality}" is not in the catalogue, so these titles ` +
        'count only by a size that is entered.',
      from: [`library.holdings.${index}.quality`],
      fixes: ['Choose another quality, or enter the size.'],
    }),
  )
  if (pastEvents.length) {
    findings.push(
      finding('caution', 'EVENT_PAST', {
        sentence:
          `${pastEvents.map(index => library.events[index]!.name || 'An event').join(', ')}: ` +
          'before the forecast starts, so it is counted from the first month on.',
        from: ['library.events', 'library.startsOn'],
        fixes: ["Remove what is already in today's sizes, or correct the month."],
      }),
    )
  }
  return findings
}
