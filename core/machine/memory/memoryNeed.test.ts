import { describe, expect, it } from 'vitest'
import { memoryNeed, memoryUses, soldGB, systemMemoryGB, wantedFactor } from './memoryNeed'

const plain = {
  makersSystem: false,
  copyOnWrite: false,
  conversions: 0,
  services: [],
  engineGB: 0,
  rawTB: 0,
}

describe('memory by use', () => {
  it('adds up to a floor, rounded to a size that is sold, and half as much more is wanted', () => {
    expect(memoryNeed({ ...plain, copyOnWrite: true, conversions: 3 })).toMatchObject({
      sumGB: expect.closeTo(8.4, 9),
      floorGB: 16,
      wantedGB: 16,
    })
    expect(memoryNeed(plain)).toMatchObject({ sumGB: 3.5, floorGB: 4, wantedGB: 8 })
    expect(memoryNeed({ ...plain, rawTB: 36 }).byRawTB).toBe(36)
    expect(wantedFactor).toBe(1.5)
    expect(memoryUses).toEqual({
      makersSystem: 1,
      plainSystem: 2,
      copyOnWritePool: 6,
      mediaSoftware: 1.5,
      conversion: 0.3,
      container: 0.05,
      guest: 1.5,
    })
  })
  it('counts services: a container a little more, a guest a gigabyte and a half', () => {
    const services = [
      { on: 'host', memoryGB: 1 },
      { on: 'container', memoryGB: 0.5 },
      { on: 'guest', memoryGB: 2 },
    ] as const
    expect(memoryNeed({ ...plain, services, engineGB: 0.7 }).sumGB).toBeCloseTo(
      2 + 1.5 + 1 + 0.55 + 2 + 1.5 + 0.7,
      9,
    )
  })
  it("an appliance's own system needs little, whatever its file system", () => {
    expect([
      systemMemoryGB({ makersSystem: true, copyOnWrite: true }),
      systemMemoryGB({ makersSystem: false, copyOnWrite: true }),
      systemMemoryGB(plain),
    ]).toEqual([1, 6, 2])
  })
  it('is sold in doubling sizes', () => {
    expect([0, 1, 1.01, 2, 3.5, 8, 8.1, 100].map(soldGB)).toEqual([1, 1, 2, 2, 4, 8, 16, 128])
    expect(() => soldGB(-1)).toThrow('MEMORY_GB')
  })
})
