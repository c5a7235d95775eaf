import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { catalogue } from '../../catalogue/catalogue'
import { planSchema } from '../../plan/planSchema'
import { plainFormat } from '../../units/format'
import { layouts } from '../layouts/layouts'
import { poolOf, type Pool } from '../poolOf'
import { movingFill, temporaryCopy, wayOutQuestion, waysOut } from './planWayOut'
import { stepText, tieText, wayFigures, wayText } from './tellWayOut'
import { wayOut } from './wayOut'
import { growsByDrives, usableOf, type WayOutQuestion } from './wayOutQuestion'
import { poolChoices } from '../../../tests/stubs/poolChoices'

const layoutOf = (id: string) => layouts.find(layout => layout.id === id)!
function poolFor(layoutId: string, sizes: readonly number[], hotSpares = 0): Pool {
  const { drives, choices } = planSchema.parse({
    name: 'x',
    drives: {
      lots: sizes.map(sizeTB => ({ sizeTB })),
      layout: layoutId,
      hotSpares,
      outerMBps: 200,
    },
    choices: { watchingHoursPerDay: 0 },
  })
  return poolOf({
    drives,
    choices: poolChoices(choices),
    catalogue,
    contentTB: 0,
    layoutId,
  }) as Pool
}
const question = (
  from: string,
  sizes: readonly number[],
  { to, heldTB, expands = true }: { to: string; heldTB: number; expands?: boolean },
): WayOutQuestion =>
  wayOutQuestion(poolFor(from, sizes), { heldTB, toId: to, expandsParity: expands })!
const told = (asked: WayOutQuestion) =>
  wayOut(asked)!.steps.map(step =>
    `${step.kind} ${step.places.join('')} ${Number(step.sizeTB.toFixed(2))}`.trim(),
  )

/**
 * The fewest borrowed drives, by breadth first over every set of drives in the new pool and every
 * set that joins it next: what is kept has to fit into what is there at each moment.
 */
function slowBorrowed(asked: WayOutQuestion): number {
  const { drives, to, fillShare, emptiesOneByOne, expandsParity } = asked
  const all = drives.map((_, at) => at)
  const kept = drives.reduce((sum, { contentTB }) => sum + contentTB, 0)
  const largest = Math.max(...drives.map(({ sizeTB }) => sizeTB))
  const sizeOf = (places: readonly number[]) =>
    places.reduce((sum, at) => sum + drives[at]!.sizeTB, 0)
  const usable = (places: readonly number[]) =>
    usableOf(
      to,
      places.map(at => drives[at]!.sizeTB),
    )
  const locked = (at: number) => !emptiesOneByOne && !drives[at]!.isSpare
  const isIn = (mask: number) => (at: number) => ((mask >> at) & 1) === 1
  const leftOver = drives.length % to.takesAtATime
  const reaches = (borrowed: number) => {
    const fits = (made: number, plain: readonly number[]) =>
      fillShare * ((usable(all.filter(isIn(made))) ?? 0) + sizeOf(plain) + borrowed * largest) >=
      kept - 1e-9
    const seen = new Set<string>()
    let states: [number, boolean][] = [[0, !all.some(locked)]]
    while (states.length > 0) {
      const next: [number, boolean][] = []
      for (const [made, isLeft] of states) {
        const inNew = all.filter(isIn(made))
        const out = all.filter(at => !isIn(made)(at))
        if (isLeft && out.length === leftOver && (usable(inNew) ?? -1) * fillShare >= kept - 1e-9)
          return true
        const reach = (mask: number, left: boolean) => {
          const key = `${mask} ${left}`
          if (!seen.has(key)) next.push([mask, left])
          seen.add(key)
        }
        if (
          !isLeft &&
          fits(
            made,
            out.filter(at => !locked(at)),
          )
        )
          reach(made, true)
        const can = isLeft ? out : out.filter(at => !locked(at))
        for (let pick = 1; pick < 1 << can.length; pick++) {
          const join = can.filter((_, at) => isIn(pick)(at))
          if (
            made > 0 &&
            (join.length % to.takesAtATime !== 0 || !growsByDrives(to, expandsParity))
          )
            continue
          if (made === 0 && !growsByDrives(to, expandsParity) && join.length !== drives.length)
            continue
          if (made === 0 && join.length % to.takesAtATime !== 0) continue
          const after = usable([...inNew, ...join])
          if (after === null || after < (usable(inNew) ?? 0) - 1e-9) continue
          const mask = join.reduce((sum, at) => sum | (1 << at), made)
          const rest = out.filter(at => !join.includes(at))
          if (!isLeft || fits(made, rest)) reach(mask, isLeft)
        }
      }
      states = next
    }
    return false
  }
  const whole = usable(all)
  if (whole === null || whole * fillShare < kept - 1e-9) return Infinity
  for (let borrowed = 0; borrowed <= 10; borrowed++) if (reaches(borrowed)) return borrowed
  return Infinity
}

describe('the way out of a pool', () => {
  it('had redundancy to give up where drives hold copies or parity alone', () => {
    const had = (from: string, sizes: readonly number[], hotSpares = 0) =>
      wayOutQuestion(poolFor(from, sizes, hotSpares), {
        heldTB: 1,
        toId: 'stripe',
        expandsParity: false,
      })!.hadRedundancy
    expect(had('separate', [8, 8])).toBe(false)
    // A spare is no redundancy by itself.
    expect(had('separate', [8, 8, 8], 1)).toBe(false)
    expect(had('mirror', [8, 8])).toBe(true)
    expect(had('dedicated-1', [8, 8, 8])).toBe(true)
    // Parity that lies among the data leaves nothing readable when a drive goes.
    expect(had('rotating-1', [8, 8, 8])).toBe(false)
  })
  it('leaves data on plain disks where they are, and gives roles up or takes them on', () => {
    const way = (from: string, to: string, { sizes = [8, 8, 8], heldTB = 6 } = {}) => {
      const asked = question(from, sizes, { to, heldTB })
      const found = wayOut(asked)!
      expect([found.borrowed, found.inPlace], `${from} to ${to}`).toEqual([0, true])
      return [told(asked), found.steps.map(({ unprotectedTB }) => unprotectedTB), found.hours]
    }
    expect(way('dedicated-1', 'separate')).toEqual([['release 0 8'], [6], 0])
    // One of two parity drives goes out of use, and the other goes on.
    const twenty = { sizes: Array<number>(20).fill(12), heldTB: 150 }
    expect(way('dedicated-2', 'dedicated-1', twenty)).toEqual([['release 1 12'], [0], 0])
    const two = { sizes: [8, 8], heldTB: 6 }
    expect(way('mirror', 'nightly-copy', two)).toEqual([[], [], 0])
    const hours = (sizeTB: number) => (sizeTB * 1e6) / 150 / 3600
    expect(way('nightly-copy', 'mirror', two)).toEqual([
      ['release 1 8', 'setAside 1 8'],
      [6, 6],
      hours(8),
    ])
    expect(way('separate', 'nightly-copy', two)).toEqual([
      ['consolidate 0 3', 'setAside 0 8'],
      [6, 6],
      hours(3) + hours(6),
    ])
    expect(way('separate', 'dedicated-1')).toEqual([
      ['consolidate 0 2', 'setAside 0 16'],
      [6, 6],
      hours(2) + hours(8),
    ])
    expect(way('duplication', 'separate')).toEqual([['release  0'], [6], 0])
    expect(way('separate', 'duplication')[0]).toEqual(['setAside  12'])
  })
  it('turns a full mirror into separate disks, and back only with a borrowed drive', () => {
    expect(wayOut(question('mirror', [8, 8], { to: 'separate', heldTB: 7 }))!.borrowed).toBe(0)
    const back = wayOut(question('separate', [8, 8], { to: 'mirror', heldTB: 7 }))!
    expect([back.borrowed, back.steps.map(({ kind }) => kind)]).toEqual([
      1,
      ['toBorrowed', 'make', 'fromBorrowed', 'giveBack'],
    ])
    // While it is copied back, the borrowed drive holds the only whole copy.
    expect(back.steps.map(({ unprotectedTB }) => unprotectedTB)).toEqual([7, 7, 7, 0])
  })
  it('to pairs of an odd number of unlike drives borrows one', () => {
    const way = wayOut(question('separate', [8, 4, 12, 8, 8], { to: 'pairs', heldTB: 14 }))!
    expect(way.borrowed).toBe(
      slowBorrowed(question('separate', [8, 4, 12, 8, 8], { to: 'pairs', heldTB: 14 })),
    )
    expect(way.borrowed).toBeLessThan(2)
  })
  it('borrows as few drives as any order of joining does', () => {
    fc.assert(
      fc.property(
        fc.record({
          from: fc.constantFrom(
            'separate',
            'dedicated-1',
            'mirror',
            'pairs',
            'rotating-1',
            'sliced-1',
            'duplication',
            'stripe',
          ),
          to: fc.constantFrom(...layouts.map(({ id }) => id)),
          sizes: fc.array(fc.constantFrom(4, 8, 12, 14), { minLength: 2, maxLength: 7 }),
          share: fc.double({ min: 0, max: 0.83, noNaN: true }),
          expands: fc.boolean(),
        }),
        ({ from, to, sizes, share, expands }) => {
          const pool = poolFor(from, sizes)
          if ('refused' in pool) return
          const heldTB = pool.arrangement.usableTB * share
          const asked = wayOutQuestion(pool, { heldTB, toId: to, expandsParity: expands })!
          const way = wayOut(asked)
          if (way?.inPlace) return
          expect(way?.borrowed ?? Infinity).toBe(slowBorrowed(asked))
        },
      ),
      { numRuns: 300 },
    )
  })
  it(
    'needs all data on borrowed drives where no drive can be let go, or the new pool cannot ' +
      'begin small',
    () => {
      const whole = wayOut(question('rotating-1', [8, 8, 8, 8], { to: 'dedicated-1', heldTB: 20 }))!
      // 20 TB at 95 % of 8 TB each are three drives.
      expect([whole.borrowed, whole.steps.map(({ kind }) => kind)]).toEqual([
        3,
        ['toBorrowed', 'make', 'fromBorrowed', 'giveBack'],
      ])
      expect(
        wayOut(question('separate', [8, 8, 8, 8], { to: 'stripe', heldTB: 20 }))!.borrowed,
      ).toBe(3)
      expect(
        wayOut(
          question('separate', [8, 8, 8, 8], { to: 'rotating-1', heldTB: 20, expands: false }),
        )!.borrowed,
      ).toBe(3)
      expect(
        wayOut(question('separate', [8, 8, 8, 8], { to: 'rotating-1', heldTB: 10 }))!.borrowed,
      ).toBeLessThan(3)
    },
  )
  it('lets the freed halves of pairs hold everything where they can', () => {
    const asked = question('pairs', [8, 8, 8, 8], { to: 'separate', heldTB: 14 })
    expect(told(asked)).toEqual(['release 13 16', 'make 13 16', 'move 02 14', 'grow 02 32'])
    expect(wayOut(asked)!.borrowed).toBe(0)
  })
  it('is none where the new layout has no room, or cannot be made', () => {
    expect(wayOut(question('separate', [8, 8], { to: 'mirror', heldTB: 12 }))).toBeNull()
    expect(wayOut(question('separate', [8, 8], { to: 'rotating-2', heldTB: 1 }))).toBeNull()
    expect(
      wayOutQuestion(poolFor('separate', [8, 8]), { heldTB: 1, toId: 'gone', expandsParity: true }),
    ).toBeNull()
  })
  it('takes the hours of what it moves, and of computing parity', () => {
    const asked = question('pairs', [8, 8, 8, 8], { to: 'separate', heldTB: 6 })
    expect(asked.rateMBps).toBe(150)
    expect(wayOut(asked)!.hours).toBeCloseTo(6e6 / 150 / 3600, 9)
    const parity = wayOut(question('separate', [8, 8, 8], { to: 'sliced-1', heldTB: 0 }))!
    expect(parity.hours).toBeCloseTo(8e6 / 150 / 3600, 9)
    expect(movingFill).toBe(0.95)
  })
  it('loses and makes up nothing, takes in every drive, and needs each borrowed one', () => {
    fc.assert(
      fc.property(
        fc.record({
          from: fc.constantFrom(
            'separate',
            'dedicated-1',
            'dedicated-2',
            'snapshot-1',
            'mirror',
            'pairs',
            'rotating-1',
            'sliced-1',
            'duplication',
            'stripe',
            'span',
          ),
          to: fc.constantFrom(...layouts.map(({ id }) => id)),
          sizes: fc.array(fc.constantFrom(4, 8, 12), { minLength: 2, maxLength: 6 }),
          share: fc.double({ min: 0, max: 0.85, noNaN: true }),
          expands: fc.boolean(),
        }),
        ({ from, to, sizes, share, expands }) => {
          const pool = poolFor(from, sizes)
          if ('refused' in pool) return
          const heldTB = Math.round(pool.arrangement.usableTB * share * 100) / 100
          const asked = wayOutQuestion(pool, { heldTB, toId: to, expandsParity: expands })!
          const way = wayOut(asked)
          if (!way || way.inPlace) return
          const sum = (...kinds: string[]) =>
            way.steps
              .filter(step => kinds.includes(step.kind))
              .reduce((all, step) => all + step.sizeTB, 0)
          expect(sum('move', 'fromBorrowed')).toBeCloseTo(heldTB, 6)
          expect(sum('toBorrowed')).toBeCloseTo(sum('fromBorrowed'), 6)
          const taken = way.steps
            .filter(({ kind }) => kind === 'make' || kind === 'grow')
            .flatMap(({ places }) => places)
          expect(new Set(taken).size).toBe(taken.length)
          expect(sizes.length - taken.length).toBeLessThanOrEqual(to === 'pairs' ? 1 : 0)
          expect(sum('toBorrowed')).toBeLessThanOrEqual(way.borrowedTB * movingFill + 1e-6)
          if (way.borrowed > 0) expect(sum('toBorrowed')).toBeGreaterThan(0)
          for (const { hours, unprotectedTB } of way.steps)
            expect(hours >= 0 && unprotectedTB >= -1e-9 && unprotectedTB <= heldTB + 1e-6).toBe(
              true,
            )
        },
      ),
      { numRuns: 400 },
    )
  })
})

describe('what can begin small', () => {
  it('are layouts that grow by drives or pairs, and parity that can be expanded', () => {
    expect(layouts.filter(layout => growsByDrives(layout, false)).map(({ id }) => id)).toEqual(
      expect.arrayContaining(['separate', 'dedicated-1', 'pairs', 'sliced-1']),
    )
    expect([
      growsByDrives(layoutOf('rotating-1'), true),
      growsByDrives(layoutOf('rotating-1'), false),
      growsByDrives(layoutOf('mirror'), true),
    ]).toEqual([true, false, false])
  })
})

describe('what is told of the way out', () => {
  const asked = question('pairs', [8, 8, 8, 8], { to: 'separate', heldTB: 14 })
  const way = wayOut(asked)!
  it('are steps as instructions, with what stands without redundancy', () => {
    expect(stepText(way.steps[0]!, asked, plainFormat)).toBe(
      'Take drives 2 and 4 out of the old pool: it has no redundancy from here on.',
    )
    expect(stepText(way.steps[2]!, asked, plainFormat)).toMatch(
      /^Move 14\sTB from drives 1 and 3 into the new pool, compare, then delete them there\.$/,
    )
    expect(wayText(way, { to: asked.to, format: plainFormat })).toContain(
      'without any borrowed drive',
    )
    expect(wayText(way, { to: asked.to, format: plainFormat })).toContain(
      'In all of 4 steps data stand without redundancy',
    )
    const told = (bare: readonly boolean[]) =>
      wayText(
        {
          ...way,
          borrowed: bare.length - 1,
          borrowedTB: 8,
          steps: bare.map(isBare => ({ ...way.steps[0]!, unprotectedTB: isBare ? 2 : 0 })),
        },
        { to: asked.to, format: plainFormat },
      )
    expect(told([false])).toContain('Nothing stands without redundancy meanwhile.')
    expect(told([true, false, false])).toMatch(/with 2 borrowed drives of 4.TB .* In 1 of 3 steps/)
    expect(told([true, false])).toMatch(/with 1 borrowed drive of 8.TB/)
    expect(wayText(null, { to: layoutOf('mirror'), format: plainFormat })).toContain('other drives')
    for (const layout of layouts) expect(tieText(layout)).toMatch(/^.+: .+\. It is tied to .+\.$/)
  })
  it('are in place too, with a sentence for each role', () => {
    const said = (from: string, to: string, sizes = [8, 8]) => {
      const one = question(from, sizes, { to, heldTB: 3 })
      const found = wayOut(one)!
      return [
        wayText(found, { to: one.to, format: plainFormat }),
        ...found.steps.map(step => stepText(step, one, plainFormat)),
      ]
    }
    expect(said('mirror', 'nightly-copy')).toEqual([
      'It can be done in place: the data stay where they are, and so does the redundancy.',
    ])
    expect(said('dedicated-2', 'dedicated-1', [8, 8, 8])).toEqual([
      'It can be done in place, at once: the data stay on their drives. Nothing stands without ' +
        'redundancy meanwhile.',
      'Take drive 2 out of use for redundancy; what is left of it goes on.',
    ])
    expect(said('duplication', 'separate')).toEqual([
      'It can be done in place, at once: the data stay on their drives. From then on ' +
        'data stand without redundancy: copy what is irreplaceable first.',
      'Switch the second copies off: there is one copy of each file from here on.',
    ])
    const last = (from: string, to: string, sizes?: number[]) => said(from, to, sizes).at(-1)
    expect(last('separate', 'snapshot-1', [8, 8, 8])).toContain('the next nightly run computes it')
    expect(last('separate', 'dedicated-1', [8, 8, 8])).toContain('everything plays on meanwhile')
    expect(last('separate', 'nightly-copy')).toContain('let the nightly job run once')
    expect(last('nightly-copy', 'mirror')).toContain('the other half of a mirror')
    expect(last('separate', 'duplication')).toContain('Switch second copies on')
  })
  it('are figures with their working, and a temporary copy beside them', () => {
    const temporary = temporaryCopy(9.5, 20)
    expect([temporary.sizeTB, temporary.price]).toEqual([10, 200])
    expect(temporary.hours).toBeCloseTo((2 * 9.5e6) / 135 / 3600, 9)
    for (const one of [way, null])
      for (const { id, formula, value } of wayFigures(one, {
        question: asked,
        temporary,
        format: plainFormat,
      }))
        expect(formula.length > 0 && (value === null || Number.isFinite(value)), id).toBe(true)
  })
  it('puts the ways with the fewest borrowed drives first', () => {
    const ways = waysOut(poolFor('dedicated-1', [8, 8, 8, 8]), { heldTB: 15, expandsParity: true })
    expect(ways).toHaveLength(layouts.length - 1)
    const borrowed = ways.map(({ way: one }) => one?.borrowed ?? Infinity)
    expect(borrowed).toEqual(borrowed.toSorted((a, b) => a - b))
  })
})
