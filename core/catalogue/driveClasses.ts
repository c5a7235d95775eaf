import type { Estimate } from '../figure'

/** A kind of drive, with the share of them expected to fail in a year. */
export interface DriveClass {
  readonly id: string
  readonly label: string
  /** annual failure rate of one drive, 0..1 */
  readonly failuresPerYear: number
  /** turns, and so shakes its neighbours */
  readonly spinning: boolean
  /** watts of one drive, DC, as 80 % bands: with nothing to do, and at work */
  readonly idleW: Estimate
  readonly activeW: Estimate
  /** planning value of a terabyte in the plan's currency, where no price is given */
  readonly pricePerTB: number
  /** sold in a case of its own that hangs on USB: it takes no bay, port or plug of the machine */
  readonly inOwnCase?: true
}

const spinning = {
  spinning: true,
  idleW: { low: 3.5, likely: 4.75, high: 6 },
  activeW: { low: 6, likely: 7.5, high: 9 },
}

// prettier-ignore
export const driveClasses: readonly DriveClass[] = [
  { id: 'nas', label: 'NAS-class, new', failuresPerYear: 0.015, ...spinning, pricePerTB: 20 },
  { id: 'desktop', label: 'Desktop-class, running day and night', failuresPerYear: 0.025, ...spinning, pricePerTB: 18 },
  { id: 'refurbished', label: 'Refurbished', failuresPerYear: 0.04, ...spinning, idleW: { low: 6, likely: 7, high: 8 }, pricePerTB: 12 },
  { id: 'externalCase', label: 'Taken from external cases', failuresPerYear: 0.025, ...spinning, pricePerTB: 15 },
  { id: 'ownCase', label: 'Portable or desk drive in its own case', failuresPerYear: 0.025, ...spinning, pricePerTB: 20, inOwnCase: true },
  { id: 'ssd', label: 'SSD', failuresPerYear: 0.008, spinning: false, idleW: { low: 0.3, likely: 0.5, high: 0.8 }, activeW: { low: 2, likely: 3, high: 5 }, pricePerTB: 60 },
]
