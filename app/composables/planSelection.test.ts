import { describe, expect, it } from 'vitest'
import { yardsticks } from '../../tests/yardstick'
import { selectPlans } from './planSelection'

const entry = (
  id: string,
  name: string,
  createdAt: string,
  updatedAt: string,
  archived = false,
) => ({ id, name, version: 1, createdAt, updatedAt, archived })
const entries = [
  entry('a', 'Tide Mill House', '2026-01', '2026-05'),
  entry('b', 'Café boat', '2026-02', '2026-09'),
  entry('c', 'Mill 10', '2026-03', '2026-04'),
  entry('d', 'Mill 9', '2026-04', '2026-04'),
  entry('e', 'Old mill', '2025-01', '2025-01', true),
]
const ids = (options: Partial<Parameters<typeof selectPlans>[1]>) =>
  selectPlans(entries, { search: '', order: 'saved', archived: false, ...options }).map(
    found => found.id,
  )

describe('the list of plans', () => {
  it('is sorted by the last save, by name with numbers as numbers, or by age', () => {
    expect(ids({})).toEqual(['b', 'a', 'c', 'd'])
    expect(ids({ order: 'name' })).toEqual(['b', 'd', 'c', 'a'])
    expect(ids({ order: 'oldest' })).toEqual(['a', 'b', 'c', 'd'])
  })
  it('holds what has every word in its name, whatever the accents', () => {
    expect(ids({ search: 'mill house' })).toEqual(['a'])
    expect(ids({ search: 'CAFE' })).toEqual(['b'])
    expect(ids({ search: 'moon' })).toEqual([])
  })
  it('keeps what is put away apart', () => expect(ids({ archived: true })).toEqual(['e']))
  it('is quick with two thousand', () => {
    const many = Array.from({ length: 2000 }, (_, at) =>
      entry(String(at), `Plan ${(at * 7919) % 2000}`, String(at), String(at)),
    )
    const select = () => selectPlans(many, { search: 'plan', order: 'name', archived: false })
    expect(select()).toHaveLength(2000)
    expect(yardsticks(select, 3)).toBeLessThan(5)
  })
})
