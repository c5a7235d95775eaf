import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import shipped from '../catalogue/transcodeWork.json'
import { planSchema } from '../plan/planSchema'
import { readWorkTable } from './workTable'

describe('a work table from a file', () => {
  it('is the one that ships, read back', () => {
    const read = readWorkTable(`\uFEFF${JSON.stringify(shipped)}`)
    expect(read).toMatchObject({
      ok: true,
      file: { source: shipped.source, coefficients: { scale: { value: 0.069 } } },
    })
  })
  it('takes the place of the one that ships, in every figure', () => {
    const read = readWorkTable(
      JSON.stringify({
        ...shipped,
        coefficients: {
          ...shipped.coefficients,
          encode: { ...shipped.coefficients.encode, h264VeryFast: { value: 1.6 } },
        },
      }),
    )
    if (!read.ok) throw new Error('not read')
    const plan = planSchema.parse({ ...tideMillHouse, calibration: { workTable: read.file } })
    const of = (input: typeof plan) =>
      assess(input, catalogue).figures['streams.workPerConversion']!.value!
    expect(of(plan)).toBeGreaterThan(1.2 * of(planSchema.parse(tideMillHouse)))
    expect(planSchema.parse(JSON.parse(JSON.stringify(plan)))).toEqual(plan)
  })
  it('that is cut, or lacks or twists a coefficient, is refused with every place', () => {
    expect(readWorkTable(JSON.stringify(shipped).slice(0, 300))).toMatchObject({
      ok: false,
      problems: [expect.stringContaining('not valid JSON')],
    })
    const broken = {
      source: '',
      coefficients: {
        ...shipped.coefficients,
        scale: { value: -1 },
        tonemap: { value: 1, low: 2 },
        remux: undefined,
      },
    }
    const read = readWorkTable(JSON.stringify(broken))
    expect(read.ok ? [] : read.problems.map(problem => problem.split(':')[0])).toEqual([
      'source',
      'coefficients.scale.value',
      'coefficients.tonemap',
      'coefficients.remux',
    ])
    expect(readWorkTable('[]').ok).toBe(false)
  })
})
