import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { cautions } from './cautions'
import { appears, runBook, type BookStep } from './runBook'
import { chainsToEnd, criticalSteps, schedule } from './schedule'
import { conditionIds, type ConditionId, type Counts, type Setup } from './setup'
import { chapterOf, chapters } from './step'
import { steps } from './steps'

const nothing: Counts = {
  lines: 0,
  drives: 0,
  inTrays: 0,
  inBays: 0,
  outside: 0,
  added: 0,
  viewers: 0,
  shares: 0,
  computers: 0,
  devices: 0,
  phones: 0,
  services: 0,
  places: 0,
  hardCells: 0,
  copies: 0,
  memoryGB: 0,
  testMin: 0,
  copyingMin: 0,
  parityFirstMin: 0,
  irreplaceableMin: 0,
  restMin: 0,
  compareMin: 0,
  buildMin: 0,
  slowestCopyMin: 0,
}
/** Copied over 117.7 MB/s with 2 % in small files, which count three times; compared at 135. */
const fillOf = (contentTB: number, irreplaceableTB: number) => {
  const copyMin = (tb: number) => ((tb * 1e6) / 117.7 / 60) * (0.98 + 3 * 0.02)
  const compareMin = (tb: number) => (tb * 1e6) / 135 / 60
  return {
    irreplaceableMin: copyMin(irreplaceableTB) + compareMin(irreplaceableTB),
    restMin: copyMin(contentTB - irreplaceableTB),
    compareMin: compareMin(contentTB),
    slowestCopyMin: (irreplaceableTB * 1e6) / 120 / 60,
  }
}
const testMin = (sizeTB: number, outerMBps: number) => (sizeTB * 1e6) / (0.75 * outerMBps) / 60
/** Of every household that is worked out below. */
const always: readonly ConditionId[] = [
  'drives',
  'survives',
  'shares',
  'folders',
  'media',
  'names',
  'irreplaceable',
  'copies',
]
const examples: Readonly<Record<string, { setup: Setup; of: readonly number[] }>> = {
  'A, self-built': {
    setup: {
      is: new Set<ConditionId>([
        ...always,
        'built',
        'opened',
        'adds',
        'ups',
        'installed',
        'engine',
        'converts',
        'services',
        'phones',
        'awayAny',
        'awayLine',
      ]),
      counts: {
        ...nothing,
        lines: 14,
        drives: 4,
        inBays: 4,
        added: 2,
        viewers: 6,
        shares: 6,
        computers: 3,
        devices: 6,
        phones: 4,
        services: 2,
        places: 1,
        hardCells: 6,
        copies: 2,
        memoryGB: 16,
        testMin: testMin(12, 210),
        ...fillOf(12, 1),
      },
    },
    of: [56, 19.6, 92.7, 94.6],
  },
  'B, appliance': {
    setup: {
      is: new Set<ConditionId>([...always, 'maker']),
      counts: {
        ...nothing,
        lines: 3,
        drives: 2,
        inTrays: 2,
        viewers: 3,
        shares: 4,
        computers: 1,
        devices: 3,
        hardCells: 3,
        copies: 1,
        testMin: testMin(8, 180),
        ...fillOf(4, 0.6),
      },
    },
    of: [37, 9.9, 43.8, 45.0],
  },
  'C, an old office computer': {
    setup: {
      is: new Set<ConditionId>([
        ...always.filter(id => id !== 'survives'),
        'opened',
        'used',
        'adds',
        'desktop',
        'ownedDrives',
        'converts',
      ]),
      counts: {
        ...nothing,
        lines: 5,
        drives: 2,
        inBays: 2,
        added: 1,
        viewers: 2,
        shares: 4,
        computers: 1,
        devices: 2,
        hardCells: 3,
        copies: 1,
        memoryGB: 8,
        testMin: testMin(6, 180),
        ...fillOf(3, 0.4),
      },
    },
    of: [47, 12.8, 41.3, 42.2],
  },
}

describe.each(Object.entries(examples))(
  'the run-book worked out by hand: %s',
  (_, { setup, of }) => {
    it('has its steps, hands, longest chain and one pair of hands', () => {
      const book = runBook(setup)
      const { hands, criticalPath, onePair } = schedule(book)
      expect([
        book.length,
        ...[hands, criticalPath, onePair].map(minutes => Number((minutes / 60).toFixed(1))),
      ]).toEqual(of)
    })
  },
)

describe('the steps as data', () => {
  it('stand in the order of their chapters, each once, and need what stands among them', () => {
    const ids = steps.map(({ id }) => id)
    expect(ids).toHaveLength(69)
    expect(new Set(ids).size).toBe(ids.length)
    const order = Object.keys(chapters)
    const at = ids.map(id => order.indexOf(chapterOf(id)))
    expect(at).toEqual([...at].sort((a, b) => a - b))
    for (const { id, needs, ifNot, cautions: named } of steps) {
      for (const other of [...needs, ...ifNot.steps]) expect(ids, id).toContain(other)
      for (const caution of named) expect(cautions[caution], id).toMatch(/\.$/)
      for (const tree of ifNot.trees) expect(tree, id).toMatch(/^T([1-9]|1[0-5])$/)
    }
  })
  it('have the cautions that belong to them', () => {
    const with_ = (caution: keyof typeof cautions) =>
      steps.filter(step => step.cautions.includes(caution)).map(({ id }) => id)
    expect(with_('erases')).toEqual([
      'before.olddata',
      'before.stick',
      'system.install',
      'system.maker',
      'pool.write',
      'pool.make',
      'fill.last',
    ])
    expect(with_('source')).toEqual([
      'before.olddata',
      'pool.make',
      'fill.first',
      'fill.rest',
      'fill.verify',
      'fill.last',
    ])
    expect(with_('supply')).toEqual(['before.clean', 'bench.start', 'assembly.board'])
    expect(with_('opened')).toEqual(['away.tunnel'])
    expect(with_('unplugUnlessTrays')).toEqual(['assembly.drives'])
    expect(with_('handsOut')).toEqual(['assembly.start'])
  })
  it('appear by all of what they ask for, and one of a list within it', () => {
    const at = (...holds: ConditionId[]) => new Set(holds)
    expect(appears([], at())).toBe(true)
    expect(appears(['drives', '!behind'], at('drives'))).toBe(true)
    expect(appears(['drives', '!behind'], at('drives', 'behind'))).toBe(false)
    expect(appears([['built', 'used'], '!maker'], at('used'))).toBe(true)
    expect(appears([['built', 'used'], '!maker'], at('used', 'maker'))).toBe(false)
    expect(appears([['built', 'used'], '!maker'], at())).toBe(false)
  })
})

/** Any set of conditions that a plan might come to, with any counts. */
const anySetup: fc.Arbitrary<Setup> = fc.record({
  is: fc.subarray([...conditionIds]).map(ids => new Set<ConditionId>(ids)),
  counts: fc
    .array(fc.integer({ min: 0, max: 20 }), { minLength: 24, maxLength: 24 })
    .map(
      numbers =>
        Object.fromEntries(
          Object.keys(nothing).map((key, at) => [key, numbers[at % numbers.length]!]),
        ) as unknown as Counts,
    ),
})
/** Every chain of a book, followed one by one: slow, and nothing to do with the product's way. */
function longestByWalking(book: readonly BookStep[]): number {
  const ends = new Map<string, number>()
  // As often as there are steps: by then every end has arrived everywhere.
  for (let round = 0; round < book.length; round++)
    for (const { step, hands, wait, needs } of book)
      ends.set(step.id, Math.max(0, ...needs.map(id => ends.get(id) ?? 0)) + hands + wait)
  return Math.max(0, ...ends.values())
}

/** Whatever comes before each, however many steps lie between. */
function closure(needs: ReadonlyMap<string, readonly string[]>): Map<string, Set<string>> {
  const before = new Map([...needs].map(([id, own]) => [id, new Set(own)]))
  for (let grows = true; grows;) {
    grows = false
    for (const own of before.values())
      for (const needed of [...own])
        for (const earlier of before.get(needed)!)
          if (!own.has(earlier)) {
            own.add(earlier)
            grows = true
          }
  }
  return before
}

describe('a run-book of any plan', () => {
  it('has no circle, passes needs on, and takes as long as its longest chain at least', () => {
    fc.assert(
      fc.property(anySetup, setup => {
        const book = runBook(setup)
        const ids = book.map(({ step }) => step.id)
        const all = closure(new Map(steps.map(step => [step.id, step.needs])))
        const reached = closure(new Map(book.map(({ step, needs }) => [step.id, needs])))
        for (const { step, needs } of book) {
          for (const needed of needs) expect(ids).toContain(needed)
          expect([...reached.get(step.id)!].sort()).toEqual(
            [...all.get(step.id)!].filter(id => ids.includes(id)).sort(),
          )
        }
        const { timed, hands, criticalPath, onePair } = schedule(book)
        expect(timed.map(({ id }) => id).sort()).toEqual([...ids].sort())
        expect(criticalPath).toBeCloseTo(longestByWalking(book), 9)
        expect(hands).toBe(book.reduce((sum, entry) => sum + entry.hands, 0))
        expect(onePair).toBeGreaterThanOrEqual(Math.max(hands, criticalPath) - 1e-9)
        expect(onePair).toBeLessThanOrEqual(
          book.reduce((sum, entry) => sum + entry.hands + entry.wait, 0) + 1e-9,
        )
        // Nothing begins before what it needs has ended, and nobody works at two things at once.
        const byId = new Map(timed.map(entry => [entry.id, entry]))
        for (const { step, needs } of book)
          for (const needed of needs)
            expect(byId.get(step.id)!.from).toBeGreaterThanOrEqual(byId.get(needed)!.to - 1e-9)
        timed.forEach(({ from }, at) => {
          if (at > 0) expect(from).toBeGreaterThanOrEqual(timed[at - 1]!.handsTo - 1e-9)
        })
        const path = criticalSteps(book)
        const lengths = chainsToEnd(book)
        const sum = path.reduce((minutes, id) => {
          const { hands: work, wait } = book.find(({ step }) => step.id === id)!
          return minutes + work + wait
        }, 0)
        expect(sum).toBeCloseTo(criticalPath, 9)
        expect(Math.max(0, ...lengths.values())).toBe(criticalPath)
      }),
      { numRuns: 60 },
    )
  })
  it('runs on its longest chain by the bench, the system, the self-test, the fill and the restore', () => {
    const path = criticalSteps(runBook(examples['A, self-built']!.setup))
    for (const id of [
      'bench.memory',
      'system.install',
      'pool.test',
      'fill.rest',
      'fill.verify',
      'copies.restore',
    ])
      expect(path).toContain(id)
  })
})
