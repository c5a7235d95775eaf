import type { Telling } from '../domain'
import { exactly, figure, noFigure, type Estimate, type Figure } from '../figure'
import type { Format } from '../units/format'
import { weeksPerMonth } from '../units/week'
import { headroomShare, type Verdict } from '../verdict'
import { capacityFigure, possibleFigure, pureFigure } from './capacityFigures'
import { neededFigures } from './neededFigures'
import { shareStep } from './shortMinutes'
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
    figures: [
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
  plainStream: 'The library holds no video yet, so a plain 1080p stream is assumed.',
} as const
/** Parts of the mix that a formula names. */
const partsNamed = 4

function workMeanFigure({ work, mix, mixFrom }: StreamsFacts, { number: n }: Format): Figure {
  const named = mix
    .slice(0, partsNamed)
    .map(part => `${n(part.share * 100, 3)} % ${part.label} × ${n(part.work.likely, 3)}`)
    .join(' + ')
  return figure(work, {
    id: 'streams.workPerConversion',
    label: 'Work of one conversion',
    unit: 'reference streams',
    source: measuredTable,
    note: mixNotes[mixFrom],
    inputs: [
      ...mix.map(part => part.figure),
      ...(mixFrom === 'habits' ? ['household.habits'] : []),
      'library.holdings',
      'choices.toneMapping',
    ],
    formula: mix.length
      ? `${named}${mix.length > partsNamed ? ` + ${mix.length - partsNamed} more` : ''} = ` +
        `${n(work.likely, 3)}`
      : 'one 1080p H.264 stream = 1',
  })
}

function shortFigure(
  { demand, minutes }: StreamsFacts,
  { household: { busyDaysPerYear: busyDays } }: StreamsSlice,
  { number: n }: Format,
): Figure {
  const parts = {
    id: 'streams.minutesShortPerMonth',
    label: 'Minutes short a month',
    unit: 'min/month',
    inputs: [
      'streams.softwareReference',
      'streams.possible',
      'household.habits',
      'household.busyDaysPerYear',
    ],
  }
  const formula =
    'Σ over the week of 5 min × chance that the shares of the machine exceed 1 × ' +
    `${n(weeksPerMonth)}`
  if (!demand)
    return noFigure(
      'This needs habits. None are entered, or the planning rule does not use them.',
      { ...parts, formula },
    )
  if (!minutes)
    return noFigure(
      'Neither a processor score nor its clock and year are entered, and no processor is chosen.',
      { ...parts, formula },
    )
  const { perMonth, ordinary, busy } = minutes
  const busyText =
    busy === null
      ? ''
      : `; (${365 - busyDays} ordinary days × ${n(ordinary, 3)} + ${busyDays} guest days × ` +
        `${n(busy, 3)}) ÷ 365 = ${n(perMonth.likely, 3)}`
  return figure(perMonth, {
    ...parts,
    formula: `${formula} = ${n(ordinary, 3)}${busyText}`,
    note:
      'The machine falls behind, or is too slow for a conversion that is needed. A stream ' +
      'steps down to the lowest quality its viewer accepts before it counts. What line or ' +
      'device alone prevent is counted separately, under Playback.',
    source:
      'Exact convolution over the viewers in each of the 2016 five-minute slots, in steps of ' +
      `1/${n(1 / shareStep)} of the machine, rounded up; a conversion's share is that of the ` +
      'unit it fills most. The range uses the low and the high end of the conversions ' +
      'possible.',
  })
}

function conversionsVerdict(facts: StreamsFacts, slice: StreamsSlice, format: Format): Verdict {
  const { possible, minutes, state, demand } = facts
  const { minutesShortTarget } = slice
  const byMinutes = slice.school === 'minutesShort' && minutes !== null
  const asked = byMinutes ? minutes.perMonth : exactly(facts.needed.needed)
  const met = byMinutes ? exactly(minutesShortTarget) : possible
  const short =
    minutes && minutesState(minutes.perMonth, minutesShortTarget) === 'short'
      ? ` ${shortSentence(minutes.perMonth, minutesShortTarget, format)}`
      : ''
  return {
    id: 'streams',
    label: byMinutes ? 'Minutes short' : 'Conversions',
    domain: 'streams',
    unit: byMinutes ? 'min/month' : 'conversions',
    asked,
    possible: met,
    share: headroomShare(asked, met),
    state,
    sentence: byMinutes
      ? shortSentence(minutes.perMonth, minutesShortTarget, format)
      : `${conversionSentence(facts)}${short}${stuckSentence(facts, format)}`,
    figures: byMinutes
      ? ['streams.minutesShortPerMonth', 'streams.possible']
      : ['streams.asked', 'streams.possible', ...(demand ? ['streams.minutesShortPerMonth'] : [])],
  }
}

/** What the machine is too slow for does not show in how many it can do: say so. */
function stuckSentence(
  { mixFrom, stuckShare, needed, possible }: StreamsFacts,
  { number: n }: Format,
): string {
  return possible && possible.likely > 0 && stuckShare > 0 && needed.needed > 0
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
    `${n(likely, 2)} minutes a ` +
    `month${n(low, 2) === n(high, 2) ? '' : ` (${n(low, 2)} to ${n(high, 2)})`}`
  return likely <= target
    ? `The machine falls behind for ${minutes}; ${n(target)} are accepted.`
    : `The machine falls behind for ${minutes}, more than the ${n(target)} that are accepted.`
}

function conversionSentence({ needed: { needed }, possible, converter }: StreamsFacts): string {
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
  if (needed === 0)
    return `Mostly nothing needs converting; the ${machine} can convert ${range} at once.`
  const need = `${needed} ${needed === 1 ? 'conversion is' : 'conversions are'} needed at once`
  if (possible.high === 0) return `${need}; this ${machine} cannot do even one.`
  if (possible.likely === 0) return `${need}; this ${machine} most likely cannot do even one.`
  if (needed <= possible.low)
    return `${need}; even at the low end the ${machine} can do ${possible.low}.`
  if (needed <= possible.likely)
    return (
      `${need}; the ${machine} can most likely do ${possible.likely}, but at the low end ` +
      `only ${possible.low}.`
    )
  return (
    `${need}; the ${machine} can most likely do only ${possible.likely}, so the ` +
    `${needed === 1 ? 'film' : 'last to start'} would stutter.`
  )
}
