/** One drive as a layout sees it. */
export interface LayoutDrive {
  readonly sizeTB: number
  /** only dedicated and nightly parity tell drives apart */
  readonly role: 'any' | 'data' | 'parity'
  /** drives of one group protect each other; all are one group where none is given */
  readonly group?: number
  /** where it is known: of drives that are alike the one that fails least is no spare */
  readonly failuresPerYear?: number
}

/**
 * Drives whose failures are counted together: the group is lost when more than `survives` of them
 * have failed at once.
 * A pool is lost when any of its groups is.
 */
export interface RiskGroup {
  /** places of its drives among those arranged */
  readonly members: readonly number[]
  readonly sizesTB: readonly number[]
  readonly survives: number
  /** TB that a rebuild has to write to one new drive, when that is all of it */
  readonly rebuiltTB: number
  /**
   * TB that the last rebuild has to read from each survivor, when the largest drives are the failed
   * ones
   */
  readonly readsTB: readonly number[]
}

/** What a layout puts on one drive, TB; they add up to its size. */
export interface DriveParts {
  readonly dataTB: number
  readonly copyTB: number
  readonly parityTB: number
  /** cannot be used, because sizes differ */
  readonly unusedTB: number
}

/** What a layout makes of a set of drives. */
export interface LayoutSpace {
  readonly usableTB: number
  /** space that holds copies or parity */
  readonly redundancyTB: number
  /** space that the layout cannot use because sizes differ */
  readonly mismatchTB: number
  readonly groups: readonly RiskGroup[]
  /**
   * by drive, in the order in which they were given; over all drives: data = usable, copies and
   * parity = redundancy, unused = mismatch
   */
  readonly parts: readonly DriveParts[]
}

/** Why a layout cannot be made of these drives, as a code with its numbers. */
export type LayoutRefusal = (
  | { readonly refused: 'UNKNOWN_LAYOUT'; readonly layout: string }
  | {
      readonly refused: 'TOO_FEW_DRIVES' | 'TOO_MANY_DRIVES'
      readonly takes: number
      readonly have: number
      readonly besideSpares: boolean
    }
  | { readonly refused: 'PARITY_MARKED'; readonly takes: number; readonly marked: number }
  | { readonly refused: 'PARITY_NOT_LEFT'; readonly takes: number }
  | { readonly refused: 'PARITY_TOO_SMALL'; readonly parityTB: number; readonly dataTB: number }
) & {
  /** the group of drives that refuses, where there is more than one */
  readonly group?: number
}

/** What is lost when more drives fail than the layout survives. */
export type LossKind = 'everything' | 'failedDrivesOnly' | 'shareOfFiles'

/** A pool as far as reading goes. */
export interface ReadPool {
  readonly members: number
  readonly survives: number
  readonly dataDrives: number
}
/** How many drives work together on one read, and how many reads go on side by side. */
export interface Reads {
  readonly together: number
  readonly sideBySide: number
  /** titles lie on single drives: at worst all that are wanted lie on one */
  readonly isPerDrive: boolean
}
/** Reads of titles that lie whole on single drives. */
export const readsPerDrive = ({ dataDrives }: ReadPool): Reads => ({
  together: 1,
  sideBySide: Math.max(1, dataDrives),
  isPerDrive: true,
})

/** How much space parity takes, in short. */
export const parityInWords = {
  1: "one parity drive's",
  2: "two parity drives'",
  3: "three parity drives'",
} as const

/** Drives outside the hot spares, for which a layout is wanted that survives so many failures. */
export interface UsualQuestion {
  readonly drives: number
  readonly survives: number
  /** sizes differ by more than a tenth */
  readonly isMixed: boolean
}

export interface SearchedLayout {
  /** drives, at least and at most, that make sense of it */
  readonly from: number
  readonly to?: number
  readonly fileSystem: 'journalled' | 'copyOnWrite'
}

export interface Layout {
  readonly id: string
  readonly label: string
  readonly description: string
  readonly minimumDrives: number
  readonly maximumDrives?: number
  /** the same with single redundancy, by id, where it has more */
  readonly single?: string
  /** failures that any set of drives is sure to survive, for n drives */
  readonly survives: (drives: number) => number
  readonly loss: LossKind
  /**
   * while failed drives are survived, everything plays on by itself; otherwise what lay on them
   * plays again once it is rebuilt or switched over
   */
  readonly runsOn: boolean
  /** what follows when one drive more fails than it survives, where its loss alone does not say */
  readonly secondLoss?: string
  /** of a drive's space that a mixed set loses nothing: each drive counts with all of its size */
  readonly mixesSizes: boolean
  /** its drives do not need each other: one that drops out takes only its own files */
  readonly standsAlone?: true
  /** drives are told apart as data and parity */
  readonly tellsParityApart: boolean
  readonly growsBy: string
  /**
   * what a purchase is made of: drives that are added, a whole group of parity, or bigger drives in
   * the place of all smaller ones; a stripe starts over with any
   */
  readonly grows: 'added' | 'parityGroup' | 'replaceAll' | 'startOver'
  /** drives that are added at a time: 2 for pairs */
  readonly takesAtATime: number
  /**
   * layouts that it can be turned into with the data on it, by id, with how; all others mean
   * emptying the pool
   */
  readonly becomes?: Readonly<Record<string, string>>
  /** can one drive be read alone in another computer? */
  readonly readableAlone: 'yes' | 'no' | 'on a plain file system'
  /** its drives can be emptied one by one, because each holds whole files */
  readonly emptiesOneByOne: boolean
  /**
   * files lie whole on plain disks, and so many drives are set aside for redundancy: it can be
   * given up and taken on with the data where they are
   */
  readonly onPlainDisks?: {
    readonly aside: number | 'all but one'
    readonly as: 'nothing' | 'parity' | 'nightlyParity' | 'copy' | 'half' | 'secondCopies'
  }
  /** whole copies of the pool can be taken out, and the rest reads on */
  readonly leavesCopies: boolean
  /** how reads spread over its drives */
  readonly reads: (pool: ReadPool) => Reads
  /** the layout that drives usually get until one is chosen; the first that says so is taken */
  readonly isUsual?: (drives: UsualQuestion) => boolean
  /** how a search for builds goes through it; left out, it does not */
  readonly searched?: SearchedLayout
  /** kinds of system, by id, that can make it; those that can make any are not named */
  readonly systems: readonly string[]
  /** what of the space it takes, for a short list: "one parity drive's worth" */
  readonly takesInShort: string
  /** what the data are tied to */
  readonly tiedTo: string
  /**
   * what a rebuild writes: the files that are there, what the file system knows to be used, or
   * every block of the drive
   */
  readonly rebuilds: 'files' | 'byFileSystem' | 'blocks'
  /** computes parity, which shingled drives bear badly */
  readonly parity: boolean
  /** what is not covered although drives survive, in a sentence */
  readonly caveat?: string
  /** drives.length is at least minimumDrives; hot spares are already taken out */
  readonly arrange: (drives: readonly LayoutDrive[]) => LayoutSpace | LayoutRefusal
}

export function isRefusal(result: LayoutSpace | LayoutRefusal): result is LayoutRefusal {
  return 'refused' in result
}
