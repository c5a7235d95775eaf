import { finding, type Finding } from '../finding'
import { unusedShare, type PoolFacts } from './drivesFacts'
import { layouts } from './layouts/layouts'
import { layoutLabel } from './refusalText'
import { ageFindings } from './riskFindings'
import type { DrivesTale } from './drivesTale'
import { perilFindings } from './tellPerils'

/** Hours of a rebuild from which the lack of a second redundancy is told. */
export const longRebuildHours = 24

/** What to know of a pool besides its verdicts. */
export function poolFindings(pool: PoolFacts, tale: DrivesTale): Finding[] {
  return [
    ...spaceFindings(pool, tale),
    ...rebuildFindings(pool, tale),
    ...widthFindings(pool, tale),
    ...ageFindings(tale),
    ...perilFindings(pool, tale),
    ...caveatFindings(tale),
  ]
}

/** Space that was bought and holds nothing. */
function spaceFindings(
  { arrangement, roomier, wasteLess }: PoolFacts,
  { facts, format: { number: n } }: DrivesTale,
): Finding[] {
  const { usableTB, rawTB, mismatchTB, parts } = arrangement
  const asked = facts.asked.count
  const { takesAtATime } = layouts.find(({ id }) => id === facts.layoutId)!
  const label = layoutLabel(facts.layoutId)
  const leftOut = parts.filter(part => part.dataTB + part.copyTB + part.parityTB === 0).length
  const surviving =
    asked === 0
      ? 'as much as must be survived'
      : asked === 1
        ? 'a failed drive too'
        : `${asked} failed drives too`
  return [
    ...(roomier.length
      ? [
          finding('warning', 'HALF_GIVEN_AWAY', {
            sentence:
              `${label} leaves ${n(usableTB, 3)} of ${n(rawTB, 3)} TB usable, less than half ` +
              'of what is bought.',
            from: ['drives.layout', 'drives.usableTB', 'drives.rawTB'],
            fixes: [
              `These keep more and survive ${surviving}: ${roomier.map(layoutLabel).join('; ')}.`,
            ],
          }),
        ]
      : []),
    ...(leftOut > 0
      ? [
          finding('warning', 'DRIVE_LEFT_OUT', {
            sentence:
              `${leftOut === 1 ? 'One drive does' : `${n(leftOut)} drives do`} nothing: ` +
              `${label} takes ` +
              `${takesAtATime === 2 ? 'an even number of drives' : `${n(takesAtATime)} drives at a time`} in each group.`,
            from: ['drives.lots', 'drives.layout'],
            fixes: ['Add a drive, take one out, or make it a hot spare.'],
          }),
        ]
      : mismatchTB > unusedShare * rawTB
        ? [
            finding('caution', 'SPACE_UNUSED', {
              sentence: `${n(mismatchTB, 3)} TB stay unused because the drives differ in size.`,
              from: ['drives.lots', 'drives.layout'],
              fixes: [
                wasteLess.length
                  ? 'Use drives of one size, or a layout that uses more of these and survives as ' +
                    `much: ${wasteLess.map(layoutLabel).join('; ')}.`
                  : 'Use drives of one size.',
              ],
            }),
          ]
        : []),
  ]
}

function rebuildFindings(
  { conditions, parity, rebuildHours, survives }: PoolFacts,
  { format: { hours } }: DrivesTale,
): Finding[] {
  return [
    ...(conditions.shingledFactor > 1 && parity
      ? [
          finding('warning', 'SHINGLED_PARITY', {
            sentence:
              `Shingled drives rebuild parity ${conditions.shingledFactor} times ` +
              `slower${rebuildHours === null ? '' : `: about ${hours(rebuildHours)}`}.`,
            from: ['drives.shingled', 'drives.lots', 'drives.layout'],
            fixes: ['Use conventional (CMR) drives for parity.'],
          }),
        ]
      : []),
    ...(rebuildHours !== null && rebuildHours > longRebuildHours && survives === 1
      ? [
          finding('caution', 'LONG_REBUILD', {
            sentence:
              `A rebuild takes about ${hours(rebuildHours)}, and nothing protects the ` +
              'data meanwhile; a power cut can start it again.',
            from: ['drives.rebuildHours'],
            fixes: [
              'Add a UPS, keep a spare drive on the shelf, or choose a layout that survives ' +
                'two failures.',
            ],
          }),
        ]
      : []),
  ]
}

/** So many drives are read for a rebuild that a file is likely to be lost in one. */
function widthFindings(
  { narrower, fileLossChanceAtHorizon, arrangement }: PoolFacts,
  { slice: { horizonYears }, format: { number: n, share } }: DrivesTale,
): Finding[] {
  if (!narrower) return []
  const widest = Math.max(...arrangement.groups.map(({ members }) => members.length))
  const { layouts: others, groups } = narrower
  return [
    finding('warning', 'WIDE_GROUP', {
      sentence:
        `A file is lost in a rebuild with a chance of ${share(fileLossChanceAtHorizon.likely)} in ` +
        `${horizonYears} ${horizonYears === 1 ? 'year' : 'years'}: while one of ${n(widest)} ` +
        'drives is rebuilt the others are read from end to end, and a sector may be unreadable.',
      from: ['drives.fileLossChanceAtHorizon', 'drives.layout', 'drives.lots'],
      fixes: [
        ...(others.length
          ? [`These lose one less often on the same drives: ${others.map(layoutLabel).join('; ')}.`]
          : []),
        ...(groups ? [`So do ${n(groups)} groups of the same layout.`] : []),
        'Drives with fewer unreadable sectors on their sheet (1 in 10¹⁵ bits) lose one less often.',
      ],
    }),
  ]
}

function caveatFindings({ facts: { layoutId } }: DrivesTale): Finding[] {
  const { caveat } = layouts.find(({ id }) => id === layoutId)!
  return caveat
    ? [
        finding('caution', 'LAYOUT_CAVEAT', {
          sentence: `${layoutLabel(layoutId)}: ${caveat}`,
          from: ['drives.layout'],
        }),
      ]
    : []
}

/** Names that the catalogue does not know, and sizes that are not a model's. */
export function catalogueFindings({
  facts,
  slice: { drives },
  format: { number: n },
}: DrivesTale): Finding[] {
  const models = facts.unknownModels.map(model =>
    finding('warning', 'UNKNOWN_DRIVE_MODEL', {
      sentence:
        `The drive model "${model}" is not in the catalogue, so what is entered for all ` +
        'drives is used.',
      from: ['drives.lots'],
      fixes: ['Choose another model, or enter the figures of its data sheet.'],
    }),
  )
  const sizes = facts.otherSizes.map(({ lot, model, sizeTB }) =>
    finding('caution', 'DRIVE_MODEL_SIZE', {
      sentence: `${model} is listed as ${n(sizeTB, 3)} TB, which is not the size of that model.`,
      from: [`drives.lots.${lot}.sizeTB`],
      fixes: ['Choose the model of that size.'],
    }),
  )
  return [
    ...models,
    ...sizes,
    ...(facts.unknownClass
      ? [
          finding('warning', 'UNKNOWN_DRIVE_CLASS', {
            sentence:
              `The kind of drive "${drives.driveClass}" is not in the catalogue, so the ` +
              'first of its list is used.',
            from: ['drives.driveClass'],
            fixes: ['Choose another kind of drive.'],
          }),
        ]
      : []),
  ]
}
