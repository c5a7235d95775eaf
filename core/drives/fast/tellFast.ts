import { absentFigure, declareFigure } from '../../expressions/declareFigure'
import {
  chosen,
  constant,
  conversion,
  field,
  product,
  quoted,
  quotient,
  rest,
  sum,
  workedOut,
  type Input,
} from '../../expressions/expression'
import type { Figure } from '../../figure'
import { extrasShare } from '../../library/holdingSizes'
import type { Plan } from '../../plan/planSchema'
import { readsPerDrive, type ReadPool, type Reads } from '../layouts/layout'
import { layouts } from '../layouts/layouts'
import type { Format } from '../../units/format'
import {
  browsingS,
  busyAtMost,
  diskStreams,
  picturesOfPage,
  readAheadMB,
  seekS,
} from './diskStreams'
import { gbPerMbpsHour } from '../../units/dataSize'
import { daysPerMonth, daysPerYear } from '../../units/time'
import { rebuildShareOfOuter } from '../rebuildHours'
import { cacheSlack, frontShare, ssdFill, usualWritesPerTB, type FastStorage } from './fastStorage'

/** What the telling knows besides the placement. */
export interface FastTale {
  readonly plan: Plan
  readonly sentMbps: number
  readonly conversions: number
  /**
   * streams that are watched at the worst moment, and the layout with its drives; null while there
   * is no pool
   */
  readonly watching: number
  readonly layoutId: string
  readonly pool: {
    readonly members: number
    readonly survives: number
    readonly dataDrives: number
    readonly outerMBps: number
    readonly spinning: boolean
  } | null
  readonly format: Format
}

/** A stream of a title as it is kept, Mb/s: what disks are asked for. */
export const plannedStreamMbps = 8

const readsOf = (layoutId: string, pool: ReadPool): Reads =>
  (layouts.find(({ id }) => id === layoutId)?.reads ?? readsPerDrive)(pool)

/**
 * Streams that the data drives carry: on layouts with whole files on single drives the low end is
 * one drive.
 */
export function dataDrivesCarry({
  pool,
  layoutId,
}: Pick<FastTale, 'pool' | 'layoutId'>): { readonly low: number; readonly high: number } | null {
  if (!pool) return null
  const { together, sideBySide, isPerDrive } = readsOf(layoutId, pool)
  const carry = (beside: number) =>
    diskStreams({
      streamMbps: plannedStreamMbps,
      outerMBps: pool.outerMBps,
      together,
      sideBySide: beside,
      spinning: pool.spinning,
    })
  return { low: carry(isPerDrive ? 1 : sideBySide), high: carry(sideBySide) }
}

/** Figures of fast storage, each with its working. */
export function fastFigures(fast: FastStorage, tale: FastTale): Figure[] {
  return [
    ssdNeededFigure(fast, tale.format),
    ...useFigures(fast, tale),
    wearFigure(fast, tale),
    browsingFigure(tale),
    streamsFigure(tale),
    arrivalsFigure(tale),
  ]
}

/** How large the SSD must be for what lies on it. */
function ssdNeededFigure(fast: FastStorage, format: Format): Figure {
  return declareFigure(
    () =>
      quotient(
        quotient(
          workedOut(fast.ssdGB, 'GB', {
            inputs: [
              'drives.systemOn',
              'drives.indexOn',
              'drives.scratchOn',
              'drives.cacheOn',
              'drives.workOn',
              'drives.systemGB',
              'drives.workGB',
              { figure: 'fast.scratchGB' },
              { figure: 'fast.cacheGB' },
              { figure: 'fast.indexGB' },
              'library.holdings',
            ],
            after: 'that lie on it',
          }),
          constant(ssdFill, 'share'),
        ),
        conversion(1000, 'GB/TB'),
      ),
    {
      id: 'fast.ssdNeededTB',
      label: 'SSD needed',
      unit: 'TB',
      note: `Of what lies behind an SSD, ${format.number(frontShare * 100)} % is taken to be in it.`,
    },
    format,
  )
}

/** What lies on the SSD beside the holdings. */
function useFigures(
  fast: FastStorage,
  { plan: { drives }, sentMbps, conversions, format }: FastTale,
): Figure[] {
  const { number: n } = format
  const sessions = Math.max(1, Math.ceil(conversions))
  return [
    declareFigure(
      () =>
        product(
          field('network.awayRungMbps', [sentMbps, 'Mb/s/stream']),
          quotient(
            field('drives.scratchMinutes', [drives.scratchMinutes, 'min']),
            conversion(60, 'min/h'),
          ),
          constant(gbPerMbpsHour, 'GB·s/Mb/h', { bare: true }),
          workedOut(sessions, 'streams', {
            inputs: [{ figure: 'streams.asked' }],
            bare: true,
            after: 'at once',
          }),
        ),
      {
        id: 'fast.scratchGB',
        label: 'Conversion scratch',
        unit: 'GB',
        source: `1 Mb/s makes ${n(gbPerMbpsHour)} GB in an hour.`,
      },
      format,
    ),
    declareFigure(
      () =>
        product(
          workedOut(fast.biggestDayGB, 'GB/day', {
            inputs: ['drives.arrivals'],
            after: 'on the biggest day',
          }),
          field('drives.daysBetweenMoves', [drives.daysBetweenMoves, 'days']),
          constant(cacheSlack, 'factor'),
        ),
      { id: 'fast.cacheGB', label: 'Write cache', unit: 'GB' },
      format,
    ),
    declareFigure(
      () =>
        workedOut(fast.indexGB, 'GB', {
          inputs: ['library.holdings'],
          says: `${n(extrasShare * 100)} % beside the video: ${n(fast.indexGB, 3)} GB`,
        }),
      { id: 'fast.indexGB', label: 'Index with pictures', unit: 'GB' },
      format,
    ),
  ]
}

/** How long a page of the library takes, with nobody watching and while all do who may. */
function browsingFigure(tale: FastTale): Figure {
  const {
    plan: { drives },
    format,
  } = tale
  const carry = dataDrivesCarry(tale)
  const busy = carry && carry.low > 0 ? Math.min(1, (busyAtMost * tale.watching) / carry.low) : 0
  const spinning = tale.pool?.spinning ?? true
  const isOnDrives = drives.indexOn === 'spinning'
  const browse = (share: number) => (isOnDrives ? browsingS(share, spinning) : browsingS(0, false))
  const busyInputs: readonly Input[] = [
    { figure: 'household.watching95' },
    { figure: 'fast.diskStreams' },
  ]
  const fromDrives = quotient(
    product(
      constant(picturesOfPage, 'factor', { after: 'pictures' }),
      constant(seekS.spinning, 's'),
    ),
    rest(workedOut(1 - browse(0) / browse(busy), 'share', { inputs: busyInputs, after: 'busy' })),
  )
  return declareFigure(
    () =>
      chosen(
        ['drives.indexOn', 'drives.lots', 'drives.driveClass', ...busyInputs],
        isOnDrives && spinning
          ? fromDrives
          : workedOut(browse(0), 's', { inputs: [], says: 'from an SSD: about 10 ms' }),
      ),
    {
      id: 'fast.browsingS',
      label: 'A page of the library is there in',
      unit: 's',
      note: 'The low end is when nobody watches.',
      band: { low: browse(0), likely: browse(busy), high: browse(busy) },
    },
    format,
  )
}

function streamsFigure(tale: FastTale): Figure {
  const { format } = tale
  const carry = dataDrivesCarry(tale)
  const parts = {
    id: 'fast.diskStreams',
    label: 'Streams that the data drives carry',
    unit: 'streams',
  } as const
  const inputs: readonly Input[] = [
    'drives.layout',
    'drives.lots',
    'drives.driveClass',
    'drives.outerMBps',
  ]
  if (!carry) return absentFigure('Put in drives to see this.', { ...parts, inputs, formula: '–' })
  const { number: n } = format
  return declareFigure(
    () =>
      workedOut({ low: carry.low, likely: carry.low, high: carry.high }, 'streams', {
        inputs,
        says:
          `${n(busyAtMost * 100)} % of a drive's time, of which each stream of ` +
          `${plannedStreamMbps} Mb/s takes a seek of ${n(seekS.spinning * 1000)} ms (an SSD ` +
          `${n(seekS.ssd * 1000)}) and the reading for every ${readAheadMB} MB`,
      }),
    {
      ...parts,
      note:
        carry.low < carry.high
          ? 'The low end is when all wanted titles lie on one drive.'
          : 'All drives work for every stream.',
    },
    format,
  )
}

function arrivalsFigure({ plan: { drives, choices }, format }: FastTale): Figure {
  const { number: n } = format
  const none = workedOut(0, 'GB', { inputs: ['drives.arrivals'], says: 'None are entered.' })
  const each = drives.arrivals.map(({ name, gbPerDay, daysPerWeek }, index) =>
    quotient(
      product(
        field(`drives.arrivals.${index}.gbPerDay`, [gbPerDay, 'GB/day'], {
          before: quoted(name || 'one of them'),
        }),
        field(`drives.arrivals.${index}.daysPerWeek`, [daysPerWeek, 'factor']),
        constant(daysPerMonth, 'days', { digits: 4 }),
      ),
      constant(7, 'factor'),
    ),
  )
  return declareFigure(
    () => (each.length === 0 ? none : chosen(['drives.arrivals'], sum(...each))),
    {
      id: 'fast.arrivalsGBPerMonth',
      label: 'Arrivals in a month',
      unit: 'GB',
      note:
        `Converting ${n(choices.convertingHoursPerDay)} h a day is counted for the wear, ` +
        'not here.',
    },
    format,
  )
}

/** Wear beyond so many years is not told as a number. */
export const longestWearYears = 25

function wearFigure(fast: FastStorage, { plan: { drives }, format }: FastTale): Figure {
  const { number: n } = format
  const parts = { id: 'fast.wearYears', label: 'The SSD is worn out in', unit: 'years' } as const
  const rated: readonly Input[] = ['drives.ssdTB', 'drives.ssdWritesTB']
  const written: readonly Input[] = [
    'drives.scratchOn',
    'drives.cacheOn',
    'network.awayRungMbps',
    'choices.convertingHoursPerDay',
    'drives.arrivals',
  ]
  const inputs = [...rated, ...written]
  if (fast.wearYears === null)
    return absentFigure('Hardly anything is written to it.', { ...parts, inputs, formula: '–' })
  if (fast.wearYears > longestWearYears)
    return absentFigure(`Not within ${longestWearYears} years: other parts fail before.`, {
      ...parts,
      inputs,
      formula: `${n(fast.ratedTB)} TB of rated writes, ${n(fast.writtenGBPerDay, 3)} GB a day`,
    })
  return declareFigure(
    () =>
      quotient(
        quotient(
          product(
            workedOut(fast.ratedTB, 'TB', { inputs: rated, after: 'of rated writes' }),
            conversion(1000, 'GB/TB'),
          ),
          workedOut(fast.writtenGBPerDay, 'GB/day', { inputs: written, after: 'a day' }),
        ),
        constant(daysPerYear, 'days/year', { digits: 5 }),
      ),
    {
      ...parts,
      source:
        drives.ssdWritesTB === null
          ? `${usualWritesPerTB} TB of writes for each TB of SSD, a usual data sheet.`
          : 'Data sheet, as entered.',
      note: 'Conversions and arrivals are written to it.',
    },
    format,
  )
}

/** How the SSD stands to what lies on it, in a sentence. */
export function fastSentence(
  fast: FastStorage,
  { plan: { drives } }: Pick<FastTale, 'plan'>,
  { quantity }: Pick<Format, 'quantity'>,
): string {
  if (drives.ssdTB === 0)
    return fast.ssdGB > 0
      ? `There is no SSD, but ${quantity(fast.ssdGB, 'GB')} are to lie on one: ` +
          `${quantity(fast.ssdNeededTB, 'TB')} of it are needed.`
      : 'There is no SSD, and nothing is to lie on one.'
  if (fast.ssdGB === 0) return `Nothing lies on the SSD of ${quantity(drives.ssdTB, 'TB')}.`
  return fast.ssdNeededTB <= drives.ssdTB
    ? `The SSD of ${quantity(drives.ssdTB, 'TB')} holds what lies on it; ` +
        `${quantity(fast.ssdNeededTB, 'TB')} would be enough.`
    : `The SSD of ${quantity(drives.ssdTB, 'TB')} is too small: ` +
        `${quantity(fast.ssdNeededTB, 'TB')} are needed for what lies on it.`
}

/** MB/s that a SATA SSD reads. */
export const ssdMBps = 530

/** What to know of a placement, in sentences. */
export function fastNotes(
  fast: FastStorage,
  {
    plan: { drives },
    pool,
    layoutId,
    linkMBps,
    format: { number: n },
  }: Pick<FastTale, 'plan' | 'pool' | 'layoutId' | 'format'> & {
    /** of the home network */ readonly linkMBps: number
  },
): string[] {
  const drivesMBps = pool
    ? rebuildShareOfOuter * pool.outerMBps * readsOf(layoutId, pool).together
    : 0
  const quick = fast.placed
    .filter(
      ({ id, pool, sizeGB }) =>
        (id.startsWith('holding-') || id === 'work') && pool === 'ssd' && sizeGB > 0,
    )
    .map(({ label }) => label)
  return [
    ...(drives.cacheOn !== 'spinning' && fast.cacheGB > 0
      ? [
          'What lies in the write cache has no second copy until it is moved, unless the ' +
            'SSD is mirrored.',
        ]
      : []),
    ...(drivesMBps > linkMBps
      ? [
          `What lies on the data drives is read at about ${n(drivesMBps, 3)} MB/s, faster ` +
            `than the ${n(linkMBps, 3)} MB/s of the home network: a faster network card ` +
            'shortens copies of it.',
        ]
      : []),
    ...(quick.length > 0 && ssdMBps > linkMBps
      ? [
          `A faster network card pays most for ${quick.join(', ')}, read at up to ` +
            `${ssdMBps} MB/s from the SSD.`,
        ]
      : []),
    ...(drivesMBps <= linkMBps && quick.length === 0
      ? [
          'A faster network card pays for nothing here: no pool with holdings is read ' +
            'faster than the home network carries.',
        ]
      : []),
    ...(drives.ssdTB > 0 ? ['Every SSD takes a port, an M.2 slot or lanes of the machine.'] : []),
  ]
}
