import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue/catalogue'
import { newPlan, planSchema } from '../plan/planSchema'
import {
  growthChoices,
  growthShare,
  isLocked,
  keptCount,
  keptKinds,
  withGrowth,
  withKept,
  withLock,
} from './kept'

const empty = newPlan('x').library
const library = (holdings: object[], rest: object = {}) =>
  planSchema.parse({ name: 'x', library: { holdings, ...rest } }).library

describe('what is kept, by rough count', () => {
  it('makes a holding of the usual quality, and takes it away again', () => {
    const films = withKept(empty, { kind: 'film', count: 300 }, catalogue)
    expect(films.holdings).toMatchObject([{ kind: 'film', titles: 300, quality: 'hd1080-h264' }])
    expect(withKept(films, { kind: 'film', count: 0 }, catalogue).holdings).toEqual([])
    expect(withKept(empty, { kind: 'film', count: 0 }, catalogue)).toBe(empty)
  })
  it(
    'changes the first holding of its kind by the difference, and leaves sizes given whole ' +
      'alone',
    () => {
      const mixed = library([
        { kind: 'film', titles: 100 },
        { kind: 'film', quality: 'uhd-hdr-hevc', titles: 40 },
        { kind: 'film', quality: 'given', sizeGB: 900 },
      ])
      expect(keptCount(mixed, 'film')).toBe(140)
      expect(
        withKept(mixed, { kind: 'film', count: 200 }, catalogue).holdings.map(
          holding => holding.titles,
        ),
      ).toEqual([160, 40, 0])
      expect(
        withKept(mixed, { kind: 'film', count: 30 }, catalogue).holdings.map(
          holding => holding.titles,
        ),
      ).toEqual([40, 0])
    },
  )
  it('counts what was asked for, whatever was there before', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...keptKinds),
        fc.nat(5000),
        fc.nat(5000),
        (kind, before, after) => {
          const changed = withKept(
            withKept(empty, { kind, count: before }, catalogue),
            { kind, count: after },
            catalogue,
          )
          expect(keptCount(changed, kind)).toBe(after)
        },
      ),
    )
  })
})

describe('what cannot be replaced', () => {
  it('is as the kind is, until somebody says otherwise, and back', () => {
    expect(keptKinds.filter(kind => isLocked(empty, kind))).toEqual(['homeVideo', 'photos'])
    for (const kind of keptKinds) {
      const kept = withKept(empty, { kind, count: 100 }, catalogue)
      const usual = isLocked(empty, kind)
      expect(isLocked(kept, kind)).toBe(usual)
      const turned = withLock(kept, { kind, locked: !usual })
      expect(isLocked(turned, kind)).toBe(!usual)
      expect(withLock(turned, { kind, locked: usual })).toEqual(kept)
    }
  })
  it('holds for every holding of a kind, those that may be lost too; others stay', () => {
    const before = library([
      { kind: 'film', titles: 5 },
      { kind: 'film', titles: 7, mayBeLost: true },
      { kind: 'photos', quality: 'photo', titles: 9 },
    ])
    const locked = withLock(before, { kind: 'film', locked: true })
    expect(locked.holdings).toMatchObject([
      { loss: 'irreplaceable', mayBeLost: false },
      { loss: 'irreplaceable', mayBeLost: false },
      { loss: 'byKind' },
    ])
    expect(isLocked(before, 'film')).toBe(false)
    const open = withLock(before, { kind: 'photos', locked: false })
    expect(open.holdings[2]).toMatchObject({ loss: 'replaceable' })
    expect(open.holdings[1]!.mayBeLost).toBe(true)
  })
})

describe('growth as a share a year', () => {
  it('is set for everything, and read back', () => {
    const grown = withGrowth(
      library(
        [
          { kind: 'film', titles: 240 },
          { kind: 'series', quality: 'hd1080-hevc', titles: 1200 },
        ],
        { otherTB: 2 },
      ),
      0.15,
    )
    expect(grown.holdings.map(holding => holding.addedPerMonth)).toEqual([3, 15])
    expect(grown.otherGrowthGBPerMonth).toBe(25)
    expect(growthShare(grown)).toBe(0.15)
    expect(growthShare(withGrowth(grown, 0))).toBe(0)
  })
  it('is what a further holding grows by', () => {
    const grown = withGrowth(library([{ kind: 'film', titles: 240 }]), 0.4)
    expect(
      withKept(grown, { kind: 'photos', count: 12_000 }, catalogue).holdings[1]!.addedPerMonth,
    ).toBe(400)
    expect(
      withKept(grown, { kind: 'film', count: 480 }, catalogue).holdings[0]!.addedPerMonth,
    ).toBe(16)
  })
  it('is open where holdings grow unlike, or nothing is kept', () => {
    expect(
      growthShare(
        library([
          { titles: 100, addedPerMonth: 1 },
          { titles: 100, addedPerMonth: 9 },
        ]),
      ),
    ).toBeNull()
    expect(growthShare(empty)).toBeNull()
  })
  it('is read back whatever the numbers, but for so few that an answer makes no difference', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 4000 }), { minLength: 1, maxLength: 4 }),
        fc.constantFrom(...growthChoices),
        (titles, share) => {
          const grown = withGrowth(library(titles.map(count => ({ titles: count }))), share)
          const read = growthShare(grown)
          expect(withGrowth(grown, read!)).toEqual(grown)
          if (Math.max(...titles) >= 10) expect(read).toBe(share)
        },
      ),
    )
  })
})
