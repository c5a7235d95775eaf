import { driveTraits, type DriveCatalogue } from '../drives/driveTraits'
import type { Estimate } from '../figure'
import type { MachineBuild } from '../machine/machineBuild'
import type { Plan } from '../plan/planSchema'
import { manufactureKg } from './carbon'

const times = (count: number, { low, likely, high }: Estimate): Estimate => ({
  low: count * low,
  likely: count * likely,
  high: count * high,
})

/** What a whole takes beyond one of its parts. */
const beyond = (whole: Estimate, part: Estimate): Estimate => ({
  low: whole.low - part.low,
  likely: whole.likely - part.likely,
  high: whole.high - part.high,
})

/** What is made for a plan, kg CO₂e; what is owned or bought used was made for somebody else. */
export function madeFor(
  { machine, drives }: Pick<Plan, 'machine' | 'drives'>,
  build: MachineBuild,
  catalogue: DriveCatalogue,
): Record<string, Estimate> {
  const made: Record<string, Estimate> = {}
  const isNew = (condition: string) => condition === 'new'
  if (build.isFromParts) {
    const parts = build.parts.filter(
      ({ part, entry }) => isNew(part.condition) && isNew('sold' in entry ? entry.sold : 'new'),
    )
    const has = (what: string) => parts.some(({ kind }) => kind === what)
    const { desktop, boardSwap } = manufactureKg
    if (has('case')) made.machine = has('board') ? desktop : beyond(desktop, boardSwap)
    else if (has('board')) made.machine = boardSwap
  } else if (isNew(machine.condition) && isNew(build.base?.sold ?? 'new')) {
    made.machine =
      build.base?.class === 'appliance'
        ? manufactureKg.appliance
        : build.base?.class === 'miniPc' ||
            build.base?.class === 'singleBoard' ||
            build.base?.class === 'router'
          ? manufactureKg.miniPc
          : manufactureKg.desktop
  }
  drives.lots.forEach((lot, index) => {
    const { spinning, driveClass } = driveTraits(lot, drives, catalogue)
    if (!isNew(lot.condition) || driveClass?.id === 'refurbished') return
    made[`drives${index}`] = spinning
      ? times(lot.count, manufactureKg.drive)
      : times(lot.count * lot.sizeTB, manufactureKg.ssdPerTB)
  })
  return made
}
