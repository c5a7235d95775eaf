import { expect, it } from 'vitest'
import { agreeing, counted, theYears } from './counted'

it('counts none, one and two with the noun and the verb that go with them', () => {
  expect([0, 1, 2].map(count => counted(count, 'drive'))).toEqual([
    '0 drives',
    '1 drive',
    '2 drives',
  ])
  expect([0, 1, 2].map(count => counted(count, 'copy', 'copies'))).toEqual([
    '0 copies',
    '1 copy',
    '2 copies',
  ])
  expect([0, 1, 2].map(count => agreeing(count, 'is', 'are'))).toEqual(['are', 'is', 'are'])
  expect([1, 5].map(theYears)).toEqual(['the year', 'the 5 years'])
})
