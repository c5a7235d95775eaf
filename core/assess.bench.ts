import { bench, describe } from 'vitest'
import { assess } from './assess'
import { catalogue } from './catalogue/catalogue'
import { tideMillHouse } from './catalogue/tideMillHouse'
import { planSchema } from './plan/planSchema'
import { compareWays } from './tiers/compareWays'

const demo = planSchema.parse(tideMillHouse)
const large = planSchema.parse({
  ...tideMillHouse,
  library: { ...tideMillHouse.library, holdings: Array.from({ length: 200 }, (_, index) => ({ quality: catalogue.qualities[index % catalogue.qualities.length]!.id as 'hd1080-h264', titles: 100 + index, addedPerMonth: 1 })) },
  drives: { ...tideMillHouse.drives, lots: [{ count: 60, sizeTB: 12 }], layout: 'mirror' },
})
const numbers = Array.from({ length: 100_000 }, (_, index) => (index * 7919) % 100_003)

describe('speed of the core', () => {
  bench('yardstick: sort 100 000 numbers', () => void [...numbers].sort((a, b) => a - b))
  bench('assess(plan), the demo household', () => void assess(demo, catalogue))
  bench('assess(plan), 200 holdings and 60 mirrored drives', () => void assess(large, catalogue))
  bench('six ways of building compared', () => void compareWays(demo, catalogue))
})
