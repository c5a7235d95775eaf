import { mount } from '@vue/test-utils'
import { nextTick } from 'vue'
import { describe, expect, it } from 'vitest'
import { useWorkingStore } from '~/stores/workingStore'
import { openDemo } from '../../../tests/stubs/openPlan'
import WorkingPanel from './WorkingPanel.vue'

function panel() {
  return mount(WorkingPanel, {
    global: {
      stubs: {
        VNavigationDrawer: {
          props: ['modelValue'],
          template: '<div><slot v-if="modelValue" /></div>',
        },
        VBtn: { template: '<button><slot /></button>' },
      },
    },
  })
}

describe('show working', () => {
  it('is closed until a figure is pressed', () => {
    openDemo()
    expect(panel().find('[role=dialog]').exists()).toBe(false)
  })
  it('gives the formula, the band, and every input with where it comes from', async () => {
    openDemo()
    const shown = panel()
    useWorkingStore().show('streams.softwareReference')
    await nextTick()
    expect(shown.find('.formula').text()).toBe(
      '6,200 points × (1 − 0.15) ÷ 2,000 points per stream = 2.635 reference streams',
    )
    expect(shown.text()).toContain('80 % range: 2.11–3.51 reference streams')
    expect(shown.find('[data-input="machine.score"]').text()).toContain('entered by you')
    expect(shown.find('[data-input="choices.pointsPerStream"]').text()).toContain('usual value')
    expect(shown.find('[data-input="machine.passivelyCooled"]').text()).toContain('no')
  })
  it('goes from figure to figure, and back along the way', async () => {
    openDemo()
    const shown = panel()
    useWorkingStore().show('drives.roomTB')
    await nextTick()
    await shown.find('[data-input="drives.usableTB"]').trigger('click')
    await shown.find('[data-input="drives.rawTB"]').trigger('click')
    expect(shown.find('h2').text()).toBe('Raw')
    expect(shown.findAll('.trail button').map(step => step.text())).toEqual(['Room', 'Usable'])
    await shown.findAll('.trail button')[0]!.trigger('click')
    expect(shown.find('h2').text()).toBe('Room')
    expect(shown.find('.trail').exists()).toBe(false)
  })
  it('says why a figure does not apply', async () => {
    openDemo({ drives: { lots: [] } })
    const shown = panel()
    useWorkingStore().show('drives.usableTB')
    await nextTick()
    expect(shown.text()).toContain('Does not apply')
    expect(shown.text()).toContain('No drives are chosen yet.')
  })
  it('closes with Escape', async () => {
    openDemo()
    panel()
    useWorkingStore().show('drives.roomTB')
    await nextTick()
    window.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }))
    expect(useWorkingStore().isOpen).toBe(false)
  })
})
