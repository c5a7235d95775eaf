import type { WorkTable } from '../catalogue/workTable'
import type { Estimate } from '../figure'
import { ladder } from '../network/ladder'
import { softwareWork, type ConversionTask, type ToneMapping } from '../streams/softwareWork'
import { playbackRules } from './rules'
import { smallCopyTraits } from './smallCopy'
import type { Reason, Session } from './session'

/** What the server does, from best to worst. */
export const outcomes = ['playAsIs', 'repack', 'sound', 'picture', 'cannot'] as const
export type Outcome = typeof outcomes[number]

/** A kind of conversion: what goes in, what comes out, and its work. Alike conversions share a key. */
export interface ConversionClass {
  readonly key: string
  readonly label: string
  readonly task: ConversionTask
  readonly work: Estimate
}

export interface Playability {
  readonly outcome: Outcome
  /** every reason against playing it as it is */
  readonly reasons: readonly Reason[]
  /** what goes out when the picture is converted */
  readonly output: {
    readonly lines: number
    readonly mbps: number
    /** what would go out if no link and no cap limited it */
    readonly unlimitedMbps: number
  } | null
  /** reference streams, likely */
  readonly work: number
  readonly conversion: ConversionClass | null
  /** a second, small copy is played instead */
  readonly smallCopy: boolean
}

export interface ServerAbility {
  readonly table: WorkTable
  readonly toneMapping: ToneMapping
  /** whether the machine does one such conversion in real time, on an engine or in software */
  readonly takes: (task: ConversionTask, softwareWork: number) => boolean
  /** reference streams that one conversion alone can use in software, for the sentence that says why not */
  readonly aloneCapacity: number
}

/** Picture sizes of the ladder relative to 1920×1080. */
const sizeOfLines: Readonly<Record<number, number>> = { 2160: 4, 1080: 1, 720: 4 / 9, 480: 0.17, 360: 1 / 9 }

function reasonsOf(session: Session): Reason[] {
  return playbackRules.flatMap(({ code, needs, broken }) => {
    const sentence = broken(session)
    return sentence === null ? [] : [{ code, needs, sentence }]
  })
}

/** Works out conversions of titles, each kind once. */
export class ConversionBook {
  readonly classes = new Map<string, ConversionClass>()

  constructor(readonly server: ServerAbility) {}

  conversion({ title, subtitled }: Session, lines: number, burn: boolean, soundConverted: boolean): ConversionClass {
    const key = `${title.key}-${Math.round(title.bitrateMbps * 1000)}.to${lines}${burn ? '.burn' : ''}${soundConverted ? '.sound' : ''}`
    const known = this.classes.get(key)
    if (known) return known
    const { quality } = title
    const task: ConversionTask = {
      source: {
        codec: quality.codec, pictureSize: quality.pictureSize, bitrateMbps: title.bitrateMbps, highDynamicRange: title.hdr !== 'none',
        framesPerSecond: title.framesPerSecond, interlaced: title.interlaced,
      },
      outputSize: Math.min(quality.pictureSize, sizeOfLines[lines]!),
      toneMapping: this.server.toneMapping,
      ...(soundConverted ? {} : { audio: 0 }),
      ...(burn && subtitled ? { burn: title.subtitles === 'bitmap' ? 'bitmap' as const : 'text' as const } : {}),
    }
    const made = { key, label: `${title.label} to ${lines}p${burn ? ', subtitles burned in' : ''}${soundConverted ? ', sound too' : ''}`, task, work: softwareWork(this.server.table, task) }
    this.classes.set(key, made)
    return made
  }
}

/**
 * What the server does for one title on one device at one place, and why.
 * A conversion goes to the largest picture that the device shows, the source has, the limits carry by their rung of the
 * ladder, and one conversion alone manages in real time; when none is left, it cannot be played.
 */
export function playability(session: Session, book: ConversionBook): Playability {
  const reasons = reasonsOf(session)
  const worst = (['picture', 'sound', 'repack'] as const).find(needs => reasons.some(reason => reason.needs === needs))
  const untouched = { reasons, output: null, conversion: null, smallCopy: false }
  if (!worst) return { ...untouched, outcome: 'playAsIs', work: 0 }
  const { table, takes, aloneCapacity } = book.server
  if (worst === 'repack') return { ...untouched, outcome: 'repack', work: table.repack.likely }
  if (worst === 'sound') return { ...untouched, outcome: 'sound', work: table.audio.likely }

  const copy = smallCopyTraits(session.title)
  if (copy && reasonsOf({ ...session, title: copy }).length === 0) return { ...untouched, outcome: 'playAsIs', work: 0, smallCopy: true }

  const { title, device, capMbps, linkMbps } = session
  const allowedMbps = Math.min(capMbps, linkMbps)
  const shows = Math.min(device.screenLines, title.quality.lines, device.video.find(can => can.codec === 'h264')?.lines ?? 0)
  const shown = ladder.filter(rung => rung.lines <= shows)
  const rungs = shown.filter(rung => rung.rungMbps <= allowedMbps)
  if (rungs.length === 0) {
    const sentence = shows === 0 ? 'The device plays no H.264 to convert to.' : `Not even the lowest rung of the ladder fits into ${allowedMbps.toFixed(2)} Mb/s.`
    return { ...untouched, reasons: [...reasons, { code: 'NO_RUNG', needs: 'picture', sentence }], outcome: 'cannot', work: 0 }
  }
  const soundConverted = reasons.some(reason => reason.needs === 'sound')
  const burn = reasons.some(reason => reason.code === 'SUBTITLES')
  for (const rung of rungs) {
    const conversion = book.conversion(session, rung.lines, burn, soundConverted)
    if (takes(conversion.task, conversion.work.likely)) {
      return { outcome: 'picture', reasons, output: { lines: rung.lines, mbps: Math.min(rung.rungMbps, title.bitrateMbps), unlimitedMbps: Math.min(shown[0]!.rungMbps, title.bitrateMbps) }, work: conversion.work.likely, conversion, smallCopy: false }
    }
  }
  const least = book.conversion(session, rungs.at(-1)!.lines, burn, soundConverted)
  return {
    ...untouched, outcome: 'cannot', work: least.work.likely, conversion: least,
    reasons: [...reasons, { code: 'TOO_SLOW', needs: 'picture', sentence: `Even to ${rungs.at(-1)!.lines}p it needs ${least.work.likely.toFixed(1)} reference streams, and one conversion alone can use ${aloneCapacity.toFixed(1)}.` }],
  }
}
