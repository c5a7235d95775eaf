/** Something that the palette can find. */
export interface PaletteEntry {
  readonly kind: 'View' | 'Field' | 'Figure' | 'Action' | 'Plan'
  readonly label: string
  /** what stands behind the label: where it is, what it is worth */
  readonly detail: string
  readonly run: () => void
}

/** Kinds in the order in which equals stand. */
const kindOrder: readonly PaletteEntry['kind'][] = ['View', 'Action', 'Field', 'Figure', 'Plan']

const plain = (text: string) => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase()

/**
 * How well a word of the search fits a text: 0 not at all, more for the beginning of the text or of
 * one of its words.
 */
function fit(text: string, word: string): number {
  const at = text.indexOf(word)
  if (at < 0) return 0
  if (at === 0) return text.length === word.length ? 8 : 5
  return new RegExp(`(^|[^\\p{L}\\d])${word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}`, 'u').test(
    text,
  )
    ? 3
    : 1
}

/**
 * The entries that hold every word typed, the best first: a fit of the label counts more than one
 * of the detail. Without a
 * word, the entries in their own order.
 * @param most at most so many are returned
 */
export function searchPalette(
  entries: readonly PaletteEntry[],
  typed: string,
  most: number,
): PaletteEntry[] {
  const words = plain(typed).split(/\s+/).filter(Boolean)
  if (words.length === 0) return entries.slice(0, most)
  return entries
    .flatMap((entry, index) => {
      const [label, detail] = [plain(entry.label), plain(entry.detail)]
      let score = 0
      for (const word of words) {
        const own = Math.max(fit(label, word) * 4, fit(detail, word))
        if (own === 0) return []
        score += own
      }
      return [{ entry, index, score: score - label.length / 100 }]
    })
    .sort(
      (a, b) =>
        b.score - a.score ||
        kindOrder.indexOf(a.entry.kind) - kindOrder.indexOf(b.entry.kind) ||
        a.index - b.index,
    )
    .slice(0, most)
    .map(({ entry }) => entry)
}
