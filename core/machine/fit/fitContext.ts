import type { Correction } from '../../calibration/correction'
import type { driveRiseK } from '../place/heat'
import type { SystemKind } from '../../catalogue/systemKinds'
import type { FitSlice } from './fitSlice'
import type { Assembly } from '../assembly/assembly'
import type { MachinePower } from '../machinePower'
import type { MemoryNeed } from '../memory/memoryNeed'
import type { StartQuestion, StartSurge } from '../power/startSurge'

/** Everything that the rules of fit look at. */
export interface FitContext extends Assembly {
  readonly machine: FitSlice['machine']
  readonly brief: FitSlice['brief']
  readonly power: MachinePower
  /** DC watts with all drives at work, the processor at its most and cards converting */
  readonly runningW: number
  /** at the wall, converting with all drives at work, W */
  readonly convertingWallW: number
  /** of the machine's watts at work those that enclosures take from the wall beside */
  readonly besideLoadW: number
  readonly start: StartQuestion
  readonly surge: StartSurge & { readonly measured: Correction | null }
  readonly memory: MemoryNeed
  readonly system: SystemKind | null
  readonly copyOnWrite: boolean
  readonly redundant: boolean
  readonly layoutId: string
  readonly conversionsNeeded: number
  readonly hardwareConversion: boolean
  readonly serverPortMbps: number
  readonly freeBays: number
  readonly noise: NoiseFacts
  readonly heat: HeatFacts
}

export interface NoiseFacts {
  readonly sources: readonly {
    readonly what: 'drives' | 'fans' | 'supply' | 'cooler' | 'enclosure'
    readonly count: number
    readonly db: number
  }[]
  readonly sumDb: number | null
  readonly atEarDb: number
  readonly ceilingDb: number
}
export interface HeatFacts {
  readonly averageW: number
  readonly riseK: number
  /** what air does at the drives */
  readonly air: keyof typeof driveRiseK
  /** what drives are warmer by than the air around the machine, as planned or as measured */
  readonly driveRiseK: number
  readonly rise: Correction | null
  readonly warmestC: number
}
