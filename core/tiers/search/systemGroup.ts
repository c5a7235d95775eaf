import type { MachineBase } from '../../catalogue/machineBases'
import type { SystemKind } from '../../catalogue/systemKinds'
import { meetsWishes } from '../../machine/system/compareSystems'
import { systemOf } from '../../machine/machineFacts'
import { automaticSystem } from '../../plan/constants'
import type { Group, Option } from './frame'
import { none, type Book } from './frameOptions'
import type { PoolOffer } from './poolOffers'

/**
 * Kinds of system that run on a machine and do what is wished of them. A system that was chosen
 * stays, and so does the one that comes with an appliance.
 */
export function systemGroup(
  {
    plan,
    catalogue: { systemKinds },
    systemYears,
  }: Pick<Book, 'plan' | 'catalogue' | 'systemYears'>,
  {
    base,
    arm,
    isKept = false,
  }: {
    readonly base: MachineBase | null
    readonly arm: boolean
    readonly isKept?: boolean | undefined
  },
): Group {
  const { system } = plan
  const usual = systemOf(system.kind, { base }, systemKinds)
  if (isKept || system.kind !== automaticSystem || base?.class === 'appliance')
    return { id: 'system', options: [{ ...none, overYears: systemYears(usual) }] }
  return {
    id: 'system',
    options: systemKinds.flatMap((kind): Option[] => {
      if (kind.onlyOn !== null || (arm && !kind.onArm) || !meetsWishes(kind, system)) return []
      // What follows the machine takes watts as well: they stand in the frame already.
      const moreW = kind.idleW - (usual?.idleW ?? 0)
      const overYears = systemYears(kind)
      return [{ ...none, idleW: moreW, loadW: moreW, system: kind, overYears }]
    }),
  }
}

/** Whether a kind of system makes the layout of drives, of their sizes. */
export function takesLayout(
  kind: SystemKind | null,
  { count, drives: { layout }, isMixed }: Pick<PoolOffer, 'count' | 'drives' | 'isMixed'>,
): boolean {
  if (!kind) return true
  return (
    (count <= 1 || kind.layouts.length === 0 || kind.layouts.includes(layout)) &&
    (!isMixed || kind.mixedSizes)
  )
}
