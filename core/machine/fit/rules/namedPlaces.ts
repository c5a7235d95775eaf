import { fitRule } from '../fitRule'

/** What the plan puts into a place of the board by its name sits there. */
export const namedPlaces = fitRule<{
  readonly what: string
  readonly place: string
  readonly isThere: boolean
  readonly instead: string
}>({
  id: 'namedPlaces',
  label: 'Places that are named',
  group: 'places',
  otherwise: 'Name a place that is free, or leave it open.',
  judge({ board, places, unplaced }) {
    if (!board) return null
    const label = (id: string) => places.find(({ place }) => place.id === id)?.place.label
    const named = [
      ...places.flatMap(({ holds, place }) =>
        holds && holds.at !== '' ? [{ item: holds, instead: place.id }] : [],
      ),
      ...unplaced.flatMap(({ item }) => (item.at === '' ? [] : [{ item, instead: '' }])),
    ]
    if (named.length === 0) return null
    const { item, instead } = named.find(entry => entry.item.at !== entry.instead) ?? named[0]!
    return {
      state: item.at === instead ? 'pass' : 'warning',
      values: {
        what: item.label,
        place: label(item.at) ?? item.at,
        isThere: label(item.at) !== undefined,
        instead: instead === '' ? '' : label(instead)!,
      },
      clash: { parts: item.partIndex === null ? [] : [item.partIndex] },
    }
  },
  say({ what, place, isThere, instead }, _, state) {
    if (state === 'pass') return 'Every part sits in the place that is named for it.'
    const why = isThere ? `${place} does not take it, or is taken` : `the board has no "${place}"`
    return `${what}: ${why}${instead ? `, so it sits in ${instead}` : ''}.`
  },
  fixes: ({ places }) =>
    places.flatMap(({ holds, place }) =>
      holds?.partIndex != null && holds.at !== '' && holds.at !== place.id
        ? [{ how: 'move', partIndex: holds.partIndex } as const]
        : [],
    ),
})
