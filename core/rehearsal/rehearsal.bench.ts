import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { rehearsalOf } from '../tiers/rehearse'
import { EveningRun } from './evening/eveningRun'
import { usualValues } from './planningValues'
import { asUsual } from './whatIf/whatIf'

const demo = planSchema.parse(tideMillHouse)
const days = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const
const crowd = planSchema.parse({
  ...demo,
  household: {
    ...demo.household,
    viewers: Array.from({ length: 40 }, (_, at) => ({ id: `v${at}` })),
    habits: Array.from({ length: 40 }, (_, at) => ({
      ...demo.household.habits[at % 7]!,
      viewer: `v${at}`,
      days: [...days],
      earliest: 1140,
      latest: 1260,
      minutes: 120,
      chance: 1,
      onBusyDays: false,
    })),
  },
} as PlanInput)

/** A binary heap of 1,024 times, whose first is replaced over and over: nanoseconds a turn. */
function heapTurns(turns: number): () => void {
  const size = 1024
  const keys = Float64Array.from({ length: size }, (_, at) => at / size)
  const ids = Int32Array.from({ length: size }, (_, at) => at)
  let state = 1
  const random = () => (state = (state * 16_807) % 2_147_483_647) / 2_147_483_647
  return () => {
    for (let turn = 0; turn < turns; turn++) {
      const key = keys[0]! + random()
      const id = ids[0]!
      let at = 0
      for (let child = 1; child < size; child = 2 * at + 1) {
        if (child + 1 < size && keys[child + 1]! < keys[child]!) child++
        if (keys[child]! >= key) break
        keys[at] = keys[child]!
        ids[at] = ids[child]!
        at = child
      }
      keys[at] = key
      ids[at] = id
    }
  }
}

function evenings(plan: typeof demo, count: number) {
  const { rehearsal } = rehearsalOf(plan, catalogue, {
    seed: 'bench',
    values: usualValues,
    whatIf: asUsual,
  })
  const drawn = Array.from({ length: count }, (_, number) => rehearsal!.evening(number))
  let events = 0
  for (const evening of drawn)
    new EveningRun(evening, usualValues, { event: () => events++ }).play()
  return { rehearsal: rehearsal!, drawn, events }
}
const own = evenings(demo, 200)
const many = evenings(crowd, 10)
const play = ({ drawn }: typeof own) => {
  for (const evening of drawn) new EveningRun(evening, usualValues).play()
}

/** Cases in the form that the bench script times; the first one is the yardstick. */
export const cases = [
  { name: '100,000 turns of a heap of 1,024', run: heapTurns(100_000), per: 100_000 },
  { name: 'events of 200 demo evenings', run: () => play(own), per: own.events },
  { name: 'events of 10 evenings of 40 viewers', run: () => play(many), per: many.events },
  {
    name: '200 demo evenings, drawn and played',
    run: () => {
      for (let number = 0; number < 200; number++) own.rehearsal.play(own.rehearsal.evening(number))
    },
    per: 200,
  },
]
