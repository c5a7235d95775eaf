import { expect, it } from 'vitest'
import { laneRate } from './lanes'

it('lanes carry what is known of them, half and a quarter of it in older generations', () => {
  expect([1, 2, 4, 8, 16].map(lanes => laneRate(lanes, 3))).toEqual([860, 1700, 3400, 6800, 13_600])
  expect([1, 2, 4, 5].map(generation => laneRate(4, generation))).toEqual([850, 1700, 6800, 13_600])
  expect([laneRate(0, 3), laneRate(3, 3), laneRate(12, 3), laneRate(1, 9)]).toEqual([
    0, 1700, 6800, 860,
  ])
})
