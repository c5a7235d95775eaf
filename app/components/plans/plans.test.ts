import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { assess } from '~~/core/assess'
import { catalogue } from '~~/core/catalogue/catalogue'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import { newPlan, planSchema, type Plan } from '~~/core/plan/planSchema'
import PlanCard from './PlanCard.vue'

const entry = {
  id: 'a',
  name: 'Tide Mill House',
  version: 3,
  createdAt: '2026-11-20T10:00:00Z',
  updatedAt: '2026-11-26T10:00:00Z',
  archived: false,
}
const stubs = {
  VMenu: { template: '<div><slot name="activator" :props="{}" /><slot /></div>' },
  VList: { template: '<div><slot /></div>' },
  VListItem: { props: ['title'], template: '<button class="item">{{ title }}</button>' },
}
const card = (plan: Plan | null, changes: object = {}) =>
  mount(PlanCard, {
    props: {
      entry: { ...entry, ...changes },
      reading: plan && { version: 3, plan, assessment: assess(plan, catalogue) },
    },
    global: { stubs },
  })

describe('a plan as a card', () => {
  it("tells the answer, the price, the room and the conversions, in the plan's own currency", () => {
    const demo = planSchema.parse({
      ...tideMillHouse,
      brief: { ...tideMillHouse.brief, currency: 'GBP' },
    })
    const text = card(demo).text()
    expect(text).toContain('This will not do, because')
    expect(text).toContain('£415')
    expect(text).toContain('Room10')
    expect(text).toContain('3 needed')
    expect(card(demo).findAll('.gauges span')).toHaveLength(7)
  })
  it('of an empty plan says what is not known', () => {
    const text = card(newPlan('x')).text()
    expect(text).toContain('Not known yet')
    expect(text).toContain('not known')
  })
  it('waits until it has been read', () => expect(card(null).text()).toContain('Calculating'))
  it('offers what can be done with it', async () => {
    const shown = card(null)
    const act = (title: string) =>
      shown
        .findAll('.item')
        .find(item => item.text() === title)!
        .trigger('click')
    for (const title of ['Rename', 'Copy', 'Export', 'Archive', 'Delete']) await act(title)
    expect(
      Object.keys(shown.emitted())
        .filter(name => name !== 'click')
        .sort(),
    ).toEqual(['archive', 'copy', 'export', 'remove', 'rename'])
    expect(card(null, { archived: true }).text()).toContain('Take out of the archive')
  })
})
