import { describe, expect, it } from 'vitest'
import { CoreRangeError } from '../errors'
import { recordingGB, tebibytes } from './dataSize'
import { tcpPayloadMbps } from './ethernet'
import { formatNumber } from './formatNumber'
import { shareText } from './shareText'

describe('sizes', () => {
  it.each([[8, 6.6], [28, 23.1], [60, 49.5]])('a film of 110 minutes at %d Mb/s takes %d GB', (mbps, gb) => {
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
  it.each([[100, 94.1], [1000, 941.5], [2500, 2353.7], [10_000, 9414.8]])('%d Mb/s carry %d', (link, payload) => {
    expect(tcpPayloadMbps(link)).toBeCloseTo(payload, 1)
  })
})

describe('numbers as they stand in formulas', () => {
  it.each([
    [12_000, '12\u202f000'], [0.3, '0.3'], [941.482, '941.5'], [0, '0'], [-4.5, '−4.5'], [3.62e-5, '3.62e-5'], [1e14, '1e14'], [8, '8'],
  ])('%d is %s', (value, text) => expect(formatNumber(value)).toBe(text))
  it('never shows NaN or Infinity', () => {
    expect(formatNumber(Number.NaN)).toBe('–')
    expect(formatNumber(Infinity)).toBe('–')
  })
})

describe('shares and chances', () => {
  it.each([
    [0, '0 %'], [0.25, '25 %'], [0.0123, '1.2 %'], [1, '100 %'], [3.62e-5, '1 in 28\u202f000'], [3.9e-7, '1 in 2.6 million'], [1e-15, 'under 1 in 10¹²'],
  ])('%d is %s', (share, text) => expect(shareText(share)).toBe(text))
})
