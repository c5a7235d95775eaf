import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { reactive } from 'vue'
import { cautions } from '~~/core/commissioning/cautions'
import type { Timed } from '~~/core/commissioning/schedule'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import { openDemo } from '../../../tests/stubs/openPlan'
import { cutWidth, layOutRunBook } from './runBookLayout'
import FaultsSection from './FaultsSection.vue'
import PrintPage from './PrintPage.vue'
import RunBookSection from './RunBookSection.vue'

const place = reactive<{ path: string; query: Record<string, string> }>({ path: '', query: {} })
vi.mock('#imports', async original => ({
  ...(await original<object>()),
  useRoute: () => place,
  useRouter: () => ({
    push: ({ query }: { query: Record<string, string> }) => {
      place.query = query
      return Promise.resolve()
    },
  }),
}))

const timed = (id: string, from: number, hands: number, wait = 0): Timed => ({
  id,
  from,
  handsTo: from + hands,
  to: from + hands + wait,
  isCritical: false,
})

describe('the run-book over its hours', () => {
  it('draws a lane a chapter, and waits of more than an hour short, with their hours', () => {
    const { lanes, cuts, bars, at, width } = layOutRunBook(
      {
        timed: [
          timed('before.check', 0, 60),
          timed('pool.test', 60, 30, 600),
          timed('pool.make', 690, 30),
        ],
      },
      400,
    )
    expect(lanes.map(({ chapter }) => chapter)).toEqual(['before', 'pool'])
    expect(cuts).toEqual([{ x: at(90), hours: 10 }])
    expect(at(690) - at(90)).toBeCloseTo(cutWidth, 9)
    // What is no long wait shares the rest of the width by its minutes.
    expect((at(60) - at(0)) / (at(90) - at(60))).toBeCloseTo(2, 9)
    expect(width).toBeCloseTo(400, 6)
    expect(bars[1]!.waitTo).toBeCloseTo(at(690), 9)
    expect(bars[2]!.x).toBeCloseTo(at(690), 9)
  })
  it('keeps a bar wide enough to be pressed, and an hour of waiting at its length', () => {
    const { bars, cuts } = layOutRunBook(
      { timed: [timed('before.check', 0, 2), timed('pool.make', 62, 1000)] },
      100,
    )
    expect(bars[0]!.width).toBe(5)
    expect(cuts).toEqual([])
    expect(layOutRunBook({ timed: [] }, 100).bars).toEqual([])
    const waits = layOutRunBook({ timed: [timed('pool.test', 0, 10, 200)] }, 100)
    expect(waits.cuts.map(({ hours }) => hours)).toEqual([200 / 60])
  })
})

const stubs = {
  global: {
    stubs: {
      VBtn: { template: '<button><slot /></button>' },
      NuxtLink: { props: ['to'], template: '<a :data-to="JSON.stringify(to)"><slot /></a>' },
      PlanField: { props: ['path', 'set'], template: '<i :data-path="path" />' },
      InspectorPanel: { template: '<aside><slot /></aside>' },
      PrintMenu: true,
    },
  },
}

describe('the section of the run-book', () => {
  it('says why to wait, what is next, and keeps what is said of a step', async () => {
    const store = openDemo()
    const page = mount(RunBookSection, stubs)
    await flushPromises()
    expect(page.get('[data-why-wait]').text()).toContain('it would not all go in')
    const steps = page.findAll('[data-step]')
    expect(steps.length).toBeGreaterThan(40)
    expect(page.get('[data-run-book-sentence]').text()).toMatch(
      new RegExp(`^${steps.length} steps, .+ of work\\. With one pair of hands all of it is over`),
    )
    await page.get('[data-step="pool.make"]').trigger('click')
    expect(page.get('[data-cautions]').text()).toContain(cautions.erases)
    await page.get('[data-done]').trigger('click')
    const [entry] = store.plan!.commissioning.steps
    expect(entry).toMatchObject({ step: 'pool.make', state: 'done' })
    expect(entry!.day).toMatch(/^\d{4}-\d\d-\d\d$/)
    expect(page.find('[data-early]').exists()).toBe(true)
    expect(page.find('[data-outdated]').exists()).toBe(false)
    store.plan = {
      ...store.plan!,
      drives: { ...store.plan!.drives, layout: 'separate' },
    }
    await flushPromises()
    expect(page.find('[data-outdated]').exists()).toBe(true)
    await page.get('[data-failed]').trigger('click')
    expect(page.get('[data-otherwise]').text()).toContain('Count members and sizes again.')
    await page.get('[data-skip]').trigger('click')
    expect(store.plan!.commissioning.steps[0]!.state).toBe('skipped')
    expect(page.find('[data-path="commissioning.steps.0.reason"]').exists()).toBe(true)
  })
  it('takes a note of a step that nothing was said of, and refuses what is none', async () => {
    const store = openDemo()
    const page = mount(RunBookSection, stubs)
    await flushPromises()
    await page.get('[data-step="before.room"]').trigger('click')
    const set = (key: string) =>
      page
        .findAllComponents({ name: 'PlanField' })
        .concat(page.findAllComponents('[data-path]') as never)
        .find(field => field.attributes('data-path')?.endsWith(`.${key}`))!
        .props('set') as (value: unknown) => string | null
    expect(set('note')('Under the stairs')).toBe(null)
    expect(store.plan!.commissioning.steps).toMatchObject([
      { step: 'before.room', state: 'open', note: 'Under the stairs', basis: '' },
    ])
    expect(set('handsMin')(-5)).toMatch(/^Minutes of work must be a number from 0 to/)
    expect(store.plan!.commissioning.steps[0]!.handsMin).toBe(null)
    expect(set('note')('')).toBe(null)
    expect(store.plan!.commissioning.steps).toEqual([])
  })
  it('marks what two free hours hold, and offers its hours to Ownership', async () => {
    const store = openDemo({ costs: { ...tideMillHouse.costs, buildHours: 3 } })
    const page = mount(RunBookSection, stubs)
    await flushPromises()
    expect(page.findAll('.marked')).toHaveLength(0)
    await page.findAll('.free button')[2]!.trigger('click')
    const marked = page.findAll('.marked')
    expect(marked.length).toBeGreaterThan(2)
    expect(page.findAll('[data-next-step]')).toHaveLength(marked.length)
    expect(page.get('[data-count-hours]').text()).toContain('3')
    await page.get('[data-count-hours] button').trigger('click')
    expect(store.plan!.costs.buildHours).toBeGreaterThan(10)
    expect(page.find('[data-count-hours]').exists()).toBe(false)
  })
})

describe('what goes on paper', () => {
  it('is laid out by itself, with lines where the plan does not know, and gone afterwards', async () => {
    openDemo()
    const print = vi.fn()
    vi.stubGlobal('print', print)
    const page = mount(PrintPage, { props: { kind: 'labels' } })
    await flushPromises()
    expect(page.emitted('ready')).toHaveLength(1)
    expect(page.findAll('.label')).toHaveLength(3)
    expect(page.text()).toContain('Bay 1')
    await page.setProps({ kind: 'book' })
    expect(page.findAll('li').length).toBeGreaterThan(40)
    expect(page.text()).toContain(cautions.erases)
    const all = page.findAll('li').length
    await page.setProps({ kind: 'next' })
    expect(page.findAll('li').length).toBeLessThan(all)
    await page.setProps({ kind: 'card' })
    expect(page.findAll('tbody tr')).toHaveLength(3)
    await page.setProps({ kind: 'envelope' })
    expect(page.text()).toContain('Keys of encrypted drives')
    vi.unstubAllGlobals()
  })
})

describe('the fault trees', () => {
  it('are offered where a step is not so, and lead back to it with what was found', async () => {
    place.query = {}
    const store = openDemo()
    const book = mount(RunBookSection, stubs)
    await flushPromises()
    await book.get('[data-step="pool.compare"]').trigger('click')
    await book.get('[data-failed]').trigger('click')
    expect(book.find('[data-step-trees]').exists()).toBe(false)
    await book.get('[data-step="pool.test"]').trigger('click')
    await book.get('[data-failed]').trigger('click')
    const link = JSON.parse(book.get('[data-step-trees] a').attributes('data-to')!) as {
      query: Record<string, string>
    }
    expect(link.query).toEqual({ tree: 'T12', step: 'pool.test' })
    place.query = link.query
    const page = mount(FaultsSection, stubs)
    await flushPromises()
    const answer = async (says: string) => {
      const button = page.findAll('.answers button').find(one => one.text() === says)!
      await button.trigger('click')
      await flushPromises()
    }
    expect(page.get('[data-question]').text()).toContain('under two weeks old')
    await answer('No')
    await answer('It was hot')
    expect(page.get('[data-question]').text()).toContain('Which is it?')
    await answer('Noise')
    await answer('A rattle')
    expect(page.get('[data-found]').text()).toContain('Screws, rubber, side panel.')
    expect(page.findAll('.answered')).toHaveLength(4)
    await page.findAll('.acts button')[0]!.trigger('click')
    const entry = store.plan!.commissioning.steps.find(({ step }) => step === 'pool.test')!
    expect(entry.state).toBe('failed')
    expect(entry.note).toContain('A drive fails a test. Is it under two weeks old? No.')
    expect(entry.note).toContain('What mends it: Screws, rubber, side panel.')
    await flushPromises()
    expect(page.findAll('.acts button')[0]!.text()).toBe('Kept with the step')
    // Answered again from the second question on.
    await page.findAll('.answered button')[1]!.trigger('click')
    await flushPromises()
    expect(page.findAll('.answered')).toHaveLength(1)
    expect(page.get('[data-question]').text()).toContain('What failed?')
    // Back at the run-book, the step is open that it began at.
    place.query = { step: 'pool.test' }
    expect(mount(RunBookSection, stubs).find('[data-otherwise]').exists()).toBe(true)
    place.query = { step: 'no.such' }
    expect(mount(RunBookSection, stubs).find('aside').exists()).toBe(false)
  })
  it('stand still at an address that leads nowhere', async () => {
    openDemo()
    place.query = { tree: 'T99', way: '1.2' }
    const page = mount(FaultsSection, stubs)
    await flushPromises()
    expect(page.find('[data-walk]').exists()).toBe(false)
    expect(page.findAll('[data-tree]')).toHaveLength(15)
    place.query = { tree: 'T1', way: '9.x.2' }
    await flushPromises()
    expect(page.get('[data-question]').text()).toContain('With the plug in')
  })
})
