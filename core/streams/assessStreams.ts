import { mapEstimate, band } from '../band'
import type { Catalogue } from '../catalogue/catalogue'
import type { DomainAssessment } from '../domainAssessment'
import { estimateOf, exactly, figure, noFigure, type Estimate, type Figure } from '../figure'
import type { Finding } from '../finding'
import type { Choices } from '../plan/choices'
import type { Household } from '../plan/household'
import type { Library } from '../plan/library'
import type { Machine } from '../plan/machine'
import { formatNumber as n } from '../units/formatNumber'
import { headroomShare, headroomState } from '../verdict'
import { processorCapacity, singleConversionCapacity } from './capacity'
import { askedFromAnswers, askedFromHabits } from './conversionsAsked'
import type { Demand, MixPart } from './demand'
import { libraryMix, meanWork } from './libraryMix'
import { shortMinutes } from './shortMinutes'
import { softwareWork } from './softwareWork'
import { measuredTable, workFigure } from './workFigure'

export interface StreamsAssessment extends DomainAssessment {
  readonly mix: readonly MixPart[]
}

const scoreRule = 'Score rule: about 2 000 points of the multi-thread score convert one 1080p stream; the band is 25 % either way.'

/** Whole conversions that fit: capacity ÷ work, floored last. */
function conversions(capacity: Estimate, work: Estimate): Estimate {
  return mapEstimate(band({ capacity, work }, values => values.capacity / values.work, 'log'), value => Math.floor(value + 1e-9))
}

/** Capacity of the plan's processor in reference streams; null while its score is not known. */
export function plannedCapacity(machine: Machine, choices: Choices): Estimate | null {
  return machine.score === null
    ? null
    : processorCapacity({ score: machine.score, pointsPerStream: choices.pointsPerStream, reserveShare: choices.systemReserveShare, passivelyCooled: machine.passivelyCooled })
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
  const pure = (codec: 'h264' | 'hevc10', pictureSize: number, bitrateMbps: number, highDynamicRange: boolean) =>
    softwareWork(catalogue.workTable, { source: { codec, pictureSize, bitrateMbps, highDynamicRange }, outputSize: 1, toneMapping: choices.toneMapping })
  const hdWork = pure('h264', 1, 8, false)
  const uhdWork = pure('hevc10', 4, 25, true)

  const capacityParts = {
    id: 'streams.softwareReference', label: 'Processor capacity', unit: 'reference streams',
    inputs: ['machine.score', 'choices.pointsPerStream', 'choices.systemReserveShare', 'machine.passivelyCooled'], source: scoreRule,
  }
  const possibleParts = { id: 'streams.possible', label: 'Conversions possible', unit: 'conversions', inputs: ['streams.softwareReference', 'streams.workPerConversion'], source: scoreRule }
  const hdParts = { id: 'streams.hd1080', label: 'Only 1080p H.264', unit: 'conversions', inputs: ['streams.softwareReference'], source: measuredTable }
  const uhdParts = { id: 'streams.uhdToneMapped', label: 'Only 2160p HDR to 1080p', unit: 'conversions', inputs: ['streams.softwareReference', 'choices.toneMapping'], source: measuredTable }
  const figures: Figure[] = [...askedFigures, ...mixFigures, figure(work, {
    id: 'streams.workPerConversion', label: 'Work of one conversion', unit: 'reference streams', source: measuredTable, note,
    inputs: [...mix.map(part => part.figure), ...(demand?.mix.length ? ['household.habits'] : []), 'library.holdings', 'choices.toneMapping'],
    formula: mix.length
      ? `${mix.slice(0, 4).map(part => `${n(part.share * 100, 3)} % ${part.label} × ${n(part.work.likely, 3)}`).join(' + ')}${mix.length > 4 ? ` + ${mix.length - 4} more` : ''} = ${n(work.likely, 3)}`
      : 'one 1080p H.264 stream = 1',
  })]
  const findings: Finding[] = []
  const capacity = plannedCapacity(machine, choices)
  let possible: Estimate | null = null

  if (!capacity) {
    const why = 'The processor score is not entered yet.'
    figures.push(
      noFigure(why, { ...capacityParts, formula: 'score × (1 − reserve) ÷ points a stream' }),
      noFigure(why, { ...possibleParts, formula: 'capacity ÷ work of one conversion, rounded down' }),
      noFigure(why, { ...hdParts, formula: 'capacity ÷ work, rounded down' }),
      noFigure(why, { ...uhdParts, formula: 'capacity ÷ work, rounded down' }),
    )
  }
  else {
    const alone = singleConversionCapacity(capacity.likely, machine.cores)
    const aloneHigh = singleConversionCapacity(capacity.high, machine.cores)
    possible = conversions(capacity, work)
    const uhdAtOnce = conversions(capacity, uhdWork)
    const uhd = {
      low: uhdWork.likely > alone ? 0 : uhdAtOnce.low,
      likely: uhdWork.likely > alone ? 0 : uhdAtOnce.likely,
      high: uhdWork.low > aloneHigh ? 0 : uhdAtOnce.high,
    }
    figures.push(
      figure(capacity, {
        ...capacityParts,
        formula: `${n(machine.score ?? 0)} points × (1 − ${n(choices.systemReserveShare)})${machine.passivelyCooled ? ' × 0.8 without a fan' : ''} ÷ ${n(choices.pointsPerStream)} = ${n(capacity.likely, 3)}`,
      }),
      figure(possible, {
        ...possibleParts,
        formula: `${n(capacity.likely, 3)} ÷ ${n(work.likely, 3)} = ${n(capacity.likely / work.likely, 3)}, whole: ${possible.likely}`,
        note: 'Counted in software on the processor alone. A video engine in the processor or on a card is not counted and would add to it.',
      }),
      figure(conversions(capacity, hdWork), { ...hdParts, formula: `${n(capacity.likely, 3)} ÷ ${n(hdWork.likely, 3)} = ${n(capacity.likely / hdWork.likely, 3)}, rounded down` }),
      figure(uhd, {
        ...uhdParts, inputs: [...uhdParts.inputs, 'machine.cores'],
        formula: uhdWork.likely > alone
          ? `one alone needs ${n(uhdWork.likely, 3)}, and one alone can use ${n(alone, 3)}: not in real time`
          : `${n(capacity.likely, 3)} ÷ ${n(uhdWork.likely, 3)} = ${n(capacity.likely / uhdWork.likely, 3)}, rounded down`,
      }),
    )
    const stuck = mix.filter(part => part.work.likely > alone)
    if (!demand && stuck.length && asked > 0) findings.push(tooSlow(stuck.map(part => part.label)))
  }
  const short = shortFigure(demand, capacity, work, household)
  const byMinutes = choices.school === 'minutesShort' && short.value !== null
  const askedEstimate = byMinutes ? estimateOf(short)! : exactly(asked)
  const met = byMinutes ? exactly(choices.minutesShortTarget) : possible
  return {
    mix,
    figures: [...figures, short],
    findings,
    verdicts: [{
      id: 'streams', label: byMinutes ? 'Minutes short' : 'Conversions', domain: 'streams', unit: byMinutes ? 'min/month' : 'conversions',
      asked: askedEstimate, possible: met, share: headroomShare(askedEstimate, met), state: headroomState(askedEstimate, met),
      sentence: byMinutes ? shortSentence(askedEstimate, choices.minutesShortTarget) : conversionSentence(asked, possible),
      figures: byMinutes ? ['streams.minutesShortPerMonth', 'streams.possible'] : ['streams.asked', 'streams.possible', ...(demand ? ['streams.minutesShortPerMonth'] : [])],
    }],
  }
}

function tooSlow(labels: readonly string[]): Finding {
  return {
    severity: 'warning', code: 'ONE_ALONE_TOO_SLOW',
    sentence: `${labels.join(' and ')}: not even one such title converts in real time on this processor.`,
    from: ['streams.softwareReference', 'machine.cores', 'library.holdings'],
    cures: [
      { sentence: 'Play these titles only on devices that show them as they are.' },
      { sentence: 'Keep a second, smaller copy of them.' },
      { sentence: 'Take a stronger processor, or one with a video engine.' },
    ],
  }
}

function shortFigure(demand: Demand | null, capacity: Estimate | null, work: Estimate, { busyDaysPerYear }: Household): Figure {
  const parts = { id: 'streams.minutesShortPerMonth', label: 'Minutes short a month', unit: 'min/month', inputs: ['streams.softwareReference', 'streams.workPerConversion', 'household.habits', 'household.busyDaysPerYear'] }
  const formula = 'Σ over the week of 5 min × chance that the shares of the machine exceed 1 × 4.348'
  if (!demand) return noFigure('It follows from habits, and none are entered or they are not planned for.', { ...parts, formula })
  if (!capacity) return noFigure('The processor score is not entered yet.', { ...parts, formula })
  const { perMonth, ordinary, busy } = shortMinutes(demand, capacity, work, busyDaysPerYear)
  return figure(perMonth, {
    ...parts,
    formula: `${formula} = ${n(ordinary, 3)}${busy === null ? '' : `; (${365 - busyDaysPerYear} ordinary days × ${n(ordinary, 3)} + ${busyDaysPerYear} busy days × ${n(busy, 3)}) ÷ 365 = ${n(perMonth.likely, 3)}`}`,
    note: 'The machine falls behind, or what goes out is below the lowest quality a viewer accepts. Titles that cannot be played at all are told apart.',
    source: 'Exact convolution over the viewers in each of the 2016 five-minute slots, in steps of 1/200 of the machine, rounded up. The band swings capacity and work to the ends of theirs.',
  })
}

function shortSentence({ low, likely, high }: Estimate, target: number): string {
  const minutes = `${n(likely, 2)} minutes a month${high > low ? ` (${n(low, 2)} to ${n(high, 2)})` : ''}`
  return likely <= target ? `The machine falls behind for ${minutes}; ${n(target)} are accepted.` : `The machine falls behind for ${minutes}, more than the ${n(target)} that are accepted.`
}

function count(number: number): string {
  return ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten'][number] ?? String(number)
}

function conversionSentence(asked: number, possible: Estimate | null): string {
  if (!possible) return 'Enter the processor score to see how many can be converted at once.'
  const range = possible.low === possible.high ? `${possible.likely}` : `${possible.low} to ${possible.high} (most likely ${possible.likely})`
  if (asked === 0) return `Nothing needs converting; the processor could do ${range} at once.`
  const need = `${count(asked)} ${asked === 1 ? 'conversion is' : 'conversions are'} asked at once`
  if (possible.high === 0) return `${need}; this processor cannot do even one.`
  if (asked <= possible.low) return `${need}, and even by the cautious figure the processor does ${possible.low}.`
  if (asked <= possible.likely) return `${need}; the processor most likely does ${possible.likely}, but by the cautious figure only ${possible.low}.`
  return `${need}; the processor most likely does ${possible.likely === 0 ? 'none' : `only ${possible.likely}`}, so the ${asked === 1 ? 'film' : 'last to start'} would stutter.`
}
