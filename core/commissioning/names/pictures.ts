import { groupedBy, type NameItem } from './nameItem'
import { spaced } from './titleWords'

/** Folders of photos and own video in the tree. */
export const photosFolder = 'photos'
export const ownVideoFolder = 'own-video'
/** Where goes what has no day. */
export const undated = 'undated'

interface Moment {
  /** 2026-08-14 */
  readonly day: string
  /** 153207; '' where only the day is known */
  readonly time: string
}

const isDay = (text: string): boolean => {
  const [year, month, day] = text.split('-').map(Number)
  const lengths = [31, isLeap(year!) ? 29 : 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
  return month! >= 1 && month! <= 12 && day! >= 1 && day! <= lengths[month! - 1]!
}
const isLeap = (year: number) => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0

/** The moment that a column or a file's own data tell: 2026-08-14T15:32:07, 2026:08:14 15:32:07. */
export function momentOf(taken: string | null): Moment | null {
  const found =
    /^\s*(\d{4})[-:./](\d{2})[-:./](\d{2})(?:[T\s]+(\d{2})[:.]?(\d{2})(?:[:.]?(\d{2}))?)?/.exec(
      taken ?? '',
    )
  if (!found) return null
  const day = `${found[1]}-${found[2]}-${found[3]}`
  const time = found[4] ? `${found[4]}${found[5]}${found[6] ?? '00'}` : ''
  return isDay(day) ? { day, time } : null
}

const dated = new RegExp(
  '(?<!\\d)(19\\d\\d|20\\d\\d)[-_.]?([01]\\d)[-_.]?([0-3]\\d)' +
    '(?:[\\sT_\\-.]+([0-2]\\d)[-_.h:]?([0-5]\\d)[-_.m:]?([0-5]\\d))?(?!\\d)',
)

/** The moment that a name tells: IMG_20260814_153207, 2026-08-14 15.32.07, 2026-08-14. */
export function momentInName(stem: string): Moment | null {
  const found = dated.exec(stem)
  if (!found) return null
  const day = `${found[1]}-${found[2]}-${found[3]}`
  return isDay(day) ? { day, time: found[4] ? `${found[4]}${found[5]}${found[6]}` : '' } : null
}

/** Folders that a camera makes, which say nothing. */
const ofCamera = /^(dcim|\d{3}[a-z_]{2,8}\d{0,4}|camera( roll)?|pictures|photos|videos?|undated)$/i

/** The day or month a folder begins with, and the event it names behind that. */
function readFolder(folder: string): { readonly date: string; readonly event: string } | null {
  const found = /^((?:19|20)\d\d)(?:[-_. ]([01]\d)(?:[-_. ]([0-3]\d))?)?(?:[\s_-]+(\S.*))?$/.exec(
    folder,
  )
  if (!found) return null
  const date = [found[1], found[2], found[3]].filter(Boolean).join('-')
  return { date, event: found[4] ?? '' }
}

/** An event that the folders of a file name, with or without a day before it. */
function eventOf({ folders }: NameItem): string {
  const last = folders.slice(1).at(-1)
  if (last === undefined || folders.some(folder => /^dcim$/i.test(folder))) return ''
  const read = readFolder(last)
  if (read) return read.event
  return ofCamera.test(last) ? '' : spaced(last).replace(/^[\s\-.]+|[\s\-.]+$/g, '')
}

/** Day or month of the nearest folder that tells one; '' where none tells more than a year. */
const dateOfFolders = ({ folders }: NameItem): string =>
  folders
    .slice(1)
    .map(folder => readFolder(folder)?.date ?? '')
    .findLast(date => date.length > 4) ?? ''

/** The camera's own name behind day and time, without them where it begins with them. */
function cameraName(stem: string): string {
  return stem.replace(/^\d{4}-\d{2}-\d{2}(?: \d{6})?(?: |$)/, '')
}

/** Everything that belongs to one picture: raw, developed, sidecar and a moving photo. */
const pairKey = ({ folders, stem }: NameItem) =>
  `${folders.join('/')}/${stem.replace(/\.(jpe?g|heic|dng|mov|raw|nef|arw)$/i, '').toLowerCase()}`

/** Which of a pair tells the day: the photo before its raw file, then a video, then the rest. */
const order: readonly string[] = ['photo', 'raw', 'video', 'sidecar']
const rank = ({ kind }: NameItem) => (order.indexOf(kind) + order.length + 1) % (order.length + 1)

const isPicture = ({ kind }: NameItem) => order.includes(kind)

/**
 * P1 to P3: photos and own video by the day on which they were taken, with what belongs to them.
 * The moment is what the list or the file's own data tell, then what the name tells, never the time
 * of the file system.
 */
export function namePictures(items: readonly NameItem[]): void {
  listDuplicates(items)
  const all = items.filter(item => isPicture(item) && item.told === null && item.leftOut === null)
  for (const pair of groupedBy(all, pairKey).values()) {
    const lead = [...pair].sort((a, b) => rank(a) - rank(b))[0]!
    const moment =
      momentOf(lead.file.taken) ??
      pair.map(({ file }) => momentOf(file.taken)).find(Boolean) ??
      momentInName(lead.stem)
    // A moving photo goes with its photo.
    const isVideo = lead.kind === 'video'
    for (const item of pair) aimAt(item, { lead, moment, isVideo, isPair: pair.length > 1 })
  }
}

interface Where {
  readonly lead: NameItem
  readonly moment: Moment | null
  readonly isVideo: boolean
  readonly isPair: boolean
}
function aimAt(item: NameItem, { lead, moment, isVideo, isPair }: Where): void {
  const top = isVideo ? ownVideoFolder : photosFolder
  item.rules.add(isPair && item !== lead ? 'P2' : 'P1')
  const name = cameraName(lead.stem)
  const behind = item.stem.slice(lead.stem.length)
  if (!moment) {
    const date = dateOfFolders(lead)
    if (date === '') {
      item.aim = { folders: [top, undated], stem: item.stem, ending: item.ending }
      return
    }
    // The folder tells it, not the picture: that is to be confirmed.
    item.isSure = false
    const event = eventOf(lead)
    const isWhole = date.length === 10
    const folder = [isVideo || !isWhole ? date : date.slice(0, 7), ...(event ? [event] : [])]
    const stem = isWhole && !lead.stem.startsWith(date) ? `${date} ${item.stem}` : item.stem
    item.aim = {
      folders: [top, date.slice(0, 4), folder.join(' ')],
      stem,
      ending: item.ending,
    }
    return
  }
  const { day, time } = moment
  // Videos mostly hold the time at Greenwich: the day may be another at home.
  if (lead.file.taken?.endsWith('Z')) item.isSure = false
  const event = eventOf(lead)
  // A folder without a day before its name may be an event, or a drawer.
  if (event && !readFolder(lead.folders.at(-1)!)) item.isSure = false
  const date = isVideo ? day : day.slice(0, 7)
  item.aim = {
    folders: [top, day.slice(0, 4), event ? `${date} ${event}` : date],
    stem: [day, time, name + behind].filter(Boolean).join(' '),
    ending: item.ending,
  }
}

/** P3: the same size and checksum is the same picture; it is told, and nothing is deleted. */
function listDuplicates(items: readonly NameItem[]): void {
  const known = items.filter(({ file }) => file.checksum !== null && file.sizeBytes !== null)
  for (const same of groupedBy(known, ({ file }) => `${file.sizeBytes}\n${file.checksum}`).values())
    for (const item of same.slice(1))
      item.told = {
        rule: 'P3',
        sentence: `It is the same as ${same[0]!.file.path}; nothing is deleted.`,
      }
}
