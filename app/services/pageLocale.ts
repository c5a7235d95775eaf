/** The locale in which this browser writes numbers. */
export function pageLocale(): string {
  return globalThis.navigator?.language ?? 'en'
}
