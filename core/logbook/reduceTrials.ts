import { minDiskSeconds } from './reports/fio'
import { minNetworkSeconds } from './reports/iperf3'
import type { Plan } from '../plan/planSchema'
import { maxTrials, trialsPerFigure, type Trial } from '../plan/trials'
import { dayOf, type Entry, type EntryOf } from './entry'

/** Watts are averaged over so many minutes at least. */
export const minWattMinutes = 10
/** A meter that reads less often misses the real peak. */
export const minPeakSamples = 2
/** A temperature stands after so many minutes in a state. */
export const minWarmMinutes = 60
/** Picture sizes by picture height, against 1920×1080. */
const pictureSizes = { '576': 0.2, '720': 4 / 9, '1080': 1, '2160': 4 } as const

type Reduced = Pick<Trial, 'figure' | 'value'> &
  Partial<
    Pick<Trial, 'of' | 'mark' | 'reads' | 'upTo' | 'drivesIn' | 'alone' | 'otherLoad' | 'converted'>
  >

function conversions({ values, marks }: EntryOf<'conversion'>): Reduced[] {
  const { on, ran, stuttered, speed, lines, toLines, hdr, ...source } = values
  const common = {
    figure: on === 'software' ? ('software' as const) : ('engine' as const),
    of: on === 'software' ? '' : on,
    mark: marks.machine,
    otherLoad: values.otherLoad,
    converted: {
      codec: source.codec,
      pictureSize: pictureSizes[lines],
      highDynamicRange: hdr,
      framesPerSecond: source.framesPerSecond,
      bitrateMbps: source.bitrateMbps,
      outputSize: Math.min(pictureSizes[toLines], pictureSizes[lines]),
    },
  }
  // The speed of one alone says more than that one ran.
  if (speed !== null && speed > 0 && (ran === null || ran <= 1))
    return [{ ...common, value: speed, alone: true }]
  if (stuttered !== null && stuttered > (ran ?? 0))
    return [{ ...common, reads: 'between', value: ran ?? 0, upTo: stuttered }]
  return ran !== null && ran > 0 ? [{ ...common, reads: 'atLeast', value: ran }] : []
}

function watts({ values, marks }: EntryOf<'watts'>): Reduced[] {
  const { state, watts: value, minutes, drivesIn, samplesPerS } = values
  if (value === null || value <= 0) return []
  const mark = marks.machine
  if (state === 'peak')
    return [
      {
        figure: 'startW',
        value,
        mark,
        ...(samplesPerS !== null && samplesPerS >= minPeakSamples ? {} : { reads: 'atLeast' }),
      },
    ]
  if (minutes < minWattMinutes) return []
  if (state === 'idle') return [{ figure: 'idleW', value, mark, drivesIn }]
  return state === 'converting' ? [{ figure: 'convertingW', value, mark, drivesIn }] : []
}

function copies({ values, marks }: EntryOf<'copy'>): Reduced[] {
  const { files, MBps } = values
  if (MBps === null || MBps <= 0 || files === 'mixed') return []
  return [{ figure: files === 'large' ? 'copyRate' : 'smallFiles', value: MBps, mark: marks.home }]
}

/** Of a drive's rate, which model it is: what is quick is so in every machine. */
function disks({ values }: EntryOf<'disk'>, { drives }: Pick<Plan, 'drives'>): Reduced[] {
  const { pattern, of, MBps, seconds, pastCache } = values
  const isCounted =
    pattern.startsWith('seq') && pastCache === 'yes' && (seconds ?? 0) >= minDiskSeconds
  if (!isCounted || MBps === null || MBps <= 0) return []
  const bay = drives.register.find(({ serial }) => serial !== '' && serial === of)?.bay ?? null
  const models = drives.lots.flatMap(({ count, model }) => Array<string>(count).fill(model))
  const model = bay === null ? undefined : models[bay - 1]
  return model === undefined || model === ''
    ? []
    : [{ figure: 'driveMBps', value: MBps, of: model }]
}

function networks({ values, marks }: EntryOf<'network'>): Reduced[] {
  const { between, ranOn, upMbps, downMbps, seconds, busyHour, protocol } = values
  if ((seconds ?? 0) < minNetworkSeconds || protocol === 'udp') return []
  const read = (figure: 'homeLink' | 'upload' | 'download', value: number | null, mark: string) =>
    value !== null && value > 0 ? [{ figure, value, mark }] : []
  if (between === 'home') return read('homeLink', upMbps ?? downMbps, marks.home)
  if (busyHour !== true || ranOn === 'notSaid') return []
  const [out, back] = ranOn === 'machine' ? [upMbps, downMbps] : [downMbps, upMbps]
  return [...read('upload', out, marks.upload), ...read('download', back, marks.download)]
}

function temperatures({ values, marks }: EntryOf<'temperature'>): Reduced[] {
  const { what, celsius, roomC, minutes } = values
  if (what !== 'drive' || celsius === null || roomC === null || minutes < minWarmMinutes) return []
  return celsius > roomC
    ? [{ figure: 'driveRise', value: celsius - roomC, mark: marks.machine }]
    : []
}

function builds({ values, marks }: EntryOf<'build'>): Reduced[] {
  const { what, hours } = values
  return what === 'rebuild' && hours !== null && hours > 0
    ? [{ figure: 'rebuildHours', value: hours, mark: marks.drives }]
    : []
}

/** What an entry says of figures of the plan; nothing where it does not say enough. */
export function measuredBy(entry: Entry, plan: Pick<Plan, 'drives'>): Reduced[] {
  if (entry.leftOut !== '') return []
  switch (entry.kind) {
    case 'conversion':
      return conversions(entry)
    case 'watts':
      return watts(entry)
    case 'copy':
      return copies(entry)
    case 'disk':
      return disks(entry, plan)
    case 'network':
      return networks(entry)
    case 'temperature':
      return temperatures(entry)
    case 'build':
      return builds(entry)
    default:
      return []
  }
}

/** Kinds of entry that may say something of a figure. */
export const measuringKinds = [
  'conversion',
  'watts',
  'copy',
  'disk',
  'network',
  'temperature',
  'build',
] as const satisfies readonly Entry['kind'][]

/** Of an entry that says something of two figures, what the second is known by. */
const secondOf = (id: string): string => `${id.slice(0, 38)}-1`

const bare = {
  of: '',
  mark: '',
  reads: 'exact',
  upTo: null,
  drivesIn: null,
  alone: false,
  spread: null,
  otherLoad: 0,
  converted: null,
  standing: 'counts',
} as const

/**
 * The measurements that a plan carries: the newest of each figure, each with what somebody said of
 * it before. Entries that were corrected do not count, nor do those of a practice machine unless
 * that is switched on.
 * @param entries in any order
 */
export function reduceTrials(
  entries: readonly Entry[],
  {
    plan,
    before,
    withSimulated,
  }: {
    readonly plan: Pick<Plan, 'drives'>
    readonly before: readonly Trial[]
    readonly withSimulated: boolean
  },
): Trial[] {
  const corrected = new Set(entries.map(({ corrects }) => corrects))
  const standing = new Map(before.map(trial => [trial.id, trial.standing]))
  const found = new Map<string, Trial[]>()
  const newestFirst = entries
    .filter(({ id, origin }) => !corrected.has(id) && (withSimulated || origin.how !== 'simulated'))
    .sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : a.id < b.id ? 1 : -1))
  for (const entry of newestFirst)
    measuredBy(entry, plan).forEach((reduced, at) => {
      const id = at === 0 ? entry.id : secondOf(entry.id)
      // Those of another machine crowd none of this one out.
      const key = `${reduced.figure} ${reduced.of ?? ''} ${reduced.mark ?? ''}`
      const list = found.get(key) ?? []
      found.set(key, list)
      if (list.length < trialsPerFigure)
        list.push({
          ...bare,
          ...reduced,
          id,
          day: dayOf(entry.at),
          standing: standing.get(id) ?? 'counts',
        })
    })
  // A plan that came without its log keeps the measurements that it has.
  const inLog = new Set(entries.flatMap(({ id }) => [id, secondOf(id)]))
  const kept = before.filter(({ id }) => !inLog.has(id) && !corrected.has(id))
  return [...[...found.values()].flat(), ...kept]
    .sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0))
    .slice(-maxTrials)
}
