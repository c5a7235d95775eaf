import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'

/** What the worker answers next; thrown where it is an error. */
const answer = vi.hoisted(() => ({ next: null as unknown }))
vi.mock('comlink', () => ({
  wrap: () => ({
    assess: async () => {
      if (answer.next instanceof Error) throw answer.next
      return answer.next
    },
  }),
}))
vi.mock('./coreWork', () => ({ createCoreWork: () => ({ assess: () => 'on the page' }) }))

class StandInWorker {
  static last: StandInWorker | null = null
  onerror: ((event: Event) => void) | null = null
  onmessageerror: ((event: Event) => void) | null = null
  constructor() {
    StandInWorker.last = this
  }
}

describe('work in the background', () => {
  beforeEach(() => {
    vi.resetModules()
    StandInWorker.last = null
    vi.stubGlobal('Worker', StandInWorker)
    vi.spyOn(console, 'error').mockImplementation(() => undefined)
  })
  afterEach(() => {
    vi.unstubAllGlobals()
    vi.restoreAllMocks()
  })
  const assess = async () => {
    const { inBackground } = await import('./background')
    return inBackground('assess', work => (work as unknown as { assess: () => unknown }).assess())
  }

  it('is answered by the worker', async () => {
    answer.next = 'by the worker'
    await expect(assess()).resolves.toBe('by the worker')
    expect(console.error).not.toHaveBeenCalled()
  })
  it('goes on with what the core throws, and is not done again on the page', async () => {
    answer.next = new Error('FIGURE_BAND')
    await expect(assess()).rejects.toThrow('FIGURE_BAND')
    expect(console.error).toHaveBeenCalledWith(expect.stringContaining('failed'), answer.next)
  })
  it('is done on the page where the worker broke off, with the cause in the log', async () => {
    answer.next = new Promise(() => undefined)
    const waiting = assess()
    await vi.waitFor(() => expect(StandInWorker.last?.onerror).toBeTruthy())
    StandInWorker.last!.onerror!(new ErrorEvent('error', { message: 'out of memory' }))
    await expect(waiting).resolves.toBe('on the page')
    expect(console.error).toHaveBeenCalledWith(
      expect.stringContaining('broke off'),
      'out of memory',
    )
  })
  it('is done on the page where no worker can be started', async () => {
    vi.stubGlobal('Worker', function refused() {
      throw new Error('forbidden')
    })
    await expect(assess()).resolves.toBe('on the page')
  })
})
