import { z } from 'zod'
import { codecFamilies, containers, hdrKinds, soundCodecs, subtitleKinds } from '../catalogue/media'
import { choice, choices, listOf, numberChoice, quantity, reference, text, toggle } from './fields'

const videoAbilitySchema = z.object({
  codec: choice({
    label: 'Codec',
    fallback: 'h264',
    options: codecFamilies,
    description: 'Codec of the picture.',
  }),
  level: quantity({
    label: 'Highest level',
    unit: 'level',
    min: 1,
    max: 7,
    fallback: 4.1,
    description: "Highest level of the codec's standard, such as 4.1.",
  }),
  lines: numberChoice({
    label: 'Picture height',
    unit: 'lines',
    values: [576, 720, 1080, 2160],
    fallback: 1080,
    description: 'Largest picture it decodes.',
  }),
  framesPerSecond: quantity({
    label: 'Frames a second',
    unit: '/s',
    min: 1,
    max: 240,
    fallback: 30,
    description: 'Highest frame rate it decodes.',
  }),
  bits: numberChoice({
    label: 'Bit depth',
    unit: 'bit',
    values: [8, 10],
    fallback: 8,
    description: 'Bits of each sample.',
  }),
})

const { none: _noHdr, ...hdrOptions } = hdrKinds
const { none: _noSubtitles, ...subtitleOptions } = subtitleKinds

/** A device class of the user's own: what it takes without any help from the server. */
export const capabilitySetSchema = z.object({
  id: reference({
    label: 'Short name',
    description: 'The name by which devices refer to this class.',
  }),
  label: text({ label: 'Class', max: 60, description: 'What this class of device is called.' }),
  video: listOf(videoAbilitySchema, {
    label: 'Picture codecs',
    max: 12,
    description: 'What it decodes, each with its limits.',
  }),
  screenLines: quantity({
    label: 'Shows at most',
    unit: 'lines',
    min: 144,
    max: 4320,
    whole: true,
    fallback: 1080,
    description: 'Picture height of its screen.',
  }),
  hdr: choices({
    label: 'HDR',
    fallback: [],
    options: hdrOptions,
    description: 'Kinds of high dynamic range that it shows.',
  }),
  containers: choices({
    label: 'Containers',
    fallback: ['mp4', 'mkv'],
    options: containers,
    description: 'File formats that it opens.',
  }),
  sound: choices({
    label: 'Sound codecs',
    fallback: ['aac', 'ac3'],
    options: soundCodecs,
    description: 'Codecs of the sound that it plays.',
  }),
  channels: quantity({
    label: 'Sound channels',
    unit: 'channels',
    min: 1,
    max: 16,
    whole: true,
    fallback: 2,
    description: 'Most channels that it plays.',
  }),
  subtitles: choices({
    label: 'Subtitles it shows',
    fallback: ['text'],
    options: subtitleOptions,
    description: 'Other kinds must be burned into the picture.',
  }),
  maxMbps: quantity({
    label: 'Highest bitrate',
    unit: 'Mb/s',
    min: 0.1,
    max: 1000,
    fallback: 40,
    description: 'Highest rate that it plays without stalling.',
  }),
  deinterlaces: toggle({
    label: 'Deinterlaces',
    fallback: false,
    description: 'Shows interlaced pictures without combing.',
  }),
})

export type CapabilitySet = z.infer<typeof capabilitySetSchema>
