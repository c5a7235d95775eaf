import { describe, expect, it } from 'vitest'
import { assess } from '../../assess'
import { catalogue } from '../../catalogue/catalogue'
import { planSchema, type PlanInput } from '../../plan/planSchema'

const figureOf = (id: string, input: Omit<PlanInput, 'name'>) => {
  const { low, value, high } = assess(planSchema.parse({ name: 'x', ...input }), catalogue).figures[
    id
  ]!
  return [low, value, high]
}

describe('the temperature of processor and board', () => {
  const heat = (
    machine: PlanInput['machine'],
    brief: PlanInput['brief'] = { roomHighC: 25, place: 'study' },
  ) => figureOf('machine.processorC', { machine, brief })
  it('is 65 °C without a fan in a room of 25, and 40 with one', () => {
    expect(heat({ base: 'pebble-23f' })).toEqual([55, 65, 75])
    expect(heat({ base: 'clerk-17' })).toEqual([35, 40, 50])
    expect(heat({ base: 'own', passivelyCooled: true })[1]).toBe(65)
  })
  it('rises with the room, and with the closed cupboard', () => {
    expect(heat({ base: 'clerk-17' }, { roomHighC: 35, place: 'study' })[1]).toBe(50)
    const open = heat({ base: 'clerk-17' })[1]!
    const shut = heat(
      { base: 'clerk-17' },
      { roomHighC: 25, place: 'cupboard', cupboardM2: 1.8, cupboardVented: false },
    )[1]!
    const vented = heat(
      { base: 'clerk-17' },
      { roomHighC: 25, place: 'cupboard', cupboardM2: 1.8, cupboardVented: true },
    )[1]!
    expect(shut - open).toBeGreaterThan(1)
    expect(vented - open).toBeCloseTo((shut - open) / 2, 9)
  })
})

describe('the time to start', () => {
  const minutes = (machine: PlanInput['machine'], count = 0) =>
    figureOf('machine.startMinutes', {
      machine,
      drives: { lots: count > 0 ? [{ count, sizeTB: 8 }] : [] },
    })
  it('is a plain start, with more for each controller and for a server board', () => {
    expect(minutes({ base: 'clerk-17' })).toEqual([0.7, 1.5, 3])
    expect(minutes({ base: 'clerk-17', parts: [{ ref: 'knot-2' }] })[1]).toBe(2)
    expect(minutes({ base: 'clerk-17', parts: [{ ref: 'knot-2', count: 2 }] })[1]).toBe(2.5)
    expect(minutes({ base: 'crane-14' })[1]).toBe(3.5)
    // On the shelf it looks for nothing.
    expect(minutes({ base: 'clerk-17', parts: [{ ref: 'knot-2', purpose: 'spare' }] })[1]).toBe(1.5)
  })
  it('waits for the last group of drives: a second, and eight for each', () => {
    expect(minutes({ base: 'lighter-8' }, 4)[1]).toBeCloseTo(1.5 + 9 / 60, 9)
    expect(minutes({ base: 'lighter-8', startTogether: 1 }, 4)[1]).toBeCloseTo(1.5 + 33 / 60, 9)
  })
})
