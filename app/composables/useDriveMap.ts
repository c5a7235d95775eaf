import { computed, ref, watch } from 'vue'
import { catalogue, entryOf } from '~~/core/catalogue/catalogue'
import { driveMap } from '~~/core/drives/driveMap'
import {
  groupDrives,
  putDrive,
  swapDrives,
  takeDrive,
  type NewDrive,
} from '~~/core/drives/bayOrder'
import { fileSystems } from '~~/core/drives/fileSystem'
import { drivesOf, leadHours, poolOf, snapshotsTB } from '~~/core/drives/poolOf'
import { tellFailures } from '~~/core/drives/tellFailures'
import { daysPerMonth } from '~~/core/units/time'
import { useFormat } from '~/composables/useFormat'
import { usePoolChoices } from '~/composables/usePoolChoices'
import { usePlanStore } from '~/stores/planStore'

/**
 * The drives of the plan in their bays, what lies on them, and what is left when some of them have
 * failed.
 */
export function useDriveMap() {
  const store = usePlanStore()
  const choices = usePoolChoices()
  const { format } = useFormat()
  /** places of the drives that are taken for failed */
  const failed = ref<ReadonlySet<number>>(new Set())
  const lots = computed(() => store.plan?.drives.lots ?? [])
  const drives = computed(() => drivesOf({ lots: lots.value }))
  /** group that each drive was drawn into, from 1 on */
  const groups = computed(() =>
    lots.value.flatMap(lot => Array.from({ length: lot.count }, () => lot.group)),
  )
  const models = computed(() =>
    lots.value.flatMap(lot =>
      Array.from({ length: lot.count }, () => entryOf(catalogue.driveModels, lot.model)),
    ),
  )
  const bays = computed(() => store.assessment?.domains.machine.placesForDrives ?? 0)
  const pool = computed(() => {
    const { plan, assessment } = store
    if (!plan || !assessment || !choices.value) return null
    const contentTB = assessment.figures['library.contentAtHorizonTB']?.value ?? 0
    const found = poolOf({
      drives: plan.drives,
      choices: choices.value,
      catalogue,
      contentTB,
      layoutId: assessment.domains.drives.layoutId,
    })
    // The line may still be that of the drives before.
    return 'refused' in found ? null : found
  })
  const contentTB = computed(() => store.assessment?.figures['library.contentTB']?.value ?? 0)
  /** what of the library lies on the drives: what does not fit is not there */
  const heldTB = computed(() =>
    Math.min(contentTB.value, store.assessment?.figures['drives.roomTB']?.value ?? 0),
  )
  /** files that change, and those that come */
  const changedGBPerDay = computed(
    () =>
      ((store.plan?.drives.changedGBPerMonth ?? 0) +
        1000 * (store.assessment?.figures['library.growthTBPerMonth']?.value ?? 0)) /
      daysPerMonth,
  )
  const mapped = computed(() =>
    pool.value && store.plan
      ? driveMap(
          pool.value,
          fileSystems[store.plan.drives.fileSystem],
          contentTB.value + snapshotsTB(store.plan.drives),
        )
      : null,
  )
  const told = computed(() =>
    pool.value && store.plan && failed.value.size > 0
      ? tellFailures(
          {
            pool: pool.value,
            failed: failed.value,
            leadHours: leadHours[store.plan.drives.replacement],
            heldTB: heldTB.value,
            changedGBPerDay: changedGBPerDay.value,
          },
          format.value,
        )
      : null,
  )

  // Failed drives are counted by their bays: with other drives in them they are others.
  watch(
    () => drives.value.map(({ sizeTB }) => sizeTB).join(' '),
    () => (failed.value = new Set()),
    { flush: 'sync' },
  )

  function toggle(place: number): void {
    const next = new Set(failed.value)
    if (!next.delete(place)) next.add(place)
    failed.value = next
  }
  function restoreAll(): void {
    failed.value = new Set()
  }
  const edit = (next: unknown) => store.edit('drives.lots', next)
  return {
    drives,
    groups,
    models,
    bays,
    mapped,
    told,
    failed,
    heldShare: computed(() => (contentTB.value > 0 ? heldTB.value / contentTB.value : 0)),
    toggle,
    restoreAll,
    put: (drive: NewDrive, bay: number) => edit(putDrive(lots.value, drive, bay)),
    group: (bays: ReadonlySet<number>, group: number) => edit(groupDrives(lots.value, bays, group)),
    take: (bay: number) => edit(takeDrive(lots.value, bay)),
    swap: (one: number, other: number) => edit(swapDrives(lots.value, one, other)),
  }
}

export type DriveMapState = ReturnType<typeof useDriveMap>
