/** A kind of drive, with the share of them expected to fail in a year. */
export interface DriveClass {
  readonly id: string
  readonly label: string
  /** annual failure rate of one drive, 0..1 */
  readonly failuresPerYear: number
  /** watts spinning idle, DC, as an 80 % band */
  readonly idleW: { readonly low: number, readonly likely: number, readonly high: number }
}

const spinning = { low: 3.5, likely: 4.75, high: 6 }

export const driveClasses: readonly DriveClass[] = [
  { id: 'nas', label: 'NAS-class, new', failuresPerYear: 0.015, idleW: spinning },
  { id: 'desktop', label: 'Desktop-class, running day and night', failuresPerYear: 0.025, idleW: spinning },
  { id: 'refurbished', label: 'Refurbished', failuresPerYear: 0.04, idleW: { low: 6, likely: 7, high: 8 } },
  { id: 'externalCase', label: 'Taken from external cases', failuresPerYear: 0.025, idleW: spinning },
  { id: 'ssd', label: 'SSD', failuresPerYear: 0.008, idleW: { low: 0.3, likely: 0.5, high: 0.8 } },
]
