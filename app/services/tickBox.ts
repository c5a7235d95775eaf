import type { CarriedTick } from '~~/core/commissioning/carried/carriedTicks'

/** Ticks that a link has not handed over yet, kept by the browser until it has. */
const placeOf = (token: string) => `numeron-ticks-${token}`

export const tickBox = {
  /** what waits; nothing where nothing usable is kept */
  get(token: string): readonly CarriedTick[] {
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(placeOf(token)) ?? '[]')
      return Array.isArray(kept) ? kept.filter(isTick) : []
    } catch {
      return []
    }
  },
  put(token: string, ticks: readonly CarriedTick[]): void {
    try {
      if (ticks.length === 0) localStorage.removeItem(placeOf(token))
      else localStorage.setItem(placeOf(token), JSON.stringify(ticks))
    } catch {
      /* A browser that keeps nothing still holds them while the page is open. */
    }
  },
}

function isTick(value: unknown): value is CarriedTick {
  const keys = ['step', 'state', 'day', 'who', 'note', 'measured'] as const
  return (
    typeof value === 'object' &&
    value !== null &&
    keys.every(key => typeof (value as Record<string, unknown>)[key] === 'string')
  )
}
