import { mount } from '@vue/test-utils'
import { nextTick } from 'vue'
import { describe, expect, it, vi } from 'vitest'
import { newPlan } from '~~/core/plan/planSchema'
import { openDemo } from '../../../tests/stubs/openPlan'
import BuildCard from './BuildCard.vue'
import GrowthQuestion from './GrowthQuestion.vue'
import KeptQuestion from './KeptQuestion.vue'
import StartResults from './StartResults.vue'
import ThereQuestion from './ThereQuestion.vue'
import WatchersQuestion from './WatchersQuestion.vue'

vi.mock('~~/core/catalogue/catalogue', async original => {
  const shipped = await original<typeof import('~~/core/catalogue/catalogue')>()
  const { fewModels } = await import('../../../tests/stubs/smallCatalogue')
  return { ...shipped, catalogue: fewModels(shipped.catalogue) }
})
const stubs = {
  VMenu: { template: '<div><slot name="activator" :props="{}" /><slot /></div>' },
  VList: { template: '<div><slot /></div>' },
  VListItem: { props: ['title'], template: '<button class="item" :title="title" />' },
}
function empty() {
  const store = openDemo()
  store.plan = newPlan('New plan')
  return store
}
const press = (wrapper: ReturnType<typeof mount>, label: string) =>
  wrapper
    .findAll('button')
    .find(button => button.attributes('aria-label') === label || button.text() === label)!
    .trigger('click')

describe('who watches', () => {
  it('says what is assumed until somebody is added, and fills the household', async () => {
    const store = empty()
    const question = mount(WatchersQuestion, { global: { stubs } })
    expect(question.text()).toContain('a busy evening is assumed')
    await press(question, 'Add a viewer at home')
    await press(question, 'Add a viewer away')
    expect(store.plan?.household.viewers.map(viewer => viewer.place === 'home')).toEqual([
      true,
      false,
    ])
    expect(store.plan?.household.habits).toHaveLength(2)
    await nextTick()
    expect(question.text()).not.toContain('is assumed')
    await press(question, 'Remove Viewer 1')
    expect(store.plan?.household.viewers).toHaveLength(1)
  })
  it('changes a screen, and is one step of undo each', async () => {
    const store = empty()
    const question = mount(WatchersQuestion, { global: { stubs } })
    await press(question, 'Add a viewer at home')
    await nextTick()
    await question
      .findAll('.item')
      .find(item => item.attributes('title') === 'Streaming stick, 4K')!
      .trigger('click')
    expect(store.plan?.household.devices.map(device => device.class)).toEqual(['stick4k'])
    store.undo()
    expect(store.plan?.household.devices.map(device => device.class)).toEqual(['tv2020'])
  })
  it('takes no more than a plan holds', async () => {
    const store = empty()
    const question = mount(WatchersQuestion, { global: { stubs } })
    for (let more = 0; more < 41; more++) await press(question, 'Add a viewer at home')
    expect(store.plan?.household.viewers).toHaveLength(40)
  })
})

describe('what is kept, and how it grows', () => {
  it('is pressed or typed by rough count; rubbish changes nothing', async () => {
    const store = empty()
    const question = mount(KeptQuestion)
    expect(question.text()).toContain('no space is needed')
    await press(question, (300).toLocaleString())
    expect(store.plan?.library.holdings).toMatchObject([{ kind: 'film', titles: 300 }])
    const input = question.find<HTMLInputElement>('[data-kept=series] input')
    await input.setValue('800')
    await input.setValue('many')
    expect(store.plan?.library.holdings[1]).toMatchObject({ kind: 'series', titles: 800 })
    await input.setValue('')
    expect(store.plan?.library.holdings).toHaveLength(1)
    await press(question, (300).toLocaleString())
    expect(store.plan?.library.holdings).toEqual([])
  })
  it('grows by a share of what is there', async () => {
    const store = empty()
    const question = mount(GrowthQuestion)
    expect(question.text()).toContain('Say first what is kept')
    store.edit('library.otherTB', 12)
    await nextTick()
    await question
      .findAll('button')
      .find(button => button.text().startsWith('Steadily'))!
      .trigger('click')
    expect(store.plan?.library.otherGrowthGBPerMonth).toBe(150)
    expect(question.find('[aria-pressed=true]').text()).toContain('Steadily')
  })
})

describe('what is there already', () => {
  it('becomes an owned machine and owned drives, and goes again', async () => {
    const store = empty()
    const question = mount(ThereQuestion)
    await press(question, 'Both')
    expect(store.plan?.machine).toMatchObject({ condition: 'owned', cores: 4, designYear: 2015 })
    expect(store.plan?.drives.lots).toMatchObject([{ condition: 'owned', count: 2 }])
    await press(question, 'Drives')
    expect(store.plan?.machine).toMatchObject({ condition: 'new', designYear: null })
    await press(question, 'Nothing')
    expect(store.plan?.drives.lots).toEqual([])
  })
  it('leaves what was entered as it is', async () => {
    const store = openDemo()
    const question = mount(ThereQuestion)
    expect(question.find('[aria-pressed=true]').text()).toBe('Both')
    await press(question, 'An old computer')
    expect(store.plan?.machine).toMatchObject({ score: 6200 })
    expect(store.plan?.drives.lots.every(lot => lot.condition === 'new')).toBe(true)
  })
})

describe('the builds for the answers', () => {
  it('are not applied while they are still those for other answers', async () => {
    const store = empty()
    store.edit('library.otherTB', 6)
    const results = mount(StartResults)
    const shut = () =>
      results.findAll('[data-build] button').map(at => 'disabled' in at.attributes())
    await vi.waitFor(() => expect(shut()).toContain(false), { timeout: 20_000 })
    store.edit('library.otherTB', 60)
    await nextTick()
    expect(results.text()).toContain('Searching the catalogue')
    expect(shut()).not.toContain(false)
    await vi.waitFor(() => expect(shut()).toContain(false), { timeout: 20_000 })
    expect(results.text()).not.toContain('Searching the catalogue')
  }, 60_000)
})

describe('a build as a card', () => {
  const card = (changes: object = {}) =>
    mount(BuildCard, {
      props: {
        heading: 'Costs least now',
        name: 'Wherry 4',
        detail: 'Prebuilt',
        bays: 4,
        drives: 2,
        lots: [{ count: 2, sizeTB: 12, isOwned: false }],
        toPay: 1234,
        overYears: 2345,
        years: 5,
        idleW: 20,
        conversions: { needed: 1, possible: 4 },
        room: { needed: 8, possible: 10 },
        state: 'enough',
        lacks: '',
        ...changes,
      },
    })
  it('draws its bays and drives, and tells price, conversions and room', () => {
    openDemo()
    expect(card().findAll('.drive')).toHaveLength(2)
    expect(card().findAll('.bay')).toHaveLength(2)
    expect(card().text()).toContain('€1,234')
    expect(card().text()).toContain('€2,345 over 5 years')
    expect(card().text()).toContain('4 conversions, 1 needed')
    expect(card().text()).toContain('10 TB, 8 needed')
  })
  it('tells owned drives from new ones', () => {
    openDemo()
    const mixed = card({
      drives: 3,
      lots: [
        { count: 2, sizeTB: 4, isOwned: true },
        { count: 1, sizeTB: 12, isOwned: false },
      ],
    })
    expect(mixed.findAll('.owned')).toHaveLength(2)
    expect(mixed.text()).toContain('2 × 4 + 1 × 12 TB')
    expect(mixed.text()).toContain('2 of the drives are yours.')
    expect(card({ lots: [{ count: 2, sizeTB: 12, isOwned: true }] }).text()).toContain(
      'Your own drives.',
    )
    expect(card().text()).not.toContain('our')
  })
  it('draws at both ends: no drives, and more than bays', () => {
    openDemo()
    expect(card({ drives: 0, bays: 0, lots: [] }).text()).toContain('no drives')
    expect(card({ drives: 6 }).findAll('.drive')).toHaveLength(6)
    const need = (of: object) => card({ conversions: of }).find('.need').attributes('x')
    expect([need({ needed: 0, possible: 0 }), need({ needed: 5, possible: 0 })]).toEqual([
      '0',
      '98',
    ])
  })
})
