import { planAssessor } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import { fitState } from '../machine/fitState'
import { powerStates, supplyEfficiency } from '../machine/machinePower'
import { kWhPerYear } from '../ownership/kWhPerYear'
import { moneyState, purchaseSum } from '../ownership/ownershipFacts'
import type { Plan } from '../plan/planSchema'
import { meetsNeed, type VerdictState } from '../verdict'
import { adoptBuild, type ConverterChoice, type PoolChoice } from './builds'

/** The axes of a search; a build is one entry of each. */
export interface Axes {
  /** ids of bases; null is the plan's own machine */
  readonly bases: readonly (string | null)[]
  readonly converters: readonly ConverterChoice[]
  readonly pools: readonly PoolChoice[]
}

/** What one build comes to, likely values only. */
export interface Evaluation {
  readonly toPay: number
  readonly idleW: number
  readonly loadW: number
  readonly kWhPerYear: number
  readonly electricityPerYear: number
  readonly freeBays: number
  /** whole conversions at once; 0 while nothing can be done */
  readonly possible: number
  readonly minutesShort: number
  readonly roomTB: number
  readonly lossChanceAtHorizon: number
  readonly streams: VerdictState
  readonly space: VerdictState
  readonly survival: VerdictState
  readonly home: VerdictState
  readonly away: VerdictState
  readonly fit: VerdictState
  readonly money: VerdictState
  readonly meets: boolean
}

/** A base with a converter in it. */
interface BoxRow {
  readonly price: number
  readonly priceMissing: boolean
  readonly bays: number
  /** watts at the wall without drives; below nothing where a thrifty processor takes the place of another */
  readonly idleW: number
  readonly loadW: number
  readonly streams: VerdictState
  readonly possible: number
  readonly minutesShort: number
  readonly home: VerdictState
  readonly away: VerdictState
}

/** Drives under a layout. */
interface PoolRow {
  readonly count: number
  readonly price: number
  /** what they add at the wall */
  readonly idleW: number
  readonly activeW: number
  readonly roomTB: number
  readonly lossChanceAtHorizon: number
  readonly space: VerdictState
  readonly survival: VerdictState
}

export interface Evaluator {
  /** what the build of these entries of the axes comes to */
  readonly evaluate: (base: number, converter: number, pool: number) => Evaluation
  /** works out every row of the tables that are not there yet; how many there are */
  readonly fill: () => number
}

/**
 * Evaluates builds for a plan's need: tables along the axes, made once from the very facts that an assessment stands on, and
 * sums where the axes meet (money, watts, bays). In the loop there is no plan, no text and no figure.
 * A test holds it to `assess(adoptBuild(plan, build))`.
 */
export function createEvaluator(plan: Plan, catalogue: Catalogue, axes: Axes): Evaluator {
  const assessor = planAssessor(4)
  const { choices: { convertingHoursPerDay }, costs: { extras, pricePerKWh }, brief: { budget } } = plan
  const boxes: (BoxRow | undefined)[] = []
  const pools: (PoolRow | undefined)[] = []
  const noDrives = { low: 0, likely: 0, high: 0 }
  const verdictOf = (of: Plan, id: string) => assessor.assess(of, catalogue).verdicts.find(verdict => verdict.id === id)!.state
  /** the drives of the first pool stand in while a box is looked at: nothing of it follows from them */
  const firstPool = axes.pools[0]!

  function boxRow(base: number, converter: number): BoxRow {
    const adopted = adoptBuild(plan, { base: axes.bases[base]!, converter: axes.converters[converter]!, pool: firstPool }, catalogue)
    const { machine, streams } = assessor.facts(adopted, catalogue, ['machine', 'streams'])
    const { baseIdleW, baseLoadW, partsIdleW, partsLoadW } = machine.power
    return {
      price: machine.prices.reduce((sum, line) => sum + (line.toPay ?? 0), 0), priceMissing: machine.prices.some(line => line.toPay === null),
      bays: machine.build.bays, idleW: baseIdleW + partsIdleW / supplyEfficiency, loadW: baseLoadW + partsLoadW / supplyEfficiency,
      streams: streams.state, possible: streams.possible?.likely ?? 0, minutesShort: streams.minutes?.perMonth.likely ?? 0,
      home: verdictOf(adopted, 'home'), away: verdictOf(adopted, 'away'),
    }
  }
  function poolRow(pool: number): PoolRow {
    const adopted = adoptBuild(plan, { base: axes.bases[0]!, converter: axes.converters[0]!, pool: axes.pools[pool]! }, catalogue)
    const { drives, machine, ownership } = assessor.facts(adopted, catalogue, ['drives', 'machine', 'ownership'])
    const [idle, converting] = powerStates(machine.power, { idleW: noDrives, activeW: noDrives }, convertingHoursPerDay)
    return {
      count: drives.count, price: ownership.drivesToPay,
      idleW: machine.states[0].watts.likely - idle.watts.likely, activeW: machine.states[1].watts.likely - converting.watts.likely,
      roomTB: drives.pool?.roomTB ?? 0, lossChanceAtHorizon: drives.pool?.lossChanceAtHorizon.likely ?? 1,
      space: verdictOf(adopted, 'space'), survival: verdictOf(adopted, 'survival'),
    }
  }
  const boxAt = (base: number, converter: number): BoxRow => boxes[base * axes.converters.length + converter] ??= boxRow(base, converter)
  const poolAt = (pool: number): PoolRow => pools[pool] ??= poolRow(pool)

  return {
    evaluate(base, converter, pool) {
      const box = boxAt(base, converter)
      const drives = poolAt(pool)
      const toPay = purchaseSum(box.price, drives.price, extras)
      const idleW = Math.max(0, box.idleW + drives.idleW)
      const loadW = Math.max(idleW, box.loadW + drives.activeW)
      const kWh = kWhPerYear([{ hoursPerDay: 24 - convertingHoursPerDay, watts: idleW }, { hoursPerDay: convertingHoursPerDay, watts: loadW }])
      const freeBays = box.bays - drives.count
      const fit = fitState(drives.count, freeBays)
      const money = moneyState(toPay, budget, box.priceMissing)
      const { streams, home, away, possible, minutesShort } = box
      const { space, survival, roomTB, lossChanceAtHorizon } = drives
      return {
        toPay, idleW, loadW, kWhPerYear: kWh, electricityPerYear: kWh * pricePerKWh, freeBays, possible, minutesShort, roomTB, lossChanceAtHorizon, streams, space, survival, home, away, fit, money,
        meets: meetsNeed(streams) && meetsNeed(space) && meetsNeed(survival) && meetsNeed(home) && meetsNeed(away) && meetsNeed(fit) && (meetsNeed(money) || (money === 'unknown' && budget === null)),
      }
    },
    fill() {
      for (let base = 0; base < axes.bases.length; base++) for (let converter = 0; converter < axes.converters.length; converter++) boxAt(base, converter)
      for (let pool = 0; pool < axes.pools.length; pool++) poolAt(pool)
      return boxes.length + pools.length
    },
  }
}
