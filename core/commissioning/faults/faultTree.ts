/** How a way through a tree ends. */
export const faultEnds = {
  fix: 'Do this, then do the step again.',
  exchange: 'The part is exchanged; then do the step again.',
  ask: 'Ask somebody who has the tools, and show what was ruled out.',
  fine: 'This is no fault.',
} as const
export type FaultEnd = keyof typeof faultEnds

/** One answer to a question: it leads to another question, to another tree, or to an end. */
export type FaultAnswer = { readonly says: string } & (
  | { readonly to: string }
  | { readonly tree: string }
  | { readonly cause: string; readonly fix: string; readonly end: FaultEnd }
)
export interface FaultNode {
  readonly ask: string
  readonly answers: readonly FaultAnswer[]
}

/** A fault tree: one question at a time, until a cause and what mends it are found. */
export interface FaultTree {
  readonly id: string
  readonly label: string
  /** by their number; '1' is asked first */
  readonly nodes: Readonly<Record<string, FaultNode>>
}

const end =
  (how: FaultEnd) =>
  (says: string, cause: string, fix: string): FaultAnswer => ({ says, cause, fix, end: how })
export const fix = end('fix')
export const exchange = end('exchange')
export const ask = end('ask')
export const fine = end('fine')
export const to = (says: string, node: string): FaultAnswer => ({ says, to: node })
export const tree = (says: string, id: string): FaultAnswer => ({ says, tree: id })
