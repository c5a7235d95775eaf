import { absentFigure, declareFigure } from '../expressions/declareFigure'
import type { DimensionsOf } from '../expressions/unitTypes'
import type { Expression } from '../expressions/node'
import {
  field,
  workedOut,
  product,
  conversion,
  quotient,
  constant,
  chosen,
  sum,
  thatFigure,
  sumTold,
  quoted,
  figureOf,
} from '../expressions/expression'
import type { Figure } from '../figure'
import type { Format } from '../units/format'
import { extrasShare } from './holdingSizes'
import type { LibraryFacts, LibrarySlice } from './libraryFacts'

/** Size of one holding today, second copies included. */
export function holdingFigure(
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

/** More holdings are not named one by one in a sum. */
const holdingsTold = 6
export function irreplaceableFigure(
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

export function thumbFigure(
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

export const ladder =
  'Size of a title: Mb/s · minutes · 60 / 8 / 1000 GB; the usual rates of the qualities ' +
  'unless a holding gives its own.'
