/** What of a plan decides whether a step appears. */
export const conditionIds = [
  'built',
  'opened',
  'outside',
  'used',
  'adds',
  'drives',
  'behind',
  'ups',
  'maker',
  'desktop',
  'installed',
  'stick',
  'licence',
  'console',
  'ownedDrives',
  'testWrites',
  'survives',
  'last',
  'parityAfter',
  'shares',
  'folders',
  'media',
  'engine',
  'converts',
  'services',
  'phones',
  'names',
  'irreplaceable',
  'awayAny',
  'awayLine',
  'copies',
] as const
export type ConditionId = (typeof conditionIds)[number]

/** What there is of what, and minutes of waiting that follow from the plan. */
export interface Counts {
  /** bought lines of the parts list, drives and extras with them */
  readonly lines: number
  readonly drives: number
  /** of them those in trays, in bays of the case, and outside it */
  readonly inTrays: number
  readonly inBays: number
  readonly outside: number
  /** SSDs and cards in the assembly */
  readonly added: number
  readonly viewers: number
  readonly shares: number
  readonly computers: number
  readonly devices: number
  readonly phones: number
  readonly services: number
  readonly places: number
  readonly hardCells: number
  readonly copies: number
  readonly memoryGB: number
  /** of the long self-test of all drives at once */
  readonly testMin: number
  /** what owned drives hold, copied elsewhere */
  readonly copyingMin: number
  /** of parity that is built before anything is copied */
  readonly parityFirstMin: number
  /** copy and compare of what cannot be replaced, copy of the rest, compare of everything */
  readonly irreplaceableMin: number
  readonly restMin: number
  readonly compareMin: number
  readonly buildMin: number
  readonly slowestCopyMin: number
}

/** What a run-book is made from; nothing of it is worked out twice: all of it are facts. */
export interface Setup {
  readonly is: ReadonlySet<ConditionId>
  readonly counts: Counts
}
