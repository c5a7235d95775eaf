import type { PlanAssessor } from '../assess'
import type { Catalogue } from '../catalogue/catalogue'
import type { DayFacts } from '../day/dayFacts'
import type { HouseholdFacts } from '../household/householdFacts'
import { hoursToBuild } from '../ownership/hoursToBuild'
import { machine as machineDomain } from '../machine/machine'
import type { MachineFacts } from '../machine/machineFacts'
import type { Plan } from '../plan/planSchema'
import { streams as streamsDomain } from '../streams/streams'
import type { StreamsSlice } from '../streams/streamsFacts'
import { createBoxStreams } from './boxStreams'
import type { BuildMoney } from './buildMoney'
import type { Box, BoxRow } from './buildRows'
import { onceByKey } from '../onceByKey'
import { systemYears } from './systemYears'

/** What rows are made from. */
export interface RowSources {
  readonly plan: Plan
  readonly shipped: Catalogue
  /** the shipped one with the plan's own entries */
  readonly catalogue: Catalogue
  readonly assessor: PlanAssessor
  readonly money: BuildMoney
  /** what no machine changes: who watches when, and how long a day is converted */
  readonly days: Days
}
export interface Days {
  readonly household: HouseholdFacts
  readonly day: DayFacts
}

/** States of what a machine's port is on the way of. */
export type Links = Pick<BoxRow, 'home' | 'away'>

export interface BoxRows {
  /** home network and internet line by the machine's port: with a faster one neither gets worse */
  readonly links: (serverPortMbps: Box['serverPortMbps']) => Links
  readonly row: (box: Box, copyOnWrite: boolean, like?: BoxRow) => BoxRow
  readonly machine: (box: Box, copyOnWrite: boolean) => MachineFacts
  readonly count: () => number
}

/**
 * Machines without their data drives, each worked out once.
 * @param usual drives that stand in while a machine is looked at
 */
export function createBoxRows(
  { plan, shipped, catalogue, assessor, money, days }: RowSources,
  usual: Plan['drives'],
): BoxRows {
  const usualDrives = [false, true].map((copyOnWrite): Plan['drives'] => ({
    ...usual,
    fileSystem: copyOnWrite ? 'copyOnWrite' : 'journalled',
  }))
  const usualFacts = usualDrives.map(
    drives => assessor.facts({ ...plan, drives }, shipped, ['drives']).drives,
  )
  const adoptedWith = (
    { machine, serverPortMbps, system = plan.system.kind }: Box,
    copyOnWrite: boolean,
  ): Plan => ({
    ...plan,
    machine,
    system: { ...plan.system, kind: system },
    drives: usualDrives[Number(copyOnWrite)]!,
    network: { ...plan.network, serverPortMbps },
  })
  const machines = onceByKey<MachineFacts>()
  const machineOf = (box: Box, copyOnWrite: boolean) =>
    machines.get(`${box.key} ${copyOnWrite}`, () =>
      machineDomain.facts(
        machineDomain.read(adoptedWith(box, copyOnWrite), catalogue, {
          household: days.household,
          drives: usualFacts[Number(copyOnWrite)]!,
        } as never) as never,
      ),
    )
  const links = onceByKey<Links>()
  /** They follow from the port, and from nothing else of a machine. */
  const linksOf = (serverPortMbps: Box['serverPortMbps']) =>
    links.get(String(serverPortMbps), () => {
      const { verdicts } = assessor.assess(
        { ...plan, network: { ...plan.network, serverPortMbps } },
        shipped,
      )
      const stateOf = (id: string) => verdicts.find(verdict => verdict.id === id)!.state
      return { home: stateOf('home'), away: stateOf('away') }
    })
  const streamsOf = createBoxStreams(
    plan,
    catalogue,
    adopted =>
      streamsDomain.read(
        adopted,
        catalogue,
        assessor.facts(adopted, shipped, ['household', 'playback', 'machine']) as never,
      ) as StreamsSlice,
  )
  const rows = onceByKey<BoxRow>()
  function rowOf(box: Box, copyOnWrite: boolean, like: BoxRow | undefined): BoxRow {
    const adopted = adoptedWith(box, copyOnWrite)
    const machine = machineOf(box, copyOnWrite)
    const converts = streamsOf(adopted, machine, like)
    const { needs, streams, possible } = converts
    const price = machine.prices.reduce((sum, line) => sum + (line.toPay ?? 0), 0)
    return {
      id: rows.size(),
      price,
      priceMissing: machine.prices.some(line => line.toPay === null),
      bays: machine.build.bays,
      machine,
      adopted,
      needs,
      streams,
      possible,
      ...linksOf(box.serverPortMbps),
      get minutesShort() {
        return converts.minutesShort
      },
      yearsCost: yearsCostOf(price, machine, { plan, money }),
    }
  }
  return {
    row: (box, copyOnWrite, like) =>
      rows.get(`${box.key} ${copyOnWrite}`, () => rowOf(box, copyOnWrite, like)),
    machine: machineOf,
    links: linksOf,
    count: rows.size,
  }
}

/** A machine's part of what the years cost, electricity and a licence by drives apart. */
function yearsCostOf(
  price: number,
  { system, build }: MachineFacts,
  { plan, money }: Pick<RowSources, 'plan' | 'money'>,
): number {
  const { buildHours, hourValue } = plan.costs
  // Hours that were entered are told with the drives: they are the same for every machine.
  const ownTime = buildHours === null ? hoursToBuild(build) * hourValue : 0
  return price * money.keptShare + systemYears(system, plan, money.years) + ownTime
}
