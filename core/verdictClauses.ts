import { headroomWords } from './headrooms'
import { meetsNeed, stateOfBuild, type Verdict } from './verdict'

/**
 * The clause of a verdict that is not plainly met; a headroom without a clause of its own is called
 * by its name.
 */
export function verdictClause(verdict: Verdict): string {
  const { id, label, state, asked, possible } = verdict
  const kind = state === 'unknown' || state === 'tight' ? state : 'short'
  // Enough at once and short all the same: it is the minutes.
  if (id === 'streams' && state === 'short' && asked && possible && asked.likely <= possible.likely)
    return 'the machine falls behind for too long'
  // Bays enough, and it fails all the same: it is another rule.
  if (id === 'fit' && kind === 'short' && asked && possible && asked.likely <= possible.likely)
    return 'what is in the machine does not go together'
  // Drives that survive enough, and short all the same: it is the copies.
  if (id === 'survival' && stateOfBuild(verdict) !== state && kind !== 'unknown')
    return `what is irreplaceable has no copy ${kind === 'short' ? 'outside the machine' : 'away from home'}`
  return (
    headroomWords(id)?.clauses[kind] ?? `${label} is ${kind === 'unknown' ? 'not known' : kind}`
  )
}

/** Clauses as one: 'a', 'a and b', 'a, b and c'. */
export function joinClauses(list: readonly string[]): string {
  return list.length < 2 ? list.join('') : `${list.slice(0, -1).join(', ')} and ${list.at(-1)}`
}

/** One answer for a whole plan, and why. */
export interface Overall {
  readonly answer: 'no' | 'open' | 'just' | 'yes'
  readonly because: string
}

/** The answers as people read them. */
export const overallWords: Readonly<Record<Overall['answer'], string>> = {
  no: 'This will not do',
  open: 'Not known yet',
  just: 'This will just do',
  yes: 'This will do',
}

/**
 * The answer for the whole plan: no when a headroom is short, open while one cannot be judged, else
 * yes, or just yes.
 * @param hasBudget without one nobody asks whether the money is enough
 */
export function overallAnswer(verdicts: readonly Verdict[], hasBudget: boolean): Overall {
  const counted = verdicts.filter(
    ({ id, state }) => hasBudget || id !== 'money' || state !== 'unknown',
  )
  const because = (list: readonly Verdict[]) => joinClauses(list.map(verdictClause))
  const failing = counted.filter(({ state }) => !meetsNeed(state) && state !== 'unknown')
  if (failing.length) return { answer: 'no', because: because(failing) }
  const open = counted.filter(({ state }) => state === 'unknown')
  if (open.length) return { answer: 'open', because: because(open) }
  const tight = counted.filter(({ state }) => state === 'tight')
  return tight.length
    ? { answer: 'just', because: because(tight) }
    : { answer: 'yes', because: 'every need is met, even at the unfavourable end of each range' }
}
