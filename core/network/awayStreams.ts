import { requireWithin } from '../errors'

/** What a stream takes on the line beyond its own rate: headers and resent packets. */
export const overheadFactor = 1.08

/**
 * Streams the upload carries: ⌊ upload · (1 − reserve) / (rung · 1.08) ⌋.
 * @param reserveShare share kept for the household's own calls and work, 0..1
 * @throws {CoreRangeError} UPLOAD, RESERVE, RUNG
 * @example awayStreams({ uploadMbps: 40, reserveShare: 0.25, rungMbps: 4 }) // 6
 */
export function awayStreams({
  uploadMbps,
  reserveShare,
  rungMbps,
}: {
  uploadMbps: number
  reserveShare: number
  rungMbps: number
}): number {
  requireWithin('UPLOAD', uploadMbps, { min: 0 })
  requireWithin('RESERVE', reserveShare, { min: 0, max: 1 })
  requireWithin('RUNG', rungMbps, { min: 0.01 })
  return Math.floor((uploadMbps * (1 - reserveShare)) / (rungMbps * overheadFactor) + 1e-9)
}

/**
 * The upload that so many streams away need, the reserve kept: streams · rung · 1.08 ÷ (1 −
 * reserve), Mb/s.
 * @param reserveShare 0 … below 1
 * @throws {CoreRangeError} STREAMS, RESERVE, RUNG
 * @example uploadNeededMbps({ streams: 2, reserveShare: 0.25, rungMbps: 4 }) // 11.52
 */
export function uploadNeededMbps({
  streams,
  reserveShare,
  rungMbps,
}: {
  streams: number
  reserveShare: number
  rungMbps: number
}): number {
  requireWithin('STREAMS', streams, { min: 0 })
  requireWithin('RESERVE', reserveShare, { min: 0, max: 0.99 })
  requireWithin('RUNG', rungMbps, { min: 0.01 })
  return (streams * rungMbps * overheadFactor) / (1 - reserveShare)
}

/**
 * What each of several sessions away can count on: upload · (1 − reserve) / 1.08 ÷ sessions, Mb/s.
 * @throws {CoreRangeError} UPLOAD, RESERVE, SESSIONS
 * @example awayShareMbps({ uploadMbps: 22, reserveShare: 0.25, sessions: 2 }) // 7.64
 */
export function awayShareMbps({
  uploadMbps,
  reserveShare,
  sessions,
}: {
  uploadMbps: number
  reserveShare: number
  sessions: number
}): number {
  requireWithin('UPLOAD', uploadMbps, { min: 0 })
  requireWithin('RESERVE', reserveShare, { min: 0, max: 1 })
  requireWithin('SESSIONS', sessions, { min: 1 })
  return (uploadMbps * (1 - reserveShare)) / overheadFactor / sessions
}
