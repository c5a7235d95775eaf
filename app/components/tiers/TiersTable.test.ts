import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { useWorkingStore } from '~/stores/workingStore'
import { openDemo } from '../../../tests/stubs/openPlan'
import TiersTable from './TiersTable.vue'

async function mounted() {
  const table = mount(TiersTable, {
    global: { stubs: { VBtn: { template: '<button><slot /></button>' } } },
  })
  await vi.waitFor(() => expect(table.find('[data-way]').exists()).toBe(true), { timeout: 20_000 })
  return table
}

describe('ways of building', () => {
  it('are six, each with what it costs and why it fails', async () => {
    openDemo()
    const table = await mounted()
    expect(table.findAll('[data-way]')).toHaveLength(6)
    expect(table.find('[data-way="lean-prebuilt"]').text()).toContain(
      'does not fit into 6.66 TB of room',
    )
    expect(table.find('[data-way="middle-built"]').text()).toContain('Meets the need')
  })
  it('are tried under the pointer, adopted with one press and undone', async () => {
    const store = openDemo()
    const table = await mounted()
    await table.find('[data-way="middle-built"]').trigger('pointerenter')
    expect(store.tried?.machine.name).toBe('Millrace')
    expect(store.plan?.machine.name).toBe('Old workshop tower')
    await table.find('[data-way="middle-built"] [aria-label="Apply Millrace"]').trigger('click')
    expect(store.plan?.machine.name).toBe('Millrace')
    expect(store.tried).toBeNull()
    expect(table.find('[data-way="middle-built"]').text()).toContain('In the plan')
    store.undo()
    expect(store.plan?.machine.name).toBe('Old workshop tower')
  })
  it('show the working of their own figures', async () => {
    openDemo()
    await (
      await mounted()
    )
      .find('[data-way="large-built"] [data-figure="ownership.purchase"]')
      .trigger('click')
    const working = useWorkingStore()
    expect(working.variant?.label).toBe('With Weir')
    expect(working.figures['ownership.purchase']?.formula).toContain(
      'machine €1,246 + drives €1,410 + extras €85 = €2,741',
    )
  })
})
