import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Plan } from '~~/core/plan/planSchema'
import { openDemo } from '../../../tests/stubs/openPlan'
import ProposalTable from './ProposalTable.vue'

interface Step {
  readonly id: string
  readonly upload: number | null
}
const steps: readonly Step[] = [
  { id: 'faster', upload: 50 },
  { id: 'there', upload: 22 },
  { id: 'talk', upload: null },
]

function tableOf() {
  const store = openDemo()
  const planOf = ({ upload }: Step): Plan | null =>
    upload === null
      ? null
      : { ...store.plan!, network: { ...store.plan!.network, uploadMbps: upload } }
  const table = mount(ProposalTable<Step>, {
    props: {
      label: 'Steps',
      mark: 'step',
      rows: steps,
      columns: [
        { id: 'name', label: 'Step' },
        { id: 'mbps', label: 'Upload', isNumber: true },
      ],
      keyOf: ({ id }: Step) => id,
      nameOf: ({ id }: Step) => `the step ${id}`,
      planOf,
      isIn: ({ upload }: Step) => upload === store.plan!.network.uploadMbps,
      isOut: ({ upload }: Step) => upload === null,
    },
    slots: {
      name: ({ row }: { row: Step }) => row.id,
      mbps: ({ row }: { row: Step }) => String(row.upload),
    },
    global: { stubs: { VBtn: { template: '<button><slot /></button>' } } },
  })
  const row = (id: string) => table.find(`[data-step=${id}]`)
  return { store, table, row }
}

describe('a table of proposals', () => {
  it('names each row, with its columns, and what is in the plan', () => {
    const { table, row } = tableOf()
    expect(table.findAll('thead th').map(cell => cell.text())).toEqual(['Step', 'Upload', 'Apply'])
    expect(row('faster').find('th').text()).toBe('faster')
    expect(row('faster').find('td').classes()).toContain('number')
    expect(row('there').text()).toContain('in the plan')
    expect(row('there').find('button').exists()).toBe(false)
    expect(row('talk').find('button').exists()).toBe(false)
    expect(row('talk').classes()).toContain('out')
  })
  it('tries a row under the pointer and under focus, and lets go of it', async () => {
    const { store, table, row } = tableOf()
    await row('faster').trigger('pointerenter')
    expect(store.tried?.network.uploadMbps).toBe(50)
    await row('there').trigger('pointerenter')
    expect(store.tried).toBe(null)
    await row('faster').trigger('focusin')
    expect(store.tried?.network.uploadMbps).toBe(50)
    await table.find('table').trigger('pointerleave')
    expect(store.tried).toBe(null)
    await row('faster').trigger('pointerenter')
    table.unmount()
    expect(store.tried).toBe(null)
  })
  it('applies a row as one step that can be undone', async () => {
    const { store, row } = tableOf()
    const before = store.plan
    expect(row('faster').find('button').attributes('aria-label')).toBe('Apply: the step faster')
    await row('faster').find('button').trigger('click')
    expect([store.plan?.network.uploadMbps, store.tried]).toEqual([50, null])
    store.undo()
    expect(store.plan).toEqual(before)
  })
})
