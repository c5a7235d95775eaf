/**
 * A number with what it counts, in the singular for one.
 * @example counted(1, 'year') // '1 year'; counted(0, 'drive') // '0 drives'
 */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`
}

/**
 * The verb, or another word, that goes with a number.
 * @example agreeing(2, 'is', 'are') // 'are'
 */
export function agreeing<Word extends string>(count: number, one: Word, many: Word): Word {
  return count === 1 ? one : many
}

/** So many years as a span that is known: 'the year', 'the 5 years'. */
export function theYears(years: number): string {
  return years === 1 ? 'the year' : `the ${years} years`
}
