import { planAssessor } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import { judgeFit, stateOfFit } from '../machine/fit/fitFacts'
import { driveBays } from '../machine/assembly/driveBays'
import { fitContext } from '../machine/fit/assembleContext'
import { fitSlice } from '../machine/fitting'
import { powerStates, wattsOff } from '../machine/machinePower'
import { dayHours } from '../machine/power/dayHours'
import { licenceOnce, pluggedIn } from '../machine/system/licence'
import { wallW } from '../machine/power/supplyCurve'
import { kWhPerYear } from '../ownership/kWhPerYear'
import { moneyState, purchaseSum } from '../ownership/ownershipFacts'
import { effectiveCatalogue } from '../plan/effectiveCatalogue'
import type { Plan } from '../plan/planSchema'
import { meetsNeed, type VerdictState } from '../verdict'
import { createBoxRows } from './boxRows'
import { buildMoney, type BuildMoney } from './buildMoney'
import type { BoxEvaluator, BoxRow, Evaluation, PoolRow } from './buildRows'
import { onceByKey } from './onceByKey'
import { createPoolRows } from './poolRows'

/**
 * Evaluates machines and drives for a plan's need: a row for each, made once from the very facts
 * that an assessment stands on, and
 * sums where they meet (money, watts, bays, the years). In the loop there is no text and no figure.
 * A test holds it to `assess` of the adopted plan.
 * @param usual drives that stand in while a machine is looked at: nothing of it follows from them
 *   but the memory that the file system takes
 */
export function createBoxEvaluator(
  plan: Plan,
  shipped: Catalogue,
  usual: Plan['drives'],
): BoxEvaluator {
  const money = buildMoney(plan)
  const sources = {
    plan,
    shipped,
    catalogue: effectiveCatalogue(plan, shipped),
    assessor: planAssessor(4),
    money,
  }
  const boxes = createBoxRows(sources, usual)
  const pools = createPoolRows(sources)
  const fits = onceByKey<VerdictState>()
  const contextOf = (box: BoxRow, pool: PoolRow) => fitContextOf(box, pool, plan)
  const fit = (box: BoxRow, pool: PoolRow) =>
    fits.get(`${box.id} ${pool.fitKey}`, () => {
      const context = contextOf(box, pool)
      return stateOfFit(judgeFit(context), context)
    })
  return {
    box: boxes.row,
    pool: pools.row,
    fit,
    wattCost: money.wattCost,
    keptShare: money.keptShare,
    hardware: (box, copyOnWrite) => boxes.machine(box, copyOnWrite).hardware,
    failing: (box, pool, rules) =>
      judgeFit(contextOf(box, pool), rules).flatMap(({ rule, judgement }) =>
        judgement.state === 'fail' ? [rule.id] : [],
      ),
    evaluate: (box, pool) => evaluation(box, pool, { plan, money, fit: fit(box, pool) }),
    counts: () => ({ boxes: boxes.count(), pools: pools.count() }),
  }
}

function fitContextOf(box: BoxRow, { drives }: PoolRow, { choices }: Plan) {
  return fitContext(
    fitSlice(box.adopted, {
      machine: {
        ...box.machine,
        states: powerStates(box.machine.power, drives, dayHours(choices)),
        freeBays: driveBays(box.machine.build, drives).free,
      },
      drives,
      streams: box.needs,
    }),
  )
}

/** A machine and drives together. */
function evaluation(
  box: BoxRow,
  pool: PoolRow,
  {
    plan,
    money: { years, wattCost },
    fit,
  }: { readonly plan: Plan; readonly money: BuildMoney; readonly fit: VerdictState },
): Evaluation {
  const hours = dayHours(plan.choices)
  const { budget } = plan.brief
  const toPay = purchaseSum(box.price, pool.price, plan.costs.extras)
  const { idleDcW, loadDcW, losses } = box.machine.power
  const idleW = wallW(Math.max(0, idleDcW + pool.drives.idleW.likely), losses)
  const loadW = Math.max(idleW, wallW(Math.max(0, loadDcW + pool.drives.activeW.likely), losses))
  const meanW =
    (idleW * hours.idle +
      loadW * hours.converting +
      wattsOff(hours).likely * hours.off +
      (hours.asleep > 0
        ? hours.asleep * wallW(Math.max(0, idleDcW + pool.drives.asleepW.likely), losses)
        : 0)) /
    24
  const kWh = kWhPerYear([{ hoursPerDay: 24, watts: meanW }])
  const money = moneyState(toPay, budget, box.priceMissing)
  const { streams, home, away, possible, minutesShort } = box
  const { space, survival, roomTB, lossChanceAtHorizon } = pool
  return {
    toPay,
    horizonCost:
      box.yearsCost +
      pool.yearsCost +
      licenceOnce(box.machine.system, pluggedIn(box.machine.build, pool.count)) +
      meanW * wattCost,
    idleW,
    loadW,
    kWhPerYear: kWh,
    electricityPerYear: kWh * years.pricePerKWh,
    freeBays: driveBays(box.machine.build, pool.drives).free,
    possible,
    minutesShort,
    roomTB,
    lossChanceAtHorizon,
    streams,
    space,
    survival,
    home,
    away,
    fit,
    money,
    meets:
      meetsNeed(streams) &&
      meetsNeed(space) &&
      meetsNeed(survival) &&
      meetsNeed(home) &&
      meetsNeed(away) &&
      meetsNeed(fit) &&
      (meetsNeed(money) || (money === 'unknown' && budget === null)),
  }
}
