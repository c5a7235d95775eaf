import { describe, expect, it } from 'vitest'
import { planSchema } from '../plan/planSchema'
import { neededFromAnswers } from './conversionsNeeded'

/** Needed of so many viewers, by the answers of a busy evening. */
const needed = (
  school: 'headCount' | 'atOnce',
  viewers: number,
  [watchingHome, watchingAway, converted]: readonly [number, number, number],
  keepsVideo = true,
) => {
  const { household, choices } = planSchema.parse({
    name: 'x',
    household: {
      viewers: Array.from({ length: viewers }, (_, at) => ({ id: `v${at}` })),
      watchingHome,
      watchingAway,
      converted,
    },
    choices: { school },
  })
  return neededFromAnswers(household, { school: choices.school }, keepsVideo).needed
}

describe('conversions needed by the answers of a busy evening', () => {
  it('are those that are converted, or as many of all viewers when every head counts', () => {
    expect(needed('atOnce', 6, [2, 1, 1])).toBe(1)
    // A third of those who watch: of six, two; of seven, three.
    expect(needed('headCount', 6, [2, 1, 1])).toBe(2)
    expect(needed('headCount', 7, [2, 1, 1])).toBe(3)
    expect(needed('headCount', 2, [1, 1, 2])).toBe(2)
  })
  it('are those that are converted where nobody is named, or nobody watches', () => {
    expect(needed('headCount', 0, [2, 1, 1])).toBe(1)
    expect(needed('headCount', 3, [0, 0, 0])).toBe(0)
    expect(needed('headCount', 3, [0, 0, 1])).toBe(1)
  })
  it('are none where nothing is kept whose picture could need it', () => {
    expect(needed('atOnce', 6, [2, 1, 1], false)).toBe(0)
    expect(needed('headCount', 6, [2, 1, 1], false)).toBe(0)
  })
})
