import type { Format } from '../../units/format'
import { chanceInterval, type Interval } from './intervals'
import type { Blame, Tally } from './tally'

/** How often something happens, in the words of evenings. */
export function oneIn(share: number, format: Format): string {
  if (share <= 0) return 'no evening'
  if (share >= 0.995) return 'nearly every evening'
  if (share > 0.45) return `${format.number(Math.round(share * 10))} of 10 evenings`
  return `about 1 evening in ${format.number(Math.round(1 / share), 2)}`
}

/** What was to blame for what disturbs, added up; the most often one first. */
export function blames({
  stallBlame,
  gaveUpBlame,
  refusedBlame,
}: Pick<Tally, 'stallBlame' | 'gaveUpBlame' | 'refusedBlame'>): (readonly [string, number])[] {
  const all: Blame = {}
  for (const blame of [stallBlame, gaveUpBlame, refusedBlame])
    for (const [name, times] of Object.entries(blame))
      // What line or device stop is not the machine's fault.
      if (!/^never (line|device)/.test(name)) all[name] = (all[name] ?? 0) + times
  return Object.entries(all).sort(([, a], [, b]) => b - a)
}

/** How much of all a first cause is, in a word. */
function oftenOf(share: number): string {
  if (share >= 0.9) return 'nearly always'
  return share >= 0.5 ? 'mostly' : 'most often'
}

/** Whether a cause is a thing that runs out, rather than a whole reason. */
const isThing = (blame: string) =>
  !/^(never|hang|own|driverSessions|engineMemory|software)/.test(blame)

/** What of a run is told, and kept in the plan. */
export interface ManyResult {
  readonly evenings: number
  readonly disturbed: number
  /** what was to blame most often; '' where nothing was */
  readonly blame: string
  readonly blameShare: number
}

export function resultOf(tally: Tally): ManyResult {
  const all = blames(tally)
  const sum = all.reduce((total, [, times]) => total + times, 0)
  const [blame = '', times = 0] = all[0] ?? []
  return {
    evenings: tally.evenings,
    disturbed: tally.disturbed,
    blame,
    blameShare: sum > 0 ? times / sum : 0,
  }
}

/** The result in one sentence. */
export function manySentence(
  { evenings, disturbed, blame, blameShare }: ManyResult,
  { nameOf, format }: { readonly nameOf: (blame: string) => string; readonly format: Format },
): string {
  const { high } = chanceInterval(disturbed, evenings)
  if (disturbed === 0)
    return (
      `None of ${format.number(evenings)} evenings is disturbed; ` +
      `${format.share(high)} of them might be, at most.`
    )
  const share = disturbed / evenings
  const start = oneIn(share, format).replace(/^./, letter => letter.toUpperCase())
  const verb = / of 10 evenings/.test(start) ? 'are' : 'is'
  if (blame === '') return `${start} ${verb} disturbed.`
  const name = nameOf(blame)
  const because = isThing(blame) ? `${name} ${/ drives$/.test(name) ? 'are' : 'is'} full` : name
  return `${start} ${verb} disturbed, ${oftenOf(blameShare)} because ${because}.`
}

/** A start delay that so many of the starts stay within, seconds; null where none plays. */
export function delayWithin({ delays }: Pick<Tally, 'delays'>, share: number): number | null {
  const all = Object.entries(delays)
    .map(([tenth, times]) => [Number(tenth), times] as const)
    .sort(([a], [b]) => a - b)
  const count = all.reduce((sum, [, times]) => sum + times, 0)
  let below = 0
  for (const [tenth, times] of all) {
    below += times
    if (below >= share * count - 1e-9) return tenth / 10
  }
  return null
}

/** An interval of a chance as a range of shares. */
export const shareRange = ({ low, high }: Interval, format: Format): string =>
  `${format.share(low)} to ${format.share(high)}`
