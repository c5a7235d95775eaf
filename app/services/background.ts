import type { Remote } from 'comlink'
import type { CoreWork } from './coreWork'

/** Work that must not wait for other work has a worker of its own. */
export type Lane = 'assess' | 'compare' | 'rehearse' | 'rehearse too'

interface Background {
  /** the package that speaks with workers comes with the first of them */
  readonly remote: Promise<Remote<CoreWork>>
  readonly broken: Promise<never>
}
/** The worker itself ended or was never there; what it was asked says nothing about the core. */
export class WorkerBrokeOff extends Error {}

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
  let worker: Worker
  try {
    worker = new Worker(new URL('../workers/core.worker.ts', import.meta.url), { type: 'module' })
  } catch (error) {
    console.error('No worker could be started, so the page does its work:', error)
    lanes.set(lane, null)
    return null
  }
  const broken = new Promise<never>((_, fail) => {
    const give = (event: Event) => {
      const cause = event instanceof ErrorEvent ? event.message : event.type
      console.error(`The worker for ${lane} broke off, so the page does its work:`, cause)
      lanes.set(lane, null)
      fail(new WorkerBrokeOff(cause))
    }
    worker.onerror = give
    worker.onmessageerror = give
  })
  broken.catch(() => {
    /* whoever waits hears of it; nobody has to */
  })
  const made = {
    remote: import('comlink').then(({ wrap }) => wrap<CoreWork>(worker)),
    broken,
  }
  lanes.set(lane, made)
  return made
}

/**
 * Runs work of the core in a worker; on the page where there is none, or it broke off. What the
 * core itself throws goes on to whoever asked: on the page it would throw once more.
 */
export async function inBackground<Result>(
  lane: Lane,
  run: (work: CoreWork | Remote<CoreWork>) => Result | Promise<Result>,
): Promise<Result> {
  const background = hasBackground() ? backgroundOf(lane) : null
  if (background) {
    try {
      return await Promise.race([background.remote.then(run), background.broken])
    } catch (error) {
      if (!(error instanceof WorkerBrokeOff)) {
        console.error(`Work for ${lane} failed:`, error)
        throw error
      }
    }
  }
  return run(await onPage())
}
