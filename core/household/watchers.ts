import type { DeviceClass } from '../catalogue/deviceClasses'
import { homePlace } from '../plan/constants'
import type { Household } from '../plan/household'
import { withEvening, withViewer } from './evenings'

/**
 * Who watches on what, as it is asked at the start: a viewer and the class of the device of their
 * first habit.
 */
export interface WatcherOnDevice {
  readonly viewer: string
  readonly name: string
  readonly isAway: boolean
  /** null for a viewer without a habit, or whose device is gone */
  readonly deviceClass: string | null
}

/** The listed viewers with what they watch on. */
export function watchersOnDevices({ viewers, habits, devices }: Household): WatcherOnDevice[] {
  return viewers.map(({ id, name, place }) => {
    const device = habits.find(habit => habit.viewer === id)?.device
    return {
      viewer: id,
      name,
      isAway: place !== homePlace,
      deviceClass: devices.find(candidate => candidate.id === device)?.class ?? null,
    }
  })
}

/** One more viewer, with a usual evening on a device of this class. */
export function addWatcher(
  household: Household,
  isAway: boolean,
  { id: classId, label }: Pick<DeviceClass, 'id' | 'label'>,
): Household {
  const number = household.viewers.filter(viewer => (viewer.place !== homePlace) === isAway).length
  const added = withViewer(household, isAway)
  return withEvening(added.household, added.id, {
    isAway,
    number,
    device: { class: classId, name: label },
  })
}

/** Without a viewer, their habits, and the devices that only they used. */
export function removeWatcher(household: Household, viewer: string): Household {
  const habits = household.habits.filter(habit => habit.viewer !== viewer)
  const theirs = household.habits
    .filter(habit => habit.viewer === viewer)
    .map(habit => habit.device)
  const gone = theirs.filter(device => !habits.some(habit => habit.device === device))
  return {
    ...household,
    viewers: household.viewers.filter(({ id }) => id !== viewer),
    habits,
    devices: household.devices.filter(({ id }) => !gone.includes(id)),
  }
}

/**
 * Another class for the device that a viewer watches on. One that others use too is left alone: the
 * viewer gets one of their
 * own; one without a habit gets a usual evening.
 */
export function setWatcherDevice(
  household: Household,
  viewer: string,
  { id: classId, label }: Pick<DeviceClass, 'id' | 'label'>,
): Household {
  const own = household.habits.filter(habit => habit.viewer === viewer)
  const device = household.devices.find(({ id }) => id === own[0]?.device)
  const isShared = household.habits.some(
    habit => habit.viewer !== viewer && habit.device === device?.id,
  )
  if (own.length && device && !isShared) {
    return {
      ...household,
      devices: household.devices.map(entry =>
        entry.id === device.id ? { ...entry, class: classId, name: label } : entry,
      ),
    }
  }
  const isAway = household.viewers.find(({ id }) => id === viewer)?.place !== homePlace
  const withNew = withEvening(household, viewer, {
    isAway,
    number: 0,
    device: { class: classId, name: label },
  })
  if (!own.length) return withNew
  // The habit that came with the device is not wanted: those that are there move to it.
  const added = withNew.devices.at(-1)!.id
  return {
    ...withNew,
    habits: household.habits.map(habit =>
      habit.viewer === viewer && habit.device === (device?.id ?? own[0]!.device)
        ? { ...habit, device: added }
        : habit,
    ),
  }
}
