import { requireWithin } from '../errors'

/**
 * TCP payload of a wired Ethernet link at MTU 1500: 1448 of every 1538 bytes on the wire.
 * @param linkMbps the link's label rate, Mb/s, >= 0
 * @throws {CoreRangeError} LINK
 * @example tcpPayloadMbps(1000) // 941.5
 */
export function tcpPayloadMbps(linkMbps: number): number {
  requireWithin('LINK', linkMbps, { min: 0 })
  return (linkMbps * 1448) / 1538
}
