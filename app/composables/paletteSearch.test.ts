import { describe, expect, it } from 'vitest'
import { searchPalette, type PaletteEntry } from './paletteSearch'

const entry = (kind: PaletteEntry['kind'], label: string, detail = ''): PaletteEntry => ({
  kind,
  label,
  detail,
  run: () => {
    /* nothing */
  },
})
const entries = [
  entry('View', 'Drives', 'Size'),
  entry('View', 'Drives: Risk', 'Size'),
  entry('Field', 'Drive class', 'Drives'),
  entry('Figure', 'Chance of loss in 5 years', '2 %'),
  entry('Action', 'Undo'),
  entry('Plan', 'Café boat'),
  entry('Field', 'Upload', 'Network'),
  entry('Field', 'Upload reserved', 'Network'),
]
const labels = (typed: string) => searchPalette(entries, typed, 5).map(found => found.label)

describe('the palette', () => {
  it('shows what there is before anything is typed, up to a limit', () =>
    expect(labels('')).toEqual([
      'Drives',
      'Drives: Risk',
      'Drive class',
      'Chance of loss in 5 years',
      'Undo',
    ]))
  it('puts the whole label first, then its beginning', () => {
    expect(labels('drives')[0]).toBe('Drives')
    expect(labels('upload')).toEqual(['Upload', 'Upload reserved'])
  })
  it('wants every word, in any order, in label or detail', () => {
    expect(labels('risk drives')).toEqual(['Drives: Risk'])
    expect(labels('network reserved')).toEqual(['Upload reserved'])
    expect(labels('drives moon')).toEqual([])
  })
  it('finds in the middle of words, and without accents', () => {
    expect(labels('cafe')).toEqual(['Café boat'])
    expect(labels('oss')).toEqual(['Chance of loss in 5 years'])
  })
  it('takes what is typed as it is, not as a pattern', () => expect(labels('(.*')).toEqual([]))
})
