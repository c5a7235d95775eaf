import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { openDemo } from '../../../tests/stubs/openPlan'
import CloudSection from './CloudSection.vue'
import CourseChart from './CourseChart.vue'
import FlipHandle from './FlipHandle.vue'
import PowerSection from './PowerSection.vue'

const box = { template: '<div><slot /></div>' }
const stubs = {
  global: {
    stubs: {
      VBtn: { template: '<button><slot /></button>' },
      VBtnToggle: box,
      VProgressLinear: true,
      VSelect: true,
      VSwitch: true,
      PlanField: true,
      PickList: true,
    },
  },
}
const until = (check: () => void) => vi.waitFor(check, { timeout: 60_000, interval: 50 })

describe('a cloud store instead', () => {
  it('crosses the machine in a month, and follows the steps of an offer', async () => {
    const store = openDemo()
    const cloud = mount(CloudSection, stubs)
    expect(cloud.find('[data-cloud]').text()).toMatch(
      /^After \d+ months \(.+ years\) the store has cost as much as the machine\./,
    )
    expect(cloud.findAll('[data-course]')).toHaveLength(2)
    store.edit('costs.cloudSteps', [{ sizeTB: 100, pricePerMonth: 1 }])
    await until(() =>
      expect(cloud.find('[data-cloud]').text()).toMatch(
        /^Within the horizon the store stays cheaper/,
      ),
    )
    store.edit('costs.cloudSteps', [{ sizeTB: 1, pricePerMonth: 1 }])
    await until(() =>
      expect(cloud.find('[data-cloud]').text()).toMatch(/^No step of the store holds today's/),
    )
    cloud.unmount()
  })
})

describe('power', () => {
  it('names the UPS that holds it for least, and puts it into the plan in place of another', async () => {
    const store = openDemo()
    const power = mount(PowerSection, stubs)
    expect(power.find('.ups .sentence').text()).toMatch(
      /^Weight 650 holds machine and router for 13.min, at €92\. It needs 168.W and 224 VA/,
    )
    await power.find('[data-ups=weight-650] button').trigger('click')
    expect(store.plan?.machine.parts.some(({ ref }) => ref === 'weight-650')).toBe(true)
    await power.find('[data-ups=weight-1000] button').trigger('click')
    expect(
      store.plan?.machine.parts.filter(({ ref }) => ref.startsWith('weight')).map(({ ref }) => ref),
    ).toEqual(['weight-1000'])
    store.edit('costs.upsMinutes', 500)
    await until(() =>
      expect(power.find('.ups .sentence').text()).toMatch(
        /^No UPS of the catalogue holds it that long/,
      ),
    )
    power.unmount()
  })
})

describe('a chart of money', () => {
  const courses = [
    { id: 'a', label: 'A', sums: [100, 110, 120] },
    { id: 'b', label: 'B', sums: [90, 115, 140] },
  ]
  it('marks where lines cross, and tells a month by keyboard', async () => {
    openDemo()
    const chart = mount(CourseChart, { props: { title: 'Money', courses, month: 1 } })
    expect(chart.findAll('[data-crossing]')).toHaveLength(1)
    const slider = chart.find('[role=slider]')
    expect(slider.attributes('aria-valuetext')).toBe('Month 1: A €110, B €115')
    await slider.trigger('keydown', { key: 'ArrowRight' })
    await slider.trigger('keydown', { key: 'PageDown' })
    await slider.trigger('keydown', { key: 'a' })
    expect(chart.emitted('month')).toEqual([[2], [0]])
  })
})

describe('a mark on a bar', () => {
  const props = { label: 'Electricity', value: 0.3, low: 0, high: 1, whole: false, text: '0.3' }
  it('is moved by keys within its ends', async () => {
    const mark = mount(FlipHandle, { props })
    for (const key of ['ArrowRight', 'PageDown', 'Home', 'End', 'x'])
      await mark.trigger('keydown', { key })
    const values = mark.emitted('set')!.map(([value]) => Number((value as number).toFixed(6)))
    expect(values).toEqual([0.32, 0.2, 0, 1])
  })
  it('is dragged, and snaps to whole years', async () => {
    const mark = mount(FlipHandle, {
      props: { ...props, value: 5, low: 1, high: 11, whole: true },
      attachTo: document.body,
    })
    mark.element.parentElement!.getBoundingClientRect = () => ({ left: 0, width: 100 }) as DOMRect
    await mark.trigger('pointermove', { buttons: 0, clientX: 90 })
    expect(mark.emitted('set')).toBeUndefined()
    mark.element.dispatchEvent(new MouseEvent('pointermove', { buttons: 1, clientX: 74 }))
    expect(mark.emitted('set')).toEqual([[8]])
    mark.unmount()
  })
})
