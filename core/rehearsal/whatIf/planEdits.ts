import type { DeviceClass } from '../../catalogue/deviceClasses'
import { addWatcher } from '../../household/watchers'
import { homePlace } from '../../plan/constants'
import type { Plan } from '../../plan/planSchema'

/** What-ifs that are a change of the plan, so that everything follows from it. */
export interface PlanWhatIf {
  /** viewers more, each with a usual evening */
  readonly moreAway: number
  readonly moreHome: number
  /** the engine fails: every conversion falls back to software */
  readonly allFallBack: boolean
  readonly lineAtHalf: boolean
  readonly machineOnWifi: boolean
  /** short name of a device that is put on Wi-Fi; '' for none */
  readonly deviceOnWifi: string
}
export const noChange: PlanWhatIf = {
  moreAway: 0,
  moreHome: 0,
  allFallBack: false,
  lineAtHalf: false,
  machineOnWifi: false,
  deviceOnWifi: '',
}

/** Device class where nobody watches yet. */
const standIn = { away: 'browser', home: 'tv2020' } as const

/** The class that is watched on most at a side of the house, by hours of habits. */
function mostUsedClass({ household }: Plan, isAway: boolean): string {
  const hours = new Map<string, number>()
  for (const { viewer, device, minutes, chance, days, onBusyDays } of household.habits) {
    const place = household.viewers.find(({ id }) => id === viewer)?.place
    const used = household.devices.find(({ id }) => id === device)?.class
    if (onBusyDays || !used || place === undefined || (place !== homePlace) !== isAway) continue
    hours.set(used, (hours.get(used) ?? 0) + minutes * chance * days.length)
  }
  const [most] = [...hours].sort(([, a], [, b]) => b - a)
  return most?.[0] ?? standIn[isAway ? 'away' : 'home']
}

/** The plan with more viewers on a side, each with a usual evening on what is used most there. */
export function withMoreViewers(
  plan: Plan,
  { isAway, count }: { readonly isAway: boolean; readonly count: number },
  classes: readonly Pick<DeviceClass, 'id' | 'label'>[],
): Plan {
  const wanted = mostUsedClass(plan, isAway)
  const found = classes.find(({ id }) => id === wanted) ?? classes[0]
  let { household } = plan
  if (!found) return plan
  for (let added = 0; added < count; added++) household = addWatcher(household, isAway, found)
  return { ...plan, household }
}

/** A plan as a what-if has it. */
export function withWhatIf(
  plan: Plan,
  whatIf: PlanWhatIf,
  classes: readonly Pick<DeviceClass, 'id' | 'label'>[],
): Plan {
  const { moreAway, moreHome, allFallBack, lineAtHalf, machineOnWifi, deviceOnWifi } = whatIf
  let next = withMoreViewers(plan, { isAway: true, count: moreAway }, classes)
  next = withMoreViewers(next, { isAway: false, count: moreHome }, classes)
  if (allFallBack) next = { ...next, choices: { ...next.choices, fallbackShare: 1 } }
  if (lineAtHalf || machineOnWifi)
    next = {
      ...next,
      network: {
        ...next.network,
        ...(lineAtHalf ? { uploadMbps: next.network.uploadMbps / 2 } : {}),
        // 300 shown, of which it gets half.
        ...(machineOnWifi
          ? ({ serverLink: 'wifi', serverLinkMbps: 300, serverWifi: 'good' } as const)
          : {}),
      },
    }
  if (deviceOnWifi !== '')
    next = {
      ...next,
      household: {
        ...next.household,
        // 300 shown, of which a device gets a third.
        devices: next.household.devices.map(device =>
          device.id === deviceOnWifi
            ? { ...device, link: 'wifiFair' as const, linkMbps: 300 }
            : device,
        ),
      },
    }
  return next
}
