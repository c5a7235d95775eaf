import type { HeldState, HeldTrial } from '../calibration/correction'
import type { CalibratedFigure, Trial } from '../plan/trials'
import type { Format } from '../units/format'
import type { CalibrationRow } from './calibrationRows'
import type { EntryKind } from './kinds'

/** How a figure is measured, and the kind of entry that it is written down as. */
export const howToMeasure: Readonly<
  Record<CalibratedFigure, { readonly how: string; readonly kind: EntryKind }>
> = {
  software: {
    how:
      'Switch the video engine off and start one conversion more every three minutes, until one ' +
      'falls behind: so many ran, with one more it stuttered.',
    kind: 'conversion',
  },
  engine: {
    how: 'Start one conversion more on the engine every three minutes, until one falls behind.',
    kind: 'conversion',
  },
  idleW: {
    how: 'With a meter at the wall: half an hour quiet, then the average of ten minutes.',
    kind: 'watts',
  },
  convertingW: {
    how: 'With a meter at the wall, the average of ten minutes at the planned peak.',
    kind: 'watts',
  },
  startW: {
    how: 'The highest reading of the meter while it starts; most meters miss the real peak.',
    kind: 'watts',
  },
  driveMBps: {
    how:
      'Read a large file for ten seconds past the cache, such as with fio and direct=1; the ' +
      'drive has to stand in the register with its bay.',
    kind: 'disk',
  },
  homeLink: { how: 'Run iperf3 for ten seconds between its ends.', kind: 'network' },
  copyRate: { how: 'Copy 20 GB in large files over the home network.', kind: 'copy' },
  smallFiles: { how: 'Copy 1 GB in files under 1 MB over the home network.', kind: 'copy' },
  upload: { how: 'From outside, in a busy hour of the evening, by cable.', kind: 'network' },
  download: { how: 'From outside, in a busy hour of the evening, by cable.', kind: 'network' },
  driveRise: {
    how: 'Read the warmest drive after an hour in one state, and the room beside it.',
    kind: 'temperature',
  },
  rebuildHours: { how: 'Write down how long a rebuild took.', kind: 'build' },
}

/** What became of a measurement, in a word or two. */
export const heldWords: Readonly<Record<HeldState, string>> = {
  counts: 'counts',
  doesNotFit: 'does not fit the others',
  apart: 'held apart',
  fault: 'a fault',
  mistake: 'a mistake',
  soItIs: 'stands as it is',
  before: 'before what stands',
}

/** What was read, as it was entered. */
export function readingText(trial: Trial, unit: string, format: Format): string {
  const { number: n, quantity } = format
  const { figure, value, upTo, reads, alone, converted } = trial
  if (alone) return `one alone at ${n(value, 3)} × real time`
  if (figure === 'software' || figure === 'engine') {
    const what =
      converted === null
        ? 'conversions'
        : `conversions of ${n(converted.pictureSize, 2)} × 1080p${converted.highDynamicRange ? ' with HDR' : ''}`
    if (reads === 'atLeast') return `${n(value)} ${what} ran, and no more were tried`
    if (reads === 'between')
      return value === 0
        ? `not even ${n(upTo ?? 1)} of ${what} ran`
        : `${n(value)} ${what} ran; with ${n(upTo ?? value + 1)} one stuttered`
  }
  const amount = figure === 'smallFiles' ? quantity(value, 'MB/s') : quantity(value, unit)
  return reads === 'atLeast'
    ? `at least ${amount}`
    : reads === 'atMost'
      ? `at most ${amount}`
      : amount
}

/** A measurement against the plan: '1.13 times what the plan says'. */
export function ratioText({ from, to }: HeldTrial, { number: n }: Format): string {
  const [low, high] = [Math.exp(from), Math.exp(to)]
  if (from === to) return `${n(low, 3)} times what the plan says`
  if (from === -Infinity) return `at most ${n(high, 3)} times what the plan says`
  return to === Infinity
    ? `at least ${n(low, 3)} times what the plan says`
    : `${n(low, 3)} to ${n(high, 3)} times what the plan says`
}

/** What a single reading that counts little is at odds with. */
const oddsWith = ({ trials }: CalibrationRow) => (trials.length > 1 ? 'the others' : 'the plan')

/** The sentence of a row: what measuring changed. */
export function rowSentence(row: CalibrationRow, format: Format): string {
  const { number: n, span } = format
  const { correction, planned, trials, unit, elsewhere } = row
  if (!correction || !planned) {
    const others =
      elsewhere > 0
        ? ` ${elsewhere === 1 ? '1 measurement is' : `${n(elsewhere)} measurements are`} of another machine or line, and not counted.`
        : ''
    return `It was not measured: the plan's estimate stands.${others}`
  }
  const counting = trials.filter(({ state }) => state === 'counts' || state === 'doesNotFit').length
  const apart = trials.filter(({ state }) => state === 'apart').length
  const { corrected } = correction
  const shift = corrected.likely / planned.likely - 1
  const change =
    Math.abs(shift) < 0.005
      ? 'as the plan says'
      : `${n(Math.abs(shift) * 100, 2)} % ${shift > 0 ? 'more' : 'less'} than the plan says`
  const held =
    apart > 0
      ? ` ${apart === 1 ? 'One is' : `${n(apart)} are`} too far off, and held apart until you say what it is.`
      : ''
  if (counting === 0 && trials.every(({ state }) => state !== 'soItIs'))
    return `The plan's estimate stands.${held}`
  const outside = corrected.likely < planned.low || corrected.likely > planned.high
  const odd = trials.find(({ state }) => state === 'doesNotFit')
  return (
    `${counting === 1 ? '1 measurement makes' : `${n(counting)} measurements make`} it ` +
    `${span(corrected, unit === '×' ? '' : unit)}: ${change}.` +
    (outside ? ' That is outside the range of the plan.' : '') +
    (odd ? ` One does not fit ${oddsWith(row)}, and counts little.` : '') +
    held
  )
}
