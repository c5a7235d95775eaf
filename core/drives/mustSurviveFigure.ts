import { declareFigure } from '../expressions/declareFigure'
import { field, workedOut, type Input } from '../expressions/expression'
import { rebuildRateInputs } from '../expressions/inputs/driveInputs'
import type { Figure } from '../figure'
import { wideGroupFrom } from '../plan/constants'
import type { DrivesTale } from './drivesTale'
import type { SurvivesAsked } from './survivesAsked'
import { wideFromChance } from './wideGroup'

/** What single redundancy of the same drives is judged by, and the copies. */
const inputs: readonly Input[] = [
  'choices.survivesAtLeast',
  'choices.horizonYears',
  'library.holdings',
  ...rebuildRateInputs,
  { figure: 'library.contentAtHorizonTB' },
  'drives.layout',
  'drives.hotSpares',
  'drives.fileSystem',
  'drives.failuresPerYear',
  'drives.sheetReadErrorBits',
  'drives.above45C',
  'drives.unmounted',
  'drives.ageYears',
  'drives.oneBatch',
  'drives.replacement',
  'drives.awayCopy',
  'drives.awayEveryDays',
  'drives.awayBy',
]

/** How many failed drives must lose nothing, and why. */
export function mustSurviveFigure({ facts: { asked }, format }: DrivesTale): Figure {
  const says: Readonly<Record<SurvivesAsked['because'], string>> = {
    chosen: 'as it was chosen',
    mayBeLost: 'everything that is kept may be lost',
    copyAway: 'a recent copy away holds everything',
    usual: 'one failed drive, as is usual',
    wideGroup: `two, because a group has ${wideGroupFrom} or more drives`,
    fileLoss:
      'two, because with one the chance that a rebuild loses a file is ' +
      `${format.share(wideFromChance)} or more`,
  }
  return declareFigure(
    () =>
      asked.because === 'chosen'
        ? field('choices.survivesAtLeast', [asked.count, 'drives'])
        : workedOut(asked.count, 'drives', { inputs, says: says[asked.because] }),
    {
      id: 'drives.mustSurvive',
      label: 'Failed drives that must lose nothing',
      unit: 'drives',
      source: 'Judged on the same drives with single redundancy, so that it does not swing.',
    },
    format,
  )
}
