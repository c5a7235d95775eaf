import type { Json } from './keptAside'

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
  // Without a prototype: a field may be called __proto__.
  const found: Record<string, Json> = Object.create(null) as Record<string, Json>
  const at = (key: string | number) => (path ? `${path}.${key}` : String(key))
  if (Array.isArray(raw) && Array.isArray(known)) {
    raw.forEach((entry, index) =>
      Object.assign(found, unknownFields(entry, known[index], at(index))),
    )
  } else if (isRecord(raw) && isRecord(known)) {
    for (const [key, value] of Object.entries(raw)) {
      if (!Object.hasOwn(known, key)) found[at(key)] = value as Json
      else Object.assign(found, unknownFields(value, known[key], at(key)))
    }
  }
  return found
}
