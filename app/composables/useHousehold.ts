import { computed } from 'vue'
import { freeId } from '~~/core/household/evenings'
import { homePlace, viewerColours, type ViewerColour } from '~~/core/plan/constants'
import type { Habit } from '~~/core/plan/household'
import { usePlanStore } from '~/stores/planStore'

type HouseholdList = 'viewers' | 'places' | 'devices' | 'habits' | 'capabilitySets'

/**
 * The lists of the plan's household, with adding, changing and removing; the schema fills in what
 * is left out.
 */
export function useHousehold() {
  const store = usePlanStore()
  const household = computed(() => store.plan?.household ?? null)
  const viewers = computed(() => household.value?.viewers ?? [])
  const places = computed(() => household.value?.places ?? [])
  const devices = computed(() => household.value?.devices ?? [])
  const habits = computed(() => household.value?.habits ?? [])
  const sets = computed(() => household.value?.capabilitySets ?? [])

  function append(list: HouseholdList, entry: object): string | null {
    return store.edit(`household.${list}`, [...(household.value?.[list] ?? []), entry])
  }
  function remove(list: HouseholdList, index: number): void {
    store.edit(
      `household.${list}`,
      (household.value?.[list] ?? []).filter((_, other) => other !== index),
    )
  }

  function addViewer(): void {
    const colours = Object.keys(viewerColours) as ViewerColour[]
    append('viewers', {
      id: freeId('viewer', viewers.value),
      name: '',
      colour: colours[viewers.value.length % colours.length],
      place: homePlace,
    })
  }
  function addPlace(): void {
    append('places', { id: freeId('place', places.value), name: '' })
  }
  function addDevice(): void {
    append('devices', { id: freeId('device', devices.value), name: '' })
  }
  /**
   * Adds a habit of a viewer; answers its index. Without viewers or devices the first of each is
   * made.
   */
  function addHabit(habit: Partial<Habit>): number {
    if (!viewers.value.length) addViewer()
    if (!devices.value.length) addDevice()
    append('habits', {
      viewer: viewers.value[0]?.id ?? '',
      device: devices.value[0]?.id ?? '',
      name: '',
      ...habit,
    })
    return habits.value.length - 1
  }
  function changeHabit(index: number, change: Partial<Habit>): string | null {
    const habit = habits.value[index]
    return habit ? store.edit(`household.habits.${index}`, { ...habit, ...change }) : null
  }

  const viewerItems = computed(() =>
    viewers.value.map((viewer, index) => ({
      value: viewer.id,
      title: viewer.name || `Viewer ${index + 1}`,
    })),
  )
  const deviceItems = computed(() =>
    devices.value.map((device, index) => ({
      value: device.id,
      title: device.name || `Device ${index + 1}`,
    })),
  )
  const placeItems = computed(() => [
    { value: homePlace, title: 'At home' },
    ...places.value.map((place, index) => ({
      value: place.id,
      title: place.name || `Place ${index + 1}`,
    })),
  ])

  return {
    household,
    viewers,
    places,
    devices,
    habits,
    sets,
    append,
    remove,
    addViewer,
    addPlace,
    addDevice,
    addHabit,
    changeHabit,
    viewerItems,
    deviceItems,
    placeItems,
  }
}
