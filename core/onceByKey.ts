/** Values that are made when they are first asked for, by a key. */
export interface OnceByKey<Value> {
  readonly get: (key: string, make: () => Value) => Value
  readonly size: () => number
}

export function onceByKey<Value>(): OnceByKey<Value> {
  const known = new Map<string, Value>()
  return {
    get(key, make) {
      if (!known.has(key)) known.set(key, make())
      return known.get(key)!
    },
    size: () => known.size,
  }
}
