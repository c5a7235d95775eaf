import { headrooms } from '../headrooms'
import type { Telling } from '../domain'
import { absentFigure, declareFigure } from '../expressions/declareFigure'
import {
  chosen,
  constant,
  figureOf,
  product,
  quoted,
  quotient,
  sum,
  sumTold,
  workedOut,
  type Input,
} from '../expressions/expression'
import { exactly, type Estimate, type Figure } from '../figure'
import type { Format } from '../units/format'
import { weeksPerMonth } from '../units/week'
import { headroomShare, worseState, type Verdict } from '../verdict'
import { capacityFigure, notKnown } from './capacityFigures'
import { pureFigure, possibleFigure } from './possibleFigures'
import { whatConverts, whichEngines } from '../expressions/inputs/conversionInputs'
import { neededFigures } from './neededFigures'
import { shareStep } from './shortMinutes'
import { daysOfYear } from '../household/minutesShort'
import { minutesState, type StreamsFacts, type StreamsSlice } from './streamsFacts'
import { warningFindings } from './warningFindings'
import { measuredTable, workFigure } from './workFigure'

/** The streams' facts in words. */
export function tellStreams(facts: StreamsFacts, slice: StreamsSlice, format: Format): Telling {
  const { converter } = facts
  const mixFigures =
    facts.mixFrom === 'library'
      ? facts.mix.map(part =>
          workFigure(
            { table: slice.workTable, ...part },
            {
              id: part.figure,
              label: `One ${part.label}`,
              inputs: ['library.holdings', 'choices.toneMapping'],
            },
            format,
          ),
        )
      : []
  return {
    figures: () => [
      ...neededFigures(facts, slice, format),
      ...mixFigures,
      workMeanFigure(facts, format),
      capacityFigure(facts, slice, format),
      possibleFigure(facts, format),
      ...facts.pure.map(pure => pureFigure(pure, converter, format)),
      shortFigure(facts, slice, format),
    ],
    verdicts: [conversionsVerdict(facts, slice, format)],
    findings: warningFindings(facts.warnings, format),
  }
}

const mixNotes = {
  habits:
    'The conversions that habits, devices and titles make, weighted by watching hours. 1 ' +
    'is one 1080p H.264 stream at 24 frames a second.',
  library:
    'Every title counted as equally likely to be watched, converted to 1080p at most. 1 is ' +
    'one 1080p H.264 stream at 24 frames a second.',
  plainStream: 'No titles are listed, so a plain 1080p stream is assumed.',
} as const
/** Parts of the mix that a formula names. */
const partsNamed = 4

/** What the household, its devices and the library make of the mix. */
const mixInputs: Readonly<Record<StreamsFacts['mixFrom'], readonly Input[]>> = {
  // Which conversion a title gets depends on what the machine can do.
  habits: [
    ...whatConverts,
    ...whichEngines,
    'machine.cores',
    { figure: 'streams.softwareReference' },
  ],
  library: ['library.holdings', 'choices.toneMapping', 'choices.school'],
  plainStream: ['library.holdings', 'choices.school'],
}

function workMeanFigure({ work, mix, mixFrom, keepsVideo }: StreamsFacts, format: Format): Figure {
  const parts = {
    id: 'streams.workPerConversion',
    label: 'Work of one conversion',
    unit: 'reference streams',
    source: measuredTable,
  } as const
  if (!keepsVideo && mix.length === 0)
    return absentFigure('Nothing is kept whose picture could need converting.', {
      ...parts,
      inputs: [...mixInputs[mixFrom], 'library.otherTB'],
      formula: 'share of each kind of conversion × its work',
    })
  const one = constant(1, 'reference streams', { after: 'of plain 1080p H.264' })
  return declareFigure(
    () =>
      chosen(
        mixInputs[mixFrom],
        mix.length === 0
          ? one
          : sumTold(
              mix.map(part =>
                product(
                  workedOut(part.share, 'share', { inputs: [], after: `of ${quoted(part.label)}` }),
                  figureOf(part.figure, [part.work, 'reference streams'], { bare: true }),
                ),
              ),
              'reference streams',
              partsNamed,
            ),
      ),
    {
      ...parts,
      note: mixNotes[mixFrom],
      // The parts share most coefficients: their ends go together.
      band: mix.length === 0 ? work : 'together',
    },
    format,
  )
}

function shortFigure(
  { demand, minutes }: StreamsFacts,
  { household: { busyDaysPerYear: busyDays } }: StreamsSlice,
  format: Format,
): Figure {
  const { number: n } = format
  const parts = {
    id: 'streams.minutesShortPerMonth',
    label: 'Minutes short a month',
    unit: 'min/month',
  } as const
  const inputs: readonly Input[] = [
    { figure: 'streams.softwareReference' },
    { figure: 'streams.possible' },
    ...mixInputs.habits,
    'choices.school',
  ]
  const rule =
    'for every moment of the week its 5 minutes, times the chance that the conversions ' +
    'together take more than the machine has'
  if (!demand)
    return absentFigure(
      'This needs habits. None are entered, or the planning rule does not use them.',
      { ...parts, inputs, formula: rule },
    )
  if (!minutes) return absentFigure(notKnown, { ...parts, inputs, formula: rule })
  const { perMonth, ordinary, busy } = minutes
  const week = workedOut(ordinary, 'min/month', {
    inputs,
    says: `${rule}, over ${n(weeksPerMonth)} weeks: ${n(ordinary, 3)} min a month`,
  })
  const days = (count: number, after: string) =>
    workedOut(count, 'days', { inputs: ['household.busyDaysPerYear'], bare: true, after })
  const year =
    busy === null
      ? chosen(['household.busyDaysPerYear'], week)
      : quotient(
          sum(
            product(
              days(daysOfYear - busyDays, 'ordinary days'),
              workedOut(ordinary, 'min/month', { inputs }),
            ),
            product(days(busyDays, 'guest days'), workedOut(busy, 'min/month', { inputs })),
          ),
          constant(daysOfYear, 'days', { bare: true }),
        )
  return declareFigure(
    () => year,
    {
      ...parts,
      note:
        'The machine falls behind, or is too slow for a conversion that is needed. A stream ' +
        'steps down to the lowest quality its viewer accepts before it counts. What line or ' +
        'device alone prevent is counted separately, under Playback.',
      source:
        'Exact convolution over the viewers in each of the 2016 five-minute slots, in steps ' +
        `of 1/${n(1 / shareStep)} of the machine, rounded up; a conversion's share is that ` +
        'of the unit it fills most. The range takes a machine that does as ' +
        'many as the low and as the high end of the conversions possible.',
      band: perMonth,
    },
    format,
  )
}

function conversionsVerdict(facts: StreamsFacts, slice: StreamsSlice, format: Format): Verdict {
  const { possible, minutes, state, demand } = facts
  const { minutesShortTarget } = slice
  const byMinutes = minutes && minutesState(minutes.perMonth, minutesShortTarget)
  // By the limit on minutes they are told, unless head room or what is too slow is worse.
  const isTold =
    slice.school === 'minutesShort' &&
    byMinutes !== null &&
    worseState(byMinutes, state) === byMinutes
  const asked = isTold ? minutes!.perMonth : exactly(facts.needed.needed)
  const met = isTold ? exactly(minutesShortTarget) : possible
  const short =
    byMinutes === 'short' ? ` ${shortSentence(minutes!.perMonth, minutesShortTarget, format)}` : ''
  return {
    id: 'streams',
    label: isTold ? 'Minutes short' : headrooms.streams.label,
    domain: 'streams',
    unit: isTold ? 'min/month' : 'conversions',
    asked,
    possible: met,
    share: headroomShare(asked, met),
    state,
    sentence: isTold
      ? shortSentence(minutes!.perMonth, minutesShortTarget, format)
      : `${conversionSentence(facts)}${short}${stuckSentence(facts, format)}`,
    figures: isTold
      ? ['streams.minutesShortPerMonth', 'streams.possible']
      : ['streams.asked', 'streams.possible', ...(demand ? ['streams.minutesShortPerMonth'] : [])],
  }
}

/** What the machine is too slow for does not show in how many it can do: say so. */
function stuckSentence(
  { mixFrom, stuckShare, needed, possible }: StreamsFacts,
  { number: n }: Format,
): string {
  return possible && stuckShare > 0 && needed.needed > 0
    ? ` It is too slow for ${n(stuckShare * 100, 2)} % of the ` +
        `${mixFrom === 'habits' ? 'conversions' : 'titles'}.`
    : ''
}

function shortSentence(
  { low, likely, high }: Estimate,
  target: number,
  { number: n }: Format,
): string {
  const minutes =
    `${n(likely, 2)} ${n(likely, 2) === '1' ? 'minute' : 'minutes'} a ` +
    `month${n(low, 2) === n(high, 2) ? '' : ` (${n(low, 2)} to ${n(high, 2)})`}`
  const accepted = `${n(target)} ${target === 1 ? 'is' : 'are'} accepted`
  if (likely > target)
    return (
      `The machine falls behind for ${minutes}, more than the ${n(target)} that ` +
      `${target === 1 ? 'is' : 'are'} accepted.`
    )
  return high > target
    ? `The machine falls behind for ${minutes}; ${accepted}, and at the low end of what it can do ` +
        'it is more.'
    : `The machine falls behind for ${minutes}; ${accepted}.`
}

function conversionSentence({
  needed: { needed },
  possible,
  largest,
  keepsVideo,
  converter,
}: StreamsFacts): string {
  const machine = converter.engines.length > 0 ? 'machine' : 'processor'
  if (!possible)
    return (
      'Enter the processor score or choose a processor to see how many can be converted at ' +
      'once.'
    )
  const range =
    possible.low === possible.high
      ? `${possible.likely}`
      : `${possible.low} to ${possible.high} (most likely ${possible.likely})`
  if (!keepsVideo)
    return `Nothing is kept whose picture could need converting; the ${machine} can convert ${range} at once.`
  if (needed === 0)
    return `Mostly nothing needs converting; the ${machine} can convert ${range} at once.`
  const need = `${needed} ${needed === 1 ? 'conversion is' : 'conversions are'} needed at once`
  if (possible.high === 0) return `${need}; this ${machine} cannot do even one.`
  if (possible.likely === 0) return `${need}; this ${machine} most likely cannot do even one.`
  const smaller =
    largest && largest.likely < needed && needed <= possible.likely
      ? ', with smaller pictures than the devices could show'
      : ''
  if (needed <= possible.low)
    return `${need}; even at the low end the ${machine} can do ${possible.low}${smaller}.`
  if (needed <= possible.likely)
    return (
      `${need}; the ${machine} can most likely do ${possible.likely}${smaller}, but at the low ` +
      `end only ${possible.low}.`
    )
  return (
    `${need}; the ${machine} can most likely do only ${possible.likely}, so the ` +
    `${needed === 1 ? 'film' : 'last to start'} would stutter.`
  )
}
