import { describe, expect, it } from 'vitest'
import { parseTimeOfDay } from './parseTimeOfDay'

describe('times of day as people type them', () => {
  it.each([
    ['19:30', 1170],
    ['19.30', 1170],
    ['1930', 1170],
    ['7:30 pm', 1170],
    ['7pm', 1140],
    ['12 am', 0],
    ['12:05pm', 725],
    ['0:00', 0],
    ['19', 1140],
    ['19h30', 1170],
    ['07:05', 425],
  ])('%s is %d', (text, minutes) => expect(parseTimeOfDay(text)).toBe(minutes))
  it.each([['24:00'], ['19:60'], ['evening'], [''], ['-1'], ['19:3']])('%j is none', text =>
    expect(parseTimeOfDay(text)).toBeUndefined(),
  )
})
