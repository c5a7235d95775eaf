import type { Catalogue } from '../catalogue/catalogue'
import type { DomainAssessment } from '../domainAssessment'
import { estimateOf, exactly, figure, noFigure, type Estimate, type Figure } from '../figure'
import type { Choices } from '../plan/choices'
import type { Household } from '../plan/household'
import type { Library } from '../plan/library'
import type { Machine } from '../plan/machine'
import { formatNumber as n } from '../units/formatNumber'
import { headroomShare, headroomState } from '../verdict'
import { capacityFigure, possibleFigure, pureCases, pureClass, pureFigure, spreadOf } from './capacityFigures'
import { conversionMachine, type ConversionMachine } from './conversionMachine'
import { askedFromAnswers, askedFromHabits } from './conversionsAsked'
import type { Demand, MixPart } from './demand'
import { mixCapacityBand, type MixClass } from './engineCapacity'
import { engineFindings } from './engineFindings'
import { libraryMix, meanWork } from './libraryMix'
import { plannedCapacity } from './plannedCapacity'
import { shortMinutes } from './shortMinutes'
import { softwareWork } from './softwareWork'
import { measuredTable, workFigure } from './workFigure'

export interface StreamsAssessment extends DomainAssessment {
  readonly mix: readonly MixPart[]
  /** the machine as far as conversions go */
  readonly converter: ConversionMachine
}

interface MixToDo { readonly mix: readonly MixPart[], readonly note: string, readonly figures: readonly Figure[] }

/** The mix while no habits are known. */
function answeredMix(library: Library, choices: Choices, catalogue: Catalogue): MixToDo {
  const mix = libraryMix(library, catalogue.qualities, catalogue.workTable, choices.toneMapping)
  return {
    mix,
    figures: mix.map(part => workFigure(catalogue.workTable, part.task, part.work, { id: part.figure, label: `One ${part.label}`, inputs: ['library.holdings', 'choices.toneMapping'] })),
    note: mix.length
      ? 'Every title counted as equally likely to be watched, converted to 1080p at most. 1 is one 1080p H.264 stream at 24 frames a second.'
      : 'The library holds no video yet, so a plain 1080p stream stands in.',
  }
}

/** What the processor converts at once, against what the household asks. */
export function assessStreams(
  machine: Machine, library: Library, household: Household, choices: Choices, catalogue: Catalogue, demand: Demand | null,
): StreamsAssessment {
  const { asked, figures: askedFigures } = demand ? askedFromHabits(demand, choices) : askedFromAnswers(household, choices)
  const { mix, note, figures: mixFigures } = demand?.mix.length
    ? { mix: demand.mix, figures: [], note: 'The conversions that habits, devices and titles make, weighted by watching hours; shares of conversions that cannot be done are left out. 1 is one 1080p H.264 stream at 24 frames a second.' }
    : answeredMix(library, choices, catalogue)
  const work = mix.length ? meanWork(mix) : exactly(1)
  const capacity = plannedCapacity(machine, choices)
  const converter = conversionMachine(machine, choices, catalogue.workTable, capacity)
  const figures: Figure[] = [...askedFigures, ...mixFigures, figure(work, {
    id: 'streams.workPerConversion', label: 'Work of one conversion', unit: 'reference streams', source: measuredTable, note,
    inputs: [...mix.map(part => part.figure), ...(demand?.mix.length ? ['household.habits'] : []), 'library.holdings', 'choices.toneMapping'],
    formula: mix.length
      ? `${mix.slice(0, 4).map(part => `${n(part.share * 100, 3)} % ${part.label} × ${n(part.work.likely, 3)}`).join(' + ')}${mix.length > 4 ? ` + ${mix.length - 4} more` : ''} = ${n(work.likely, 3)}`
      : 'one 1080p H.264 stream = 1',
  })]
  figures.push(capacityFigure(machine, choices, capacity))
  const ownMix: readonly MixClass[] = mix.length ? mix.map(({ task, work: own, share }) => ({ task, work: own.likely, share })) : [pureClass(catalogue, choices, 'h264', 1, 8, false)]
  const possibleBand = mixCapacityBand(ownMix, converter, spreadOf(work))
  const possible = figures[figures.push(possibleFigure(ownMix, converter, possibleBand, work)) - 1]!
  for (const { id, label, codec, pictureSize, bitrateMbps, hdr } of pureCases) {
    const only = pureClass(catalogue, choices, codec, pictureSize, bitrateMbps, hdr)
    figures.push(pureFigure({ id, label }, only, converter, softwareWork(catalogue.workTable, only.task)))
  }
  const findings = engineFindings(machine, choices, converter, mix, asked)
  const short = shortFigure(demand, converter, possibleBand?.conversions ?? null, household)
  const byMinutes = choices.school === 'minutesShort' && short.value !== null
  const askedEstimate = byMinutes ? estimateOf(short)! : exactly(asked)
  const possibleEstimate = estimateOf(possible)
  const met = byMinutes ? exactly(choices.minutesShortTarget) : possibleEstimate
  return {
    mix,
    converter,
    figures: [...figures, short],
    findings,
    verdicts: [{
      id: 'streams', label: byMinutes ? 'Minutes short' : 'Conversions', domain: 'streams', unit: byMinutes ? 'min/month' : 'conversions',
      asked: askedEstimate, possible: met, share: headroomShare(askedEstimate, met), state: headroomState(askedEstimate, met),
      sentence: byMinutes ? shortSentence(askedEstimate, choices.minutesShortTarget) : conversionSentence(asked, possibleEstimate, converter.engines.length > 0),
      figures: byMinutes ? ['streams.minutesShortPerMonth', 'streams.possible'] : ['streams.asked', 'streams.possible', ...(demand ? ['streams.minutesShortPerMonth'] : [])],
    }],
  }
}

function shortFigure(demand: Demand | null, converter: ConversionMachine, conversions: Estimate | null, { busyDaysPerYear }: Household): Figure {
  const parts = { id: 'streams.minutesShortPerMonth', label: 'Minutes short a month', unit: 'min/month', inputs: ['streams.softwareReference', 'streams.possible', 'household.habits', 'household.busyDaysPerYear'] }
  const formula = 'Σ over the week of 5 min × chance that the shares of the machine exceed 1 × 4.348'
  if (!demand) return noFigure('It follows from habits, and none are entered or they are not planned for.', { ...parts, formula })
  if (!converter.processor || !conversions) return noFigure('The processor score is not entered yet.', { ...parts, formula })
  const { perMonth, ordinary, busy } = shortMinutes(demand, converter, conversions, busyDaysPerYear)
  return figure(perMonth, {
    ...parts,
    formula: `${formula} = ${n(ordinary, 3)}${busy === null ? '' : `; (${365 - busyDaysPerYear} ordinary days × ${n(ordinary, 3)} + ${busyDaysPerYear} busy days × ${n(busy, 3)}) ÷ 365 = ${n(perMonth.likely, 3)}`}`,
    note: 'The machine falls behind, or what goes out is below the lowest quality a viewer accepts. Titles that cannot be played at all are told apart.',
    source: 'Exact convolution over the viewers in each of the 2016 five-minute slots, in steps of 1/200 of the machine, rounded up; a conversion\'s share is that of the unit it fills most. The band swings the machine to the ends of what it can convert.',
  })
}

function shortSentence({ low, likely, high }: Estimate, target: number): string {
  const minutes = `${n(likely, 2)} minutes a month${high > low ? ` (${n(low, 2)} to ${n(high, 2)})` : ''}`
  return likely <= target ? `The machine falls behind for ${minutes}; ${n(target)} are accepted.` : `The machine falls behind for ${minutes}, more than the ${n(target)} that are accepted.`
}

function count(number: number): string {
  return ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten'][number] ?? String(number)
}

function conversionSentence(asked: number, possible: Estimate | null, byEngine: boolean): string {
  const machine = byEngine ? 'machine' : 'processor'
  if (!possible) return 'Enter the processor score to see how many can be converted at once.'
  const range = possible.low === possible.high ? `${possible.likely}` : `${possible.low} to ${possible.high} (most likely ${possible.likely})`
  if (asked === 0) return `Nothing needs converting; the ${machine} could do ${range} at once.`
  const need = `${count(asked)} ${asked === 1 ? 'conversion is' : 'conversions are'} asked at once`
  if (possible.high === 0) return `${need}; this ${machine} cannot do even one.`
  if (asked <= possible.low) return `${need}, and even by the cautious figure the ${machine} does ${possible.low}.`
  if (asked <= possible.likely) return `${need}; the ${machine} most likely does ${possible.likely}, but by the cautious figure only ${possible.low}.`
  return `${need}; the ${machine} most likely does ${possible.likely === 0 ? 'none' : `only ${possible.likely}`}, so the ${asked === 1 ? 'film' : 'last to start'} would stutter.`
}
