import { computed } from 'vue'
import { catalogue } from '~~/core/catalogue/catalogue'
import { driveTraits } from '~~/core/drives/driveTraits'
import { priceOfLot } from '~~/core/drives/drivePrices'
import { spareOnShelf } from '~~/core/drives/spareOnShelf'
import { hasUps } from '~~/core/plan/hasUps'
import { forgottenExtras } from '~~/core/machine/parts/forgotten'
import { partLines, partTotals, type DriveLine } from '~~/core/machine/parts/partsList'
import { missingCopy } from '~~/core/ownership/missingCopy'
import { effectiveCatalogue } from '~~/core/calibration/effectiveCatalogue'
import { useFormat } from '~/composables/useFormat'
import { useLacksCopy } from '~/composables/useLacksCopy'
import { usePlanStore } from '~/stores/planStore'
import { useMachineParts } from './useMachineParts'

/**
 * The plan as a list of what is bought: lines, sums, what each costs by use, and what is easily
 * forgotten.
 */
export function usePartsList() {
  const store = usePlanStore()
  const { assembly, lists } = useMachineParts()
  const { quantity, money } = useFormat()
  const { lacksCopy } = useLacksCopy()
  const drives = computed((): DriveLine[] =>
    (store.plan?.drives.lots ?? []).map(lot => {
      const { each, isUsual } = priceOfLot(lot, store.plan!.drives, catalogue)
      const { model } = driveTraits(lot, store.plan!.drives, catalogue)
      return {
        label: model?.label ?? `Drive of ${quantity(lot.sizeTB, 'TB')}`,
        count: lot.count,
        condition: lot.condition,
        priceEach: each,
        isUsual,
      }
    }),
  )
  const lines = computed(() =>
    store.plan && assembly.value
      ? partLines(store.plan.machine, assembly.value.build, drives.value)
      : [],
  )
  const totals = computed(() =>
    partTotals(lines.value, {
      extras: store.plan?.costs.extras ?? 0,
      diagnosisFee: store.plan?.machine.diagnosisFee ?? 0,
    }),
  )
  const value = (id: string) => store.assessment?.figures[id]?.value ?? 0
  /** what the sum comes to for each of what it gives; null where it gives none */
  const perUse = computed(() =>
    (
      [
        ['usable TB', value('drives.usableTB')],
        ['bay', assembly.value?.build.bays ?? 0],
        ['conversion at once', value('streams.possible')],
      ] as const
    ).map(([label, count]) => ({
      label,
      price: count > 0 ? totals.value.asIfBought / count : null,
    })),
  )
  const forgotten = computed(() => {
    const { plan, assessment } = store
    if (!plan || !assessment || !assembly.value) return []
    const pool = assessment.domains.drives.pool
    const copy = lacksCopy.value ? missingCopy(plan, effectiveCatalogue(plan, catalogue)) : null
    return forgottenExtras(assembly.value, {
      hardware: lists.value.hardware,
      loadWallW: assessment.domains.machine.watts.converting.likely,
      upsMinutes: plan.costs.upsMinutes,
      hasUps: hasUps(plan, lists.value.hardware),
      rebuilds: pool?.parity ?? false,
      driveCount: assessment.domains.drives.count,
      copy: copy && {
        label: copy.media?.model.label ?? `a store, ${money(copy.perMonth)} a month`,
        count: copy.media?.count ?? 1,
        price: copy.price,
      },
      spare: spareOnShelf(plan, { ...catalogue, survives: pool?.survives ?? 0 }),
    })
  })
  return { lines, totals, perUse, forgotten }
}
