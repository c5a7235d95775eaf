import { mount } from '@vue/test-utils'
import { nextTick } from 'vue'
import { describe, expect, it, vi } from 'vitest'
import { useWorkingStore } from '~/stores/workingStore'
import { openDemo } from '../../../tests/stubs/openPlan'
import CsvImport from './CsvImport.vue'
import FitSection from './FitSection.vue'
import HandSection from './HandSection.vue'
import MachineMapPicture from './MachineMapPicture.vue'
import MemorySection from './MemorySection.vue'
import PartsSection from './PartsSection.vue'
import PartTray from './PartTray.vue'
import PlaceInspector from './PlaceInspector.vue'
import PlaceSection from './PlaceSection.vue'
import StartSection from './StartSection.vue'
import SystemSection from './SystemSection.vue'

const button = (wrapper: ReturnType<typeof mount>, label: string | RegExp) =>
  wrapper.findAll('button').find(found => {
    const name = found.attributes('aria-label') ?? found.text()
    return typeof label === 'string' ? name === label : label.test(name)
  })
const refs = (store: ReturnType<typeof openDemo>) => store.plan!.machine.parts.map(({ ref }) => ref)
const sound = [
  'lych-15',
  'leat-17',
  'fern-tower',
  'memory-16',
  'coffer-6',
  'mole-450',
  'flint-500n',
].map(ref => ({ ref }))

describe('the map of the machine', () => {
  const shown = (picked: string | null = null) =>
    mount(MachineMapPicture, { props: { picked, carried: null } })
  it('names each place with what sits there, and what is switched off', () => {
    openDemo({ machine: { base: 'parts', parts: sound } })
    const map = shown()
    expect(map.find('[data-mark="m2-1"]').attributes('aria-label')).toBe(
      'M.2 place 1: Flint 500 GB, NVMe',
    )
    expect(map.find('[data-mark="data-6"]').attributes('aria-label')).toBe(
      'Data port 6: free, switched off by M.2 place 1',
    )
    expect(map.find('[data-mark="data-6"]').classes()).toContain('off')
  })
  it('is gone through with the arrows, picked with Enter, emptied with Delete', async () => {
    const store = openDemo({ machine: { base: 'parts', parts: sound } })
    const map = shown()
    await map.find('[data-mark="m2-1"]').trigger('keydown', { key: 'Enter' })
    expect(map.emitted('update:picked')).toEqual([['m2-1']])
    await map.find('[data-mark="m2-1"]').trigger('keydown', { key: 'Delete' })
    expect(refs(store)).not.toContain('flint-500n')
    await map.find('[data-mark="socket"]').trigger('keydown', { key: 'Delete' })
    expect(refs(store)).not.toContain('leat-17')
    store.undo()
    expect(refs(store)).toContain('leat-17')
  })
  it('lights up only the places that take what is carried', async () => {
    openDemo({ machine: { base: 'parts', parts: sound } })
    const map = mount(MachineMapPicture, {
      props: {
        picked: null,
        carried: { id: 'cardEntry', kind: 'card', label: 'Card, entry', price: 90, text: '' },
      },
    })
    expect(map.findAll('.lit').map(mark => mark.attributes('data-mark'))).toEqual([
      'slot-1',
      'slot-3',
    ])
    await map.find('[data-mark="slot-2"]').trigger('drop')
    expect(map.emitted('drop')).toBeUndefined()
    await map.find('[data-mark="slot-3"]').trigger('drop')
    expect(map.emitted('drop')).toHaveLength(1)
  })
  it('a place in the inspector says what it costs elsewhere, and takes what is chosen', async () => {
    const store = openDemo({ machine: { base: 'parts', parts: sound.slice(0, -1) } })
    const place = mount(PlaceInspector, { props: { modelValue: 'm2-1', index: 1, count: 9 } })
    expect(place.text()).toContain('An NVMe SSD here switches off Data port 5 and Data port 6.')
    await place.find('[data-entry="flint-500n"]').trigger('pointerenter')
    expect(store.tried!.machine.parts.at(-1)).toMatchObject({ ref: 'flint-500n', at: 'm2-1' })
    await place.find('[data-entry="flint-500n"]').trigger('click')
    expect(store.plan!.machine.parts.at(-1)).toMatchObject({ ref: 'flint-500n', at: 'm2-1' })
  })
  it(
    'the tray puts in with a press, previews under the pointer, and gives the reason where ' +
      'something would not fit',
    async () => {
      const store = openDemo({ machine: { base: 'parts', parts: sound } })
      const tray = mount(PartTray, { props: { kind: 'supply' } })
      expect(tray.find('[data-chip="mole-500r"]').text()).toContain(
        'Would not fit: The case takes a supply of form ATX',
      )
      await tray.find('[data-chip="mole-550"]').trigger('pointerenter')
      expect(store.tried?.machine.parts.map(({ ref }) => ref)).toContain('mole-550')
      await tray.find('[data-chip="mole-550"]').trigger('pointerleave')
      expect(store.tried).toBeNull()
      await tray.find('[data-chip="mole-550"]').trigger('click')
      expect(refs(store)).toContain('mole-550')
      expect(refs(store)).not.toContain('mole-450')
    },
  )
})

describe('the fit report', () => {
  it('counts, groups, and offers fixes that are applied with one press', async () => {
    const store = openDemo({
      machine: { base: 'parts', parts: sound },
      drives: { lots: [{ count: 5, sizeTB: 8 }], layout: 'rotating-1' },
    })
    const report = mount(FitSection)
    expect(report.find('[data-rule="dataPorts"]').attributes('data-state')).toBe('fail')
    await vi.waitFor(() => expect(button(report, /^Apply: Add Knot/)).toBeDefined(), {
      timeout: 20_000,
      interval: 50,
    })
    await button(report, /^Apply: Add Knot/)!.trigger('click')
    await nextTick()
    expect(report.find('[data-rule="dataPorts"]').exists()).toBe(false)
    await button(report, 'Show what fits')!.trigger('click')
    expect(report.find('[data-rule="dataPorts"]').attributes('data-state')).toBe('pass')
    store.undo()
    await nextTick()
    expect(report.find('[data-rule="dataPorts"]').attributes('data-state')).toBe('fail')
  })
})

describe('a judgement that no part mends', () => {
  it('says what to do instead, and what lies on the shelf comes first', async () => {
    openDemo({
      brief: { roomLowC: -5, roomHighC: 20 },
      machine: {
        base: 'parts',
        parts: [...sound, { ref: 'twine-console', purpose: 'spare' }],
        monitorAtHand: false,
      },
      drives: { lots: [{ count: 2, sizeTB: 8 }] },
    })
    const report = mount(FitSection)
    await vi.waitFor(
      () =>
        expect(button(report, /^Apply: Add Remote console box.+ from the shelf$/)).toBeDefined(),
      { timeout: 20_000, interval: 50 },
    )
    expect(report.find('[data-rule=console] .fixes').text()).toContain('is there already')
    expect(report.find('[data-rule=coldDrives] .otherwise').text()).toBe('No part warms a drive.')
    report.unmount()
  })
})

describe('power, memory, noise and heat', () => {
  it('says whether it starts, and swaps the supply', async () => {
    const store = openDemo()
    const power = mount(StartSection)
    expect(power.find('.sentence').text()).toMatch(
      /takes 147\s?W; the supply gives 300\s?W, so it starts/,
    )
    await button(power, 'Apply: Mole 450')!.trigger('click')
    expect(refs(store)).toContain('mole-450')
    store.edit('drives.lots', [{ count: 12, sizeTB: 8 }])
    store.replace({
      ...store.plan!,
      machine: {
        ...store.plan!.machine,
        parts: store.plan!.machine.parts.map(part =>
          part.ref === 'mole-450' ? { ...part, ref: 'mole-300' } : part,
        ),
      },
    })
    await nextTick()
    expect(power.find('.sentence').text()).toContain('It switches off before the machine is up.')
  })
  it('a supply that its maker fixed is not offered another', () => {
    openDemo({ machine: { base: 'clerk-17', parts: [] } })
    expect(mount(StartSection).text()).toContain('nothing goes in its place')
  })
  it('memory is told by use, and a stick is added where a slot is free', async () => {
    const store = openDemo()
    const memory = mount(MemorySection)
    expect(memory.text()).toContain('2 memory slots are free')
    await button(memory, 'Add Memory, 8 GB, DDR3')!.trigger('click')
    expect(refs(store)).toContain('memory-8-old')
    store.edit('drives.fileSystem', 'copyOnWrite')
    await nextTick()
    expect(memory.text()).toMatch(/Together\s*1\d/)
  })
  it('noise is held against the room, warm drives are counted in the risk with a press', async () => {
    const store = openDemo()
    const place = mount(PlaceSection)
    expect(place.text()).toContain('28 are the most for that room')
    await button(place, 'Count it in the risk')!.trigger('click')
    expect(store.plan!.drives.above45C).toBe(true)
    store.edit('brief.opensTo', 'bedroom')
    await nextTick()
    expect(place.text()).toContain('20 are the most for that room')
  })
})

describe('the parts list', () => {
  it('has both sums, edits a line beside it, and adds what is forgotten', async () => {
    const store = openDemo()
    const list = mount(PartsSection)
    expect(list.find('.sums').text()).toMatch(/To pay now\s*€415.*As if all were bought\s*€721/)
    await list.find('[data-line="0"]').trigger('click')
    await button(list, 'Remove Stile 13 W')!.trigger('click')
    expect(refs(store)).not.toContain('stile-13w')
    store.undo()
    await nextTick()
    await list.find('[data-forgotten="dataCables"] button').trigger('click')
    expect(store.plan!.machine.parts.at(-1)).toMatchObject({ ref: 'twine-data', count: 4 })
    await nextTick()
    expect(list.find('[data-forgotten="dataCables"]').exists()).toBe(false)
  })
  it('picks the line that a reader was sent to', async () => {
    openDemo()
    useWorkingStore().target = 'machine.parts.5.price'
    const list = mount(PartsSection)
    await nextTick()
    expect(button(list, 'Remove Mole 300')).toBeDefined()
  })
  it('a file is read, its problems listed, and nothing changes until its good rows are applied', async () => {
    const run = vi.fn(() => null)
    const read = vi.fn(async () => ({
      parts: [1, 2],
      problems: [{ line: 3, message: 'Quantity is no number.' }],
      moreProblems: 0,
    }))
    const csv = mount(CsvImport<number>, {
      props: { label: 'Import', what: 'line', read, actions: [{ label: 'Add', run }] },
    })
    const input = csv.find('input')
    Object.defineProperty(input.element, 'files', { value: [new File(['id\nx\n'], 'parts.csv')] })
    await input.trigger('change')
    await vi.waitFor(() => expect(csv.text()).toContain('2 lines can be taken from this file.'))
    expect(csv.text()).toContain('Line 3: Quantity is no number.')
    expect(run).not.toHaveBeenCalled()
    await button(csv, 'Add')!.trigger('click')
    expect(run).toHaveBeenCalledWith([1, 2])
    expect(csv.text()).not.toContain('can be taken')
  })
  it('a file that cannot be read, or is too large, is told, and changes nothing', async () => {
    const csv = mount(CsvImport<number>, {
      props: {
        label: 'Import',
        what: 'line',
        read: () => Promise.reject(new Error('no')),
        actions: [],
      },
    })
    const input = csv.find('input')
    const file = new File(['x'], 'parts.csv')
    Object.defineProperty(input.element, 'files', { value: [file], configurable: true })
    await input.trigger('change')
    await vi.waitFor(() =>
      expect(csv.find('[role=alert]').text()).toBe(
        'The file could not be read. Nothing was changed.',
      ),
    )
    Object.defineProperty(file, 'size', { value: 31e6 })
    await input.trigger('change')
    expect(csv.find('[role=alert]').text()).toContain('at most 30 MB are read')
  })
})

describe('what is at hand, and the system', () => {
  it('tries each computer, and builds on it with a press', async () => {
    const store = openDemo({
      machine: { atHand: [{ name: 'Yard', ref: 'clerk-20' }] },
      household: { watchingHome: 1, watchingAway: 0, converted: 0, habits: [] },
      library: { holdings: [], otherTB: 1 },
    })
    const hand = mount(HandSection)
    await vi.waitFor(
      () => expect(hand.find('[data-hand="0"]').text()).toMatch(/Yard: (base|second|leave)/),
      { timeout: 30_000, interval: 100 },
    )
    await button(hand, 'Apply: build on Yard')!.trigger('click')
    expect(store.plan!.machine).toMatchObject({
      name: 'Yard',
      base: 'clerk-20',
      condition: 'owned',
      atHand: [{ name: 'Yard' }],
    })
  })
  it('strikes kinds of system out with the reason, and names a port that is taken twice', async () => {
    const store = openDemo()
    const system = mount(SystemSection)
    expect(system.find('[data-system="storage"]').text()).toContain(
      'because it cannot do the layout of the drives',
    )
    await button(system, 'Apply: Booted from a stick, dedicated parity')!.trigger('click')
    expect(store.plan!.system.kind).toBe('stick')
    await nextTick()
    expect(system.find('.sentence').text()).toContain('meets every must, and asks least of you')
    store.edit('system.services.0.ports', '8080')
    await nextTick()
    expect(system.text()).toContain('Port 8080 is taken twice')
  })
})
