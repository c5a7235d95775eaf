import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { nextTick } from 'vue'
import { beforeEach, describe, expect, it } from 'vitest'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import { planSchema } from '~~/core/plan/planSchema'
import { usePlanStore } from '~/stores/planStore'
import { useWorkingStore } from '~/stores/workingStore'
import FigureValue from './FigureValue.vue'
import PlanField from './PlanField.vue'

beforeEach(() => {
  setActivePinia(createPinia())
  usePlanStore().plan = planSchema.parse(tideMillHouse)
})

describe('a field of the plan', () => {
  it('takes label, unit and value from the schema and the plan', () => {
    const field = mount(PlanField, { props: { path: 'network.uploadMbps' } })
    expect(field.find('input').element.value).toBe('22')
    expect(field.text()).toContain('Upload')
    expect(field.text()).toContain('Mb/s')
  })
  it('sets the plan as it is typed, with a decimal comma too', async () => {
    const field = mount(PlanField, { props: { path: 'network.uploadMbps' } })
    await field.find('input').setValue('40,5')
    expect(usePlanStore().plan?.network.uploadMbps).toBe(40.5)
  })
  it('keeps what was typed and says what is allowed', async () => {
    const field = mount(PlanField, { props: { path: 'network.uploadMbps' } })
    await field.find('input').setValue('fast')
    expect(field.find('input').element.value).toBe('fast')
    expect(field.text()).toContain('Upload must be a number from 0')
    expect(usePlanStore().plan?.network.uploadMbps).toBe(22)
  })
  it('shows shares in per cent', async () => {
    const field = mount(PlanField, { props: { path: 'network.uploadReserveShare' } })
    expect(field.find('input').element.value).toBe('25')
    await field.find('input').setValue('30')
    expect(usePlanStore().plan?.network.uploadReserveShare).toBeCloseTo(0.3, 12)
  })
  it('takes empty as not known only where that is allowed', async () => {
    const score = mount(PlanField, { props: { path: 'machine.score' } })
    await score.find('input').setValue('')
    expect(usePlanStore().plan?.machine.score).toBeNull()
    const cores = mount(PlanField, { props: { path: 'choices.horizonYears' } })
    await cores.find('input').setValue('')
    expect(cores.text()).toContain('a whole number from 1')
    expect(usePlanStore().plan?.choices.horizonYears).toBe(5)
  })
  it('takes times of day as they are typed, and keeps what is none', async () => {
    const field = mount(PlanField, { props: { path: 'household.habits.0.earliest' } })
    expect(field.find('input').element.value).toBe('20:00')
    await field.find('input').setValue('9:30 pm')
    expect(usePlanStore().plan?.household.habits[0]?.earliest).toBe(1290)
    expect(field.find('input').element.value).toBe('9:30 pm')
    await field.find('input').setValue('late')
    expect(field.text()).toContain('a time of day from 00:00 to 23:59')
  })
  it('follows an undo', async () => {
    const store = usePlanStore()
    const field = mount(PlanField, { props: { path: 'machine.score' } })
    await field.find('input').setValue('9000')
    store.undo()
    await nextTick()
    expect(field.find('input').element.value).toBe('6200')
  })
})

describe('a figure', () => {
  it('shows its value and band, and its working when pressed', async () => {
    const figure = mount(FigureValue, { props: { id: 'streams.softwareReference' } })
    expect(figure.text()).toContain('2.64')
    expect(figure.text()).toContain('2.11–3.51')
    await figure.find('button').trigger('click')
    expect(useWorkingStore().figureId).toBe('streams.softwareReference')
  })
  it('counts one thing in the singular', () => {
    expect(
      mount(FigureValue, { props: { id: 'machine.freeBays' } })
        .find('.value')
        .text(),
    ).toBe('1\u00A0bay')
  })
  it('that does not apply is a dash', () => {
    usePlanStore().edit('machine.score', null)
    expect(mount(FigureValue, { props: { id: 'streams.possible' } }).text()).toContain('–')
  })
})
