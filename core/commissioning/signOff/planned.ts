import type { Figure } from '../../figure'
import { wallW } from '../../machine/power/supplyCurve'
import { fillQuestion } from '../../network/fillQuestion'
import { firstFills } from '../../network/firstFill'
import type { HouseholdFacts } from '../../household/householdFacts'
import type { SetupSlice } from '../setupSlice'

/** What the plan says of something that is measured, with its 80 % range. */
export interface PlannedBand {
  readonly low: number
  readonly likely: number
  readonly high: number
}

/** What sign-off holds measurements against; null where the plan says nothing of it. */
export interface Planned {
  readonly idleW: PlannedBand | null
  readonly asleepW: PlannedBand | null
  readonly convertingW: PlannedBand | null
  /** at the wall */
  readonly peakW: number | null
  readonly driveC: number | null
  readonly conversions: { readonly needed: number; readonly possible: PlannedBand } | null
  readonly linkMbps: number | null
  readonly diskMBps: number | null
  readonly copyMBps: number | null
  readonly uploadMbps: number | null
  /** the room's ceiling; null while nobody said where it stands */
  readonly noiseDb: number | null
  readonly usableTB: number | null
}

export interface PlannedSlice extends SetupSlice {
  readonly figures: Readonly<Record<string, Figure>>
  readonly facts: SetupSlice['facts'] & { readonly household: HouseholdFacts }
}

/** What a plan expects to be measured, from the figures and facts that the other views show. */
export function plannedOf({ plan, figures, facts }: PlannedSlice): Planned {
  const band = (id: string): PlannedBand | null => {
    const { value = null, low, high } = figures[id] ?? {}
    return value === null ? null : { low: low ?? value, likely: value, high: high ?? value }
  }
  const hasDrives = facts.drives.count > 0
  const { surge, noise, power } = facts.fitting.context
  const question = fillQuestion(1, plan, facts)
  const home = firstFills(question).find(({ way }) => way === 'home')!
  const converts = facts.streams.needed.needed
  const possible = band('streams.possible')
  return {
    idleW: band('machine.idleW'),
    // Drives that stop take what the plan counts for hours asleep.
    asleepW: hasDrives ? facts.machine.watts.asleep : null,
    convertingW: converts > 0 ? band('machine.loadW') : null,
    peakW: hasDrives ? wallW(surge.watts, power.losses) : null,
    driveC: hasDrives ? (figures['machine.warmestDriveC']?.value ?? null) : null,
    conversions: possible && converts > 0 ? { needed: converts, possible } : null,
    linkMbps: figures['network.homeLinkMbps']?.value ?? null,
    diskMBps: hasDrives && question.toMBps > 0 ? question.toMBps : null,
    copyMBps: hasDrives && home.rateMBps > 0 ? home.rateMBps : null,
    uploadMbps: plan.network.uploadMbps > 0 ? plan.network.uploadMbps : null,
    noiseDb: plan.brief.place === 'notSaid' ? null : noise.ceilingDb,
    usableTB: figures['drives.usableTB']?.value ?? null,
  }
}
