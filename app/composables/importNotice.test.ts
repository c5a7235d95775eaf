import { describe, expect, it } from 'vitest'
import { importNotice } from './importNotice'

describe('the notice after an import', () => {
  it('says nothing of fields where all are known', () => {
    expect(importNotice('Mill', { keptAside: [], leftOut: [] })).toBe('Imported "Mill".')
  })
  it('names what is kept and what is left out, one or several', () => {
    expect(importNotice('Mill', { keptAside: ['sails'], leftOut: [] })).toBe(
      'Imported "Mill". This version of Numeron does not use one field: sails. It is kept ' +
        'and exported unchanged.',
    )
    expect(importNotice('Mill', { keptAside: ['a', 'b'], leftOut: ['c'] })).toMatch(
      /2 fields: a, b\. They are kept .* left out one field that it does not use, because it is too large or too many to keep: c\. Keep your file if you need it\.$/,
    )
  })
  it('lists eight names at most', () => {
    const paths = Array.from({ length: 10 }, (_, at) => `f${at}`)
    expect(importNotice('Mill', { keptAside: paths.slice(0, 8), leftOut: [] })).toContain('f6, f7.')
    expect(importNotice('Mill', { keptAside: [], leftOut: paths })).toContain('f7 and 2 more.')
  })
})
