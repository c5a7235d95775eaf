/**
 * A label as it stands within a sentence: its first letter small, abbreviations as they are.
 * @example withinSentence('Refurbished office PC') // 'refurbished office PC'
 */
export function withinSentence(label: string): string {
  return `${label.charAt(0).toLowerCase()}${label.slice(1)}`
}
