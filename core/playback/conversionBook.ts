import type { WorkTable } from '../catalogue/workTable'
import type { Estimate } from '../figure'
import { softwareWork, type ConversionTask, type ToneMapping } from '../streams/softwareWork'
import type { Session } from './session'

/**
 * A kind of conversion: what goes in, what comes out, and its work. Alike conversions share a key.
 */
export interface ConversionClass {
  readonly key: string
  /** the title it is made of, by its traits' label */
  readonly title: string
  readonly lines: number
  readonly burn: boolean
  readonly soundConverted: boolean
  readonly task: ConversionTask
  readonly work: Estimate
}

/** Works out conversions of titles, each kind once. */
export class ConversionBook {
  private readonly classes = new Map<string, ConversionClass>()

  constructor(
    readonly table: WorkTable,
    private readonly toneMapping: ToneMapping,
  ) {}

  conversion(
    { title, subtitled }: Session,
    lines: number,
    { burn, soundConverted }: { readonly burn: boolean; readonly soundConverted: boolean },
  ): ConversionClass {
    const key = `${title.key}-${Math.round(title.bitrateMbps * 1000)}.to${lines}${burn ? '.burn' : ''}${soundConverted ? '.sound' : ''}`
    const known = this.classes.get(key)
    if (known) return known
    const { quality } = title
    const task: ConversionTask = {
      source: {
        codec: quality.codec,
        pictureSize: quality.pictureSize,
        bitrateMbps: title.bitrateMbps,
        highDynamicRange: title.hdr !== 'none',
        framesPerSecond: title.framesPerSecond,
        interlaced: title.interlaced,
      },
      outputSize: Math.min(quality.pictureSize, sizeOfLines[lines]!),
      toneMapping: this.toneMapping,
      ...(soundConverted ? {} : { audio: 0 }),
      ...(burn && subtitled
        ? { burn: title.subtitles === 'bitmap' ? ('bitmap' as const) : ('text' as const) }
        : {}),
    }
    const made = {
      key,
      title: title.label,
      lines,
      burn,
      soundConverted,
      task,
      work: softwareWork(this.table, task),
    }
    this.classes.set(key, made)
    return made
  }
}

/** What a kind of conversion is called. */
export function conversionText({ title, lines, burn, soundConverted }: ConversionClass): string {
  return (
    `${title} to ` +
    `${lines}p${burn ? ', subtitles burned in' : ''}${soundConverted ? ', sound too' : ''}`
  )
}

/** Picture sizes of the ladder relative to 1920×1080. */
export const sizeOfLines: Readonly<Record<number, number>> = {
  2160: 4,
  1080: 1,
  720: 4 / 9,
  480: 0.17,
  360: 1 / 9,
}

/** One picture size at which a conversion can be sent, with the highest rate allowed for it. */
export interface ConversionStep {
  readonly lines: number
  readonly mbps: number
  readonly conversion: ConversionClass
}
