import type { Plan } from '../../plan/planSchema'
import { entryOf, type Catalogue } from '../../catalogue/catalogue'
import { onceByKey } from '../../onceByKey'
import { buildMoney } from '../buildMoney'
import { leastSystemYears } from '../systemYears'
import type { SystemKind } from '../../catalogue/systemKinds'
import type { Option } from './frame'
import type { Machine } from '../../plan/machine'
import type { Board, Case, Fan, HardwarePart, Supply } from '../../catalogue/hardware/hardwarePart'
import { caseFansW } from '../../machine/machinePower'
import { newPart } from '../../machine/partChanges'

export const none: Option = { refs: [], price: 0, idleW: 0, loadW: 0 }
export interface Book {
  readonly plan: Plan
  readonly catalogue: Catalogue
  readonly priceOf: ReturnType<typeof priceBook>
  /** options by kind, made once: own parts are thousands */ readonly known: Map<string, Option[]>
  /** the least that a kind of system costs over the years */
  readonly systemYears: (system: SystemKind | null) => number
}

export function bookOf(plan: Plan, catalogue: Catalogue): Book {
  const { years } = buildMoney(plan)
  const ofSystems = onceByKey<number>()
  return {
    plan,
    catalogue,
    priceOf: priceBook(plan.machine),
    known: new Map(),
    systemYears: system =>
      ofSystems.get(system?.id ?? '', () => leastSystemYears(system, plan, years)),
  }
}

/** Prices as this plan pays them: nothing for what lies there already, owned. */
export function priceBook({
  parts,
}: Machine): (ref: string, price: number, count?: number) => number {
  const owned = new Map<string, number>()
  for (const { ref, condition, count } of parts)
    if (condition === 'owned') owned.set(ref, (owned.get(ref) ?? 0) + count)
  return (ref, price, count = 1) => Math.max(0, count - (owned.get(ref) ?? 0)) * price
}

/** Processors dearer than this are left out: none of the needs of a home asks for one. */
export const maxProcessorPrice = 700
/** Sticks of memory that are bought together. */
const stickCounts = [1, 2] as const
/** What is sold, and what there is of one's own. */
export const sold = <
  Part extends { readonly comesWith?: string | undefined; readonly price: number },
>(
  part: Part,
) => part.comesWith === undefined && part.price >= 0
type OptionKind =
  'supply' | 'case' | 'cooler' | 'fan' | 'ssd' | 'enclosure' | 'controller' | 'networkCard'
export function hardwareOptions(kind: OptionKind, book: Book): Option[] {
  let known = book.known.get(kind)
  if (!known)
    book.known.set(kind, (known = cheapestOfAlike(makeOptions(kind, book), book.catalogue)))
  return known
}

/**
 * Of parts that differ in name and price alone the cheapest, of equals the first by id: no build
 * with another is better.
 */
export function cheapestOfAlike(
  options: readonly Option[],
  { hardware }: Pick<Catalogue, 'hardware'>,
): Option[] {
  const best = new Map<string, Option>()
  for (const option of options) {
    const { id, label, price, notes, ...same } = entryOf(
      hardware,
      option.refs[0]!,
    )! as HardwarePart & { readonly notes?: string }
    void [id, label, price, notes]
    const key = JSON.stringify(same)
    const known = best.get(key)
    if (
      !known ||
      option.price < known.price ||
      (option.price === known.price && option.refs[0]! < known.refs[0]!)
    )
      best.set(key, option)
  }
  return [...best.values()]
}

function makeOptions(kind: OptionKind, { catalogue, priceOf }: Book): Option[] {
  return catalogue.hardware.flatMap((part): Option[] => {
    if (part.kind !== kind || !sold(part)) return []
    const option = {
      refs: [part.id],
      price: priceOf(part.id, part.price),
      idleW: part.idleW,
      loadW: part.loadW,
    }
    switch (part.kind) {
      case 'supply':
        return [{ ...option, supply: part }]
      case 'case': {
        const fans = caseFansW(part)
        return [{ ...option, housing: part, bays: part.bays35, idleW: fans, loadW: fans }]
      }
      case 'controller': {
        if (part.mode !== 'plain') return []
        const cable = catalogue.hardware.find(
          other => other.kind === 'cable' && other.use === 'breakout',
        )
        const cables =
          part.breakouts > 0 && cable ? Array.from({ length: part.breakouts }, () => cable.id) : []
        return [
          {
            ...option,
            refs: [part.id, ...cables],
            price: option.price + (cable ? priceOf(cable.id, cable.price, part.breakouts) : 0),
          },
        ]
      }
      case 'networkCard':
        return part.medium === 'wifi' ? [] : [{ ...option, portMbps: part.mbps }]
      case 'enclosure':
        return [{ ...option, bays: part.bays, onUsb: part.link === 'usb' }]
      default:
        return [option]
    }
  })
}

export function memoryOptions(
  { memory }: Board,
  { slots, registered }: { readonly slots: number; readonly registered: boolean },
  { plan, catalogue, priceOf }: Book,
): Option[] {
  return catalogue.memoryModules.flatMap(module => {
    const { id, memoryGB, powerW, price } = module
    return module.type !== memory.type ||
      module.shape !== memory.shape ||
      module.registered !== registered ||
      (module.ecc && !registered && !plan.machine.wantsEcc) ||
      price < 0
      ? []
      : stickCounts
          .filter(count => count <= slots && count * memoryGB <= memory.maxGB)
          .map((count): Option => ({
            refs: Array.from({ length: count }, () => id),
            price: priceOf(id, price, count),
            idleW: count * powerW,
            loadW: count * powerW,
          }))
  })
}

export function processorOptions(socket: string | null, { catalogue, priceOf }: Book): Option[] {
  if (socket === null) return []
  return catalogue.processors.flatMap(processor =>
    processor.socket !== socket || processor.price > maxProcessorPrice || processor.price < 0
      ? []
      : [
          {
            refs: [processor.id],
            price: priceOf(processor.id, processor.price),
            idleW: processor.idleW,
            loadW: processor.maxW,
            processor,
          },
        ],
  )
}

export function cardOptions({ catalogue, priceOf }: Book): Option[] {
  return catalogue.videoEngines.flatMap(engine =>
    engine.kind === 'card' && engine.price !== null && engine.price >= 0
      ? [
          {
            refs: [engine.id],
            price: priceOf(engine.id, engine.price),
            idleW: engine.idleW,
            loadW: engine.loadW,
          },
        ]
      : [],
  )
}

export const orNone = (options: readonly Option[]) => [none, ...options]
export const plugsOf = ({ driveLeads }: Supply) => driveLeads.reduce((sum, plugs) => sum + plugs, 0)

/** A part as it is put into a fresh machine: owned where it lies there already. */
export function partOf(ref: string, { plan }: Pick<Book, 'plan'>): Machine['parts'][number] {
  const owned = plan.machine.parts.find(part => part.ref === ref && part.condition === 'owned')
  return owned ? { ...newPart(ref), condition: 'owned' } : newPart(ref)
}

/** Whether a case takes one more fan, and air at its drives is the better for it. */
export const takesFan = ({ airflow, fans, fanMounts }: Case, added = 0) =>
  airflow !== 'across' && fanMounts > fans.length + added

/** Fans of which none is both dearer and louder than another. */
export function fanOptions(book: Book): Option[] {
  const fans = hardwareOptions('fan', book).map(option => ({
    option,
    rpm: (entryOf(book.catalogue.hardware, option.refs[0]!) as Fan).rpm,
  }))
  return fans
    .filter(
      one =>
        !fans.some(
          other =>
            other !== one &&
            other.option.price <= one.option.price &&
            other.rpm <= one.rpm &&
            (other.option.price < one.option.price || other.rpm < one.rpm),
        ),
    )
    .map(({ option }) => ({ ...option, mends: 'coolDrives' }))
}
