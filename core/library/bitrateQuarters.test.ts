import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue/catalogue'
import { BitrateBins } from './bitrateQuarters'
import { titleBitrates } from './titleBitrates'

/** Slowly: every second of every file in order of its bitrate, cut into four. */
function slowly(files: readonly { readonly mbps: number; readonly seconds: number }[]): number[] {
  const seconds = files
    .flatMap(file => Array.from({ length: file.seconds }, () => file.mbps))
    .sort((a, b) => a - b)
  const quarter = seconds.length / 4
  return [0, 1, 2, 3].map(at => {
    let sum = 0
    for (let second = 0; second < seconds.length; second++) {
      const part = Math.min(second + 1, (at + 1) * quarter) - Math.max(second, at * quarter)
      if (part > 0) sum += part * seconds[second]!
    }
    return sum / quarter
  })
}

describe('bitrates by quarters of the minutes', () => {
  it('are four means, the lowest first', () => {
    const bins = new BitrateBins()
    for (const mbps of [3, 20]) bins.add(mbps, 3600)
    expect(bins.quarters()!.map(mbps => Number(mbps.toFixed(9)))).toEqual([3, 3, 20, 20])
    const one = new BitrateBins()
    one.add(8, 100)
    one.add(8.001, 100)
    expect(one.quarters()).toBe(null)
  })
  it('agree with sorting every second, within the width of a bin, and keep the mean', () => {
    const file = fc.record({
      mbps: fc.double({ min: 0.5, max: 80, noNaN: true }),
      seconds: fc.integer({ min: 1, max: 60 }),
    })
    fc.assert(
      fc.property(fc.array(file, { minLength: 2, maxLength: 30 }), files => {
        const [one, other] = [new BitrateBins(), new BitrateBins()]
        // In two lots, as when small groups are folded into larger ones.
        files.forEach(({ mbps, seconds }, at) => (at % 2 ? one : other).add(mbps, seconds))
        one.merge(other)
        const found = one.quarters()
        if (!found) return
        const slow = slowly(files)
        const mean = (list: readonly number[]) => list.reduce((sum, own) => sum + own, 0) / 4
        expect(mean(found)).toBeCloseTo(mean(slow), 9)
        found.forEach((mbps, at) => {
          expect(mbps / slow[at]!).toBeGreaterThan(0.97)
          expect(mbps / slow[at]!).toBeLessThan(1.03)
        })
        expect([...found].sort((a, b) => a - b)).toEqual(found)
      }),
      { numRuns: 100 },
    )
  })
})

describe('the bitrates of a holding', () => {
  const quality = catalogue.qualities.find(({ id }) => id === 'hd1080-h264')!
  it('are its quarters, else its mean, else the usual of its quality', () => {
    const quarters = [4, 6, 8, 22]
    expect(titleBitrates({ bitrateMbps: null, bitrateQuarters: quarters }, quality)).toEqual([8])
    expect(titleBitrates({ bitrateMbps: 9, bitrateQuarters: null }, quality)).toEqual([9])
    expect(titleBitrates({ bitrateMbps: 10, bitrateQuarters: quarters }, quality)).toEqual(quarters)
    expect(titleBitrates({ bitrateMbps: 20, bitrateQuarters: quarters }, quality)).toEqual([
      8, 12, 16, 44,
    ])
  })
})
