import type { HoldingKindId } from '../catalogue/holdingKinds'
import type { Plan } from '../plan/planSchema'

/** Folders that are shared for each kind of holding. */
const shareOf: Readonly<Record<HoldingKindId, string>> = {
  film: 'films',
  series: 'series',
  homeVideo: 'own-video',
  music: 'music',
  photos: 'photos',
  documents: 'household',
  computerBackups: 'computers',
  projects: 'projects',
}

/**
 * Names of the shares that a plan's holdings ask for: one a kind, a private folder for each person,
 * the documents of all, and what phones and guests bring.
 */
export function defaultShares({ library }: Pick<Plan, 'library'>): string[] {
  return [
    ...new Set([
      ...library.holdings.map(({ kind }) => shareOf[kind]),
      'people',
      'household',
      'inbox',
    ]),
  ]
}
