/**
 * Whether two values are the same by content: identical, or plain objects and lists of the same
 * values. Parts that are
 * shared are not looked into, so that comparing a plan with itself after one edit takes next to
 * nothing. What is neither
 * plain object nor list (a map, a typed array, a function) is the same only as itself.
 */
export function sameValue(one: unknown, other: unknown): boolean {
  if (Object.is(one, other)) return true
  if (typeof one !== 'object' || typeof other !== 'object' || one === null || other === null)
    return false
  if (Array.isArray(one)) {
    return (
      Array.isArray(other) &&
      one.length === other.length &&
      one.every((value, index) => sameValue(value, other[index]))
    )
  }
  if (!isPlain(one) || !isPlain(other)) return false
  const keys = Object.keys(one)
  return (
    keys.length === Object.keys(other).length &&
    keys.every(key => Object.hasOwn(other, key) && sameValue(one[key], other[key]))
  )
}

function isPlain(value: object): value is Record<string, unknown> {
  const prototype: unknown = Object.getPrototypeOf(value)
  return prototype === Object.prototype || prototype === null
}
