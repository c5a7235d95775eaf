import { withinSentence } from '../withinSentence'
import { declareFigure } from '../expressions/declareFigure'
import { chosen, productOf, quoted, rest, workedOut, type Input } from '../expressions/expression'
import type { Figure } from '../figure'
import { finding, type Finding } from '../finding'
import type { PoolFacts } from './drivesFacts'
import type { PerilChance, PerilResult } from './perilChances'
import { mostNights } from './backup/lineCopy'
import { hasCopy } from './copies'
import type { DrivesTale } from './drivesTale'

const shared: readonly Input[] = [
  'drives.coverages',
  'drives.sectorChance',
  'drives.malwareChance',
  'drives.surgeChance',
  'drives.theftChance',
  'drives.boardChance',
  'drives.severalChance',
  'drives.driveClass',
  'machine.parts',
  'drives.secondBox',
]
const copies: readonly Input[] = [
  'drives.deletionChance',
  'drives.offlineCopy',
  'drives.awayCopy',
  'drives.copiesWithVersions',
  'drives.snapshotMonths',
  'library.holdings',
  'library.otherTB',
]
const loss: readonly Input[] = [
  { figure: 'drives.lossChancePerYear' },
  { figure: 'drives.shareAtLoss' },
]
const inputsOf: Readonly<Record<PerilResult, readonly Input[]>> = {
  irreplaceable: [...loss, ...shared, ...copies],
  replaceable: [...loss, ...shared, ...copies],
  dayOut: [
    ...loss,
    'drives.layout',
    'drives.lots',
    ...shared,
    'drives.secondBoxTakesOver',
    'machine.outageHoursPerYear',
  ],
}
const labels: Readonly<Record<PerilResult, string>> = {
  irreplaceable: 'Irreplaceable data lost, a year',
  replaceable: 'Replaceable data lost, a year',
  dayOut: 'A day without service, a year',
}
const ids: Readonly<Record<PerilResult, string>> = {
  irreplaceable: 'drives.irreplaceableLossChancePerYear',
  replaceable: 'drives.replaceableLossChancePerYear',
  dayOut: 'drives.dayOutChancePerYear',
}

/** Chances a year by all perils together: 1 − the product of what each leaves. */
export function perilFigures({ perils, perilBands }: PoolFacts, { format }: DrivesTale): Figure[] {
  return (['irreplaceable', 'replaceable', 'dayOut'] as const).map(result => {
    const inputs = inputsOf[result]
    const parts = perils.perils
      .filter(peril => peril[result] > 0)
      .sort((a, b) => b[result] - a[result])
    const none = workedOut(0, 'share', { inputs, says: 'No peril reaches it.' })
    const factor = (chance: number, after: string) =>
      rest(workedOut(chance, 'share', { inputs: [], asChance: true, after: quoted(after) }))
    const each = [
      ...parts.map(peril => factor(peril[result], nameOf(peril))),
      ...(result === 'dayOut' && perils.unreliable > 0
        ? [factor(perils.unreliable, 'outages of this machine')]
        : []),
    ]
    return declareFigure(
      () => (each.length === 0 ? none : chosen(inputs, rest(productOf(each)))),
      {
        id: ids[result],
        label: labels[result],
        unit: 'share',
        source:
          'Chances and coverages are planning values; each chance can be changed under Perils ' +
          'and copies.',
        note:
          'Each chance, and what each measure leaves of it, is right within half to twice; the ' +
          'range takes them as independent.',
        band: perilBands[result],
      },
      format,
    )
  })
}

const nameOf = ({ label }: PerilChance) => withinSentence(label)

/**
 * That redundancy is no backup, as long as nothing holds a second copy; and that a copy without
 * versions is half of one.
 */
export function perilFindings(
  pool: PoolFacts | null,
  { slice, format: { share, number: n } }: DrivesTale,
): Finding[] {
  const takesAll =
    'Redundancy is no backup: deletion, malware, theft, fire and lightning take every copy ' +
    'in the machine.'
  const { drives, irreplaceableTB } = slice
  if (!slice.lineKeepsUp)
    return [
      finding('warning', 'COPY_NEVER_DONE', {
        sentence:
          'The copy away never gets done over this line: more changes than gets through in a ' +
          `night, or the first copy takes more than ${mostNights} nights. It counts as not there.`,
        from: [
          'drives.awayBy',
          'network.uploadMbps',
          'drives.awayUploadShare',
          'drives.awayNightHours',
          'library.holdings',
        ],
        fixes: [
          'Carry the first copy over on a drive, copy less, let more of the night and the upload ' +
            'be used, or carry every copy.',
        ],
      }),
    ]
  if (!hasCopy(slice)) {
    return irreplaceableTB > 0
      ? [
          finding('caution', 'IRREPLACEABLE', {
            sentence: `What is irreplaceable: ${n(irreplaceableTB, 2)} TB. ${takesAll}`,
            from: ['library.irreplaceableTB', 'library.holdings', 'drives.awayCopy'],
            fixes: ['Keep a copy of these away from home, and test once that it can be restored.'],
          }),
        ]
      : pool
        ? [
            finding('caution', 'NO_BACKUP', {
              sentence: takesAll,
              from: ['drives.layout', 'drives.awayCopy'],
              fixes: [
                'Keep a copy of everything irreplaceable away from home, and test once ' +
                  'that it can be restored.',
              ],
            }),
          ]
        : []
  }
  return pool && !drives.copiesWithVersions
    ? [
        finding('warning', 'COPIES_WITHOUT_VERSIONS', {
          sentence:
            'Copies without older versions take deletions and malware along. The chance to ' +
            `lose irreplaceable data is ${share(pool.perils.irreplaceable)} a year.`,
          from: ['drives.copiesWithVersions', 'drives.irreplaceableLossChancePerYear'],
          fixes: ['Let the copies keep older versions, or keep one copy that is unplugged.'],
        }),
      ]
    : []
}
