import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { catalogue } from '~~/core/catalogue/catalogue'
import { useHousehold } from '~/composables/useHousehold'
import { openDemo } from '../../../tests/stubs/openPlan'
import DevicesEditor from './DevicesEditor.vue'
import ViewersEditor from './ViewersEditor.vue'

const pick = (wrapper: ReturnType<typeof mount>, index: number) =>
  wrapper.find(`[data-pick="${index}"]`).trigger('click')
const button = (wrapper: ReturnType<typeof mount>, label: string) =>
  wrapper
    .findAll('button')
    .find(found => found.attributes('aria-label') === label || found.text() === label)!

describe('viewers and places', () => {
  it('are added at home, each with an ink of its own while there are inks', async () => {
    const store = openDemo({ household: {} })
    const editor = mount(ViewersEditor)
    expect(editor.text()).toContain('Nobody is listed yet')
    for (let more = 0; more < 9; more++) await button(editor, 'Add a viewer').trigger('click')
    const { viewers } = store.plan!.household
    expect(new Set(viewers.map(viewer => viewer.id)).size).toBe(9)
    expect(new Set(viewers.map(viewer => viewer.colour)).size).toBe(8)
    expect(viewers.every(viewer => viewer.place === 'home')).toBe(true)
    expect(editor.text()).not.toContain('Nobody is listed yet')
  })
  it('are removed by name, and a viewer without one by the number', async () => {
    const store = openDemo({
      household: {
        viewers: [{ id: 'a', name: 'Merel' }, { id: 'b' }],
        places: [{ id: 'p', name: 'Lighthouse' }],
      },
    })
    const editor = mount(ViewersEditor)
    await pick(editor, 1)
    await button(editor, 'Remove Viewer 2').trigger('click')
    expect(store.plan!.household.viewers.map(viewer => viewer.name)).toEqual(['Merel'])
    await button(editor, 'Remove Lighthouse').trigger('click')
    expect(store.plan!.household.places).toEqual([])
    expect(editor.text()).toContain('Nobody is away')
    store.undo()
    expect(store.plan!.household.places.map(place => place.name)).toEqual(['Lighthouse'])
  })
  it('of which somebody away without a listed place is told', async () => {
    const store = openDemo({ household: { viewers: [{ id: 'a', place: 'gone' }] } })
    expect(store.assessment!.findings.map(finding => finding.code)).toContain(
      'VIEWER_WITHOUT_PLACE',
    )
    const editor = mount(ViewersEditor)
    await button(editor, 'Add a place').trigger('click')
    store.edit('household.viewers.0.place', store.plan!.household.places[0]!.id)
    expect(store.assessment!.findings.map(finding => finding.code)).not.toContain(
      'VIEWER_WITHOUT_PLACE',
    )
  })
})

describe('devices', () => {
  it('get a class of their own that begins as the one they had, once', async () => {
    const store = openDemo({
      household: { devices: [{ id: 'd', name: 'Attic', class: 'stickHd' }] },
    })
    const editor = mount(DevicesEditor)
    await pick(editor, 0)
    const make = () => button(editor, 'Make a class of its own for Attic')
    expect(make().attributes('disabled')).toBeUndefined()
    await make().trigger('click')
    const [set] = store.plan!.household.capabilitySets
    const shipped = catalogue.deviceClasses.find(entry => entry.id === 'stickHd')!
    expect(set).toMatchObject({
      label: 'Attic',
      screenLines: shipped.screenLines,
      maxMbps: shipped.maxMbps,
      containers: shipped.containers,
      video: shipped.video,
    })
    expect(store.plan!.household.devices[0]!.class).toBe(set!.id)
    expect(make().attributes('disabled')).toBeDefined()
    expect(editor.text()).toContain('Own class: Attic')
  })
  it('of an unknown class begin as the first of the catalogue', async () => {
    const store = openDemo({ household: { devices: [{ id: 'd', class: 'gone-1' }] } })
    const editor = mount(DevicesEditor)
    await pick(editor, 0)
    await button(editor, 'Make a class of its own for device 1').trigger('click')
    expect(store.plan!.household.capabilitySets[0]).toMatchObject({
      label: catalogue.deviceClasses[0]!.label,
    })
  })
  it('are added and removed', async () => {
    const store = openDemo({ household: {} })
    const editor = mount(DevicesEditor)
    expect(editor.text()).toContain('No device is listed yet')
    await button(editor, 'Add a device').trigger('click')
    expect(store.plan!.household.devices).toHaveLength(1)
    await editor.vm.$nextTick()
    await button(editor, 'Remove Device 1').trigger('click')
    expect(store.plan!.household.devices).toEqual([])
  })
})

describe('a habit that is added', () => {
  it('makes the viewer and the device that it needs', () => {
    const store = openDemo({ household: {} })
    const { addHabit, changeHabit, viewerItems, deviceItems, placeItems } = useHousehold()
    expect(addHabit({ minutes: 45 })).toBe(0)
    const { viewers, devices, habits } = store.plan!.household
    expect(habits[0]).toMatchObject({ viewer: viewers[0]!.id, device: devices[0]!.id, minutes: 45 })
    expect([viewerItems.value, deviceItems.value].map(items => items[0]!.title)).toEqual([
      'Viewer 1',
      'Device 1',
    ])
    expect(placeItems.value[0]).toEqual({ value: 'home', title: 'At home' })
    expect(changeHabit(0, { minutes: 50 })).toBeNull()
    expect(changeHabit(0, { minutes: -1 })).toMatch(/from/)
    expect(changeHabit(7, { minutes: 50 })).toBeNull()
    expect(store.plan!.household.habits[0]!.minutes).toBe(50)
  })
})
