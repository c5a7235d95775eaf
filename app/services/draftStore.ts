import { createStore, del, entries, keys, set, type UseStore } from 'idb-keyval'
import { isKeeping, isWriting, noteDrafts, type Draft, type KeptDraft } from './draftState'
import { livingTabs, thisTab } from './tabs'

interface Record {
  readonly planId: string
  readonly tab: string
  readonly at: number
  readonly version: unknown
  readonly plan: unknown
}

let opened: UseStore | null = null
const store = () => (opened ??= createStore('numeron', 'drafts'))
const keyOf = (planId: string, tab: string) => `${planId} ${tab}`

let last: Promise<unknown> = Promise.resolve()
/** One after the other, in the order they were asked for. */
function inTurn<Result>(work: () => Promise<Result>): Promise<Result> {
  const mine = last.then(work, work)
  last = mine.catch(() => undefined)
  return mine
}
/**
 * Drafts that are about to be written; a later one of the same plan takes the place of one that
 * waits.
 */
const waiting = new Map<string, Draft>()

async function write(planId: string): Promise<void> {
  const draft = waiting.get(planId)
  if (!draft) return
  waiting.delete(planId)
  const tab = await thisTab()
  try {
    await set(
      keyOf(planId, tab),
      { planId, tab, at: Date.now(), ...draft } satisfies Record,
      store(),
    )
    noteDrafts(true)
    isKeeping.value = true
  } catch {
    isKeeping.value = false
  }
}

async function end(key: string): Promise<void> {
  await del(key, store())
  if ((await keys(store())).length > 0) return
  noteDrafts(false)
  // Another tab may have kept one in between.
  if ((await keys(store())).length > 0) noteDrafts(true)
}

function isRecord(value: unknown): value is Record {
  return (
    typeof value === 'object' &&
    value !== null &&
    'planId' in value &&
    typeof value.planId === 'string' &&
    'tab' in value &&
    typeof value.tab === 'string'
  )
}

async function read(key: string, raw: Record, tab: string): Promise<KeptDraft> {
  // The schema that checks it is fetched only where there is something to check.
  const { readPlan } = await import('~~/core/plan/readPlan')
  const plan = readPlan(raw.plan)
  return {
    key,
    planId: raw.planId,
    isOwn: raw.tab === tab,
    at: Number(raw.at) || 0,
    raw: raw.plan,
    draft:
      plan.ok && Number.isInteger(raw.version)
        ? { version: raw.version as number, plan: plan.plan }
        : null,
  }
}

/**
 * Drafts of this tab, and those that closed tabs left; what another open tab is working on is its
 * own. Newest first.
 */
async function listed(): Promise<KeptDraft[]> {
  const [all, living, own] = [
    await entries<string, unknown>(store()),
    await livingTabs(),
    await thisTab(),
  ]
  const found = all.filter(
    (entry): entry is [string, Record] =>
      isRecord(entry[1]) && (entry[1].tab === own || !living.has(entry[1].tab)),
  )
  return (await Promise.all(found.map(([key, record]) => read(key, record, own)))).sort(
    (a, b) => b.at - a.at,
  )
}

/** Drafts that an earlier version kept in another storage. */
async function bringOver(): Promise<void> {
  const prefix = 'numeron.draft.'
  for (const key of Object.keys(localStorage).filter(name => name.startsWith(prefix))) {
    const text = localStorage.getItem(key) ?? ''
    let kept: unknown = text
    try {
      kept = JSON.parse(text)
    } catch {
      /* it is kept as text */
    }
    const { version, plan } =
      typeof kept === 'object' && kept !== null
        ? (kept as { version?: unknown; plan?: unknown })
        : {}
    const planId = key.slice(prefix.length)
    await set(
      keyOf(planId, 'earlier'),
      { planId, tab: 'earlier', at: Date.now(), version, plan: plan ?? kept } satisfies Record,
      store(),
    )
    localStorage.removeItem(key)
  }
}
let broughtOver: Promise<void> | null = null
const ready = () => (broughtOver ??= bringOver().catch(() => undefined))

/** The drafts in the browser's storage, as `draftBox` hands them on. */
export const draftStore = {
  /** The storage and this tab's name in it, before there is anything to keep. */
  prepare: (): Promise<unknown> =>
    inTurn(() => Promise.all([thisTab(), keys(store())]).catch(() => undefined)),
  put(planId: string, draft: Draft): void {
    waiting.set(planId, draft)
    void inTurn(() => write(planId)).finally(() => {
      isWriting.value = waiting.size > 0
    })
  },
  /**
   * The newest draft of a plan that is this tab's or was left by a closed one; this tab has it from
   * then on.
   */
  take(planId: string): Promise<Draft | null> {
    return inTurn(async () => {
      try {
        await ready()
        const newest = (await listed()).find(entry => entry.planId === planId && entry.draft)
        if (!newest?.draft) return null
        if (!newest.isOwn) {
          const tab = await thisTab()
          await set(
            keyOf(planId, tab),
            { planId, tab, at: newest.at, ...newest.draft } satisfies Record,
            store(),
          )
          await del(newest.key, store())
        }
        return newest.draft
      } catch {
        return null
      }
    })
  },
  /** Ends this tab's draft of a plan. */
  drop(planId: string): void {
    waiting.delete(planId)
    void inTurn(async () => end(keyOf(planId, await thisTab())).catch(() => undefined))
  },
  /** All drafts that lie here and that no other open tab is working on, newest first. */
  list(): Promise<KeptDraft[]> {
    return inTurn(() =>
      ready()
        .then(listed)
        .catch(() => []),
    )
  },
  /** Ends one draft, because a person says so. */
  discard(key: string): Promise<void> {
    return inTurn(() => end(key))
  },
}
