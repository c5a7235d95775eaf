import type { z } from 'zod'

export type Json = z.core.util.JSONType
export type FieldsAside = Readonly<Record<string, Json>>

/**
 * The most that a plan keeps of fields it does not know: letters as JSON, fields, letters of a
 * path, levels of nesting.
 */
export const keptAsideLimits = {
  letters: 64_000,
  fields: 500,
  pathLetters: 500,
  depth: 32,
} as const

/**
 * Whether a value is nested deeper than so many levels; looks level by level, so that depth itself
 * cannot hurt it.
 */
export function isDeeperThan(value: unknown, most: number): boolean {
  let level: unknown[] = [value]
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > most) return true
    level = level.flatMap(entry =>
      typeof entry === 'object' && entry !== null ? Object.values(entry) : [],
    )
  }
  return false
}

/**
 * As much as a plan keeps of the fields that it does not know, in their order.
 * @returns what is kept, and the paths of what is too much of it
 */
export function keepAside(fields: FieldsAside): {
  readonly kept: Record<string, Json>
  readonly leftOut: readonly string[]
} {
  const kept: Record<string, Json> = {}
  const leftOut: string[] = []
  let letters = 0
  let count = 0
  for (const [path, value] of Object.entries(fields)) {
    const size =
      count < keptAsideLimits.fields &&
      path.length <= keptAsideLimits.pathLetters &&
      !isDeeperThan(value, keptAsideLimits.depth)
        ? JSON.stringify({ [path]: value }).length
        : Infinity
    if (letters + size > keptAsideLimits.letters) {
      leftOut.push(path)
      continue
    }
    // By definition, not by assignment: a field may be called __proto__.
    Object.defineProperty(kept, path, {
      value,
      enumerable: true,
      writable: true,
      configurable: true,
    })
    letters += size
    count++
  }
  return { kept, leftOut }
}
