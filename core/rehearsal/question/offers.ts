import { ladder } from '../../catalogue/sentQualities'
import { deviceLink, type SharedLinks } from '../../network/links'
import { overheadFactor } from '../../network/awayStreams'
import type { MatrixColumn } from '../../playback/columns'
import type { ConversionBook, ConversionStep } from '../../playback/conversionBook'
import { prospectOf, type Prospect } from '../../playback/playability'
import { smallCopyTraits } from '../../playback/smallCopy'
import type { Session } from '../../playback/session'
import type { TitleTraits } from '../../playback/titleTraits'
import { homePlace } from '../../plan/constants'
import { singleConversionCapacity } from '../../streams/capacity'
import { softwareTakes, type ConversionMachine } from '../../streams/conversionMachine'
import {
  engineShares,
  engineTakes,
  likelyEnds,
  sessionMemoryMB,
  toneMapWorkOf,
} from '../../streams/engineShares'
import type { Place, Route, Rung } from '../evening/world'
import type { PlanningValues } from '../planningValues'
import { readLimit, readShare, type DriveQuestion, type ReadFrom } from './driveReads'
import { Takes, type ResourceList } from './resources'
import { rememberedRoutes, type SessionOffer } from './sessionOffer'

/** Rates are told apart down to this, Mb/s. */
const rateTolerance = 1e-9
/** Sound alone, Mb/s: it plays as it is. */
export const soundAloneMbps = 0.9

/** What offers are made from. */
export interface OfferQuestion {
  readonly columns: readonly MatrixColumn[]
  readonly rows: readonly TitleTraits[]
  readonly machine: ConversionMachine
  readonly links: SharedLinks
  readonly places: readonly { readonly id: string; readonly downloadMbps: number | null }[]
  readonly devices: Parameters<typeof deviceLink>[0][]
  readonly drives: DriveQuestion | null
  readonly reads: readonly ReadFrom[]
  readonly resources: ResourceList
  readonly held: readonly Place[]
  readonly book: ConversionBook
  readonly values: PlanningValues
}

/** What goes over the lines and off the drives at a rate, for the screen of a column. */
interface Screen {
  readonly column: MatrixColumn
  readonly at: number
  /** what its link carries as if nobody else were on it, Mb/s */
  readonly aloneMbps: number
  readonly place: number | null
  readonly link: ReturnType<typeof deviceLink>
}

/** Makes what each kind of title on each screen comes to, each once. */
export class Offers {
  private readonly known = new Map<string, SessionOffer>()
  private readonly screens: readonly Screen[]

  constructor(private readonly question: OfferQuestion) {
    const alone = { ...question.links, homeSessions: 1, wifiSessions: 1, awaySessions: 1 }
    this.screens = question.columns.map((column, at): Screen => {
      const device = column.deviceIndex === null ? null : question.devices[column.deviceIndex]!
      const place = column.placeIndex === null ? null : question.places[column.placeIndex]!
      const id = place?.id ?? (column.isAway ? 'away' : homePlace)
      const link = deviceLink(device, { id, downloadMbps: place?.downloadMbps ?? null }, alone)
      return { column, at, aloneMbps: link.mbps, place: column.placeIndex, link }
    })
  }

  /** Sound alone on a column's device. */
  sound(column: number): SessionOffer {
    return this.remembered(`sound ${column}`, () =>
      this.untouched({ row: null, column, subtitled: false, sourceMbps: soundAloneMbps, work: 0 }),
    )
  }
  /** @param lowestMbps the lowest rate that the viewer accepts */
  of(
    asked: { readonly row: number; readonly column: number; readonly subtitled: boolean },
    lowestMbps: number,
  ): SessionOffer {
    const key = `${asked.row} ${asked.column} ${asked.subtitled} ${lowestMbps}`
    return this.remembered(key, () => this.make(asked, lowestMbps))
  }
  private remembered(key: string, make: () => SessionOffer): SessionOffer {
    const known = this.known.get(key) ?? make()
    this.known.set(key, known)
    return known
  }

  private make(
    asked: { readonly row: number; readonly column: number; readonly subtitled: boolean },
    lowestMbps: number,
  ): SessionOffer {
    const { rows, book } = this.question
    const title = rows[asked.row]!
    const { column, aloneMbps } = this.screens[asked.column]!
    const session: Session = {
      title,
      device: column.device,
      linkMbps: aloneMbps,
      capMbps: column.capMbps,
      subtitled: asked.subtitled,
    }
    const prospect = prospectOf(session, book)
    const common = { ...asked, sourceMbps: title.bitrateMbps }
    const { settled } = prospect
    if (settled?.stoppedBy && settled.stoppedBy !== 'machine')
      return {
        ...common,
        never: { by: settled.stoppedBy, reason: settled.reasons.at(-1)?.code ?? '' },
        routes: () => [],
      }
    if (settled)
      return this.untouched({
        ...common,
        sourceMbps: settled.smallCopy ? smallCopyTraits(title)!.bitrateMbps : title.bitrateMbps,
        work: settled.work,
      })
    return this.converted(common, prospect, { session, lowestMbps })
  }

  private untouched({
    work,
    ...offer
  }: Omit<SessionOffer, 'never' | 'routes'> & { readonly work: number }): SessionOffer {
    const { values, rows } = this.question
    const lines = offer.row === null ? 0 : rows[offer.row]!.quality.lines
    return {
      ...offer,
      never: null,
      routes: rememberedRoutes(drive => [
        {
          engine: null,
          converts: false,
          units: [],
          holds: [],
          rungs: [
            this.rung(offer, drive, {
              mbps: offer.sourceMbps,
              lines,
              limit: values.otherLimit,
              add: takes => takes.add('processor', 0, work),
            }),
          ],
        },
      ]),
    }
  }

  private converted(
    offer: Omit<SessionOffer, 'never' | 'routes'>,
    prospect: Prospect,
    { session, lowestMbps }: { readonly session: Session; readonly lowestMbps: number },
  ): SessionOffer {
    const { machine } = this.question
    const steps = this.carried(session, prospect)
    const least = Math.min(lowestMbps, prospect.unlimitedMbps) - rateTolerance
    const accepted = steps.filter(({ mbps }) => mbps >= least)
    const rungs = accepted.length > 0 ? accepted : steps
    const engines = machine.engines.flatMap((engine, at) => {
      const from = rungs.findIndex(({ conversion }) => engineTakes(conversion.task, engine))
      return from < 0 ? [] : [{ at, steps: rungs.slice(from) }]
    })
    const fromSoftware = rungs.findIndex(({ conversion }) =>
      softwareTakes(conversion.work.likely, machine),
    )
    const isNever = engines.length === 0 && fromSoftware < 0
    return {
      ...offer,
      never: isNever ? { by: 'machine', reason: 'TOO_SLOW' } : null,
      routes: rememberedRoutes((drive, fallsBack) => [
        ...(fallsBack
          ? []
          : engines.map(({ at, steps: own }) => this.onEngine(offer, drive, { at, steps: own }))),
        ...(fromSoftware < 0 ? [] : [this.inSoftware(offer, drive, rungs.slice(fromSoftware))]),
      ]),
    }
  }
  /** Every rung that device, line and cap carry, largest first, each rate and height once. */
  private carried(session: Session, { steps, reasons }: Prospect): ConversionStep[] {
    const { title, device, capMbps, linkMbps } = session
    const most = Math.min(capMbps, linkMbps, device.maxMbps)
    const lines = steps[0]!.lines
    const how = {
      soundConverted: reasons.some(reason => reason.needs === 'sound'),
      burn: reasons.some(reason => reason.code === 'SUBTITLES'),
    }
    const all = ladder
      .filter(rung => rung.lines <= lines && rung.rungMbps <= most)
      .map(rung => ({
        lines: rung.lines,
        mbps: Math.min(rung.rungMbps, title.bitrateMbps),
        conversion: this.question.book.conversion(session, rung.lines, how),
      }))
    return all.filter(
      (step, at) => step.lines !== all[at - 1]?.lines || step.mbps !== all[at - 1]?.mbps,
    )
  }
  private onEngine(
    offer: Omit<SessionOffer, 'never' | 'routes'>,
    drive: number,
    { at, steps }: { readonly at: number; readonly steps: readonly ConversionStep[] },
  ): Route {
    const { machine, values, resources, held } = this.question
    const engine = machine.engines[at]!
    const first = steps[0]!.conversion.task
    const rungs = steps.map(({ mbps, lines, conversion: { task } }) => {
      const shares = engineShares(task, engine, {
        toneMapWork: toneMapWorkOf(task, machine.table),
        ends: likelyEnds,
        systemMemoryMB: machine.systemMemoryMB,
      })!
      return this.rung(offer, drive, {
        mbps,
        lines,
        limit: values.conversionLimit,
        add: takes =>
          takes
            .add('processor', 0, shares.hostWork)
            .add('decode', at, shares.decode ?? 0)
            .add('toneMap', at, shares.toneMap ?? 0)
            .add('encode', at, shares.encode ?? 0),
      })
    })
    return {
      engine: at,
      converts: true,
      units: (['decode', 'toneMap', 'encode'] as const).flatMap(
        kind => resources.placeOf(kind, at) ?? [],
      ),
      holds: held.flatMap(({ kind, engine: of }, place): [number, number][] =>
        of === at ? [[place, kind === 'driverSessions' ? 1 : sessionMemoryMB(first)]] : [],
      ),
      rungs,
    }
  }
  private inSoftware(
    offer: Omit<SessionOffer, 'never' | 'routes'>,
    drive: number,
    steps: readonly ConversionStep[],
  ): Route {
    const { machine, values } = this.question
    const alone = singleConversionCapacity(machine.processor?.likely ?? Infinity, machine.cores)
    return {
      engine: null,
      converts: true,
      units: [],
      holds: [],
      rungs: steps.map(({ mbps, lines, conversion: { work } }) =>
        this.rung(offer, drive, {
          mbps,
          lines,
          limit: Math.min(values.conversionLimit, alone / work.likely),
          add: takes => takes.add('processor', 0, work.likely),
        }),
      ),
    }
  }

  private rung(
    { column: at, sourceMbps }: Pick<SessionOffer, 'column' | 'sourceMbps'>,
    drive: number,
    {
      mbps,
      lines,
      limit,
      add,
    }: {
      readonly mbps: number
      readonly lines: number
      readonly limit: number
      readonly add: (takes: Takes) => Takes
    },
  ): Rung {
    const { resources, drives, reads, values } = this.question
    const takes = add(new Takes(resources))
    this.overLines(takes, this.screens[at]!, mbps)
    const from = reads[drive]
    if (!from || !drives) return { mbps, lines, limit, ...takes.lists() }
    const share = readShare(sourceMbps, from, drives)
    takes.add('drives', drive, share)
    return {
      mbps,
      lines,
      limit: Math.min(limit, readLimit(share, from, values)),
      ...takes.lists(),
    }
  }
  private overLines(takes: Takes, { column, place, link }: Screen, mbps: number): void {
    const { links } = this.question
    takes.add('port', 0, mbps)
    if (links.serverWifiMbps !== null) takes.add('airtime', 0, mbps / links.serverWifiMbps)
    const { own } = link
    if (column.isAway) {
      takes.add('router', 0, mbps).add('upload', 0, overheadFactor * mbps)
      if (place !== null) takes.add('placeLine', place, mbps)
      if (own.kind === 'mobile') takes.add('deviceLine', column.deviceIndex ?? -1, mbps)
      return
    }
    if (own.kind === 'cable') takes.add('deviceCable', column.deviceIndex ?? -1, mbps)
    else if (own.kind === 'mobile') takes.add('deviceLine', column.deviceIndex ?? -1, mbps)
    else {
      takes.add('airtime', 0, mbps / (own.shownMbps * own.share))
      takes.add('router', 0, mbps)
    }
  }
}
