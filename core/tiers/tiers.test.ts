import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema } from '../plan/planSchema'
import { plainFormat } from '../units/format'
import { adoptWay } from './adoptWay'
import { compareWays, isAdopted } from './compareWays'

const demo = planSchema.parse(tideMillHouse)
const rows = compareWays(demo, catalogue, plainFormat)

describe('ways of building', () => {
  it(
    "are a prebuilt and a self-built one at each of three budgets, within the tier's cap for " +
      'the demo',
    () => {
      expect(rows.map(row => [row.way.tier, row.way.kind])).toEqual([
        ['Lean', 'prebuilt'],
        ['Lean', 'self-built'],
        ['Middle', 'prebuilt'],
        ['Middle', 'self-built'],
        ['Large', 'prebuilt'],
        ['Large', 'self-built'],
      ])
      expect(rows.every(row => row.withinCap)).toBe(true)
    },
  )
  it('go through the very same assessment as a plan that adopts them', () => {
    for (const row of rows)
      expect(assess(adoptWay(demo, row.way, catalogue), catalogue)).toMatchObject(row.assessment)
  })
  it('meet the need or say what fails', () => {
    expect(rows.filter(row => row.meets).map(row => row.way.label)).toEqual([
      'Wherry 4',
      'Millrace',
    ])
    expect(
      rows.find(row => row.way.id === 'lean-prebuilt')?.failing.map(entry => entry.id),
    ).toEqual(['space', 'fit'])
    expect(rows.find(row => row.way.id === 'large-built')?.failing.map(entry => entry.id)).toEqual([
      'money',
    ])
  })
  it('do not need a budget to meet the need', () => {
    const free = compareWays(
      { ...demo, brief: { ...demo.brief, budget: null } },
      catalogue,
      plainFormat,
    )
    expect(free.filter(row => row.meets).map(row => row.way.label)).toEqual([
      'Wherry 4',
      'Millrace',
      'Weir',
    ])
  })
  it("once adopted are the plan's machine, with the need as it was", () => {
    const way = catalogue.waysOfBuilding[3]!
    const adopted = adoptWay(demo, way, catalogue)
    expect(isAdopted(demo, way, catalogue)).toBe(false)
    expect(isAdopted(adopted, way, catalogue)).toBe(true)
    expect(adopted).toMatchObject({
      name: demo.name,
      household: demo.household,
      library: demo.library,
      machine: {
        name: 'Millrace',
        base: 'millrace',
        parts: [{ ref: 'leat-22' }, { ref: 'memory-16' }],
      },
      network: { uploadMbps: 22, serverPortMbps: 2500 },
    })
  })
})
