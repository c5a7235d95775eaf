import { finding, type Finding } from '../finding'
import type { PoolFacts } from './drivesFacts'
import { layouts } from './layouts/layouts'
import { layoutLabel } from './refusalText'
import { ageFindings } from './riskFindings'
import type { DrivesTale } from './drivesTale'
import { perilFindings } from './tellPerils'

/** Of the raw space, the share that may stay unused before it is told. */
export const unusedShare = 0.05
/** Hours of a rebuild from which the lack of a second redundancy is told. */
export const longRebuildHours = 24

/** What to know of a pool besides its verdicts. */
export function poolFindings(pool: PoolFacts, tale: DrivesTale): Finding[] {
  const {
    facts,
    slice: { survivesAtLeast },
    format,
  } = tale
  const { number: n } = format
  const { arrangement, rebuildHours, survives } = pool
  const { caveat, takesAtATime } = layouts.find(({ id }) => id === facts.layoutId)!
  const findings: Finding[] = []
  if (pool.roomier.length) {
    findings.push(
      finding('warning', 'HALF_GIVEN_AWAY', {
        sentence:
          `${layoutLabel(facts.layoutId)} leaves ${n(arrangement.usableTB, 3)} of ` +
          `${n(arrangement.rawTB, 3)} TB usable, less than half of what is bought.`,
        from: ['drives.layout', 'drives.usableTB', 'drives.rawTB'],
        fixes: [
          'These keep more and survive ' +
            `${survivesAtLeast === 0 ? 'as much as must be survived' : survivesAtLeast === 1 ? 'a failed drive too' : `${survivesAtLeast} failed drives too`}: ` +
            `${pool.roomier.map(layoutLabel).join('; ')}.`,
        ],
      }),
    )
  }
  const leftOut = arrangement.parts.filter(
    part => part.dataTB + part.copyTB + part.parityTB === 0,
  ).length
  if (leftOut > 0) {
    findings.push(
      finding('warning', 'DRIVE_LEFT_OUT', {
        sentence:
          `${leftOut === 1 ? 'One drive does' : `${n(leftOut)} drives do`} nothing: ` +
          `${layoutLabel(facts.layoutId)} takes ` +
          `${takesAtATime === 2 ? 'an even number of drives' : `${n(takesAtATime)} drives at a time`} in each group.`,
        from: ['drives.lots', 'drives.layout'],
        fixes: ['Add a drive, take one out, or make it a hot spare.'],
      }),
    )
  } else if (arrangement.mismatchTB > unusedShare * arrangement.rawTB) {
    findings.push(
      finding('caution', 'SPACE_UNUSED', {
        sentence: `${n(arrangement.mismatchTB, 3)} TB stay unused because the drives differ in size.`,
        from: ['drives.lots', 'drives.layout'],
        fixes: [
          'Use drives of one size, or a layout that uses mixed sizes: dedicated parity, ' +
            'sliced hybrid or two copies of every file.',
        ],
      }),
    )
  }
  if (pool.conditions.shingledFactor > 1 && pool.parity) {
    findings.push(
      finding('warning', 'SHINGLED_PARITY', {
        sentence:
          `Shingled drives rebuild parity ${pool.conditions.shingledFactor} times ` +
          `slower${rebuildHours === null ? '' : `: about ${format.hours(rebuildHours)}`}.`,
        from: ['drives.shingled', 'drives.lots', 'drives.layout'],
        fixes: ['Use conventional (CMR) drives for parity.'],
      }),
    )
  }
  if (rebuildHours !== null && rebuildHours > longRebuildHours && survives === 1) {
    findings.push(
      finding('caution', 'LONG_REBUILD', {
        sentence:
          `A rebuild takes about ${format.hours(rebuildHours)}, and nothing protects the ` +
          'data meanwhile; a power cut can start it again.',
        from: ['drives.rebuildHours'],
        fixes: [
          'Add a UPS, keep a spare drive on the shelf, or choose a layout that survives ' +
            'two failures.',
        ],
      }),
    )
  }
  findings.push(...ageFindings(tale), ...perilFindings(pool, tale))
  if (caveat)
    findings.push(
      finding('caution', 'LAYOUT_CAVEAT', {
        sentence: `${layoutLabel(facts.layoutId)}: ${caveat}`,
        from: ['drives.layout'],
      }),
    )
  return findings
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
