import { codecFamilies, containers, hdrKinds, soundCodecs } from '../catalogue/media'
import { familyOf } from '../catalogue/qualities'
import type { VideoAbility } from '../catalogue/deviceClasses'
import { formatNumber as n } from '../units/formatNumber'
import type { Needs, Session } from './session'

/** One reason that can keep a title from playing as it is. Every rule is asked; none hides another. */
export interface PlaybackRule {
  readonly code: string
  readonly needs: Needs
  /** the sentence when the rule is broken, else null */
  readonly broken: (session: Session) => string | null
}

function ability({ title, device }: Session): VideoAbility | undefined {
  return device.video.find(candidate => candidate.codec === familyOf(title.quality.codec))
}

/** Levels a picture needs by the codecs' standards: up to 30 frames a second, and above. */
const levels: Readonly<Record<string, Readonly<Record<number, readonly [number, number]>>>> = {
  h264: { 576: [3, 3.1], 720: [3.1, 3.2], 1080: [4, 4.2], 2160: [5.1, 5.2] },
  hevc: { 576: [3, 3.1], 720: [3.1, 4], 1080: [4, 4.1], 2160: [5, 5.1] },
  av1: { 576: [2.1, 3], 720: [3.1, 4], 1080: [4, 4.1], 2160: [5, 5.1] },
}

/** Level of the codec's standard that a title needs; 0 where levels do not matter. */
export function levelNeeded({ quality, framesPerSecond }: Pick<Session['title'], 'quality' | 'framesPerSecond'>): number {
  return levels[familyOf(quality.codec)]?.[quality.lines]?.[framesPerSecond > 30 ? 1 : 0] ?? 0
}

/** A rule about a codec that the device has at all. */
function ofCodec(code: string, broken: (session: Session, can: VideoAbility, codec: string) => string | null): PlaybackRule {
  return {
    code, needs: 'picture',
    broken: (session) => {
      const can = ability(session)
      return can ? broken(session, can, codecFamilies[can.codec]) : null
    },
  }
}

export const playbackRules: readonly PlaybackRule[] = [
  {
    code: 'CODEC', needs: 'picture',
    broken: session => ability(session) ? null : `${codecFamilies[familyOf(session.title.quality.codec)]} is not played.`,
  },
  ofCodec('LINES', ({ title }, can, codec) => title.quality.lines <= can.lines ? null : `${codec} is played up to ${can.lines} lines; this has ${title.quality.lines}.`),
  ofCodec('FRAME_RATE', ({ title }, can, codec) => title.framesPerSecond <= can.framesPerSecond ? null : `${codec} is played up to ${n(can.framesPerSecond)} frames a second; this has ${n(title.framesPerSecond)}.`),
  ofCodec('BIT_DEPTH', ({ title }, can, codec) => title.quality.bitsPerSample <= can.bits ? null : `${codec} is played with ${can.bits} bits; this has ${title.quality.bitsPerSample}.`),
  ofCodec('LEVEL', ({ title }, can, codec) => levelNeeded(title) <= can.level ? null : `${codec} is played up to level ${n(can.level)}; this needs ${n(levelNeeded(title))}.`),
  {
    code: 'HDR', needs: 'picture',
    // Dynamic metadata lie over a base that any HDR10 screen shows.
    broken: ({ title, device }) => title.hdr === 'none' || device.hdr.includes(title.hdr) || (title.hdr === 'dynamic' && device.hdr.includes('hdr10'))
      ? null
      : `${hdrKinds[title.hdr]} is not shown${device.hdr.length ? '' : ': the screen has no HDR'}.`,
  },
  {
    code: 'DEVICE_RATE', needs: 'picture',
    broken: ({ title, device }) => title.peakMbps <= device.maxMbps ? null : `Passages reach ${n(title.peakMbps, 3)} Mb/s; the device takes ${n(device.maxMbps, 3)}.`,
  },
  {
    code: 'LINK_RATE', needs: 'picture',
    broken: ({ title, linkMbps }) => title.peakMbps <= linkMbps ? null : `Passages reach ${n(title.peakMbps, 3)} Mb/s; the link carries ${n(linkMbps, 3)} for each.`,
  },
  {
    code: 'CAP', needs: 'picture',
    broken: ({ title, capMbps }) => title.bitrateMbps <= capMbps ? null : `The mean is ${n(title.bitrateMbps, 3)} Mb/s; ${n(capMbps, 3)} are allowed.`,
  },
  {
    code: 'SUBTITLES', needs: 'picture',
    broken: ({ title, device, subtitled }) => !subtitled || title.subtitles === 'none' || device.subtitles.includes(title.subtitles)
      ? null
      : title.subtitles === 'bitmap' ? 'Subtitles are pictures, and have to be burned in.' : `${title.subtitles === 'styled' ? 'Styled' : 'Text'} subtitles are not shown by the device, and have to be burned in.`,
  },
  {
    code: 'INTERLACED', needs: 'picture',
    broken: ({ title, device }) => !title.interlaced || device.deinterlaces ? null : 'The picture is interlaced, and the device does not deinterlace.',
  },
  {
    code: 'SOUND', needs: 'sound',
    broken: ({ title, device }) => device.sound.includes(title.sound) ? null : `${soundCodecs[title.sound]} sound is not played.`,
  },
  {
    code: 'CHANNELS', needs: 'sound',
    broken: ({ title, device }) => !device.sound.includes(title.sound) || title.channels <= device.channels ? null : `The sound has ${title.channels} channels; the device takes ${device.channels}.`,
  },
  {
    code: 'CONTAINER', needs: 'repack',
    broken: ({ title, device }) => device.containers.includes(title.container) ? null : `${containers[title.container]} files are not opened.`,
  },
]
