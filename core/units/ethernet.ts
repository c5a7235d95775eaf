import { requireWithin } from '../errors'

/** Bytes of payload of so many bytes on the wire, at MTU 1500. */
export const ethernetShare = { of: 1448, on: 1538 } as const

/**
 * TCP payload of a wired Ethernet link at MTU 1500: 1448 of every 1538 bytes on the wire.
 * @param linkMbps the link's label rate, Mb/s, >= 0
 * @throws {CoreRangeError} LINK
 * @example tcpPayloadMbps(1000) // 941.5
 */
export function tcpPayloadMbps(linkMbps: number): number {
  requireWithin('LINK', linkMbps, { min: 0 })
  return (linkMbps * ethernetShare.of) / ethernetShare.on
}
