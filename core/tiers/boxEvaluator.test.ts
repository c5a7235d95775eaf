import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema, type Plan } from '../plan/planSchema'
import { seededRandom } from '../random'
import { createBoxEvaluator } from './boxEvaluator'
import { framesOf, machineOf } from './search/frames'

const demo = planSchema.parse(tideMillHouse)
/** Its machine was measured: it takes less and does more than its parts say. */
const measured: Plan = (() => {
  const { domains, figures } = assess(demo, catalogue)
  const { mark } = domains.machine
  const trial = { day: '2026-11-20', mark }
  return planSchema.parse({
    ...tideMillHouse,
    calibration: {
      trials: [
        { ...trial, id: 'a', figure: 'idleW', value: 0.85 * figures['machine.idleW']!.value! },
        { ...trial, id: 'b', figure: 'convertingW', value: 0.9 * figures['machine.loadW']!.value! },
        { ...trial, id: 'c', figure: 'software', value: 5, reads: 'atLeast' },
      ],
    },
  })
})()
const habitless: Plan = planSchema.parse({
  name: 'x',
  household: { watchingHome: 2, converted: 2 },
  library: { otherTB: 2 },
  drives: { lots: [{ count: 2 }], layout: 'mirror' },
})

/**
 * Machines of the search by lot: a processor, memory and a card, or none, on boards and prebuilt
 * machines.
 */
function* machinesOf(plan: Plan, count: number, seed: number) {
  const draw = seededRandom(seed)
  const frames = framesOf(plan, catalogue)
  for (let at = 0; at < count; at++) {
    const frame = frames[Math.floor(draw() * frames.length)]!
    const refs = frame.groups.flatMap(({ id, options }) =>
      id === 'processor' || id === 'memory' || id === 'card'
        ? (options[Math.floor(draw() * options.length)]?.refs ?? [])
        : [],
    )
    yield {
      key: `${frame.id} ${refs.join(' ')}`,
      machine: machineOf(frame, refs, { plan, catalogue }),
      serverPortMbps: frame.portMbps,
    }
  }
}

describe('a machine as a search sees it', () => {
  it.each([
    ['the demo', demo],
    ['a plan without habits', habitless],
    ['a machine that was measured', measured],
  ] as const)(
    'converts what an assessment says, whatever was looked at before: %s',
    (_, plan) => {
      const evaluator = createBoxEvaluator(plan, catalogue, plan.drives)
      for (const copyOnWrite of [false, true])
        for (const box of machinesOf(plan, 30, copyOnWrite ? 3 : 4)) {
          const row = evaluator.box(box, copyOnWrite)
          const {
            domains: { streams },
          } = assess(
            {
              ...plan,
              machine: box.machine,
              drives: { ...plan.drives, fileSystem: copyOnWrite ? 'copyOnWrite' : 'journalled' },
              network: { ...plan.network, serverPortMbps: box.serverPortMbps },
            },
            catalogue,
          )
          expect([row.streams, row.possible, row.needs.needed.needed], box.key).toEqual([
            streams.state,
            streams.possible?.likely ?? 0,
            streams.needed.needed,
          ])
          expect(row.needs.engineGB, box.key).toBeCloseTo(streams.engineGB, 9)
          expect(row.minutesShort, box.key).toBeCloseTo(streams.minutes?.perMonth.likely ?? 0, 9)
        }
    },
    120_000,
  )
  it('of one that was measured takes the watts that an assessment says', () => {
    const evaluator = createBoxEvaluator(measured, catalogue, measured.drives)
    const box = {
      key: 'own',
      machine: measured.machine,
      serverPortMbps: measured.network.serverPortMbps,
    }
    const pool = evaluator.pool({ key: 'own', drives: measured.drives })
    const found = evaluator.evaluate(evaluator.box(box, false), pool)
    const { figures } = assess(measured, catalogue)
    expect(found.idleW).toBeCloseTo(figures['machine.idleW']!.value!, 9)
    expect(found.loadW).toBeCloseTo(figures['machine.loadW']!.value!, 9)
    expect(found.kWhPerYear).toBeCloseTo(figures['ownership.kWhPerYear']!.value!, 6)
  })
  it("takes the memory of a built-in engine into account, and that of a card's machine not", () => {
    const evaluator = createBoxEvaluator(demo, catalogue, demo.drives)
    const rowOf = (base: string, memoryGB: number, parts: string[] = []) => {
      const { machine } = planSchema.parse({
        name: 'x',
        machine: { base, memoryGB, parts: parts.map(ref => ({ ref })) },
      })
      return evaluator.box(
        { key: `${base} ${memoryGB} ${parts.join()}`, machine, serverPortMbps: 1000 },
        false,
      )
    }
    expect(rowOf('wherry-4', 4).possible).toBeLessThan(rowOf('wherry-4', 16).possible)
    const [small, large] = [
      rowOf('clerk-17', 8, ['cardModern']),
      rowOf('clerk-17', 64, ['cardModern']),
    ]
    expect([small.possible, small.minutesShort]).toEqual([large.possible, large.minutesShort])
  })
})
