import highsLoader from 'highs'
import { describe, expect, it } from 'vitest'
import { byOwnSearch, bySolver, middleQuestion } from './buildsBySolver'

describe('the search for builds beside a general solver', () => {
  it('finds what that finds, on catalogues too large to go through', async () => {
    const highs = await highsLoader()
    let found = 0
    for (let seed = 12; seed <= 24; seed++) {
      const question = middleQuestion(seed)
      const general = bySolver(question, highs)
      expect(byOwnSearch(question), `${seed}`).toBe(general.cost)
      if (general.cost === null) continue
      found++
      // Prices added up in lines, and by the assessment of the whole plan.
      expect(general.linear, `${seed}`).toBeCloseTo(general.cost, 6)
    }
    expect(found).toBeGreaterThan(10)
  }, 300_000)
})
