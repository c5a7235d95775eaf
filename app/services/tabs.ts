const lockPrefix = 'numeron.tab.'
const key = 'numeron.tab'
/** A page that is loaded anew waits so long for the page before it to let its name go. */
const handOverMs = 500

function random(): string {
  return Array.from(crypto.getRandomValues(new Uint8Array(12)), byte =>
    byte.toString(16).padStart(2, '0'),
  ).join('')
}

/**
 * Takes a name for as long as the page lives; false when another tab has it. Where browsers know no
 * locks, it is always free.
 */
function hold(name: string): Promise<boolean> {
  const { locks } = navigator
  if (!locks) return Promise.resolve(true)
  return new Promise(done => {
    locks
      .request(lockPrefix + name, { signal: AbortSignal.timeout(handOverMs) }, () => {
        done(true)
        return new Promise(() => {
          /* until the page goes */
        })
      })
      .catch(() => done(false))
  })
}

async function claim(): Promise<string> {
  let before: string | null = null
  try {
    before = sessionStorage.getItem(key)
  } catch {
    /* forbidden: the name lasts as long as the page */
  }
  // A duplicated tab comes with the name of the one it was made from, which still has it.
  if (before && (await hold(before))) return before
  const fresh = random()
  await hold(fresh)
  try {
    sessionStorage.setItem(key, fresh)
  } catch {
    /* as above */
  }
  return fresh
}

let own: Promise<string> | null = null

/** The name of this tab: the same after it is loaded anew, another one in every other tab. */
export function thisTab(): Promise<string> {
  return (own ??= claim())
}

/** The names of the tabs that are open in this browser; this one is among them. */
export async function livingTabs(): Promise<ReadonlySet<string>> {
  const held = (await navigator.locks?.query())?.held ?? []
  return new Set([
    await thisTab(),
    ...held.flatMap(({ name }) =>
      name?.startsWith(lockPrefix) ? [name.slice(lockPrefix.length)] : [],
    ),
  ])
}
