import { backupHoldings } from '../../drives/backup/backupHoldings'
import type { HoldingKindId } from '../../catalogue/holdingKinds'
import type { Plan } from '../../plan/planSchema'
import { firstFills } from '../../network/firstFill'
import { fillQuestion } from '../../network/fillQuestion'
import type { SetupSlice } from '../setupSlice'

/** One holding of the first fill. */
export interface FillStep {
  readonly name: string
  readonly sizeTB: number
  /** copied, and compared at once where it cannot be replaced, hours; null where nothing copies */
  readonly copyHours: number | null
  readonly compareHours: number | null
  readonly isIrreplaceable: boolean
  /** why it stands where it does */
  readonly why: 'irreplaceable' | 'watched' | 'notWatched' | 'backups'
}

/** Hours of an ordinary week that go to each kind, by the habits. */
export function hoursByKind({ household }: Pick<Plan, 'household'>): Map<HoldingKindId, number> {
  const hours = new Map<HoldingKindId, number>()
  for (const { days, chance, minutes, watches, onBusyDays } of household.habits) {
    if (onBusyDays) continue
    const parts = Object.entries(watches) as [HoldingKindId, number][]
    const all = parts.reduce((sum, [, part]) => sum + part, 0)
    if (all === 0) continue
    const week = (days.length * chance * minutes) / 60
    for (const [kind, part] of parts) hours.set(kind, (hours.get(kind) ?? 0) + (week * part) / all)
  }
  return hours
}

/**
 * The order of the first fill: what is irreplaceable, the smallest first; then what is watched most
 * for its size; backups of computers last. Each with its hours over the home network.
 */
export function fillOrder({ plan, catalogue, facts }: SetupSlice): FillStep[] {
  const holdings = backupHoldings(plan, catalogue).filter(({ sizeTB }) => sizeTB > 0)
  const kindOf = (index: number | null): HoldingKindId | null =>
    index === null ? null : plan.library.holdings[index]!.kind
  const kindTB = new Map<HoldingKindId | null, number>()
  for (const { index, sizeTB } of holdings)
    kindTB.set(kindOf(index), (kindTB.get(kindOf(index)) ?? 0) + sizeTB)
  const hours = hoursByKind(plan)
  const perTB = (index: number | null) => {
    const kind = kindOf(index)
    return kind === null ? 0 : (hours.get(kind) ?? 0) / kindTB.get(kind)!
  }
  const isBackup = ({ index }: { readonly index: number | null }) =>
    kindOf(index) === 'computerBackups'
  const rank = (holding: (typeof holdings)[number]) =>
    holding.irreplaceable ? 0 : isBackup(holding) ? 2 : 1
  const ordered = holdings
    .map((holding, at) => ({ holding, at }))
    .sort(
      (a, b) =>
        rank(a.holding) - rank(b.holding) ||
        (a.holding.irreplaceable
          ? a.holding.sizeTB - b.holding.sizeTB
          : perTB(b.holding.index) - perTB(a.holding.index)) ||
        a.at - b.at,
    )
  return ordered.map(({ holding }): FillStep => {
    const { name, sizeTB, irreplaceable, index } = holding
    const home = firstFills(fillQuestion(sizeTB, plan, facts)).find(({ way }) => way === 'home')!
    const why = isBackup(holding) ? 'backups' : perTB(index) > 0 ? 'watched' : 'notWatched'
    return {
      name,
      sizeTB,
      copyHours: home.hours?.likely ?? null,
      compareHours: home.verifyHours,
      isIrreplaceable: irreplaceable,
      why: irreplaceable ? 'irreplaceable' : why,
    }
  })
}
