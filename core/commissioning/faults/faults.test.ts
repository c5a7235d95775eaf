import { describe, expect, it } from 'vitest'
import { steps } from '../steps'
import { faultTrees } from './faultTrees'
import { walkFaults, walkText } from './walk'

/** Every way through a tree, by following every answer; a tree that is entered twice is left. */
function waysThrough(from: string): number[][] {
  const ways: number[][] = []
  const go = (picks: number[], entered: readonly string[]): void => {
    const walk = walkFaults(from, picks)!
    if (walk.found) {
      ways.push(picks)
      return
    }
    walk.now!.answers.forEach((answer, at) => {
      if ('tree' in answer && entered.includes(answer.tree)) {
        ways.push([...picks, at])
        return
      }
      go([...picks, at], 'tree' in answer ? [...entered, answer.tree] : entered)
    })
  }
  go([], [from])
  return ways
}

describe('the fault trees', () => {
  it('are fifteen, and lead to questions and trees that there are', () => {
    expect(faultTrees.map(({ id }) => id)).toEqual(
      Array.from({ length: 15 }, (_, at) => `T${at + 1}`),
    )
    const ids = faultTrees.map(({ id }) => id)
    for (const { id, nodes } of faultTrees) {
      const asked = new Set(['1'])
      for (const { ask, answers } of Object.values(nodes)) {
        expect(ask, id).toMatch(/[?.]$/)
        expect(answers.length, ask).toBeGreaterThan(1)
        expect(new Set(answers.map(({ says }) => says)).size, ask).toBe(answers.length)
        for (const answer of answers) {
          if ('tree' in answer) expect(ids, ask).toContain(answer.tree)
          else if ('to' in answer) {
            expect(Object.keys(nodes), ask).toContain(answer.to)
            asked.add(answer.to)
          } else {
            expect(answer.cause, ask).toMatch(/\.$/)
            expect(answer.fix, ask).toMatch(/[."]$/)
          }
        }
      }
      // No question that nothing leads to.
      expect([...asked].sort(), id).toEqual(Object.keys(nodes).sort())
    }
  })
  it('end, whatever is answered, in a few questions', () => {
    for (const { id } of faultTrees) {
      const ways = waysThrough(id)
      expect(ways.length, id).toBeGreaterThan(2)
      for (const picks of ways) expect(picks.length, id).toBeLessThan(14)
    }
  })
  it('are all those that steps name', () => {
    const named = new Set(steps.flatMap(({ ifNot }) => ifNot.trees))
    for (const id of named) expect(walkFaults(id, []), id).not.toBe(null)
    expect(walkFaults('T99', [])).toBe(null)
  })
  it('are walked by answers, from tree to tree, and back by one less', () => {
    const memory = walkFaults('T2', [0])!
    expect(memory.now!.tree.id).toBe('T4')
    expect(memory.way).toHaveLength(1)
    const mended = walkFaults('T2', [0, 0])!
    expect(mended.now).toBe(null)
    expect(mended.found).toEqual({
      cause: 'A stick sits loose or elsewhere.',
      fix: 'Seat every stick again.',
      end: 'fix',
    })
    expect(walkText(mended)).toBe(
      'It beeps or blinks. What does the pattern mean in the manual of the board? Memory.\n' +
        'Memory not whole. Is every stick in the slots that the manual names, pressed until both ' +
        'clips close? No.\n' +
        'Cause: A stick sits loose or elsewhere.\n' +
        'What mends it: Seat every stick again.\n' +
        'Do this, then do the step again.',
    )
    // An answer that there is not leaves the question open.
    expect(walkFaults('T2', [9])!.now!.tree.id).toBe('T2')
  })
  it('never open a supply, and shut a drive down that is too hot', () => {
    const texts = JSON.stringify(faultTrees)
    expect(texts).toContain('Never open it: it holds a charge that kills.')
    expect(walkFaults('T14', [])!.now!.ask).toContain(
      'Above 60 °C at a drive: shut the machine down',
    )
    expect(texts).toContain('Stop. Write nothing to the drives.')
  })
})
