import type { SharingRule } from './hardwarePart'

/**
 * Sharing rules as text: 'm2-1 off data-5 data-6; slot-3 narrows slot-1 to 8', by the places' ids.
 * Null where it is not so written.
 */
export function sharingOfText(text: string): SharingRule[] | null {
  const rules = text
    .split(';')
    .map(part => part.trim())
    .filter(Boolean)
    .map((part): SharingRule | null => {
      const off = /^(\S+) off ((?:\S+\s*)+)$/.exec(part)
      if (off) return { when: off[1]!, off: off[2]!.trim().split(/\s+/) }
      const narrows = /^(\S+) narrows (\S+) to (\d+)$/.exec(part)
      return narrows
        ? { when: narrows[1]!, narrows: { place: narrows[2]!, lanes: Number(narrows[3]) } }
        : null
    })
  return rules.includes(null) ? null : (rules as SharingRule[])
}
