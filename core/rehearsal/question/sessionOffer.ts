import type { Never, Route } from '../evening/world'

/** What one kind of title on one device at one place comes to. */
export interface SessionOffer {
  /** what it is, for whoever tells it */
  readonly row: number | null
  readonly column: number
  readonly subtitled: boolean
  /** Mb/s as it is kept */
  readonly sourceMbps: number
  readonly never: Never | null
  /**
   * the ways by which it can be served
   * @param drive what it lies on
   * @param fallsBack the engine fails, and it is converted in software
   */
  readonly routes: (drive: number, fallsBack: boolean) => readonly Route[]
}

/** Routes by drive and fallback, each worked out once. */
export function rememberedRoutes(
  make: (drive: number, fallsBack: boolean) => readonly Route[],
): SessionOffer['routes'] {
  const known: (readonly Route[] | undefined)[] = []
  return (drive, fallsBack) => (known[2 * drive + Number(fallsBack)] ??= make(drive, fallsBack))
}
