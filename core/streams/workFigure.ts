import type { WorkTable } from '../catalogue/workTable'
import { figure, type Estimate, type Figure } from '../figure'
import type { Format } from '../units/format'
import { workParts, type ConversionTask } from './softwareWork'

/** Where the coefficients of the work come from. */
export const measuredTable =
  'Work table measured with real encoders; see the coefficients in the catalogue.'

/** The figure of one kind of conversion: its work, as the parts that it is the sum of. */
export function workFigure(
  {
    table,
    task,
    work,
  }: { readonly table: WorkTable; readonly task: ConversionTask; readonly work: Estimate },
  { id, label, inputs }: Pick<Figure, 'id' | 'label' | 'inputs'>,
  { number: n }: Format,
): Figure {
  const frames = (task.source.framesPerSecond ?? 24) / 24
  const parts = workParts(table, task)
  const terms = parts
    .filter(part => part.name !== 'sound')
    .map(part => `${part.name} ${n(part.coefficient, 3)} × ${n(part.size, 3)}`)
    .join(' + ')
  const sound = parts.find(part => part.name === 'sound')
  return figure(work, {
    id,
    label,
    inputs,
    unit: 'reference streams',
    source: measuredTable,
    formula:
      `${frames === 1 ? terms : `${n(frames, 3)} × (${terms})`}${sound ? ` + sound ${n(sound.coefficient, 3)}` : ''} ` +
      `= ${n(work.likely, 3)}`,
    note:
      `Picture sizes are relative to 1080p; at ${n(task.source.bitrateMbps, 3)} Mb/s and ` +
      `${n(task.source.framesPerSecond ?? 24)} frames a second.`,
  })
}
