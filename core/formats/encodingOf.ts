/**
 * The encoding of a text by its first bytes: UTF-16 with a byte-order mark or by every other byte
 * being nothing, as some
 * shells write it; else UTF-8.
 * @param bytes the first few dozen bytes of a text that starts with plain letters or signs
 * @example encodingOf(new Uint8Array([0xFF, 0xFE])) // 'utf-16le'
 */
export function encodingOf(bytes: Uint8Array): 'utf-8' | 'utf-16le' | 'utf-16be' {
  const [first, second] = bytes
  if (first === 0xff && second === 0xfe) return 'utf-16le'
  if (first === 0xfe && second === 0xff) return 'utf-16be'
  const nothing = (from: number) =>
    bytes.length > 3 && bytes.filter((_, at) => at % 2 === from).every(byte => byte === 0)
  if (nothing(1)) return 'utf-16le'
  return nothing(0) ? 'utf-16be' : 'utf-8'
}
