import { proxy, wrap } from 'comlink'
import type { Plan } from '~~/core/plan/planSchema'
import { hasBackground } from './background'
import type { SearchKind, Searches, SearchWork } from './searchWork'

export interface RunningSearch<Kind extends SearchKind> {
  readonly answer: Promise<Searches[Kind]['progress']>
  /** ends the worker at once; the answer never comes */
  readonly cancel: () => void
}

/**
 * Starts a search in a worker of its own, which ends with it. Without workers it runs on the page.
 */
export function startSearch<Kind extends SearchKind>(
  kind: Kind,
  {
    plan,
    question,
    report,
  }: {
    readonly plan: Plan
    readonly question: Searches[Kind]['question']
    readonly report: (progress: Searches[Kind]['progress']) => void
  },
): RunningSearch<Kind> {
  if (!hasBackground())
    return {
      answer: import('./searchWork').then(({ searchWork }) =>
        searchWork.run(kind, plan, question, report),
      ),
      cancel: () => {
        /* it is not held up by anything */
      },
    }
  const worker = new Worker(new URL('../workers/search.worker.ts', import.meta.url), {
    type: 'module',
  })
  const broken = new Promise<never>((_, fail) => {
    worker.onerror = () => fail(new Error('the worker broke off'))
    worker.onmessageerror = () => fail(new Error('the worker broke off'))
  })
  const remote = wrap<SearchWork>(worker)
  const answer = Promise.race([
    remote.run(kind, plan, question as never, proxy(report) as never) as Promise<
      Searches[Kind]['progress']
    >,
    broken,
  ])
  const end = () => worker.terminate()
  answer.then(end, end)
  return { answer, cancel: end }
}
