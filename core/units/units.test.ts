import { describe, expect, it } from 'vitest'
import { CoreRangeError } from '../errors'
import { recordingGB, tebibytes } from './dataSize'
import { tcpPayloadMbps } from './ethernet'

describe('sizes', () => {
  it.each([
    [8, 6.6],
    [28, 23.1],
    [60, 49.5],
  ])('a film of 110 minutes at %d Mb/s takes %d GB', (mbps, gb) => {
    expect(recordingGB(mbps, 110)).toBeCloseTo(gb, 6)
  })
  it('14 TB are 12.73 TiB', () => expect(tebibytes(14)).toBeCloseTo(12.73, 2))
  it('refuses a negative size, rate and length, naming which', () => {
    expect(() => tebibytes(-1)).toThrow(CoreRangeError)
    expect(() => recordingGB(-1, 1)).toThrow('BITRATE')
    expect(() => recordingGB(1, Number.NaN)).toThrow('MINUTES')
  })
})

describe('TCP payload of Ethernet', () => {
  it.each([
    [100, 94.1],
    [1000, 941.5],
    [2500, 2353.7],
    [10_000, 9414.8],
  ])('%d Mb/s carry %d', (link, payload) => {
    expect(tcpPayloadMbps(link)).toBeCloseTo(payload, 1)
  })
})
