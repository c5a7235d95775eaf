import { describe, expect, it } from 'vitest'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { fieldPaths } from './fieldPaths'
import { valueAt } from './paths'
import { planField } from './planField'
import { planSchema } from './planSchema'

const demo = planSchema.parse(tideMillHouse)

describe('the fields of a plan', () => {
  const fields = fieldPaths(demo)
  it('are found by path, each once, with a label of the schema', () => {
    expect(new Set(fields.map(field => field.path)).size).toBe(fields.length)
    for (const { path, label } of fields) {
      expect(planField(path)?.label, path).toBe(label)
      expect(valueAt(demo, path), path).not.toBeUndefined()
    }
  })
  it('name the entry of a list that they belong to', () => {
    expect(fields.find(field => field.path === 'household.habits.0.chance')?.within.at(-1)).toBe(
      'Evening film',
    )
    expect(
      fields.filter(field => /^household\.habits\.\d+\.chance$/.test(field.path)),
    ).toHaveLength(demo.household.habits.length)
    expect(fields.find(field => field.path === 'machine.score')).toBeDefined()
  })
  it("leave the document's book-keeping out", () => {
    expect(
      fields.some(field => /^(schemaVersion|keptAside|calibration\.workTable)/.test(field.path)),
    ).toBe(false)
  })
})
