import { planAssessor } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import type { DrivesFacts } from '../drives/drivesFacts'
import { fitContext, judgeFit, stateOfFit } from '../machine/fit/fitFacts'
import { fitSlice, type FitNeeds } from '../machine/fitting'
import type { MachineFacts } from '../machine/machineFacts'
import { powerStates } from '../machine/machinePower'
import { wallW } from '../machine/power/supplyCurve'
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
  readonly machine: MachineFacts
  readonly needs: FitNeeds['streams']
  /** the plan with this box */
  readonly adopted: Plan
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
  readonly drives: DrivesFacts
  readonly copyOnWrite: boolean
  /** pools of one key are alike as far as fit goes */
  readonly fitKey: number
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
  const fits = new Map<string, VerdictState>()
  const fitKeys = new Map<string, number>()
  const verdictOf = (of: Plan, id: string) => assessor.assess(of, catalogue).verdicts.find(verdict => verdict.id === id)!.state
  /** the drives of the first pool stand in while a box is looked at: nothing of it follows from them but the memory that the file system takes */
  const firstPool = axes.pools[0]!

  function boxRow(base: number, converter: number, copyOnWrite: boolean): BoxRow {
    const adopted = adoptBuild(plan, { base: axes.bases[base]!, converter: axes.converters[converter]!, pool: { ...firstPool, fileSystem: copyOnWrite ? 'copyOnWrite' : 'journalled' } }, catalogue)
    const { machine, streams } = assessor.facts(adopted, catalogue, ['machine', 'streams'])
    return {
      price: machine.prices.reduce((sum, line) => sum + (line.toPay ?? 0), 0), priceMissing: machine.prices.some(line => line.toPay === null),
      bays: machine.build.bays, machine, adopted, needs: { needed: { needed: streams.needed.needed }, engineGB: streams.engineGB },
      streams: streams.state, possible: streams.possible?.likely ?? 0, minutesShort: streams.minutes?.perMonth.likely ?? 0,
      home: verdictOf(adopted, 'home'), away: verdictOf(adopted, 'away'),
    }
  }
  function poolRow(pool: number): PoolRow {
    const adopted = adoptBuild(plan, { base: axes.bases[0]!, converter: axes.converters[0]!, pool: axes.pools[pool]! }, catalogue)
    const { drives, ownership } = assessor.facts(adopted, catalogue, ['drives', 'ownership'])
    const copyOnWrite = adopted.drives.fileSystem === 'copyOnWrite'
    const key = [copyOnWrite, drives.count, drives.spinning, drives.fast, drives.nvme, drives.idleW.likely, drives.activeW.likely, drives.pool?.parity, drives.rawTB > 0].join(' ')
    if (!fitKeys.has(key)) fitKeys.set(key, fitKeys.size)
    return {
      count: drives.count, price: ownership.drivesToPay, drives, copyOnWrite, fitKey: fitKeys.get(key)!,
      roomTB: drives.pool?.roomTB ?? 0, lossChanceAtHorizon: drives.pool?.lossChanceAtHorizon.likely ?? 1,
      space: verdictOf(adopted, 'space'), survival: verdictOf(adopted, 'survival'),
    }
  }
  const boxAt = (base: number, converter: number, copyOnWrite: boolean): BoxRow => boxes[2 * (base * axes.converters.length + converter) + Number(copyOnWrite)] ??= boxRow(base, converter, copyOnWrite)
  const poolAt = (pool: number): PoolRow => pools[pool] ??= poolRow(pool)
  /** Whether a box and a pool go together: by the same rules as an assessment, once for pools that are alike. */
  function fitAt(boxKey: number, box: BoxRow, pool: PoolRow): VerdictState {
    const key = `${boxKey} ${pool.fitKey}`
    let state = fits.get(key)
    if (state === undefined) {
      const states = powerStates(box.machine.power, pool.drives, convertingHoursPerDay)
      const context = fitContext(fitSlice(box.adopted, { machine: { ...box.machine, states, freeBays: box.bays - pool.count }, drives: pool.drives, streams: box.needs }))
      state = stateOfFit(judgeFit(context), context)
      fits.set(key, state)
    }
    return state
  }

  return {
    evaluate(base, converter, pool) {
      const drives = poolAt(pool)
      const box = boxAt(base, converter, drives.copyOnWrite)
      const toPay = purchaseSum(box.price, drives.price, extras)
      const { idleDcW, loadDcW, losses } = box.machine.power
      const idleW = wallW(Math.max(0, idleDcW + drives.drives.idleW.likely), losses)
      const loadW = Math.max(idleW, wallW(Math.max(0, loadDcW + drives.drives.activeW.likely), losses))
      const kWh = kWhPerYear([{ hoursPerDay: 24 - convertingHoursPerDay, watts: idleW }, { hoursPerDay: convertingHoursPerDay, watts: loadW }])
      const freeBays = box.bays - drives.count
      const fit = fitAt(2 * (base * axes.converters.length + converter) + Number(drives.copyOnWrite), box, drives)
      const money = moneyState(toPay, budget, box.priceMissing)
      const { streams, home, away, possible, minutesShort } = box
      const { space, survival, roomTB, lossChanceAtHorizon } = drives
      return {
        toPay, idleW, loadW, kWhPerYear: kWh, electricityPerYear: kWh * pricePerKWh, freeBays, possible, minutesShort, roomTB, lossChanceAtHorizon, streams, space, survival, home, away, fit, money,
        meets: meetsNeed(streams) && meetsNeed(space) && meetsNeed(survival) && meetsNeed(home) && meetsNeed(away) && meetsNeed(fit) && (meetsNeed(money) || (money === 'unknown' && budget === null)),
      }
    },
    fill() {
      const ways = new Set(axes.pools.map(({ fileSystem }) => fileSystem === 'copyOnWrite'))
      for (let base = 0; base < axes.bases.length; base++) for (let converter = 0; converter < axes.converters.length; converter++) for (const way of ways) boxAt(base, converter, way)
      for (let pool = 0; pool < axes.pools.length; pool++) poolAt(pool)
      return boxes.filter(Boolean).length + pools.length
    },
  }
}
