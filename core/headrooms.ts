/** What is said of a headroom, wherever it is named. */
export interface HeadroomWords {
  /** on the headroom line */
  readonly label: string
  /** within a sentence: 'it lacks space' */
  readonly name: string
  /** as a part of the need: 'the room' */
  readonly need: string
  /** the view it belongs to, which is its domain too */
  readonly view: string
  /** of a build that does not meet it, as a clause: 'it has too little room' */
  readonly lacking: string
  /** what it means for the whole plan, as a clause behind "because" */
  readonly clauses: Readonly<Record<'short' | 'tight' | 'unknown', string>>
}

/**
 * Every headroom, in the order of the headroom line. All but the money are parts of the need: what
 * a build has to be, whatever it costs.
 */
export const headrooms = {
  streams: {
    label: 'Conversions',
    name: 'conversions',
    need: 'the conversions',
    view: 'streams',
    lacking: 'it converts too little',
    clauses: {
      short: 'the machine cannot convert enough at once',
      tight: 'the conversions needed just fit',
      unknown: 'conversions cannot be judged until the processor is known',
    },
  },
  space: {
    label: 'Space',
    name: 'space',
    need: 'the room',
    view: 'drives',
    lacking: 'it has too little room',
    clauses: {
      short: 'the library outgrows the drives',
      tight: 'the library just fits',
      unknown: 'space cannot be judged until holdings and drives are entered',
    },
  },
  survival: {
    label: 'Survival',
    name: 'survival',
    need: 'what must survive',
    view: 'drives',
    lacking: 'too few drives may fail',
    clauses: {
      short: 'it survives too few failed drives',
      tight: 'it survives just as many failed drives as it must',
      unknown: 'survival cannot be judged until drives are chosen',
    },
  },
  home: {
    label: 'Home network',
    name: 'home network',
    need: 'the home network',
    view: 'network',
    lacking: 'the home network is too slow',
    clauses: {
      short: 'the home network is too slow',
      tight: 'the home network just keeps up',
      unknown: 'the home network cannot be judged yet',
    },
  },
  away: {
    label: 'Away',
    name: 'away',
    need: 'the upload',
    view: 'network',
    lacking: 'the upload is too small',
    clauses: {
      short: 'the upload is too slow for viewers away',
      tight: 'the upload just keeps up',
      unknown: 'the upload cannot be judged yet',
    },
  },
  fit: {
    label: 'Fit and power',
    name: 'fit and power',
    need: 'what goes together',
    view: 'machine',
    lacking: 'it does not go together',
    clauses: {
      short: 'there are too few bays',
      tight: 'the drives just fit into the bays',
      unknown: 'the bays cannot be judged until drives are chosen',
    },
  },
  money: {
    label: 'Money',
    name: 'money',
    need: 'the budget',
    view: 'ownership',
    lacking: 'it costs too much',
    clauses: {
      short: 'it costs more than the budget',
      tight: 'it takes nearly all of the budget',
      unknown: 'a price that counts is not known',
    },
  },
} as const satisfies Readonly<Record<string, HeadroomWords>>

export type HeadroomId = keyof typeof headrooms
export const headroomOrder = Object.keys(headrooms) as readonly HeadroomId[]
/** Parts of the need. */
export type NeedId = Exclude<HeadroomId, 'money'>
export const needIds = headroomOrder.filter((id): id is NeedId => id !== 'money')

/** Of a headroom by its id; null for one that is not in the table. */
export const headroomWords = (id: string): HeadroomWords | null =>
  (headrooms as Readonly<Record<string, HeadroomWords>>)[id] ?? null
