import { describe, expect, it } from 'vitest'
import { noConditions } from '../conditions/searchConditions'
import { createDriveLines } from './driveLines'
import { drivesBranches, offersByFrame, type DrivesBranchParts } from './drivesBranch'
import type { PoolOffer } from './poolOffers'
import { nothingChosen, type State } from './searchState'

/** A machine of 100 with four bays; drives for 10, 20 and 30 more, cheapest first. */
const offer = (cost: number, changes: Partial<PoolOffer> = {}) =>
  ({
    cost,
    count: 2,
    turning: 2,
    nvme: 0,
    choice: { model: `model-${cost}`, count: 2 },
    drives: { lots: [] },
    ...changes,
  }) as PoolOffer & { cost: number }
const offers = [offer(10), offer(20, { turning: 5, count: 5 }), offer(25, { nvme: 1 }), offer(30)]
const costOf = (pool: PoolOffer) => (pool as PoolOffer & { cost: number }).cost
const state = {
  ...nothingChosen,
  frame: { bays: 4, system: null, groups: [{ id: 'x', options: [] }] },
} as object
const parts = {
  pruning: {
    coreRow: () => ({ possible: 3 }),
    poolRowOf: (pool: PoolOffer) => pool,
    isInfeasible: () => false,
    isTooLoud: () => false,
    convertsTooLittle: () => false,
  },
  conditions: noConditions,
  needs: () => false,
  possibleAtLeast: 3,
  offersOf: offersByFrame(offers, noConditions.takesOption),
  poolCost: costOf,
  costsWith: () => ({ bare: 100, with: (pool: PoolOffer) => 100 + costOf(pool) }),
  isOverCap: () => false,
  isTooWarm: () => false,
  lacksDrives: () => false,
} as unknown as DrivesBranchParts
const found = (upTo: number, changes: object = {}) =>
  [
    ...drivesBranches(state as State, upTo, { ...parts, lines: createDriveLines(), ...changes }),
  ].map(({ bound }) => bound)

describe('the drives that a machine is tried with', () => {
  it('are all that its bays take and the limit allows, the limit itself too', () => {
    expect(found(Infinity)).toEqual([110, 125, 130])
    expect(found(130)).toEqual([110, 125, 130])
    expect(found(129)).toEqual([110, 125])
    expect(found(109)).toEqual([])
  })
  it('are given up by the first that costs too much, none dearer being looked at', () => {
    let asked = 0
    const poolCost = (pool: PoolOffer) => (asked++, costOf(pool))
    expect(found(115, { poolCost })).toEqual([110])
    expect(asked).toBe(3)
  })
  it('count a drive on an M.2 place for none in a bay', () => {
    const lines = createDriveLines()
    const counts = [...drivesBranches(state as State, Infinity, { ...parts, lines })].map(
      ({ state: { chosen } }) => chosen.count,
    )
    expect(counts).toEqual([2, 1, 2])
  })
  it('leave out what lacks drives or converts too little', () => {
    expect(found(Infinity, { lacksDrives: (pool: PoolOffer) => costOf(pool) === 25 })).toEqual([
      110, 130,
    ])
    expect(found(Infinity, { possibleAtLeast: 4 })).toEqual([])
    expect(found(Infinity, { isTooWarm: ({ pool }: State) => costOf(pool!) < 25 })).toEqual([
      125, 130,
    ])
    expect(found(Infinity, { isOverCap: ({ pool }: State) => costOf(pool!) > 20 })).toEqual([110])
  })
  it('are no more of a kind than do, unless what they share in a machine may make them too few', () => {
    const few = offer(40, { choice: { model: 'one', count: 2 } } as object)
    const many = offer(50, { choice: { model: 'one', count: 3 } } as object)
    const other = offer(60, { choice: { model: 'other', count: 3 } } as object)
    const tried = (changes: object = {}) =>
      found(Infinity, { offersOf: () => [few, many, other], ...changes })
    expect(tried()).toEqual([140, 160])
    expect(tried({ lacksDrives: (pool: PoolOffer) => pool === few })).toEqual([150, 160])
    const lines = createDriveLines()
    lines.fallsShort(few)
    expect(tried({ lines })).toEqual([140, 150, 160])
  })
})
