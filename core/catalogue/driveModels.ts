/** How tracks are written: beside each other, overlapping, or in flash cells. */
export type Recording = 'conventional' | 'shingled' | 'flash'

/**
 * An invented drive model with the figures of its data sheet. Planning values, watts DC, the price
 * in the plan's currency.
 */
export interface DriveModel {
  readonly id: string
  readonly label: string
  /** id of its class */
  readonly driveClass: string
  readonly sizeTB: number
  readonly recording: Recording
  readonly idleW: number
  readonly activeW: number
  readonly standbyW: number
  /** at the moment it spins up */
  readonly surgeW: number
  /** annual failure rate of one drive, 0..1 */
  readonly failuresPerYear: number
  /** one unreadable sector in so many bits read */
  readonly sheetReadErrorBits: number
  /** sequential, on the outer tracks */
  readonly outerMBps: number
  readonly price: number
  /**
   * an SSD for an M.2 place, or a drive in a case of its own on USB; everything else hangs on a data
   * port
   */
  readonly link?: 'nvme' | 'usb'
  readonly sold: 'new' | 'refurbished' | 'fromExternalCase'
}

// prettier-ignore
export const driveModels: readonly DriveModel[] = [
  { id: 'sluice-2', label: 'Sluice 2 TB', driveClass: 'nas', sizeTB: 2, recording: 'conventional', idleW: 3.2, activeW: 4.8, standbyW: 0.4, surgeW: 16, failuresPerYear: 0.015, sheetReadErrorBits: 1e14, outerMBps: 175, price: 74, sold: 'new' },
  { id: 'sluice-4', label: 'Sluice 4 TB', driveClass: 'nas', sizeTB: 4, recording: 'conventional', idleW: 3.4, activeW: 5.1, standbyW: 0.4, surgeW: 17, failuresPerYear: 0.015, sheetReadErrorBits: 1e14, outerMBps: 180, price: 105, sold: 'new' },
  { id: 'sluice-6', label: 'Sluice 6 TB', driveClass: 'nas', sizeTB: 6, recording: 'conventional', idleW: 3.6, activeW: 5.4, standbyW: 0.4, surgeW: 18, failuresPerYear: 0.015, sheetReadErrorBits: 1e14, outerMBps: 185, price: 138, sold: 'new' },
  { id: 'sluice-8', label: 'Sluice 8 TB', driveClass: 'nas', sizeTB: 8, recording: 'conventional', idleW: 4.0, activeW: 6.2, standbyW: 0.5, surgeW: 20, failuresPerYear: 0.015, sheetReadErrorBits: 1e14, outerMBps: 210, price: 165, sold: 'new' },
  { id: 'sluice-10', label: 'Sluice 10 TB', driveClass: 'nas', sizeTB: 10, recording: 'conventional', idleW: 4.8, activeW: 7.0, standbyW: 0.6, surgeW: 22, failuresPerYear: 0.015, sheetReadErrorBits: 1e15, outerMBps: 230, price: 205, sold: 'new' },
  { id: 'sluice-12', label: 'Sluice 12 TB', driveClass: 'nas', sizeTB: 12, recording: 'conventional', idleW: 4.9, activeW: 7.1, standbyW: 0.6, surgeW: 23, failuresPerYear: 0.015, sheetReadErrorBits: 1e15, outerMBps: 240, price: 228, sold: 'new' },
  { id: 'sluice-12s', label: 'Sluice 12 TB, slow', driveClass: 'nas', sizeTB: 12, recording: 'conventional', idleW: 4.0, activeW: 6.0, standbyW: 0.5, surgeW: 20, failuresPerYear: 0.015, sheetReadErrorBits: 1e15, outerMBps: 200, price: 245, sold: 'new' },
  { id: 'sluice-14', label: 'Sluice 14 TB', driveClass: 'nas', sizeTB: 14, recording: 'conventional', idleW: 5.0, activeW: 7.2, standbyW: 0.7, surgeW: 24, failuresPerYear: 0.012, sheetReadErrorBits: 1e15, outerMBps: 250, price: 259, sold: 'new' },
  { id: 'sluice-16', label: 'Sluice 16 TB', driveClass: 'nas', sizeTB: 16, recording: 'conventional', idleW: 5.2, activeW: 7.3, standbyW: 0.8, surgeW: 24, failuresPerYear: 0.012, sheetReadErrorBits: 1e15, outerMBps: 255, price: 289, sold: 'new' },
  { id: 'sluice-18', label: 'Sluice 18 TB', driveClass: 'nas', sizeTB: 18, recording: 'conventional', idleW: 5.3, activeW: 7.5, standbyW: 0.8, surgeW: 24, failuresPerYear: 0.012, sheetReadErrorBits: 1e15, outerMBps: 262, price: 329, sold: 'new' },
  { id: 'sluice-20', label: 'Sluice 20 TB', driveClass: 'nas', sizeTB: 20, recording: 'conventional', idleW: 5.4, activeW: 7.6, standbyW: 0.9, surgeW: 24, failuresPerYear: 0.012, sheetReadErrorBits: 1e15, outerMBps: 268, price: 369, sold: 'new' },
  { id: 'sluice-24', label: 'Sluice 24 TB', driveClass: 'nas', sizeTB: 24, recording: 'conventional', idleW: 5.8, activeW: 7.9, standbyW: 1.0, surgeW: 25, failuresPerYear: 0.012, sheetReadErrorBits: 1e15, outerMBps: 275, price: 469, sold: 'new' },
  { id: 'sluice-28', label: 'Sluice 28 TB', driveClass: 'nas', sizeTB: 28, recording: 'conventional', idleW: 6.0, activeW: 8.2, standbyW: 1.0, surgeW: 25, failuresPerYear: 0.012, sheetReadErrorBits: 1e15, outerMBps: 280, price: 565, sold: 'new' },
  { id: 'weir-2', label: 'Weir 2 TB', driveClass: 'desktop', sizeTB: 2, recording: 'shingled', idleW: 3.0, activeW: 4.6, standbyW: 0.4, surgeW: 15, failuresPerYear: 0.025, sheetReadErrorBits: 1e14, outerMBps: 180, price: 58, sold: 'new' },
  { id: 'weir-4', label: 'Weir 4 TB', driveClass: 'desktop', sizeTB: 4, recording: 'shingled', idleW: 3.2, activeW: 5.0, standbyW: 0.4, surgeW: 16, failuresPerYear: 0.025, sheetReadErrorBits: 1e14, outerMBps: 185, price: 84, sold: 'new' },
  { id: 'weir-8', label: 'Weir 8 TB', driveClass: 'desktop', sizeTB: 8, recording: 'shingled', idleW: 3.6, activeW: 5.6, standbyW: 0.5, surgeW: 18, failuresPerYear: 0.025, sheetReadErrorBits: 1e14, outerMBps: 190, price: 139, sold: 'new' },
  { id: 'weir-4-plus', label: 'Weir 4 TB, conventional', driveClass: 'desktop', sizeTB: 4, recording: 'conventional', idleW: 4.0, activeW: 6.2, standbyW: 0.5, surgeW: 20, failuresPerYear: 0.025, sheetReadErrorBits: 1e14, outerMBps: 200, price: 92, sold: 'new' },
  { id: 'weir-8-plus', label: 'Weir 8 TB, conventional', driveClass: 'desktop', sizeTB: 8, recording: 'conventional', idleW: 5.0, activeW: 7.0, standbyW: 0.6, surgeW: 23, failuresPerYear: 0.025, sheetReadErrorBits: 1e14, outerMBps: 220, price: 152, sold: 'new' },
  { id: 'weir-12-plus', label: 'Weir 12 TB, conventional', driveClass: 'desktop', sizeTB: 12, recording: 'conventional', idleW: 5.4, activeW: 7.4, standbyW: 0.7, surgeW: 24, failuresPerYear: 0.025, sheetReadErrorBits: 1e14, outerMBps: 240, price: 209, sold: 'new' },
  { id: 'ebb-4', label: 'Ebb 4 TB, refurbished', driveClass: 'refurbished', sizeTB: 4, recording: 'conventional', idleW: 7.0, activeW: 9.0, standbyW: 0.8, surgeW: 26, failuresPerYear: 0.04, sheetReadErrorBits: 1e15, outerMBps: 170, price: 45, sold: 'refurbished' },
  { id: 'ebb-8', label: 'Ebb 8 TB, refurbished', driveClass: 'refurbished', sizeTB: 8, recording: 'conventional', idleW: 6.8, activeW: 8.8, standbyW: 0.8, surgeW: 26, failuresPerYear: 0.04, sheetReadErrorBits: 1e15, outerMBps: 210, price: 92, sold: 'refurbished' },
  { id: 'ebb-10', label: 'Ebb 10 TB, refurbished', driveClass: 'refurbished', sizeTB: 10, recording: 'conventional', idleW: 6.2, activeW: 8.4, standbyW: 0.8, surgeW: 26, failuresPerYear: 0.04, sheetReadErrorBits: 1e15, outerMBps: 240, price: 118, sold: 'refurbished' },
  { id: 'ebb-12', label: 'Ebb 12 TB, refurbished', driveClass: 'refurbished', sizeTB: 12, recording: 'conventional', idleW: 6.0, activeW: 8.2, standbyW: 0.8, surgeW: 26, failuresPerYear: 0.04, sheetReadErrorBits: 1e15, outerMBps: 250, price: 139, sold: 'refurbished' },
  { id: 'ebb-16', label: 'Ebb 16 TB, refurbished', driveClass: 'refurbished', sizeTB: 16, recording: 'conventional', idleW: 6.0, activeW: 8.2, standbyW: 0.9, surgeW: 26, failuresPerYear: 0.04, sheetReadErrorBits: 1e15, outerMBps: 260, price: 189, sold: 'refurbished' },
  { id: 'creel-8', label: 'Creel 8 TB, from an external case', driveClass: 'externalCase', sizeTB: 8, recording: 'conventional', idleW: 4.2, activeW: 6.4, standbyW: 0.5, surgeW: 20, failuresPerYear: 0.025, sheetReadErrorBits: 1e14, outerMBps: 200, price: 125, sold: 'fromExternalCase' },
  { id: 'creel-14', label: 'Creel 14 TB, from an external case', driveClass: 'externalCase', sizeTB: 14, recording: 'conventional', idleW: 5.0, activeW: 7.0, standbyW: 0.6, surgeW: 23, failuresPerYear: 0.025, sheetReadErrorBits: 1e14, outerMBps: 240, price: 205, sold: 'fromExternalCase' },
  { id: 'creel-18', label: 'Creel 18 TB, from an external case', driveClass: 'externalCase', sizeTB: 18, recording: 'conventional', idleW: 5.4, activeW: 7.4, standbyW: 0.8, surgeW: 24, failuresPerYear: 0.025, sheetReadErrorBits: 1e14, outerMBps: 255, price: 265, sold: 'fromExternalCase' },
  { id: 'creel-5', label: 'Creel 5 TB, from an external case', driveClass: 'externalCase', sizeTB: 5, recording: 'shingled', idleW: 1.4, activeW: 2.4, standbyW: 0.2, surgeW: 6, failuresPerYear: 0.03, sheetReadErrorBits: 1e14, outerMBps: 130, price: 88, sold: 'fromExternalCase' },
  { id: 'rivulet-1', label: 'Rivulet 1 TB, portable drive in its own case', link: 'usb', driveClass: 'ownCase', sizeTB: 1, recording: 'shingled', idleW: 0.8, activeW: 2.0, standbyW: 0.2, surgeW: 4, failuresPerYear: 0.025, sheetReadErrorBits: 1e14, outerMBps: 120, price: 52, sold: 'new' },
  { id: 'rivulet-2', label: 'Rivulet 2 TB, portable drive in its own case', link: 'usb', driveClass: 'ownCase', sizeTB: 2, recording: 'shingled', idleW: 0.9, activeW: 2.1, standbyW: 0.2, surgeW: 4, failuresPerYear: 0.025, sheetReadErrorBits: 1e14, outerMBps: 130, price: 65, sold: 'new' },
  { id: 'rivulet-5', label: 'Rivulet 5 TB, portable drive in its own case', link: 'usb', driveClass: 'ownCase', sizeTB: 5, recording: 'shingled', idleW: 1.4, activeW: 2.4, standbyW: 0.2, surgeW: 5, failuresPerYear: 0.025, sheetReadErrorBits: 1e14, outerMBps: 140, price: 110, sold: 'new' },
  { id: 'pond-8', label: 'Pond 8 TB, desk drive in its own case', link: 'usb', driveClass: 'ownCase', sizeTB: 8, recording: 'shingled', idleW: 3.6, activeW: 5.6, standbyW: 0.5, surgeW: 18, failuresPerYear: 0.025, sheetReadErrorBits: 1e14, outerMBps: 190, price: 150, sold: 'new' },
  { id: 'pond-16', label: 'Pond 16 TB, desk drive in its own case', link: 'usb', driveClass: 'ownCase', sizeTB: 16, recording: 'shingled', idleW: 4.8, activeW: 6.8, standbyW: 0.7, surgeW: 23, failuresPerYear: 0.025, sheetReadErrorBits: 1e14, outerMBps: 220, price: 285, sold: 'new' },
  { id: 'pond-20', label: 'Pond 20 TB, desk drive in its own case', link: 'usb', driveClass: 'ownCase', sizeTB: 20, recording: 'shingled', idleW: 5.2, activeW: 7.2, standbyW: 0.8, surgeW: 24, failuresPerYear: 0.025, sheetReadErrorBits: 1e14, outerMBps: 230, price: 355, sold: 'new' },
  { id: 'eddy-1', label: 'Eddy 1 TB, SATA SSD', driveClass: 'ssd', sizeTB: 1, recording: 'flash', idleW: 0.4, activeW: 2.4, standbyW: 0.1, surgeW: 4, failuresPerYear: 0.008, sheetReadErrorBits: 1e16, outerMBps: 530, price: 68, sold: 'new' },
  { id: 'eddy-2', label: 'Eddy 2 TB, SATA SSD', driveClass: 'ssd', sizeTB: 2, recording: 'flash', idleW: 0.5, activeW: 2.8, standbyW: 0.1, surgeW: 4, failuresPerYear: 0.008, sheetReadErrorBits: 1e16, outerMBps: 530, price: 124, sold: 'new' },
  { id: 'eddy-4', label: 'Eddy 4 TB, SATA SSD', driveClass: 'ssd', sizeTB: 4, recording: 'flash', idleW: 0.6, activeW: 3.2, standbyW: 0.1, surgeW: 5, failuresPerYear: 0.008, sheetReadErrorBits: 1e16, outerMBps: 530, price: 238, sold: 'new' },
  { id: 'eddy-8', label: 'Eddy 8 TB, SATA SSD', driveClass: 'ssd', sizeTB: 8, recording: 'flash', idleW: 0.8, activeW: 3.6, standbyW: 0.1, surgeW: 6, failuresPerYear: 0.008, sheetReadErrorBits: 1e16, outerMBps: 530, price: 495, sold: 'new' },
  { id: 'eddy-4d', label: 'Eddy 4 TB, SATA SSD, dense', driveClass: 'ssd', sizeTB: 4, recording: 'flash', idleW: 0.6, activeW: 3.2, standbyW: 0.1, surgeW: 5, failuresPerYear: 0.008, sheetReadErrorBits: 1e16, outerMBps: 530, price: 205, sold: 'new' },
  { id: 'eddy-8d', label: 'Eddy 8 TB, SATA SSD, dense', driveClass: 'ssd', sizeTB: 8, recording: 'flash', idleW: 0.8, activeW: 3.6, standbyW: 0.1, surgeW: 6, failuresPerYear: 0.008, sheetReadErrorBits: 1e16, outerMBps: 530, price: 430, sold: 'new' },
  { id: 'rill-1', label: 'Rill 1 TB, NVMe SSD', link: 'nvme', driveClass: 'ssd', sizeTB: 1, recording: 'flash', idleW: 0.5, activeW: 4.5, standbyW: 0.1, surgeW: 8, failuresPerYear: 0.008, sheetReadErrorBits: 1e17, outerMBps: 3000, price: 82, sold: 'new' },
  { id: 'rill-2', label: 'Rill 2 TB, NVMe SSD', link: 'nvme', driveClass: 'ssd', sizeTB: 2, recording: 'flash', idleW: 0.6, activeW: 5.0, standbyW: 0.1, surgeW: 8, failuresPerYear: 0.008, sheetReadErrorBits: 1e17, outerMBps: 3000, price: 145, sold: 'new' },
  { id: 'rill-4', label: 'Rill 4 TB, NVMe SSD', link: 'nvme', driveClass: 'ssd', sizeTB: 4, recording: 'flash', idleW: 0.8, activeW: 5.6, standbyW: 0.1, surgeW: 9, failuresPerYear: 0.008, sheetReadErrorBits: 1e17, outerMBps: 3000, price: 272, sold: 'new' },
  { id: 'rill-8', label: 'Rill 8 TB, NVMe SSD', link: 'nvme', driveClass: 'ssd', sizeTB: 8, recording: 'flash', idleW: 1.0, activeW: 6.2, standbyW: 0.1, surgeW: 10, failuresPerYear: 0.008, sheetReadErrorBits: 1e17, outerMBps: 3000, price: 620, sold: 'new' },
]
