import { describe, expect, it } from 'vitest'
import { cupboardRiseK, driveRiseK, maxDriveC, panelWPerK, warmDriveC } from './heat'
import {
  cupboardDb,
  driveDb,
  fanDb,
  noiseAtEar,
  noiseCeiling,
  noiseCeilings,
  rackFanDb,
  soundSum,
} from './noise'
import { reachMinutes, swapMinutes } from './reach'

describe('noise', () => {
  it('of four drives at 28, two fans at 22 and a supply at 24 is 34.9, and 20.9 at two metres', () => {
    const sources = [28, 28, 28, 28, 22, 22, 24]
    expect(soundSum(sources)).toBeCloseTo(34.9, 1)
    expect(noiseAtEar(sources, { distanceM: 2, inCupboard: false })).toBeCloseTo(20.9, 1)
    expect(noiseAtEar(sources, { distanceM: 2, inCupboard: true })).toBeCloseTo(15.9, 1)
    expect(cupboardDb).toBe(5)
  })
  it('of nothing is nothing, and of two alike 3 dB more than of one', () => {
    expect(soundSum([])).toBeNull()
    // What sounds at 0 dB is not there.
    expect(soundSum([0])).toBeNull()
    expect(soundSum([0, 10])).toBe(10)
    expect(noiseAtEar([0], { distanceM: 1, inCupboard: false })).toBe(0)
    expect(soundSum([30, 30])! - soundSum([30])!).toBeCloseTo(10 * Math.log10(2), 9)
    expect(() => noiseAtEar([30], { distanceM: 0, inCupboard: false })).toThrow('EAR_DISTANCE')
  })
  it(
    "of a fan lies on straight lines; small ones sound by their tips, and a rack's is the " +
      'loudest',
    () => {
      expect([700, 900, 1100, 1300, 1500].map(rpm => fanDb(rpm))).toEqual([16, 20.5, 25, 29, 33])
      expect(fanDb(2200, 60)).toBe(25)
      expect(fanDb(1100, 140)).toBe(25)
      expect(fanDb(20_000)).toBe(rackFanDb)
      expect(fanDb(0)).toBeGreaterThanOrEqual(0)
      expect(rackFanDb).toBe(55)
      expect(driveDb).toEqual({
        slow: { still: 25, seeking: 29 },
        fast: { still: 30, seeking: 34 },
      })
    },
  )
  it('has its ceiling in the room, for a cupboard in the one it opens to', () => {
    expect(noiseCeilings).toEqual({
      bedroom: 20,
      livingRoom: 28,
      study: 33,
      office: 33,
      cellar: 45,
      loft: 45,
      workshop: 45,
    })
    expect(noiseCeiling({ place: 'cupboard', opensTo: 'bedroom' })).toBe(20)
    expect(noiseCeiling({ place: 'study', opensTo: 'bedroom' })).toBe(33)
  })
})

describe('heat and reach', () => {
  it('55 W in a cupboard of 1.8 m² make it 12 degrees warmer, half of that with vents', () => {
    expect(cupboardRiseK(55, { panelM2: 1.8, vented: false })).toBeCloseTo(12.2, 1)
    expect(cupboardRiseK(55, { panelM2: 1.8, vented: true })).toBeCloseTo(6.1, 1)
    expect([panelWPerK, driveRiseK, warmDriveC, maxDriveC]).toEqual([
      2.5,
      { across: 6, slow: 12, none: 20 },
      45,
      60,
    ])
    expect(() => cupboardRiseK(5, { panelM2: 0, vented: true })).toThrow('CUPBOARD_M2')
  })
  it('a drive in a front tray is swapped in two minutes, others by where they sit', () => {
    expect(reachMinutes).toEqual({ front: 2, side: 12, behind: 25, dismantle: 50 })
    expect(swapMinutes({ hotSwap: 2, reach: 'behind' }, 4)).toEqual([2, 2, 25, 25])
  })
})
