import { holdingKind, type HoldingKindId } from '../catalogue/holdingKinds'
import type { Telling } from '../domain'
import { figure, noFigure, type Figure } from '../figure'
import { finding, type Finding } from '../finding'
import { tebibytes } from '../units/dataSize'
import type { Format } from '../units/format'
import { monthsPerYear } from '../units/time'
import { extrasShare } from './holdingSizes'
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
  const holdings = slice.library.holdings.map((_, index) =>
    holdingFigure(index, { facts, slice, format }),
  )
  return {
    figures: [
      ...holdings,
      contentFigure(facts, holdings, format),
      growthFigure(facts, slice, format),
      horizonFigure(facts, slice, format),
      irreplaceableFigure(facts, format),
      thumbFigure(facts, slice, format),
    ],
    verdicts: [],
    findings: libraryFindings(facts, slice),
  }
}

function contentFigure(
  { contentTB, forecast }: LibraryFacts,
  holdings: readonly Figure[],
  { number: n }: Format,
): Figure {
  const kinds = [...forecast.kinds]
    .filter(([, months]) => months[0]! > 0)
    .map(([kind, months]) => `${kindLabel(kind).toLowerCase()} ${n(months[0]!, 3)}`)
  return figure(contentTB, {
    id: 'library.contentTB',
    label: 'Library today',
    unit: 'TB',
    inputs: [...holdings.map(entry => entry.id), 'library.holdings', 'library.otherTB'],
    source: ladder,
    formula:
      `${kinds.join(' + ') || '0'} = ${n(contentTB.likely)} TB ` +
      `(${n(tebibytes(contentTB.likely))} TiB)`,
  })
}

function growthFigure(
  { growth: { addedTB, ownTB, removedTB, total } }: LibraryFacts,
  { library }: LibrarySlice,
  { number: n }: Format,
): Figure {
  return figure(total, {
    id: 'library.growthTBPerMonth',
    label: 'Growth a month, first year',
    unit: 'TB/month',
    inputs: [
      'library.holdings',
      'library.otherGrowthGBPerMonth',
      'library.growthLowFactor',
      'library.growthHighFactor',
    ],
    source: ladder,
    formula:
      'added ' +
      `${n(addedTB)}${ownTB ? ` + growing by itself ${n(ownTB)}` : ''}${removedTB ? ` − deleted ${n(removedTB)}` : ''} ` +
      `= ${n(total.likely)} TB a month; growth slow × ${n(library.growthLowFactor)}, fast × ` +
      `${n(library.growthHighFactor)}`,
  })
}

function horizonFigure(
  { contentTB, contentAtHorizonTB, growth, driver }: LibraryFacts,
  { library, horizonYears }: LibrarySlice,
  { number: n }: Format,
): Figure {
  const drift = library.additionsChangePerYear
    ? `, changing by ${n(library.additionsChangePerYear * 100)} % a year,`
    : ''
  const events = library.events.length ? ` and ${library.events.length} dated events` : ''
  return figure(contentAtHorizonTB, {
    id: 'library.contentAtHorizonTB',
    label: `Library in ${horizonYears} years`,
    unit: 'TB',
    inputs: [
      'library.contentTB',
      'library.growthTBPerMonth',
      'library.additionsChangePerYear',
      'library.events',
      'library.startsOn',
      'choices.horizonYears',
    ],
    formula:
      `${n(contentTB.likely)} TB + ${horizonYears * monthsPerYear} months of ` +
      `${n(growth.total.likely)} TB${drift}${events} = ${n(contentAtHorizonTB.likely)} TB ` +
      `(${n(tebibytes(contentAtHorizonTB.likely))} TiB)`,
    source:
      'Month by month, each holding by itself, never below nothing; each usual size and ' +
      'the growth are swung to the ends of their range, and the swings added by the root ' +
      'of the sum of squares.',
    ...(driver
      ? {
          note:
            `${kindLabel(driver.kind)} drive the growth: ${n(driver.addedTB, 3)} of ` +
            `${n(contentAtHorizonTB.likely - contentTB.likely, 3)} TB.`,
        }
      : {}),
  })
}

function irreplaceableFigure(
  { irreplaceable, irreplaceableTB, sizes }: LibraryFacts,
  { number: n }: Format,
): Figure {
  const names = [
    ...new Set(sizes.filter(size => irreplaceable.includes(size.index)).map(size => size.name)),
  ]
  return figure(irreplaceableTB, {
    id: 'library.irreplaceableTB',
    label: 'Irreplaceable',
    unit: 'TB',
    inputs: [
      ...irreplaceable.map(index => `library.holdings.${index}.contentTB`),
      'library.holdings',
    ],
    formula: `${names.slice(0, 6).join(' + ') || 'none of the holdings'} = ${n(irreplaceableTB)} TB`,
    note: 'A copy away from home is for these; what is not listed as a holding is not counted.',
  })
}

function thumbFigure(
  { empty, contentTB }: LibraryFacts,
  { ruleOfThumbFactor }: LibrarySlice,
  { number: n }: Format,
): Figure {
  const parts = {
    id: 'library.ruleOfThumbTB',
    label: 'Rule of thumb',
    unit: 'TB',
    inputs: ['library.contentTB', 'choices.ruleOfThumbFactor'],
  }
  return empty
    ? noFigure('Nothing is kept yet.', { ...parts, formula: 'library today × factor' })
    : figure(contentTB.likely * ruleOfThumbFactor, {
        ...parts,
        formula:
          `${n(contentTB.likely)} TB × ${n(ruleOfThumbFactor)} = ` +
          `${n(contentTB.likely * ruleOfThumbFactor)} TB`,
        note: "Today's library times your factor, for comparison. The plan does not use it.",
      })
}

/** Size of one holding today, second copies included. */
function holdingFigure(
  index: number,
  {
    facts,
    slice,
    format: { number: n },
  }: { readonly facts: LibraryFacts; readonly slice: LibrarySlice; readonly format: Format },
): Figure {
  const holding = slice.library.holdings[index]!
  const own = facts.sizes.filter(size => size.index === index)
  const main = own[0]!
  const copyTB = own.reduce(
    (sum, size) => (size.sized === 'copy' ? sum + size.amount.likely * size.todayTB : sum),
    0,
  )
  const tb = (amount: number) => amount * main.todayTB + copyTB
  const { low, likely, high } = main.amount
  const copies = copyTB > 0 ? ` + second copies ${n(copyTB, 3)}` : ''
  const formulas: Readonly<Partial<Record<typeof main.sized, string>>> = {
    video:
      `${n(holding.titles, 7)} titles × ${n(likely)} Mb/s × ${n(holding.minutes)} min × 60 ÷ ` +
      `8 ÷ 10⁶ × ${n(1 + extrasShare)}`,
    sound: `${n(holding.titles, 7)} × ${n(likely)} Mb/s × ${n(holding.minutes)} min × 60 ÷ 8 ÷ 10⁶`,
    each: `${n(holding.titles, 7)} × ${n(likely)} MB ÷ 10⁶`,
    given: `${n(holding.sizeGB ?? 0)} GB as entered ÷ ${n(1000)}`,
  }
  const fields =
    main.sized === 'given'
      ? ['sizeGB']
      : main.sized === 'each'
        ? ['titles', 'quality']
        : ['titles', 'minutes', 'bitrateMbps', 'quality']
  return figure(
    { low: tb(low), likely: tb(likely), high: tb(high) },
    {
      id: `library.holdings.${index}.contentTB`,
      label: main.name,
      unit: 'TB',
      source: ladder,
      inputs: [...fields, ...(copyTB > 0 ? ['smallCopies'] : [])].map(
        field => `library.holdings.${index}.${field}`,
      ),
      formula: `${formulas[main.sized]}${copies} = ${n(tb(likely), 3)} TB`,
      ...(main.usualOf === null
        ? {}
        : {
            note:
              `The usual size of this quality is ${n(low)} to ${n(high)} ` +
              `${main.sized === 'each' ? 'MB each' : 'Mb/s'}; enter your own to narrow it.`,
          }),
    },
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
