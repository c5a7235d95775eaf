import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { CoreKind } from '../catalogue/coreKinds'
import { processors } from '../catalogue/processors'
import { videoEngines } from '../catalogue/videoEngines'
import { pointsPerCoreGHz, scoreFromCores } from './scoreFromCores'

describe('the score by cores, GHz and year', () => {
  it('four cores of 2013 at 3.4 GHz: 5168, 35 % either way', () => {
    const { low, likely, high } = scoreFromCores({
      cores: 4,
      gigahertz: 3.4,
      year: 2013,
      kind: 'fast',
      threadsPerCore: 1,
    })
    expect([low, likely, high].map(Math.round)).toEqual([3359, 5168, 6977])
  })
  it('a second thread adds a fifth', () => {
    const rule = { cores: 8, gigahertz: 3.5, year: 2017, kind: 'fast' as const }
    expect(scoreFromCores({ ...rule, threadsPerCore: 2 }).likely).toBeCloseTo(
      1.2 * scoreFromCores({ ...rule, threadsPerCore: 1 }).likely,
      9,
    )
  })
  it('interpolates between years, and holds the ends', () => {
    expect(
      [2000, 2008, 2009, 2014, 2016, 2030].map(year => pointsPerCoreGHz(year, 'fast')),
    ).toEqual([190, 190, 240, 405, 430, 600])
    expect(
      (['efficiency', 'armSmall', 'armMiddle', 'armBig'] as const).map(kind =>
        pointsPerCoreGHz(2021, kind),
      ),
    ).toEqual([400, 60, 150, 250])
  })
  it('never falls with cores, GHz or year', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 64 }),
        fc.double({ min: 0.5, max: 6, noNaN: true }),
        fc.integer({ min: 2004, max: 2030 }),
        (cores, gigahertz, year) => {
          const score = (change: object) =>
            scoreFromCores({ cores, gigahertz, year, kind: 'fast', threadsPerCore: 1, ...change })
              .likely
          expect(score({ cores: cores + 1 })).toBeGreaterThan(score({}))
          expect(score({ gigahertz: gigahertz * 1.1 })).toBeGreaterThan(score({}))
          expect(score({ year: year + 1 })).toBeGreaterThanOrEqual(score({}))
        },
      ),
    )
  })
  it('names what is out of range', () => {
    expect(() =>
      scoreFromCores({ cores: 0, gigahertz: 3, year: 2015, kind: 'fast', threadsPerCore: 1 }),
    ).toThrow('CORES')
    expect(() =>
      scoreFromCores({ cores: 4, gigahertz: 0, year: 2015, kind: 'fast', threadsPerCore: 1 }),
    ).toThrow('GHZ')
  })
})

describe('the catalogue', () => {
  it('has at least thirty processors and twelve engines, each with a name of its own', () => {
    expect(processors.length).toBeGreaterThanOrEqual(30)
    expect(videoEngines).toHaveLength(12)
    for (const list of [processors, videoEngines])
      expect(new Set(list.map(entry => entry.id)).size).toBe(list.length)
    expect(videoEngines.filter(engine => engine.kind === 'card')).toHaveLength(4)
    for (const engine of videoEngines) expect(engine.loadW, engine.id).toBeGreaterThan(engine.idleW)
    for (const processor of processors)
      expect(processor.maxW, processor.id).toBeGreaterThan(processor.idleW)
  })
  it('refers only to engines that exist', () => {
    for (const processor of processors)
      expect(
        processor.engine === 'none' ||
          videoEngines.some(engine => engine.kind !== 'card' && engine.id === processor.engine),
        processor.id,
      ).toBe(true)
  })
  it('has scores that the rule of cores, GHz and year agrees with within its band', () => {
    const kindOf = (name: string): CoreKind =>
      name.includes('ARM board, small')
        ? 'armSmall'
        : name.includes('middle')
          ? 'armMiddle'
          : name.includes('big cores')
            ? 'armBig'
            : name === 'small chip'
              ? 'efficiency'
              : 'fast'
    for (const { id, cores, gigahertz, year, threadsPerCore, class: name, score } of processors) {
      // The rule knows efficiency cores of 2021 only.
      if (name === 'small chip' && year < 2021) continue
      const rule = scoreFromCores({ cores, gigahertz, year, kind: kindOf(name), threadsPerCore })
      expect(score, id).toBeGreaterThanOrEqual(rule.low)
      expect(score, id).toBeLessThanOrEqual(rule.high)
    }
  })
})
