import { describe, expect, it } from 'vitest'
import { catalogue } from '../catalogue/catalogue'
import { holdingKinds } from '../catalogue/holdingKinds'
import { holdingSchema } from '../plan/library'
import { qualitiesOfKind, withKind } from './qualitiesOfKind'

const film = holdingSchema.parse({ quality: 'uhd-disc', titles: 3 })

describe('qualities of a kind', () => {
  it('are those of its medium, and the size given directly', () => {
    expect(qualitiesOfKind('music', catalogue).map(option => option.id)).toEqual([
      'music-lossless',
      'music-lossy',
      'given',
    ])
    expect(qualitiesOfKind('documents', catalogue).map(option => option.id)).toEqual(['given'])
    expect(qualitiesOfKind('series', catalogue).length).toBeGreaterThan(10)
  })
  it('change with the kind only where they have to', () => {
    expect(withKind(film, 'series', catalogue)).toEqual({ ...film, kind: 'series' })
    expect(withKind(film, 'photos', catalogue)).toEqual({
      ...film,
      kind: 'photos',
      quality: 'photo',
    })
    expect(
      withKind({ ...film, quality: 'given', sizeGB: 40 }, 'projects', catalogue),
    ).toMatchObject({ kind: 'projects', quality: 'given', sizeGB: 40 })
  })
  it('make a valid holding of every kind', () => {
    for (const { id } of holdingKinds)
      expect(holdingSchema.parse(withKind(film, id, catalogue)).kind).toBe(id)
  })
})
