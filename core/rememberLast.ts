/**
 * The same function, remembering its last few results: when it is called again with the very same arguments, the answer
 * is there at once. For pure functions of values that are never changed in place; of a plan whose one field was edited
 * all other sections are the very same values.
 * @param results how many are remembered, >= 1
 */
export function rememberLast<Arguments extends readonly unknown[], Result>(compute: (...given: Arguments) => Result, results = 2): (...given: Arguments) => Result {
  const known: { readonly given: Arguments, readonly result: Result }[] = []
  return (...given) => {
    const found = known.find(entry => entry.given.length === given.length && entry.given.every((value, index) => Object.is(value, given[index])))
    if (found) return found.result
    const result = compute(...given)
    known.unshift({ given, result })
    if (known.length > results) known.pop()
    return result
  }
}
