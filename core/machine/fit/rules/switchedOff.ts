import { fitRule } from '../fitRule'

/** What sits in a place that another place switches off does nothing. */
export const switchedOff = fitRule<{
  readonly what: string | null
  readonly place: string
  readonly by: string
  readonly covered: boolean
  readonly dead: readonly string[]
}>({
  id: 'switchedOff',
  label: 'Places that switch others off',
  group: 'places',
  stops: true,
  otherwise: 'Put one of the two into another place, or leave it out.',
  judge({ board, places }) {
    if (!board) return null
    const label = (id: string) => places.find(({ place }) => place.id === id)?.place.label ?? id
    const off = places.filter(({ offBy }) => offBy !== null)
    const taken = off.find(({ holds }) => holds !== null)
    const first = taken ?? off[0]
    return {
      state: taken ? 'fail' : 'pass',
      clash: taken
        ? {
            places: [taken.place.id, taken.offBy!],
            parts: taken.holds!.partIndex === null ? [] : [taken.holds!.partIndex],
          }
        : {},
      values: {
        what: taken?.holds?.label ?? null,
        place: taken?.place.label ?? '',
        by: first ? label(first.offBy!) : '',
        covered: first?.covered ?? false,
        dead: off.map(({ place }) => place.label),
      },
    }
  },
  say: ({ what, place, by, covered, dead }) =>
    what
      ? covered
        ? `${what} does not go into ${place}: the wide card in ${by} covers it.`
        : `${what} does nothing in ${place}: ${by} switches it off.`
      : dead.length
        ? `What sits in ${by} ${covered ? 'covers' : 'switches off'}: ${dead.join(', ')}. ` +
          'Nothing sits there.'
        : 'No place switches another off.',
  // Either of the two may be left to find another place.
  fixes: ({ places }) =>
    places.flatMap(({ place, holds, offBy }) => {
      const takesPart =
        holds !== null &&
        (offBy !== null || places.some(other => other.offBy === place.id && other.holds !== null))
      return takesPart && holds.partIndex !== null
        ? [{ how: 'move', partIndex: holds.partIndex } as const]
        : []
    }),
})
