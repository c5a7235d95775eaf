/** A habit of one viewer in one evening, minutes. */
export interface Outing {
  readonly start: number
  readonly end: number
  readonly chance: number
  /** the number in [0, 1) that decides whether it happens */
  readonly luck: number
}

const isOn = ({ start, end }: Outing, at: number): boolean => start <= at && at < end

/**
 * Which of one viewer's habits happen: one thing at a time, each with exactly its chance, and with
 * less where the chances of those that would be on together add up to more than 1.
 * @param outings in the order of the viewer's habits
 * @returns by habit
 * @see handbook 10, Whether it happens
 */
export function happening(outings: readonly Outing[]): boolean[] {
  if (outings.length === 1) return [outings[0]!.luck < outings[0]!.chance]
  const crowdAt = (at: number) =>
    outings.reduce((sum, outing) => (isOn(outing, at) ? sum + outing.chance : sum), 0)
  const crowds = outings.map(({ start }) => crowdAt(start))
  const chances = outings.map(outing =>
    outings.reduce(
      (chance, other, at) =>
        isOn(outing, other.start) ? Math.min(chance, outing.chance / crowds[at]!) : chance,
      outing.chance,
    ),
  )
  const order = outings
    .map((_, at) => at)
    .sort((a, b) => outings[a]!.start - outings[b]!.start || a - b)
  const does = outings.map(() => false)
  order.forEach((at, place) => {
    const outing = outings[at]!
    const before = order.slice(0, place).filter(other => isOn(outings[other]!, outing.start))
    if (before.some(other => does[other])) return
    const left = 1 - before.reduce((sum, other) => sum + chances[other]!, 0)
    does[at] = left > 0 && outing.luck < chances[at]! / left
  })
  return does
}
