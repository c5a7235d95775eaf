import type { Estimate } from '../figure'
import type { CalibratedFigure } from '../plan/trials'

/**
 * What a measurement of a figure depends on: it counts for no other machine, for no other model of
 * drive, for no other set of drives.
 */
export type Depends = 'machine' | 'model' | 'drives' | 'household'

export interface FigureRule {
  readonly depends: Depends
  readonly unit: string
  /** standard deviation of ln(measured ÷ true), undisturbed */
  readonly spread: number
  /** a corrected range is never narrower than this share either way */
  readonly least: number
  /** ends of the range as factors of likely, where the plan has none */
  readonly usual: Estimate | null
}

const within = (low: number, high: number): Estimate => ({ low, likely: 1, high })

export const figureRules: Readonly<Record<CalibratedFigure, FigureRule>> = {
  software: {
    depends: 'machine',
    unit: 'reference streams',
    spread: 0.1,
    least: 0.05,
    usual: null,
  },
  engine: { depends: 'machine', unit: '×', spread: 0.1, least: 0.05, usual: null },
  idleW: { depends: 'machine', unit: 'W', spread: 0.03, least: 0.03, usual: null },
  convertingW: { depends: 'machine', unit: 'W', spread: 0.05, least: 0.03, usual: null },
  startW: {
    depends: 'machine',
    unit: 'W',
    spread: 0.05,
    least: 0.05,
    usual: within(1 / 1.15, 1.15),
  },
  driveMBps: {
    depends: 'model',
    unit: 'MB/s',
    spread: 0.1,
    least: 0.05,
    usual: within(0.9, 1.05),
  },
  homeLink: { depends: 'household', unit: 'Mb/s', spread: 0.05, least: 0.05, usual: null },
  copyRate: {
    depends: 'household',
    unit: 'MB/s',
    spread: 0.1,
    least: 0.05,
    usual: within(0.8, 1.05),
  },
  smallFiles: { depends: 'household', unit: '×', spread: 0.25, least: 0.05, usual: null },
  upload: {
    depends: 'household',
    unit: 'Mb/s',
    spread: 0.1,
    least: 0.05,
    usual: within(0.8, 1.05),
  },
  download: {
    depends: 'household',
    unit: 'Mb/s',
    spread: 0.1,
    least: 0.05,
    usual: within(0.8, 1.05),
  },
  driveRise: {
    depends: 'machine',
    unit: 'K',
    spread: 0.1,
    least: 0.05,
    usual: within(1 / 1.4, 1.4),
  },
  rebuildHours: {
    depends: 'drives',
    unit: 'h',
    spread: 0.1,
    least: 0.05,
    usual: within(1 / 1.3, 1.6),
  },
}

/** The speed of one conversion alone is read off more closely than a count. */
export const aloneSpread = 0.08
/** What Wi-Fi carries is known roughly. */
export const wifiRange = within(1 / 1.5, 1.4)
