import { mount } from '@vue/test-utils'
import { nextTick } from 'vue'
import { describe, expect, it } from 'vitest'
import { useWorkingStore } from '~/stores/workingStore'
import { views } from '~/composables/views'
import { openDemo } from '../../../tests/stubs/openPlan'
import HeadroomLine from './HeadroomLine.vue'
import InspectorPanel from './InspectorPanel.vue'
import NavRail from './NavRail.vue'
import PickList from './PickList.vue'
import TriedBar from './TriedBar.vue'
import ViewFrame from './ViewFrame.vue'

const key = (name: string) => window.dispatchEvent(new KeyboardEvent('keydown', { key: name }))
const palace = {
  machine: { base: 'own', condition: 'owned', score: 90_000, cores: 32, bays: 8 },
} as const

describe('the rail', () => {
  const mark = (rail: ReturnType<typeof mount>, view: string) =>
    rail.find(`[data-view="${view}"] .mark`)
  it('lists the views by phase, each with the mark of its verdict', () => {
    openDemo()
    const rail = mount(NavRail, { props: { planId: 'p' } })
    expect(rail.findAll('.phase p').map(phase => phase.text())).toEqual([
      'Need',
      'Size',
      'Choose',
      'Prove',
      'Set up',
      'Keep',
    ])
    expect(rail.findAll('a')).toHaveLength(13)
    expect(mark(rail, 'streams').attributes('aria-label')).toBe('Short')
    expect(mark(rail, 'drives').attributes('aria-label')).toBe('Impossible')
    // The worst of them all stands at the brief.
    expect(mark(rail, 'brief').attributes('aria-label')).toBe('Impossible')
    expect(mark(rail, 'tiers').exists()).toBe(false)
  })
  it('follows an edit', async () => {
    const store = openDemo()
    const rail = mount(NavRail, { props: { planId: 'p' } })
    store.edit('machine.score', 90_000)
    await nextTick()
    expect(mark(rail, 'streams').attributes('aria-label')).toBe('Ample')
  })
})

describe('a view', () => {
  it('shows the first section where the address names none, and the verdict it is asked for', () => {
    openDemo(palace)
    const frame = mount(ViewFrame, {
      props: { view: 'streams', question: 'How many?', verdict: 'streams' },
      slots: { capacity: 'the first', archive: 'another' },
    })
    expect(frame.attributes('data-section')).toBe('capacity')
    expect(frame.text()).toContain('the first')
    expect(frame.text()).not.toContain('another')
    expect(frame.find('.answer').text()).toMatch(/^Ample/)
    expect(frame.find('[aria-current=page]').text()).toBe('Capacity')
  })
  it('has a way to each of its sections, and none where there is one only', () => {
    openDemo()
    for (const { id, sections } of views)
      expect(
        mount(ViewFrame, { props: { view: id, question: '?' } }).findAll('nav a'),
        id,
      ).toHaveLength(sections.length > 1 ? sections.length : 0)
  })
})

describe('the inspector', () => {
  it('closes with Escape, and steps with the arrows of its heading', async () => {
    let closed = 0
    const panel = mount(InspectorPanel, {
      props: { heading: 'A film', index: 1, count: 3, onClose: () => closed++ },
    })
    expect(panel.text()).toContain('2 of 3')
    await panel.find('h2').trigger('keydown', { key: 'ArrowRight' })
    await panel.find('h2').trigger('keydown', { key: 'ArrowUp' })
    await panel.find('h2').trigger('keydown', { key: 'a' })
    expect(panel.emitted('step')).toEqual([[1], [-1]])
    key('Escape')
    expect(closed).toBe(1)
    panel.unmount()
    key('Escape')
    expect(closed).toBe(1)
  })
  it('leaves Escape to whatever has taken it', () => {
    const panel = mount(InspectorPanel, { props: { heading: 'x' } })
    const taken = new KeyboardEvent('keydown', { key: 'Escape', cancelable: true })
    taken.preventDefault()
    window.dispatchEvent(taken)
    expect(panel.emitted('close')).toBeUndefined()
    panel.unmount()
  })
})

describe('a list to pick from', () => {
  const list = (entries = ['heron', 'otter', 'eel']) =>
    mount(PickList<string>, {
      props: {
        entries,
        path: 'pond.animals',
        add: 'Add an animal',
        name: (entry: string) => entry,
      },
      slots: {
        line: ({ entry }: { entry: unknown }) => `line ${entry}`,
        default: ({ entry }: { entry: unknown }) => `fields of ${entry}`,
        below: () => '',
        buttons: () => '',
      },
      attachTo: document.body,
    })
  it('edits what is picked in the inspector, and lets it go again', async () => {
    openDemo()
    const shown = list()
    expect(shown.findComponent(InspectorPanel).exists()).toBe(false)
    await shown.find('[data-pick="1"]').trigger('click')
    expect(shown.text()).toContain('fields of otter')
    expect(shown.find('[data-pick="1"]').attributes('aria-expanded')).toBe('true')
    shown.findComponent(InspectorPanel).vm.$emit('step', 1)
    await nextTick()
    expect(shown.text()).toContain('fields of eel')
    shown.findComponent(InspectorPanel).vm.$emit('step', 1)
    await nextTick()
    expect(shown.text()).toContain('fields of heron')
    await shown.find('[data-pick="0"]').trigger('click')
    expect(shown.findComponent(InspectorPanel).exists()).toBe(false)
    shown.unmount()
  })
  it('picks what is added, and forgets what is gone', async () => {
    openDemo()
    const shown = list()
    await shown
      .findAll('button')
      .find(button => button.text() === 'Add an animal')!
      .trigger('click')
    expect(shown.emitted('add')).toHaveLength(1)
    await shown.setProps({ entries: ['heron', 'otter', 'eel', 'carp'] })
    expect(shown.text()).toContain('fields of carp')
    await shown.setProps({ entries: ['heron'] })
    expect(shown.findComponent(InspectorPanel).exists()).toBe(false)
    // What comes from elsewhere, by undo, is not picked.
    await shown.setProps({ entries: ['heron', 'otter'] })
    expect(shown.findComponent(InspectorPanel).exists()).toBe(false)
    shown.unmount()
  })
  it('removes what is picked, by its name', async () => {
    openDemo()
    const shown = list()
    await shown.find('[data-pick="1"]').trigger('click')
    await shown.find('[aria-label="Remove otter"]').trigger('click')
    expect(shown.emitted('remove')).toEqual([[1]])
    shown.unmount()
  })
  it("picks the entry that a reader is sent to, and no other list's", async () => {
    openDemo()
    const shown = list()
    useWorkingStore().target = 'pond.animals.2.name'
    await nextTick()
    expect(shown.text()).toContain('fields of eel')
    useWorkingStore().target = 'pond.animalsAgain.0.name'
    await nextTick()
    expect(shown.text()).toContain('fields of eel')
    shown.unmount()
  })
  it('goes from line to line with the arrow keys, round the end', async () => {
    openDemo()
    const shown = list()
    const line = (at: number) => shown.find<HTMLElement>(`[data-pick="${at}"]`)
    line(2).element.focus()
    await line(2).trigger('keydown', { key: 'ArrowDown' })
    expect(document.activeElement).toBe(line(0).element)
    await line(0).trigger('keydown', { key: 'ArrowUp' })
    expect(document.activeElement).toBe(line(2).element)
    shown.unmount()
  })
})

describe('a preview', () => {
  const strong = (store: ReturnType<typeof openDemo>) => ({
    ...store.plan!,
    machine: { ...store.plan!.machine, score: 90_000 },
  })
  it('stands on the line with what it was before, and says what changes', async () => {
    const store = openDemo()
    const line = mount(HeadroomLine)
    const bar = mount(TriedBar)
    expect(bar.find('[data-tried]').exists()).toBe(false)
    store.tried = strong(store)
    await nextTick()
    expect(line.find('[data-verdict=streams]').attributes('data-state')).toBe('ample')
    expect(line.find('[data-verdict=streams] .before').text()).toBe('was 3 of 2–4')
    expect(line.find('[data-verdict=space] .before').exists()).toBe(false)
    expect(bar.text()).toContain('Preview: Machine: Processor score')
    // What was just applied and is still under the pointer is no preview.
    store.tried = { ...store.plan! }
    await nextTick()
    expect(bar.find('[data-tried]').exists()).toBe(false)
    store.tried = null
    await nextTick()
    expect(line.find('.before').exists()).toBe(false)
  })
  it('is pinned while one looks around, then kept as one step of undo, or dropped', async () => {
    const store = openDemo()
    const bar = mount(TriedBar)
    const press = (label: string) =>
      bar
        .findAll('button')
        .find(button => button.text() === label)!
        .trigger('click')
    store.tried = strong(store)
    store.togglePin()
    store.tried = null
    await nextTick()
    expect(bar.text()).toContain('Pinned')
    expect(store.triedAssessment?.verdicts[0]?.state).toBe('ample')
    expect(store.plan?.machine.score).toBe(6200)
    await press('Drop')
    expect(store.pinned).toBeNull()
    store.tried = strong(store)
    store.togglePin()
    await nextTick()
    await press('Keep')
    expect(store.plan?.machine.score).toBe(90_000)
    expect([store.pinned, store.tried]).toEqual([null, null])
    store.undo()
    expect(store.plan?.machine.score).toBe(6200)
  })
  it('is unpinned by the same key, and dropped by an edit', () => {
    const store = openDemo()
    store.tried = strong(store)
    store.togglePin()
    store.tried = null
    store.togglePin()
    expect(store.pinned).toBeNull()
    store.tried = strong(store)
    store.togglePin()
    store.edit('machine.cores', 8)
    expect(store.pinned).toBeNull()
  })
})
