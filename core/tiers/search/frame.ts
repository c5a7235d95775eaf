import type { Supply, Case } from '../../catalogue/hardware/hardwarePart'
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
  readonly portMbps?: number
}

export interface Group {
  readonly id:
    | 'processor'
    | 'memory'
    | 'card'
    | 'pool'
    | 'supply'
    | 'case'
    | 'cooler'
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
  readonly machine: Machine
  readonly price: number
  readonly idleW: number
  readonly loadW: number
  /** of its supply; null where one is chosen, or none is known */
  readonly losses: SupplyLosses | null
  readonly hasSupply: boolean
  readonly bays: number
  readonly portMbps: Network['serverPortMbps']
  readonly groups: readonly Group[]
  /** the machine with parts put in: in place of what there is one of, or beside it */
  readonly replaces: boolean
}
