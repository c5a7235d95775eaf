import type { NameRuleId } from './nameRules'

/** A part of a path that every desktop takes, and the rules by which it was changed. */
export interface SafeName {
  readonly name: string
  readonly rules: readonly NameRuleId[]
}

/** X1: the signs that no desktop takes over SMB, each replaced by what reads alike. */
function withoutForbidden(name: string): string {
  return name
    .replace(/(?<=\d):(?=\d)/g, '.')
    .replace(/^\s*:|:\s*$/g, '')
    .replace(/:/g, ' - ')
    .replace(/[/\\|]/g, '-')
    .replace(/"/g, "'")
    .replace(/</g, '(')
    .replace(/>/g, ')')
    .replace(/\p{Cc}/gu, sign => (sign < ' ' ? ' ' : sign))
    .replace(/[?*]/g, '')
}
const forbidden = /[<>:"/\\|?*]/
const below32 = (name: string) => /\p{Cc}/u.test(name) && [...name].some(sign => sign < ' ')

const reserved = /^(con|prn|aux|nul|com[1-9]|lpt[1-9])(?=\.|$)/i

/**
 * X4 and X1 on one part of a path, before what it says is read: composed letters, and no sign that
 * a desktop refuses.
 */
export function readableName(name: string): SafeName {
  const composed = name.normalize('NFC')
  const rules: NameRuleId[] = composed === name ? [] : ['X4']
  if (!forbidden.test(composed) && !below32(composed)) return { name: composed, rules }
  const [stem, ending] = splitEnding(composed)
  // A colon before the ending stands at an end as well.
  const cleaned = (withoutForbidden(stem) + withoutForbidden(ending)).replace(/ {2,}/g, ' ')
  return { name: cleaned, rules: [...rules, 'X1'] }
}

/** X2 and X3 on one part of a path, once it says what it should. '' where nothing is left of it. */
export function safeName(name: string, isFile: boolean): SafeName {
  const rules: NameRuleId[] = []
  const [stem, ending] = isFile ? splitEnding(name) : [name, '']
  let safe = stem.replace(/^ +/, '').replace(/[ .]+$/, '') + ending
  safe = safe.replace(/[ .]+$/, '')
  if (safe !== name) rules.push('X2')
  if (reserved.test(safe)) {
    safe = safe.replace(reserved, base => `${base}_`)
    rules.push('X3')
  }
  return { name: stem === '' && isFile ? '' : safe, rules }
}

/** The name before its ending, and the ending with its dot: '.mkv', at most nine letters. */
export function splitEnding(name: string): [stem: string, ending: string] {
  const found = /\.[a-z0-9_!]{1,9}$/i.exec(name)
  return found && found.index > 0
    ? [name.slice(0, found.index), name.slice(found.index)]
    : [name, '']
}

/** Bytes of a text as UTF-8. */
export function utf8Bytes(text: string): number {
  let bytes = 0
  for (const sign of text) {
    const code = sign.codePointAt(0)!
    bytes += code < 0x80 ? 1 : code < 0x800 ? 2 : code < 0x10000 ? 3 : 4
  }
  return bytes
}
/** Longest name in bytes of UTF-8 and in units of UTF-16; of an encrypted folder in bytes. */
export const longestBytes = 255
export const longestUnits = 255
export const longestEncryptedBytes = 143
/** Longest whole path, with the share, that old programs open. */
export const longestPath = 240
/** Largest file of a FAT32 medium. */
export const largestOnFat32 = 2 ** 32 - 1

export function isTooLong(name: string, mostBytes: number): boolean {
  return utf8Bytes(name) > mostBytes || name.length > longestUnits
}

/**
 * X6: a title cut so that what stands around it and the title are short enough together; whole
 * signs only, no blank or dot at its end.
 * @param around what else the name holds: year and ending
 */
export function cutTitle(title: string, around: string, mostBytes: number): string {
  let kept = [...title]
  const fits = () => !isTooLong(kept.join('') + around, mostBytes)
  while (kept.length > 0 && !fits()) kept = kept.slice(0, -1)
  return kept.join('').replace(/[ .\-(]+$/, '')
}
