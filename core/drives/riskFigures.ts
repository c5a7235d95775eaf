import { counted } from '../units/counted'
import { absentFigure, declareFigure } from '../expressions/declareFigure'
import {
  chosen,
  conversion,
  product,
  quotient,
  workedOut,
  type Expression,
  type Input,
} from '../expressions/expression'
import type { DimensionsOf } from '../expressions/unitTypes'
import type { Estimate, Figure } from '../figure'
import type { Format } from '../units/format'
import { arrangedBy, rebuildRateInputs, traitInputs } from '../expressions/inputs/driveInputs'
import { basisOf, correctedExpression } from '../calibration/correctedExpression'
import type { PoolFacts } from './drivesFacts'
import type { Ailing } from './poolOf'
import { failureRateBand, ageFactors, causeFactor } from './failureRate'
import { batchFactor, groupRebuildHours, type PoolGroup, type RiskConditions } from './layoutRisk'
import { readErrorShares } from './readError'
import { rebuildShareOfOuter } from './rebuildHours'
import type { DrivesTale } from './drivesTale'

/** What the chain of failing drives follows from. */
function chainInputs({ facts, slice }: DrivesTale): Input[] {
  return [
    ...arrangedBy(facts),
    ...traitInputs,
    'drives.failuresPerYear',
    'drives.above45C',
    'drives.unmounted',
    'drives.ageYears',
    'drives.oneBatch',
    'drives.replacement',
    'drives.register',
    'drives.verdictsRaiseRisk',
    { figure: 'drives.rebuildHours' },
    'choices.readErrorEndsRebuild',
    ...(slice.readErrorEndsRebuild ? (['drives.sheetReadErrorBits'] as const) : []),
  ]
}

/** Drives that count as failing more often, because their reports speak against them. */
function ailingText(ailing: readonly Ailing[], { number: n }: Format): string {
  if (ailing.length === 0) return ''
  const each = ailing.map(({ bay, factor }) => `the one in bay ${n(bay)} by ${n(factor)}`)
  return ` Rates of drives whose reports speak against them are multiplied: ${each.join(', ')}.`
}

/** Chances of loss, and the rebuild, of a pool. */
export function riskFigures(pool: PoolFacts, tale: DrivesTale): Figure[] {
  const { slice, format } = tale
  const { number: n } = format
  const years = slice.horizonYears
  const source =
    'Markov chain over the number of failed drives; failure rates by class of drive, from ' +
    `${n(failureRateBand.low)} to ${n(failureRateBand.high)} times; unreadable sectors from ` +
    `${n(readErrorShares.low)} of the data sheet's rate to all of it, ` +
    `${n(readErrorShares.likely)} likely.${ailingText(slice.ailing, format)}`
  const inputs = chainInputs(tale)
  const atHorizon: readonly Input[] = [...inputs, 'choices.horizonYears']
  const text = chainText(pool, format)
  const partly =
    pool.loss === 'everything'
      ? {}
      : { note: 'This is the chance that some files are lost, not all of them.' }
  const chance = (
    estimate: Estimate,
    by: readonly Input[],
    parts: {
      readonly id: string
      readonly label: string
      readonly says: string
      readonly note?: string
    },
  ): Figure => {
    const { says, ...told } = parts
    return declareFigure(
      () => workedOut(estimate, 'share', { inputs: by, says }),
      { ...told, unit: 'share', source },
      format,
    )
  }
  return [
    rebuildFigure(pool, tale),
    firstBuildFigure(pool, tale),
    shareFigure(pool, tale),
    chance(pool.lossChancePerYear, inputs, {
      id: 'drives.lossChancePerYear',
      label: 'Chance of loss in a year',
      says: `${text}: ${n(pool.lossChancePerYear.likely, 3)} in the coming year`,
      ...partly,
    }),
    chance(pool.lossChanceAtHorizon, atHorizon, {
      id: 'drives.lossChanceAtHorizon',
      label: `Chance of loss in ${counted(years, 'year')}`,
      says: `${text}: ${n(pool.lossChanceAtHorizon.likely, 3)} in ${counted(years, 'year')}`,
      ...partly,
    }),
    chance(pool.fileLossChanceAtHorizon, [...atHorizon, 'drives.sheetReadErrorBits'], {
      id: 'drives.fileLossChanceAtHorizon',
      label: 'A file lost in a rebuild',
      says:
        'loss if a read error ended the rebuild, less the loss if not: ' +
        `${n(pool.fileLossChanceAtHorizon.likely, 3)} in ${counted(years, 'year')}`,
      note:
        'An unreadable sector found while no redundancy is left costs a file on modern file ' +
        'systems.',
    }),
  ]
}

type Hours = Expression<DimensionsOf<'h'>>

/** The group whose rebuild takes longest. */
function slowestGroup({ arrangement: { groups } }: PoolFacts, usedShare: number): PoolGroup {
  const hours = (group: PoolGroup) =>
    groupRebuildHours({ ...group, conditions: { ...group.conditions, usedShare } })
  return groups.reduce((worst, group) => (hours(group) > hours(worst) ? group : worst))
}

/**
 * Hours to write one drive: size × share that is used × shingled ÷ rate.
 * @param faster how much faster than it was measured the plan takes the rate to be
 */
function writing(
  pool: PoolFacts,
  { facts }: DrivesTale,
  { usedShare, faster = 1 }: { readonly usedShare: number; readonly faster?: number },
): Hours {
  const arranged = arrangedBy(facts)
  const { rebuiltTB: largestTB, conditions } = slowestGroup(pool, usedShare)
  const used = workedOut(usedShare, 'share', {
    inputs: [
      'drives.fileSystem',
      { figure: 'library.contentAtHorizonTB' },
      { figure: 'drives.usableTB' },
    ],
    after: 'used',
  })
  const size = workedOut(largestTB, 'TB', { inputs: arranged })
  const shingled = workedOut(conditions.shingledFactor, 'factor', {
    inputs: [...traitInputs, 'drives.layout', 'drives.fileSystem'],
    after: 'shingled',
  })
  const written = product(usedShare < 1 ? product(size, used) : size, conversion(1e6, 'MB/TB'))
  return quotient(
    quotient(
      conditions.shingledFactor > 1 ? product(written, shingled) : written,
      workedOut(conditions.rebuildMBps * faster, 'MB/s', {
        inputs: [...arranged, ...rebuildRateInputs],
      }),
    ),
    conversion(3600, 's/h'),
  )
}

/** The first build of parity. */
function firstBuildFigure(pool: PoolFacts, tale: DrivesTale): Figure {
  const { facts, format } = tale
  const { firstBuild } = pool
  const parts = {
    id: 'drives.firstBuildHours',
    label: 'First build of parity',
    unit: 'h',
  } as const
  const inputs = [...arrangedBy(facts), ...rebuildRateInputs, 'drives.fileSystem'] as const
  if (!firstBuild)
    return absentFigure('This layout has no parity to build.', {
      ...parts,
      inputs,
      formula: 'size ÷ rate',
    })
  return declareFigure(
    () => chosen(inputs, writing(pool, tale, { usedShare: 1 })),
    {
      ...parts,
      note:
        'Nothing is protected before it is done. Whether to copy first or to build first is told ' +
        'with the first fill.',
    },
    format,
  )
}

/** What of the library goes when data are lost. */
function shareFigure(
  { shareAtLoss, loss, arrangement: { groups } }: PoolFacts,
  tale: DrivesTale,
): Figure {
  const { facts, format } = tale
  const says =
    loss === 'everything'
      ? 'the whole pool'
      : loss === 'shareOfFiles'
        ? 'the files that lay on just the two failed drives'
        : groups.length === 1
          ? `the files that lay on ${Math.min(groups[0]!.survives + 1, groups[0]!.members.length)} of ${counted(groups[0]!.members.length, 'drive')}`
          : 'the files that lay on the failed drives of one group, on average over the groups'
  return declareFigure(
    () => workedOut(shareAtLoss, 'share', { inputs: arrangedBy(facts), says }),
    {
      id: 'drives.shareAtLoss',
      label: 'Share of the library lost then',
      unit: 'share',
      note: 'On average over which drives fail.',
    },
    format,
  )
}

function rebuildFigure(pool: PoolFacts, tale: DrivesTale): Figure {
  const {
    facts,
    format,
    format: { number: n, hours },
  } = tale
  const { rebuildHours, rebuildEnds } = pool
  const parts = { id: 'drives.rebuildHours', label: 'Rebuild', unit: 'h' } as const
  const inputs = [
    ...arrangedBy(facts),
    ...rebuildRateInputs,
    'drives.fileSystem',
    { figure: 'library.contentAtHorizonTB' },
  ] as const
  if (rebuildHours === null)
    return absentFigure('Without redundancy there is nothing to rebuild from.', {
      ...parts,
      inputs,
      formula: 'size ÷ rate',
    })
  return declareFigure(
    () =>
      correctedExpression(
        chosen(
          inputs,
          writing(pool, tale, {
            usedShare: pool.conditions.usedShare,
            faster: pool.rebuild?.factor.likely ?? 1,
          }),
        ),
        pool.rebuild,
      ),
    {
      ...parts,
      ...basisOf(pool.rebuild),
      source: `Rate: ${n(rebuildShareOfOuter)} of the outer-track rate, slower while somebody watches.`,
      ...(rebuildEnds
        ? {
            note:
              `While nobody watches ${hours(rebuildEnds.unwatched)}, while somebody always does ` +
              `${hours(rebuildEnds.watched)}.${narrowedText(pool.conditions, format)}`,
          }
        : {}),
    },
    format,
  )
}

const linkWords = {
  enclosure: 'the enclosure',
  controller: 'the controller card',
  place: 'the lanes of the M.2 place',
} as const

/** What holds a rebuild up where it is not the drives themselves. */
function narrowedText(
  { narrowedBy }: Pick<RiskConditions, 'narrowedBy'>,
  { number: n, quantity }: Format,
): string {
  if (!narrowedBy) return ''
  const { link, sharedBy } = narrowedBy
  return sharedBy === 1
    ? ` The rate is that of ${linkWords[link.what]}, ${n(link.MBps, 3)} MB/s.`
    : ` ${quantity(sharedBy, 'drives')} share the ${n(link.MBps, 3)} MB/s of ${linkWords[link.what]}.`
}

function chainText({ arrangement, rebuildHours }: PoolFacts, { number: n }: Format): string {
  const group = arrangement.groups[0]!
  const { conditions } = group
  const groups = arrangement.groups.length > 1 ? `${arrangement.groups.length} groups, each ` : ''
  const causes =
    conditions.causesFactor > 1
      ? `, ${n(conditions.causesFactor)} times that (${n(causeFactor)} times for each of heat ` +
        'and vibration)'
      : ''
  const age =
    conditions.ageYears === null
      ? ''
      : `, by age from year ${conditions.ageYears + 1} on (${n(ageFactors.first)} times in the ` +
        `first, ${n(ageFactors.later)} from the fifth, ${n(ageFactors.old)} from the seventh)`
  const batch =
    conditions.batchFactor > 1 ? ` (${batchFactor} times once one of the batch has failed)` : ''
  const repair =
    rebuildHours === null
      ? ''
      : `, repaired in ${n(conditions.leadHours)} and ${n(rebuildHours, 3)} h`
  return (
    `${groups}${counted(group.sizesTB.length, 'drive')}, ${n(conditions.failuresPerYear * 100)} % a year ` +
    `each${causes}${age}${batch}, survives ${group.survives}${repair}`
  )
}
