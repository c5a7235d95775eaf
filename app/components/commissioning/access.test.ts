import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { openDemo } from '../../../tests/stubs/openPlan'
import AccessSection from './AccessSection.vue'

const files = vi.hoisted(() => [] as { name: string; text: string }[])
vi.mock('~/composables/planDownload', async original => ({
  ...(await original<object>()),
  downloadText: (name: string, text: string) => files.push({ name, text }),
}))

const stubs = {
  global: {
    stubs: {
      VBtn: { template: '<button><slot /></button>' },
      VCheckbox: {
        props: ['modelValue'],
        emits: ['update:modelValue'],
        template:
          '<input type="checkbox" :checked="modelValue" ' +
          '@change="$emit(\'update:modelValue\', $event.target.checked)" />',
      },
      NuxtLink: { template: '<a><slot /></a>' },
      PlanField: { props: ['path', 'set', 'fallback'], template: '<i :data-path="path" />' },
      InspectorPanel: { props: ['heading'], template: '<aside><slot /></aside>' },
    },
  },
}
async function open(input: Parameters<typeof openDemo>[0] = {}) {
  const store = openDemo(input)
  const page = mount(AccessSection, { ...stubs, attachTo: document.body })
  await flushPromises()
  const cell = (share: string, who: string) => page.get(`[aria-label^="${who}, ${share}:"]`)
  const has = (share: string, who: string) => cell(share, who).attributes('data-has')
  return { store, page, cell, has }
}

describe('people and shares', () => {
  it('follow the plan until a right is pressed, and go back to it', async () => {
    const { store, page, cell, has } = await open()
    expect(page.get('[data-access-sentence]').text()).toBe(
      '10 accounts and 8 shares. No rule is broken.',
    )
    expect(has('films', 'maren')).toBe('write')
    expect(has('films', 'joost')).toBe('read')
    expect(store.plan!.commissioning.shares).toEqual([])
    // From the group's right to none of its own, to reading, to writing, and back to the group.
    const seen: (string | undefined)[] = []
    for (let press = 0; press < 4; press++) {
      await cell('films', 'joost').trigger('click')
      seen.push(has('films', 'joost'))
    }
    expect(seen).toEqual(['none', 'read', 'write', 'read'])
    expect(store.plan!.commissioning.shares).toHaveLength(8)
    await page.get('[data-make-anew]').trigger('click')
    expect(store.plan!.commissioning.shares).toEqual([])
    page.unmount()
  })
  it('is worked on by keyboard', async () => {
    const { page, cell, has } = await open()
    const press = (share: string, who: string, key: string) =>
      cell(share, who).trigger('keydown', { key })
    await cell('films', 'joost').trigger('focus')
    await press('films', 'joost', 'w')
    expect(has('films', 'joost')).toBe('write')
    await press('films', 'joost', 'n')
    expect(has('films', 'joost')).toBe('none')
    await press('films', 'joost', 'Delete')
    expect(has('films', 'joost')).toBe('read')
    await press('films', 'joost', 'ArrowDown')
    await flushPromises()
    expect(document.activeElement?.getAttribute('aria-label')).toMatch(/^ilse, films:/)
    await press('films', 'ilse', 'End')
    await flushPromises()
    expect(document.activeElement?.getAttribute('aria-label')).toMatch(/^ilse, inbox:/)
    page.unmount()
  })
  it('marks what is against a rule on its cell, and mends it by a press', async () => {
    const { page, cell } = await open()
    const guests = () => page.get('[aria-label^="Group guests, photos:"]')
    await guests().trigger('click')
    expect(guests().attributes('aria-label')).toBe('Group guests, photos: read, against rule S1')
    expect(page.get('[data-access-sentence]').text()).toContain('1 thing is against a rule.')
    await page.get('[data-rule="S1"] button').trigger('click')
    expect(page.find('[data-rule]').exists()).toBe(false)
    expect(cell('photos', 'maren').classes()).not.toContain('wrong')
    page.unmount()
  })
  it('keeps rights and owners with an account or a share that gets another name', async () => {
    const { store, page, has } = await open()
    const set = (key: string, value: unknown) =>
      (
        page
          .findAllComponents('[data-path]')
          .find(field => field.attributes('data-path')!.endsWith(`.${key}`))! as unknown as {
          props: (name: string) => (value: unknown) => string | null
        }
      ).props('set')(value)
    await page.get('[data-account="maren"]').trigger('click')
    expect(set('id', 'Maren!')).toMatch(/^Account must be 1 to 20 small letters/)
    expect(set('id', 'joost')).toMatch(/"joost" is taken already/)
    expect(set('id', 'skipper')).toBe(null)
    await flushPromises()
    expect(has('films', 'skipper')).toBe('write')
    await page.get('[data-share="films"]').trigger('click')
    expect(set('id', 'reels')).toBe(null)
    await flushPromises()
    expect(has('reels', 'skipper')).toBe('write')
    await page.get('aside button').trigger('click')
    expect(store.plan!.commissioning.shares.some(({ id }) => id === 'reels')).toBe(false)
    expect(store.plan!.commissioning.rights.some(({ share }) => share === 'reels')).toBe(false)
    page.unmount()
  })
  it('has groups of its own: named, filled, given a right, and taken away', async () => {
    const { store, page, cell, has } = await open()
    const adds = page.findAll('button').find(button => button.text() === 'Add a group')!
    await adds.trigger('click')
    expect(store.plan!.commissioning.groups.at(-1)).toEqual({ id: 'group-1' })
    const set = page
      .findAllComponents('[data-path]')
      .find(one => one.attributes('data-path')!.endsWith('.id'))! as unknown as {
      props: (name: string) => (value: unknown) => string | null
    }
    expect(set.props('set')('Editors')).toMatch(/^Group must be/)
    expect(set.props('set')('editors')).toBe(null)
    await flushPromises()
    const members = () => page.findAll('aside input')
    const ilse = store.plan!.commissioning.accounts.findIndex(({ id }) => id === 'ilse')
    await members()[ilse]!.setValue(true)
    expect(has('films', 'ilse')).toBe('read')
    await page.get('[aria-label^="Group editors, films:"]').trigger('keydown', { key: 'w' })
    expect(has('films', 'ilse')).toBe('write')
    expect(cell('films', 'ilse').attributes('aria-label')).toContain('from its groups')
    await page.get('aside button').trigger('click')
    expect(has('films', 'ilse')).toBe('read')
    expect(store.plan!.commissioning.groups.map(({ id }) => id)).toEqual(['household', 'guests'])
    // The rules speak of these two.
    await page.get('[data-group="guests"]').trigger('click')
    expect(page.find('aside button').exists()).toBe(false)
    page.unmount()
  })
  it('ticks the test list, until a right changes what is to be tried', async () => {
    const { store, page, cell } = await open()
    const boxes = () => page.findAll('[data-test-list] input')
    expect(boxes()).toHaveLength(11)
    for (const box of boxes()) await box.setValue(true)
    expect(page.get('[data-test-list]').text()).toContain('Every account was tried.')
    await page.get('[data-tick-prove]').trigger('click')
    expect(store.plan!.commissioning.steps).toMatchObject([{ step: 'people.prove', state: 'done' }])
    // Photos are not forbidden to Pim any more: something else is to be tried.
    await cell('photos', 'pim').trigger('keydown', { key: 'w' })
    expect(page.get('[data-test-list]').text()).toContain('1 of 11 accounts is left to be tried.')
    page.unmount()
  })
  it('writes its files', async () => {
    const { page } = await open()
    files.length = 0
    await page.get('[data-export="csv"]').trigger('click')
    await page.get('[data-export="smb"]').trigger('click')
    expect(files.map(({ name }) => name)).toEqual([
      'tide-mill-house-rights.csv',
      'tide-mill-house-shares.conf',
    ])
    expect(files[1]!.text).toContain('[films]')
    expect(page.find('[data-export="nfs"]').exists()).toBe(false)
    page.unmount()
  })
  it('says where accounts come from while there are none', async () => {
    const { page } = await open({ household: { viewers: [] }, system: {} })
    expect(page.text()).toContain('Nobody has an account yet')
    page.unmount()
  })
})
