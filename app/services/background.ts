import { wrap, type Remote } from 'comlink'
import type { CoreWork } from './coreWork'

/** Work that must not wait for other work has a worker of its own. */
export type Lane = 'assess' | 'compare'

interface Background {
  readonly remote: Remote<CoreWork>
  readonly broken: Promise<never>
}
const lanes = new Map<Lane, Background | null>()

let here: Promise<CoreWork> | null = null
/** The core's work done on the page itself, where there are no workers. */
function onPage(): Promise<CoreWork> {
  here ??= import('./coreWork').then(({ createCoreWork }) => createCoreWork())
  return here
}

/** Whether this browser has workers at all. */
export function hasBackground(): boolean {
  return typeof Worker !== 'undefined'
}

function backgroundOf(lane: Lane): Background | null {
  const known = lanes.get(lane)
  if (known !== undefined) return known
  const worker = new Worker(new URL('../workers/core.worker.ts', import.meta.url), {
    type: 'module',
  })
  const broken = new Promise<never>((_, fail) => {
    const give = () => {
      lanes.set(lane, null)
      fail(new Error('the worker broke off'))
    }
    worker.onerror = give
    worker.onmessageerror = give
  })
  broken.catch(() => {
    /* whoever waits hears of it; nobody has to */
  })
  const made = { remote: wrap<CoreWork>(worker), broken }
  lanes.set(lane, made)
  return made
}

/** Runs work of the core in a worker; on the page where there is none, or it broke off. */
export async function inBackground<Result>(
  lane: Lane,
  run: (work: CoreWork | Remote<CoreWork>) => Result | Promise<Result>,
): Promise<Result> {
  const background = hasBackground() ? backgroundOf(lane) : null
  if (background) {
    try {
      return await Promise.race([run(background.remote), background.broken])
    } catch {
      /* on the page then, where a fault of the work itself shows too */
    }
  }
  return run(await onPage())
}
