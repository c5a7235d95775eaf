import { bench, describe } from 'vitest'
import { assess } from './assess'
import { catalogue } from './catalogue/catalogue'
import { tideMillHouse } from './catalogue/tideMillHouse'
import { planSchema } from './plan/planSchema'
import { plainFormat } from './units/format'
import { remediesOf } from './tiers/rankRemedies'
import { compareWays } from './tiers/compareWays'

const demo = planSchema.parse(tideMillHouse)
const large = planSchema.parse({
  ...tideMillHouse,
  library: { ...tideMillHouse.library, holdings: Array.from({ length: 200 }, (_, index) => ({ quality: catalogue.qualities[index % catalogue.qualities.length]!.id as 'hd1080-h264', titles: 100 + index, addedPerMonth: 1 })) },
  drives: { ...tideMillHouse.drives, lots: [{ count: 60, sizeTB: 12 }], layout: 'mirror' },
})
const days = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const
const crowd = planSchema.parse({
  ...tideMillHouse,
  household: {
    viewers: Array.from({ length: 20 }, (_, at) => ({ id: `v${at}` })),
    devices: Array.from({ length: 10 }, (_, at) => ({ id: `d${at}`, class: ['stickHd', 'tv2020', 'browser', 'tablet', 'oldSetTop'][at % 5] })),
    habits: Array.from({ length: 40 }, (_, at) => ({
      viewer: `v${at % 20}`, device: `d${at % 10}`, days: days.filter((__, day) => (at + day) % 3 > 0), earliest: at * 61 % 1440, latest: (at * 61 + 90) % 1440, minutes: 60 + at, chance: 0.4,
    })),
  },
})
const numbers = Array.from({ length: 100_000 }, (_, index) => (index * 7919) % 100_003)

describe('speed of the core', () => {
  bench('yardstick: sort 100 000 numbers', () => void [...numbers].sort((a, b) => a - b))
  // A copy each time: what belongs to sections that are the very same would be remembered.
  bench('assess(plan), the demo household anew', () => void assess(structuredClone(demo), catalogue))
  bench('assess(plan), the demo household, one habit edited', () => void assess({ ...demo, household: { ...demo.household } }, catalogue))
  bench('assess(plan), the demo household, the price of power edited', () => void assess({ ...demo, costs: { ...demo.costs } }, catalogue))
  bench('assess(plan), 200 holdings and 60 mirrored drives anew', () => void assess(structuredClone(large), catalogue))
  bench('assess(plan), 40 habits of 20 viewers anew', () => void assess(structuredClone(crowd), catalogue))
  bench('remedies of the demo household', () => void remediesOf(demo, catalogue))
  bench('six ways of building compared', () => void compareWays(demo, catalogue, plainFormat))
})
