import type { z } from 'zod'
import type { partSchemas, placeSchema, sharingSchema } from './partSchemas'
import type { partKinds } from './partWords'

/*
 * What a machine is put together from, besides processors, video engines, memory and drives, which
 * have lists of their own. The types follow from the schemas; nothing of those is loaded here.
 * Models are invented; prices are planning values in the plan's currency, watts DC.
 */

type Frozen<Value> = Value extends readonly (infer Entry)[]
  ? readonly Frozen<Entry>[]
  : Value extends object
    ? { readonly [Key in keyof Value]: Frozen<Value[Key]> }
    : Value
type Schemas = typeof partSchemas

export type HardwareKind = keyof Schemas & keyof typeof partKinds
/** A part of one kind, as its schema has it. */
export type PartOfKind<Kind extends HardwareKind> = Frozen<z.infer<Schemas[Kind]>>

export type Board = PartOfKind<'board'>
export type Case = PartOfKind<'case'>
export type Supply = PartOfKind<'supply'>
export type Cooler = PartOfKind<'cooler'>
export type Controller = PartOfKind<'controller'>
export type NetworkCard = PartOfKind<'networkCard'>
export type SystemDisk = PartOfKind<'ssd'>
export type Fan = PartOfKind<'fan'>
export type Cable = PartOfKind<'cable'>
export type Enclosure = PartOfKind<'enclosure'>
export type UpsUnit = PartOfKind<'ups'>
export type OpticalDrive = PartOfKind<'optical'>
export type HardwarePart = { [Kind in HardwareKind]: PartOfKind<Kind> }[HardwareKind]

export type BoardPlace = Frozen<z.infer<typeof placeSchema>>
export type SharingRule = Frozen<z.infer<typeof sharingSchema>>
export type MemoryType = Board['memory']['type']
export type MemoryShape = Board['memory']['shape']
/** What lanes come out of. */
export type LaneSource = BoardPlace['from']
export type SupplyForm = Supply['form']
export type { BoardForm, EfficiencyClass } from './partWords'

/** What wants a place: a data port, an M.2 place for an SSD of either kind, or a slot. */
export type PlaceUser = 'data' | 'nvme' | 'sata' | 'slot'

/** What a video engine on a card is as a card. */
export interface VideoCardShape {
  readonly engine: string
  readonly lanes: number
  readonly length: 16
  readonly generation: number
  readonly lengthMm: number
  readonly lowHeight: boolean
  /** plugs that it wants from the supply */
  readonly plugs: number
  /** openings of the case that it takes: a card of two covers the slot beside its own */
  readonly openings: 1 | 2
}
