import { withinSentence } from '../withinSentence'
import type { Telling } from '../domain'
import { exactly, figure, noFigure, type Estimate, type Figure } from '../figure'
import { finding } from '../finding'
import { tebibytes } from '../units/dataSize'
import type { Format } from '../units/format'
import { monthsPerYear } from '../units/time'
import { headroomShare, headroomState, type Verdict, type VerdictState } from '../verdict'
import type { DrivesFacts, DrivesSlice, PoolFacts } from './drivesFacts'
import { failedDriveText } from './failedDrive'
import { catalogueFindings, poolFindings } from './driveFindings'
import { fileSystems } from './fileSystem'
import { isFarBelowOtherPerils } from './perils'
import { perilFigures, perilFindings } from './tellPerils'
import { layoutLabel, refusalText } from './refusalText'
import { riskFigures } from './riskFigures'

/** What telling the drives takes: the facts, what they follow from, and how numbers are written. */
export interface DrivesTale {
  readonly facts: DrivesFacts
  readonly slice: DrivesSlice
  readonly format: Format
}

/** The drives' facts in words. */
export function tellDrives(facts: DrivesFacts, slice: DrivesSlice, format: Format): Telling {
  const tale = { facts, slice, format }
  const { pool } = facts
  const raw = rawFigure(tale)
  return pool
    ? {
        figures: [
          raw,
          ...spaceFigures(pool, tale),
          neededFigure(tale),
          ...riskFigures(pool, tale),
          ...perilFigures(pool, tale),
        ],
        verdicts: [spaceVerdict(pool, tale), survivalVerdict(pool, tale)],
        findings: [...poolFindings(pool, tale), ...catalogueFindings(tale)],
      }
    : { figures: [raw, ...missingFigures(tale), neededFigure(tale)], ...withoutPool(tale) }
}

/** What one failed drive costs, in a sentence; where there is no pool, why. */
export function failedDriveSentence(
  { pool, layoutId, refusal }: DrivesFacts,
  format: Format,
): string {
  if (pool) return failedDriveText({ ...pool, layoutId }, format)
  return refusal ? refusalText(refusal, layoutId, format) : 'No drives are chosen yet.'
}

function rawFigure({ facts, slice: { drives }, format: { number: n } }: DrivesTale): Figure {
  return figure(facts.rawTB, {
    id: 'drives.rawTB',
    label: 'Raw',
    unit: 'TB',
    inputs: ['drives.lots'],
    formula:
      `${drives.lots.map(lot => `${lot.count} × ${n(lot.sizeTB)} TB`).join(' + ') || 'no drives'} ` +
      `= ${n(facts.rawTB)} TB`,
  })
}

function neededFigure({ facts, slice, format: { number: n } }: DrivesTale): Figure {
  const { reserveShare, ceilingShare } = fileSystems[slice.drives.fileSystem]
  return figure(facts.usableNeededTB, {
    id: 'drives.usableNeededTB',
    label: `Usable space needed in ${slice.horizonYears} years`,
    unit: 'TB',
    inputs: [
      'library.contentAtHorizonTB',
      'drives.fileSystem',
      'drives.changedGBPerMonth',
      'drives.snapshotMonths',
    ],
    formula:
      `(${n(slice.contentAtHorizonTB.likely)} + ${n(facts.heldTB)}) ÷ (${n(ceilingShare)} × ` +
      `(1 − ${n(reserveShare)})) = ${n(facts.usableNeededTB)} TB`,
  })
}

const allFileSystems = ({ number: n }: Format) =>
  Object.entries({
    'on a journalled file system': fileSystems.journalled,
    'on copy-on-write': fileSystems.copyOnWrite,
  })
    .map(
      ([where, { reserveShare, ceilingShare }]) =>
        `reserve ${n(reserveShare * 100)} % and fill limit ${n(ceilingShare * 100)} % ${where}`,
    )
    .join(', ')

function spaceFigures(pool: PoolFacts, tale: DrivesTale): Figure[] {
  const { facts, slice, format } = tale
  const { number: n } = format
  const { arrangement, roomTB } = pool
  const { usableTB } = arrangement
  const { reserveShare, ceilingShare } = fileSystems[slice.drives.fileSystem]
  const spares = arrangement.sparesTB.reduce((a, b) => a + b, 0)
  return [
    figure(usableTB, {
      id: 'drives.usableTB',
      label: 'Usable',
      unit: 'TB',
      inputs: [
        'drives.rawTB',
        'drives.lots',
        'drives.layout',
        'drives.hotSpares',
        ...(facts.isAutomatic ? ['choices.survivesAtLeast'] : []),
      ],
      formula:
        `${n(arrangement.rawTB)} TB raw${spares ? ` − ${n(spares)} hot spares` : ''} − ` +
        `${n(arrangement.redundancyTB)} copies and parity − ${n(arrangement.mismatchTB)} ` +
        `unused = ${n(usableTB)} TB`,
      source: layoutLabel(facts.layoutId),
      ...(facts.isAutomatic
        ? {
            note:
              'No layout is chosen yet, so it follows the number of drives and what must ' +
              'survive.',
          }
        : {}),
    }),
    figure(tebibytes(usableTB), {
      id: 'drives.usableTiB',
      label: 'Usable, binary',
      unit: 'TiB',
      inputs: ['drives.usableTB'],
      formula: `${n(usableTB)} · 10¹² / 2⁴⁰ = ${n(tebibytes(usableTB))} TiB`,
      note: 'Many systems show this number and call it TB.',
    }),
    figure(roomTB, {
      id: 'drives.roomTB',
      label: 'Room',
      unit: 'TB',
      inputs: [
        'drives.usableTB',
        'drives.fileSystem',
        'drives.changedGBPerMonth',
        'drives.snapshotMonths',
      ],
      formula:
        `${n(usableTB)} TB × (1 − ${n(reserveShare)}) × ${n(ceilingShare)} − ` +
        `${n(facts.heldTB)} TB of snapshots = ${n(roomTB)} TB`,
      source: `Usual values: ${allFileSystems(format)}.`,
    }),
    monthFullFigure(pool, tale),
  ]
}

function monthFullFigure(
  { roomTB, roomByMonthTB, monthFull: { likely, soonest, latest } }: PoolFacts,
  {
    slice: {
      forecast: { months },
    },
    format: { number: n },
  }: DrivesTale,
): Figure {
  const last = months.length - 1
  const years = last / monthsPerYear
  const roomIn = (month: number) => roomByMonthTB?.[month] ?? roomTB
  const parts = {
    id: 'drives.monthFull',
    label: 'Full in',
    unit: 'month',
    inputs: [
      'drives.roomTB',
      'drives.purchases',
      'library.contentTB',
      'library.growthTBPerMonth',
      'library.additionsChangePerYear',
    ],
    source: 'First month whose library exceeds the room; 0 is today.',
  }
  if (likely === null) {
    return noFigure(
      soonest === null
        ? `Not within ${years} years, even with fast growth.`
        : `Not within ${years} years at the likely growth; with fast growth in month ${soonest}.`,
      { ...parts, formula: `the library stays below ${n(roomIn(last))} TB` },
    )
  }
  return figure(
    { low: soonest ?? likely, likely, high: latest ?? last },
    {
      ...parts,
      formula:
        likely === 0
          ? `${n(months[0]!.likely)} TB today > ${n(roomIn(0))} TB`
          : `month ${likely}: ${n(months[likely]!.likely)} TB > ${n(roomIn(likely))} TB; ` +
            `month ${likely - 1}: ${n(months[likely - 1]!.likely)} TB`,
      ...(latest === null ? { note: `With slow growth not within ${years} years.` } : {}),
    },
  )
}

function yearsText(months: number, { number: n }: Format): string {
  return months < 24 ? `${months} months` : `${n(months / monthsPerYear, 2)} years`
}

function spaceVerdict(
  { roomTB, roomByMonthTB, roomAtHorizonTB, monthFull: full }: PoolFacts,
  { slice, format }: DrivesTale,
): Verdict {
  const { number: n } = format
  const { horizonYears, contentAtHorizonTB: asked, contentTB } = slice
  const possible = exactly(roomAtHorizonTB)
  const counted =
    slice.drives.purchases.length > 0 ? ' This counts the purchases planned under Growing.' : ''
  const horizonMonths = horizonYears * monthsPerYear
  const common = {
    id: 'space',
    label: 'Space',
    domain: 'drives',
    unit: 'TB',
    asked,
    possible,
    share: headroomShare(asked, possible),
    figures: ['library.contentAtHorizonTB', 'drives.roomTB', 'drives.monthFull'],
  }
  if (slice.nothingKept)
    return {
      ...common,
      state: 'unknown',
      sentence: 'Nothing is kept yet: enter the library to see how long the space lasts.',
    }
  if (full.likely === 0)
    return {
      ...common,
      state: 'impossible',
      sentence:
        `Today's library of ${n(contentTB.likely, 3)} TB does not fit into ` +
        `${n(roomByMonthTB?.[0] ?? roomTB, 3)} TB of room.`,
    }
  if (full.likely !== null && full.likely <= horizonMonths) {
    return {
      ...common,
      state: 'short',
      sentence:
        `Full in month ${full.likely} (${yearsText(full.likely, format)}), before the ` +
        `${horizonYears} years are over.${counted}`,
    }
  }
  if (full.soonest !== null && full.soonest <= horizonMonths) {
    return {
      ...common,
      state: 'tight',
      sentence:
        `Lasts the ${horizonYears} years at the likely growth; with fast growth it is full ` +
        `in month ${full.soonest} (${yearsText(full.soonest, format)}).${counted}`,
    }
  }
  return {
    ...common,
    state: headroomState(asked, possible),
    sentence: `${full.likely === null ? `Room for more than ${horizonYears} years, and not full within fifteen.` : `Room for ${horizonYears} years and more: full in month ${full.likely} ` + `(${yearsText(full.likely, format)}).`}${counted}`,
  }
}

/** From this chance of loss on, to the horizon, a layout that survives enough is still tight. */
export const likelyLost = 0.05

function survivalVerdict(pool: PoolFacts, { facts, slice, format }: DrivesTale): Verdict {
  const { survives, lossChanceAtHorizon: atHorizon } = pool
  const { survivesAtLeast: asked } = slice
  const state: VerdictState =
    survives < asked
      ? 'short'
      : atHorizon.likely > likelyLost
        ? 'tight'
        : survives > asked && !pool.hasOneCopyOnly
          ? 'ample'
          : 'enough'
  const failed = failedDriveText({ ...pool, layoutId: facts.layoutId }, format)
  const must =
    survives < asked
      ? `It must survive ${asked === 1 ? 'one failed drive' : `${asked} failed drives`}, and ` +
        `survives ${survives === 0 ? 'none' : survives}. `
      : ''
  const alone = pool.hasOneCopyOnly ? ' What is irreplaceable has no second copy.' : ''
  return {
    id: 'survival',
    label: 'Survival',
    domain: 'drives',
    unit: 'failed drives',
    asked: exactly(asked),
    possible: exactly(survives),
    share: headroomShare(exactly(asked), exactly(survives)),
    state,
    sentence:
      `${must}If one drive fails, ${withinSentence(failed)} ` +
      `${chanceSentence(atHorizon, slice, format)}${alone}`,
    figures: [
      'drives.lossChanceAtHorizon',
      'drives.rebuildHours',
      slice.irreplaceableTB > 0
        ? 'drives.irreplaceableLossChancePerYear'
        : 'drives.lossChancePerYear',
    ],
  }
}

function chanceSentence(
  chance: Estimate,
  { horizonYears: years, drives: { theftChance } }: DrivesSlice,
  format: Format,
): string {
  const drives =
    `The chance of losing data to drive failures in ${years} ` + `${years === 1 ? 'year' : 'years'}`
  return isFarBelowOtherPerils(chance.high, years, theftChance)
    ? `${drives} is far below that of theft, fire or water (about ` +
        `${format.share(theftChance)} a year), which no layout helps against.`
    : `${drives} is ${format.span(chance, 'share')}.`
}

/** The figures of a pool that is not there. */
function missingFigures({ facts, slice: { horizonYears }, format }: DrivesTale): Figure[] {
  const why = failedDriveSentence(facts, format)
  const ids = [
    ['drives.usableTB', 'Usable', 'TB'],
    ['drives.usableTiB', 'Usable, binary', 'TiB'],
    ['drives.roomTB', 'Room', 'TB'],
    ['drives.monthFull', 'Full in', 'month'],
    ['drives.rebuildHours', 'Rebuild', 'h'],
    ['drives.firstBuildHours', 'First build of parity', 'h'],
    ['drives.shareAtLoss', 'Share of the library lost then', 'share'],
    ['drives.lossChancePerYear', 'Chance of loss in a year', 'share'],
    ['drives.lossChanceAtHorizon', `Chance of loss in ${horizonYears} years`, 'share'],
    ['drives.fileLossChanceAtHorizon', 'A file lost in a rebuild', 'share'],
    ['drives.irreplaceableLossChancePerYear', 'Irreplaceable data lost, a year', 'share'],
    ['drives.replaceableLossChancePerYear', 'Replaceable data lost, a year', 'share'],
    ['drives.dayOutChancePerYear', 'A day without service, a year', 'share'],
  ] as const
  return ids.map(([id, label, unit]) =>
    noFigure(why, {
      id,
      label,
      unit,
      inputs: ['drives.lots', 'drives.layout'],
      formula: 'needs a layout that these drives can make',
    }),
  )
}

function withoutPool(tale: DrivesTale): Pick<Telling, 'verdicts' | 'findings'> {
  const { facts, slice, format } = tale
  const none = facts.count === 0
  const why = failedDriveSentence(facts, format)
  const state: VerdictState = none ? 'unknown' : 'impossible'
  const verdict = (
    id: string,
    label: string,
    parts: Pick<Verdict, 'unit' | 'asked' | 'figures'>,
  ): Verdict => ({
    id,
    label,
    domain: 'drives',
    possible: null,
    share: null,
    state,
    sentence: none ? 'Add drives to see this.' : why,
    ...parts,
  })
  return {
    verdicts: [
      verdict('space', 'Space', {
        unit: 'TB',
        asked: slice.contentAtHorizonTB,
        figures: [
          'library.contentAtHorizonTB',
          'drives.usableNeededTB',
          'drives.roomTB',
          'drives.monthFull',
        ],
      }),
      verdict('survival', 'Survival', {
        unit: 'failed drives',
        asked: exactly(slice.survivesAtLeast),
        figures: ['drives.lossChanceAtHorizon', 'drives.rebuildHours'],
      }),
    ],
    findings: [
      ...(none
        ? []
        : [
            finding('fail', 'LAYOUT_REFUSED', {
              sentence: why,
              from: ['drives.lots', 'drives.layout'],
              fixes: ['Change the number of drives or choose another layout.'],
            }),
          ]),
      ...perilFindings(null, tale),
      ...catalogueFindings(tale),
    ],
  }
}
