/** A value that is made when it is first asked for, and kept. */
export function lazily<Value>(make: () => Value): () => Value {
  let made: { readonly value: Value } | null = null
  return () => (made ??= { value: make() }).value
}
