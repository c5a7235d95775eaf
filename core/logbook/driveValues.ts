import { z } from 'zod'

const count = z.number().int().min(0).max(1e15).nullable().default(null)
const amount = z.number().min(-100).max(1e12).nullable().default(null)
const short = z.string().max(120).default('')

/** How a self-test of a drive ended. */
export const selfTestEnds = {
  passed: 'passed',
  failed: 'failed',
  interrupted: 'was interrupted',
  running: 'is running',
} as const
export type SelfTestEnd = keyof typeof selfTestEnds

const selfTestSchema = z.object({
  length: z.enum(['short', 'long']),
  end: z.enum(['passed', 'failed', 'interrupted', 'running']),
  /** hours of the drive when it ended; null where they are not known */
  atHours: count,
})
export type DriveSelfTest = z.infer<typeof selfTestSchema>

/**
 * What a drive says of itself, as a report of its own watch has it. What it does not say is null:
 * never 0.
 */
export const driveValuesSchema = z.object({
  serial: z.string().min(1).max(60),
  wwn: short,
  model: short,
  sizeTB: amount,
  /** its platters turn; false for an SSD */
  turns: z.boolean().nullable().default(null),
  /** its own verdict: in order, or failing */
  passed: z.boolean().nullable().default(null),
  /** attributes at their threshold now, and once */
  atThreshold: z.array(z.number().int().min(0).max(255)).max(60).default([]),
  wasAtThreshold: z.array(z.number().int().min(0).max(255)).max(60).default([]),
  /** 5, 187, 197, 198, 184, 10, 199, 188 */
  reallocated: count,
  uncorrectable: count,
  pending: count,
  offline: count,
  endToEnd: count,
  spinRetries: count,
  crc: count,
  timeouts: count,
  mediaErrors: count,
  sparePercent: amount,
  spareThreshold: amount,
  /** bits of the standard's critical warning */
  criticalWarning: z.number().int().min(0).max(255).nullable().default(null),
  wearPercent: amount,
  temperatureC: amount,
  limitC: amount,
  hours: count,
  powerCycles: count,
  loadCycles: count,
  errorsLogged: count,
  writtenTB: amount,
  /** its link runs slower than both ends could */
  linkSlow: z.boolean().nullable().default(null),
  /** the newest first */
  selfTests: z.array(selfTestSchema).max(40).default([]),
})
export type DriveValues = z.infer<typeof driveValuesSchema>

/** A report with the day on which it was made. */
export interface DriveReport extends DriveValues {
  /** '2026-11-24' */
  readonly day: string
}
