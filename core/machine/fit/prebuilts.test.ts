import { describe, expect, it } from 'vitest'
import { assess } from '../../assess'
import { catalogue } from '../../catalogue/catalogue'
import { planSchema } from '../../plan/planSchema'

describe('a prebuilt machine', () => {
  it.each(
    catalogue.machineBases
      .filter(({ class: kind, inside }) => kind !== 'kit' && inside.board.places.length > 0)
      .map(base => [base.id, base] as const),
  )('%s, its bays full and an NVMe cache in it, starts and runs on its own supply', (id, base) => {
    const hasM2 = base.inside.board.places.some(({ kind }) => kind === 'm2')
    const { judged } = assess(
      planSchema.parse({
        name: 'x',
        machine: { base: id, parts: hasM2 ? [{ ref: 'flint-500n' }] : [] },
        drives: { lots: base.bays > 0 ? [{ count: base.bays, sizeTB: 16 }] : [] },
      }),
      catalogue,
    ).domains.fitting
    expect(
      judged.filter(
        rule => rule.state === 'fail' && /^(supply|powerPlugs|dataPorts|bays)/.test(rule.id),
      ),
    ).toEqual([])
  })
})
