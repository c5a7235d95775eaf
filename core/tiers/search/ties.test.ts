import { describe, expect, it } from 'vitest'
import type { FoundBuild } from './buildQuestion'
import { compareChanges, compareFound } from './ties'

const build = (
  refs: readonly string[],
  { idleW = 20, layout = 'mirror', hotSpares = 0, drives = 2, kind = 'stick', added = 0 } = {},
) =>
  ({
    frame: 'board',
    refs,
    evaluation: { idleW },
    pool: {
      choice: { layout, count: added, fileSystem: 'journalled' },
      drives: { hotSpares, lots: [{ count: drives, sizeTB: 8, model: 'ebb-8' }] },
    },
    plan: { system: { kind } },
  }) as unknown as FoundBuild
const first = (...builds: readonly FoundBuild[]) => [...builds].sort(compareFound)[0]

describe('of builds that cost the same', () => {
  it('the first draws least with nothing to do, unless that is as good as equal', () => {
    const [thrifty, hungry] = [build(['b'], { idleW: 19 }), build(['a'])]
    expect(first(hungry, thrifty)).toBe(thrifty)
    const [one, other] = [build(['a'], { idleW: 20 + 5e-7 }), build(['b'])]
    expect(first(other, one)).toBe(one)
  })
  it('the first has the first parts, drives with them, each as often as it is there', () => {
    expect(first(build(['b']), build(['a', 'z']))!.refs).toEqual(['a', 'z'])
    const [two, three] = [build(['x']), build(['x'], { drives: 3 })]
    // board, ebb-8, ebb-8, ebb-8 goes before board, ebb-8, ebb-8, x.
    expect(first(two, three)).toBe(three)
  })
  it('the first by parts is the same whatever their ids hold', () => {
    // Joined by a blank 'a b' would stand for two parts; by its own order 'a' goes first.
    const [one, other] = [build(['a b']), build(['a', 'c'])]
    expect(first(one, other)).toBe(other)
    expect(compareFound(build(['a', 'b']), build(['a b']))).toBeLessThan(0)
    expect(compareFound(build(['a|b']), build(['a', 'b']))).toBeGreaterThan(0)
  })
  it('with the same parts the first by layout, spares and system', () => {
    const parity = build(['a'], { layout: 'dedicated-1', hotSpares: 1 })
    expect(first(build(['a']), parity)).toBe(parity)
    const spare = build(['a'], { hotSpares: 1 })
    expect(first(spare, build(['a']))!.pool.drives.hotSpares).toBe(0)
    expect(first(build(['a']), build(['a'], { kind: 'plain' }))!.plan.system.kind).toBe('plain')
    expect(compareFound(build(['a']), build(['a']))).toBe(0)
  })
  it('of changes the first moves the fewest parts and drives, then keeps the layout', () => {
    const compare = compareChanges('mirror')
    expect(compare(build(['z']), build(['a', 'b']))).toBeLessThan(0)
    expect(compare(build(['z'], { added: 2 }), build(['a'], { added: 1 }))).toBeGreaterThan(0)
    expect(compare(build(['z']), build(['a'], { layout: 'pairs' }))).toBeLessThan(0)
  })
})
