import { assess, planAssessor } from './assess'
import { catalogue } from './catalogue/catalogue'
import { tideMillHouse } from './catalogue/tideMillHouse'
import { planSchema, type Plan } from './plan/planSchema'
import { plainFormat } from './units/format'
import { fixesOf } from './tiers/rankFixes'
import { compareWays } from './tiers/compareWays'
import { createEvaluator, type Axes } from '../tests/stubs/axesEvaluator'

const demo = planSchema.parse(tideMillHouse)
const large = planSchema.parse({
  ...tideMillHouse,
  library: {
    ...tideMillHouse.library,
    holdings: Array.from({ length: 200 }, (_, index) => ({
      quality: catalogue.qualities[index % catalogue.qualities.length]!.id as 'hd1080-h264',
      titles: 100 + index,
      addedPerMonth: 1,
    })),
  },
  drives: { ...tideMillHouse.drives, lots: [{ count: 60, sizeTB: 12 }], layout: 'mirror' },
})
const days = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const
const crowd = planSchema.parse({
  ...tideMillHouse,
  household: {
    viewers: Array.from({ length: 20 }, (_, at) => ({ id: `v${at}` })),
    devices: Array.from({ length: 10 }, (_, at) => ({
      id: `d${at}`,
      class: ['stickHd', 'tv2020', 'browser', 'tablet', 'oldSetTop'][at % 5],
    })),
    habits: Array.from({ length: 40 }, (_, at) => ({
      viewer: `v${at % 20}`,
      device: `d${at % 10}`,
      days: days.filter((__, day) => (at + day) % 3 > 0),
      earliest: (at * 61) % 1440,
      latest: (at * 61 + 90) % 1440,
      minutes: 60 + at,
      chance: 0.4,
    })),
  },
})
/** One change in each section, to and fro, so that no run finds what the one before worked out. */
const edits: Readonly<Record<string, readonly [Plan, Plan]>> = {
  'a habit of the household': pair(at => ({
    ...demo,
    household: {
      ...demo.household,
      habits: demo.household.habits.map((habit, index) =>
        index ? habit : { ...habit, chance: 0.4 + at / 10 },
      ),
    },
  })),
  'a holding of the library': pair(at => ({
    ...demo,
    library: {
      ...demo.library,
      holdings: demo.library.holdings.map((holding, index) =>
        index ? holding : { ...holding, titles: 900 + at },
      ),
    },
  })),
  'the score of the machine': pair(at => ({
    ...demo,
    machine: { ...demo.machine, score: 9000 + at },
  })),
  'the size of the drives': pair(at => ({
    ...demo,
    drives: { ...demo.drives, lots: demo.drives.lots.map(lot => ({ ...lot, sizeTB: 8 + at })) },
  })),
  'the upload of the network': pair(at => ({
    ...demo,
    network: { ...demo.network, uploadMbps: 40 + at },
  })),
  'the price of power in the costs': pair(at => ({
    ...demo,
    costs: { ...demo.costs, pricePerKWh: 0.3 + at / 10 },
  })),
  'the accepted minutes of the choices': pair(at => ({
    ...demo,
    choices: { ...demo.choices, acceptedMinutesShortPerMonth: 60 + at },
  })),
  'the budget of the brief': pair(at => ({ ...demo, brief: { ...demo.brief, budget: 900 + at } })),
}
function pair(make: (at: number) => Plan): readonly [Plan, Plan] {
  return [make(0), make(1)]
}

const axes: Axes = {
  bases: catalogue.machineBases.map(base => base.id),
  converters: catalogue.processors.flatMap(({ id: processor }) =>
    [null, 'cardEntry'].map(card => ({ processor, card, memory: null })),
  ),
  pools: [4, 8, 12, 16, 20].flatMap(sizeTB =>
    [2, 4, 6].flatMap(count =>
      ['mirror', 'rotating-1', 'rotating-2'].map(layout => ({
        driveClass: 'nas',
        sizeTB,
        count,
        layout,
        fileSystem: 'copyOnWrite' as const,
      })),
    ),
  ),
}
const evaluator = createEvaluator(demo, catalogue, axes)
evaluator.fill()
let build = 0

function assessAfter([one, other]: readonly [Plan, Plan]): () => void {
  const assessor = planAssessor(1)
  let run = 0
  assessor.assess(demo, catalogue)
  return () => void assessor.assess(run++ % 2 ? one : other, catalogue)
}

/** What `npm run bench` times, the yardstick first. */
export const cases: readonly { readonly name: string; readonly run: () => void }[] = [
  {
    name: 'yardstick: structuredClone(plan) of the demo household',
    run: () => void structuredClone(demo),
  },
  { name: 'assess(plan), the demo household anew', run: () => void assess(demo, catalogue) },
  ...Object.entries(edits).map(([what, plans]) => ({
    name: `assess after an edit: ${what}`,
    run: assessAfter(plans),
  })),
  {
    name: 'assess(plan), 200 holdings and 60 mirrored drives anew',
    run: () => void assess(large, catalogue),
  },
  { name: 'assess(plan), 40 habits of 20 viewers anew', run: () => void assess(crowd, catalogue) },
  { name: 'fixes of the demo household', run: () => void fixesOf(demo, catalogue) },
  {
    name: 'six ways of building compared',
    run: () => void compareWays(demo, catalogue, plainFormat),
  },
  {
    name: '1000 builds by the evaluator',
    run: () => {
      for (let at = 0; at < 1000; at++) {
        build = (build + 7919) % (axes.bases.length * axes.converters.length * axes.pools.length)
        evaluator.evaluate(
          build % axes.bases.length,
          Math.floor(build / axes.bases.length) % axes.converters.length,
          Math.floor(build / axes.bases.length / axes.converters.length),
        )
      }
    },
  },
]
