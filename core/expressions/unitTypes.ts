/*
 * Units as types, so that a sum of watts and hours, or a figure whose expression comes out in
 * another unit than its own, does not compile. Nothing of this is left at run time.
 */

/** How often a base unit counts: 1 as a factor, -1 below the line. */
type Exponent = -3 | -2 | -1 | 0 | 1 | 2 | 3

/** A unit as its base units with their exponents: W·h/month is { W: 1, h: 1, month: -1 }. */
export type Dimensions = Readonly<Record<string, Exponent>>

interface Sums {
  [-3]: { [-3]: never; [-2]: never; [-1]: never; 0: -3; 1: -2; 2: -1; 3: 0 }
  [-2]: { [-3]: never; [-2]: never; [-1]: -3; 0: -2; 1: -1; 2: 0; 3: 1 }
  [-1]: { [-3]: never; [-2]: -3; [-1]: -2; 0: -1; 1: 0; 2: 1; 3: 2 }
  0: { [-3]: -3; [-2]: -2; [-1]: -1; 0: 0; 1: 1; 2: 2; 3: 3 }
  1: { [-3]: -2; [-2]: -1; [-1]: 0; 0: 1; 1: 2; 2: 3; 3: never }
  2: { [-3]: -1; [-2]: 0; [-1]: 1; 0: 2; 1: 3; 2: never; 3: never }
  3: { [-3]: 0; [-2]: 1; [-1]: 2; 0: 3; 1: never; 2: never; 3: never }
}
interface Negatives {
  [-3]: 3
  [-2]: 2
  [-1]: 1
  0: 0
  1: -1
  2: -2
  3: -3
}
type ExponentOf<Unit, Base> = Base extends keyof Unit
  ? Unit[Base] extends Exponent
    ? Unit[Base]
    : 0
  : 0
type SumOf<A, B, Base> = Sums[ExponentOf<A, Base>][ExponentOf<B, Base>]

/** The unit of a product. */
export type Times<A, B> = {
  readonly [Base in keyof A | keyof B as SumOf<A, B, Base> extends 0 ? never : Base]: SumOf<
    A,
    B,
    Base
  >
}
/** The unit of one divided by it. */
export type Inverse<A> = { readonly [Base in keyof A]: Negatives[ExponentOf<A, Base>] }
/** The unit of a quotient. */
export type Over<A, B> = Times<A, Inverse<B>>

/** Of nothing in particular: shares, factors, counts of times. */
export type Pure = Readonly<Record<never, never>>

/** 'drives' and 'drive' are one unit; 's' is a second. */
type Singular<Word extends string> = Word extends 's'
  ? Word
  : Word extends `${infer One}s`
    ? One
    : Word
type Factors<Text extends string> = Text extends `${infer First}·${infer Rest}`
  ? Times<Factors<First>, Factors<Rest>>
  : Text extends '' | '1' | 'share' | 'factor'
    ? Pure
    : { readonly [Base in Singular<Text>]: 1 }

/**
 * The base units of a unit as it is written: 'W', 'GB/month', 'W·h/drive', 'drives'; 'share' and
 * 'factor' are pure numbers.
 */
export type DimensionsOf<Text extends string> =
  Text extends `${infer Above}/${infer Below}/${infer More}`
    ? Over<Over<Factors<Above>, Factors<Below>>, Factors<More>>
    : Text extends `${infer Above}/${infer Below}`
      ? Over<Factors<Above>, Factors<Below>>
      : Factors<Text>
