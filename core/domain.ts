import type { Catalogue } from './catalogue/catalogue'
import type { Figure } from './figure'
import type { Finding } from './finding'
import type { Plan } from './plan/planSchema'
import type { Format } from './units/format'
import type { Verdict } from './verdict'

/** What one domain has to say of a plan, in words. */
export interface Telling {
  /** asked for when the first of them is read: an edit wants verdicts, and shows few figures */
  readonly figures: () => readonly Figure[]
  readonly verdicts: readonly Verdict[]
  readonly findings: readonly Finding[]
}

/** Of a domain that only gives others what they need. */
export const nothingToTell = (): Telling => ({
  figures: () => [],
  verdicts: [],
  findings: [],
})

/**
 * One domain of an assessment. Facts come before words: `facts` gives plain numbers with bands,
 * what binds, and reasons as
 * codes; `tell` puts them into words and adds no number of its own. Facts are plain data: they
 * cross to and from workers.
 */
export interface Domain<Id extends string = string, Facts = unknown> {
  readonly id: Id
  /** ids of the domains whose facts `read` is given */
  readonly needs: readonly string[]
  readonly read: (plan: Plan, catalogue: Catalogue, needed: never) => object
  readonly facts: (slice: never) => Facts
  readonly tell: (facts: never, slice: never, format: Format) => Telling
}

interface DomainParts<Id extends string, Needed, Slice extends object, Facts> {
  readonly id: Id
  readonly needs: readonly (keyof Needed & string)[]
  /**
   * Picks what the facts follow from, and nothing else: as long as each of its values is the same
   * (by content, for plain
   * data), the facts before are used again.
   */
  readonly read: (plan: Plan, catalogue: Catalogue, needed: Needed) => Slice
  readonly facts: (slice: Slice) => Facts
  readonly tell: (facts: Facts, slice: Slice, format: Format) => Telling
}

/** Declares a domain; the types of its slice and facts follow from `read` and `facts`. */
export function defineDomain<const Id extends string, Needed, Slice extends object, Facts>(
  parts: DomainParts<Id, Needed, Slice, Facts>,
): Domain<Id, Facts> {
  return parts as unknown as Domain<Id, Facts>
}

/** Facts by the id of their domain. */
export type FactsOf<Domains extends readonly Domain[]> = {
  readonly [Each in Domains[number] as Each['id']]: Each extends Domain<string, infer Facts>
    ? Facts
    : never
}
