import { describe, expect, it } from 'vitest'
import type { Clash } from '~~/core/tiers/search/clash'
import { clashSentence } from './clashText'

const format = {
  money: (value: number | null) => `€${value}`,
  number: (value: number | null) => String(value),
  quantity: (value: number | null, unit: string) => `${value} ${unit}`,
}
const build = { label: 'Heron 4', drives: '2 × 8 TB', toPay: 640, possible: 1, roomTB: 8 }
const said = (limits: Clash['limits'], limit?: Clash['limits'][number], budget = 500) =>
  clashSentence(
    { limits, relaxed: limit ? { limit, build: build as never } : null },
    { budget, format: format as never },
  )

describe('what clashes, in sentences', () => {
  it('is nothing where a build meets everything', () => {
    expect(clashSentence(null, { budget: null, format: format as never })).toBe(
      'Nothing clashes: a build meets the whole need.',
    )
  })
  it('moves a part of the need, and tells what can be had of it', () => {
    expect(said(['space', 'streams'], 'streams')).toBe(
      'The room and the conversions cannot be had together. The cheapest way out is to move ' +
        'the conversions: then Heron 4 with 2 × 8 TB does, at €640, with 1 conversion.',
    )
    expect(said(['budget'], 'budget')).toMatch(/from €500 to €640\.$/)
  })
  it('switches a condition off', () => {
    expect(said(['quiet'], 'quiet')).toBe(
      '“quiet enough there” alone cannot be met by anything in the catalogue. The cheapest way ' +
        'out is to switch off “quiet enough there”: then Heron 4 with 2 × 8 TB does, at €640.',
    )
  })
  it('says that more is to be given up', () => {
    expect(said(['quiet'])).toMatch(/Giving it up is not enough: more than that clashes\.$/)
    expect(said(['quiet', 'space'])).toMatch(/Giving up one of them is not enough\.$/)
  })
  it('says where nothing goes together at all', () => {
    expect(said([])).toMatch(/^Nothing in the catalogue goes together/)
  })
})
