import type { Supply, Case } from '../../catalogue/hardware/hardwarePart'
import type { Sold } from '../../catalogue/sold'
import type { SystemKind } from '../../catalogue/systemKinds'
import type { Processor } from '../../catalogue/processors'
import type { Network } from '../../plan/network'
import type { Machine } from '../../plan/machine'
import type { SupplyLosses } from '../../machine/power/supplyCurve'

/** A way of building. */
export const ways = {
  stay: 'Stay as it is',
  router: 'Drives on a router or a streaming box',
  appliance: 'Appliance',
  office: 'Refurbished office PC',
  miniPc: 'Mini PC with an enclosure',
  singleBoard: 'Single-board computer',
  laptop: 'Old laptop',
  rack: 'Used rack server',
  selfBuilt: 'Self-built, new',
  atHand: 'Around what is at hand',
  shared: 'A computer also used for work or games',
  twoMachines: 'Two machines',
} as const
export type WayId = keyof typeof ways

/** One choice of a group: parts that go in together, with what they add. */
export interface Option {
  readonly refs: readonly string[]
  readonly price: number
  /** watts DC, added */
  readonly idleW: number
  readonly loadW: number
  /** what the steps behind it look at */
  readonly processor?: Processor
  readonly supply?: Supply
  readonly housing?: Case
  readonly bays?: number
  /** an enclosure on a USB cable */
  readonly onUsb?: boolean
  readonly portMbps?: number
  readonly system?: SystemKind
  /** what it costs over the years beside its price and its watts, at least */
  readonly overYears?: number
  /** of use only where this condition is asked for */
  readonly mends?: 'coolDrives' | 'systemApart'
}

export interface Group {
  readonly id:
    | 'processor'
    | 'memory'
    | 'card'
    | 'system'
    | 'pool'
    | 'supply'
    | 'case'
    | 'cooler'
    | 'fan'
    | 'boot'
    | 'enclosure'
    | 'controller'
    | 'networkCard'
  readonly options: readonly Option[]
  /** whether an option goes with what was chosen before; only what a rule of fit would refuse */
  readonly allowed?: (option: Option, chosen: Chosen) => boolean
}

/** What was chosen so far, as far as later steps look at it. */
export interface Chosen {
  readonly processor?: Processor
  readonly supply?: Supply
  readonly housing?: Case
  readonly system?: SystemKind
  /** one more fan blows across the drives */
  readonly hasFan?: true
  /** for 3.5" drives */
  readonly bays: number
  /** drives that need a data port and a plug, and of them those that need a 3.5" bay */
  readonly count: number
  readonly turning: number
}

/** What a machine is put together on, and the steps in which the rest of it is chosen. */
export interface Frame {
  readonly id: string
  readonly way: WayId
  /** it is there */
  readonly isOwn: boolean
  readonly sold: Sold
  /** skill that it takes to put it together, 1..5 */
  readonly assembling: number
  /** the system that runs on it where none is chosen */
  readonly system: SystemKind | null
  readonly machine: Machine
  /** parts of the machine that are bought with it, in place of others */
  readonly refs?: readonly string[]
  /** what it costs that it may be dead, and that it is not sold; counted over the years */
  readonly risk: number
  readonly price: number
  readonly idleW: number
  readonly loadW: number
  /** of its supply; null where one is chosen, or none is known */
  readonly losses: SupplyLosses | null
  readonly hasSupply: boolean
  readonly bays: number
  /** what air does at drives in it; null where a case is chosen, or none is known */
  readonly air: Case['airflow'] | null
  readonly portMbps: Network['serverPortMbps']
  readonly groups: readonly Group[]
  /** the machine with parts put in: in place of what there is one of, or beside it */
  readonly replaces: boolean
}
