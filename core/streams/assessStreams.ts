import { mapEstimate, band } from '../band'
import type { Catalogue } from '../catalogue/catalogue'
import type { DomainAssessment } from '../domainAssessment'
import { exactly, figure, noFigure, type Estimate, type Figure } from '../figure'
import type { Finding } from '../finding'
import type { Choices } from '../plan/choices'
import type { Library } from '../plan/library'
import type { Machine } from '../plan/machine'
import { formatNumber as n } from '../units/formatNumber'
import { headroomShare, headroomState } from '../verdict'
import { processorCapacity, singleConversionCapacity } from './capacity'
import { libraryMix, meanWork, type MixPart } from './libraryMix'
import { softwareWork, workParts } from './softwareWork'

export interface StreamsAssessment extends DomainAssessment {
  readonly mix: readonly MixPart[]
}

const scoreRule = 'Score rule: about 2 000 points of the multi-thread score convert one 1080p stream; the band is 25 % either way.'
const measuredTable = 'Work table measured with real encoders; see the coefficients in the catalogue.'

/** Whole conversions that fit: capacity ÷ work, floored last. */
function conversions(capacity: Estimate, work: Estimate): Estimate {
  return mapEstimate(band({ capacity, work }, values => values.capacity / values.work, 'log'), value => Math.floor(value + 1e-9))
}

/** What the processor converts at once, against what the household asks. */
export function assessStreams(
  machine: Machine, library: Library, choices: Choices, catalogue: Catalogue, asked: number,
): StreamsAssessment {
  const mix = libraryMix(library, catalogue.qualities, catalogue.workTable, choices.toneMapping)
  const work = mix.length ? meanWork(mix) : exactly(1)
  const workFigure = figure(work, {
    id: 'streams.workPerConversion', label: 'Work of one conversion', unit: 'reference streams',
    inputs: [...mix.map(part => `streams.work.${part.quality.id}`), 'library.holdings', 'choices.toneMapping'],
    formula: mix.length
      ? `${mix.slice(0, 4).map(part => `${n(part.share * 100, 3)} % ${part.quality.label} × ${n(part.work.likely, 3)}`).join(' + ')}${mix.length > 4 ? ` + ${mix.length - 4} more` : ''} = ${n(work.likely, 3)}`
      : 'one 1080p H.264 stream = 1',
    source: measuredTable,
    note: mix.length
      ? 'Every title counted as equally likely to be watched, converted to 1080p at most. 1 is one 1080p H.264 stream at 24 frames a second.'
      : 'The library holds no titles yet, so a plain 1080p stream stands in.',
  })
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
  const figures: Figure[] = [...mix.map(part => partFigure(part, catalogue, choices)), workFigure]
  const findings: Finding[] = []
  let possible: Estimate | null = null

  if (machine.score === null) {
    const why = 'The processor score is not entered yet.'
    figures.push(
      noFigure(why, { ...capacityParts, formula: 'score × (1 − reserve) ÷ points a stream' }),
      noFigure(why, { ...possibleParts, formula: 'capacity ÷ work of one conversion, rounded down' }),
      noFigure(why, { ...hdParts, formula: 'capacity ÷ work, rounded down' }),
      noFigure(why, { ...uhdParts, formula: 'capacity ÷ work, rounded down' }),
    )
  }
  else {
    const capacity = processorCapacity({
      score: machine.score, pointsPerStream: choices.pointsPerStream, reserveShare: choices.systemReserveShare, passivelyCooled: machine.passivelyCooled,
    })
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
        formula: `${n(machine.score)} points × (1 − ${n(choices.systemReserveShare)})${machine.passivelyCooled ? ' × 0.8 without a fan' : ''} ÷ ${n(choices.pointsPerStream)} = ${n(capacity.likely, 3)}`,
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
    if (stuck.length && asked > 0) {
      findings.push({
        severity: 'warning', code: 'ONE_ALONE_TOO_SLOW',
        sentence: `${stuck.map(part => part.quality.label).join(' and ')}: not even one such title converts in real time on this processor.`,
        from: ['streams.softwareReference', 'machine.cores', 'library.holdings'],
        cures: [
          { sentence: 'Play these titles only on devices that show them as they are.' },
          { sentence: 'Keep a second, smaller copy of them.' },
          { sentence: 'Take a stronger processor, or one with a video engine.' },
        ],
      })
    }
  }
  const askedEstimate = exactly(asked)
  return {
    mix,
    figures,
    findings,
    verdicts: [{
      id: 'streams', label: 'Conversions', domain: 'streams', unit: 'conversions',
      asked: askedEstimate, possible, share: headroomShare(askedEstimate, possible), state: headroomState(askedEstimate, possible),
      sentence: conversionSentence(asked, possible),
      figures: ['streams.asked', 'streams.possible'],
    }],
  }
}

/** Work of one conversion of a quality, with the parts it is made of. */
function partFigure({ quality, bitrateMbps, work }: MixPart, { workTable }: Catalogue, { toneMapping }: Choices): Figure {
  const task = { source: { codec: quality.codec, pictureSize: quality.pictureSize, bitrateMbps, highDynamicRange: quality.highDynamicRange }, outputSize: Math.min(1, quality.pictureSize), toneMapping }
  const parts = workParts(workTable, task)
  const terms = parts.map(part => `${part.name} ${n(part.coefficient, 3)}${part.name === 'sound' ? '' : ` × ${n(part.size, 3)}`}`)
  return figure(work, {
    id: `streams.work.${quality.id}`, label: `One ${quality.label}`, unit: 'reference streams', inputs: ['library.holdings', 'choices.toneMapping'], source: measuredTable,
    formula: `${terms.join(' + ')} = ${n(work.likely, 3)}`,
    note: `Picture sizes are relative to 1080p; at ${n(bitrateMbps, 3)} Mb/s and 24 frames a second.`,
  })
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
