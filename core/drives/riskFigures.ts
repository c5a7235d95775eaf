import { figure, noFigure, type Figure } from '../figure'
import type { Format } from '../units/format'
import { failureRateBand, ageFactors, causeFactor } from './failureRate'
import type { PoolFacts } from './drivesFacts'
import { batchFactor } from './layoutRisk'
import { fillMBps } from './firstBuild'
import { rebuildShareOfOuter } from './rebuildHours'
import { readErrorShares } from './readError'
import type { DrivesTale } from './tellDrives'

/** Chances of loss, and the rebuild, of a pool. */
export function riskFigures(pool: PoolFacts, tale: DrivesTale): Figure[] {
  const { slice, format } = tale
  const { number: n } = format
  const source =
    'Markov chain over the number of failed drives; failure rates by class of drive, from ' +
    `${n(failureRateBand.low)} to ${n(failureRateBand.high)} times; unreadable sectors from ` +
    `${n(readErrorShares.low)} of the data sheet's rate to all of it, ` +
    `${n(readErrorShares.likely)} likely.`
  const inputs = [
    'drives.lots',
    'drives.layout',
    'drives.driveClass',
    'drives.failuresPerYear',
    'drives.above45C',
    'drives.unmounted',
    'drives.ageYears',
    'drives.oneBatch',
    'drives.replacement',
    'drives.hotSpares',
    'drives.rebuildHours',
    'choices.readErrorEndsRebuild',
    ...(slice.readErrorEndsRebuild ? ['drives.sheetReadErrorBits'] : []),
  ]
  const chain = chainText(pool, format)
  const years = slice.horizonYears
  const partly =
    pool.loss === 'everything'
      ? {}
      : { note: 'This is the chance that some files are lost, not all of them.' }
  return [
    rebuildFigure(pool, format),
    firstBuildFigure(pool, tale),
    shareFigure(pool, tale),
    figure(pool.lossChancePerYear, {
      id: 'drives.lossChancePerYear',
      label: 'Chance of loss in a year',
      unit: 'share',
      inputs,
      source,
      ...partly,
      formula: `${chain}: ${n(pool.lossChancePerYear.likely, 3)} in the coming year`,
    }),
    figure(pool.lossChanceAtHorizon, {
      id: 'drives.lossChanceAtHorizon',
      label: `Chance of loss in ${years} years`,
      unit: 'share',
      inputs: [...inputs, 'choices.horizonYears'],
      source,
      ...partly,
      formula: `${chain}: ${n(pool.lossChanceAtHorizon.likely, 3)} in ${years} years`,
    }),
    figure(pool.fileLossChanceAtHorizon, {
      id: 'drives.fileLossChanceAtHorizon',
      label: 'A file lost in a rebuild',
      unit: 'share',
      inputs: [...new Set([...inputs, 'drives.sheetReadErrorBits', 'choices.horizonYears'])],
      source,
      formula:
        'loss if a read error ended the rebuild − loss if not = ' +
        `${n(pool.fileLossChanceAtHorizon.likely, 3)} in ${years} years`,
      note:
        'An unreadable sector found while no redundancy is left costs a file on modern file ' +
        'systems.',
    }),
  ]
}

/** The first build of parity, and both orders to fill the pool in. */
function firstBuildFigure(
  { firstBuild, arrangement, conditions }: PoolFacts,
  { format: { number: n, hours } }: DrivesTale,
): Figure {
  const parts = {
    id: 'drives.firstBuildHours',
    label: 'First build of parity',
    unit: 'h',
    inputs: ['drives.lots', 'drives.layout', 'drives.outerMBps', 'library.contentTB'],
  }
  if (!firstBuild)
    return noFigure('This layout has no parity to build.', { ...parts, formula: 'size ÷ rate' })
  return figure(firstBuild.buildHours, {
    ...parts,
    formula:
      `${n(Math.max(...arrangement.groups.map(group => group.rebuiltTB)))} TB ÷ ` +
      `${n(conditions.rebuildMBps)} ` +
      `MB/s${conditions.shingledFactor > 1 ? ` × ${conditions.shingledFactor} shingled` : ''} ` +
      `= ${n(firstBuild.buildHours, 3)} h`,
    source: `Filled over a cable of 1 Gb/s, ${n(fillMBps, 3)} MB/s.`,
    note:
      `Copy first and build after: ${hours(firstBuild.copyFirstHours)}, without protection ` +
      'until the end. Build first: ' +
      `${hours(firstBuild.buildFirstHours)}${firstBuild.slowedTo < 1 ? `, because writes keep ${n(firstBuild.slowedTo * 100)} % of their rate` : ''}.`,
  })
}

/** What of the library goes when data are lost. */
function shareFigure({ shareAtLoss, loss, survives }: PoolFacts, { facts }: DrivesTale): Figure {
  return figure(shareAtLoss, {
    id: 'drives.shareAtLoss',
    label: 'Share of the library lost then',
    unit: 'share',
    inputs: ['drives.lots', 'drives.layout'],
    formula:
      loss === 'everything'
        ? 'the whole pool'
        : loss === 'shareOfFiles'
          ? `2 ÷ (${facts.count} × ${facts.count - 1}): the files that lay on just the two ` +
            'failed drives'
          : `${survives + 1} of ${facts.count} drives: the files that lay on them`,
    note: 'On average over which drives fail.',
  })
}

function rebuildFigure(
  { rebuildHours, rebuildEnds, arrangement, conditions }: PoolFacts,
  { number: n, hours }: Format,
): Figure {
  const parts = { id: 'drives.rebuildHours', label: 'Rebuild', unit: 'h' }
  if (rebuildHours === null)
    return noFigure('Without redundancy there is nothing to rebuild from.', {
      ...parts,
      inputs: ['drives.layout'],
      formula: 'size ÷ rate',
    })
  return figure(rebuildHours, {
    ...parts,
    inputs: [
      'drives.lots',
      'drives.layout',
      'drives.outerMBps',
      'drives.shingled',
      'choices.watchingHoursPerDay',
      'drives.fileSystem',
    ],
    formula:
      `${n(Math.max(...arrangement.groups.map(part => part.rebuiltTB)))} ` +
      `TB${conditions.usedShare < 1 ? ` × ${n(conditions.usedShare, 3)} used` : ''}${conditions.shingledFactor > 1 ? ` × ${conditions.shingledFactor} shingled` : ''} ` +
      `÷ ${n(conditions.rebuildMBps)} MB/s = ${n(rebuildHours, 3)} h`,
    source:
      `Rate: ${n(rebuildShareOfOuter)} of the outer-track rate, slower while somebody ` +
      'watches.',
    ...(rebuildEnds
      ? {
          note:
            `While nobody watches ${hours(rebuildEnds.unwatched)}, while somebody always ` +
            `does ${hours(rebuildEnds.watched)}.`,
        }
      : {}),
  })
}

function chainText(
  { arrangement, conditions, rebuildHours }: PoolFacts,
  { number: n }: Format,
): string {
  const group = arrangement.groups[0]!
  const groups = arrangement.groups.length > 1 ? `${arrangement.groups.length} groups, each ` : ''
  const causes =
    conditions.causesFactor > 1
      ? `, rate × ${n(conditions.causesFactor)} (${n(causeFactor)} for each of heat and vibration)`
      : ''
  const age =
    conditions.ageYears === null
      ? ''
      : `, rate by age from year ${conditions.ageYears + 1} on (first × ` +
        `${n(ageFactors.first)}, fifth × ${n(ageFactors.later)}, seventh × ` +
        `${n(ageFactors.old)})`
  const batch =
    conditions.batchFactor > 1 ? ` (× ${batchFactor} once one of the batch has failed)` : ''
  const repair =
    rebuildHours === null
      ? ''
      : `, repaired in ${n(conditions.leadHours)} + ${n(rebuildHours, 3)} h`
  return (
    `${groups}${group.sizesTB.length} drives, ${n(conditions.failuresPerYear * 100)} % a ` +
    `year each${causes}${age}${batch}, survives ${group.survives}${repair}`
  )
}
