import { headrooms } from '../headrooms'
import { withinSentence } from '../withinSentence'
import type { Telling } from '../domain'
import { exactly, type Estimate } from '../figure'
import { finding } from '../finding'
import type { Format } from '../units/format'
import { survivalOfDrives } from './survival'
import { headroomShare, worseState, type Verdict } from '../verdict'
import type { CopiesState } from './copies'
import type { DrivesFacts, DrivesSlice, PoolFacts } from './drivesFacts'
import type { DrivesTale } from './drivesTale'
import { wideGroupFrom } from '../plan/constants'
import { failedDriveText } from './failedDrive'
import { catalogueFindings, poolFindings } from './driveFindings'
import { mustSurviveFigure } from './mustSurviveFigure'
import { isFarBelowOtherPerils } from './perils'
import { perilFigures, perilFindings } from './tellPerils'
import { refusalText } from './refusalText'
import { riskFigures } from './riskFigures'
import type { SurvivesAsked } from './survivesAsked'
import { missingFigures, neededFigure, rawFigure, spaceFigures } from './spaceFigures'

/** The drives' facts in words. */
export function tellDrives(facts: DrivesFacts, slice: DrivesSlice, format: Format): Telling {
  const tale = { facts, slice, format }
  const { pool } = facts
  return pool
    ? {
        figures: () => [
          rawFigure(tale),
          mustSurviveFigure(tale),
          ...spaceFigures(pool, tale),
          neededFigure(tale),
          ...riskFigures(pool, tale),
          ...perilFigures(pool, tale),
        ],
        verdicts: [survivalVerdict(pool, tale)],
        findings: [...poolFindings(pool, tale), ...catalogueFindings(tale)],
      }
    : {
        figures: () => [
          rawFigure(tale),
          mustSurviveFigure(tale),
          ...missingFigures(failedDriveSentence(facts, format), tale),
          neededFigure(tale),
        ],
        ...withoutPool(tale),
      }
}

/** What one failed drive costs, in a sentence; where there is no pool, why. */
export function failedDriveSentence(
  { pool, layoutId, refusal }: DrivesFacts,
  format: Format,
): string {
  if (pool)
    return failedDriveText({ ...pool, groups: pool.arrangement.groups.length, layoutId }, format)
  return refusal ? refusalText(refusal, layoutId, format) : 'No drives are chosen yet.'
}

/** What is wrong with the copies of what cannot be replaced: in a word or two, in a sentence. */
const copyTexts: Readonly<
  Record<CopiesState['is'], { readonly limit: string; readonly sentence: string } | null>
> = {
  nowhere: {
    limit: 'no copy',
    sentence: 'What is irreplaceable has no copy outside this machine.',
  },
  here: {
    limit: 'no copy away',
    sentence:
      'What is irreplaceable has no copy away from home: theft, fire and water can take both.',
  },
  away: null,
  twice: null,
}

/** Why so many must be survived, where nobody chose it and it is more than usual. */
const askedBecause: Readonly<Record<SurvivesAsked['because'], string>> = {
  chosen: '',
  mayBeLost: '',
  copyAway: '',
  usual: '',
  wideGroup: `, because a group has ${wideGroupFrom} or more drives`,
  fileLoss: ', because a rebuild is likely to lose a file',
}

function survivalVerdict(pool: PoolFacts, { facts, slice, format }: DrivesTale): Verdict {
  const {
    survives,
    lossChanceAtHorizon: atHorizon,
    survival: { drives, copies },
  } = pool
  const asked = facts.asked.count
  const state = copies ? worseState(drives, copies.state) : drives
  const failed = failedDriveText(
    { ...pool, groups: pool.arrangement.groups.length, layoutId: facts.layoutId },
    format,
  )
  const must =
    survives < asked
      ? `It must survive ${asked === 1 ? 'one failed drive' : `${asked} failed drives`}` +
        `${askedBecause[facts.asked.because]}, and survives ${survives === 0 ? 'none' : survives}. `
      : ''
  const ofDrives =
    `${must}If one drive fails, ${withinSentence(failed)} ` +
    chanceSentence(atHorizon, slice, format)
  const ofCopies = copies && copyTexts[copies.is]
  // What is worse goes first.
  const copiesFirst = copies !== null && worseState(drives, copies.state) !== drives
  return {
    id: 'survival',
    label: headrooms.survival.label,
    domain: 'drives',
    unit: 'failed drives',
    asked: exactly(asked),
    possible: exactly(survives),
    share: headroomShare(exactly(asked), exactly(survives)),
    state,
    ofBuild: survivalOfDrives(facts),
    ...(copiesFirst && ofCopies ? { limit: ofCopies.limit } : {}),
    sentence: ofCopies
      ? copiesFirst
        ? `${ofCopies.sentence} ${ofDrives}`
        : `${ofDrives} ${ofCopies.sentence}`
      : ofDrives,
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

function withoutPool(tale: DrivesTale): Pick<Telling, 'verdicts' | 'findings'> {
  const { facts, format } = tale
  const none = facts.count === 0
  const why = failedDriveSentence(facts, format)
  return {
    verdicts: [
      {
        id: 'survival',
        label: headrooms.survival.label,
        domain: 'drives',
        unit: 'failed drives',
        asked: exactly(facts.asked.count),
        possible: null,
        share: null,
        state: survivalOfDrives(facts),
        sentence: none ? 'Add drives to see this.' : why,
        figures: ['drives.lossChanceAtHorizon', 'drives.rebuildHours'],
      },
    ],
    findings: [
      ...(none
        ? []
        : [
            finding('fail', 'LAYOUT_REFUSED', {
              sentence: why,
              from: ['drives.lots', 'drives.layout'],
              fixes: [
                facts.refusal?.refused === 'PARITY_TOO_SMALL'
                  ? 'Mark the larger drive as parity, or choose another layout.'
                  : 'Change the number of drives or choose another layout.',
              ],
            }),
          ]),
      ...perilFindings(null, tale),
      ...catalogueFindings(tale),
    ],
  }
}
