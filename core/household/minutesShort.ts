import { slotMinutes, weeksPerMonth } from '../units/week'
import { chancesAbove, loadRoom, type Lump } from './compoundLoad'
import { alikeSlots } from './weekCounts'
import type { Occupancy, WatchingWeek } from './watchingWeek'

/** Who puts how much on, when. */
export interface WeekLoad {
  readonly week: WatchingWeek
  readonly occupancy: Occupancy
  /** by habit: what one of its sessions puts on, in cells */
  readonly lumps: readonly (readonly Lump[])[]
}

/**
 * Minutes of a month in which the loads together exceed a limit: Σ over the slots of 5 · P(Σ > limit) · 4.348.
 * @param limits in cells; the answer has one entry for each
 * @param slots the slots to look at
 */
export function minutesShort(load: WeekLoad, limits: readonly number[], slots: readonly number[] = load.occupancy.slots): number[] {
  const { week, occupancy, lumps } = load
  const sums = limits.map(() => 0)
  const least = Math.min(...limits)
  const highest = lumps.map(list => list.reduce((top, lump) => lump.chance > 0 ? Math.max(top, lump.cells) : top, 0))
  const room = loadRoom(Math.max(...limits))
  const loading = week.habits.flatMap(({ watcher }, at) => highest[at]! > 0 ? [{ watcher, cells: highest[at]!, chances: occupancy.habits[at]! }] : [])
  const worst = new Float64Array(week.watchers.length)
  for (const [slot, days] of alikeSlots(occupancy, slots)) {
    worst.fill(0)
    for (const { watcher, cells, chances } of loading) if (chances[slot]! > 0 && cells > worst[watcher]!) worst[watcher] = cells
    let most = 0
    for (let watcher = 0; watcher < worst.length; watcher++) most += worst[watcher]!
    if (most <= least) continue
    chancesAbove(drawsAt(load, slot), limits, room).forEach((chance, index) => {
      sums[index]! += days * chance
    })
  }
  return sums.map(sum => sum * slotMinutes * weeksPerMonth)
}

/** The lumps of every watcher in a slot: their habits' lumps, by the habit's chance. */
export function drawsAt({ week, occupancy, lumps }: WeekLoad, slot: number): Lump[][] {
  const draws: Lump[][] = week.watchers.map(() => [])
  week.habits.forEach(({ watcher }, at) => {
    const chance = occupancy.habits[at]![slot]!
    if (chance === 0) return
    for (const lump of lumps[at]!) draws[watcher]!.push({ cells: lump.cells, chance: lump.chance * chance })
  })
  return draws.filter(draw => draw.length > 0)
}

/** A year's mean of an ordinary and a busy figure: ((365 − N)·ordinary + N·busy) ÷ 365. */
export function withBusyDays(ordinary: number, busy: number, busyDaysPerYear: number): number {
  return ((365 - busyDaysPerYear) * ordinary + busyDaysPerYear * busy) / 365
}
