import { holdingKind, type HoldingKindId } from '../catalogue/holdingKinds'
import type { Telling } from '../domain'
import { absentFigure, declareFigure } from '../expressions/declareFigure'
import {
  brief,
  chosen,
  constant,
  conversion,
  field,
  figureOf,
  minus,
  product,
  quoted,
  quotient,
  sum,
  sumTold,
  thatFigure,
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
import { extrasShare, type HoldingSize } from './holdingSizes'
import type { LibraryFacts, LibrarySlice } from './libraryFacts'

const ladder =
  'Size of a title: Mb/s · minutes · 60 / 8 / 1000 GB; the usual rates of the qualities ' +
  'unless a holding gives its own.'

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
        `Slow growth is ${n(library.growthLowFactor)} times as much, fast growth ` +
        `${n(library.growthHighFactor)} times.`,
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
      label: `Library in ${horizonYears} years`,
      unit: 'TB',
      source:
        'Month by month, each holding by itself, never below nothing; each usual size and the ' +
        'growth are swung to the ends of their range, and the swings added by the root of the ' +
        'sum of squares.',
      ...(driver
        ? {
            note:
              `${kindLabel(driver.kind)} drive the growth: ${n(driver.addedTB, 3)} of ` +
              `${n(contentAtHorizonTB.likely - contentTB.likely, 3)} TB.`,
          }
        : {}),
    },
    format,
  )
}

/** More holdings are not named one by one in a sum. */
const holdingsTold = 6

function irreplaceableFigure(
  { irreplaceable }: LibraryFacts,
  holdings: readonly Figure[],
  format: Format,
): Figure {
  return declareFigure(
    () =>
      chosen(
        ['library.holdings'],
        sumTold(
          irreplaceable.map(index =>
            thatFigure(holdings[index]!, 'TB', { before: quoted(holdings[index]!.label) }),
          ),
          'TB',
          holdingsTold,
        ),
      ),
    {
      id: 'library.irreplaceableTB',
      label: 'Irreplaceable',
      unit: 'TB',
      note: 'A copy away from home is for these; what is not listed as a holding is not counted.',
    },
    format,
  )
}

function thumbFigure(
  { empty, contentTB }: LibraryFacts,
  { ruleOfThumbFactor }: LibrarySlice,
  format: Format,
): Figure {
  const parts = { id: 'library.ruleOfThumbTB', label: 'Rule of thumb', unit: 'TB' } as const
  return empty
    ? absentFigure('Nothing is kept yet.', {
        ...parts,
        inputs: [
          { figure: 'library.contentTB' },
          { figure: 'library.contentAtHorizonTB' },
          'choices.ruleOfThumbFactor',
        ],
        formula: 'library today × factor',
      })
    : declareFigure(
        () =>
          product(
            // The rule knows no range.
            figureOf('library.contentTB', [contentTB.likely, 'TB']),
            field('choices.ruleOfThumbFactor', [ruleOfThumbFactor, 'factor']),
          ),
        {
          ...parts,
          note: "Today's library times your factor, for comparison. The plan does not use it.",
        },
        format,
      )
}

/** Size of one holding today, second copies included. */
function holdingFigure(
  index: number,
  {
    facts,
    slice,
    format,
  }: { readonly facts: LibraryFacts; readonly slice: LibrarySlice; readonly format: Format },
): Figure {
  const { number: n } = format
  const main = facts.sizes.find(size => size.index === index)!
  const { low, high } = main.amount
  return declareFigure(
    () => holdingExpression(index, facts, slice),
    {
      id: `library.holdings.${index}.contentTB`,
      label: main.name,
      unit: 'TB',
      source: ladder,
      ...(main.usualOf === null
        ? {}
        : {
            note:
              `The usual size of this quality is ${n(low)} to ${n(high)} ` +
              `${main.sized === 'each' ? 'MB each' : 'Mb/s'}; enter your own to narrow it.`,
          }),
    },
    format,
  )
}

/** Titles × rate × length, or whatever else sizes the holding, and its second copies. */
function holdingExpression(
  index: number,
  { sizes }: LibraryFacts,
  { library }: LibrarySlice,
): Expression<DimensionsOf<'TB'>> {
  const path = `library.holdings.${index}` as const
  const holding = library.holdings[index]!
  const own = sizes.filter(size => size.index === index)
  const { sized, amount } = own[0]!
  const copyTB = own.reduce(
    (tb, size) => (size.sized === 'copy' ? tb + size.amount.likely * size.todayTB : tb),
    0,
  )
  const titles = field(`${path}.titles`, [holding.titles, 'titles'])
  const rate = workedOut(amount, 'Mb/s/title', {
    inputs: [`${path}.bitrateMbps`, `${path}.quality`],
  })
  const seconds = product(
    field(`${path}.minutes`, [holding.minutes, 'min']),
    conversion(60, 's/min'),
  )
  const recorded = quotient(
    quotient(product(titles, rate, seconds), conversion(8, 'Mb/MB')),
    conversion(1e6, 'MB/TB'),
  )
  const size = ((): Expression<DimensionsOf<'TB'>> => {
    switch (sized) {
      case 'video':
        return product(recorded, constant(1 + extrasShare, 'factor'))
      case 'sound':
        return recorded
      case 'each':
        return quotient(
          product(titles, workedOut(amount, 'MB/title', { inputs: [`${path}.quality`] })),
          conversion(1e6, 'MB/TB'),
        )
      default:
        return quotient(
          field(`${path}.sizeGB`, [holding.sizeGB ?? 0, 'GB'], { after: 'as entered' }),
          conversion(1000, 'GB/TB'),
        )
    }
  })()
  const copies = workedOut(copyTB, 'TB', {
    inputs: [`${path}.smallCopies`, `${path}.titles`, `${path}.minutes`],
    after: 'of second copies',
  })
  return chosen(
    [`${path}.sizeGB`, `${path}.quality`, `${path}.smallCopies`],
    copyTB > 0 ? sum(size, copies) : size,
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
