import type { Copies } from './copies'
import { anyLost } from './lossChance'
import { dayOutChance } from './outages'
import {
  copiedAlong,
  measureIds,
  perilTable,
  sectorRepairs,
  takesOver,
  type MeasureId,
  type Peril,
  type PerilId,
} from '../catalogue/perilTable'

export interface PerilQuestion {
  /** chance of loss of the layout through failing drives in a year */
  readonly drivesLoss: number
  /** chance that any drive fails in a year */
  readonly anyDriveFails: number
  readonly drives: number
  /** while failed drives are survived, everything plays on */
  readonly runsOn: boolean
  readonly hasRedundancy: boolean
  readonly checksummed: boolean
  /** chances a year, as planned with */
  readonly perYear: Readonly<
    Record<
      'sectorOfDrive' | 'deletion' | 'malware' | 'surge' | 'theft' | 'board' | 'several',
      number
    >
  >
  readonly snapshots: boolean
  readonly ups: boolean
  /** hours a year in which the machine does not serve, whatever the reason */
  readonly outageHoursPerYear: number
  readonly copies: Copies
  /** copies keep older versions */
  readonly withVersions: boolean
  readonly secondBoxTakesOver: boolean
  /** coverages that were changed, before those of the table */
  readonly coverages: readonly Coverage[]
}

/** Of what a peril does to the data, the share that a measure still has. */
export interface Coverage {
  readonly peril: PerilId
  readonly measure: MeasureId
  readonly share: number
}

/** The coverage that counts: the last that was entered, else the table's. */
export function coverageOf(
  { id, covers }: Pick<Peril, 'id' | 'covers'>,
  measure: MeasureId,
  coverages: readonly Coverage[],
): number {
  return (
    coverages.findLast(coverage => coverage.peril === id && coverage.measure === measure)?.share ??
    covers[measure]
  )
}

/** One peril in a year. */
export interface PerilChance {
  readonly id: PerilId
  readonly label: string
  /** chance that it happens */
  readonly happens: number
  /** chance that it reaches the data, past redundancy */
  readonly reaches: number
  /**
   * by measure: what it covers of that for irreplaceable data; null where the measure is not there
   */
  readonly covers: Readonly<Record<MeasureId, number | null>>
  readonly irreplaceable: number
  readonly replaceable: number
  /** chance of more than a day without service */
  readonly dayOut: number
}

export interface PerilChances {
  readonly perils: readonly PerilChance[]
  readonly irreplaceable: number
  readonly replaceable: number
  readonly dayOut: number
  /** of that through outages of a machine that is known to be unreliable */
  readonly unreliable: number
}

/** A way to a loss: how often it reaches so far, and what each measure leaves of it. */
export interface WayToLoss {
  readonly reaches: number
  readonly leaves: readonly number[]
}
export type PerilResult = 'irreplaceable' | 'replaceable' | 'dayOut'
type PerilWays = Readonly<Record<PerilResult, WayToLoss>>

/** Chance of a loss by one way: what reaches it times what every measure leaves. */
export const chanceOf = ({ reaches, leaves }: WayToLoss) =>
  leaves.reduce((rest, left) => rest * left, reaches)

/** Every peril of the table as ways to a loss, and outages of the machine itself as one more. */
export function waysToLoss(question: PerilQuestion): {
  readonly perils: readonly (PerilWays & Pick<PerilChance, 'happens' | 'reaches' | 'covers'>)[]
  readonly unreliable: WayToLoss
} {
  return {
    perils: perilTable.map(peril => {
      const { id, hit } = peril
      const happens = happensOf(id, question)
      const repaired =
        id === 'sector' && question.hasRedundancy
          ? sectorRepairs[question.checksummed ? 'checksummed' : 'plain']
          : 0
      const reaches = happens * hit * (1 - repaired)
      const coverage = (measure: MeasureId, ofReplaceable: boolean) =>
        isThere(measure, question, ofReplaceable)
          ? isCopy(measure) && !question.withVersions && copiedAlong.includes(id)
            ? 0
            : coverageOf(peril, measure, question.coverages)
          : null
      const ofData = (ofReplaceable: boolean): WayToLoss => ({
        reaches,
        leaves: measureIds.map(measure => 1 - (coverage(measure, ofReplaceable) ?? 0)),
      })
      return {
        happens,
        reaches,
        covers: Object.fromEntries(
          measureIds.map(measure => [measure, coverage(measure, false)]),
        ) as PerilChance['covers'],
        irreplaceable: ofData(false),
        replaceable: ofData(true),
        dayOut: dayOutWay(peril, happens, question),
      }
    }),
    unreliable: {
      reaches: dayOutChance(question.outageHoursPerYear),
      leaves: [leftBySecond(takesOver, question)],
    },
  }
}

/**
 * Perils a year: chance · hit · Π over the measures (1 − coverage); together 1 − Π over the perils
 * (1 − that).
 */
export function perilChances(question: PerilQuestion): PerilChances {
  const ways = waysToLoss(question)
  const perils = ways.perils.map(({ happens, reaches, covers, ...each }, at): PerilChance => ({
    id: perilTable[at]!.id,
    label: perilTable[at]!.label,
    happens,
    reaches,
    covers,
    irreplaceable: chanceOf(each.irreplaceable),
    replaceable: chanceOf(each.replaceable),
    dayOut: chanceOf(each.dayOut),
  }))
  const unreliable = chanceOf(ways.unreliable)
  return {
    perils,
    unreliable,
    irreplaceable: anyLost(perils.map(peril => peril.irreplaceable)),
    replaceable: anyLost(perils.map(peril => peril.replaceable)),
    dayOut: anyLost([...perils.map(peril => peril.dayOut), unreliable]),
  }
}

function happensOf(id: PerilId, { drivesLoss, drives, perYear }: PerilQuestion): number {
  if (id === 'drives') return drivesLoss
  // One drive alone is a failing drive.
  if (id === 'several' && drives < 2) return 0
  return id === 'sector' ? 1 - (1 - perYear.sectorOfDrive) ** drives : perYear[id]
}

function isCopy(measure: MeasureId): measure is keyof PerilQuestion['copies'] {
  return measure === 'secondBox' || measure === 'offlineCopy' || measure === 'awayCopy'
}

function isThere(
  measure: MeasureId,
  { snapshots, ups, copies }: PerilQuestion,
  ofReplaceable: boolean,
): boolean {
  if (measure === 'snapshots') return snapshots
  if (measure === 'ups') return ups
  return copies[measure][ofReplaceable ? 'replaceable' : 'irreplaceable']
}

/** What a second machine that can take over, and holds everything, leaves of an outage. */
function leftBySecond(
  covers: number,
  {
    secondBoxTakesOver,
    copies: { secondBox },
  }: Pick<PerilQuestion, 'secondBoxTakesOver' | 'copies'>,
): number {
  const holdsAll = secondBox.irreplaceable && secondBox.replaceable
  return secondBoxTakesOver && holdsAll ? 1 - covers : 1
}

/**
 * A layout that runs on has no day out for a failed drive; a UPS keeps surges away; a second
 * machine plays on where it is not hit itself.
 */
function dayOutWay(
  { id, service, covers }: Peril,
  happens: number,
  question: PerilQuestion,
): WayToLoss {
  const coverage = (measure: MeasureId) => coverageOf({ id, covers }, measure, question.coverages)
  return {
    reaches: id === 'drives' ? (question.runsOn ? 0 : question.anyDriveFails) : happens * service,
    leaves: [
      id === 'surge' && question.ups ? 1 - coverage('ups') : 1,
      leftBySecond(id === 'board' ? takesOver : coverage('secondBox'), question),
    ],
  }
}
