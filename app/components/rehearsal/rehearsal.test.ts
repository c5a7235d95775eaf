import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { phases } from '~~/core/rehearsal/evening/liveSession'
import type { PictureSession } from '~~/core/rehearsal/picture/eveningPicture'
import { openDemo } from '../../../tests/stubs/openPlan'
import { useRehearsalStore } from '~/stores/rehearsalStore'
import EveningSection from './EveningSection.vue'
import RehearsedLine from './RehearsedLine.vue'
import ThousandsSection from './ThousandsSection.vue'
import WhatIfSection from './WhatIfSection.vue'
import { clockText, pointAt, stretchesOf, thicknessOf } from './stageLayout'

const stubs = {
  global: {
    stubs: {
      VBtn: { template: '<button><slot /></button>' },
      NuxtLink: { template: '<a><slot /></a>' },
    },
  },
}
const point = (at: number, phase: number, buffer: number, speed: number, lines = 1080) => ({
  at,
  phase: phase as PictureSession['points'][number]['phase'],
  buffer,
  speed,
  mbps: 8,
  lines,
  binds: -1,
})

describe('the picture of an evening', () => {
  const session = {
    start: 0,
    over: 100,
    points: [
      point(0, phases.start, 0, 4),
      point(2.5, phases.plays, 10, 4),
      point(20, phases.plays, 60, 0.5, 720),
      point(80, phases.stall, 0, 0.5, 720),
    ],
  } as unknown as PictureSession
  it('is in stretches of one size or of waiting, with the water in them', () => {
    expect(
      stretchesOf(session).map(({ from, to, waits, lines }) => [from, to, waits, lines]),
    ).toEqual([
      [0, 2.5, 'start', 1080],
      [2.5, 20, null, 1080],
      [20, 80, null, 720],
      [80, 100, 'stall', 720],
    ])
    expect(stretchesOf(session)[0]!.water).toEqual([
      [0, 0],
      [2.5, 10 / 60],
    ])
    expect(stretchesOf(session)[2]!.water.at(-1)).toEqual([80, 0.5])
    expect(pointAt(session, 50)?.lines).toBe(720)
    expect(pointAt(session, 100)).toBeNull()
  })
  it('is thicker the better the picture is', () => {
    const lines = [0, 360, 480, 720, 1080, 2160]
    const thick = lines.map(thicknessOf)
    expect([...thick].sort((a, b) => a - b)).toEqual(thick)
    expect(new Set(thick).size).toBe(lines.length)
  })
  it('tells the time past midnight', () => {
    expect(clockText(72_600)).toBe('20:10')
    expect(clockText(24 * 3600 + 65, true)).toBe('00:01:05')
  })
})

describe('the rehearsal of the demo', () => {
  it('plays an evening, shows marks, and says what is missing', async () => {
    const store = openDemo()
    const rehearsal = useRehearsalStore()
    rehearsal.number = 31
    const page = mount(EveningSection, stubs)
    await vi.waitFor(() => expect(page.find('[data-stage]').exists()).toBe(true), 10_000)
    expect(page.get('[data-evening-sentence]').text()).toMatch(/^Thea, at sea stalls 3 times/)
    expect(page.findAll('[data-event]').length).toBeGreaterThan(0)
    await page.get('[data-scrub]').setValue(String(21 * 3600 + 3000))
    expect(page.get('[data-clock]').text()).toBe('21:50:00')
    expect(page.findAll('[data-on] li').length).toBeGreaterThan(1)
    store.replace({ ...store.plan!, household: { ...store.plan!.household, habits: [] } })
    await vi.waitFor(() => expect(page.find('[data-make-week]').exists()).toBe(true), 10_000)
    await page.get('[data-make-week]').trigger('click')
    await vi.waitFor(() => expect(page.find('[data-stage]').exists()).toBe(true), 10_000)
    page.unmount()
  })
  it('runs to its end, keeps the result, and says when the plan has changed since', async () => {
    const store = openDemo()
    const page = mount(ThousandsSection, stubs)
    await page.get('[data-run]').trigger('click')
    await vi.waitFor(() => expect(store.plan!.rehearsal.evenings).toBeGreaterThan(500), 25_000)
    const { evenings, disturbed, mark } = store.plan!.rehearsal
    expect(disturbed / evenings).toBeGreaterThan(0.01)
    expect(mark).not.toBe('')
    await flushPromises()
    expect(page.get('[data-many-sentence]').text()).toMatch(/^About 1 evening in \d+ is disturbed/)
    expect(page.findAll('[data-by=day] li')).toHaveLength(7)
    const line = mount(RehearsedLine, stubs)
    await vi.waitFor(() => expect(line.text()).toMatch(/^Rehearsed: About 1 evening/), 5000)
    store.edit('name', 'Another name')
    await new Promise(done => setTimeout(done, 1500))
    expect(line.text()).toMatch(/^Rehearsed: /)
    store.edit('machine.score', 20_000)
    await vi.waitFor(
      () => expect(line.text()).toMatch(/^Rehearsed, before the plan changed: /),
      10_000,
    )
    line.unmount()
    page.unmount()
  }, 60_000)
  it('stands under other conditions beside what is planned', async () => {
    const store = openDemo()
    const page = mount(WhatIfSection, stubs)
    await vi.waitFor(() => expect(page.findAll('[data-bar]')).toHaveLength(1), 20_000)
    await page.get('[data-if=hang]').trigger('click')
    await vi.waitFor(() => expect(page.find('[data-difference]').exists()).toBe(true), 25_000)
    expect(page.get('[data-difference]').text()).toMatch(/Difference: \+/)
    expect(store.tried).toBeNull()
    // Pressed once more it is as planned again.
    await page.get('[data-if=hang]').trigger('click')
    await vi.waitFor(() => expect(page.findAll('[data-bar]')).toHaveLength(1), 25_000)
    expect(page.find('[data-reset]').exists()).toBe(false)
    await page.get('[data-if=half]').trigger('click')
    await flushPromises()
    expect(store.tried?.network.uploadMbps).toBe(store.plan!.network.uploadMbps / 2)
    await page.get('[data-reset]').trigger('click')
    await flushPromises()
    expect(store.tried).toBeNull()
    page.unmount()
  }, 60_000)
})
