import type { z } from 'zod'

type Json = z.core.util.JSONType

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}

/**
 * Fields of a raw document that did not come through the schema, by dotted path.
 * @param raw the document before parsing
 * @param known the same document after parsing
 */
export function unknownFields(raw: unknown, known: unknown, path = ''): Record<string, Json> {
  if (path === 'keptAside') return {}
  const found: Record<string, Json> = {}
  const at = (key: string | number) => path ? `${path}.${key}` : String(key)
  if (Array.isArray(raw) && Array.isArray(known)) {
    raw.forEach((entry, index) => Object.assign(found, unknownFields(entry, known[index], at(index))))
  }
  else if (isRecord(raw) && isRecord(known)) {
    for (const [key, value] of Object.entries(raw)) {
      if (!Object.hasOwn(known, key)) found[at(key)] = value as Json
      else Object.assign(found, unknownFields(value, known[key], at(key)))
    }
  }
  return found
}
