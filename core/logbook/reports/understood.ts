import { dayText } from '../../units/calendarDay'
import type { EntryDraft } from '../entry'

/** What was read of one document. */
export interface Understood {
  readonly tool: string
  readonly version: string
  readonly entries: readonly EntryDraft[]
  /** why there is nothing in it, or what of it was left out, in whole sentences */
  readonly notes: readonly string[]
}

/** A part of a document that is of no known shape counts as left out. */
export type Loose = Readonly<Record<string, unknown>>

export const part = (of: unknown, ...path: readonly string[]): unknown =>
  path.reduce<unknown>(
    (value, key) =>
      value !== null && typeof value === 'object' ? (value as Loose)[key] : undefined,
    of,
  )

/** A number that is there; null for anything else: what is not known is no 0. */
export function numberAt(of: unknown, ...path: readonly string[]): number | null {
  const value = part(of, ...path)
  return typeof value === 'number' && Number.isFinite(value) ? value : null
}
/** A whole number from nothing on. */
export function countAt(of: unknown, ...path: readonly string[]): number | null {
  const value = numberAt(of, ...path)
  return value !== null && value >= 0 && value <= 1e15 ? Math.round(value) : null
}
export function textAt(of: unknown, ...path: readonly string[]): string {
  const value = part(of, ...path)
  return typeof value === 'string' ? value.trim().slice(0, 120) : ''
}
export function listAt(of: unknown, ...path: readonly string[]): readonly unknown[] {
  const value = part(of, ...path)
  return Array.isArray(value) ? value : []
}

/** Seconds since 1970 as the moment in UTC, '2026-11-24T23:39:08Z'; null where it is none. */
export function momentOf(seconds: number | null): string | null {
  if (seconds === null || seconds < 0 || seconds > 4e9) return null
  const whole = Math.floor(seconds)
  const day = dayText(Math.floor(whole / 86_400))
  const of = (value: number) => String(value).padStart(2, '0')
  const rest = whole % 86_400
  return `${day}T${of(Math.floor(rest / 3600))}:${of(Math.floor(rest / 60) % 60)}:${of(rest % 60)}Z`
}
