import { homePlace, viewerColours, type ViewerColour } from '../plan/constants'
import type { Household } from '../plan/household'
import { planSchema, type Plan } from '../plan/planSchema'

const colours = Object.keys(viewerColours) as ViewerColour[]

/** The first of name1, name2 … that is not taken. */
export function freeId(name: string, taken: readonly { readonly id: string }[]): string {
  for (let number = 1; ; number++) {
    const id = `${name}${number}`
    if (!taken.some(entry => entry.id === id)) return id
  }
}

/**
 * A sensible week out of the three answers of the busy evening: so many viewers at home and away, each with a device and
 * an evening's habit. The viewers that need conversions, away first, get devices that seldom play a file as it is. Listed
 * viewers, places and devices are kept; nobody gets a second habit.
 */
export function habitsFromAnswers(plan: Plan): Plan {
  const { watchingHome, watchingAway, converted } = plan.household
  const household: Household = structuredCloneOf(plan.household)
  if (watchingAway > 0 && household.places.length === 0) household.places.push({ id: 'away', name: 'Away', downloadMbps: null })
  const sides = [
    { watching: watchingHome, isAway: false, converting: Math.max(0, converted - watchingAway) },
    { watching: watchingAway, isAway: true, converting: Math.min(converted, watchingAway) },
  ]
  for (const { watching, isAway, converting } of sides) {
    const listed = household.viewers.filter(viewer => (viewer.place !== homePlace) === isAway)
    for (let number = 0; number < watching; number++) {
      const viewer = listed[number] ?? newViewer(household, isAway)
      if (household.habits.some(habit => habit.viewer === viewer.id)) continue
      const device = newDevice(household, isAway, number < converting)
      household.habits.push(planSchema.shape.household.parse({ habits: [{
        name: isAway ? 'Evening away' : number === 0 ? 'Evening film' : 'Evening', viewer: viewer.id, device,
        earliest: 19 * 60 + 15 * number, latest: 20 * 60 + 30 + 15 * number, minutes: number % 2 ? 75 : 110, chance: 0.7,
      }] }).habits[0]!)
    }
  }
  return planSchema.parse({ ...plan, household })
}

function structuredCloneOf(household: Household): Household {
  return JSON.parse(JSON.stringify(household)) as Household
}

function newViewer(household: Household, isAway: boolean): Household['viewers'][number] {
  const id = freeId('viewer', household.viewers)
  const number = household.viewers.length
  const viewer = {
    id, name: `Viewer ${number + 1}`, colour: colours[number % colours.length]!, place: isAway ? household.places[0]!.id : homePlace, lowestRungMbps: 3, chooses: 'pictures' as const,
  }
  household.viewers.push(viewer)
  return viewer
}

function newDevice(household: Household, isAway: boolean, converts: boolean): string {
  const id = freeId('device', household.devices)
  const [classId, name] = converts ? ['stickHd', 'Older stick'] : isAway ? ['tablet', 'Tablet'] : ['tv2020', 'Television']
  household.devices.push({ id, name: `${name} ${household.devices.length + 1}`, class: classId, link: 'wifiGood', linkMbps: null })
  return id
}
