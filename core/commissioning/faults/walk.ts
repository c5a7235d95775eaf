import type { FaultAnswer, FaultEnd, FaultNode, FaultTree } from './faultTree'
import { faultEnds } from './faultTree'
import { faultTrees } from './faultTrees'

/** One question that was answered. */
export interface Answered {
  readonly tree: FaultTree
  readonly ask: string
  readonly says: string
}
/** Where a way through the trees stands. */
export interface Walk {
  readonly way: readonly Answered[]
  /** the question that is asked now; null at the end */
  readonly now: {
    readonly tree: FaultTree
    readonly ask: string
    readonly answers: readonly FaultAnswer[]
  } | null
  readonly found: { readonly cause: string; readonly fix: string; readonly end: FaultEnd } | null
}

/**
 * A way through the fault trees.
 * @param from id of the tree that it begins in
 * @param picks index of the answer to each question so far; what leads nowhere is left out
 */
export function walkFaults(from: string, picks: readonly number[]): Walk | null {
  let tree = faultTrees.find(({ id }) => id === from)
  if (!tree) return null
  let node = '1'
  const way: Answered[] = []
  for (const pick of picks) {
    const { ask, answers }: FaultNode = tree.nodes[node]!
    const answer: FaultAnswer | undefined = answers[pick]
    if (!answer) break
    way.push({ tree, ask, says: answer.says })
    if ('cause' in answer) {
      const { cause, fix, end } = answer
      return { way, now: null, found: { cause, fix, end } }
    }
    if ('tree' in answer) {
      tree = faultTrees.find(({ id }) => id === answer.tree)!
      node = '1'
    } else node = answer.to
  }
  const { ask, answers } = tree.nodes[node]!
  return { way, now: { tree, ask, answers }, found: null }
}

/** The way so far as text: to keep as a note, or to show somebody. */
export function walkText({ way, found }: Walk): string {
  const lines = way.map(({ tree, ask, says }) => `${tree.label}. ${ask} ${says}.`)
  if (found)
    lines.push(`Cause: ${found.cause}`, `What mends it: ${found.fix}`, faultEnds[found.end])
  return lines.join('\n')
}
