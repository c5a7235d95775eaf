import type { Estimate } from '../figure'

/** kg CO₂e of a kilowatt-hour by how it is made: life-cycle medians with their ranges. */
export const gridKinds = {
  mixed: { label: 'Mixed grid', kgPerKWh: { low: 0.25, likely: 0.325, high: 0.4 } },
  gas: { label: 'Gas', kgPerKWh: { low: 0.41, likely: 0.49, high: 0.65 } },
  coal: { label: 'Coal', kgPerKWh: { low: 0.74, likely: 0.82, high: 0.91 } },
  wind: { label: 'Wind', kgPerKWh: { low: 0.011, likely: 0.011, high: 0.011 } },
} as const satisfies Readonly<
  Record<string, { readonly label: string; readonly kgPerKWh: Estimate }>
>

export type GridKind = keyof typeof gridKinds
