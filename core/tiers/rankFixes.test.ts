import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { assess } from '../assess'
import { notOffer } from '../playback/fixes/notOffer'
import { conversionFixes } from './conversionFixes'
import { usualPrice } from '../drives/usualPrice'
import { planningPrices, unknownPrice } from './planningPrices'
import { cellKey, isBetter, isWorthShowing, fixesOf } from './rankFixes'

const plan = (changes: Partial<PlanInput> = {}) =>
  planSchema.parse({ ...tideMillHouse, ...changes })
const pricesOf = (driveClass: string) =>
  planningPrices(plan({ drives: { ...tideMillHouse.drives, driveClass } }), catalogue)

describe('planning prices', () => {
  it("count space as a drive of that size, of the plan's kind of drives", () => {
    for (const driveClass of catalogue.driveClasses)
      for (const extraTB of [0.3, 4, 9, 100])
        expect(pricesOf(driveClass.id).costOf({ price: 0, extraTB })).toBe(
          usualPrice(extraTB, driveClass, catalogue.driveModels),
        )
  })
  it(
    'take the usual kind of drive for one that the catalogue does not know, and nothing ' +
      'where it knows none',
    () => {
      const space = { price: 0, extraTB: 8 }
      expect(pricesOf('gone-1').costOf(space)).toBe(pricesOf('nas').costOf(space))
      expect(planningPrices(plan(), { driveClasses: [], driveModels: [] }).costOf(space)).toBe(0)
    },
  )
  it('take thirty for a job whose price nobody knows, unless it is space alone that is paid', () => {
    const { costOf } = pricesOf('nas')
    expect(unknownPrice).toBe(30)
    expect(costOf({ price: null, extraTB: 0 })).toBe(30)
    expect(costOf({ price: null, extraTB: 4 })).toBe(105)
    expect(costOf({ price: 0, extraTB: 0 })).toBe(0)
    expect(costOf({ price: 45, extraTB: 4 })).toBe(150)
  })
})

describe('of two fixes', () => {
  const fix = (removedShare: number, price: number) => ({ removedShare, price, extraTB: 0 })
  const costOf = ({ price }: { price: number | null }) => price ?? 0
  it('the one that removes more than a hundredth more is better, whatever it costs', () => {
    expect(isBetter(fix(0.5, 900), fix(0.489, 1), costOf)).toBe(true)
    expect(isBetter(fix(0.489, 1), fix(0.5, 900), costOf)).toBe(false)
  })
  it('of those that remove as much the cheaper one is', () => {
    expect(isBetter(fix(0.491, 1), fix(0.5, 900), costOf)).toBe(true)
    expect(isBetter(fix(0.5, 900), fix(0.491, 1), costOf)).toBe(false)
  })
  it('neither is shown that removes half a per cent or less', () => {
    expect(isWorthShowing({ removedShare: 0.005 })).toBe(false)
    expect(isWorthShowing({ removedShare: 0.0051 })).toBe(true)
  })
})

describe('fixes', () => {
  const fixes = fixesOf(plan(), catalogue)
  it(
    'stand with those first that remove most, one of each group, each with the state it ' +
      'leads to',
    () => {
      const shares = fixes.ranked.map(entry => entry.removedShare)
      expect(shares).toEqual([...shares].sort((a, b) => b - a))
      expect(new Set(fixes.ranked.map(entry => entry.group)).size).toBe(fixes.ranked.length)
      for (const { plan: changed, state } of fixes.ranked.slice(0, 6))
        expect(assess(changed, catalogue).verdicts[0]!.state).toBe(state)
    },
  )
  it('keep titles away from a device at no cost, and its habits go on with something else', () => {
    const fix = fixes.ranked.find(entry => entry.id.startsWith('not-offered-'))!
    expect(fix.price).toBe(0)
    const before = plan().library.holdings
    const changed = fix.plan.library.holdings.filter(
      (holding, at) => holding.notOfferedTo.length > before[at]!.notOfferedTo.length,
    )
    expect(changed.length).toBeGreaterThan(0)
    const device = changed[0]!.notOfferedTo.at(-1)!
    const { matrix } = assess(fix.plan, catalogue).domains.playback
    matrix.columns
      .filter(column => column.deviceId === device)
      .forEach(column => {
        for (const habit of column.habits) {
          const sessions = matrix.sessions[habit]!
          expect(sessions.reduce((sum, kind) => sum + kind.chance, 0)).toBeCloseTo(1, 9)
          for (const { row } of sessions)
            expect(matrix.rows[row]!.notOfferedTo).not.toContain(device)
        }
      })
  })
  it('of a cell leave titles out only where nothing else frees it', () => {
    const others = fixes.ranked.filter(entry => !entry.leavesOut)
    expect(others.length).toBeGreaterThan(0)
    const { matrix } = assess(plan(), catalogue).domains.playback
    for (const [key, fix] of fixes.cells) {
      const [row, column] = key.split(' ').map(Number)
      expect(cellKey(row!, column!)).toBe(key)
      const cell = matrix.cells[row!]![column!]!
      expect(['picture', 'cannot']).toContain(
        cell.plain.outcome === 'picture' || cell.plain.outcome === 'cannot'
          ? cell.plain.outcome
          : cell.subtitled!.outcome,
      )
      if (fix.leavesOut) expect(fix.removedShare).toBeGreaterThanOrEqual(0)
    }
  })
  it('are none where nothing has to be converted', () => {
    const easy = plan({
      library: { holdings: [{ titles: 5, quality: 'hd1080-h264', subtitles: 'none' }] },
      household: { ...tideMillHouse.household, habits: [] },
    })
    expect(fixesOf(easy, catalogue).ranked).toEqual([])
  })
  it('propose no device that is there already, and no cable where one lies', () => {
    for (const { id, plan: changed } of fixes.ranked.filter(entry =>
      entry.id.startsWith('replace-'),
    )) {
      const moved = changed.household.devices.filter(
        (device, at) => device.class !== plan().household.devices[at]!.class,
      )
      expect(moved, id).toHaveLength(1)
    }
    for (const { id } of fixes.ranked.filter(entry => entry.id.startsWith('cable-'))) {
      expect(plan().household.devices.find(device => `cable-${device.id}` === id)!.link).toMatch(
        /^wifi/,
      )
    }
  })
})

describe('limits of what is proposed', () => {
  const many = plan({
    household: {
      viewers: Array.from({ length: 12 }, (_, at) => ({ id: `v${at}` })),
      devices: Array.from({ length: 12 }, (_, at) => ({ id: `d${at}`, class: 'oldSetTop' })),
      habits: Array.from({ length: 12 }, (_, at) => ({
        viewer: `v${at}`,
        device: `d${at}`,
        earliest: 1140,
        latest: 1200,
        minutes: 60 + at,
        chance: 0.5,
      })),
    },
    library: {
      holdings: catalogue.qualities
        .slice(0, 14)
        .map(({ id }, at) => ({ quality: id, titles: 10 + at })),
    },
  })
  it('at most forty pairs of titles and device are kept apart, those with most hours', () => {
    const { matrix } = assess(many, catalogue).domains.playback
    const proposed = notOffer(many, matrix, catalogue)
    expect(proposed).toHaveLength(40)
    expect(proposed.every(({ leavesOut, price }) => leavesOut === true && price === 0)).toBe(true)
    expect(new Set(proposed.map(({ id }) => id)).size).toBe(40)
  })
  it('of the fixes the first four are tried as fixes', () => {
    const { ranked } = fixesOf(many, catalogue)
    expect(ranked.length).toBeGreaterThan(4)
    const fixes = conversionFixes(many, catalogue).map(({ id }) => id)
    expect(ranked.filter(({ id }) => fixes.includes(id)).map(({ id }) => id)).toEqual(
      ranked.slice(0, 4).map(({ id }) => id),
    )
  })
})
