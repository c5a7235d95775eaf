import type { KeptVerdict } from '../plan/driveRegister'
import type { Drives } from '../plan/drives'
import { failsMoreOften } from '../plan/constants'
import type { Ailing } from './poolOf'

const factors: Readonly<Partial<Record<KeptVerdict, number>>> = {
  watchSectors: failsMoreOften.watch,
  replace: failsMoreOften.replace,
}

/** Drives of the register whose verdicts raise their failure rate, while that is switched on. */
export function ailingOf({
  register,
  verdictsRaiseRisk,
}: Pick<Drives, 'register' | 'verdictsRaiseRisk'>): Ailing[] {
  if (!verdictsRaiseRisk) return []
  return register.flatMap(({ bay, health }) => {
    const factor = factors[health]
    return bay === null || factor === undefined ? [] : [{ bay, factor }]
  })
}
