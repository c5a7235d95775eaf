import type { BookStep } from './runBook'

/** When a step is done, in minutes from the beginning of the work. */
export interface Timed {
  readonly id: string
  readonly from: number
  /** end of the work, and of the waiting after it */
  readonly handsTo: number
  readonly to: number
  /** it lies on the longest chain */
  readonly isCritical: boolean
}

export interface Schedule {
  /** as one pair of hands gets to them, in that order */
  readonly timed: readonly Timed[]
  /** Σ of work, the longest chain of work and waiting, and one pair of hands; minutes */
  readonly hands: number
  readonly criticalPath: number
  readonly onePair: number
}

const byId = (book: readonly BookStep[]) => new Map(book.map(entry => [entry.step.id, entry]))

/** Of each step the longest chain from its own minutes to the end. */
export function chainsToEnd(book: readonly BookStep[]): Map<string, number> {
  const after = new Map<string, string[]>(book.map(({ step }) => [step.id, []]))
  for (const { step, needs } of book) for (const needed of needs) after.get(needed)!.push(step.id)
  const known = new Map<string, number>()
  const entries = byId(book)
  const chain = (id: string): number => {
    const there = known.get(id)
    if (there !== undefined) return there
    const { hands, wait } = entries.get(id)!
    const length =
      hands + wait + after.get(id)!.reduce((longest, next) => Math.max(longest, chain(next)), 0)
    known.set(id, length)
    return length
  }
  for (const { step } of book) chain(step.id)
  return known
}

/** The steps of the longest chain, the first one first; of equal ones the id that sorts last. */
export function criticalSteps(book: readonly BookStep[]): string[] {
  const chains = chainsToEnd(book)
  const path: string[] = []
  const better = (one: string, other: string) =>
    chains.get(other)! - chains.get(one)! || (one < other ? 1 : -1)
  let next = [...book.filter(({ needs }) => needs.length === 0)].map(({ step }) => step.id)
  while (next.length > 0) {
    const [longest] = next.sort(better)
    path.push(longest!)
    next = book.filter(({ needs }) => needs.includes(longest!)).map(({ step }) => step.id)
  }
  return path
}

/**
 * When one pair of hands does what: of the steps that can begin first the one with the longest
 * chain to the end (of equal ones the id that sorts last); waiting takes no hands.
 */
export function schedule(book: readonly BookStep[]): Schedule {
  const chains = chainsToEnd(book)
  const critical = new Set(criticalSteps(book))
  const ends = new Map<string, number>()
  const left = new Set(book)
  const timed: Timed[] = []
  let free = 0
  while (left.size > 0) {
    let chosen: { readonly entry: BookStep; readonly from: number } | null = null
    for (const entry of left) {
      if (entry.needs.some(id => !ends.has(id))) continue
      const from = Math.max(free, ...entry.needs.map(id => ends.get(id)!))
      const isBefore =
        chosen === null ||
        from < chosen.from ||
        (from === chosen.from &&
          (chains.get(entry.step.id)! - chains.get(chosen.entry.step.id)! ||
            (entry.step.id > chosen.entry.step.id ? 1 : -1)) > 0)
      if (isBefore) chosen = { entry, from }
    }
    if (!chosen) throw new Error('The steps of a run-book need each other in a circle')
    const { entry, from } = chosen
    const { id } = entry.step
    left.delete(entry)
    free = from + entry.hands
    ends.set(id, free + entry.wait)
    timed.push({ id, from, handsTo: free, to: free + entry.wait, isCritical: critical.has(id) })
  }
  return {
    timed,
    hands: book.reduce((sum, { hands }) => sum + hands, 0),
    criticalPath: Math.max(0, ...chains.values()),
    onePair: Math.max(0, ...timed.map(({ to }) => to)),
  }
}
