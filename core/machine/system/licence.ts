import type { LicenceStep, SystemKind } from '../../catalogue/systemKinds'
import { partsOfKind } from '../knownParts'
import type { MachineBuild } from '../machineBuild'

/**
 * Drives that are plugged in, as a licence by their number counts them: those for data, wherever
 * they hang, and the system's own disks; the stick that a system boots from is left out.
 */
export function pluggedIn({ parts }: Pick<MachineBuild, 'parts'>, dataDrives: number): number {
  return partsOfKind(parts, 'ssd').reduce(
    (sum, { part, entry }) => (entry.shape === 'stick' ? sum : sum + part.count),
    dataDrives,
  )
}

/** The cheapest step of a licence that counts so many drives; null where none does. */
export function licenceFor(
  { steps }: Pick<SystemKind['licence'], 'steps'>,
  drives: number,
): LicenceStep | null {
  return steps
    .filter(({ upToDrives }) => upToDrives === null || upToDrives >= drives)
    .reduce<LicenceStep | null>(
      (cheapest, step) => (cheapest === null || step.once < cheapest.once ? step : cheapest),
      null,
    )
}

/**
 * What the licence of a kind of system costs once, for so many drives, in the plan's currency.
 * Where no step counts as many, the dearest: that it will not do is told by itself.
 */
export function licenceOnce(
  system: { readonly licence: Pick<SystemKind['licence'], 'steps'> } | null,
  drives: number,
): number {
  if (!system) return 0
  const { steps } = system.licence
  return licenceFor({ steps }, drives)?.once ?? Math.max(...steps.map(({ once }) => once))
}
