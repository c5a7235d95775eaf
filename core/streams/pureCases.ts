import type { VideoCodec } from '../catalogue/qualities'
import type { WorkTable } from '../catalogue/workTable'
import { mapEstimate } from '../band'
import { exactly, type Estimate } from '../figure'
import { softwareTakes, type ConversionMachine } from './conversionMachine'
import { engineTakes, type Unit } from './engineShares'
import { mixCapacityBand, type MixClass } from './engineCapacity'
import { softwareWork, type ToneMapping } from './softwareWork'

/** All conversions of one kind, by the name people ask for it. */
export interface PureCase {
  readonly id: string
  readonly label: string
  readonly codec: VideoCodec
  readonly pictureSize: number
  readonly bitrateMbps: number
  readonly hdr: boolean
}

/** Cases that people ask for by name. */
export const pureCases: readonly PureCase[] = [
  {
    id: 'streams.hd1080',
    label: 'Only 1080p H.264',
    codec: 'h264',
    pictureSize: 1,
    bitrateMbps: 8,
    hdr: false,
  },
  {
    id: 'streams.hevc1080',
    label: 'Only 1080p HEVC',
    codec: 'hevc8',
    pictureSize: 1,
    bitrateMbps: 4.8,
    hdr: false,
  },
  {
    id: 'streams.uhdToneMapped',
    label: 'Only 2160p HDR to 1080p',
    codec: 'hevc10',
    pictureSize: 4,
    bitrateMbps: 25,
    hdr: true,
  },
]

/** The mix of one such case, each to 1080p. */
export function pureClass(
  table: WorkTable,
  toneMapping: ToneMapping,
  { codec, pictureSize, bitrateMbps, hdr }: Omit<PureCase, 'id' | 'label'>,
): MixClass {
  const task = {
    source: { codec, pictureSize, bitrateMbps, highDynamicRange: hdr },
    outputSize: 1,
    toneMapping,
  }
  return { task, work: softwareWork(table, task).likely, share: 1 }
}

/** An estimate as a factor around its likely value. */
export function spreadOf({ low, likely, high }: Estimate): Estimate {
  return likely > 0 ? { low: low / likely, likely: 1, high: high / likely } : exactly(1)
}

/** Conversions at once if all were of one kind. */
export interface PureFacts {
  readonly pure: PureCase
  readonly only: MixClass
  readonly work: Estimate
  /** whole conversions; null while the processor is not known */
  readonly whole: Estimate | null
  /** not rounded down */
  readonly conversions: number
  readonly binds: Unit | null
  readonly onEngine: boolean
  /** one alone is too slow */
  readonly tooSlow: boolean
}

/** Whole streams, for a whole one less than this is a matter of rounding. */
export function wholeStreams(value: number): number {
  return Math.floor(value + 1e-9)
}

export function pureFacts(
  pure: PureCase,
  machine: ConversionMachine,
  toneMapping: ToneMapping,
): PureFacts {
  const only = pureClass(machine.table, toneMapping, pure)
  const work = softwareWork(machine.table, only.task)
  const onEngine = machine.engines.some(engine => engineTakes(only.task, engine))
  const common = { pure, only, work, onEngine, conversions: 0, binds: null, tooSlow: false }
  if (!machine.processor) return { ...common, whole: null }
  if (!onEngine && !softwareTakes(work.likely, machine)) {
    // At the high end of the processor and the low end of the work it may just be done.
    const strong = { ...machine, processor: exactly(machine.processor.high) }
    const high = softwareTakes(work.low, strong)
      ? (mixCapacityBand([only], strong, exactly(1))?.conversions.likely ?? 0)
      : 0
    return { ...common, tooSlow: true, whole: { low: 0, likely: 0, high: Math.floor(high) } }
  }
  const found = mixCapacityBand([only], machine, spreadOf(work))
  const conversions = found?.conversions ?? exactly(0)
  return {
    ...common,
    whole: mapEstimate(conversions, wholeStreams),
    conversions: conversions.likely,
    binds: found?.binds ?? null,
  }
}
