import { solve, type Constraint } from 'yalps'
import { describe, expect, it } from 'vitest'
import { seededRandom } from '../../random'
import { usualValues } from '../planningValues'
import { FairShares } from './fairShares'
import { LiveSession } from './liveSession'
import { ownLimit, type Route } from './world'

const sessionOf = (limit: number, needs: Readonly<Record<number, number>>) => {
  const route: Route = {
    engine: null,
    converts: true,
    units: [],
    holds: [],
    rungs: [
      {
        mbps: 1,
        lines: 1,
        limit,
        uses: Object.keys(needs).map(Number),
        needs: Object.values(needs),
      },
    ],
  }
  const plan = { viewer: 0, order: 0, start: 0, end: 9, seeks: [], never: null, routes: [route] }
  return new LiveSession(plan, route, usualValues)
}
function worked(limits: readonly (readonly [number, Record<number, number>])[], all: number[]) {
  const shares = new FairShares(all.length)
  shares.work(
    limits.map(([limit, needs]) => sessionOf(limit, needs)),
    Float64Array.from(all),
  )
  return {
    speeds: [...shares.speeds.subarray(0, limits.length)],
    binds: [...shares.binds.subarray(0, limits.length)],
    isOverloaded: shares.isOverloaded,
  }
}

describe('fair shares', () => {
  it('are the wanted speeds while everything fits', () => {
    expect(worked([[4, { 0: 1 }]], [10])).toEqual({
      speeds: [4],
      binds: [ownLimit],
      isOverloaded: false,
    })
  })
  it('of several resources name the first that binds', () => {
    const { speeds, binds } = worked(
      [
        [4, { 0: 1, 1: 1 }],
        [4, { 0: 1, 1: 1 }],
      ],
      [1, 1],
    )
    expect(speeds).toEqual([0.5, 0.5])
    expect(binds).toEqual([0, 0])
  })
  it('let those rise on whom nothing full keeps back', () => {
    const { speeds, isOverloaded } = worked(
      [
        [4, { 0: 1 }],
        [4, { 0: 1, 1: 4 }],
        [4, { 1: 4 }],
      ],
      [1.5, 5],
    )
    expect(speeds).toEqual([0.875, 0.625, 0.625])
    expect(isOverloaded).toBe(true)
  })
  it('give nothing of nothing', () => {
    expect(worked([[4, { 0: 1 }]], [0])).toMatchObject({ speeds: [0], binds: [0] })
  })
  it('are those of linear programmes: the largest least speed, fixed, and again', () => {
    const random = seededRandom(77)
    for (let round = 0; round < 200; round++) {
      const capacities = Array.from({ length: 1 + Math.floor(4 * random()) }, () => 3 * random())
      const sessions = Array.from(
        { length: 1 + Math.floor(7 * random()) },
        () =>
          [
            0.5 + 3 * random(),
            Object.fromEntries(
              capacities.flatMap((_, at) => (random() < 0.6 ? [[at, 0.1 + random()]] : [])),
            ) as Record<number, number>,
          ] as const,
      )
      const { speeds } = worked(sessions, capacities)
      byProgrammes(sessions, capacities).forEach((speed, at) =>
        expect(Math.abs(speeds[at]! - speed), `${round} ${at}`).toBeLessThan(1e-6),
      )
    }
  })
})

function byProgrammes(
  sessions: readonly (readonly [number, Readonly<Record<number, number>>])[],
  capacities: readonly number[],
): number[] {
  const fixed = new Map<number, number>()
  const most = (goal: 'least' | number, least: number) => {
    const constraints = new Map<string, Constraint>(
      capacities.map((capacity, at) => [`r${at}`, { max: capacity }]),
    )
    const variables = new Map<string, Map<string, number>>()
    variables.set('least', new Map(goal === 'least' ? [['goal', 1]] : []))
    sessions.forEach(([limit, needs], at) => {
      const column = new Map(Object.entries(needs).map(([r, need]) => [`r${r}`, need]))
      column.set(`limit${at}`, 1)
      const known = fixed.get(at)
      constraints.set(
        `limit${at}`,
        known === undefined
          ? { min: goal === 'least' ? 0 : Math.max(0, least - 1e-9), max: limit }
          : { min: Math.max(0, known - 1e-9), max: known },
      )
      if (known === undefined && goal === 'least') {
        constraints.set(`above${at}`, { min: 0 })
        column.set(`above${at}`, 1)
        variables.get('least')!.set(`above${at}`, -1)
      }
      if (goal === at) column.set('goal', 1)
      variables.set(`s${at}`, column)
    })
    return solve(
      { direction: 'maximize', objective: 'goal', constraints, variables },
      { precision: 1e-12 },
    ).result
  }
  while (fixed.size < sessions.length) {
    const least = most('least', 0)
    const open = sessions.map((_, at) => at).filter(at => !fixed.has(at))
    const stuck = open.filter(at => most(at, least) <= least + 1e-7)
    for (const at of stuck) fixed.set(at, least)
    if (stuck.length === 0) throw new Error('nobody is stuck')
  }
  return sessions.map((_, at) => fixed.get(at)!)
}
