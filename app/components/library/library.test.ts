import { mount } from '@vue/test-utils'
import { nextTick } from 'vue'
import { describe, expect, it } from 'vitest'
import { useWorkingStore } from '~/stores/workingStore'
import { openDemo } from '../../../tests/stubs/openPlan'
import EventsEditor from './EventsEditor.vue'
import HoldingDetails from './HoldingDetails.vue'
import HoldingsTable from './HoldingsTable.vue'

describe('holdings', () => {
  it('change their quality with their kind where they have to', async () => {
    const store = openDemo()
    const table = mount(HoldingsTable)
    await table.find('[data-pick="0"]').trigger('click')
    const kind = table
      .findAllComponents({ name: 'PlanField' })
      .find(field => field.props('path') === 'library.holdings.0.kind')!
    ;(kind.props('set') as (value: unknown) => null)('photos')
    await nextTick()
    expect(store.plan?.library.holdings[0]).toMatchObject({ kind: 'photos', quality: 'photo' })
    expect(table.find('[data-row="0"]').text()).toContain('irreplaceable')
    expect(table.find('[id="field-library.holdings.0.bitrateMbps"]').exists()).toBe(false)
  })
  it('unfold for a reader who follows a figure to one of their fields', async () => {
    openDemo()
    const table = mount(HoldingsTable)
    expect(table.findComponent(HoldingDetails).exists()).toBe(false)
    useWorkingStore().target = 'library.holdings.2.smallCopies'
    await nextTick()
    expect(table.findComponent(HoldingDetails).props('index')).toBe(2)
    expect(table.find('[id="field-library.holdings.2.smallCopies"]').exists()).toBe(true)
  })
})

describe('another quality', () => {
  it('is told in space, drives and money, tried under the pointer and taken with a press', async () => {
    const store = openDemo({
      drives: { lots: [{ count: 4, sizeTB: 8, priceEach: 165 }], layout: 'rotating-1' },
    })
    const details = mount(HoldingDetails, { props: { index: 0 } })
    const row = details.find('[data-quality="hd1080-hevc"]')
    expect(row.text()).toMatch(/−7\.\d+.TB/)
    await row.trigger('pointerenter')
    expect(store.tried?.library.holdings[0]?.quality).toBe('hd1080-hevc')
    await row.find('button').trigger('click')
    expect(store.tried).toBeNull()
    expect(store.plan?.library.holdings[0]?.quality).toBe('hd1080-hevc')
    expect(details.find('.now').attributes('data-quality')).toBe('hd1080-hevc')
  })
})

describe('dated events', () => {
  it('are added half a year on, and say which month of the forecast that is', async () => {
    const store = openDemo()
    const editor = mount(EventsEditor)
    await editor.findAll('button').at(-1)!.trigger('click')
    expect(store.plan?.library.events.at(-1)).toEqual({ name: '', month: '2027-05', sizeGB: 0 })
    expect(editor.text()).toContain('month 6')
  })
})
