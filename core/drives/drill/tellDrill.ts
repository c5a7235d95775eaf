import { seededRandom, spreadSeed } from '../../random'
import type { Format } from '../../units/format'
import {
  drillAftermath,
  isStopped,
  missingOf,
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
  NOTHING_TO_PULL: {
    wrong: 'There was nothing to pull there.',
    right: 'Pull the drive that the report names, and put a good one back before the next.',
  },
  NOT_COPIED: {
    wrong: 'The rebuild began without a copy of what is irreplaceable.',
    right:
      'While no redundancy is left, copy what is irreplaceable first: a rebuild reads ' +
      'every drive from end to end.',
  },
  NOTHING_TO_COPY: {
    wrong: 'There was nothing irreplaceable to copy.',
    right: 'Order the new drive, and go on with the repair.',
  },
  SCRUBBED_EARLY: {
    wrong: 'The pool was checked before it was whole.',
    right: 'Repair first, then check: until then a check only strains the drives that are left.',
  },
  NOT_SCRUBBED: {
    wrong: 'Nothing was checked after the repair.',
    right: 'Run a scrub: it reads everything once and finds what the rebuild did not.',
  },
  NOT_RECORDED: {
    wrong: 'The drill ended before the new drive was written down.',
    right: 'Repair, check, then label the new drive with serial number and bay.',
  },
  NOT_WHOLE: {
    wrong: 'The pool was taken for whole, and is not.',
    right: 'Put a new drive in for each that failed, rebuild, and look at the report again.',
  },
  NO_EMPTY_BAY: {
    wrong: 'There was no empty bay for the new drive.',
    right: 'Pull the failed drive first.',
  },
  NOTHING_TO_ORDER: {
    wrong: 'No drive was missing that had not been ordered already.',
    right: 'Order one for each drive that has failed, as soon as it has.',
  },
  NOTHING_ORDERED: {
    wrong: 'There was no drive to put in.',
    right: 'Order one as soon as a drive has failed, or keep one on the shelf.',
  },
  NOTHING_TO_REBUILD: {
    wrong: 'There was nothing to rebuild onto.',
    right: 'Put the new drive in first; a hot spare is rebuilt by itself.',
  },
  NOTHING_LOST: {
    wrong: 'There was nothing to restore.',
    right: 'Restore only what was lost: what is on the pool is newer than its copy.',
  },
  NO_COPY: {
    wrong: 'There was no copy of what was lost.',
    right: 'Keep a copy away from home.',
  },
  NOT_RESTORED: {
    wrong: 'What has a copy was not restored.',
    right: 'Once the pool is whole, read what was lost back from its copy.',
  },
  POOL_STOPPED: {
    wrong: 'The pool had stopped, so nothing could be read from it.',
    right: 'Put the good drive back first.',
  },
  POOL_LOST: {
    wrong: 'The pool was lost, so there was nothing to read from it.',
    right: 'Put new drives in for all that failed, make the pool anew, and restore from a copy.',
  },
}

/** 'bays 1 and 3'. */
const baysText = (places: readonly number[] = []) =>
  `${places.length === 1 ? 'bay' : 'bays'} ${places.map(place => place + 1).join(' and ')}`

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
    case 'copyBroke':
      return 'While it was copied the pool was lost or stopped: the copy is worth nothing.'
    case 'ordered':
      return `${entry.count === 1 ? `A new drive is on the way; it is there in ${took}.` : `${entry.count} new drives are on the way; the first is there in ${took}.`}`
    case 'spareStarted':
      return `The hot spare in ${drive} takes over by itself, and is rebuilt.`
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
    case 'newSpare':
      return `A new drive is in bay ${entry.place! + 1}, and waits as the hot spare.`
    case 'rebuilt':
      return `The rebuild is done, for ${baysText(entry.places)}.`
    case 'rebuildFailed':
      return `The rebuild broke off after ${took}: more is missing than it can be made from.`
    case 'joined':
      return (
        `${entry.places?.length === 1 ? 'The new drive' : 'New drives'} in ${baysText(entry.places)} ` +
        `${entry.places?.length === 1 ? 'comes' : 'come'} into use empty: there is nothing to ` +
        'rebuild from.'
      )
    case 'madeAnew':
      return 'A new pool is made. It is empty.'
    case 'sector':
      return 'The rebuild met a sector that cannot be read: one file is lost.'
    case 'sectorEnds':
      return 'The rebuild met a sector that cannot be read, and ended.'
    case 'lost':
      return 'Data are lost.'
    case 'scrubbed':
      return `Everything that is there is read and checked in ${took}.`
    case 'scrubBroke':
      return 'The check broke off: the pool was lost or stopped meanwhile.'
    case 'recorded':
      return 'What was done is written down, and every new drive is labelled.'
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
  if (state.isGone) return 'The pool is lost. What has a copy can be restored; nothing else can.'
  const gone = missingOf(ground, state).size
  const lost =
    state.lostShare > 0
      ? ` ${share(state.lostShare)} of the library was lost${state.isRestored ? '; what has a copy is back' : ''}.`
      : state.filesLost > 0
        ? ` One file was lost${state.isRestored ? ' and is back' : ''}.`
        : ''
  if (isStopped(ground, state))
    return `The pool has stopped, because a good drive is out. Put it back.${lost}`
  if (gone === 0) return `All drives work.${lost}`
  if (lost) return `${lost.trim()} The rest plays on.`
  const { waitingShare, stillSurvives } = drillAftermath(ground, state)
  return (
    'Nothing is ' +
    `lost${waitingShare > 0 ? ', but not everything plays' : ' and everything plays on'}. ` +
    `${stillSurvives === 0 ? 'The next failure can lose data.' : stillSurvives === 1 ? 'One more drive may fail.' : `${stillSurvives} more drives may fail.`}`
  )
}
