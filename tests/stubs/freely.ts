import type { PlanInput } from '../../core/plan/planSchema'

/** A plan that asks for none of the conditions: what is judged is the need alone. */
export function freely<Input extends Partial<PlanInput>>(input: Input) {
  return {
    ...input,
    system: { ...input.system, skillAtMost: 5 },
    conditions: {
      copyAway: false,
      limitsLoss: false,
      noUsbLayouts: false,
      quiet: false,
      coolDrives: false,
      fullRate: false,
      refurbishedMachines: true,
      refurbishedDrives: true,
      externalCaseDrives: true,
      systemApart: false,
      madeForConversion: false,
      spareBays: 0,
    },
  }
}
