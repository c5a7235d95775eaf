import { band } from '../band'
import { gridKinds } from '../catalogue/gridKinds'
import { exactly, type Estimate } from '../figure'
import type { Plan } from '../plan/planSchema'
import { kWhPerWattYear } from '../units/time'

const between = (low: number, high: number): Estimate => ({ low, likely: (low + high) / 2, high })

/**
 * Making something, kg CO₂e of one; an SSD by the terabyte. What is bought used was made for
 * somebody else.
 */
export const manufactureKg = {
  miniPc: between(80, 250),
  desktop: between(200, 350),
  appliance: between(100, 250),
  boardSwap: between(60, 100),
  drive: between(20, 30),
  ssdPerTB: between(60, 160),
  used: exactly(0),
} as const
export type Manufactured = keyof typeof manufactureKg

/** kg CO₂e that a kWh takes: entered, else that of the grid. */
export function gridCarbon({
  grid,
  gridKgPerKWh,
}: Pick<Plan['costs'], 'grid' | 'gridKgPerKWh'>): Estimate {
  return gridKgPerKWh === null ? gridKinds[grid].kgPerKWh : exactly(gridKgPerKWh)
}

export interface CarbonQuestion {
  /** kg of what is made for it: machine and drives, one entry each */
  readonly made: Readonly<Record<string, Estimate>>
  readonly averageW: number
  readonly kgPerKWh: Estimate
}

/** kg CO₂e after so many years: what was made, and the electricity since. */
export function carbonAfter({ made, averageW, kgPerKWh }: CarbonQuestion, years: number): Estimate {
  const names = Object.keys(made)
  return band(
    { ...made, kgPerKWh },
    (values: Readonly<Record<string, number>>) =>
      names.reduce((sum, name) => sum + values[name]!, 0) +
      averageW * kWhPerWattYear * years * values.kgPerKWh!,
    'linear',
  )
}

/**
 * Years until a new machine has saved the carbon that making it took: kg ÷ (saved W × 8.766 × kg a
 * kWh), its parts swung one by one.
 * null when it saves nothing.
 */
export function carbonBreakEven(
  made: Readonly<Record<string, Estimate>>,
  savedW: number,
  kgPerKWh: Estimate,
): Estimate | null {
  if (savedW <= 0 || kgPerKWh.likely <= 0) return null
  const names = Object.keys(made)
  const kg = (values: Readonly<Record<string, number>>) =>
    names.reduce((sum, name) => sum + values[name]!, 0)
  return band(
    { ...made, kgPerKWh },
    (values: Readonly<Record<string, number>>) =>
      kg(values) / (savedW * kWhPerWattYear * values.kgPerKWh!),
    'log',
  )
}
