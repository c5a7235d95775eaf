import { withinSentence } from '../../withinSentence'
import { absentFigure, declareFigure } from '../../expressions/declareFigure'
import { chosen, sum, workedOut, type Input } from '../../expressions/expression'
import type { Figure } from '../../figure'
import type { Format } from '../../units/format'
import type { Layout } from '../layouts/layout'
import { epsilon, type WayOut, type WayOutQuestion, type WayStep } from './wayOutQuestion'

/** 'drives 1, 2 and 4'. */
function drivesText(places: readonly number[]): string {
  const names = places.map(place => String(place + 1))
  const list =
    names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : (names[0] ?? '')
  return `${places.length === 1 ? 'drive' : 'drives'} ${list}`
}

/** What giving redundancy up takes. */
function releaseText(
  { places, unprotectedTB }: WayStep,
  { from }: Pick<WayOutQuestion, 'from'>,
): string {
  if (from.onPlainDisks?.as === 'secondCopies')
    return 'Switch the second copies off: there is one copy of each file from here on.'
  const these = places.length === 1 ? 'it' : 'them'
  return unprotectedTB <= epsilon && from.survives(places.length + 1) > 0
    ? `Take ${drivesText(places)} out of use for redundancy; what is left of it goes on.`
    : from.survives(places.length + 1) > 0
      ? `Take ${drivesText(places)} out of the old pool: it has no redundancy from here on.`
      : `Take ${drivesText(places)} out of the old pool: no data lie on ${these}.`
}

/** What taking redundancy on takes, where files lie on plain disks. */
function setAsideText({ places }: WayStep, { to }: Pick<WayOutQuestion, 'to'>): string {
  switch (to.onPlainDisks?.as) {
    case 'nightlyParity':
      return `Set ${drivesText(places)} aside for parity: the next nightly run computes it.`
    case 'copy':
      return `Set ${drivesText(places)} aside for the copy, and let the nightly job run once.`
    case 'half':
      return `Make ${drivesText(places)} the other half of a mirror: it is written anew.`
    case 'secondCopies':
      return 'Switch second copies on: every file is copied to another drive.'
    default:
      return (
        `Set ${drivesText(places)} aside for parity, and have it computed: everything plays on ` +
        'meanwhile.'
      )
  }
}

/** A step as an instruction. */
export function stepText(
  step: WayStep,
  question: Pick<WayOutQuestion, 'from' | 'to'>,
  { quantity }: Pick<Format, 'quantity'>,
): string {
  const { kind, places, sizeTB } = step
  const { to } = question
  switch (kind) {
    case 'release':
      return releaseText(step, question)
    case 'setAside':
      return setAsideText(step, question)
    case 'make':
      return (
        `Make the new pool, ${to.label}, of ${drivesText(places)}: ${quantity(sizeTB, 'TB')} ` +
        'usable.'
      )
    case 'grow':
      return `Add ${drivesText(places)} to the new pool: ${quantity(sizeTB, 'TB')} usable.`
    case 'move':
      return (
        `Move ${quantity(sizeTB, 'TB')} from ${drivesText(places)} into the new pool, ` +
        `compare, then delete ${places.length === 1 ? 'it there' : 'them there'}.`
      )
    case 'consolidate':
      return (
        `Empty ${drivesText(places)}: move ${quantity(sizeTB, 'TB')} to the free space of ` +
        'the other drives.'
      )
    case 'toBorrowed':
      return (
        `Copy ${quantity(sizeTB, 'TB')} from ${drivesText(places)} to the borrowed drives, ` +
        'and compare.'
      )
    case 'fromBorrowed':
      return (
        `Copy ${quantity(sizeTB, 'TB')} back from the borrowed drives into the new pool, and ` +
        'compare.'
      )
    case 'giveBack':
      return (
        'Wipe the borrowed drives and give them back, once a scrub of the new pool has found ' +
        'nothing.'
      )
  }
}

/** What a way comes to, in a sentence. */
export function wayText(
  way: WayOut | null,
  {
    to,
    format,
  }: { readonly to: Layout; readonly format: Pick<Format, 'quantity' | 'hours' | 'number'> },
): string {
  if (!way)
    return `These drives do not make ${to.label} with room for what is kept: it takes other drives.`
  const { borrowed, borrowedTB, hours, steps, inPlace } = way
  const bare = steps.filter(step => step.unprotectedTB > epsilon).length
  const meanwhile =
    bare === 0
      ? 'Nothing stands without redundancy meanwhile.'
      : (steps.length === 1
          ? 'From then on data stand '
          : `In ${bare === steps.length ? 'all' : format.number(bare)} of ` +
            `${format.number(steps.length)} steps data stand `) +
        'without redundancy: copy what is irreplaceable first.'
  if (inPlace)
    return steps.length === 0
      ? 'It can be done in place: the data stay where they are, and so does the redundancy.'
      : `It can be done in place, ${hours > epsilon ? `in about ${format.hours(hours)}` : 'at once'}: ` +
          `the data stay on their drives. ${meanwhile}`
  const borrow =
    borrowed === 0
      ? 'without any borrowed drive'
      : 'with ' +
        `${borrowed === 1 ? '1 borrowed drive' : `${format.number(borrowed)} borrowed drives`} ` +
        `of ${format.quantity(borrowedTB / borrowed, 'TB')}`
  return `It can be done ${borrow} in about ${format.hours(hours)} of copying. ${meanwhile}`
}

const inputs: readonly Input[] = [
  'drives.lots',
  'drives.layout',
  'drives.outerMBps',
  { figure: 'library.contentTB' },
  'drives.expandsParity',
]
const borrowed = { id: 'wayOut.borrowed', label: 'Borrowed drives', unit: 'drives' } as const
const copying = { id: 'wayOut.hours', label: 'Hours of copying', unit: 'h' } as const

interface Temporary {
  readonly sizeTB: number
  readonly price: number
  readonly hours: number
}

/** Figures of a way, each with its working. */
export function wayFigures(
  way: WayOut | null,
  {
    question,
    temporary,
    format,
  }: {
    readonly question: WayOutQuestion
    readonly temporary: Temporary
    readonly format: Format
  },
): Figure[] {
  const none = 'The new layout has no room for what is kept.'
  return [
    ...(way
      ? [borrowedFigure(way, question, format), copyingFigure(way, question, format)]
      : [borrowed, copying].map(figure => absentFigure(none, { ...figure, inputs, formula: '–' }))),
    temporaryFigure(temporary, format),
  ]
}

function temporaryFigure({ sizeTB, price, hours: copyHours }: Temporary, format: Format): Figure {
  const { number: n, money, hours } = format
  return declareFigure(
    () =>
      workedOut(price, 'money', {
        inputs: [{ figure: 'library.contentTB' }, 'drives.copyPricePerTB'],
        says:
          `${n(sizeTB, 3)} TB of external drives: ${money(price)}; ` +
          `${hours(copyHours)} to copy there and back`,
      }),
    {
      id: 'wayOut.temporaryCopy',
      label: 'A temporary copy of everything instead',
      unit: 'money',
    },
    format,
  )
}

function borrowedFigure(
  way: WayOut,
  { drives, emptiesOneByOne, from }: WayOutQuestion,
  format: Format,
): Figure {
  const largestTB = Math.max(0, ...drives.map(({ sizeTB }) => sizeTB))
  return declareFigure(
    () =>
      workedOut(way.borrowed, 'drives', {
        inputs,
        says:
          way.borrowed === 0
            ? 'the free drives are enough to begin with'
            : `the fewest of ${format.quantity(largestTB, 'TB')} with which the steps come to an end`,
      }),
    {
      ...borrowed,
      note: emptiesOneByOne
        ? 'The old drives can be emptied one by one.'
        : `${from.label} lets no single drive go: all data leave it before a drive is free.`,
    },
    format,
  )
}

function copyingFigure(way: WayOut, { rateMBps }: WayOutQuestion, format: Format): Figure {
  const steps = way.steps.filter(step => step.hours > 0)
  return declareFigure(
    () =>
      steps.length === 0
        ? workedOut(0, 'h', { inputs, says: 'Nothing has to be copied.' })
        : chosen(inputs, sum(...steps.map(step => workedOut(step.hours, 'h', { inputs })))),
    {
      ...copying,
      source: `At ${format.number(rateMBps, 3)} MB/s, step by step.`,
      note: 'Comparing reads everything once more.',
    },
    format,
  )
}

/** How a layout ties the data, in a sentence. */
export function tieText({ readableAlone, tiedTo, label }: Layout): string {
  const alone =
    readableAlone === 'yes'
      ? 'Each data drive can be read alone in another computer'
      : readableAlone === 'no'
        ? 'No drive can be read alone'
        : 'A drive can be read alone if it has a plain file system'
  return `${label}: ${withinSentence(alone)}. It is tied to ${tiedTo}.`
}
