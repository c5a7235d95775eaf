import { latestAfter, dayOrder } from '../../household/weekHabits'
import { hasHabits } from '../../household/householdFacts'
import { downloadShare } from '../../network/links'
import { homePlace } from '../../plan/constants'
import { rebuildShareOfOuter } from '../../drives/rebuildHours'
import { isOffered, rowShares } from '../../playback/matrix'
import { ConversionBook } from '../../playback/conversionBook'
import type { ConversionMachine } from '../../streams/conversionMachine'
import { minutesPerDay } from '../../units/week'
import { cutOf } from '../draw/cut'
import type { DrawQuestion } from '../draw/drawEvening'
import type { DrawnHabit, DrawnRow } from '../draw/drawnHabit'
import type { Place, Resource } from '../evening/world'
import type { PlanningValues } from '../planningValues'
import type { WhatIf } from '../whatIf/whatIf'
import { backgroundsOf, type Background } from './backgrounds'
import { driveQuestionOf, type RehearsalSlice } from './rehearsalSlice'
import { readsFrom, sharesByTB, type ReadFrom } from './driveReads'
import { Offers } from './offers'
import { ResourceList } from './resources'

/** What is missing, so that nothing can be rehearsed. */
export type Missing = 'habits' | 'titles' | 'processor'

/** Everything that evenings of a plan are drawn from and played on. */
export interface RehearsalWorld {
  readonly resources: ResourceList
  readonly places: readonly Place[]
  readonly draw: DrawQuestion
  readonly backgrounds: readonly Background[]
  /** MB/s at which what arrives is written to one drive */
  readonly writeMBps: number | null
  readonly cutMinute: number
  readonly reads: readonly ReadFrom[]
}

export type RehearsalQuestion =
  | { readonly missing: Missing; readonly world: null }
  | { readonly missing: null; readonly world: RehearsalWorld }

/** The machine at an end of its band: so many times this one. */
function bandFactor({ streams }: RehearsalSlice['facts'], { machine }: Pick<WhatIf, 'machine'>) {
  const conversions = streams.capacity?.conversions
  return conversions && conversions.likely > 0 ? conversions[machine] / conversions.likely : 1
}

function scaled(machine: ConversionMachine, factor: number): ConversionMachine {
  const { processor } = machine
  return processor === null
    ? machine
    : {
        ...machine,
        processor: {
          low: processor.low * factor,
          likely: processor.likely * factor,
          high: processor.high * factor,
        },
      }
}

/** What evenings of a plan are drawn from and played on, or what is missing. */
export function rehearsalWorld(
  slice: RehearsalSlice,
  { values, whatIf }: { readonly values: PlanningValues; readonly whatIf: WhatIf },
): RehearsalQuestion {
  const { facts } = slice
  if (!hasHabits(facts.household.week)) return { missing: 'habits', world: null }
  if (facts.playback.matrix.rows.length === 0 && !facts.titles.keepsMusic)
    return { missing: 'titles', world: null }
  const { converter } = facts.streams
  const converts = facts.playback.demand.convertingShares.some(share => share > 0)
  if (converter.processor === null && converts) return { missing: 'processor', world: null }
  const factor = bandFactor(facts, whatIf)
  const drives = driveQuestionOf(slice)
  const reads = drives ? readsFrom(drives) : []
  const resources = new ResourceList(resourcesOf(slice, { values, whatIf, reads, factor }))
  const places = placesOf(converter)
  const machine = scaled(converter, factor)
  const cutMinute = cutOf(facts.household.week)
  const offers = new Offers({
    columns: facts.playback.matrix.columns,
    rows: facts.playback.matrix.rows,
    machine,
    links: facts.network.links,
    places: slice.plan.household.places,
    devices: slice.plan.household.devices,
    drives,
    reads,
    resources,
    held: places,
    book: new ConversionBook(slice.catalogue.workTable, slice.plan.choices.toneMapping),
    values,
  })
  return {
    missing: null,
    world: {
      resources,
      places,
      cutMinute,
      reads,
      backgrounds: backgroundsOf(slice.plan.drives.arrivals, cutMinute),
      writeMBps: drives && drives.outerMBps * rebuildShareOfOuter,
      draw: {
        habits: drawnHabits(slice, { offers, cutMinute, guests: whatIf.guests }),
        onDrives: sharesByTB(reads),
        fallbackShare: machine.fallbackShare,
        seekChance: values.seekChance,
      },
    },
  }
}

function resourcesOf(
  { plan, facts }: RehearsalSlice,
  {
    values,
    whatIf,
    reads,
    factor,
  }: {
    readonly values: PlanningValues
    readonly whatIf: WhatIf
    readonly reads: readonly ReadFrom[]
    readonly factor: number
  },
): Resource[] {
  const { converter } = facts.streams
  const { links, awayCapacityMbps } = facts.network
  const { matrix } = facts.playback
  const own = matrix.columns.flatMap(({ deviceIndex, link, isAway }): Resource[] => {
    const at = deviceIndex ?? -1
    if (link.own.kind === 'mobile') return [{ kind: 'deviceLine', at, capacity: link.own.mbps }]
    return link.own.kind === 'cable' && !isAway
      ? [{ kind: 'deviceCable', at, capacity: link.own.mbps }]
      : []
  })
  const seen = new Set<string>()
  return [
    { kind: 'processor', at: 0, capacity: (converter.processor?.likely ?? Infinity) * factor },
    ...converter.engines.flatMap((engine, at): Resource[] => [
      { kind: 'decode', at, capacity: factor },
      ...(engine.toneMap === null ? [] : [{ kind: 'toneMap', at, capacity: factor } as const]),
      { kind: 'encode', at, capacity: factor },
    ]),
    {
      kind: 'upload',
      at: 0,
      capacity: Math.max(0, awayCapacityMbps) * (whatIf.uploading ? 1 - values.uploadTaken : 1),
    },
    ...plan.household.places.flatMap(({ id, downloadMbps }, at): Resource[] =>
      downloadMbps === null || id === homePlace
        ? []
        : [{ kind: 'placeLine', at, capacity: downloadMbps * downloadShare }],
    ),
    ...own.filter(({ kind, at }) => !seen.has(`${kind} ${at}`) && seen.add(`${kind} ${at}`)),
    { kind: 'airtime', at: 0, capacity: 1 },
    ...(links.serverWifiMbps === null
      ? [
          {
            kind: 'port',
            at: 0,
            capacity: links.homeMbps * (whatIf.busyDrives === 'copy' ? 0.5 : 1),
          } as const,
        ]
      : []),
    ...(links.routerMbps === null
      ? []
      : [{ kind: 'router', at: 0, capacity: links.routerMbps } as const]),
    ...reads.map((from, at): Resource => ({
      kind: 'drives',
      at,
      capacity: driveTime(from, values, whatIf),
    })),
  ]
}

/** Time of drives that is left for viewers: as usual, or beside what else reads them. */
function driveTime(
  { times, isMirror }: ReadFrom,
  values: PlanningValues,
  { rebuilding, busyDrives }: Pick<WhatIf, 'rebuilding' | 'busyDrives'>,
): number {
  const busy = busyDrives === 'none' ? 1 : values.driveShareCopying / values.driveShare
  if (!rebuilding) return times * values.driveShare * busy
  return isMirror
    ? (times - 1) * values.driveShare * busy
    : times * values.driveShareRebuilding * busy
}

function placesOf({ engines, systemMemoryMB }: ConversionMachine): Place[] {
  return engines.flatMap(({ sessionCap, memoryGB }, engine): Place[] => [
    ...(sessionCap
      ? [{ kind: 'driverSessions', engine, capacity: Math.floor(sessionCap.likely) } as const]
      : []),
    {
      kind: 'engineMemory',
      engine,
      capacity: memoryGB === null ? systemMemoryMB : memoryGB * 1000,
    },
  ])
}

function drawnHabits(
  { facts }: Pick<RehearsalSlice, 'facts'>,
  {
    offers,
    cutMinute,
    guests,
  }: { readonly offers: Offers; readonly cutMinute: number; readonly guests: boolean },
): DrawnHabit[] {
  const { week } = facts.household
  const { rows, columns, subtitledShare } = facts.playback.matrix
  const { keepsMusic } = facts.titles
  const byKey = rows.map((_, at) => at).sort((a, b) => (rows[a]!.key < rows[b]!.key ? -1 : 1))
  const placesOfViewers = new Map<string, number>()
  return week.habits.flatMap((entry, at): DrawnHabit[] => {
    const { habit, watcher } = entry
    const { listed, lowestRungMbps } = week.watchers[watcher]!
    const name = listed ? `viewer ${habit.viewer}` : 'guest'
    const place = placesOfViewers.get(name) ?? 0
    placesOfViewers.set(name, place + 1)
    if (habit.onBusyDays && !guests) return []
    const column = columns.findIndex(({ habits }) => habits.includes(at))
    if (column < 0) return []
    const shares = rowShares(entry, { rows, keepsMusic })
    let sum = 0
    const drawn = byKey.flatMap((row): DrawnRow[] => {
      const share = shares.rows[row]!
      if (share === 0 || !isOffered(rows[row]!, columns[column]!.deviceId)) return []
      sum += share
      const { subtitles } = rows[row]!
      const shown = subtitles === 'none' || columns[column]!.device.subtitles.includes(subtitles)
      const offer = (subtitled: boolean) => offers.of({ row, column, subtitled }, lowestRungMbps)
      return [{ upTo: sum, plain: offer(false), subtitled: shown ? null : offer(true) }]
    })
    // What rounding leaves is no sound alone.
    const last = drawn.at(-1)
    const all =
      last && shares.soundAlone === 0 ? [...drawn.slice(0, -1), { ...last, upTo: 1 }] : drawn
    const isLate = habit.earliest >= cutMinute
    const shift = isLate ? 0 : minutesPerDay
    return [
      {
        watcher,
        habit: at,
        name,
        place,
        evenings: dayOrder.map((_, day) =>
          habit.days.includes(dayOrder[(day + (isLate ? 0 : 1)) % 7]!),
        ),
        earliest: habit.earliest + shift,
        latest: latestAfter(habit.earliest, habit.latest) + shift,
        minutes: habit.minutes,
        chance: habit.chance,
        rows: all,
        subtitledShare,
        soundAlone: offers.sound(column),
        isNothing: all.length === 0 && shares.soundAlone === 0,
      },
    ]
  })
}
