import { scaleLinear, type ScaleLinear } from 'd3-scale'
import type { WayId } from '~~/core/tiers/search/frame'
import { isSameBuild, type WayBuild } from '~~/core/tiers/search/wayBuild'
import type { WayRow } from '~~/core/tiers/search/wayRows'

/** What money is set against in the field. */
export const fieldAxes = {
  possible: 'Conversions at once',
  roomTB: 'Room, TB',
  lossChanceAtHorizon: 'Chance of loss to the horizon',
  idleW: 'Idle watts',
} as const
export type FieldAxis = keyof typeof fieldAxes

/** A build in the field of ways. */
export interface FieldMark {
  readonly id: string
  readonly build: WayBuild
  readonly meets: boolean
  readonly tier: number
  readonly x: number
  readonly y: number
  readonly shape: string
  /** it gives more than the axis shows, and stands on its edge */
  readonly isBeyond: boolean
}

const size = 8
/**
 * Shapes by kind of way: whole machines round, self-built square, what is there already a diamond,
 * two machines a pair.
 */
const shapes: Readonly<Record<'round' | 'square' | 'diamond' | 'pair' | 'flag', string>> = {
  round: `M${-size},0a${size},${size} 0 1,0 ${2 * size},0a${size},${size} 0 1,0 ${-2 * size},0z`,
  square: `M${-size + 1},${-size + 1}h${2 * size - 2}v${2 * size - 2}h${-2 * size + 2}z`,
  diamond: `M0,${-size - 2}L${size + 2},0L0,${size + 2}L${-size - 2},0z`,
  pair: `M${-size - 3},${-size + 3}h9v${2 * size - 6}h-9zM3,${-size + 3}h9v${2 * size - 6}h-9z`,
  flag: `M0,${-size - 1}L${size + 2},${size - 1}H${-size - 2}z`,
}

const kinds: Readonly<Record<WayId, keyof typeof shapes>> = {
  stay: 'flag',
  appliance: 'round',
  office: 'round',
  miniPc: 'round',
  singleBoard: 'round',
  laptop: 'round',
  router: 'round',
  rack: 'round',
  selfBuilt: 'square',
  atHand: 'diamond',
  shared: 'diamond',
  twoMachines: 'pair',
}

export const shapeOf = (way: WayId): string => shapes[kinds[way]]

export interface FieldOptions {
  readonly rows: readonly WayRow[]
  readonly axis: FieldAxis
  /** what stands to the right: price now, or cost over the years */
  readonly money?: 'toPay' | 'horizonCost'
  readonly tiers: readonly { readonly cap: number }[]
  readonly budget: number | null
  /** so much of the axis is needed; null where nothing says so */
  readonly needed?: number | null
  readonly width: number
  readonly height: number
}
/** The axis is cut at so many times what is needed: what lies beyond helps nobody. */
export const cutAt = 4

export interface Field {
  readonly x: ScaleLinear<number, number>
  readonly y: ScaleLinear<number, number>
  readonly marks: readonly FieldMark[]
}

export const fieldMargin = { left: 52, right: 20, top: 26, bottom: 40 } as const

/**
 * Builds of the rows, each once: best, by tier, and what comes closest. What the plan has already
 * stands as staying alone.
 */
export function fieldBuilds(
  rows: readonly WayRow[],
): { readonly build: WayBuild; readonly meets: boolean }[] {
  const found = new Map<string, { readonly build: WayBuild; readonly meets: boolean }>()
  const stays = rows.find(({ way }) => way === 'stay')?.best ?? null
  const isStaying = (build: WayBuild) =>
    stays !== null && build.way !== 'stay' && isSameBuild(build, stays)
  for (const { best, tiers, closest } of rows) {
    for (const build of [best, ...tiers.map(tier => tier.build)])
      if (build && !isStaying(build)) found.set(keyOf(build), { build, meets: true })
    if (closest && !found.has(keyOf(closest)))
      found.set(keyOf(closest), { build: closest, meets: false })
  }
  return [...found.values()]
}

export function keyOf({ way, label, drives, toPay, idleW }: WayBuild): string {
  return `${way} ${label} ${drives} ${toPay} ${idleW.toFixed(2)}`
}

/** Which tier a price falls into; as many as there are tiers where it is above all of them. */
export function tierOf(toPay: number, tiers: readonly { readonly cap: number }[]): number {
  const at = tiers.findIndex(({ cap }) => toPay <= cap)
  return at < 0 ? tiers.length : at
}

/** Scales and marks of the field: money to the right, the axis upwards. */
export function waysField({
  rows,
  axis,
  money = 'toPay',
  tiers,
  budget,
  needed = null,
  width,
  height,
}: FieldOptions): Field {
  const builds = fieldBuilds(rows)
  const { left, right, top, bottom } = fieldMargin
  const maxPrice =
    Math.max(
      500,
      money === 'toPay' ? (budget ?? 0) : 0,
      ...builds.map(({ build }) => build[money]),
    ) * 1.08
  const most = Math.max(
    axis === 'lossChanceAtHorizon' ? 0.01 : 1,
    ...builds.map(({ build }) => build[axis]),
  )
  const isCut = needed !== null && needed > 0 && most > cutAt * needed
  const maxValue = isCut ? cutAt * needed : 1.1 * Math.max(most, needed ?? 0)
  const x = scaleLinear([0, maxPrice], [left, Math.max(left + 1, width - right)])
  const plain = scaleLinear([0, maxValue], [height - bottom, top])
  const y = isCut ? plain : plain.nice(5)
  return {
    x,
    y,
    marks: builds.map(({ build, meets }) => ({
      id: keyOf(build),
      build,
      meets,
      tier: tierOf(build.toPay, tiers),
      x: x(build[money]),
      y: y(Math.min(build[axis], y.domain()[1]!)),
      isBeyond: build[axis] > y.domain()[1]! + 1e-9,
      shape: shapeOf(build.way),
    })),
  }
}
