import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import type { PlanInput } from '~~/core/plan/planSchema'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import { fieldPaths } from '~~/core/plan/fieldPaths'
import { planSchema } from '~~/core/plan/planSchema'
import { placeOfPath, viewOfPath } from '~/composables/fieldPlaces'
import { viewAddress, views } from '~/composables/views'
import { openDemo } from '../../../tests/stubs/openPlan'
import OverallVerdict from './OverallVerdict.vue'

vi.mock('~~/core/catalogue/catalogue', async original => {
  const shipped = await original<typeof import('~~/core/catalogue/catalogue')>()
  const { fewModels } = await import('../../../tests/stubs/smallCatalogue')
  return { ...shipped, catalogue: fewModels(shipped.catalogue) }
})

const palace: Partial<PlanInput> = {
  brief: { budget: 20_000 },
  household: { watchingHome: 1, watchingAway: 0, converted: 0 },
  library: { holdings: [{ titles: 20 }] },
  network: { uploadMbps: 500 },
  machine: { base: 'own', condition: 'owned', score: 60_000, cores: 16, bays: 8 },
  drives: { lots: [{ count: 4, sizeTB: 12 }], layout: 'rotating-2' },
  choices: { survivesAtLeast: 1 },
}
const word = (changes: Partial<PlanInput>) => {
  openDemo(changes)
  return mount(OverallVerdict).find('.word').text()
}

describe('the one answer', () => {
  it('is yes only where every headroom holds', () => {
    expect(word(palace)).toBe(
      'This will do, because every need is met, even at the unfavourable end of each range.',
    )
  })
  it('leads to the parts list with what is to pay, where the plan will do', async () => {
    openDemo(palace)
    const links = (view: ReturnType<typeof mount>) =>
      view.findAll('.cheapest a').map(link => [link.text(), link.attributes('href')])
    const view = mount(OverallVerdict)
    await vi.waitFor(() => expect(links(view)).toHaveLength(2), { timeout: 10_000 })
    const [text, address] = links(view)[0]!
    expect(text).toMatch(/^Parts list: €[\d,]+ to pay now$/)
    expect(address).toMatch(/machine\/parts$/)
    view.unmount()
    openDemo()
    expect(links(mount(OverallVerdict)).map(([first]) => first)).not.toContainEqual(
      expect.stringMatching(/^Parts list/),
    )
  })
  it('is no for a hopeless machine, and says of what', () => {
    expect(
      word({ machine: { base: 'own', condition: 'owned', score: 300, cores: 2, bays: 2 } }),
    ).toMatch(/^This will not do, because the machine cannot convert enough at once/)
    expect(word({ ...palace, drives: { lots: [{ count: 2, sizeTB: 0.1 }] } })).toMatch(
      /^This will not do, because the library outgrows the drives/,
    )
  })
  it('is open for an empty plan', () => {
    const store = openDemo()
    store.plan = {
      ...store.plan!,
      ...{
        machine: {
          ...store.plan!.machine,
          base: 'own',
          parts: [],
          score: null,
          processor: 'own',
          sustainedGHz: null,
        },
        drives: { ...store.plan!.drives, lots: [] },
      },
    }
    expect(mount(OverallVerdict).find('.word').text()).toMatch(/^Not known yet, because/)
  })
  it('does not say yes while a price is missing and a budget is set', () => {
    const verdict = word({ ...palace, machine: { base: 'own', score: 60_000, cores: 16, bays: 8 } })
    expect(verdict).toBe('Not known yet, because a price that counts is not known.')
  })
  const cheapest = async (changes: Partial<PlanInput>, expected: RegExp) => {
    const store = openDemo(changes)
    const overall = mount(OverallVerdict)
    await vi.waitFor(() => expect(overall.find('.cheapest').text()).toMatch(expected), {
      timeout: 60_000,
      interval: 50,
    })
    return { store, overall }
  }
  it('names the cheapest change that would do, to be applied with a press', async () => {
    const { store, overall } = await cheapest(
      {},
      /^The cheapest change that meets the need: €[\d,]+ for parts and drives\. Put in .+ Apply this change/,
    )
    expect(overall.findAll('.cheapest a').map(link => link.attributes('href'))).toContainEqual(
      expect.stringMatching(/tiers$/),
    )
    await overall.find('[data-apply-change]').trigger('focus')
    expect(store.tried).not.toBeNull()
    await overall.find('[data-apply-change]').trigger('click')
    expect(store.tried).toBeNull()
    // The copy away comes with it, as with every build.
    expect(overall.find('.word').text()).toMatch(/^This will (just )?do/)
    expect(overall.find('[data-change]').exists()).toBe(false)
    expect(overall.find('[data-missing-copy]').exists()).toBe(false)
    overall.unmount()
  }, 120_000)
  it('names the cheapest build where no change mends it, and where there is no machine yet', async () => {
    const { overall } = await cheapest(
      { machine: { base: 'coracle', condition: 'owned' } },
      /No set of parts and drives makes the machine .+Best over the years: /,
    )
    overall.unmount()
    const { overall: none } = await cheapest(
      { machine: { base: 'own' }, drives: { lots: [] } },
      /^Best over the years: .+ €[\d,]+ now and €/,
    )
    none.unmount()
    const { overall: poor } = await cheapest(
      { brief: { budget: 0 }, machine: { base: 'own' }, drives: { lots: [] } },
      /^Nothing in the catalogue meets the whole need within the budget\. Closest: /,
    )
    poor.unmount()
  }, 180_000)
})

describe('the views', () => {
  it('have sections with addresses of their own, the first without', () => {
    expect(viewAddress('p', 'streams', 'capacity')).toBe('/plans/p/streams')
    expect(viewAddress('p', 'streams', 'archive')).toBe('/plans/p/streams/archive')
    expect(viewAddress('p', 'brief', 'answers')).toBe('/plans/p/brief/answers')
    for (const view of views)
      expect(new Set(view.sections.map(section => section.id)).size).toBe(view.sections.length)
  })
  it('say in which section a field is set, and have that section', () => {
    const place = (path: string) => [placeOfPath(path).view, placeOfPath(path).section ?? '']
    expect(place('household.devices.0.class')).toEqual(['household', 'devices'])
    expect(place('machine.measuredStreams')).toEqual(['streams', 'measure'])
    expect(place('drives.oneBatch')).toEqual(['drives', 'risk'])
    expect(place('drives.parityAfterCopy')).toEqual(['commissioning', 'run-book'])
    expect(place('brief.anotherHome')).toEqual(['commissioning', 'run-book'])
    expect(place('brief.ventsMayBeMade')).toEqual(['machine', 'place'])
    expect(place('library.holdings.3.titles')).toEqual(['library', 'holdings'])
    for (const { path } of fieldPaths(planSchema.parse(tideMillHouse))) {
      const { view, section } = placeOfPath(path)
      if (section)
        expect(
          views.find(candidate => candidate.id === view)!.sections.map(own => own.id),
          path,
        ).toContain(section)
    }
  })
  it('each have an address, and every field has a view that sets it', () => {
    expect(views.map(view => viewAddress('p', view.id))).toEqual([
      '/plans/p',
      ...views.slice(1).map(view => `/plans/p/${view.id}`),
    ])
    expect(
      Object.fromEntries(
        [
          'machine.parts.0.price',
          'machine.price',
          'machine.condition',
          'drives.lots.0.priceEach',
          'drives.above45C',
          'choices.fallbackShare',
          'costs.extras',
          'calibration.workTable',
          'brief.who',
          'nothing.at.all',
        ].map(path => [path, viewOfPath(path)]),
      ),
    ).toEqual({
      'machine.parts.0.price': 'machine',
      'machine.price': 'machine',
      'machine.condition': 'machine',
      'drives.lots.0.priceEach': 'drives',
      'drives.above45C': 'drives',
      'choices.fallbackShare': 'streams',
      'costs.extras': 'ownership',
      'calibration.workTable': 'streams',
      'brief.who': 'brief',
      'nothing.at.all': 'brief',
    })
  })
})
