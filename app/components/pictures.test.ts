import { mount } from '@vue/test-utils'
import { h, nextTick } from 'vue'
import { describe, expect, it } from 'vitest'
import { useDriveMap } from '~/composables/useDriveMap'
import { useWorkingStore } from '~/stores/workingStore'
import { openDemo } from '../../tests/stubs/openPlan'
import ConversionsChart from './charts/ConversionsChart.vue'
import GrowthChart from './charts/GrowthChart.vue'
import WaterfallChart from './charts/WaterfallChart.vue'
import HeadroomLine from './common/HeadroomLine.vue'
import DriveMap from './drives/DriveMap.vue'
import DriveTray from './drives/DriveTray.vue'
import LayoutTable from './drives/LayoutTable.vue'
import SeatsPicture from './household/SeatsPicture.vue'
import RungPicture from './network/RungPicture.vue'
import PowerDay from './ownership/PowerDay.vue'
import WorkMix from './streams/WorkMix.vue'

describe('the headroom line', () => {
  it('shows every headroom with a word, the ask and what is possible', () => {
    openDemo()
    const cells = mount(HeadroomLine).findAll('.cell')
    expect(cells.map(cell => cell.attributes('data-verdict'))).toEqual([
      'streams',
      'space',
      'survival',
      'home',
      'away',
      'fit',
      'money',
    ])
    expect(cells[0]!.text()).toMatch(/Conversions\s*Short\s*3\s*of\s*2–4/)
    expect(cells[1]!.text()).toContain('10\u00A0TB')
  })
  it('tries a plan on, with the plan as it is for a ghost', async () => {
    const store = openDemo()
    const line = mount(HeadroomLine)
    expect(line.findAll('.ghost')).toHaveLength(0)
    store.tried = { ...store.plan!, machine: { ...store.plan!.machine, score: 40_000 } }
    await nextTick()
    expect(line.find('[data-verdict=streams]').attributes('data-state')).toBe('ample')
    expect(line.findAll('.ghost').length).toBeGreaterThan(0)
    expect(store.plan?.machine.score).toBe(6200)
  })
})

describe('growth against room', () => {
  it('marks the month in which the room is full', async () => {
    const store = openDemo()
    const chart = mount(GrowthChart)
    expect(chart.text()).toContain('does not fit today')
    store.edit('drives.lots', [{ count: 4, sizeTB: 8, priceEach: 0, role: 'any' }])
    await nextTick()
    expect(chart.find('[data-full-marker]').text()).toBe(
      `full in month ${store.assessment?.figures['drives.monthFull']?.value}`,
    )
  })
  it('moves the horizon with the arrow keys, within one and fifteen years', async () => {
    const store = openDemo()
    const horizon = mount(GrowthChart).find('[role=slider]')
    await horizon.trigger('keydown', { key: 'ArrowRight' })
    expect(store.plan?.choices.horizonYears).toBe(6)
    for (let press = 0; press < 20; press++) await horizon.trigger('keydown', { key: 'ArrowLeft' })
    expect(store.plan?.choices.horizonYears).toBe(1)
  })
  it('lays the kinds on each other, the largest lowest, with the events below', () => {
    openDemo()
    const chart = mount(GrowthChart, { props: { stacked: true } })
    expect(chart.findAll('[data-layer]').map(layer => layer.attributes('data-layer'))[0]).toBe(
      'film',
    )
    expect(chart.findAll('[data-layer]')).toHaveLength(6)
    expect(chart.find('.event title').text()).toContain('Two hundred reels digitised, month 4')
    expect(mount(GrowthChart).findAll('[data-layer]')).toHaveLength(0)
  })
  it('has the same numbers as a table', async () => {
    openDemo()
    const chart = mount(GrowthChart)
    await chart.find('.toggle').trigger('click')
    expect(
      chart
        .findAll('tbody tr')[0]!
        .findAll('td')
        .map(cell => cell.text()),
    ).toEqual(['0', '10.2', '12.1', '14.5', '10'])
  })
})

describe('conversions', () => {
  it('moves the ask, and leaves it alone when every head counts', async () => {
    const store = openDemo({ choices: { school: 'atOnce' } })
    const chart = mount(ConversionsChart)
    await chart.find('[role=slider]').trigger('keydown', { key: 'ArrowRight' })
    expect(store.plan?.household.converted).toBe(4)
    store.edit('choices.school', 'level95')
    await nextTick()
    await chart.find('[role=slider]').trigger('keydown', { key: 'ArrowRight' })
    expect(store.plan?.household.converted).toBe(4)
    store.edit('choices.school', 'headCount')
    await nextTick()
    await chart.find('[role=slider]').trigger('keydown', { key: 'ArrowRight' })
    expect(store.plan?.household.converted).toBe(4)
  })
  it('says what is not known, and opens the working of a row', async () => {
    const store = openDemo()
    const chart = mount(ConversionsChart)
    await chart.find('.row').trigger('click')
    expect(useWorkingStore().figureId).toBe('streams.possible')
    store.replace({
      ...store.plan!,
      machine: { ...store.plan!.machine, base: 'own', parts: [], score: null },
    })
    await nextTick()
    expect(chart.find('.row').attributes('aria-label')).toContain('not known')
  })
})

describe('the waterfall', () => {
  it('opens the working of the step that is pressed', async () => {
    openDemo()
    await mount(WaterfallChart).find('[data-step=room]').trigger('keydown', { key: 'Enter' })
    expect(useWorkingStore().figureId).toBe('drives.roomTB')
  })
  it('says why there is nothing to draw', () => {
    openDemo({ drives: { lots: [{ count: 1, sizeTB: 8 }], layout: 'rotating-1' } })
    expect(mount(WaterfallChart).text()).toContain('takes at least 3 drives')
  })
})

describe('the map of the drives', () => {
  const mountMap = () => mount({ setup: () => () => h(DriveMap, { map: useDriveMap() }) })
  it('takes drives in and gives them out', async () => {
    const store = openDemo()
    const map = mountMap()
    await map.findComponent(DriveTray).find('button.chip').trigger('click')
    expect(store.plan?.drives.lots.map(lot => lot.count).reduce((sum, of) => sum + of)).toBe(4)
    await map.find('[data-bay="0"] .take').trigger('click')
    await map.find('[data-bay="0"] .take').trigger('click')
    expect(store.plan?.drives.lots[0]).toMatchObject({ count: 1 })
  })
  it('shows drives that have no bay', () => {
    openDemo({ machine: { bays: 2 } })
    expect(mountMap().findAll('.outside')).toHaveLength(1)
  })
})

describe('layouts compared', () => {
  it('take the one that is pressed', async () => {
    const store = openDemo()
    await mount(LayoutTable).find('[data-layout=separate] input').trigger('change')
    expect(store.plan?.drives.layout).toBe('separate')
  })
  it("show the working of a layout that is not the plan's, without taking it", async () => {
    const store = openDemo()
    const table = mount(LayoutTable)
    await table.find('[data-layout=span] [data-figure="drives.usableTB"]').trigger('click')
    const working = useWorkingStore()
    expect(working.variant?.label).toBe('With Span')
    expect(working.figures['drives.usableTB']?.value).toBe(20)
    expect(store.plan?.drives.layout).toBe('dedicated-1')
    working.close()
    expect(working.figures['drives.usableTB']?.value).toBe(12)
  })
})

describe('the busy evening', () => {
  it('sets how many watch by pressing a seat, and conversions by pressing a peg', async () => {
    const store = openDemo()
    const picture = mount(SeatsPicture)
    await picture.find('[data-seat="home-5"]').trigger('click')
    expect(store.plan?.household.watchingHome).toBe(5)
    await picture.find('[data-seat="home-5"]').trigger('click')
    expect(store.plan?.household.watchingHome).toBe(4)
    await picture.find('[data-peg="1"]').trigger('click')
    expect(store.plan?.household.converted).toBe(1)
    expect(picture.findAll('.seat.converted')).toHaveLength(1)
  })
})

describe('rungs', () => {
  it('are chosen by pressing, and show who is not carried', async () => {
    const store = openDemo()
    const picture = mount(RungPicture)
    expect(picture.find('[data-rung="22"]').text()).toContain('0 streams, 2 needed')
    await picture.find('[data-rung="5.6"] input').trigger('change')
    expect(store.plan?.network.awayRungMbps).toBe(5.6)
  })
})

describe('a day at the socket', () => {
  it('changes the hours converting by half hours', async () => {
    const store = openDemo()
    await mount(PowerDay).find('[role=slider]').trigger('keydown', { key: 'ArrowRight' })
    expect(store.plan?.choices.convertingHoursPerDay).toBe(2.5)
  })
})

describe('work by quality', () => {
  it('lists the mix and says when there is none', async () => {
    const store = openDemo()
    const table = mount(WorkMix)
    expect(table.findAll('tbody tr')).toHaveLength(8)
    await table.find('.more').trigger('click')
    expect(table.findAll('tbody tr').length).toBe(store.assessment!.domains.streams.mix.length)
    store.edit('library.holdings', [])
    await nextTick()
    expect(table.text()).toContain('plain 1080p stream is assumed')
  })
})
