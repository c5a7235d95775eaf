/**
 * A label as it stands within a sentence: its first letter small; what begins with an abbreviation
 * or a name of its own (a capital or a digit behind the first letter) as it is.
 * @example withinSentence('Refurbished office PC') // 'refurbished office PC'
 * @example withinSentence('Wi-Fi in the machine') // 'Wi-Fi in the machine'
 */
export function withinSentence(label: string): string {
  if (/[\p{Lu}\d]/u.test(label.split(' ')[0]!.slice(1))) return label
  return `${label.charAt(0).toLowerCase()}${label.slice(1)}`
}
