import ICAL from 'ical.js'
import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { tideMillHouse } from '~~/core/catalogue/tideMillHouse'
import { fillOrder } from '~~/core/commissioning/fill/fillOrder'
import { setupOf } from '~~/core/commissioning/setupOf'
import { catalogue } from '~~/core/catalogue/catalogue'
import { openDemo } from '../../../tests/stubs/openPlan'
import FillSection from './FillSection.vue'
import SignOffSection from './SignOffSection.vue'

const files = vi.hoisted(() => [] as { name: string; text: string }[])
vi.mock('~/composables/planDownload', async original => ({
  ...(await original<object>()),
  downloadText: (name: string, text: string) => files.push({ name, text }),
}))

const stubs = {
  global: {
    stubs: {
      VBtn: { props: ['disabled'], template: '<button :disabled="disabled"><slot /></button>' },
      VTextField: {
        props: ['modelValue'],
        emits: ['update:modelValue'],
        template:
          '<input :value="modelValue" ' +
          '@input="$emit(\'update:modelValue\', $event.target.value)" />',
      },
      NuxtLink: { props: ['to'], template: '<a :data-to="JSON.stringify(to)"><slot /></a>' },
      PlanField: { props: ['path'], template: '<i :data-path="path" />' },
    },
  },
}

describe('sign-off', () => {
  it('holds what was measured against the plan, and says what to do where it is not so', async () => {
    const store = openDemo()
    const page = mount(SignOffSection, stubs)
    await flushPromises()
    expect(page.get('[data-sign-sentence]').text()).toBe(
      '14 things are to be measured. None is yet.',
    )
    const measure = (id: string) => page.get(`[data-measure="${id}"]`)
    const enter = async (id: string, text: string) => {
      await measure(id).get('input').setValue(text)
      return measure(id).find('[data-judged]').exists()
        ? measure(id).get('[data-judged]').text()
        : ''
    }
    expect(await enter('backMin', '12')).toBe('In order')
    expect(await enter('backMin', '16')).toBe('Not as planned')
    expect(measure('backMin').get('a').attributes('data-to')).toContain('system.firmware')
    expect(await enter('networkMbps', '94')).toBe('Not as planned')
    expect(measure('networkMbps').get('a').attributes('data-to')).toContain('T8')
    expect(page.get('[data-sign-sentence]').text()).toBe('2 of 14 are measured, 2 not as planned.')
    // What is no number changes nothing; what is emptied was not measured.
    expect(await enter('backMin', 'x')).toBe('Not as planned')
    expect(await enter('backMin', '')).toBe('')
    expect(store.plan!.commissioning.measured).toEqual([{ id: 'networkMbps', value: 94 }])
  })
  it('begins day 0 once two people have signed, one where one lives alone', async () => {
    const store = openDemo()
    const page = mount(SignOffSection, stubs)
    await flushPromises()
    const begin = () => page.get('[data-begin]')
    expect(begin().attributes('disabled')).toBeDefined()
    await page.get('[data-add-signature]').trigger('click')
    await page.get('[data-add-signature]').trigger('click')
    expect(page.find('[data-add-signature]').exists()).toBe(false)
    const sign = (who: readonly string[]) => {
      store.plan = {
        ...store.plan!,
        commissioning: {
          ...store.plan!.commissioning,
          signatures: who.map(name => ({ who: name, day: '2026-12-01' })),
        },
      }
    }
    sign(['Maren', ' '])
    await flushPromises()
    expect(begin().attributes('disabled')).toBeDefined()
    sign(['Maren', 'Joost'])
    await flushPromises()
    await begin().trigger('click')
    expect(store.plan!.commissioning.signedOn).toMatch(/^\d{4}-\d\d-\d\d$/)
    openDemo({ household: { viewers: [{ id: 'a', name: 'Ada' }] } })
    const alone = mount(SignOffSection, stubs)
    await flushPromises()
    expect(alone.text()).toContain('One person signs')
  })
})

describe('fill, copies and calendar', () => {
  it('fills in the order of what would be missed, and its hours are those of the run-book', async () => {
    const store = openDemo()
    const slice = { plan: store.plan!, catalogue, facts: store.assessment!.domains }
    const order = fillOrder(slice)
    const kept = order.filter(({ isIrreplaceable }) => isIrreplaceable)
    expect(order.slice(0, kept.length)).toEqual(kept)
    expect(kept.map(({ sizeTB }) => sizeTB)).toEqual(
      kept.map(({ sizeTB }) => sizeTB).sort((a, b) => a - b),
    )
    const sum = (list: typeof order, key: 'copyHours' | 'compareHours') =>
      list.reduce((all, step) => all + (step[key] ?? 0), 0)
    const { counts } = setupOf(slice)
    expect(60 * (sum(kept, 'copyHours') + sum(kept, 'compareHours'))).toBeCloseTo(
      counts.irreplaceableMin,
      3,
    )
    expect(60 * sum(order.slice(kept.length), 'copyHours')).toBeCloseTo(counts.restMin, 3)
    expect(60 * sum(order, 'compareHours')).toBeCloseTo(counts.compareMin, 3)
    const page = mount(FillSection, stubs)
    await flushPromises()
    expect(page.findAll('[data-fill-step]')).toHaveLength(order.length)
    expect(page.get('[data-restore-sentence]').text()).toContain('The plan has no copy')
  })
  it('puts backups of computers last, and what is watched most for its size first', () => {
    const store = openDemo({
      library: {
        holdings: [
          { kind: 'computerBackups', name: 'Backups', sizeGB: 100 },
          { kind: 'film', name: 'Films', quality: 'given', sizeGB: 4000 },
          { kind: 'series', name: 'Series', quality: 'given', sizeGB: 500 },
          { kind: 'photos', name: 'Photos', quality: 'given', sizeGB: 900 },
          { kind: 'documents', name: 'Papers', quality: 'given', sizeGB: 20 },
        ],
      },
    })
    const slice = { plan: store.plan!, catalogue, facts: store.assessment!.domains }
    expect(fillOrder(slice).map(({ name }) => name)).toEqual([
      'Papers',
      'Photos',
      'Series',
      'Films',
      'Backups',
    ])
  })
  it('gives a calendar from sign-off on, and keeps what it gave', async () => {
    const store = openDemo()
    store.id = 'p1'
    const page = mount(FillSection, stubs)
    await flushPromises()
    const give = () => page.get('[data-export="calendar"]')
    expect(give().attributes('disabled')).toBeDefined()
    store.plan = {
      ...store.plan!,
      commissioning: { ...store.plan!.commissioning, signedOn: '2026-12-01' },
    }
    await flushPromises()
    files.length = 0
    await give().trigger('click')
    expect(files[0]!.name).toBe('tide-mill-house.ics')
    const read = (text: string) =>
      new ICAL.Component(ICAL.parse(text) as unknown[])
        .getAllSubcomponents('vevent')
        .map(event => new ICAL.Event(event))
    const uids = read(files[0]!.text).map(({ uid }) => uid)
    expect(uids).toContain('p1.scrub.all@numeron')
    expect(store.plan!.commissioning.exported.map(({ uid }) => uid)).toEqual(uids)
    await page.get('[data-lane="log"]').trigger('click')
    await page.get('[data-calendar-row] input').setValue('9')
    expect(store.plan!.commissioning.intervals).toEqual([{ code: 'log', days: 9 }])
    await give().trigger('click')
    const log = read(files[1]!.text).find(({ uid }) => uid.includes('.log.'))!
    expect(log.sequence).toBe(1)
    await page.get('[data-calendar-row] input').setValue('')
    expect(store.plan!.commissioning.intervals).toEqual([])
  })
  it('enters the drives of the plan into the register', async () => {
    const store = openDemo()
    const page = mount(FillSection, stubs)
    await flushPromises()
    const count = tideMillHouse.drives!.lots!.reduce((sum, lot) => sum + (lot.count ?? 1), 0)
    await page.get('[data-register] button').trigger('click')
    expect(store.plan!.drives.register).toHaveLength(count)
    expect(store.plan!.drives.register.map(({ bay }) => bay)).toEqual(
      Array.from({ length: count }, (_, at) => at + 1),
    )
    await page.get('[data-register] li button').trigger('click')
    expect(store.plan!.drives.register).toHaveLength(count - 1)
  })
})
