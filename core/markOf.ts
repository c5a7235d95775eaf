/** A short mark of a text: equal texts have equal marks (FNV-1a, 32 bit). */
export function markOf(text: string): string {
  let hash = 0x811c9dc5
  for (let at = 0; at < text.length; at++)
    hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193) >>> 0
  return hash.toString(36)
}
