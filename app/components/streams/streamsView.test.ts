import { flushPromises, mount } from '@vue/test-utils'
import { readFileSync } from 'node:fs'
import { afterEach, describe, expect, it, vi } from 'vitest'
import type { BenchState } from '~~/core/streams/bench'
import { benchApi } from '~/services/benchApi'
import { openDemo } from '../../../tests/stubs/openPlan'
import ArchiveEstimate from './ArchiveEstimate.vue'
import BenchPanel from './BenchPanel.vue'
import CapacityPicture from './CapacityPicture.vue'
import ConversionFixes from './ConversionFixes.vue'
import ProcessorLadder from './ProcessorLadder.vue'
import WorkTableImport from './WorkTableImport.vue'

const button = (wrapper: ReturnType<typeof mount>, text: string) =>
  wrapper.findAll('button').find(found => found.text() === text)
async function shown(component: object, selector: string) {
  const wrapper = mount(component)
  await vi.waitFor(() => expect(wrapper.find(selector).exists()).toBe(true), {
    timeout: 20_000,
    interval: 50,
  })
  return wrapper
}

describe('what would help', () => {
  it('is tried under the pointer and taken with a press, as one step', async () => {
    const store = openDemo()
    const fixes = await shown(ConversionFixes, '[data-fix]')
    const row = fixes.find('[data-fix]')
    const label = row.find('th').text()
    const before = store.plan
    await row.trigger('pointerenter')
    expect(store.tried).not.toBeNull()
    await fixes.find('table').trigger('pointerleave')
    expect(store.tried).toBeNull()
    await row.trigger('focusin')
    expect(store.tried).not.toBeNull()
    expect(row.find('button').attributes('aria-label')).toBe(`Apply: ${label}`)
    await row.find('button').trigger('click')
    expect(store.tried).toBeNull()
    expect(store.plan).not.toBe(before)
    store.undo()
    expect(store.plan).toEqual(before)
  })
  it('says what each costs and comes to; at most nine, those that meet the need first', async () => {
    openDemo()
    const fixes = await shown(ConversionFixes, '[data-fix]')
    const rows = fixes
      .findAll('[data-fix]')
      .map(row => row.findAll('th, td').map(cell => cell.text()))
    expect(rows.length).toBeLessThanOrEqual(9)
    const meets = rows.map(([, , , , , state]) => /Ample|Enough|Tight/.test(state!))
    expect(meets).toEqual([...meets].sort((a, b) => Number(b) - Number(a)))
    for (const [, , needed, possible] of rows) {
      expect(needed).toMatch(/^\d+$/)
      expect(possible).toMatch(/^(\d+|\d+–\d+|–)$/)
    }
  })
  it('lets go of what it tried when it goes away', async () => {
    const store = openDemo()
    const fixes = await shown(ConversionFixes, '[data-fix]')
    await fixes.find('[data-fix]').trigger('pointerenter')
    fixes.unmount()
    expect(store.tried).toBeNull()
  })
})

describe('the smallest processor that is enough', () => {
  it('stands among its neighbours, marked, with all of the catalogue on request', async () => {
    openDemo()
    const ladder = await shown(ProcessorLadder, '[data-processor]')
    const some = ladder.findAll('[data-processor]').length
    const first = ladder.find('.first')
    if (first.exists()) expect(first.find('.state-mark').text()).toMatch(/Enough|Ample/)
    await button(ladder, 'All 36 of the catalogue')!.trigger('click')
    expect(ladder.findAll('[data-processor]')).toHaveLength(36)
    expect(some).toBeLessThan(36)
    await button(ladder, 'Show those close to enough')!.trigger('click')
    expect(ladder.findAll('[data-processor]')).toHaveLength(some)
  })
  it('no processor that leaves viewing short is told as enough', async () => {
    openDemo()
    const ladder = await shown(ProcessorLadder, '[data-processor]')
    await button(ladder, 'All 36 of the catalogue')!.trigger('click')
    for (const row of ladder.findAll('[data-processor]')) {
      const minutes = /([\d,.]+) min short/.exec(row.text())?.[1]
      if (minutes && Number(minutes.replace(',', '')) > 15)
        expect(row.find('.state-mark').text()).not.toMatch(/Ample|Enough/)
    }
  })
  it('is tried under the pointer and put in with a press: price and watts follow', async () => {
    const store = openDemo({
      machine: { base: 'own', processor: 'own', score: 3000, cores: 2, price: 400 },
    })
    const ladder = await shown(ProcessorLadder, '[data-processor]')
    const row = ladder.find('[data-processor]')
    const before = store.assessment!.domains.machine.build.processor
    await row.trigger('pointerenter')
    expect(store.tried).not.toBeNull()
    await row.trigger('click')
    expect(store.tried).toBeNull()
    expect(store.assessment!.domains.machine.build.processor?.id).toBe(
      row.attributes('data-processor'),
    )
    expect(before?.id).not.toBe(row.attributes('data-processor'))
    expect(ladder.text()).toContain('In the plan:')
  })
})

describe('demand against capacity', () => {
  it('is read off the curve with the keyboard', async () => {
    openDemo()
    const picture = await shown(CapacityPicture, 'svg')
    const curve = picture.findAll('svg').at(-1)!
    const text = () => picture.text()
    const before = text()
    await curve.trigger('keydown', { key: 'ArrowRight' })
    const once = text()
    expect(once).not.toBe(before)
    await curve.trigger('keydown', { key: 'ArrowRight' })
    expect(text()).not.toBe(once)
    await curve.trigger('keydown', { key: 'ArrowLeft' })
    expect(text()).toBe(once)
  })
  it('stands as a table too: a stronger machine is never short for longer', async () => {
    openDemo()
    const picture = await shown(CapacityPicture, 'svg')
    await button(picture, 'Show as table')!.trigger('click')
    const minutes = picture
      .findAll('td')
      .map(cell => cell.text())
      .filter((_, at) => at % 2 === 1)
      .map(text => (text === 'under 0.1' ? 0 : Number(text.replace(',', ''))))
    expect(minutes.length).toBeGreaterThan(3)
    expect(minutes).toEqual([...minutes].sort((a, b) => b - a))
  })
})

describe('the measurement', () => {
  const state = (parts: Partial<BenchState>): BenchState => ({
    state: 'idle',
    copies: 0,
    rounds: [],
    encoder: 'a made-up encoder',
    isSimulated: false,
    result: null,
    message: '',
    ...parts,
  })
  let hear: (state: BenchState) => void
  let lost: () => void
  function mounted() {
    vi.stubGlobal('EventSource', vi.fn())
    vi.spyOn(benchApi, 'watch').mockImplementation((heard, gone) => {
      hear = heard
      lost = gone
      return () => undefined
    })
    const store = openDemo()
    return { store, panel: mount(BenchPanel) }
  }
  afterEach(() => {
    vi.unstubAllGlobals()
    vi.restoreAllMocks()
  })
  it('is begun, followed and cancelled', async () => {
    const start = vi.spyOn(benchApi, 'start').mockResolvedValue(null)
    const cancel = vi.spyOn(benchApi, 'cancel').mockResolvedValue(null)
    const { panel } = mounted()
    await button(panel, 'Measure this machine')!.trigger('click')
    expect(start).toHaveBeenCalledOnce()
    hear(state({ state: 'preparing' }))
    await panel.vm.$nextTick()
    expect(panel.text()).toContain('Making the clip')
    hear(
      state({
        state: 'running',
        copies: 3,
        rounds: [
          { copies: 2, slowest: 1.4, total: 2.9 },
          { copies: 3, slowest: 0.9, total: 2.8 },
        ],
      }),
    )
    await panel.vm.$nextTick()
    expect(panel.text()).toContain('3 at once')
    expect(panel.findAll('tbody tr').map(row => row.text().includes('falls behind'))).toEqual([
      false,
      true,
    ])
    await button(panel, 'Cancel')!.trigger('click')
    expect(cancel).toHaveBeenCalledOnce()
    hear(state({ state: 'cancelled', message: 'Cancelled after two rounds.' }))
    await panel.vm.$nextTick()
    expect(panel.text()).toContain('Cancelled after two rounds.')
    expect(button(panel, 'Measure this machine')).toBeDefined()
  })
  it('is taken over rounded, with how it was measured, and forgotten again', async () => {
    const { panel, store } = mounted()
    hear(
      state({
        state: 'done',
        isSimulated: true,
        encoder: 'a made-up encoder',
        result: { streams: 3.14159, whole: 3, rounds: [] },
      }),
    )
    await panel.vm.$nextTick()
    expect(panel.text()).toContain('3.14 reference streams')
    expect(panel.text()).toContain('Simulated')
    await button(panel, 'Apply')!.trigger('click')
    expect(store.plan?.machine).toMatchObject({ measuredStreams: 3.14, measuredLow: 3 })
    expect(store.plan?.machine.measuredBy).toMatch(/^a made-up encoder, \d{4}-\d\d-\d\d$/)
    await button(panel, 'Remove the measurement')!.trigger('click')
    expect(store.plan?.machine).toMatchObject({
      measuredStreams: null,
      measuredLow: null,
      measuredBy: '',
    })
  })
  it('tells of a refusal, and of a server that does not answer', async () => {
    vi.spyOn(benchApi, 'start').mockResolvedValue('A measurement is under way already.')
    const { panel } = mounted()
    await button(panel, 'Measure this machine')!.trigger('click')
    await flushPromises()
    expect(panel.find('[role=alert]').text()).toBe('A measurement is under way already.')
    vi.mocked(benchApi.start).mockResolvedValue(null)
    await button(panel, 'Measure this machine')!.trigger('click')
    await flushPromises()
    expect(panel.find('[role=alert]').exists()).toBe(false)
    lost()
    await panel.vm.$nextTick()
    expect(panel.find('[role=alert]').text()).toContain('The server does not answer')
  })
})

describe('re-encoding the archive', () => {
  it('saves by holding, added up, and is tried under the pointer', async () => {
    const store = openDemo()
    const archive = mount(ArchiveEstimate)
    const rows = archive.findAll('[data-archive-row]')
    expect(rows.length).toBeGreaterThan(0)
    const saved = rows.map(row => Number(/([\d.]+) TB/.exec(row.text())![1]))
    const all = Number(/([\d.]+) TB/.exec(archive.find('tfoot').text())![1])
    expect(Math.abs(saved.reduce((sum, value) => sum + value, 0) - all)).toBeLessThan(
      0.06 * all + 0.05,
    )
    await rows[0]!.trigger('pointerenter')
    const index = Number(rows[0]!.attributes('data-archive-row'))
    expect(store.tried!.library.holdings[index]!.quality).not.toBe(
      store.plan!.library.holdings[index]!.quality,
    )
    archive.unmount()
    expect(store.tried).toBeNull()
  })
  it('says why there is nothing to tell', async () => {
    openDemo({ library: { holdings: [] } })
    expect(mount(ArchiveEstimate).text()).toContain('Nothing that is kept would get smaller by it.')
    openDemo({ machine: { base: 'own', processor: 'own' } })
    expect(mount(ArchiveEstimate).text()).toContain('It needs a processor that is known.')
  })
})

describe('another work table', () => {
  const shipped = readFileSync('core/catalogue/transcodeWork.json', 'utf8')
  async function pick(
    panel: ReturnType<typeof mount>,
    text: string,
    size = text.length,
  ): Promise<void> {
    const input = panel.find('input[type=file]')
    Object.defineProperty(input.element, 'files', {
      configurable: true,
      value: [{ size, text: async () => text }],
    })
    await input.trigger('change')
    await flushPromises()
  }
  it('takes the place of the one that ships, and gives it back', async () => {
    const store = openDemo()
    const panel = mount(WorkTableImport)
    await pick(
      panel,
      shipped.replace(/"source":\s*"[^"]*"/, '"source": "measured at Tide Mill House"'),
    )
    expect(store.plan?.calibration.workTable?.source).toBe('measured at Tide Mill House')
    expect(panel.text()).toContain('A table of your own: measured at Tide Mill House')
    await button(panel, 'Use the built-in table')!.trigger('click')
    expect(store.plan?.calibration.workTable).toBeNull()
  })
  it.each([
    ['rubbish', '{"a":', undefined],
    ['another document', '{"source":"x"}', undefined],
    ['a huge one', '{}', 1_000_001],
  ])('refuses %s and keeps the plan', async (_, text, size) => {
    const store = openDemo()
    const before = store.plan
    const panel = mount(WorkTableImport)
    await pick(panel, text, size)
    expect(panel.find('[role=alert]').text().length).toBeGreaterThan(10)
    expect(store.plan).toBe(before)
  })
})
