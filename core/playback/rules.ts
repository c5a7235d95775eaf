import { codecFamilies, containers, hdrKinds, soundCodecs } from '../catalogue/media'
import { familyOf } from '../catalogue/qualities'
import type { VideoAbility } from '../catalogue/deviceClasses'
import type { Format } from '../units/format'
import type { Needs, Reason, ReasonValues, Session } from './session'

/**
 * One reason that can keep a title from playing as it is. Every rule is asked; none hides another.
 */
export interface PlaybackRule {
  readonly code: string
  readonly needs: Needs
  /** the numbers and names behind it when the rule is broken, else null */
  readonly broken: (session: Session) => ReasonValues | null
  readonly text: (values: ReasonValues, format: Pick<Format, 'number'>) => string
}

interface RuleParts<Values extends ReasonValues> {
  readonly code: string
  readonly needs: Needs
  readonly broken: (session: Session) => Values | null
  readonly text: (values: Values, format: Pick<Format, 'number'>) => string
}
function rule<const Values extends ReasonValues>(parts: RuleParts<Values>): PlaybackRule {
  return parts as unknown as PlaybackRule
}

function ability({ title, device }: Session): VideoAbility | undefined {
  return device.video.find(candidate => candidate.codec === familyOf(title.quality.codec))
}

/** Levels a picture needs by the codecs' standards: up to 30 frames a second, and above. */
export const levels: Readonly<Record<string, Readonly<Record<number, readonly [number, number]>>>> =
  {
    h264: { 576: [3, 3.1], 720: [3.1, 3.2], 1080: [4, 4.2], 2160: [5.1, 5.2] },
    hevc: { 576: [3, 3.1], 720: [3.1, 4], 1080: [4, 4.1], 2160: [5, 5.1] },
    av1: { 576: [2.1, 3], 720: [3.1, 4], 1080: [4, 4.1], 2160: [5, 5.1] },
  }

/** Level of the codec's standard that a title needs; 0 where levels do not matter. */
export function levelNeeded({
  quality,
  framesPerSecond,
}: Pick<Session['title'], 'quality' | 'framesPerSecond'>): number {
  return levels[familyOf(quality.codec)]?.[quality.lines]?.[framesPerSecond > 30 ? 1 : 0] ?? 0
}

/**
 * A rule about a limit of a codec that the device has at all: what the title needs against what the
 * device can.
 */
function ofCodec(
  code: string,
  measure: (session: Session, can: VideoAbility) => readonly [needs: number, can: number],
  text: (codec: string, can: string, needs: string) => string,
): PlaybackRule {
  return rule({
    code,
    needs: 'picture',
    broken: session => {
      const found = ability(session)
      if (!found) return null
      const [needs, can] = measure(session, found)
      return needs <= can ? null : { codec: codecFamilies[found.codec], needs, can }
    },
    text: ({ codec, needs, can }, { number: n }) => text(codec, n(can), n(needs)),
  })
}

export const playbackRules: readonly PlaybackRule[] = [
  rule({
    code: 'CODEC',
    needs: 'picture',
    broken: session =>
      ability(session) ? null : { codec: codecFamilies[familyOf(session.title.quality.codec)] },
    text: ({ codec }) => `${codec} is not played.`,
  }),
  ofCodec(
    'LINES',
    ({ title }, can) => [title.quality.lines, can.lines],
    (codec, can, needs) => `${codec} is played up to ${can} lines; this has ${needs}.`,
  ),
  ofCodec(
    'FRAME_RATE',
    ({ title }, can) => [title.framesPerSecond, can.framesPerSecond],
    (codec, can, needs) => `${codec} is played up to ${can} frames a second; this has ${needs}.`,
  ),
  ofCodec(
    'BIT_DEPTH',
    ({ title }, can) => [title.quality.bitsPerSample, can.bits],
    (codec, can, needs) => `${codec} is played with ${can} bits; this has ${needs}.`,
  ),
  ofCodec(
    'LEVEL',
    ({ title }, can) => [levelNeeded(title), can.level],
    (codec, can, needs) => `${codec} is played up to level ${can}; this needs ${needs}.`,
  ),
  rule({
    code: 'HDR',
    needs: 'picture',
    // Dynamic metadata lie over a base that any HDR10 screen shows.
    broken: ({ title, device }) =>
      title.hdr === 'none' ||
      device.hdr.includes(title.hdr) ||
      (title.hdr === 'dynamic' && device.hdr.includes('hdr10'))
        ? null
        : { hdr: hdrKinds[title.hdr], anyHdr: device.hdr.length > 0 },
    text: ({ hdr, anyHdr }) => `${hdr} is not shown${anyHdr ? '' : ': the screen has no HDR'}.`,
  }),
  rule({
    code: 'DEVICE_RATE',
    needs: 'picture',
    broken: ({ title, device }) =>
      title.peakMbps <= device.maxMbps
        ? null
        : { peakMbps: title.peakMbps, maxMbps: device.maxMbps },
    text: ({ peakMbps, maxMbps }, { number: n }) =>
      `The title peaks at ${n(peakMbps, 3)} Mb/s; the device takes ${n(maxMbps, 3)} Mb/s.`,
  }),
  rule({
    code: 'LINK_RATE',
    needs: 'picture',
    broken: ({ title, linkMbps }) =>
      title.peakMbps <= linkMbps ? null : { peakMbps: title.peakMbps, linkMbps },
    text: ({ peakMbps, linkMbps }, { number: n }) =>
      `The title peaks at ${n(peakMbps, 3)} Mb/s; the link carries ${n(linkMbps, 3)} Mb/s ` +
      'for each stream.',
  }),
  rule({
    code: 'CAP',
    needs: 'picture',
    broken: ({ title, capMbps }) =>
      title.bitrateMbps <= capMbps ? null : { bitrateMbps: title.bitrateMbps, capMbps },
    text: ({ bitrateMbps, capMbps }, { number: n }) =>
      `The title averages ${n(bitrateMbps, 3)} Mb/s; ${n(capMbps, 3)} Mb/s are allowed.`,
  }),
  rule({
    code: 'SUBTITLES',
    needs: 'picture',
    broken: ({ title, device, subtitled }) =>
      !subtitled || title.subtitles === 'none' || device.subtitles.includes(title.subtitles)
        ? null
        : { kind: title.subtitles },
    text: ({ kind }) =>
      kind === 'bitmap'
        ? 'The subtitles are images and have to be burned in.'
        : `${kind === 'styled' ? 'Styled' : 'Text'} subtitles are not shown by the device ` +
          'and have to be burned in.',
  }),
  rule({
    code: 'INTERLACED',
    needs: 'picture',
    broken: ({ title, device }) => (!title.interlaced || device.deinterlaces ? null : {}),
    text: () => 'The picture is interlaced, and the device does not deinterlace.',
  }),
  rule({
    code: 'SOUND',
    needs: 'sound',
    broken: ({ title, device }) =>
      device.sound.includes(title.sound) ? null : { sound: soundCodecs[title.sound] },
    text: ({ sound }) => `${sound} sound is not played.`,
  }),
  rule({
    code: 'CHANNELS',
    needs: 'sound',
    broken: ({ title, device }) =>
      !device.sound.includes(title.sound) || title.channels <= device.channels
        ? null
        : { has: title.channels, takes: device.channels },
    text: ({ has, takes }) => `The sound has ${has} channels; the device takes ${takes}.`,
  }),
  rule({
    code: 'CONTAINER',
    needs: 'repack',
    broken: ({ title, device }) =>
      device.containers.includes(title.container)
        ? null
        : { container: containers[title.container] },
    text: ({ container }) => `${container} files are not opened.`,
  }),
]

/** What stops a title altogether. These are no rules: they follow from the rest. */
export const stops = {
  NO_RUNG: ({ allowedMbps }: ReasonValues, { number: n }: Pick<Format, 'number'>) =>
    `Even the lowest sent quality is more than the ${n(Number(allowedMbps), 3)} Mb/s allowed.`,
  NO_OUTPUT: () => 'The device plays no H.264 to convert to.',
  TOO_SLOW: ({ lines, needs, has }: ReasonValues, { number: n }: Pick<Format, 'number'>) =>
    `Even to ${lines}p it needs ${n(Number(needs), 3)} reference streams, and one ` +
    `conversion alone can use ${n(Number(has), 3)} of this machine.`,
} as const

/** A reason in words. */
export function reasonText({ code, values }: Reason, format: Pick<Format, 'number'>): string {
  const known = playbackRules.find(candidate => candidate.code === code)
  return known ? known.text(values, format) : stops[code as keyof typeof stops](values, format)
}
