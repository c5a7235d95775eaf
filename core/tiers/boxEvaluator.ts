import { planAssessor } from '../assess'
import type { DayHours } from '../machine/power/dayHours'
import type { Catalogue } from '../catalogue/catalogue'
import { judgeFit, stateOfFit } from '../machine/fit/fitFacts'
import type { SharedLink } from '../drives/sharedLinks'
import { sharedLinksOf, sharesLinks } from '../machine/hanging'
import { formsOf } from '../machine/assembly/driveForms'
import { driveBays } from '../machine/assembly/driveBays'
import { fitContext } from '../machine/fit/assembleContext'
import { fitSlice } from '../machine/fitting'
import { stateWatts, wattCorrections, wattsOff } from '../machine/machinePower'
import { licenceOnce, pluggedIn } from '../machine/system/licence'
import { wallW } from '../machine/power/supplyCurve'
import { kWhPerYear } from '../ownership/kWhPerYear'
import { moneyState, purchaseSum } from '../ownership/ownershipFacts'
import { effectiveCatalogue } from '../calibration/effectiveCatalogue'
import type { Plan } from '../plan/planSchema'
import { meetsNeed, type VerdictState } from '../verdict'
import { createBoxRows } from './boxRows'
import { buildMoney, type BuildMoney } from './buildMoney'
import type { BoxEvaluator, BoxRow, Evaluation, PoolRow } from './buildRows'
import { onceByKey } from '../onceByKey'
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
  const assessor = planAssessor(4)
  const days = assessor.facts(plan, shipped, ['household', 'day'])
  const { hours } = days.day
  const sources = {
    plan,
    shipped,
    catalogue: effectiveCatalogue(plan, shipped),
    assessor,
    money,
    days,
  }
  const boxes = createBoxRows(sources, usual)
  const pools = createPoolRows(sources)
  const fits = onceByKey<VerdictState>()
  const warned = onceByKey<boolean>()
  const links = onceByKey<readonly SharedLink[]>()
  const hung = (box: BoxRow, pool: PoolRow) => {
    const forms = formsOf(pool.drives)
    if (!sharesLinks(box.machine.build, forms)) return pool
    const { count, spinning, nvme } = forms
    const shared = links.get(`${box.id} ${count} ${spinning} ${nvme}`, () =>
      sharedLinksOf(box.machine.build, forms),
    )
    return pools.row(pool.set, shared)
  }
  const contextOf = (box: BoxRow, pool: PoolRow) => fitContextOf(box, pool, hours)
  const fit = (box: BoxRow, pool: PoolRow) =>
    fits.get(`${box.id} ${pool.fitKey}`, () => {
      const context = contextOf(box, pool)
      return stateOfFit(judgeFit(context), context)
    })
  return {
    box: boxes.row,
    links: boxes.links,
    pool: set => pools.row(set),
    hung,
    fit,
    wattCost: money.wattCost,
    keptShare: money.keptShare,
    hardware: (box, copyOnWrite) => boxes.machine(box, copyOnWrite).hardware,
    failing: (box, pool, { rules, strict }) =>
      judgeFit(contextOf(box, pool), rules).flatMap(({ rule, judgement: { state } }) =>
        state === 'fail' || (state === 'warning' && strict?.has(rule.id)) ? [rule.id] : [],
      ),
    warns: (box, pool, rules) =>
      rules.length > 0 &&
      warned.get(`${box.id} ${pool.fitKey} ${rules.map(({ id }) => id).join(' ')}`, () =>
        judgeFit(contextOf(box, pool), rules).some(
          ({ judgement: { state } }) => state === 'fail' || state === 'warning',
        ),
      ),
    evaluate: (box, pool) =>
      evaluation(box, hung(box, pool), { plan, money, hours, fit: fit(box, pool) }),
    hours,
    counts: () => ({ boxes: boxes.count(), pools: pools.count() }),
  }
}

function fitContextOf(box: BoxRow, { drives }: PoolRow, hours: DayHours) {
  return fitContext(
    fitSlice(box.adopted, {
      machine: {
        ...box.machine,
        watts: stateWatts(box.machine.power, drives, hours),
        freeBays: driveBays(box.machine.build, formsOf(drives)).free,
      },
      drives,
      day: { hours },
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
    hours,
    fit,
  }: {
    readonly plan: Plan
    readonly money: BuildMoney
    readonly hours: DayHours
    readonly fit: VerdictState
  },
): Evaluation {
  const { budget } = plan.brief
  const toPay = purchaseSum(box.price, pool.price, plan.costs.extras)
  const { idleDcW, loadDcW, losses } = box.machine.power
  const atWall = (watts: number) => wallW(Math.max(0, watts), losses)
  const { resting, converting } = wattCorrections(box.machine.power, pool.drives)
  const [atRest, atWork] = [resting?.factor.likely ?? 1, converting?.factor.likely ?? 1]
  const idleW = atRest * atWall(idleDcW + pool.drives.idleW.likely)
  const watchingW = atRest * atWall(idleDcW + pool.drives.readW.likely)
  const loadW = Math.max(watchingW, atWork * atWall(loadDcW + pool.drives.activeW.likely))
  const meanW =
    (idleW * hours.idle +
      loadW * hours.converting +
      watchingW * hours.watching +
      wattsOff(hours).likely * hours.off +
      (hours.asleep > 0
        ? hours.asleep * atRest * atWall(idleDcW + pool.drives.asleepW.likely)
        : 0)) /
    24
  const kWh = kWhPerYear(meanW)
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
    freeBays: driveBays(box.machine.build, formsOf(pool.drives)).free,
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
