import { figure, noFigure, type Figure } from '../../figure'
import type { Plan } from '../../plan/planSchema'
import type { Format } from '../../units/format'
import {
  browsingS,
  busyAtMost,
  diskStreams,
  picturesOfPage,
  readAheadMB,
  readsOf,
  seekS,
} from './diskStreams'
import { gbPerMbpsHour } from '../../units/dataSize'
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

/**
 * Streams that the data drives carry: on layouts with whole files on single drives the low end is
 * one drive.
 */
export function dataDrivesCarry({
  pool,
  layoutId,
}: Pick<FastTale, 'pool' | 'layoutId'>): { readonly low: number; readonly high: number } | null {
  if (!pool) return null
  const { together, sideBySide } = readsOf(layoutId, pool)
  const carry = (beside: number) =>
    diskStreams({
      streamMbps: plannedStreamMbps,
      outerMBps: pool.outerMBps,
      together,
      sideBySide: beside,
      spinning: pool.spinning,
    })
  const isPerDrive = together === 1 && layoutId !== 'mirror'
  return { low: carry(isPerDrive ? 1 : sideBySide), high: carry(sideBySide) }
}

/** Figures of fast storage, each with its working. */
export function fastFigures(fast: FastStorage, tale: FastTale): Figure[] {
  const {
    plan: { drives, choices },
    sentMbps,
    conversions,
    format: { number: n },
  } = tale
  const carry = dataDrivesCarry(tale)
  const busy = carry && carry.low > 0 ? Math.min(1, (busyAtMost * tale.watching) / carry.low) : 0
  const spinning = tale.pool?.spinning ?? true
  const browse = (share: number) =>
    drives.indexOn === 'spinning' ? browsingS(share, spinning) : browsingS(0, false)
  const sessions = Math.max(1, Math.ceil(conversions))
  return [
    figure(fast.ssdNeededTB, {
      id: 'fast.ssdNeededTB',
      label: 'SSD needed',
      unit: 'TB',
      inputs: [
        'drives.systemOn',
        'drives.indexOn',
        'drives.scratchOn',
        'drives.cacheOn',
        'drives.workOn',
        'drives.systemGB',
        'drives.workGB',
        'fast.scratchGB',
        'fast.cacheGB',
        'library.holdings',
      ],
      formula: `${n(fast.ssdGB)} GB that lie on it ÷ ${ssdFill} = ${n(fast.ssdNeededTB, 3)} TB`,
      note: `Of what lies behind an SSD, ${n(frontShare * 100)} % is taken to be in it.`,
    }),
    figure(fast.scratchGB, {
      id: 'fast.scratchGB',
      label: 'Conversion scratch',
      unit: 'GB',
      inputs: ['network.awayRungMbps', 'drives.scratchMinutes', 'streams.asked'],
      formula:
        `${n(sentMbps)} Mb/s × ${n(drives.scratchMinutes)} min × 60 ÷ 8000 × ${sessions} at ` +
        `once = ${n(fast.scratchGB, 3)} GB`,
    }),
    figure(fast.cacheGB, {
      id: 'fast.cacheGB',
      label: 'Write cache',
      unit: 'GB',
      inputs: ['drives.arrivals', 'drives.daysBetweenMoves'],
      formula:
        `${n(fast.biggestDayGB)} GB on the biggest day × ${n(drives.daysBetweenMoves)} days ` +
        `× ${cacheSlack} = ${n(fast.cacheGB, 3)} GB`,
    }),
    figure(fast.indexGB, {
      id: 'fast.indexGB',
      label: 'Index with pictures',
      unit: 'GB',
      inputs: ['library.contentTB'],
      formula: `2 % of the video = ${n(fast.indexGB, 3)} GB`,
    }),
    wearFigure(fast, tale),
    figure(
      { low: browse(0), likely: browse(busy), high: browse(busy) },
      {
        id: 'fast.browsingS',
        label: 'A page of the library is there in',
        unit: 's',
        inputs: ['drives.indexOn', 'household.watching95', 'fast.diskStreams'],
        formula:
          drives.indexOn === 'spinning'
            ? `${picturesOfPage} pictures × ${seekS.spinning * 1000} ms ÷ (1 − ` +
              `${n(busy * 100, 2)} % busy) = ${n(browse(busy), 2)} s`
            : 'from an SSD: about 10 ms',
        note: 'The low end is when nobody watches.',
      },
    ),
    carry
      ? figure(
          { low: carry.low, likely: carry.low, high: carry.high },
          {
            id: 'fast.diskStreams',
            label: 'Streams that the data drives carry',
            unit: 'streams',
            inputs: ['drives.layout', 'drives.lots', 'drives.outerMBps'],
            formula:
              `${busyAtMost} ÷ (${plannedStreamMbps} Mb/s ÷ 8 ÷ ${readAheadMB} MB × ` +
              `(${seekS.spinning * 1000} ms + ${readAheadMB} MB ÷ rate))`,
            note:
              carry.low < carry.high
                ? 'The low end is when all wanted titles lie on one drive.'
                : 'All drives work for every stream.',
          },
        )
      : noFigure('Put in drives to see this.', {
          id: 'fast.diskStreams',
          label: 'Streams that the data drives carry',
          unit: 'streams',
          inputs: ['drives.lots'],
          formula: '–',
        }),
    figure(
      drives.arrivals.reduce(
        (sum, { gbPerDay, daysPerWeek }) => sum + ((gbPerDay * daysPerWeek) / 7) * daysPerMonth,
        0,
      ),
      {
        id: 'fast.arrivalsGBPerMonth',
        label: 'Arrivals in a month',
        unit: 'GB',
        inputs: ['drives.arrivals'],
        formula:
          drives.arrivals
            .map(
              ({ name, gbPerDay, daysPerWeek }) =>
                `${name || 'one of them'}: ${n(gbPerDay)} GB × ${n(daysPerWeek)} of 7 days`,
            )
            .join(' + ') || 'none are entered',
        note:
          `Converting ${n(choices.convertingHoursPerDay)} h a day is counted for the wear, ` +
          'not here.',
      },
    ),
  ]
}
const daysPerMonth = 30.44

/** Wear beyond so many years is not told as a number. */
export const longestWearYears = 25

function wearFigure(
  fast: FastStorage,
  { plan: { drives, choices }, sentMbps, format: { number: n } }: FastTale,
): Figure {
  const parts = {
    id: 'fast.wearYears',
    label: 'The SSD is worn out in',
    unit: 'years',
    inputs: [
      'drives.ssdTB',
      'drives.ssdWritesTB',
      'drives.scratchOn',
      'drives.cacheOn',
      'network.awayRungMbps',
      'choices.convertingHoursPerDay',
      'drives.arrivals',
    ],
  }
  if (fast.wearYears === null)
    return noFigure('Hardly anything is written to it.', { ...parts, formula: '–' })
  if (fast.wearYears > longestWearYears)
    return noFigure(`Not within ${longestWearYears} years: other parts fail before.`, {
      ...parts,
      formula: `${n(fast.ratedTB)} TB of rated writes ÷ ${n(fast.writtenGBPerDay, 3)} GB a day`,
    })
  return figure(fast.wearYears, {
    ...parts,
    formula:
      `${n(fast.ratedTB)} TB of rated writes ÷ ${n(fast.writtenGBPerDay, 3)} GB a day ` +
      `(conversions ${n(sentMbps)} Mb/s × ${n(choices.convertingHoursPerDay)} h × ` +
      `${gbPerMbpsHour}, and arrivals)`,
    source:
      drives.ssdWritesTB === null
        ? `${usualWritesPerTB} TB of writes for each TB of SSD, a usual data sheet.`
        : 'Data sheet, as entered.',
  })
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
