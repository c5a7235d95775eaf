import { singles } from './bayOrder'
import type { DriveCatalogue } from './driveTraits'
import { layouts } from './layouts/layouts'
import { rememberedLossChance } from './lossBand'
import { poolOf, type Pool, type PoolChoices, type PoolDrives } from './poolOf'

/** From this chance of a file lost in a rebuild on, to the horizon, it is told. */
export const wideFromChance = 0.2

export interface WideQuestion {
  readonly drives: PoolDrives
  readonly catalogue: DriveCatalogue
  readonly choices: PoolChoices
  readonly contentTB: number
  readonly years: number
  /** what has to survive */
  readonly survivesAtLeast: number
}

/** What has less of it on the same drives. */
export interface Narrower {
  /** ids of layouts, those with most space first */
  readonly layouts: readonly string[]
  /** as few groups of the same layout as do; null where none do */
  readonly groups: number | null
}

/** The chance that a file is lost in a rebuild within so many years. */
export function fileLossChance(pool: Pool, years: number): number {
  const chance = rememberedLossChance(pool)
  const loss = (readErrorEndsRebuild: boolean) =>
    chance({ rate: 1, readErrors: 1 }, { years, readErrorEndsRebuild })
  return Math.max(0, loss(true) - loss(false))
}

/** Layouts and numbers of groups with which losing a file in a rebuild is less likely than told. */
export function narrowerThan(
  { drives, catalogue, choices, contentTB, years, survivesAtLeast }: WideQuestion,
  layoutId: string,
): Narrower {
  const ask = (id: string, lots: PoolDrives['lots'] = drives.lots) => {
    const pool = poolOf({
      drives: { ...drives, lots },
      choices,
      catalogue,
      contentTB,
      layoutId: id,
    })
    return 'refused' in pool || fileLossChance(pool, years) >= wideFromChance ? null : pool
  }
  const found = layouts.flatMap(({ id }) => {
    const pool = id === layoutId ? null : ask(id)
    return pool && pool.arrangement.survives >= Math.max(1, survivesAtLeast)
      ? [{ id, usableTB: pool.arrangement.usableTB }]
      : []
  })
  const each = singles(drives.lots).toSorted((a, b) => b.sizeTB - a.sizeTB)
  const most = Math.floor(
    each.length / (layouts.find(({ id }) => id === layoutId)?.minimumDrives ?? 1),
  )
  let groups: number | null = null
  for (let count = 2; count <= most && groups === null; count++) {
    const lots = each.map((lot, at) => ({
      ...lot,
      group: 1 + Math.floor((at * count) / each.length),
    }))
    if (ask(layoutId, lots)) groups = count
  }
  return {
    layouts: found
      .toSorted((a, b) => b.usableTB - a.usableTB)
      .slice(0, 3)
      .map(({ id }) => id),
    groups,
  }
}
