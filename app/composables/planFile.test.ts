import { describe, expect, it } from 'vitest'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import { newPlan, planSchema } from '~~/core/plan/planSchema'
import { planFileName } from './planDownload'
import { planFileLimitBytes, readPlanFile } from './planFile'
import { viewOfPath } from './fieldPlaces'
import { fieldElementId, viewAddress, views } from './views'

describe('plan files', () => {
  it.each([
    ['Tide Mill House', 'tide-mill-house'],
    ['  Ünder/..\\Wasser ', 'under-wasser'],
    ['★', 'plan'],
  ])('%j is exported as %s', (name, stem) => {
    expect(planFileName(newPlan(name))).toBe(`${stem}.numeron.json`)
  })
  it('are read whole or refused whole', async () => {
    const file = (text: string, size = text.length) => ({ size, text: async () => text })
    expect(await readPlanFile(file(JSON.stringify(tideMillHouse)))).toMatchObject({
      ok: true,
      plan: planSchema.parse(tideMillHouse),
    })
    expect(await readPlanFile(file('{'))).toMatchObject({
      ok: false,
      issues: [{ code: 'NOT_JSON' }],
    })
    expect(await readPlanFile(file('{}', planFileLimitBytes + 1))).toMatchObject({
      ok: false,
      issues: [{ code: 'TOO_LARGE', message: expect.stringContaining('at most 5 MB') }],
    })
  })
})

describe('where things are set', () => {
  it('knows the view of every field', () => {
    expect(
      [
        'machine.score',
        'library.holdings.0.titles',
        'costs.extras',
        'choices.horizonYears',
        'choices.survivesAtLeast',
        'brief.budget',
      ].map(viewOfPath),
    ).toEqual(['machine', 'library', 'ownership', 'library', 'drives', 'brief'])
    expect(fieldElementId('machine.score')).toBe('field-machine.score')
  })
  it('gives each view an address', () => {
    expect(views.map(view => viewAddress('a', view.id))).toEqual(
      expect.arrayContaining(['/plans/a', '/plans/a/household', '/plans/a/tiers']),
    )
  })
})
