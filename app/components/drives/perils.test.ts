import { mount } from '@vue/test-utils'
import { nextTick } from 'vue'
import { expect, it } from 'vitest'
import { openDemo } from '../../../tests/stubs/openPlan'
import PerilsPicture from './PerilsPicture.vue'
import RippingAgain from './RippingAgain.vue'

it('puts in the smallest UPS that carries the machine by its heading, and takes it out again', async () => {
  const store = openDemo()
  const picture = mount(PerilsPicture, { global: { stubs: { PlanField: true } } })
  const ups = () => picture.find('[data-measure=ups]')
  const refs = () => store.plan!.machine.parts.map(({ ref }) => ref)
  const before = refs()
  expect(ups().text()).toContain('not there')
  await ups().trigger('mouseenter')
  expect(store.tried?.machine.parts.at(-1)?.ref).toBe('weight-650')
  expect(refs()).toEqual(before)
  await ups().trigger('click')
  await nextTick()
  expect(refs()).toEqual([...before, 'weight-650'])
  expect(ups().attributes('aria-pressed')).toBe('true')
  // One that was there before the plan goes with it.
  store.replace({
    ...store.plan!,
    machine: {
      ...store.plan!.machine,
      parts: store.plan!.machine.parts.map(part =>
        part.ref === 'weight-650' ? { ...part, ref: 'weight-there' } : part,
      ),
    },
  })
  await nextTick()
  expect(ups().attributes('aria-pressed')).toBe('true')
  await ups().trigger('click')
  await nextTick()
  expect(refs()).toEqual(before)
  picture.unmount()
})
it('switches the other measures by their field', async () => {
  const store = openDemo()
  const picture = mount(PerilsPicture, { global: { stubs: { PlanField: true } } })
  const before = store.plan!.drives.snapshotMonths
  await picture.find('[data-measure=snapshots]').trigger('click')
  expect(store.plan!.drives.snapshotMonths).toBe(before > 0 ? 0 : 3)
  picture.unmount()
})

it('says how many days ripping again takes, and nothing without discs', async () => {
  const store = openDemo()
  const again = mount(RippingAgain)
  expect(again.text().replace(/\s+/g, ' ')).toBe(
    'What can be replaced is work all the same: 400 discs are ripped again in 58 days of 3 hours.',
  )
  store.edit('network.ripDiscs', 1)
  store.edit('network.ripHoursPerDay', 1)
  await nextTick()
  expect(again.text().replace(/\s+/g, ' ')).toContain('1 disc is ripped again in 1 day of 1 hour.')
  store.edit('network.ripDiscs', 0)
  await nextTick()
  expect(again.find('[data-ripping-again]').exists()).toBe(false)
})
