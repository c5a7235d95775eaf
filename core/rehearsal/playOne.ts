import { EveningDraw, type DrawnSession } from './draw/drawEvening'
import { chanceStream } from './draw/chance'
import { EveningRun, type EveningWatcher } from './evening/eveningRun'
import type { CapacityChange, Evening } from './evening/world'
import type { PlanningValues } from './planningValues'
import { arrivalWifiMbps } from './question/backgrounds'
import type { RehearsalWorld } from './question/rehearsalWorld'
import type { WhatIf } from './whatIf/whatIf'

/** What an evening is rehearsed under. */
export interface RehearsalHow {
  readonly seed: string
  readonly values: PlanningValues
  readonly whatIf: WhatIf
}

/** An evening that was drawn. */
export interface DrawnEvening extends Evening {
  readonly number: number
  readonly sessions: readonly DrawnSession[]
}

/** Draws and plays evenings of one plan. */
export class Rehearsal {
  private readonly draw: EveningDraw
  private readonly arrives: readonly ReturnType<typeof chanceStream>[]

  constructor(
    readonly world: RehearsalWorld,
    readonly how: RehearsalHow,
  ) {
    this.draw = new EveningDraw(world.draw, how.seed)
    this.arrives = world.backgrounds.map(({ at }) => chanceStream(how.seed, 'arrival', at))
  }

  /** What was drawn for an evening. */
  evening(number: number): DrawnEvening {
    const sessions = this.draw.evening(number)
    return {
      number,
      resources: this.world.resources.list,
      places: this.world.places,
      sessions,
      changes: [...this.withdrawn(number), ...this.hangs(sessions)].sort((a, b) => a.at - b.at),
    }
  }
  /** Plays an evening to its end. */
  play(evening: DrawnEvening, watcher?: EveningWatcher): EveningRun {
    return new EveningRun(evening, this.how.values, watcher).play()
  }

  /** What arrives takes its part first, down to nothing that is left. */
  private withdrawn(number: number): CapacityChange[] {
    const { backgrounds, resources, writeMBps, reads } = this.world
    const on = backgrounds.filter((background, at) => {
      const { chance } = background
      return chance >= 1 || this.arrives[at]!.of(number)() < chance
    })
    if (on.length === 0) return []
    const times = [...new Set(on.flatMap(({ from, to }) => [from, to]))].sort((a, b) => a - b)
    const taken = (resource: number, { mbps, link }: (typeof on)[number]): number => {
      switch (resources.list[resource]!.kind) {
        case 'port':
          return link === 'here' ? 0 : mbps
        case 'airtime':
          return link === 'wifi' ? mbps / arrivalWifiMbps : 0
        case 'drives':
          return writeMBps === null ? 0 : mbps / 8 / writeMBps / Math.max(1, reads.length)
        default:
          return 0
      }
    }
    return resources.list.flatMap(({ capacity }, resource) => {
      const own = on.filter(background => taken(resource, background) > 0)
      if (own.length === 0) return []
      return times.map(at => ({
        at,
        resource,
        capacity: own.reduce(
          (left, background) =>
            background.from <= at && at < background.to
              ? Math.max(0, left - taken(resource, background))
              : left,
          capacity,
        ),
      }))
    })
  }

  /** The first moment with most there by the clock, whatever becomes of them. */
  private hangs(sessions: readonly DrawnSession[]): CapacityChange[] {
    const { whatIf, values } = this.how
    if (!whatIf.hang || sessions.length === 0) return []
    let best = { at: 0, there: 0 }
    for (const { start } of sessions) {
      const there = sessions.filter(other => other.start <= start && start < other.end).length
      if (there > best.there) best = { at: start, there }
    }
    return [
      { at: best.at, resource: null, capacity: 0 },
      { at: best.at + values.hangS, resource: null, capacity: 1 },
    ]
  }
}
