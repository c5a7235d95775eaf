import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import CapabilitySetEditor from '~/components/household/CapabilitySetEditor.vue'
import HatchPattern from '~/components/charts/HatchPattern.vue'
import LotsEditor from '~/components/drives/LotsEditor.vue'
import MachineFields from '~/components/streams/MachineFields.vue'
import { useUsualMachine } from '~/composables/useUsualMachine'
import { fieldElementId } from '~/composables/views'
import { openDemo } from '../../../tests/stubs/openPlan'
import FindingsList from './FindingsList.vue'
import HeadroomLine from './HeadroomLine.vue'
import ListEditor from './ListEditor.vue'
import SaveStatus from './SaveStatus.vue'
import StateMark from './StateMark.vue'
import VerdictSentence from './VerdictSentence.vue'
import ViewFindings from './ViewFindings.vue'

const button = (wrapper: ReturnType<typeof mount>, label: string) =>
  wrapper
    .findAll('button')
    .find(found => found.attributes('aria-label') === label || found.text() === label)
/** Picks an entry of a list, so that its fields stand in the inspector. */
const pick = (wrapper: ReturnType<typeof mount>, index: number) =>
  wrapper.find(`[data-pick="${index}"]`).trigger('click')
const placeholder = (wrapper: ReturnType<typeof mount>, path: string) =>
  wrapper.find(`[id="${fieldElementId(path)}"]`).attributes('placeholder')

describe('a list of entries', () => {
  const list = (props: object = {}) =>
    mount(ListEditor<string>, {
      props: {
        entries: ['heron', 'otter'],
        add: 'Add an animal',
        name: (entry: string, index: number) => `${entry} ${index}`,
        columns: '1fr 2fr',
        ...props,
      },
      slots: {
        default: ({ entry, index }: { entry: unknown; index: number }) => `row ${index}: ${entry}`,
        buttons: () => '',
        below: ({ index }: { index: number }) => `under ${index}`,
      },
    })
  it(
    'shows each in a row, with what stands under it, and what it is called where it is ' +
      'removed',
    () => {
      const shown = list()
      expect(shown.findAll('.list-row').map(row => row.text())).toEqual([
        'row 0: heronunder 0',
        'row 1: otterunder 1',
      ])
      expect(button(shown, 'Remove otter 1')).toBeDefined()
      expect(shown.find('.list-row').attributes('style')).toContain(
        '--columns: 1fr 2fr; --narrow: 1fr 1fr',
      )
    },
  )
  it('asks for what is pressed, and changes nothing by itself', async () => {
    const shown = list()
    await button(shown, 'Add an animal')!.trigger('click')
    await button(shown, 'Remove otter 1')!.trigger('click')
    expect(shown.emitted()).toMatchObject({ add: [[]], remove: [[1]] })
    expect(shown.findAll('.list-row')).toHaveLength(2)
  })
  it('takes no more once it is full', () => {
    expect(button(list({ full: true }), 'Add an animal')).toBeUndefined()
  })
})

describe('the drives', () => {
  it('are added as the row before, one of them, and removed by their size', async () => {
    const store = openDemo({
      drives: { lots: [{ count: 4, sizeTB: 12, condition: 'refurbished' }] },
    })
    const lots = mount(LotsEditor)
    await button(lots, 'Add drives of another size')!.trigger('click')
    expect(store.plan?.drives.lots[1]).toMatchObject({
      count: 1,
      sizeTB: 12,
      condition: 'refurbished',
      role: 'any',
    })
    store.edit('drives.lots.1.sizeTB', 16)
    await pick(lots, 0)
    await button(lots, 'Remove the drives of 12 TB')!.trigger('click')
    expect(store.plan?.drives.lots.map(lot => lot.sizeTB)).toEqual([16])
  })
  it('begin with 8 TB', async () => {
    const store = openDemo({ drives: {} })
    await button(mount(LotsEditor), 'Add drives')!.trigger('click')
    expect(store.plan?.drives.lots).toMatchObject([
      { count: 1, sizeTB: 8, condition: 'new', priceEach: null },
    ])
  })
  it(
    'say what they are counted at while no price is given: by kind and condition, nothing ' +
      'when owned',
    async () => {
      const store = openDemo({ drives: { driveClass: 'nas', lots: [{ count: 2, sizeTB: 10 }] } })
      const lots = mount(LotsEditor)
      await pick(lots, 0)
      const price = () => placeholder(lots, 'drives.lots.0.priceEach')
      expect(price()).toBe('≈ €205')
      store.edit('drives.lots.0.condition', 'owned')
      await lots.vm.$nextTick()
      expect(price()).toBe('nothing')
    },
  )
  it('can be told apart only where the layout does', async () => {
    const store = openDemo({ drives: { lots: [{ count: 4, sizeTB: 8 }], layout: 'rotating-1' } })
    const lots = mount(LotsEditor)
    await pick(lots, 0)
    expect(lots.text()).not.toContain('Role')
    store.edit('drives.layout', 'dedicated-1')
    await lots.vm.$nextTick()
    expect(lots.text()).toContain('Role')
  })
})

describe('the machine', () => {
  it('shows what stands in for what is left empty, by base and processor', async () => {
    const store = openDemo({ machine: { base: 'own', processor: 'leat-17' } })
    const fields = mount(MachineFields)
    const { processor, cores } = store.assessment!.domains.machine.build
    expect(placeholder(fields, 'machine.score')).toBe(
      `${processor!.score.toLocaleString('en')}, ${processor!.name}`,
    )
    expect(placeholder(fields, 'machine.cores')).toBe(String(cores))
    expect(fields.text()).not.toContain('Year of its design')
  })
  it('asks for clock and year only where neither score nor processor is known', async () => {
    const store = openDemo({ machine: { base: 'own', processor: 'own' } })
    const fields = mount(MachineFields)
    expect(fields.text()).toContain('Year of its design')
    store.edit('machine.score', 5000)
    await fields.vm.$nextTick()
    expect(fields.text()).not.toContain('Year of its design')
  })
  it('has parts put in and taken out; a card brings the question of one engine at a time', async () => {
    const store = openDemo({ machine: { base: 'own', processor: 'leat-17' } })
    const fields = mount(MachineFields)
    expect(fields.text()).not.toContain('One engine at a time')
    await button(fields, 'Add a part')!.trigger('click')
    expect(store.plan?.machine.parts).toMatchObject([
      { ref: 'cardEntry', count: 1, condition: 'new', price: null },
    ])
    await fields.vm.$nextTick()
    expect(fields.text()).toContain('One engine at a time')
    expect(placeholder(fields, 'machine.parts.0.price')).toBe('≈ €90')
    store.edit('machine.parts.0.condition', 'owned')
    await fields.vm.$nextTick()
    expect(placeholder(fields, 'machine.parts.0.price')).toBe('nothing')
    await button(fields, 'Remove Card, entry')!.trigger('click')
    expect(store.plan?.machine.parts).toEqual([])
  })
  it('calls a part that is not in the catalogue by its id, without a price', async () => {
    openDemo({ machine: { base: 'own', parts: [{ ref: 'gone-9' }] } })
    const fields = mount(MachineFields)
    await pick(fields, 0)
    expect(button(fields, 'Remove gone-9')).toBeDefined()
    expect(placeholder(fields, 'machine.parts.0.price')).toBe('not known')
  })
  it('takes no more than sixty parts', () => {
    openDemo({ machine: { parts: Array.from({ length: 60 }, () => ({ ref: 'memory-8' })) } })
    expect(button(mount(MachineFields), 'Add a part')).toBeUndefined()
  })
  it('gives the usual figures of its base, and otherwise those of a usual machine', () => {
    openDemo({ machine: { base: 'own', processor: 'own' } })
    expect(useUsualMachine().value).toEqual({
      score: 'not known',
      cores: '4',
      bays: '4',
      price: 'not known',
      idleW: '20',
      loadW: '60',
    })
    const store = openDemo({ machine: { base: 'wherry-4' } })
    const base = store.assessment!.domains.machine.build.base!
    expect(base.label).toBe('Wherry 4')
    expect(useUsualMachine().value).toMatchObject({
      price: `≈ €${base.price}`,
      idleW: String(base.idleW),
      bays: '4',
    })
    store.edit('machine.condition', 'owned')
    expect(useUsualMachine().value.price).toBe('nothing')
  })
})

describe("a device class of one's own", () => {
  it('gets codecs, each once, and loses them by name', async () => {
    const store = openDemo({ household: { capabilitySets: [{ id: 'ours', label: 'Our box' }] } })
    const editor = mount(CapabilitySetEditor, { props: { index: 0 } })
    const video = () => store.plan!.household.capabilitySets[0]!.video.map(can => can.codec)
    expect(editor.find('summary').text()).toBe('Own class: Our box')
    const before = video()
    await button(editor, 'Add a codec')!.trigger('click')
    expect(video()).toHaveLength(before.length + 1)
    for (let more = 0; button(editor, 'Add a codec') && more < 10; more++)
      await button(editor, 'Add a codec')!.trigger('click')
    expect(new Set(video()).size).toBe(video().length)
    expect(button(editor, 'Add a codec')).toBeUndefined()
    await button(editor, 'Remove H.264')!.trigger('click')
    expect(video()).not.toContain('h264')
  })
  it('is removed, and its devices fall back to a class of the catalogue or are told of', async () => {
    const store = openDemo({ household: { capabilitySets: [{ id: 'ours' }] } })
    const editor = mount(CapabilitySetEditor, { props: { index: 0 } })
    expect(editor.find('summary').text()).toBe('Own class: without a name')
    await button(editor, 'Remove this class')!.trigger('click')
    expect(store.plan?.household.capabilitySets).toEqual([])
  })
})

describe('what the plan comes to', () => {
  it('stands in the headroom line: seven cells, state, need and possible', () => {
    const store = openDemo()
    const cells = mount(HeadroomLine).findAll('[data-verdict]')
    expect(cells.map(cell => cell.attributes('data-verdict'))).toEqual([
      'streams',
      'space',
      'survival',
      'home',
      'away',
      'fit',
      'money',
    ])
    const streams = store.assessment!.verdicts[0]!
    expect(cells[0]!.attributes()).toMatchObject({
      'data-state': streams.state,
      title: streams.sentence,
    })
    expect(cells[0]!.find('.numbers').text()).toMatch(/^3\s*of\s*2–4$/)
    expect(cells[1]!.find('.possible').text()).toMatch(/TB$/)
  })
  it("shows what is tried in its place, with a ghost of the plan's own", async () => {
    const store = openDemo()
    const line = mount(HeadroomLine)
    store.tried = { ...store.plan!, machine: { ...store.plan!.machine, score: 90_000, cores: 32 } }
    await line.vm.$nextTick()
    expect(line.find('[data-verdict=streams]').attributes('data-state')).not.toBe(
      store.assessment!.verdicts[0]!.state,
    )
    store.tried = null
    await line.vm.$nextTick()
    expect(line.find('[data-verdict=streams]').attributes('data-state')).toBe(
      store.assessment!.verdicts[0]!.state,
    )
  })
  it('is a sentence with its figures, and links to its view where asked to', () => {
    const store = openDemo()
    const shown = mount(VerdictSentence, { props: { id: 'space', linked: true } })
    const space = store.assessment!.verdicts.find(verdict => verdict.id === 'space')!
    expect(shown.find('.sentence').text()).toBe(space.sentence)
    expect(shown.findAll('[data-figure]').map(figure => figure.attributes('data-figure'))).toEqual(
      space.figures,
    )
    expect(shown.find('a').attributes('href')).toMatch(/\/drives$/)
    expect(
      mount(VerdictSentence, { props: { id: 'space' } })
        .find('a')
        .exists(),
    ).toBe(false)
    expect(mount(VerdictSentence, { props: { id: 'nothing' } }).text()).toBe('')
  })
  it('warns worst first, and in a view only of what belongs to it', () => {
    const store = openDemo({ machine: { base: 'gone-1', parts: [{ ref: 'gone-2' }] } })
    const all = mount(FindingsList)
    expect(all.findAll('[data-finding]').map(item => item.attributes('data-finding'))).toEqual(
      store.assessment!.findings.map(finding => finding.code),
    )
    expect(all.find('[data-finding=NO_BACKUP]').exists()).toBe(
      !all.find('[data-finding=IRREPLACEABLE]').exists(),
    )
    const severities = all
      .findAll('li')
      .map(item => ['fail', 'warning', 'caution'].findIndex(severity => item.classes(severity)))
    expect(severities).toEqual([...severities].sort())
    const ofDrives = mount(ViewFindings, { props: { view: 'drives' } }).findAll('[data-finding]')
    expect(ofDrives.length).toBeLessThan(store.assessment!.findings.length)
    for (const item of ofDrives) expect(item.text()).toMatch(/^(Problem|Warning|Worth knowing)\./)
  })
  it('has a word beside every mark', () => {
    for (const state of ['ample', 'enough', 'tight', 'short', 'impossible', 'unknown'] as const) {
      const mark = mount(StateMark, { props: { state } })
      expect(mark.text().length).toBeGreaterThan(3)
      expect(mark.find('path').attributes('d')).toMatch(/^M/)
    }
  })
  it('is saved, or it says what hinders it', async () => {
    const store = openDemo()
    const status = mount(SaveStatus)
    const texts: Record<string, string> = {}
    for (const state of ['saved', 'unsaved', 'saving', 'offline', 'conflict', 'refused'] as const) {
      store.saveState = state
      store.saveMessage = 'too long'
      await status.vm.$nextTick()
      texts[state] = status.text()
      expect(status.attributes('data-save')).toBe(state)
    }
    expect(texts.refused).toBe('Not saved: too long')
    expect(texts.offline).toContain('kept in this browser')
    expect(new Set(Object.values(texts)).size).toBe(6)
  })
})

describe('the hatching', () => {
  it('is one pattern, as dense as it is asked for', () => {
    const hatch = mount(HatchPattern, { props: { id: 'h', size: 9 } })
    expect(hatch.attributes()).toMatchObject({ id: 'h', width: '9', height: '9' })
    expect(hatch.find('line').attributes('y2')).toBe('9')
    expect(mount(HatchPattern, { props: { id: 'h' } }).attributes('width')).toBe('6')
  })
})
