import type { WorkTable } from '../catalogue/workTable'
import { declareFigure } from '../expressions/declareFigure'
import {
  chosen,
  constant,
  named,
  product,
  sum,
  workedOut,
  type Input,
} from '../expressions/expression'
import type { Estimate, Figure } from '../figure'
import type { Format } from '../units/format'
import { workParts, type ConversionTask } from './softwareWork'

/** Where the coefficients of the work come from. */
export const measuredTable =
  'Work table measured with real encoders; see the coefficients in the catalogue.'

const usualFrames = 24

/** The figure of one kind of conversion: its work, as the parts that it is the sum of. */
export function workFigure(
  {
    table,
    task,
    work,
  }: { readonly table: WorkTable; readonly task: ConversionTask; readonly work: Estimate },
  {
    id,
    label,
    inputs,
  }: { readonly id: string; readonly label: string; readonly inputs: readonly Input[] },
  format: Format,
): Figure {
  const { number: n } = format
  const frames = task.source.framesPerSecond ?? usualFrames
  const parts = workParts(table, task)
  const picture = sum(
    ...parts
      .filter(part => part.name !== 'sound')
      .map(part =>
        product(
          workedOut(part.coefficient, 'reference streams', {
            inputs,
            before: part.name,
            bare: true,
          }),
          workedOut(part.size, 'factor', { inputs }),
        ),
      ),
  )
  const sound = parts
    .filter(part => part.name === 'sound')
    .map(part => constant(part.coefficient, 'reference streams', { before: 'sound', bare: true }))
  const atRate =
    frames === usualFrames
      ? picture
      : product(workedOut(frames / usualFrames, 'factor', { inputs }), named(picture, {}))
  return declareFigure(
    () => chosen(inputs, sum(atRate, ...sound)),
    {
      id,
      label,
      unit: 'reference streams',
      source: measuredTable,
      note:
        `Picture sizes are relative to 1080p; at ${n(task.source.bitrateMbps, 3)} Mb/s and ` +
        `${n(frames)} frames a second.`,
      // Several parts share their measurement, and mapping at source size has a range of its own.
      band: work,
    },
    format,
  )
}
