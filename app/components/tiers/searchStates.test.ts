import { mount } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { scaleLinear } from 'd3-scale'
import type { WayBuild } from '~~/core/tiers/search/wayBuild'
import { startSearch } from '~/services/longSearch'
import { openDemo } from '../../../tests/stubs/openPlan'
import BestBuild from '../brief/BestBuild.vue'
import StayingCosts from '../brief/StayingCosts.vue'
import CheapestChange from './CheapestChange.vue'
import MoneyAxes from './MoneyAxes.vue'
import SearchProgress from './SearchProgress.vue'
import SpendLine from './SpendLine.vue'

vi.mock('~/services/longSearch', () => ({ startSearch: vi.fn() }))
const stubs = {
  VBtn: { template: '<button><slot /></button>' },
  VProgressLinear: {
    props: ['modelValue', 'indeterminate'],
    template: '<i :data-share="modelValue" :data-open="indeterminate" />',
  },
}
const until = (check: () => void) => vi.waitFor(check, { timeout: 5000, interval: 20 })
/** Searches of plans with unlike horizons are never taken for each other. */
let horizonYears = 1

/** A search whose reports and end come when the test says so. */
function searched() {
  const store = openDemo({ choices: { horizonYears: ++horizonYears } })
  let hooks: {
    report: (value: unknown) => void
    end: (value: unknown) => void
    fail: () => void
  } | null = null
  vi.mocked(startSearch).mockImplementation(((
    _: string,
    { report }: { readonly report: (value: unknown) => void },
  ) => ({
    answer: new Promise(
      (end, fail) => (hooks = { report, end, fail: () => fail(new Error('broken')) }),
    ),
    cancel: vi.fn(),
  })) as never)
  const build = (extra: object = {}) =>
    ({
      way: 'office',
      label: 'Clerk 17',
      plan: { ...store.plan!, machine: { ...store.plan!.machine, name: 'Changed' } },
      toPay: 640,
      drives: '2 × 12 TB, mirror',
      parts: 'Card, entry',
      price: 120,
      conditions: [],
      takenOut: '',
      ...extra,
    }) as unknown as WayBuild
  return {
    store,
    build,
    begun: () => until(() => expect(hooks).not.toBe(null)),
    told: (value: unknown) => hooks!.report(value),
    ended: (value: unknown) => hooks!.end(value),
    broken: () => hooks!.fail(),
  }
}
const progress = (build: unknown, done: boolean) => ({ nodes: 9, build, done })

describe('the cheapest change', () => {
  afterEach(() => void vi.mocked(startSearch).mockReset())
  const change = (newLayout = false) =>
    mount(CheapestChange, {
      props: { newLayout },
      slots: { default: 'Something else' },
      global: { stubs },
    })
  it('is the best so far until the search has reached its end', async () => {
    const { store, build, begun, told, ended } = searched()
    const view = change()
    expect(view.text()).toBe('Parts and drives that could be added are gone through.')
    await begun()
    told(progress(build(), false))
    await until(() =>
      expect(view.text()).toContain(
        'Cheapest change found so far: €120 for parts and drives. Put in Card, entry. ' +
          'Drives then: 2 × 12 TB, mirror.',
      ),
    )
    ended(progress(build({ price: 90, parts: '', takenOut: '2 × 4 TB' }), true))
    await until(() =>
      expect(view.text()).toContain(
        'The cheapest change that meets the need: €90 for parts and drives. Take out 2 × 4 TB, ' +
          'once what they hold is copied to somewhere else. Drives then: 2 × 12 TB, mirror.',
      ),
    )
    await view.find('[data-apply-change]').trigger('pointerenter')
    expect(store.tried?.machine.name).toBe('Changed')
    await view.find('[data-apply-change]').trigger('pointerleave')
    expect(store.tried).toBe(null)
    view.unmount()
  })
  it('is nothing where nothing has to be bought', async () => {
    const { build, begun, ended } = searched()
    const view = change()
    await begun()
    ended(progress(build({ price: 0 }), true))
    await until(() => expect(view.text()).toBe('No part and no drive has to be bought.'))
    expect(view.find('[data-apply-change]').exists()).toBe(false)
    view.unmount()
  })
  it.each([
    [false, 'meet its need under its layout.'],
    [true, 'meet its need.'],
  ])(
    'gives way to what else there is where no change does (another layout: %s)',
    async (newLayout, end) => {
      const { begun, ended } = searched()
      const view = change(newLayout)
      await begun()
      expect(view.text()).not.toContain('Something else')
      ended(progress(null, true))
      await until(() =>
        expect(view.text()).toContain(
          `No set of parts and drives makes the machine that is in the plan ${end}`,
        ),
      )
      expect(view.text()).toContain('Something else')
      view.unmount()
    },
  )
  it('says so when its search breaks off', async () => {
    const { begun, broken } = searched()
    const view = change()
    await begun()
    broken()
    await until(() => expect(view.text()).toContain('The search for the cheapest change broke off'))
    view.unmount()
  })
})

describe('what to buy, on the brief', () => {
  afterEach(() => void vi.mocked(startSearch).mockReset())
  const found = (builds: readonly object[], more: object = {}) => ({
    nodes: 9,
    leaves: 0,
    cut: 0,
    builds,
    closest: [],
    stays: null,
    copy: null,
    done: true,
    ...more,
  })
  it('is the best over the years, and the best now where that is another', async () => {
    const { build, begun, told, ended } = searched()
    const view = mount(BestBuild)
    expect(view.text()).toBe('The catalogue is being searched.')
    await begun()
    expect(vi.mocked(startSearch).mock.calls.at(-1)![1].question).toEqual({ budget: 1700 })
    const best = build({ horizonCost: 900 })
    told(found([{ because: ['years'], build: best }], { done: false }))
    await until(() => expect(view.text()).toMatch(/^Best over the years so far: Clerk 17/))
    ended(
      found([
        { because: ['years'], build: best },
        { because: ['now'], build: build({ label: 'Wherry 4', toPay: 600, horizonCost: 1100 }) },
      ]),
    )
    await until(() =>
      expect(view.text()).toMatch(
        /^Best over the years: Clerk 17 \(refurbished office PC\) with 2 × 12 TB, mirror, €640 now and €900 over \d+ years\.\s+Cheapest now: Wherry 4, €600 now and €1,100 over \d+ years\.$/,
      ),
    )
    view.unmount()
  })
  it('is the closest where nothing meets the whole need', async () => {
    const { build, begun, ended } = searched()
    const view = mount(BestBuild)
    await begun()
    const conditions = [{ id: 'newDrives', state: 'fails' }]
    ended(found([], { closest: [build({ horizonCost: 900, lacks: [], conditions })] }))
    await until(() =>
      expect(view.text()).toMatch(
        /^Nothing in the catalogue meets the whole need within the budget\. Closest: Clerk 17 .*\. But its drives are refurbished\.$/,
      ),
    )
    view.unmount()
  })
  it('is told beside staying where it costs a tenth less over the years', async () => {
    const { build, begun, ended } = searched()
    const view = mount(StayingCosts, { props: { needsChange: false } })
    await begun()
    expect(view.text()).toBe('')
    const better = { because: ['years'], build: build({ horizonCost: 900, risk: 0 }) }
    ended(found([better], { stays: build({ way: 'stay', horizonCost: 1000 }) }))
    await until(() =>
      expect(view.text()).toMatch(
        /^Another way costs less over \d+ years: Clerk 17 \(refurbished office PC\), €640 now and €900 over the years\. This plan costs €1,000 over them\.$/,
      ),
    )
    view.unmount()
  })
  it('is not told where staying is hardly dearer', async () => {
    const { build, begun, ended } = searched()
    const view = mount(StayingCosts, { props: { needsChange: false } })
    await begun()
    const hardly = { because: ['years'], build: build({ horizonCost: 901, risk: 0 }) }
    ended(found([hardly], { stays: build({ way: 'stay', horizonCost: 1000 }) }))
    await new Promise(done => setTimeout(done, 50))
    expect(view.text()).toBe('')
    view.unmount()
  })
})

describe('how far a search is', () => {
  it('is a bar and a sentence, with a way to cancel or to start again', async () => {
    const [start, cancel] = [vi.fn(() => Promise.resolve()), vi.fn()]
    const view = mount(SearchProgress, {
      props: {
        search: { start, cancel },
        running: true,
        state: 'running',
        text: 'On the way.',
        share: null,
      },
      global: { stubs },
    })
    expect(view.find('i').attributes('data-open')).toBe('true')
    await view.find('button').trigger('click')
    expect([cancel, start].map(({ mock }) => mock.calls.length)).toEqual([1, 0])
    await view.setProps({ running: false, state: 'done', share: 0.25 })
    expect(view.find('i').attributes()).toMatchObject({ 'data-share': '25', 'data-open': 'false' })
    expect(view.find('button').text()).toBe('Search again')
    await view.find('button').trigger('click')
    expect(start).toHaveBeenCalledOnce()
    expect(view.attributes('data-search')).toBe('done')
  })
})

describe('a picture of money', () => {
  const [x, y] = [scaleLinear([0, 1000], [50, 650]), scaleLinear([0, 0.01], [270, 20])]
  it('has its money below and what it gives at the left, fewer labels where it is narrow', () => {
    const axes = (width: number, isShare: boolean) =>
      mount(MoneyAxes, {
        props: {
          scales: { x, y },
          width,
          height: 300,
          margin: { left: 50, right: 20, top: 20, bottom: 30 },
          isShare,
          name: 'Price now',
        },
      })
    openDemo()
    const wide = axes(670, true)
    expect(wide.findAll('text').map(text => text.text())).toEqual(
      expect.arrayContaining(
        ['€0', '€1,000', '0 %', 'Price now →'].map(
          text => expect.stringMatching(new RegExp(`^${text.replace(' ', '.')}$`)) as string,
        ),
      ),
    )
    expect(axes(400, false).findAll('text').length).toBeLessThan(wide.findAll('text').length)
  })
  it('has what may be spent as a slider, its words on the side that has room', () => {
    openDemo()
    const line = (at: number) =>
      mount(SpendLine, {
        props: { at, value: 900, most: 2000, label: 'Budget', top: 20, bottom: 270, handle: {} },
      })
    expect(line(400).attributes()).toMatchObject({
      role: 'slider',
      'aria-valuenow': '900',
      'aria-valuetext': '€900',
      'aria-valuemax': '2000',
      'aria-label': 'Budget',
    })
    expect(line(400).find('text').attributes()).toMatchObject({ 'text-anchor': 'end', x: '394' })
    expect(line(100).find('text').attributes()).toMatchObject({ 'text-anchor': 'start', x: '106' })
    expect(line(100).find('text').text()).toBe('budget €900')
  })
})
