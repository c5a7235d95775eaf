/** Longest name of an account. */
const longest = 20

/** Letters that no decomposition turns into one of a–z. */
const plain: Readonly<Record<string, string>> = {
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
  ø: 'o',
  đ: 'd',
  ð: 'd',
  þ: 'th',
  ł: 'l',
  ı: 'i',
}

/** Names that systems keep for themselves. */
const kept: ReadonlySet<string> = new Set(['root', 'admin', 'administrator', 'nobody', 'guest'])

const bare = (text: string) =>
  text
    .toLowerCase()
    .replace(/[ßæœøđðþłı]/g, letter => plain[letter]!)
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '')

/** Cut to the longest that is allowed, between words where more than a third of it is left. */
function atWord(name: string): string {
  if (name.length <= longest) return name
  const end = name.lastIndexOf('-', longest)
  return name.slice(0, end > longest / 3 ? end : longest)
}

/**
 * The name of an account for somebody: small letters, digits and hyphens, at most 20, a letter
 * first. Of several words the first is taken; two people of one name get a number.
 * @param name as it was entered; where nothing of it can be used, `otherwise` stands for it
 * @param taken names that are used already
 * @example accountName('Zoë', new Set(['zoe'])) // 'zoe2'
 */
export function accountName(
  name: string,
  taken: ReadonlySet<string>,
  { otherwise, whole = false }: { readonly otherwise: string; readonly whole?: boolean },
): string {
  const words = bare(name)
  const base = atWord((whole ? words : words.split('-')[0]!) || otherwise)
  const isFree = (one: string) => !taken.has(one) && !kept.has(one)
  if (isFree(base)) return base
  for (let number = 2; ; number++) {
    const numbered = `${base.slice(0, longest - String(number).length)}${number}`
    if (isFree(numbered)) return numbered
  }
}
