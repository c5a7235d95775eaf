import { z } from 'zod'
import { isNamedList } from './fields'

/** A schema and the path of what it checks; '' for the whole document. */
export interface SchemaAt {
  readonly schema: z.core.$ZodType
  readonly path: string
}

/** The schema behind defaults, with every check on the way that is more than a length. */
function behindDefaults(outer: z.core.$ZodType): {
  readonly inner: z.core.$ZodType
  readonly hasRules: boolean
} {
  let inner = outer
  let hasRules = false
  for (;;) {
    hasRules ||= (inner._zod.def.checks ?? []).some(({ _zod }) => _zod.def.check !== 'max_length')
    if (!(inner instanceof z.ZodDefault || inner instanceof z.ZodPrefault))
      return { inner, hasRules }
    inner = inner.unwrap() as z.core.$ZodType
  }
}

/**
 * The part of a schema that an edit at a path can break: an edit need not check what stands beside
 * it. Objects are gone through to the field, lists to the entry, as far as no check looks at more
 * than that.
 */
export function narrowestSchema(schema: z.core.$ZodType, path: string): SchemaAt {
  const keys = path.split('.')
  let at: z.core.$ZodType = schema
  let depth = 0
  for (; depth < keys.length; depth++) {
    const { inner, hasRules } = behindDefaults(at)
    const rest = keys.slice(depth)
    if (inner instanceof z.ZodObject) {
      const field = (inner.shape as Readonly<Record<string, z.core.$ZodType>>)[rest[0]!]
      if (hasRules || !field) break
      at = field
    } else if (inner instanceof z.ZodArray) {
      // A named list looks at the names of its entries, which an edit of another field keeps.
      const staysNamed = isNamedList(at) && rest[1] !== 'id'
      if (rest.length < 2 || (hasRules && !staysNamed)) break
      at = inner.element as z.core.$ZodType
    } else break
  }
  return { schema: at, path: keys.slice(0, depth).join('.') }
}
