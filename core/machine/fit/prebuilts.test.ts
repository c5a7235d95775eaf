import { describe, expect, it } from 'vitest'
import { assess } from '../../assess'
import { catalogue } from '../../catalogue/catalogue'
import { planSchema } from '../../plan/planSchema'

describe('a prebuilt machine', () => {
  it.each(
    catalogue.machineBases
      .filter(({ kind }) => kind === 'prebuilt')
      .map(base => [base.id, base] as const),
  )('%s, filled in every way that it can be filled, passes every rule', (id, base) => {
    const { board, case: housing } = base.inside
    const { memory, places } = board
    const m2 = places.filter(({ kind }) => kind === 'm2').length
    const ssds = Math.min(
      housing.bays25 - (base.systemDisk === 'sata' ? 1 : 0),
      places.filter(({ kind }) => kind === 'data').length -
        base.bays -
        (base.systemDisk === 'sata' ? 1 : 0),
    )
    const stick = catalogue.memoryModules
      .filter(
        ({ type, shape, registered, memoryGB }) =>
          type === memory.type &&
          shape === memory.shape &&
          registered === base.memoryRegistered &&
          memoryGB + base.memoryGB <= memory.maxGB,
      )
      .sort((a, b) => b.memoryGB - a.memoryGB)[0]
    const free = memory.slots - base.memorySticks
    const { judged } = assess(
      planSchema.parse({
        name: 'x',
        brief: { place: 'cellar', roomHighC: 20 },
        // What a description says that it does not do is not asked of it.
        household: { converted: base.description.includes('play as they are') ? 0 : 1 },
        network: { serverPortMbps: base.portMbps },
        machine: {
          base: id,
          parts: [
            ...(base.systemDisk === null ? [{ ref: 'flint-500n' }] : []),
            ...(stick && free > 0 && !base.fixed.includes('memory') ? [{ ref: stick.id }] : []),
          ].filter(({ ref }) => ref !== 'flint-500n' || m2 > 0),
        },
        drives: {
          lots: [
            ...(base.bays > 0 ? [{ count: base.bays, sizeTB: 24, model: 'sluice-24' }] : []),
            ...(ssds > 0 ? [{ count: ssds, sizeTB: 8, model: 'eddy-8' }] : []),
            ...(m2 > 1 ? [{ count: m2 - 1, sizeTB: 8, model: 'rill-8' }] : []),
          ],
          layout: 'separate',
        },
      }),
      catalogue,
    ).domains.fitting
    expect(judged.filter(({ state }) => state === 'fail').map(rule => rule.id)).toEqual([])
  })
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
