import { homePlace, viewerColours, type ViewerColour } from '../plan/constants'
import { householdSchema, type Household } from '../plan/household'

const colours = Object.keys(viewerColours) as ViewerColour[]

/** The first of name1, name2 … that is not taken. */
export function freeId(name: string, taken: readonly { readonly id: string }[]): string {
  for (let number = 1; ; number++) {
    const id = `${name}${number}`
    if (!taken.some(entry => entry.id === id)) return id
  }
}

/** A household with a place away, if it has none yet. */
export function withPlaceAway(household: Household): Household {
  return household.places.length
    ? household
    : { ...household, places: [{ id: 'away', name: 'Away', downloadMbps: null }] }
}

/** A household with one viewer more, at home or away; their id is returned beside it. */
export function withViewer(
  household: Household,
  isAway: boolean,
): { household: Household; id: string } {
  const placed = isAway ? withPlaceAway(household) : household
  const id = freeId('viewer', placed.viewers)
  const number = placed.viewers.length
  const viewer = {
    id,
    name: `Viewer ${number + 1}`,
    colour: colours[number % colours.length]!,
    place: isAway ? placed.places[0]!.id : homePlace,
  }
  return {
    id,
    household: householdSchema.parse({ ...placed, viewers: [...placed.viewers, viewer] }),
  }
}

/**
 * A household whose viewer has a usual evening on a device of its own: between seven and half past
 * eight, each further viewer
 * of that side a quarter of an hour later, on seven evenings of ten.
 * @param device a class of device, and what this one is called
 * @param number how many evenings that side has already
 */
export function withEvening(
  household: Household,
  viewer: string,
  {
    isAway,
    number,
    device,
  }: {
    readonly isAway: boolean
    readonly number: number
    readonly device: { readonly class: string; readonly name: string }
  },
): Household {
  const id = freeId('device', household.devices)
  return householdSchema.parse({
    ...household,
    devices: [...household.devices, { id, name: device.name, class: device.class }],
    habits: [
      ...household.habits,
      {
        name: isAway ? 'Evening away' : number === 0 ? 'Evening film' : 'Evening',
        viewer,
        device: id,
        earliest: 19 * 60 + 15 * (number % 8),
        latest: 20 * 60 + 30 + 15 * (number % 8),
        minutes: number % 2 ? 75 : 110,
        chance: 0.7,
      },
    ],
  })
}
