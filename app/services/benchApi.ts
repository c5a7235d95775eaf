import type { BenchState } from '~~/core/streams/bench'

async function ask(method: 'POST' | 'DELETE'): Promise<string | null> {
  try {
    const response = await fetch('/api/bench', {
      method,
      ...(method === 'POST' ? { body: '{}', headers: { 'content-type': 'application/json' } } : {}),
    })
    return response.ok
      ? null
      : (((await response.json()) as { detail?: string }).detail ?? 'The server refused it.')
  } catch {
    return 'The server does not answer.'
  }
}

/** The server's bench of the machine it runs on. Asking answers what is wrong, or null. */
export const benchApi = {
  start: () => ask('POST'),
  cancel: () => ask('DELETE'),
  /** Hears every change; answers how to stop. */
  watch(hear: (state: BenchState) => void, lost: () => void): () => void {
    const events = new EventSource('/api/bench/events')
    events.onmessage = ({ data }: MessageEvent<string>) => hear(JSON.parse(data) as BenchState)
    events.onerror = lost
    return () => events.close()
  },
}
