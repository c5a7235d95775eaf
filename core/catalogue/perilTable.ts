/** What can stand between a peril and the data, besides the redundancy of the drives. */
export const measureIds = ['snapshots', 'ups', 'secondBox', 'offlineCopy', 'awayCopy'] as const
export type MeasureId = (typeof measureIds)[number]

export const perilIds = [
  'drives',
  'sector',
  'deletion',
  'malware',
  'surge',
  'theft',
  'board',
  'several',
] as const
export type PerilId = (typeof perilIds)[number]

export interface Peril {
  readonly id: PerilId
  readonly label: string
  /** share of such events that reach the data at all */
  readonly hit: number
  /**
   * share of such events after which nothing plays for more than a day, unless a second machine
   * takes over
   */
  readonly service: number
  /** by measure: share of the events that reach the data after which the measure still has them */
  readonly covers: Readonly<Record<MeasureId, number>>
}

/**
 * Perils and what covers them: planning values, as practitioners weigh them.
 * The chance of failing drives is the layout's own, and redundancy has its part in it already.
 */
// prettier-ignore
export const perilTable: readonly Peril[] = [
  { id: 'drives', label: 'Drives fail', hit: 1, service: 1, covers: { snapshots: 0, ups: 0, secondBox: 0.95, offlineCopy: 0.95, awayCopy: 0.98 } },
  { id: 'sector', label: 'Unreadable sector', hit: 1, service: 0, covers: { snapshots: 0, ups: 0, secondBox: 0.9, offlineCopy: 0.9, awayCopy: 0.95 } },
  { id: 'deletion', label: 'Deleted by mistake', hit: 1, service: 0, covers: { snapshots: 0.95, ups: 0, secondBox: 0.6, offlineCopy: 0.9, awayCopy: 0.95 } },
  { id: 'malware', label: 'Malware', hit: 1, service: 1, covers: { snapshots: 0.7, ups: 0, secondBox: 0.3, offlineCopy: 0.95, awayCopy: 0.9 } },
  { id: 'surge', label: 'Power surge, supply fault', hit: 0.5, service: 0.5, covers: { snapshots: 0, ups: 0.8, secondBox: 0.5, offlineCopy: 0.95, awayCopy: 0.99 } },
  { id: 'theft', label: 'Theft, fire, water', hit: 1, service: 1, covers: { snapshots: 0, ups: 0, secondBox: 0.1, offlineCopy: 0.3, awayCopy: 0.99 } },
  { id: 'board', label: 'Board fails', hit: 0.02, service: 1, covers: { snapshots: 0, ups: 0, secondBox: 0, offlineCopy: 0, awayCopy: 0 } },
  { id: 'several', label: 'Several drives at once', hit: 0.3, service: 1, covers: { snapshots: 0, ups: 0.2, secondBox: 0.9, offlineCopy: 0.95, awayCopy: 0.98 } },
]

/**
 * Of unreadable sectors, what redundancy makes good: where blocks have checksums, and where they
 * have none.
 */
export const sectorRepairs = { checksummed: 0.98, plain: 0.5 } as const
/** What a copy without older versions helps against: nothing that is copied along. */
export const copiedAlong: readonly PerilId[] = ['deletion', 'malware']
/** Of failures of the machine itself, those in which a second one that can take over plays on. */
export const takesOver = 0.95
