import { z } from 'zod'
import { dayField } from './driveRegister'
import { choice, listOf, optionalQuantity, quantity, reference, text, toggle } from './fields'

/** Figures of the plan that a measurement can correct, and what people call them. */
export const calibratedFigures = {
  software: 'Processor capacity',
  engine: 'Video engine',
  idleW: 'Power when idle',
  convertingW: 'Power while converting',
  startW: 'Peak at the start',
  driveMBps: 'Rate of the drives',
  homeLink: 'Home network',
  copyRate: 'Copy of large files',
  smallFiles: 'Copy of small files',
  upload: 'Upload',
  download: 'Download',
  driveRise: 'Warmth of the drives over the room',
  rebuildHours: 'Rebuild',
} as const
export type CalibratedFigure = keyof typeof calibratedFigures

/** How much a measurement says. */
export const trialReads = {
  exact: 'The value',
  between: 'Between two values',
  atLeast: 'At least this',
  atMost: 'At most this',
} as const
export type TrialReads = keyof typeof trialReads

/** What became of a measurement that is far off, or was looked at. */
export const trialStandings = {
  counts: 'Counts as it fits',
  soItIs: 'So it is',
  fault: 'A fault',
  mistake: 'A mistake',
} as const

/** Codecs whose conversion has a price in the work table. */
export const convertedCodecs = {
  h264: 'H.264',
  hevc8: 'HEVC, 8 bits',
  hevc10: 'HEVC, 10 bits',
  av1: 'AV1',
  mpeg2: 'MPEG-2',
  vc1: 'VC-1',
  vp9: 'VP9',
} as const

/** What was converted: its work follows from the table of today. */
const convertedSchema = z.object({
  codec: choice({
    label: 'Codec',
    fallback: 'h264',
    options: convertedCodecs,
    description: 'How the picture of the source is coded.',
  }),
  pictureSize: quantity({
    label: 'Picture size',
    unit: 'of 1920×1080',
    min: 0.01,
    max: 20,
    fallback: 1,
    description: 'Picture elements of the source, against those of 1920×1080.',
  }),
  highDynamicRange: toggle({
    label: 'HDR',
    fallback: false,
    description: 'Its tones were mapped.',
  }),
  framesPerSecond: quantity({
    label: 'Frames per second',
    unit: 'frames/s',
    min: 1,
    max: 240,
    fallback: 24,
    description: 'Pictures a second of the source.',
  }),
  bitrateMbps: quantity({
    label: 'Bitrate',
    unit: 'Mb/s',
    min: 0.05,
    max: 400,
    fallback: 8,
    description: 'Mean bitrate of the source.',
  }),
  outputSize: quantity({
    label: 'Converted to',
    unit: 'of 1920×1080',
    min: 0.01,
    max: 20,
    fallback: 1,
    description: 'Picture elements after converting, against those of 1920×1080.',
  }),
})
export type Converted = z.infer<typeof convertedSchema>

/** Most measurements that the plan carries for one figure of one machine, and in all. */
export const trialsPerFigure = 40
export const maxTrials = 1000

const trialSchema = z.object({
  id: reference({ label: 'Measurement', description: 'Which entry of the log it is.' }),
  figure: choice({
    label: 'Figure',
    fallback: 'software',
    options: calibratedFigures,
    description: 'What it measured.',
  }),
  of: text({
    label: 'Of',
    max: 60,
    description: 'Which engine it ran on, where there are several.',
  }),
  day: dayField({ label: 'Day', description: 'When it was measured.' }),
  mark: text({
    label: 'Measured on',
    max: 20,
    description: 'Of the machine or the drives at the time: it counts for no others.',
  }),
  reads: choice({
    label: 'Read as',
    fallback: 'exact',
    options: trialReads,
    description: 'How much the reading says.',
  }),
  value: quantity({
    label: 'Measured',
    unit: 'as shown',
    min: 0,
    max: 10_000_000,
    fallback: 0,
    description: 'What was read, in the unit of the figure.',
  }),
  upTo: optionalQuantity({
    label: 'Up to',
    unit: 'as shown',
    min: 0,
    max: 10_000_000,
    description: 'The other end, where it lies between two.',
  }),
  drivesIn: optionalQuantity({
    label: 'Drives in',
    unit: 'drives',
    min: 0,
    max: 200,
    whole: true,
    description: 'How many data drives were in it. If this is empty, all of them.',
  }),
  alone: toggle({
    label: 'One alone',
    fallback: false,
    description: 'The speed of a single conversion, in times real time.',
  }),
  spread: optionalQuantity({
    label: 'Uncertainty of the reading',
    unit: 'share',
    min: 0.001,
    max: 0.5,
    description: 'Where it follows from two readings. If this is empty, the usual one.',
  }),
  otherLoad: quantity({
    label: 'Other load',
    unit: 'reference streams',
    min: 0,
    max: 1000,
    fallback: 0,
    description: 'What else the processor did.',
  }),
  converted: convertedSchema.nullable().default(null).meta({
    title: 'Converted',
    description: 'What was converted. Empty for anything else.',
  }),
  standing: choice({
    label: 'Standing',
    fallback: 'counts',
    options: trialStandings,
    description: 'What somebody said of it.',
  }),
})
export type Trial = z.infer<typeof trialSchema>

const dismissedSchema = z.object({
  notice: text({ label: 'Notice', max: 80, description: 'Which notice of the drift.' }),
  until: dayField({ label: 'Until', description: 'From this day on it is shown again.' }),
})

const countsFromSchema = z.object({
  figure: choice({
    label: 'Figure',
    fallback: 'software',
    options: calibratedFigures,
    description: 'What begins anew.',
  }),
  of: text({ label: 'Of', max: 60, description: 'Which of several.' }),
  day: dayField({ label: 'From', description: 'Measurements before this day do not count.' }),
})

/** Fields of the calibration: measurements, reduced to what an assessment needs. */
export const trialFields = {
  trials: listOf(trialSchema, {
    label: 'Measurements',
    max: maxTrials,
    description: 'Taken from the log: the newest of each figure.',
  }),
  countsFrom: listOf(countsFromSchema, {
    label: 'Counts from',
    max: 60,
    description: 'Figures whose measurements begin anew on a day.',
  }),
  dismissed: listOf(dismissedSchema, {
    label: 'Dismissed notices',
    max: 100,
    description: 'Notices of the drift that are not shown until a day.',
  }),
  countsSimulated: toggle({
    label: 'Practice counts',
    fallback: false,
    description: 'Measurements of the practice machine correct the plan too, to try it out.',
  }),
}
