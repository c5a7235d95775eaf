import { entryOf } from '../catalogue/catalogue'
import type { Estimate } from '../figure'
import { lazily } from '../lazily'
import type { Correction } from '../calibration/correction'
import { onceByKey } from '../onceByKey'
import type { CopyMarks } from '../library/libraryFacts'
import type { Choices } from '../plan/choices'
import { automaticLayout, ownEntry } from '../plan/constants'
import type { DriveCatalogue, DriveTraits } from './driveTraits'
import { arrangeDrives, type Arrangement } from './arrangeDrives'
import { layoutOf } from './automaticLayout'
import { driveLoads, sumEstimates, type DriveLoads } from './driveLoads'
import { fileSystems } from './fileSystem'
import { isRefusal, type LayoutRefusal, type LossKind } from './layouts/layout'
import { layouts } from './layouts/layouts'
import { longestRebuildHours, type RiskConditions } from './layoutRisk'
import { perilBand, perilBands } from './perilBands'
import { perilChances, type PerilChances } from './perilChances'
import { hasCopy } from './copies'
import { perilQuestion } from './perilQuestion'
import {
  drivesOf,
  isShaken,
  poolOf,
  snapshotsTB,
  traitsOf,
  usableNeededTB,
  type Pool,
  type PoolChoices,
  type PoolDrives,
  type PoolArrangement,
} from './poolOf'
import { watchedRate } from './rebuildHours'
import { firstBuild, type FirstBuild } from './firstBuild'
import { shareAtLoss } from './shareAtLoss'
import { spaceWaterfall, type WaterfallStep } from './waterfall'
import { likelyLoss, lossBand, rememberedLossChance, type LossChanceAt } from './lossBand'
import { survivalOf, type Survival } from './survival'
import { survivesAsked, type SurvivesAsked } from './survivesAsked'
import { narrowerThan, wideFromChance, type Narrower } from './wideGroup'

export interface DrivesSlice
  extends Pick<Choices, 'survivesAtLeast' | 'readErrorEndsRebuild' | 'horizonYears'>, PoolChoices {
  readonly drives: PoolDrives
  readonly catalogue: DriveCatalogue
  readonly contentTB: Estimate
  readonly contentAtHorizonTB: Estimate
  readonly nothingKept: boolean
  /** today */
  readonly irreplaceableTB: number
  readonly copyMarks: CopyMarks
  /** a copy over the line can be kept */
  readonly lineKeepsUp: boolean
  /** everything that is kept may be lost, so nothing has to survive */
  readonly allMayBeLost: boolean
}

/** What a pool comes to. */
export interface PoolFacts {
  readonly arrangement: PoolArrangement
  readonly conditions: RiskConditions
  readonly waterfall: readonly WaterfallStep[]
  readonly roomTB: number
  /** failed drives that lose nothing */
  readonly survives: number
  readonly loss: LossKind
  readonly parity: boolean
  /** parity is worked out as files are written, not at night */
  readonly writesParity: boolean
  /** hours; null where nothing can be rebuilt */
  readonly rebuildHours: number | null
  /** what measured rebuilds made of it */
  readonly rebuild: Correction | null
  /** hours while nobody watches, and while somebody does all along */
  readonly rebuildEnds: { readonly unwatched: number; readonly watched: number } | null
  /** null without parity */
  readonly firstBuild: FirstBuild | null
  /** of what is kept, the share that goes when data are lost, on average */
  readonly shareAtLoss: number
  readonly lossChancePerYear: Estimate
  readonly lossChanceAtHorizon: Estimate
  /** a file lost in a rebuild, to the horizon */
  readonly fileLossChanceAtHorizon: Estimate
  readonly perils: PerilChances
  /** bands of the chances by all perils together */
  readonly perilBands: ReturnType<typeof perilBands>
  /** something is irreplaceable, and nothing holds a second copy of it */
  readonly hasOneCopyOnly: boolean
  readonly survival: Survival
  /**
   * ids of layouts that keep more than half of the space and survive what must be survived; empty
   * unless this one does not
   */
  readonly roomier: readonly string[]
  /** what makes a file lost in a rebuild less likely; null while that is unlikely */
  readonly narrower: Narrower | null
  /**
   * ids of layouts that survive as much with these drives and leave less of them unused; empty
   * while little is
   */
  readonly wasteLess: readonly string[]
}

/** Space, survival and rebuild of the plan's drives, and what they draw. */
export interface DrivesFacts extends DriveLoads {
  readonly asked: SurvivesAsked
  /** a copy over the line can be kept */
  readonly lineKeepsUp: boolean
  readonly layoutId: string
  /** nobody chose it: it follows the drives */
  readonly isAutomatic: boolean
  /** class of the drives is not in the catalogue */
  readonly unknownClass: boolean
  /** models that are not in the catalogue: their drives count as entered */
  readonly unknownModels: readonly string[]
  /** lots whose size is not that of their model */
  readonly otherSizes: readonly {
    readonly lot: number
    readonly model: string
    readonly sizeTB: number
  }[]
  /** any drive writes overlapping tracks */
  readonly shingled: boolean
  readonly isShaken: boolean
  /** outer-track rate of the slowest; of none that of the plan's drives */
  readonly slowestOuterMBps: number
  /** while one title is read */
  readonly readW: Estimate
  /** usable space that the library at the horizon needs, TB; without any drives too */
  readonly usableNeededTB: number
  readonly heldTB: number
  /** null while there are no drives, or they cannot make the layout */
  readonly pool: PoolFacts | null
  readonly refusal: LayoutRefusal | null
}

/**
 * Watts of all drives while one title is read: as many as the layout reads together are at work,
 * the others idle.
 */
function readingW(
  traits: readonly Pick<DriveTraits, 'idleW' | 'activeW'>[],
  pool: Pool | null,
): Estimate {
  const idle = sumEstimates(traits.map(({ idleW }) => idleW))
  if (!pool || traits.length === 0) return idle
  const active = sumEstimates(traits.map(({ activeW }) => activeW))
  const { groups } = pool.arrangement
  const members = Math.max(...groups.map(group => group.members.length))
  const { together } = pool.layout.reads({
    members,
    survives: pool.arrangement.survives,
    dataDrives: members,
  })
  const share = Math.min(1, together / traits.length)
  const at = (end: keyof Estimate) => idle[end] + share * Math.max(0, active[end] - idle[end])
  return { low: at('low'), likely: at('likely'), high: at('high') }
}

/** Of the raw space, the share that may stay unused before it is told. */
export const unusedShare = 0.05
/** A layout that leaves less of what was bought gives away too much to pass in silence. */
export const minKeptShare = 0.5

export function drivesFacts(slice: DrivesSlice): DrivesFacts {
  const { drives, catalogue } = slice
  const each = drivesOf(drives)
  const contentTB = slice.contentAtHorizonTB.likely
  // The layout that is judged is often the plan's own.
  const pools = onceByKey<Pool | LayoutRefusal>()
  const poolAt = (layoutId: string) =>
    pools.get(layoutId, () => poolOf({ drives, choices: slice, catalogue, contentTB, layoutId }))
  const asked = survivesAsked({ ...slice, choices: slice, contentTB }, poolAt)
  const layoutId = layoutOf(drives, each, asked.layoutFor)
  const pool = poolAt(layoutId)
  const traits = traitsOf(drives, catalogue)
  return {
    ...driveLoads(traits),
    asked,
    lineKeepsUp: slice.lineKeepsUp,
    layoutId,
    isAutomatic: drives.layout === automaticLayout,
    unknownClass: entryOf(catalogue.driveClasses, drives.driveClass) === null,
    unknownModels: [...new Set(drives.lots.map(({ model }) => model))].filter(
      model => model !== ownEntry && entryOf(catalogue.driveModels, model) === null,
    ),
    otherSizes: drives.lots.flatMap((lot, index) => {
      const model = entryOf(catalogue.driveModels, lot.model)
      return model && model.sizeTB !== lot.sizeTB
        ? [{ lot: index, model: model.label, sizeTB: lot.sizeTB }]
        : []
    }),
    shingled: traits.some(({ shingled }) => shingled),
    isShaken: isShaken(drives, traits),
    slowestOuterMBps: Math.min(
      ...(traits.length ? traits.map(({ outerMBps }) => outerMBps) : [drives.outerMBps]),
    ),
    readW: readingW(traits, 'refused' in pool ? null : pool),
    usableNeededTB: usableNeededTB(contentTB, drives),
    heldTB: snapshotsTB(drives),
    pool: 'refused' in pool ? null : poolFacts(pool, slice, asked.count),
    refusal: 'refused' in pool && each.length > 0 ? pool : null,
  }
}

/**
 * What a pool comes to. Where many pools are gone through hardly any is told of: what only telling
 * looks at is worked out when it is asked for.
 */
function poolFacts(pool: Pool, slice: DrivesSlice, asked: number): PoolFacts {
  const chance = rememberedLossChance(pool)
  const { arrangement, conditions, layout } = pool
  const { drives, horizonYears } = slice
  const readError = slice.readErrorEndsRebuild ? 'ends' : 'costsFile'
  const waterfall = spaceWaterfall(arrangement, fileSystems[drives.fileSystem], snapshotsTB(drives))
  const atHorizon = lazily(() => lossBand(chance, horizonYears, readError))
  const inAYear = lazily(() => lossBand(chance, 1, readError))
  const fileLoss = lazily(() => lossBand(chance, horizonYears, 'fileAlone'))
  const ends = lazily(() => rebuildEnds(pool, slice.watchedHoursPerDay))
  const built = lazily(() => firstBuild(layout, arrangement))
  const gone = lazily(() => shareAtLoss(arrangement, layout.loss))
  const narrower = lazily(() => narrowerOf(pool, slice, { asked, fileLoss: fileLoss().likely }))
  const perils = perilFacts(pool, slice, chance)
  const roomier = lazily(() => roomierThan(arrangement, slice, asked))
  const wasteLess = lazily(() => wasteLessThan(arrangement, slice))
  return {
    arrangement,
    conditions,
    waterfall,
    roomTB: waterfall.at(-1)!.sizeTB,
    survives: arrangement.survives,
    survival: survivalOf(arrangement.survives, likelyLoss(chance, horizonYears, readError), {
      ...slice,
      asked,
    }),
    loss: layout.loss,
    parity: layout.parity,
    writesParity: layout.parity && layout.runsOn,
    rebuildHours: longestRebuildHours(arrangement),
    rebuild: pool.rebuild,
    hasOneCopyOnly: slice.irreplaceableTB > 0 && !hasCopy(slice),
    get rebuildEnds() {
      return ends()
    },
    get firstBuild() {
      return built()
    },
    get shareAtLoss() {
      return gone()
    },
    get lossChancePerYear() {
      return inAYear()
    },
    get lossChanceAtHorizon() {
      return atHorizon()
    },
    get fileLossChanceAtHorizon() {
      return fileLoss()
    },
    get narrower() {
      return narrower()
    },
    get perils() {
      return perils.likely()
    },
    get perilBands() {
      return perils.bands()
    },
    get roomier() {
      return roomier()
    },
    get wasteLess() {
      return wasteLess()
    },
  }
}

/** What makes a file lost in a rebuild less likely; null while that is unlikely. */
function narrowerOf(
  { layout }: Pool,
  slice: DrivesSlice,
  { asked, fileLoss }: { readonly asked: number; readonly fileLoss: number },
): Narrower | null {
  if (fileLoss < wideFromChance) return null
  return narrowerThan(
    {
      drives: slice.drives,
      catalogue: slice.catalogue,
      choices: slice,
      contentTB: slice.contentAtHorizonTB.likely,
      years: slice.horizonYears,
      survivesAtLeast: asked,
    },
    layout.id,
  )
}

/** Layouts that keep more of the space, where this one keeps less than half. */
function roomierThan(
  { usableTB, rawTB }: Arrangement,
  slice: DrivesSlice,
  asked: number,
): readonly string[] {
  if (usableTB >= minKeptShare * rawTB) return []
  return otherLayouts(
    slice,
    other => other.survives >= asked && other.usableTB >= minKeptShare * other.rawTB,
  )
}

/** Layouts that leave less of the drives unused, where this one leaves much. */
function wasteLessThan(
  { mismatchTB, rawTB, survives, usableTB }: Arrangement,
  slice: DrivesSlice,
): readonly string[] {
  if (mismatchTB <= unusedShare * rawTB) return []
  return otherLayouts(
    slice,
    other =>
      other.survives >= survives && other.usableTB > usableTB && other.mismatchTB < mismatchTB,
  )
}

/** The longest rebuild at no hour of watching a day, and at all of them. */
function rebuildEnds(
  { arrangement: { survives, groups } }: Pool,
  watchedHoursPerDay: number,
): PoolFacts['rebuildEnds'] {
  const at = (hours: number) => {
    const factor = watchedRate(hours) / watchedRate(watchedHoursPerDay)
    return longestRebuildHours({
      survives,
      groups: groups.map(({ conditions, ...group }) => ({
        ...group,
        conditions: { ...conditions, rebuildMBps: conditions.rebuildMBps * factor },
      })),
    })
  }
  const [unwatched, watched] = [at(0), at(24)]
  return unwatched === null || watched === null ? null : { unwatched, watched }
}

/** The chances by all perils, and their bands. */
function perilFacts(
  pool: Pool,
  slice: DrivesSlice,
  chance: LossChanceAt,
): {
  readonly likely: () => PerilChances
  readonly bands: () => ReturnType<typeof perilBands>
} {
  const readError = slice.readErrorEndsRebuild ? 'ends' : 'costsFile'
  const at = (end: keyof Estimate, drivesLoss: number) =>
    perilQuestion(pool, slice, { drivesLoss, factor: perilBand[end] })
  const likely = lazily(() => at('likely', likelyLoss(chance, 1, readError)))
  return {
    likely: lazily(() => perilChances(likely())),
    bands: lazily(() => {
      const loss = lossBand(chance, 1, readError)
      return perilBands({ low: at('low', loss.low), likely: likely(), high: at('high', loss.high) })
    }),
  }
}

/** Other layouts of the same drives that are as asked, the most usable first. */
function otherLayouts(
  { drives }: DrivesSlice,
  isAsAsked: (arrangement: Arrangement) => boolean,
): string[] {
  return layouts
    .flatMap(layout => {
      const arrangement = arrangeDrives(layout, drivesOf(drives), drives.hotSpares)
      return isRefusal(arrangement) || !isAsAsked(arrangement)
        ? []
        : [{ id: layout.id, usableTB: arrangement.usableTB }]
    })
    .sort((a, b) => b.usableTB - a.usableTB)
    .slice(0, 3)
    .map(({ id }) => id)
}
