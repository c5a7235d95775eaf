import type { DocumentMigration, RawDocument } from './documentMigration'

function isRecord(value: unknown): value is RawDocument {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}

const colours = ['moss', 'rust', 'slate', 'plum', 'ochre', 'teal', 'rose', 'umber']

/**
 * A viewer of version 1 was away or at home; now each has a name to be referred by, and away is a
 * place.
 */
function upViewer(viewer: unknown, index: number): unknown {
  if (!isRecord(viewer)) return viewer
  return { id: `viewer${index + 1}`, colour: colours[index % colours.length], ...viewer }
}

/** A holding of version 1 was video of some quality; now it has a kind. */
function upHolding(holding: unknown): unknown {
  if (!isRecord(holding) || 'kind' in holding) return holding
  const ofPhone = typeof holding.quality === 'string' && holding.quality.startsWith('home')
  const isShort = typeof holding.minutes === 'number' && holding.minutes < 65
  return { kind: ofPhone ? 'homeVideo' : isShort ? 'series' : 'film', ...holding }
}

/**
 * Version 2: viewers with places, devices and habits; holdings with kinds. The answered evening is
 * the fallback of every school.
 */
export const toHabitsAndKinds: DocumentMigration = {
  from: 1,
  up(document) {
    const { household, library, choices } = document
    const isAway =
      isRecord(household) &&
      Array.isArray(household.viewers) &&
      household.viewers.some(viewer => isRecord(viewer) && viewer.place === 'away')
    return {
      ...document,
      ...(isRecord(household)
        ? {
            household: {
              ...household,
              ...(Array.isArray(household.viewers)
                ? { viewers: household.viewers.map(upViewer) }
                : {}),
              ...(isAway && !('places' in household)
                ? { places: [{ id: 'away', name: 'Away' }] }
                : {}),
            },
          }
        : {}),
      ...(isRecord(library) && Array.isArray(library.holdings)
        ? { library: { ...library, holdings: library.holdings.map(upHolding) } }
        : {}),
      ...(isRecord(choices) && choices.school === 'atOnce'
        ? { choices: { ...choices, school: 'level95' } }
        : {}),
    }
  },
}
