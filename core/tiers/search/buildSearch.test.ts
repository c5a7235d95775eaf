import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assess, planAssessor } from '../../assess'
import { systemRefusals } from '../../machine/system/compareSystems'
import { judgeConditions } from '../conditions/conditions'
import { asSearched } from './asSearched'
import { catalogue as shipped, type Catalogue } from '../../catalogue/catalogue'
import { tideMillHouse } from '../../catalogue/tideMillHouse'
import { freshMachine } from '../../machine/freshMachine'
import { newPart } from '../../machine/partChanges'
import { freely } from '../../../tests/stubs/freely'
import { planSchema, type Plan, type PlanInput } from '../../plan/planSchema'
import { createBoxEvaluator } from '../boxEvaluator'
import { adoptPool } from '../builds'
import { createBuildSearch, finishSearch } from './buildSearch'
import { lacksOf, type BuildQuestion, type Objective } from './buildQuestion'
import { compareChanges, compareFound } from './ties'
import { hasMachine } from './frames'
import { poolOffers } from './poolOffers'
import { stateOfBuild } from '../../verdict'

const demo = planSchema.parse(freely(tideMillHouse))
const any: BuildQuestion = { objective: 'horizon', ways: null, cap: null }
const find = (plan: Plan, catalogue: Catalogue, question: BuildQuestion) =>
  finishSearch(createBuildSearch(plan, catalogue).search(question)).best

/** A few of the parts that are sold, so that every choice can be gone through. */
function fewOf(
  seed: {
    readonly boards: number[]
    readonly processors: number[]
    readonly supplies: number[]
    readonly cases: number[]
    readonly bases: number[]
    readonly models: number[]
  },
  { fans, systems }: { readonly fans: readonly string[]; readonly systems: readonly string[] },
): Catalogue {
  const pick = <Entry>(list: readonly Entry[], places: readonly number[]) => [
    ...new Set(places.map(place => list[place % list.length]!)),
  ]
  const kind = (id: string) =>
    shipped.hardware.filter(part => part.kind === id && part.comesWith === undefined)
  const boards = pick(
    kind('board').filter(part => part.kind === 'board' && part.form !== 'own'),
    seed.boards,
  )
  const sockets = new Set(
    boards.flatMap(part => (part.kind === 'board' ? (part.socket ?? []) : [])),
  )
  return {
    ...shipped,
    systemKinds: shipped.systemKinds.filter(({ id }) => systems.includes(id)),
    machineBases: pick(shipped.machineBases, seed.bases),
    processors: [
      ...pick(
        shipped.processors.filter(
          ({ socket, price }) => socket !== null && sockets.has(socket) && price > 0 && price < 500,
        ),
        seed.processors,
      ),
      ...shipped.processors.filter(({ socket }) => socket === null),
    ],
    memoryModules: shipped.memoryModules.filter(
      ({ memoryGB, ecc }) => (memoryGB === 8 || memoryGB === 16) && !ecc,
    ),
    videoEngines: shipped.videoEngines.filter(
      ({ kind: of, id }) => of !== 'card' || id === 'cardEntry',
    ),
    hardware: [
      ...boards,
      ...pick(kind('supply'), seed.supplies),
      ...pick(kind('case'), seed.cases),
      ...kind('cooler').filter(({ id }) => id === 'fern-boxed'),
      ...kind('ssd').filter(({ id }) => id === 'flint-120' || id === 'flint-500n'),
      ...kind('controller').filter(({ id }) => id === 'knot-5'),
      ...kind('enclosure').filter(({ id }) => id === 'trug-4'),
      ...kind('fan').filter(({ id }) => fans.includes(id)),
    ],
    driveModels: [
      ...pick(
        shipped.driveModels.filter(
          ({ recording, sizeTB }) => recording === 'conventional' && sizeTB >= 8,
        ),
        seed.models,
      ),
      // Copies are carried on it, where the draw leaves it in.
      ...shipped.driveModels.filter(({ id }) => id === 'rivulet-1' && seed.models[0]! % 4 > 0),
    ],
  }
}

/**
 * Every machine that there is in a small catalogue, by going through all of it, whether it goes
 * together or not.
 */
function* everyMachine(plan: Plan, catalogue: Catalogue) {
  const of = (kind: string) =>
    catalogue.hardware.filter(part => part.kind === kind).map(({ id }) => id)
  const memory = catalogue.memoryModules.flatMap(({ id }) =>
    [1, 2].map(count => Array.from({ length: count }, () => id)),
  )
  const boardOf = new Map(
    catalogue.hardware.flatMap(part =>
      part.kind === 'board' ? [[part.id, part.memory] as const] : [],
    ),
  )
  const stickOf = new Map(catalogue.memoryModules.map(stick => [stick.id, stick]))
  /** would fail whatever else there is; left out to save time */
  const wrongMemory = (board: string, [stick]: readonly string[]) =>
    boardOf.get(board)!.type !== stickOf.get(stick!)!.type ||
    boardOf.get(board)!.shape !== stickOf.get(stick!)!.shape
  const socketOf = new Map(
    catalogue.hardware.flatMap(part =>
      part.kind === 'board' ? [[part.id, part.socket] as const] : [],
    ),
  )
  const wrongSocket = (socket: string | null, [processor]: readonly string[]) =>
    processor === undefined
      ? false
      : catalogue.processors.find(({ id }) => id === processor)!.socket !== socket
  const orNot = (ids: readonly string[]) => [[], ...ids.map(id => [id])]
  const processors = orNot(
    catalogue.processors.filter(({ socket }) => socket !== null).map(({ id }) => id),
  )
  const cards = orNot(['cardEntry'])
  const port = (id: string) =>
    catalogue.hardware
      .flatMap(part => (part.kind === 'board' && part.id === id ? [...part.networkMbps] : []))
      .reduce((most, mbps) => Math.max(most, mbps), 0) || 100
  for (const board of of('board'))
    for (const processor of processors)
      for (const sticks of memory)
        for (const card of cards)
          for (const supply of of('supply'))
            for (const housing of of('case'))
              for (const cooler of orNot(of('cooler')))
                for (const boot of of('ssd'))
                  for (const controller of orNot(of('controller')))
                    for (const fan of orNot(of('fan'))) {
                      if (
                        wrongMemory(board, sticks) ||
                        wrongSocket(socketOf.get(board)!, processor) ||
                        (processor.length > 0 && cooler.length === 0)
                      )
                        continue
                      yield {
                        base: 'parts',
                        refs: [
                          board,
                          ...processor,
                          ...sticks,
                          ...card,
                          supply,
                          housing,
                          ...cooler,
                          boot,
                          ...controller,
                          ...fan,
                        ],
                        port: port(board),
                      }
                    }
  for (const base of catalogue.machineBases)
    for (const processor of processors)
      for (const sticks of [[], ...memory])
        for (const card of cards)
          for (const enclosure of orNot(of('enclosure')))
            for (const controller of orNot(of('controller')))
              for (const boot of base.systemDisk ? [[]] : orNot(of('ssd')))
                for (const fan of orNot(of('fan'))) {
                  if (
                    processor.length > 0 &&
                    ((base.processor !== null && base.class !== 'office') ||
                      wrongSocket(base.inside.board.socket, processor))
                  )
                    continue
                  if (
                    (boot.length === 0 && !base.systemDisk) ||
                    (sticks.length === 0 && base.memoryGB === 0)
                  )
                    continue
                  if (
                    sticks.length > 0 &&
                    (base.inside.board.memory.type !== stickOf.get(sticks[0]!)!.type ||
                      base.inside.board.memory.shape !== stickOf.get(sticks[0]!)!.shape)
                  )
                    continue
                  yield {
                    base: base.id,
                    refs: [
                      ...processor,
                      ...sticks,
                      ...card,
                      ...enclosure,
                      ...controller,
                      ...boot,
                      ...fan,
                    ],
                    port: base.portMbps,
                  }
                }
}

/** Whether a whole plan meets every condition that it asks for, by its assessment. */
function meetsConditions(plan: Plan, catalogue: Catalogue): boolean {
  const facts = planAssessor(1).facts(plan, catalogue, [
    'drives',
    'machine',
    'fitting',
    'streams',
    'library',
  ])
  return judgeConditions({ plan, catalogue, facts }).every(({ state }) => state !== 'fails')
}

/**
 * The cheapest of all of them with every set of drives under every kind of system, by the evaluator
 * that an assessment is held to; conditions by the assessment of the whole plan.
 */
function slowly(asked: Plan, catalogue: Catalogue, objective: Objective): number | null {
  const { plan } = asSearched(asked, catalogue)
  const pools = poolOffers(plan, catalogue, { roomTB: 0, survives: 0 })
  const evaluator = createBoxEvaluator(plan, catalogue, adoptPool(plan, pools[0]!.choice).drives)
  const rows = pools
    .map(({ key, choice }) => evaluator.pool({ key, drives: adoptPool(plan, choice).drives }))
    .filter(
      ({ space, survival }) =>
        ![space, survival].some(state => state === 'short' || state === 'impossible'),
    )
  let best: number | null = null
  for (const { base, refs, port } of everyMachine(plan, catalogue)) {
    const counts = [...new Set(refs)].map(ref => ({
      ...newPart(ref),
      count: refs.filter(other => other === ref).length,
    }))
    const machine = freshMachine(plan.machine, { base, parts: counts }, catalogue)
    const isAppliance = catalogue.machineBases.find(({ id }) => id === base)?.class === 'appliance'
    const systems =
      plan.system.kind !== 'byMachine' || isAppliance
        ? [plan.system.kind]
        : catalogue.systemKinds.filter(({ onlyOn }) => onlyOn === null).map(({ id }) => id)
    for (const copyOnWrite of [false, true]) {
      const priceOf = (row: { readonly price: number; readonly yearsCost: number }) =>
        objective === 'now' ? row.price : row.yearsCost
      const fitting = rows
        .filter(row => row.copyOnWrite === copyOnWrite)
        .sort((a, b) => priceOf(a) - priceOf(b))
      if (fitting.length === 0) continue
      for (const system of systems) {
        const box = evaluator.box(
          {
            key: `${base} ${refs.join(' ')} ${system}`,
            machine,
            system,
            serverPortMbps: port as Plan['network']['serverPortMbps'],
          },
          copyOnWrite,
        )
        if (box.streams === 'short' || box.streams === 'impossible') break
        for (const row of fitting) {
          // What is dearer before a watt is counted cannot be the cheapest.
          if (best !== null && priceOf(box) + priceOf(row) > best) break
          if (row.count > box.bays) continue
          const evaluation = evaluator.evaluate(box, row)
          const cost = objective === 'now' ? evaluation.toPay : evaluation.horizonCost
          if ((best !== null && cost >= best) || lacksOf(evaluation).length > 0) continue
          const whole = { ...box.adopted, drives: row.set.drives }
          const kind = box.machine.system!
          const isRefused = systemRefusals(kind, {
            context: planAssessor(1).facts(whole, catalogue, ['fitting']).fitting.context,
            wishes: plan.system,
            mixedSizes: false,
          } as never).some(({ code }) => code === 'layout' || code === 'arm' || code === 'onlyOn')
          if (!isRefused && meetsConditions(whole, catalogue)) best = cost
        }
      }
    }
  }
  return best
}

const places = (most: number, count: number) =>
  fc.array(fc.nat(most), { minLength: count, maxLength: count })
const seeds = fc.record({
  boards: places(30, 2),
  processors: places(40, 2),
  supplies: places(20, 2),
  cases: places(20, 2),
  bases: places(30, 2),
  models: places(20, 1),
})
const needs = fc.record({
  otherTB: fc.integer({ min: 1, max: 40 }),
  converted: fc.integer({ min: 0, max: 3 }),
  survives: fc.integer({ min: 0, max: 2 }),
  place: fc.constantFrom('cellar', 'study', 'cupboard'),
  objective: fc.constantFrom<Objective>('now', 'horizon'),
  years: fc.integer({ min: 1, max: 8 }),
})

const switches = fc.record({
  noUsbLayouts: fc.boolean(),
  quiet: fc.boolean(),
  coolDrives: fc.boolean(),
  fullRate: fc.boolean(),
  refurbishedMachines: fc.boolean(),
  refurbishedDrives: fc.boolean(),
  externalCaseDrives: fc.boolean(),
  systemApart: fc.boolean(),
  madeForConversion: fc.boolean(),
  limitsLoss: fc.boolean(),
  copyAway: fc.boolean(),
  spareBays: fc.constantFrom(0, 0, 2),
})

describe('a search for the cheapest build', () => {
  it.each([
    ['without conditions', 5, 7],
    ['with conditions, all of them or some', 4, 11],
  ] as const)(
    'finds what going through every choice finds, on small catalogues: %s',
    (how, numRuns, seedOfDraw) => {
      let found = 0
      fc.assert(
        fc.property(
          seeds,
          needs,
          switches,
          (seed, { otherTB, converted, survives, place, objective, years }, conditions) => {
            const isFree = how === 'without conditions'
            const catalogue = isFree
              ? fewOf(seed, { fans: [], systems: ['storage', 'maker'] })
              : fewOf(
                  { ...seed, supplies: seed.supplies.slice(1), cases: seed.cases.slice(1) },
                  { fans: ['sedge-120s'], systems: ['stick', 'storage', 'maker'] },
                )
            const input: PlanInput = {
              name: 'x',
              brief: { place, roomHighC: 24 },
              household: { watchingHome: converted, converted },
              library: {
                otherTB,
                holdings: [{ kind: 'photos', quality: 'photo', titles: 20_000 }],
              },
              choices: { school: 'atOnce', survivesAtLeast: survives, horizonYears: years },
            }
            const plan = planSchema.parse(
              isFree ? freely({ ...input, system: { kind: 'storage' } }) : { ...input, conditions },
            )
            const best = find(plan, catalogue, { objective, ways: null, cap: null })
            const slow = slowly(plan, catalogue, objective)
            if (slow === null) expect(best).toBe(null)
            else expect(best?.cost ?? null).toBeCloseTo(slow, 6)
            found += Number(slow !== null)
          },
        ),
        { numRuns, seed: seedOfDraw },
      )
      expect(found).toBeGreaterThan(1)
    },
    300_000,
  )
  it('ends with builds that meet the need, once applied, at the cost they say', () => {
    const search = createBuildSearch(demo, shipped)
    for (const objective of ['horizon'] as const)
      for (const ways of [null, ['appliance'], ['miniPc'], ['selfBuilt'], ['atHand']] as const) {
        const { best } = finishSearch(search.search({ objective, ways, cap: null }))
        const { plan, evaluation } = best!.found
        expect(planSchema.parse(plan)).toEqual(plan)
        const { verdicts, figures } = assess(
          { ...plan, brief: { ...plan.brief, budget: null } },
          shipped,
        )
        expect(
          verdicts.filter(verdict => ['short', 'impossible'].includes(stateOfBuild(verdict))),
        ).toEqual([])
        expect(figures['ownership.purchase']!.value).toBe(evaluation.toPay)
        expect(figures['machine.idleW']!.value).toBeCloseTo(evaluation.idleW, 9)
        // To the cent payment by payment, against a sum that is not rounded.
        const total = figures['ownership.horizonTotal']!.value!
        expect(Math.abs(total - evaluation.horizonCost)).toBeLessThan(
          0.02 * 12 * plan.choices.horizonYears,
        )
        if (ways) expect(best!.found.way).toBe(ways[0])
        // What the plan knows of parts and computers around it stays.
        expect(plan.machine.atHand).toEqual(demo.machine.atHand)
      }
  }, 120_000)
  it('never pays more than its cap, and says when there is nothing', () => {
    const search = createBuildSearch(demo, shipped)
    const cheapest = finishSearch(search.search({ ...any, ways: ['appliance'] })).best!
    const capped = finishSearch(
      search.search({ ...any, ways: ['appliance'], cap: cheapest.found.evaluation.toPay - 1 }),
    ).best
    if (capped) {
      expect(capped.found.evaluation.toPay).toBeLessThan(cheapest.found.evaluation.toPay)
      expect(capped.cost).toBeGreaterThanOrEqual(cheapest.cost)
    }
    expect(finishSearch(search.search({ ...any, cap: 0 })).best).toBe(null)
    expect(finishSearch(search.search({ ...any, roomAtLeastTB: 5000 })).best).toBe(null)
  }, 120_000)
  it('asks for more than the need where it is told to', () => {
    const search = createBuildSearch(demo, shipped)
    const base = finishSearch(search.search({ ...any, ways: ['miniPc'] })).best!
    const more = finishSearch(
      search.search({
        ...any,
        ways: ['miniPc'],
        possibleAtLeast: base.found.evaluation.possible + 1,
      }),
    ).best!
    expect(more.found.evaluation.possible).toBeGreaterThan(base.found.evaluation.possible)
    expect(more.cost).toBeGreaterThanOrEqual(base.cost)
    const roomier = finishSearch(
      search.search({ ...any, ways: ['miniPc'], roomAtLeastTB: base.found.evaluation.roomTB + 1 }),
    ).best!
    expect(roomier.found.evaluation.roomTB).toBeGreaterThan(base.found.evaluation.roomTB)
    const safer = finishSearch(
      search.search({
        ...any,
        ways: ['miniPc'],
        lossAtMost: base.found.evaluation.lossChanceAtHorizon / 2,
      }),
    ).best!
    expect(safer.found.evaluation.lossChanceAtHorizon).toBeLessThanOrEqual(
      base.found.evaluation.lossChanceAtHorizon / 2,
    )
  }, 120_000)
  it('counts what is owned at nothing, and only a machine that is there as one to build on', () => {
    const owner = planSchema.parse({
      name: 'x',
      library: { otherTB: 5 },
      machine: {
        base: 'parts',
        parts: ['postern-22', 'leat-22', 'memory-16', 'coffer-6', 'mole-450'].map(ref => ({
          ref,
          condition: 'owned' as const,
          purpose: 'spare' as const,
        })),
      },
      drives: { lots: [{ count: 2, sizeTB: 12, condition: 'owned' }] },
    })
    const { found } = find(owner, shipped, { ...any, objective: 'now', ways: ['selfBuilt'] })!
    expect(found.plan.drives.lots[0]).toMatchObject({ condition: 'owned' })
    expect([found.frame, ...found.refs]).toEqual(
      expect.arrayContaining(['postern-22', 'leat-22', 'memory-16', 'coffer-6', 'mole-450']),
    )
    expect(found.plan.machine.parts.find(({ ref }) => ref === 'memory-16')).toMatchObject({
      condition: 'owned',
      count: 1,
    })
    expect(found.evaluation.toPay).toBeLessThan(60)
    expect(hasMachine(planSchema.parse({ name: 'x' }))).toBe(false)
    expect(hasMachine(demo)).toBe(true)
  }, 120_000)
  it('is the same whatever was searched before, and ends ties by watts and names', () => {
    const question: BuildQuestion = { ...any, ways: ['office', 'miniPc'] }
    const search = createBuildSearch(demo, shipped)
    finishSearch(search.search({ ...question, objective: 'now' }))
    const after = finishSearch(search.search(question)).best!.found
    const alone = find(demo, shipped, question)!.found
    expect([after.frame, after.refs, after.pool.key]).toEqual([
      alone.frame,
      alone.refs,
      alone.pool.key,
    ])
    const at = (idleW: number, frame: string) => ({
      ...alone,
      frame,
      evaluation: { ...alone.evaluation, idleW },
    })
    expect(compareFound(at(10, 'b'), at(11, 'a'))).toBeLessThan(0)
    expect(compareFound(at(10, 'b'), at(10, 'a'))).toBeGreaterThan(0)
    expect(compareFound(alone, alone)).toBe(0)
  }, 120_000)
})

describe('ties of a change', () => {
  type Found = Parameters<typeof compareFound>[0]
  const found = (refs: string[], count: number, layout: string, idleW: number) =>
    ({
      refs,
      frame: 'own',
      pool: { choice: { count, layout }, key: `${count}` },
      evaluation: { idleW },
    }) as unknown as Found
  const first = (...entries: Found[]) => [...entries].sort(compareChanges('mirror'))[0]
  it(
    'go to what moves the fewest parts and drives, then to the layout that is there, then to ' +
      'watts',
    () => {
      const [many, few] = [found(['a', 'b'], 1, 'mirror', 10), found(['a'], 1, 'pairs', 30)]
      expect(first(many, few)).toBe(few)
      const [same, other] = [found(['a'], 1, 'mirror', 40), found(['b'], 1, 'pairs', 10)]
      expect(first(other, same)).toBe(same)
      const [thrifty, thirsty] = [found(['b'], 1, 'mirror', 10), found(['a'], 1, 'mirror', 11)]
      expect(first(thirsty, thrifty)).toBe(thrifty)
      // A drive counts like a part.
      expect(
        first(found(['a'], 2, 'mirror', 1), found(['a', 'b'], 0, 'mirror', 99))!.refs,
      ).toHaveLength(2)
    },
  )
})
