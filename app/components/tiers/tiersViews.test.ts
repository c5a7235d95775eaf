import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { freely } from '../../../tests/stubs/freely'
import { openDemo } from '../../../tests/stubs/openPlan'
import { planApi } from '~/services/planApi'
import CarbonSection from '../ownership/CarbonSection.vue'
import CloudSection from '../ownership/CloudSection.vue'
import FlipSection from '../ownership/FlipSection.vue'
import OldNewSection from '../ownership/OldNewSection.vue'
import YearsSection from '../ownership/YearsSection.vue'
import CompareSection from './CompareSection.vue'
import SearchSection from './SearchSection.vue'
import UpgradeSection from './UpgradeSection.vue'
import WaysSection from './WaysSection.vue'

vi.mock('~~/core/catalogue/catalogue', async original => {
  const shipped = await original<typeof import('~~/core/catalogue/catalogue')>()
  const { fewModels } = await import('../../../tests/stubs/smallCatalogue')
  return { ...shipped, catalogue: fewModels(shipped.catalogue) }
})
vi.mock('vue-router', async original => ({
  ...(await original<object>()),
  useRouter: () => ({ push: vi.fn() }),
}))
const button = { template: '<button><slot /></button>' }
const stubs = {
  global: {
    stubs: {
      VBtn: button,
      VBtnToggle: { template: '<div><slot /></div>' },
      VProgressLinear: true,
      VSelect: true,
      VSwitch: true,
      PickList: true,
      PlanField: true,
      InspectorPanel: { template: '<aside><slot /></aside>' },
    },
  },
}
const until = (check: () => void) => vi.waitFor(check, { timeout: 60_000, interval: 50 })

describe('the ways of building', () => {
  it('are searched, answered in a sentence, tried under the pointer, applied and undone', async () => {
    const store = openDemo(freely({}))
    const ways = mount(WaysSection, stubs)
    await until(() => expect(ways.find('[data-search=done]').exists()).toBe(true))
    expect(ways.find('[data-answer]').text()).toMatch(
      /^Buy .+, because it meets the whole need and it costs least over 5 years/,
    )
    expect(ways.findAll('[data-way-row]')).toHaveLength(11)
    await ways.find('[data-way-row=miniPc]').trigger('pointerenter')
    expect(store.tried?.machine.base).toBe('pebble-18')
    await ways.find('[data-way-row=miniPc] button[aria-label^="Apply"]').trigger('click')
    expect(store.plan?.machine.base).toBe('pebble-18')
    expect(store.plan?.brief.budget).toBe(1700)
    expect(store.tried).toBeNull()
    store.undo()
    expect(store.plan?.machine.name).toBe('Old workshop tower')
    // What an appliance costs beyond the cheapest other, and what that buys.
    await ways.find('[data-way-row=appliance] .link').trigger('click')
    await until(() =>
      expect(ways.find('[data-premium]').text()).toMatch(
        /^Beside .+ its premium is €\d+, €[\d.]+ for each month that it is to serve\. That buys its maker's system .+ It spares you about \d+.h: worth it from €[\d.]+ an hour on\.$/,
      ),
    )
    expect(ways.find('[data-unit-prices]').text()).toMatch(
      /Per TB of room€\d+Machine, per bay€\d+Machine, per data port€\d+/,
    )
    // Two machines are two plans; each half of their price has its working.
    const pair = ways.find('[data-way-row=twoMachines]')
    expect(pair.text()).toMatch(/€[\d,]+ €[\d,]+ \+ €[\d,]+ \+ €25 link/)
    expect(pair.find('button[aria-label^="Apply"]').exists()).toBe(false)
    await pair.find('.link').trigger('click')
    expect(ways.find('[data-premium]').exists()).toBe(false)
    const create = vi
      .spyOn(planApi, 'create')
      .mockImplementation(plan => Promise.resolve({ id: plan.name, version: 1, plan } as never))
    await ways
      .findAll('button')
      .find(one => one.text() === 'Keep both as new plans')!
      .trigger('click')
    await until(() => expect(create).toHaveBeenCalledTimes(2))
    expect(create.mock.calls.map(([plan]) => plan.name)).toEqual([
      'Tide Mill House: stores',
      'Tide Mill House: converts',
    ])
    expect(create.mock.calls[1]![0].drives!.lots).toEqual([])
    create.mockRestore()
    // The budget is no part of the search: the answer follows it at once.
    store.edit('brief.budget', 200)
    await until(() =>
      expect(ways.find('[data-answer]').text()).toMatch(
        /^Nothing within €200 meets the need\. The least that does is/,
      ),
    )
    ways.unmount()
  }, 120_000)
  it('are compared with differences first and a verdict with reasons', async () => {
    openDemo()
    const compare = mount(CompareSection, stubs)
    await until(() =>
      expect(compare.find('[data-verdict-sentence]').text()).toContain('is the one to take'),
    )
    expect(compare.find('[data-compare=streams]').exists()).toBe(true)
    expect(compare.find('[data-compare="ownership.horizonTotal"]').exists()).toBe(true)
    expect(compare.find('details summary').text()).toMatch(/\d+ rows are the same for all/)
    expect(compare.text()).toMatch(/falls short:/)
    compare.unmount()
  }, 120_000)
  it('say which limit binds next, and apply the step', async () => {
    const store = openDemo()
    const path = mount(UpgradeSection, stubs)
    await until(() => expect(path.findAll('[data-step]')).toHaveLength(2))
    await path.find('[data-step="0"] button').trigger('click')
    expect(store.plan?.drives.lots.length).toBeGreaterThan(2)
    store.undo()
    path.unmount()
  }, 120_000)
})

describe('old or new, and carbon', () => {
  it('say when the one has caught up with the other, once the ways are found', async () => {
    // An old rack server that does, and eats more than anything that is bought.
    openDemo(
      freely({
        household: { watchingHome: 2, converted: 0 },
        machine: { base: 'crane-14', condition: 'owned' },
        drives: { lots: [{ count: 3, sizeTB: 16, condition: 'owned' }], layout: 'rotating-1' },
      }),
    )
    const oldNew = mount(OldNewSection, stubs)
    await until(() =>
      expect(oldNew.find('[data-old-new]').text()).toMatch(
        /costs €[\d,]+ more and saves .+ on average: by electricity it has paid for itself after .+ years\./,
      ),
    )
    expect(oldNew.findAll('[data-course]')).toHaveLength(2)
    oldNew.unmount()
    const carbon = mount(CarbonSection, stubs)
    await until(() => expect(carbon.findAll('[data-carbon]').length).toBeGreaterThan(0))
    expect(carbon.text()).toMatch(/\d+.kg made, [\d,]+.kg at the horizon/)
    carbon.unmount()
  }, 120_000)
})

describe('a plan that does not meet its need', () => {
  it.each([
    ['years', YearsSection],
    ['cloud', CloudSection],
    ['old or new', OldNewSection],
    ['carbon', CarbonSection],
  ])(
    'is named first, pays nothing back, and has the cheapest that does beside it: %s',
    async (_, section) => {
      openDemo()
      const view = mount(section as typeof YearsSection, stubs)
      await until(() => {
        const note = view.find('[data-falls-short]').text()
        expect(note).toMatch(/^Tide Mill House.* does not meet its need\. It converts too little/)
        expect(note).toMatch(/The cheapest that meets the need is .+, €[\d,]+ over 5 years\./)
      })
      expect(view.findAll('.course.short').length).toBeGreaterThan(0)
      expect(view.text()).not.toMatch(/cheaper|paid for itself|makes up for being made/)
      view.unmount()
    },
    120_000,
  )
})

describe('the search', () => {
  it('show the cheapest change with its price, and that nothing clashes', async () => {
    const store = openDemo(freely({}))
    const search = mount(SearchSection, stubs)
    await until(() =>
      expect(search.find('[data-clash]').text()).toBe(
        'Nothing clashes: a build meets the whole need within the budget.',
      ),
    )
    await until(() => expect(search.find('[data-apply-change]').exists()).toBe(true))
    // Parts alone cost 585; a drive that is taken out makes room for less.
    expect(search.text()).toMatch(
      /The cheapest change that meets the need: €489 for parts and drives\. Put in .+\. Take out .+ Drives then: /,
    )
    await search.find('[data-apply-change]').trigger('pointerenter')
    expect(store.tried).not.toBeNull()
    await search.find('[data-apply-change]').trigger('click')
    expect(store.assessment?.verdicts.find(({ id }) => id === 'space')?.state).toBe('tight')
    search.unmount()
  }, 120_000)
})

describe('ownership', () => {
  it('draws the years beside other ways, and tells the payments of a month', async () => {
    openDemo()
    const years = mount(YearsSection, stubs)
    await until(() => expect(years.findAll('[data-course]').length).toBeGreaterThan(1))
    expect(years.find('[data-years]').text()).toMatch(
      /€1,259 over 5 years, €21 a month: €415 to buy it and €844 afterwards/,
    )
    await years.find('svg[role=slider]').trigger('keydown', { key: 'ArrowRight' })
    expect(years.text()).toContain('Month 1')
    expect(years.text()).toContain('Electricity')
    years.unmount()
  }, 120_000)
  it('shows what flips the answer, and sets it from the bar', async () => {
    const store = openDemo()
    const flips = mount(FlipSection, stubs)
    await until(() => expect(flips.findAll('[data-flip]').length).toBe(8))
    // Ways of the plan before may still stand there for a moment.
    await until(() =>
      expect(flips.find('[data-left-out]').text()).toContain(
        'does not meet its whole need, so it wins nowhere here',
      ),
    )
    const before = store.plan
    await flips.find('[data-flip=added] [role=slider]').trigger('keydown', { key: 'ArrowRight' })
    await flips.find('[data-flip=added] [role=slider]').trigger('keydown', { key: 'ArrowRight' })
    expect(
      store.plan!.library.holdings.some(
        ({ addedPerMonth }, at) => addedPerMonth > before!.library.holdings[at]!.addedPerMonth,
      ),
    ).toBe(true)
    store.undo()
    expect(store.plan).toEqual(before)
    await flips.find('[data-flip=pricePerKWh] [role=slider]').trigger('keydown', { key: 'End' })
    expect(store.plan?.costs.pricePerKWh).toBe(0.8)
    await flips.find('[data-flip=horizon] [role=slider]').trigger('keydown', { key: 'ArrowRight' })
    expect(store.plan?.choices.horizonYears).toBe(6)
    flips.unmount()
  }, 120_000)
})
