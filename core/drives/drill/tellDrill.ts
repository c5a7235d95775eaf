import { seededRandom, spreadSeed } from '../../random'
import type { Format } from '../../units/format'
import {
  isAllLost,
  drillAftermath,
  missing,
  type DrillState,
  type DrillEntry,
  type MistakeCode,
  type DrillGround,
} from './drillState'

/** Letters and digits of serial numbers that cannot be taken for each other. */
const serialSigns = 'ABCDEFGHJKLMNPRSTUVWXYZ23456789'
const serialLength = 4

/**
 * The end of a drive's serial number, as it stands on its label; different for each bay of one
 * drill.
 */
export function serialOf(seed: number, place: number): string {
  const random = seededRandom(spreadSeed(seed * 1000 + place))
  const signs = Array.from(
    { length: serialLength },
    () => serialSigns[Math.floor(random() * serialSigns.length)]!,
  )
  // The last sign is the bay's own, so that no two drives are alike.
  return `${signs.slice(0, -1).join('')}${serialSigns[place % serialSigns.length]!}`
}

/** 'Bay 3 (7KQ5)'. */
export function driveName(seed: number, place: number): string {
  return `bay ${place + 1} (serial …${serialOf(seed, place)})`
}

/** What stands to be done wrong, and what is right instead. */
export const mistakeTexts: Readonly<
  Record<MistakeCode, { readonly wrong: string; readonly right: string }>
> = {
  PULLED_UNREAD: {
    wrong: 'A drive was pulled before the report was read.',
    right: 'Read which serial number the system names, and find it on the label first.',
  },
  PULLED_GOOD: {
    wrong: 'A good drive was pulled.',
    right:
      'Compare the serial number on the label with the report before pulling; put a wrong ' +
      'one back at once.',
  },
  NOT_COPIED: {
    wrong: 'The rebuild began without a copy of what is irreplaceable.',
    right:
      'While no redundancy is left, copy what is irreplaceable first: a rebuild reads ' +
      'every drive from end to end.',
  },
  NOT_SCRUBBED: {
    wrong: 'Nothing was checked after the rebuild.',
    right: 'Run a scrub: it reads everything once and finds what the rebuild did not.',
  },
  NOT_RECORDED: {
    wrong: 'The new drive was not written down.',
    right: 'Label it with serial number and bay, and order the next spare.',
  },
  NO_EMPTY_BAY: {
    wrong: 'There was no empty bay for the new drive.',
    right: 'Pull the failed drive first.',
  },
  NOTHING_ORDERED: {
    wrong: 'There was no drive to put in.',
    right: 'Order one as soon as a drive has failed, or keep one on the shelf.',
  },
  NOTHING_TO_REBUILD: {
    wrong: 'There was nothing to rebuild onto.',
    right: 'Put the new drive in first.',
  },
  NO_COPY: { wrong: 'There was no copy to restore from.', right: 'Keep a copy away from home.' },
}

/** An entry of the log as a sentence. */
export function entryText(
  entry: DrillEntry,
  ground: DrillGround,
  { hours }: Pick<Format, 'hours'>,
): string {
  const drive = entry.place === undefined ? '' : driveName(ground.seed, entry.place)
  const took = entry.hours === undefined ? '' : hours(entry.hours)
  switch (entry.event) {
    case 'failed':
      return entry.atHours === 0
        ? 'A drive has failed. The alarm sounds.'
        : 'Another drive has failed.'
    case 'read':
      return 'The report is read.'
    case 'copied':
      return `What is irreplaceable is copied to an external drive in ${took}.`
    case 'ordered':
      return ground.leadHours <= 12
        ? `The drive from the shelf is there in ${took}.`
        : `A new drive is ordered; it is there in ${took}.`
    case 'pulled':
      return `The failed drive is out of ${drive}.`
    case 'pulledGood':
      return `A good drive is out of ${drive}.`
    case 'putBack':
      return `The good drive is back in ${drive} and caught up.`
    case 'waited':
      return `The new drive is there after ${took} of waiting.`
    case 'inserted':
      return `A new drive is in bay ${entry.place! + 1}.`
    case 'rebuilt':
      return `The rebuild is done after ${took}.`
    case 'sector':
      return 'The rebuild met a sector that cannot be read: one file is lost.'
    case 'sectorEnds':
      return 'The rebuild met a sector that cannot be read and ended: the pool is lost.'
    case 'lost':
      return 'Data are lost.'
    case 'scrubbed':
      return `Everything is read and checked in ${took}.`
    case 'recorded':
      return 'The new drive is labelled and written down, and a spare is ordered.'
    case 'restored':
      return `What has a copy is restored in ${took}.`
    case 'mistake':
      return mistakeTexts[entry.mistake!].wrong
  }
}

/**
 * What the report says once it is read: which drives have failed, by serial number, without their
 * bays.
 */
export function reportText(state: DrillState, { seed }: DrillGround): string {
  if (!state.hasRead) return 'The report is not read yet.'
  if (state.dead.length === 0) return 'The report names no failed drive in a bay.'
  const serials = state.dead.map(place => `…${serialOf(seed, place)}`)
  return (
    'The report names ' +
    `${serials.length === 1 ? 'the drive with the serial number' : 'the drives with the serial numbers'} ` +
    `${serials.join(' and ')}. Find ${serials.length === 1 ? 'it' : 'them'} by the label.`
  )
}

/** How things stand, in a sentence. */
export function standText(
  state: DrillState,
  ground: DrillGround,
  { share }: Pick<Format, 'share'>,
): string {
  if (isAllLost(ground, state))
    return 'The pool is lost. What has a copy can be restored; nothing else can.'
  const gone = missing(state).size
  const lost =
    state.lostShare > 0
      ? ` ${share(state.lostShare)} of the library is lost.`
      : state.filesLost > 0
        ? ' One file is lost.'
        : ''
  if (gone === 0) return `All drives work.${lost}`
  const { waitingShare, stillSurvives, lostShare } = drillAftermath(ground, state)
  if (state.pulledGood !== null && lostShare > state.lostShare)
    return `The pool has stopped, because a good drive is out. Put it back.${lost}`
  if (lost) return `${lost.trim()} The rest plays on.`
  return (
    'Nothing is ' +
    `lost${waitingShare > 0 ? ', but not everything plays' : ' and everything plays on'}. ` +
    `${stillSurvives === 0 ? 'The next failure can lose data.' : stillSurvives === 1 ? 'One more drive may fail.' : `${stillSurvives} more drives may fail.`}`
  )
}
