/** One way on from a state of a search. */
export interface Branch<State> {
  readonly state: State
  /** no build that comes of it costs less */
  readonly bound: number
}

/** A choice in steps, each with a bound. */
export interface SearchProblem<State, Found> {
  readonly root: State
  /** the ways on from a state, lowest bound first; null where everything is chosen */
  readonly branch: (state: State, upTo: number) => Iterable<Branch<State>> | null
  /** what a whole choice comes to; null where it may not be */
  readonly finish: (state: State) => { readonly cost: number; readonly found: Found } | null
  /** below 0 where the first goes before the second; only asked for equal costs */
  readonly compare: (one: Found, other: Found) => number
}

export interface SearchCounts {
  /**
   * states that were looked into, whole choices that were worked out, and ways that a bound cut off
   */
  readonly nodes: number
  readonly leaves: number
  readonly cut: number
}

export interface SearchResult<Found> extends SearchCounts {
  /** null where there is none */
  readonly best: { readonly cost: number; readonly found: Found } | null
}

/** Costs that differ by no more are equal. */
export const costEpsilon = 1e-6
/** Between two reports so many states are looked into. */
const nodesPerReport = 64

/**
 * Exact search, depth first: a way whose bound is above the best so far cannot hold a better choice
 * and is cut off. What it ends with is
 * the cheapest; of equals the first by `compare`. Between reports nothing is held, so whoever runs
 * it may stop at any.
 * @param upTo nothing that costs more is looked for
 */
export function* branchAndBound<State, Found>(
  { root, branch, finish, compare }: SearchProblem<State, Found>,
  upTo = Infinity,
): Generator<SearchResult<Found>, SearchResult<Found>> {
  let best: { cost: number; found: Found } | null = null
  let [nodes, leaves, cut] = [0, 0, 0]
  const limit = () => (best === null ? upTo : Math.min(upTo, best.cost)) + costEpsilon
  const open: Iterator<Branch<State>>[] = []
  const enter = (state: State): void => {
    nodes++
    const ways = branch(state, limit())
    if (ways) {
      open.push(ways[Symbol.iterator]())
      return
    }
    leaves++
    const whole = finish(state)
    if (
      whole &&
      whole.cost <= limit() &&
      (best === null ||
        whole.cost < best.cost - costEpsilon ||
        compare(whole.found, best.found) < 0)
    )
      best = whole
  }
  enter(root)
  while (open.length > 0) {
    const next = open.at(-1)!.next()
    if (next.done || next.value.bound > limit()) {
      if (!next.done) cut++
      open.pop()
      continue
    }
    enter(next.value.state)
    if (nodes % nodesPerReport === 0) yield { best, nodes, leaves, cut }
  }
  return { best, nodes, leaves, cut }
}

/** Runs a search to its end. */
export function runSearch<State, Found>(
  problem: SearchProblem<State, Found>,
  upTo = Infinity,
): SearchResult<Found> {
  const steps = branchAndBound(problem, upTo)
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}

/** Branches in the order of their bounds; of equals in the order they came. */
export function sorted<State>(branches: Branch<State>[]): Branch<State>[] {
  return branches.sort((a, b) => a.bound - b.bound)
}
