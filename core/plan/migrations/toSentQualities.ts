import type { DocumentMigration, RawDocument } from './documentMigration'

function isRecord(value: unknown): value is RawDocument {
  return typeof value === 'object' && value !== null && !Array.isArray(value)
}

/** Sent qualities of version 3, Mb/s, each with the nearest of the present ones. */
const nearest: Readonly<Record<string, number>> = {
  20: 22,
  10: 11,
  8: 8,
  6: 5.6,
  4: 4,
  3: 2.8,
  1.8: 2,
  0.9: 1,
}
const up = (value: unknown) => (typeof value === 'number' ? (nearest[value] ?? value) : value)

/**
 * Version 4: streams are sent at rates of their own, in steps of √2. What stood at one of the old
 * rates goes to the nearest;
 * other numbers stay as they were entered.
 */
export const toSentQualities: DocumentMigration = {
  from: 3,
  up(document) {
    const { network, household } = document
    const viewers =
      isRecord(household) && Array.isArray(household.viewers) ? household.viewers : null
    return {
      ...document,
      ...(isRecord(network) && 'awayRungMbps' in network
        ? { network: { ...network, awayRungMbps: up(network.awayRungMbps) } }
        : {}),
      ...(viewers
        ? {
            household: {
              ...(household as RawDocument),
              viewers: viewers.map(viewer =>
                isRecord(viewer) && 'lowestRungMbps' in viewer
                  ? { ...viewer, lowestRungMbps: up(viewer.lowestRungMbps) }
                  : viewer,
              ),
            },
          }
        : {}),
    }
  },
}
