import type { SessionPlan } from '../evening/world'
import type { SessionOffer } from '../question/sessionOffer'
import { chanceStream, type ChanceStream, type Purpose } from './chance'
import type { DrawnHabit } from './drawnHabit'
import { happening } from './happening'

/** Seconds of a half hour, in each of which a viewer seeks at most once. */
const seekSpanS = 1800

/** What of a session was drawn, for whoever tells it. */
export interface DrawnSession extends SessionPlan {
  readonly habit: number
  readonly offer: SessionOffer
}

export interface DrawQuestion {
  readonly habits: readonly DrawnHabit[]
  /** shares of what whole files lie on: drives, or groups, cumulated; empty where there is one */
  readonly onDrives: readonly number[]
  readonly fallbackShare: number
  readonly seekChance: number
}

type Streams = Readonly<Record<Purpose, ChanceStream>>

/**
 * Draws evenings: evening e falls on weekday e mod 7. What a machine, a drive, a line or another
 * viewer does changes no draw.
 * @see handbook 10, How an evening is drawn
 */
export class EveningDraw {
  /** habits of each watcher, in their order */
  private readonly byWatcher: readonly (readonly number[])[]
  private readonly streams: readonly Streams[]

  constructor(
    readonly question: DrawQuestion,
    seed: string,
  ) {
    const { habits } = question
    const watchers = new Map<number, number[]>()
    habits.forEach(({ watcher }, at) =>
      watchers.set(watcher, [...(watchers.get(watcher) ?? []), at]),
    )
    this.byWatcher = [...watchers].sort(([a], [b]) => a - b).map(([, own]) => own)
    this.streams = habits.map(({ name, place }) => {
      const of = (purpose: Purpose) => chanceStream(seed, name, place, purpose)
      return {
        start: of('start'),
        happens: of('happens'),
        row: of('row'),
        subtitles: of('subtitles'),
        drive: of('drive'),
        fallback: of('fallback'),
        seeks: of('seeks'),
      }
    })
  }

  /** The sessions of an evening in order of start; seconds from its day's midnight. */
  evening(evening: number): DrawnSession[] {
    const { habits } = this.question
    const drawn: DrawnSession[] = []
    for (const all of this.byWatcher) {
      const own = all.filter(at => habits[at]!.evenings[evening % 7])
      if (own.length === 0) continue
      const outings = own.map(at => {
        const { earliest, latest, minutes, chance } = habits[at]!
        const { start: when, happens } = this.streams[at]!
        const start = earliest + when.of(evening)() * (latest - earliest)
        return { start, end: start + minutes, chance, luck: happens.of(evening)() }
      })
      const does = happening(outings)
      own.forEach((at, place) => {
        if (does[place] && !habits[at]!.isNothing)
          drawn.push(this.session(evening, at, outings[place]!.start))
      })
    }
    return drawn.sort((a, b) => a.start - b.start || a.order - b.order)
  }

  private session(evening: number, at: number, startMinute: number): DrawnSession {
    const { habits, onDrives, fallbackShare, seekChance } = this.question
    const habit = habits[at]!
    const streams = this.streams[at]!
    const offer = this.offer(evening, at)
    const drive = onDrives.length > 0 ? placeOf(onDrives, streams.drive.of(evening)()) : 0
    const fallsBack = fallbackShare > 0 && streams.fallback.of(evening)() < fallbackShare
    const start = startMinute * 60
    const end = start + habit.minutes * 60
    return {
      viewer: habit.watcher,
      order: at,
      habit: habit.habit,
      start,
      end,
      seeks: seekChance > 0 ? seeksOf(streams.seeks.of(evening), { start, end, seekChance }) : [],
      never: offer.never,
      routes: offer.never ? [] : offer.routes(drive, fallsBack),
      offer,
    }
  }
  private offer(evening: number, at: number): SessionOffer {
    const { rows, soundAlone, subtitledShare } = this.question.habits[at]!
    const { row, subtitles } = this.streams[at]!
    const luck = row.of(evening)()
    const found = rows.find(({ upTo }) => luck < upTo)
    if (!found) return soundAlone
    return found.subtitled && subtitles.of(evening)() < subtitledShare
      ? found.subtitled
      : found.plain
  }
}

/** Which of cumulated shares a number falls into; the last one takes what rounding leaves. */
function placeOf(upTo: readonly number[], luck: number): number {
  const at = upTo.findIndex(share => luck < share)
  return at < 0 ? upTo.length - 1 : at
}

function seeksOf(
  random: () => number,
  {
    start,
    end,
    seekChance,
  }: { readonly start: number; readonly end: number; readonly seekChance: number },
): number[] {
  const seeks: number[] = []
  for (let from = start; from < end; from += seekSpanS) {
    const does = random() < seekChance
    const at = from + random() * seekSpanS
    if (does && at < end) seeks.push(at)
  }
  return seeks
}
