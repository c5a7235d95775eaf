import { drivesToPay } from '../drives/drivePrices'
import { drives as drivesDomain } from '../drives/drives'
import type { DrivesFacts } from '../drives/drivesFacts'
import type { SharedLink } from '../drives/sharedLinks'
import { hasUps } from '../plan/hasUps'
import { costOverYears } from '../ownership/cashFlow'
import { yearsQuestion } from '../ownership/years/yearsQuestion'
import type { Plan } from '../plan/planSchema'
import type { RowSources } from './boxRows'
import type { DriveSet, PoolRow } from './buildRows'
import { driveStates } from './driveStates'
import { onceByKey } from '../onceByKey'

export interface PoolRows {
  /** @param links what they share in a machine; none where they hang on its board */
  readonly row: (drives: DriveSet, links?: readonly SharedLink[]) => PoolRow
  readonly count: () => number
}

/** Drives under their layout, each set worked out once. */
export function createPoolRows({ plan, shipped, catalogue, assessor }: RowSources): PoolRows {
  const rows = onceByKey<PoolRow>()
  const fitKeys = onceByKey<number>()
  function rowOf(set: DriveSet, sharedLinks: readonly SharedLink[]): PoolRow {
    const { drives: own } = set
    // What is adopted plans no further purchases.
    const adopted: Plan = { ...plan, drives: { ...own, purchases: [] } }
    // How they hang is the machine's that they are put into, not the plan's.
    const around = {
      ...assessor.facts(adopted, shipped, ['household', 'library']),
      hanging: { sharedLinks },
    }
    const drives = drivesDomain.facts(
      drivesDomain.read(adopted, catalogue, around as never) as never,
    )
    const price = drivesToPay(own, catalogue)
    const copyOnWrite = own.fileSystem === 'copyOnWrite'
    return {
      set,
      count: drives.count,
      price,
      drives,
      copyOnWrite,
      fitKey: fitKeys.get(fitTraits(drives, copyOnWrite), fitKeys.size),
      roomTB: drives.pool?.roomTB ?? 0,
      get lossChanceAtHorizon() {
        return drives.pool?.lossChanceAtHorizon.likely ?? 1
      },
      ...driveStates(adopted, { library: around.library, drives }),
      yearsCost: costOverYears(
        yearsQuestion({
          plan: adopted,
          catalogue,
          hasUps: hasUps(plan, catalogue.hardware),
          horizonYears: plan.choices.horizonYears,
          // Its system and its own hours come with the machine.
          system: null,
          hoursToBuild: 0,
          pluggedIn: 0,
          machineToPay: 0,
          drivesToPay: price,
          averageW: 0,
        }),
      ),
    }
  }
  return {
    row: (set, links = []) =>
      rows.get(links.length ? `${set.key} ${JSON.stringify(links)}` : set.key, () =>
        rowOf(set, links),
      ),
    count: rows.size,
  }
}

/** All of drives that rules of fit look at. */
function fitTraits(drives: DrivesFacts, copyOnWrite: boolean): string {
  return [
    copyOnWrite,
    drives.count,
    drives.spinning,
    drives.fast,
    drives.nvme,
    drives.inOwnCase,
    drives.ownCaseIdleW,
    drives.ownCaseActiveW,
    drives.idleW.likely,
    drives.turningIdleW,
    drives.turningActiveW,
    ...drives.surges.map(({ watts, amps12 }) => `${watts}/${amps12}`),
    drives.activeW.likely,
    drives.readW.likely,
    drives.asleepW.likely,
    (drives.pool?.survives ?? 0) > 0,
    drives.layoutId,
    drives.rawTB,
  ].join(' ')
}
