import { planAssessor } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import type { DrivesFacts } from '../drives/drivesFacts'
import { fitContext, judgeFit, stateOfFit } from '../machine/fit/fitFacts'
import type { FitRule } from '../machine/fit/fitRule'
import { fitSlice, type FitNeeds } from '../machine/fitting'
import { machine as machineDomain } from '../machine/machine'
import type { MachineFacts } from '../machine/machineFacts'
import { powerStates } from '../machine/machinePower'
import { wallW } from '../machine/power/supplyCurve'
import { costOverYears, type CashQuestion } from '../ownership/cashFlow'
import { averagePricePerKWh } from '../plan/energyPrice'
import { kWhPerYear } from '../ownership/kWhPerYear'
import { moneyState, purchaseSum } from '../ownership/ownershipFacts'
import { effectiveCatalogue } from '../plan/effectiveCatalogue'
import { yearsQuestion } from '../ownership/years/yearsQuestion'
import type { Machine } from '../plan/machine'
import type { Network } from '../plan/network'
import type { Plan } from '../plan/planSchema'
import { conversionMachine } from '../streams/conversionMachine'
import {
  conversionsAtOnce,
  minutesOf,
  streamsState,
  type StreamsSlice,
} from '../streams/streamsFacts'
import { streams as streamsDomain } from '../streams/streams'
import { sameValue } from '../sameValue'
import { driveStates } from './driveStates'
import { meetsNeed, type VerdictState } from '../verdict'

/** What one build comes to, likely values only. */
export interface Evaluation {
  readonly toPay: number
  /** over the horizon, everything counted, not rounded */
  readonly horizonCost: number
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

/** A machine without its data drives, and the port it is reached by. */
export interface Box {
  /** the same for the same machine */
  readonly key: string
  readonly machine: Machine
  readonly serverPortMbps: Network['serverPortMbps']
}
/** Data drives under a layout, as a plan holds them. */
export interface DriveSet {
  readonly key: string
  readonly drives: Plan['drives']
}

/** A machine as every build with it sees it. */
export interface BoxRow {
  readonly id: number
  readonly price: number
  readonly priceMissing: boolean
  readonly bays: number
  readonly machine: MachineFacts
  readonly needs: FitNeeds['streams']
  /** the plan with this machine */
  readonly adopted: Plan
  readonly streams: VerdictState
  readonly possible: number
  readonly minutesShort: number
  readonly home: VerdictState
  readonly away: VerdictState
  /** its part of what the years cost, electricity apart */
  readonly yearsCost: number
}

/** Drives under a layout as every build with them sees them. */
export interface PoolRow {
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
  /** their part of what the years cost, with extras, copies and own time, electricity apart */
  readonly yearsCost: number
}

export interface BoxEvaluator {
  /** like: a row whose streams stand for this one's where both convert with the same hardware */
  readonly box: (box: Box, copyOnWrite: boolean, like?: BoxRow) => BoxRow
  /** what it converts with, without asking how much */
  readonly hardware: (box: Box, copyOnWrite: boolean) => MachineFacts['hardware']
  readonly pool: (pool: DriveSet) => PoolRow
  /**
   * whether machine and drives go together, by the same rules as an assessment; once for pools that
   * are alike
   */
  readonly fit: (box: BoxRow, pool: PoolRow) => VerdictState
  readonly evaluate: (box: BoxRow, pool: PoolRow) => Evaluation
  /** ids of the rules among these that fail */
  readonly failing: (box: BoxRow, pool: PoolRow, rules: readonly FitRule[]) => string[]
  /** what one watt at the wall, on average, costs over the years */
  readonly wattCost: number
  /** of the price of machine and drives, what is left after the sale at the end */
  readonly keptShare: number
  readonly counts: () => { readonly boxes: number; readonly pools: number }
}

const nothing: CashQuestion = {
  months: 0,
  purchase: 0,
  staged: [],
  averageW: 0,
  pricePerKWh: 0,
  electricityRisePerYear: 0,
  drives: [],
  driveFallPerYear: 0,
  warrantyMonths: 0,
  licenceOnce: 0,
  licencePerYear: 0,
  copiesOnce: 0,
  copiesEveryMonths: 1,
  copiesPerMonth: 0,
  upsBatteryPrice: null,
  buildHours: 0,
  upkeepHoursPerYear: 0,
  hourValue: 0,
  savedPerMonth: 0,
  resale: 0,
  discountRate: 0,
}
const watts = (idleW: number, loadW: number, hours: number) =>
  (idleW * (24 - hours) + loadW * hours) / 24

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
  const assessor = planAssessor(4)
  const catalogue = effectiveCatalogue(plan, shipped)
  const {
    choices: { convertingHoursPerDay, horizonYears },
    costs,
    brief: { budget },
  } = plan
  const pricePerKWh = averagePricePerKWh(costs)
  const [boxes, pools, fits, fitKeys, links] = [
    new Map<string, BoxRow>(),
    new Map<string, PoolRow>(),
    new Map<number, Map<number, VerdictState>>(),
    new Map<string, number>(),
    new Map<number, { home: VerdictState; away: VerdictState }>(),
  ]
  const years = {
    ...nothing,
    months: horizonYears * 12,
    electricityRisePerYear: costs.electricityRisePerYear,
    pricePerKWh,
  }
  const keptShare = 1 - costs.resaleShare

  /** Home network and internet line follow from the port, and from nothing else of a machine. */
  function linksOf(adopted: Plan) {
    const { serverPortMbps } = adopted.network
    let known = links.get(serverPortMbps)
    if (!known) {
      const { verdicts } = assessor.assess(adopted, shipped)
      const stateOf = (id: string) => verdicts.find(verdict => verdict.id === id)!.state
      links.set(serverPortMbps, (known = { home: stateOf('home'), away: stateOf('away') }))
    }
    return known
  }
  const usualDrives = [false, true].map((copyOnWrite): Plan['drives'] => ({
    ...usual,
    fileSystem: copyOnWrite ? 'copyOnWrite' : 'journalled',
  }))
  const usualFacts = usualDrives.map(
    of => assessor.facts({ ...plan, drives: of }, shipped, ['drives']).drives,
  )
  const streamsBy = new Map<
    string,
    Pick<BoxRow, 'needs' | 'streams' | 'possible' | 'minutesShort'>
  >()
  const machinesBy = new Map<string, MachineFacts>()
  function machineFactsOf(one: Box, copyOnWrite: boolean): MachineFacts {
    const key = `${one.key} ${copyOnWrite}`
    let known = machinesBy.get(key)
    if (!known)
      machinesBy.set(
        key,
        (known = machineDomain.facts(
          machineDomain.read(adoptedWith(one, copyOnWrite), catalogue, {
            drives: usualFacts[Number(copyOnWrite)]!,
          } as never) as never,
        )),
      )
    return known
  }
  const adoptedWith = ({ machine: own, serverPortMbps }: Box, copyOnWrite: boolean): Plan => ({
    ...plan,
    machine: own,
    drives: usualDrives[Number(copyOnWrite)]!,
    network: { ...plan.network, serverPortMbps },
  })
  /** What a machine converts follows from its hardware; where that is the same, so is the rest. */
  function streamsOf(
    adopted: Plan,
    machine: MachineFacts,
    like: BoxRow | undefined,
  ): Pick<BoxRow, 'needs' | 'streams' | 'possible' | 'minutesShort'> {
    if (like && sameValue(like.machine.hardware, machine.hardware)) return like
    const { table, systemMemoryMB, ...converts } = conversionMachine(
      machine.hardware,
      plan.choices,
      catalogue.workTable,
    )
    void table
    // Playback and streams see of the hardware what converts; the machine's memory only where an
    // engine takes its sessions from it.
    const key = JSON.stringify([
      converts,
      converts.engines.some(({ memoryGB }) => memoryGB === null) ? systemMemoryMB : null,
    ])
    const known = streamsBy.get(key)
    if (known) return known
    const slice = streamsDomain.read(
      adopted,
      catalogue,
      assessor.facts(adopted, shipped, ['household', 'playback', 'machine']) as never,
    ) as StreamsSlice
    const atOnce = conversionsAtOnce(slice)
    // Minutes short take longest to work out, and cannot better what falls short already.
    let minutes: ReturnType<typeof minutesOf> | undefined
    const minutesShort = () =>
      minutes === undefined ? (minutes = minutesOf(atOnce, slice)) : minutes
    const falls = atOnce.headroom === 'short' || atOnce.headroom === 'impossible'
    const found = {
      needs: { needed: { needed: atOnce.needed.needed }, engineGB: atOnce.engineGB },
      streams: falls ? atOnce.headroom! : streamsState(atOnce, minutesShort(), slice),
      possible: atOnce.possible?.likely ?? 0,
      get minutesShort() {
        return minutesShort()?.perMonth.likely ?? 0
      },
    }
    streamsBy.set(key, found)
    return found
  }
  function boxRow(one: Box, copyOnWrite: boolean, like: BoxRow | undefined): BoxRow {
    const adopted = adoptedWith(one, copyOnWrite)
    const machine = machineFactsOf(one, copyOnWrite)
    const { system } = machine
    const converts = streamsOf(adopted, machine, like)
    const { needs, streams, possible } = converts
    const price = machine.prices.reduce((sum, line) => sum + (line.toPay ?? 0), 0)
    return {
      id: boxes.size,
      price,
      priceMissing: machine.prices.some(line => line.toPay === null),
      bays: machine.build.bays,
      machine,
      adopted,
      needs,
      streams,
      possible,
      ...linksOf(adopted),
      get minutesShort() {
        return converts.minutesShort
      },
      yearsCost:
        price * keptShare +
        costOverYears({
          ...years,
          licenceOnce: system?.licence.once ?? 0,
          licencePerYear: system?.licence.perYear ?? 0,
          upkeepHoursPerYear:
            costs.upkeepHoursPerYear === null ? (system?.upkeepHoursPerYear ?? 0) : 0,
          hourValue: costs.hourValue,
        }),
    }
  }
  function poolRow({ drives: own }: DriveSet): PoolRow {
    const adopted: Plan = { ...plan, drives: own }
    const facts = assessor.facts(adopted, shipped, ['library', 'drives', 'ownership'])
    const { drives, ownership } = facts
    const copyOnWrite = own.fileSystem === 'copyOnWrite'
    const key = [
      copyOnWrite,
      drives.count,
      drives.spinning,
      drives.fast,
      drives.nvme,
      drives.idleW.likely,
      drives.activeW.likely,
      drives.pool?.parity,
      drives.layoutId,
      drives.rawTB,
    ].join(' ')
    if (!fitKeys.has(key)) fitKeys.set(key, fitKeys.size)
    return {
      count: drives.count,
      price: ownership.drivesToPay,
      drives,
      copyOnWrite,
      fitKey: fitKeys.get(key)!,
      roomTB: drives.pool?.roomTB ?? 0,
      lossChanceAtHorizon: drives.pool?.lossChanceAtHorizon.likely ?? 1,
      ...driveStates(adopted, facts, catalogue),
      yearsCost: costOverYears(
        yearsQuestion({
          plan: adopted,
          catalogue,
          horizonYears,
          system: null,
          machineToPay: 0,
          drivesToPay: ownership.drivesToPay,
          averageW: 0,
        }),
      ),
    }
  }
  function box(one: Box, copyOnWrite: boolean, like?: BoxRow): BoxRow {
    const key = `${one.key} ${copyOnWrite}`
    let known = boxes.get(key)
    if (!known) boxes.set(key, (known = boxRow(one, copyOnWrite, like)))
    return known
  }
  function pool(one: DriveSet): PoolRow {
    let known = pools.get(one.key)
    if (!known) pools.set(one.key, (known = poolRow(one)))
    return known
  }
  function contextOf(one: BoxRow, drives: PoolRow) {
    return fitContext(
      fitSlice(one.adopted, {
        machine: {
          ...one.machine,
          states: powerStates(one.machine.power, drives.drives, convertingHoursPerDay),
          freeBays: one.bays - drives.count,
        },
        drives: drives.drives,
        streams: one.needs,
      }),
    )
  }
  function fit(one: BoxRow, drives: PoolRow): VerdictState {
    let of = fits.get(one.id)
    if (!of) fits.set(one.id, (of = new Map()))
    let state = of.get(drives.fitKey)
    if (state === undefined) {
      const context = contextOf(one, drives)
      state = stateOfFit(judgeFit(context), context)
      of.set(drives.fitKey, state)
    }
    return state
  }
  const wattCost = costOverYears({ ...years, averageW: 1 })

  return {
    box,
    pool,
    fit,
    wattCost,
    keptShare,
    hardware: (one, copyOnWrite) => machineFactsOf(one, copyOnWrite).hardware,
    failing: (one, drives, rules) =>
      judgeFit(contextOf(one, drives), rules).flatMap(({ rule, judgement }) =>
        judgement.state === 'fail' ? [rule.id] : [],
      ),
    evaluate(one, drives) {
      const toPay = purchaseSum(one.price, drives.price, costs.extras)
      const { idleDcW, loadDcW, losses } = one.machine.power
      const idleW = wallW(Math.max(0, idleDcW + drives.drives.idleW.likely), losses)
      const loadW = Math.max(
        idleW,
        wallW(Math.max(0, loadDcW + drives.drives.activeW.likely), losses),
      )
      const kWh = kWhPerYear([
        { hoursPerDay: 24 - convertingHoursPerDay, watts: idleW },
        { hoursPerDay: convertingHoursPerDay, watts: loadW },
      ])
      const state = fit(one, drives)
      const money = moneyState(toPay, budget, one.priceMissing)
      const { streams, home, away, possible, minutesShort } = one
      const { space, survival, roomTB, lossChanceAtHorizon } = drives
      return {
        toPay,
        horizonCost:
          one.yearsCost + drives.yearsCost + watts(idleW, loadW, convertingHoursPerDay) * wattCost,
        idleW,
        loadW,
        kWhPerYear: kWh,
        electricityPerYear: kWh * pricePerKWh,
        freeBays: one.bays - drives.count,
        possible,
        minutesShort,
        roomTB,
        lossChanceAtHorizon,
        streams,
        space,
        survival,
        home,
        away,
        fit: state,
        money,
        meets:
          meetsNeed(streams) &&
          meetsNeed(space) &&
          meetsNeed(survival) &&
          meetsNeed(home) &&
          meetsNeed(away) &&
          meetsNeed(state) &&
          (meetsNeed(money) || (money === 'unknown' && budget === null)),
      }
    },
    counts: () => ({ boxes: boxes.size, pools: pools.size }),
  }
}
