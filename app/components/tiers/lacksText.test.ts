import { describe, expect, it } from 'vitest'
import { lackingText, lacksText } from './lacksText'

const failing = (id: string) => ({ id, state: 'fails' as const, why: '', needed: '', told: '' })

describe('what a build lacks', () => {
  it('is nothing where it lacks nothing', () => {
    expect(lacksText([])).toBe('')
    expect(lackingText({ lacks: [], conditions: [] })).toBe('')
  })
  it('is told once where a headroom and a condition lack the same', () => {
    const text = lackingText({
      lacks: ['survival'],
      conditions: [failing('survives')] as never,
    })
    expect(text).toBe('Too few drives may fail.')
  })
  it('joins what differs', () => {
    expect(lacksText(['streams', 'space'])).toMatch(/^[A-Z].* and .*\.$/)
  })
})
