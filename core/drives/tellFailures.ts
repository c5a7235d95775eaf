import { absentFigure, declareFigure } from '../expressions/declareFigure'
import { product, sum, workedOut, type Expression, type Input } from '../expressions/expression'
import type { DimensionsOf } from '../expressions/unitTypes'
import type { Figure } from '../figure'
import type { Format } from '../units/format'
import { afterFailures, type AfterFailures } from './failedDrives'
import { groupRebuildHours } from './layoutRisk'
import type { Pool } from './poolOf'
import { failureRateBand, maxFailuresPerYear } from './failureRate'

export interface FailureQuestion {
  readonly pool: Pool
  /** places of the failed drives */
  readonly failed: ReadonlySet<number>
  readonly leadHours: number
  /**
   * what of today's library lies on the drives, TB, likely: what does not fit is not there to be
   * lost
   */
  readonly heldTB: number
  /** what changes and comes in a day, GB: since its last run a nightly job has not covered it */
  readonly changedGBPerDay: number
}

/** What is left when drives have failed, in a sentence and in figures. */
export interface ToldFailures {
  readonly after: AfterFailures
  readonly sentence: string
  readonly figures: readonly Figure[]
}

const inputs: readonly Input[] = ['drives.lots', 'drives.layout', 'drives.hotSpares']

/** Tells what failed drives come to: what plays on, waits and is lost, and the way back. */
export function tellFailures(question: FailureQuestion, format: Format): ToldFailures {
  const { pool, failed, leadHours, heldTB } = question
  const after = afterFailures(pool, failed, leadHours)
  const part = (id: string, label: string, ofAll: number): Figure =>
    declareFigure(
      () =>
        product(
          workedOut(heldTB, 'TB', {
            inputs: [{ figure: 'library.contentTB' }, { figure: 'drives.roomTB' }],
          }),
          workedOut(ofAll, 'share', { inputs }),
        ),
      {
        id: `failures.${id}TB`,
        label,
        unit: 'TB',
        note: after.isAverage
          ? 'Which files these are depends on where their two copies lie; this is the average.'
          : 'Files are taken to fill all drives alike.',
      },
      format,
    )
  return {
    after,
    sentence: sentenceOf(after, question, format),
    figures: [
      part('playing', 'Plays on', after.playingShare),
      part('waiting', 'Waits for the rebuild', after.waitingShare),
      part('lost', 'Lost', after.lostShare),
      wholeFigure(after, question, format),
      worseFigure(after, question, format),
    ],
  }
}

const drivesText = (count: number) => (count === 1 ? '1 drive' : `${count} drives`)

function sentenceOf(
  { lostShare, waitingShare, stillSurvives, wholeHours }: AfterFailures,
  { pool: { layout }, failed: places, changedGBPerDay }: FailureQuestion,
  { quantity }: Format,
): string {
  const failed = places.size
  if (failed === 0) return 'All drives work.'
  const begin = failed === 1 ? 'With this drive failed' : `With these ${failed} drives failed`
  if (lostShare >= 1 - 1e-9)
    return (
      `${begin}, everything on the pool is lost. What has another copy can be restored from ` +
      'it; nothing else can.'
    )
  if (lostShare > 0)
    return layout.loss === 'shareOfFiles'
      ? `${begin}, the files that lay on both are lost; the rest plays on.`
      : `${begin}, the files on them that no parity covers are lost; the other drives stay ` +
          'readable.'
  if (wholeHours === null) return `${begin}, nothing changes: it held no data.`
  const next =
    stillSurvives === 0
      ? 'The next failure can lose data.'
      : `${drivesText(stillSurvives)} more may fail before anything is lost.`
  // What a nightly job covers is as old as its last run.
  const lost =
    layout.runsOn || waitingShare === 0
      ? 'nothing is lost'
      : 'nothing is lost but what changed on it since the last run (at most about ' +
        `${quantity(changedGBPerDay, 'GB')})`
  return (
    `${begin}, ` +
    `${lost}${waitingShare > 0 ? ', but what lay on it plays again only after the rebuild, or from the copy' : ' and everything plays on'}. ` +
    `${next}`
  )
}

function wholeFigure(
  { wholeHours, lostShare }: AfterFailures,
  { pool, failed, leadHours }: FailureQuestion,
  format: Format,
): Figure {
  const parts = { id: 'failures.wholeHours', label: 'Until it is whole again', unit: 'h' } as const
  const rateInputs: readonly Input[] = [
    'drives.outerMBps',
    { figure: 'household.watchedHours' },
    ...inputs,
  ]
  if (wholeHours === null)
    return absentFigure(
      lostShare > 0
        ? 'What is lost cannot be rebuilt; it comes back from another copy, if there is one.'
        : 'There is nothing to rebuild.',
      { ...parts, inputs: ['drives.replacement', ...rateInputs], formula: '–' },
    )
  const { groups, memberPlaces } = pool.arrangement
  const counted = groups.map(group => ({
    down: group.members.filter(member => failed.has(memberPlaces[member]!)).length,
    each: groupRebuildHours(group),
  }))
  const longest = counted.reduce((worst, entry) =>
    entry.down * entry.each > worst.down * worst.each ? entry : worst,
  )
  const rebuilds: Expression<DimensionsOf<'h'>> = product(
    workedOut(longest.down, 'factor', { inputs }),
    workedOut(longest.each, 'h', { inputs: rateInputs, after: 'of rebuild' }),
  )
  const waits = wholeHours - longest.down * longest.each > leadHours / 2
  const lead = workedOut(leadHours, 'h', {
    inputs: ['drives.replacement'],
    after: 'until new drives are in',
  })
  return declareFigure(
    () => (waits ? sum(lead, rebuilds) : rebuilds),
    { ...parts, note: 'Drives of one group are rebuilt one after the other.' },
    format,
  )
}

function worseFigure(
  { worseChance, wholeHours }: AfterFailures,
  { pool, failed, leadHours }: FailureQuestion,
  format: Format,
): Figure {
  const { hours, number } = format
  const parts = {
    id: 'failures.worseChance',
    label: 'Chance to lose more before that',
    unit: 'share',
  } as const
  const by: readonly Input[] = [
    { figure: 'failures.wholeHours' },
    'drives.failuresPerYear',
    'drives.driveClass',
    'drives.ageYears',
    'drives.above45C',
    'drives.unmounted',
    'drives.oneBatch',
  ]
  if (worseChance === null || wholeHours === null)
    return absentFigure('There is nothing to rebuild.', { ...parts, inputs: by, formula: '–' })
  const at = (factor: number) => {
    const groups = pool.arrangement.groups.map(({ conditions, ...group }) => {
      const failuresPerYear = Math.min(maxFailuresPerYear, conditions.failuresPerYear * factor)
      return { ...group, conditions: { ...conditions, failuresPerYear } }
    })
    const swung = { ...pool, arrangement: { ...pool.arrangement, groups } }
    return afterFailures(swung, failed, leadHours).worseChance ?? 0
  }
  const left =
    pool.arrangement.members -
    [...failed].filter(place => pool.arrangement.memberPlaces.includes(place)).length
  return declareFigure(
    () =>
      workedOut(
        {
          low: Math.min(at(failureRateBand.low), worseChance),
          likely: worseChance,
          high: Math.max(at(failureRateBand.high), worseChance),
        },
        'share',
        {
          inputs: by,
          says:
            `more of the ${number(left)} drives left fail within ${hours(wholeHours)} than the ` +
            'layout survives',
        },
      ),
    {
      ...parts,
      note:
        'Counted as if no rebuild ended before all of them did, which is the safe side. An ' +
        'unreadable sector in the rebuild comes on top.',
    },
    format,
  )
}
