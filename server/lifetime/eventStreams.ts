/**
 * The event streams that are open: a server that leaves ends them, because they end by themselves
 * only with their pages.
 */
const open = new Set<() => void>()

/** Notes an event stream by what ends it; answers how to take the note back. */
export function noteStream(end: () => void): () => void {
  open.add(end)
  return () => open.delete(end)
}

export function endStreams(): void {
  for (const end of [...open]) end()
}
