import type { Estimate } from '../figure'
import type { PlanPath } from './planPath'

/** What a number follows from: a field of the plan, or another figure by its id. */
export type Input = PlanPath | { readonly figure: string }

/** Words beside a number in a formula: 'machine €890', '0.3 TB of snapshots'. */
export interface Words {
  readonly before?: string
  readonly after?: string
  /** the number alone, where its unit goes without saying */
  readonly bare?: boolean
  /** significant digits in the formula; 4 unless said */
  readonly digits?: number
  /** a chance as people read it: '0.4 %', '1 in 28,000' */
  readonly asChance?: boolean
}

/** A number that is handed in: a field, another figure, a constant, or what an algorithm gave. */
export interface Given extends Words {
  readonly kind: 'given'
  readonly estimate: Estimate
  readonly unit: string
  readonly inputs: readonly Input[]
  /** how an algorithm came to it, in words; stands for the number where it is the whole formula */
  readonly says?: string
}

interface Sum {
  readonly kind: 'sum'
  readonly terms: readonly { readonly minus: boolean; readonly of: AnyExpression }[]
}
interface Product {
  readonly kind: 'product'
  readonly factors: readonly AnyExpression[]
}
interface Quotient {
  readonly kind: 'quotient'
  readonly above: AnyExpression
  readonly below: AnyExpression
}
interface Extreme {
  readonly kind: 'least' | 'largest'
  readonly of: readonly AnyExpression[]
}
export type Rounding = 'roundedDown' | 'roundedUp' | 'toCents'
interface Rounded {
  readonly kind: Rounding
  readonly of: AnyExpression
}
/** One of several expressions, with what decided for it. */
interface Choice {
  readonly kind: 'choice'
  readonly of: AnyExpression
  readonly by: readonly Input[]
}
/** An expression with words beside it. */
interface Named {
  readonly kind: 'named'
  readonly of: AnyExpression
  readonly words: Words
}
/** Part of a formula that is told by its number alone; `by` says what it follows from. */
interface Brief {
  readonly kind: 'brief'
  readonly of: AnyExpression
  readonly unit: string
  readonly by: readonly Input[]
  readonly words: Words
}

/** An expression that counts as exact: what is told of its uncertainty stands beside it. */
interface AtLikely {
  readonly kind: 'atLikely'
  readonly of: AnyExpression
}

export type Node =
  Given | Sum | Product | Quotient | Extreme | Rounded | Choice | Named | Brief | AtLikely

/** An expression of any unit. */
export interface AnyExpression {
  readonly node: Node
}

/**
 * How a number comes about, as a small tree over named inputs. Its unit is a type: what does not
 * add up does not compile.
 */
export interface Expression<Unit> extends AnyExpression {
  /** only a type: an expression in W stands nowhere for one in h, nor the other way round */
  readonly unitOnly?: (unit: Unit) => Unit
}
