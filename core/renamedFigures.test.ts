import { expect, it } from 'vitest'
import { assess } from './assess'
import { catalogue } from './catalogue/catalogue'
import { tideMillHouse } from './catalogue/tideMillHouse'
import { planSchema } from './plan/planSchema'
import { figureIdNow, renamedFigures, withOldIds } from './renamedFigures'

it('answers to the old ids of figures, and to no id that is still in use', () => {
  const { figures } = assess(planSchema.parse(tideMillHouse), catalogue)
  const both = withOldIds(figures)
  for (const [old, now] of Object.entries(renamedFigures)) {
    expect(figures[old], old).toBeUndefined()
    expect(figures[now], now).toBeDefined()
    expect(both[old]).toBe(figures[now])
    expect(figureIdNow(old)).toBe(now)
  }
  expect(figureIdNow('streams.asked')).toBe('streams.asked')
  expect(Object.keys(withOldIds({}))).toEqual([])
})
