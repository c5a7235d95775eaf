import { phases } from '~~/core/rehearsal/evening/liveSession'
import type { PicturePoint, PictureSession } from '~~/core/rehearsal/picture/eveningPicture'

/** How thick the ribbon of a picture of so many lines is, of the thickest. */
export function thicknessOf(lines: number): number {
  if (lines === 0) return 0.3
  if (lines <= 360) return 0.4
  if (lines <= 576) return 0.52
  if (lines <= 720) return 0.66
  return lines <= 1080 ? 0.82 : 1
}

/** A full buffer, seconds. */
const fullS = 60

/** A stretch of a session in which it plays at one picture size, or waits. */
export interface Stretch {
  readonly from: number
  readonly to: number
  readonly lines: number
  readonly waits: 'start' | 'stall' | 'seek' | null
  /** share of the buffer at its ends, and at the bends between: time and share */
  readonly water: readonly (readonly [at: number, share: number])[]
}

const waitOf = (phase: PicturePoint['phase']): Stretch['waits'] =>
  phase === phases.start
    ? 'start'
    : phase === phases.stall
      ? 'stall'
      : phase === phases.seek
        ? 'seek'
        : null

/** Seconds ready at a moment after a point, on its straight line. */
export function bufferAt(point: PicturePoint, at: number): number {
  const fills = waitOf(point.phase) === null ? point.speed - 1 : point.speed
  return Math.max(0, point.buffer + fills * (at - point.at))
}

/** The stretches of a session, one after the other. */
export function stretchesOf({ points, over }: Pick<PictureSession, 'points' | 'over'>): Stretch[] {
  const stretches: Stretch[] = []
  points.forEach((point, at) => {
    const to = points[at + 1]?.at ?? over
    if (to <= point.at) return
    const waits = waitOf(point.phase)
    const water = [
      [point.at, Math.min(1, point.buffer / fullS)],
      [to, Math.min(1, bufferAt(point, to) / fullS)],
    ] as const
    const last = stretches.at(-1)
    if (last && last.waits === waits && last.lines === point.lines)
      stretches[stretches.length - 1] = { ...last, to, water: [...last.water, ...water] }
    else stretches.push({ from: point.at, to, lines: point.lines, waits, water })
  })
  return stretches
}

/** The point that holds at a moment; null before and after. */
export function pointAt({ points, start, over }: PictureSession, at: number): PicturePoint | null {
  if (at < start || at >= over) return null
  return points.findLast(point => point.at <= at) ?? null
}

/** A moment of an evening by the clock. */
export function clockText(seconds: number, withSeconds = false): string {
  const all = Math.floor(seconds + 1e-6)
  const two = (value: number) => String(value).padStart(2, '0')
  const hours = Math.floor(all / 3600) % 24
  const text = `${two(hours)}:${two(Math.floor(all / 60) % 60)}`
  return withSeconds ? `${text}:${two(all % 60)}` : text
}
