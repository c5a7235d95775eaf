import { mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { FrontierProgress } from '~~/core/tiers/search/frontier'
import type { WayBuild } from '~~/core/tiers/search/wayBuild'
import { startSearch } from '~/services/longSearch'
import { openDemo } from '../../../tests/stubs/openPlan'
import FrontierSection from './FrontierSection.vue'

vi.mock('~/services/longSearch', () => ({ startSearch: vi.fn() }))
const stubs = {
  VBtn: { template: '<button><slot /></button>' },
  VBtnToggle: { template: '<div><slot /></div>' },
  VProgressLinear: true,
  PlanField: true,
  ChartFrame: { template: '<div><slot :width="700" /><slot name="below" /></div>' },
}

/**
 * Two points of a frontier, and a search that reports the first and ends when it is told to; a
 * horizon of its own, so that no search before it is taken for this one.
 */
function frontierOf(horizonYears: number) {
  const store = openDemo({ choices: { horizonYears } })
  const point = (possible: number, horizonCost: number): WayBuild => ({
    way: 'office',
    label: `Machine ${possible}`,
    plan: { ...store.plan!, machine: { ...store.plan!.machine, name: `Machine ${possible}` } },
    toPay: horizonCost - 500,
    horizonCost,
    possible,
    roomTB: 20,
    lossChanceAtHorizon: 0.001,
    idleW: 20,
    freeBays: 1,
    drives: '2 × 16 TB, mirror',
    lacks: [],
    risk: 0,
    conditions: [],
    second: null,
  })
  const points = [point(4, 1400), point(9, 1900)]
  const progress = (some: readonly WayBuild[], done: boolean) =>
    ({ points: some, done, nodes: 120, leaves: 3, cut: 2 }) as FrontierProgress
  const cancel = vi.fn()
  let end: ((value: FrontierProgress) => void) | null = null
  vi.mocked(startSearch).mockImplementation(((
    kind: string,
    parts: { readonly report: (value: FrontierProgress) => void },
  ) => {
    if (kind !== 'frontier')
      return {
        answer: new Promise(() => {
          /* goes on */
        }),
        cancel: vi.fn(),
      }
    setTimeout(() => parts.report(progress(points.slice(0, 1), false)))
    return { answer: new Promise<FrontierProgress>(resolve => (end = resolve)), cancel }
  }) as never)
  const frontier = mount(FrontierSection, { global: { stubs } })
  const until = (check: () => void) => vi.waitFor(check, { timeout: 5000, interval: 20 })
  const begun = () =>
    until(() => expect(frontier.find('[data-search=running]').text()).toContain('1 so far'))
  return {
    store,
    frontier,
    cancel,
    until,
    begun,
    finish: () => end!(progress(points, true)),
    text: () => frontier.find('[data-frontier]').text(),
  }
}

describe('the frontier', () => {
  beforeEach(() => vi.mocked(startSearch).mockReset())
  it('says how far it is, and what is the most within a limit, which is dragged by the keys', async () => {
    const { store, frontier, begun, until, finish, text } = frontierOf(5)
    await begun()
    finish()
    await until(() =>
      expect(frontier.find('[data-search=done]').text()).toContain('2 points, complete.'),
    )
    expect(frontier.findAll('[role=button]')).toHaveLength(2)
    expect(text()).toBe(
      'Within €1,938 over the years at most 9 conversions: Machine 9 with 2 × 16 TB, ' +
        'mirror. The need itself is met from €1,400.',
    )
    const line = frontier.find('[role=slider]')
    expect(line.attributes('aria-label')).toBe('Limit over the years')
    await line.trigger('keydown', { key: 'ArrowLeft' })
    expect(line.attributes('aria-valuetext')).toBe('€1,930')
    await line.trigger('keydown', { key: 'PageDown' })
    expect(text()).toContain('at most 4 conversions: Machine 4')
    expect(frontier.findAll('.beyond')).toHaveLength(1)
    await line.trigger('keydown', { key: 'Home' })
    expect(text()).toBe('Nothing within €0: the first point costs €1,400.')
    // A limit over the years is this picture's own; the budget stays.
    expect(store.plan?.brief.budget).toBe(1700)
    frontier.unmount()
  })
  it('is tried point by point, and applied by a key', async () => {
    const { store, frontier, begun, until, finish } = frontierOf(6)
    await begun()
    finish()
    await until(() => expect(frontier.findAll('[role=button]')).toHaveLength(2))
    const second = frontier.findAll('[role=button]')[1]!
    await second.trigger('focus')
    expect(store.tried?.machine.name).toBe('Machine 9')
    await second.trigger('keydown', { key: 'Enter' })
    expect([store.tried, store.plan?.machine.name]).toEqual([null, 'Machine 9'])
    frontier.unmount()
  })
  it('is cancelled with what was found until then', async () => {
    const { frontier, begun, cancel } = frontierOf(7)
    await begun()
    await frontier
      .findAll('button')
      .find(one => one.text() === 'Cancel')!
      .trigger('click')
    expect(cancel).toHaveBeenCalled()
    expect(frontier.find('[data-search=cancelled]').text()).toContain(
      'Cancelled: 1 point was found until then.',
    )
    frontier.unmount()
  })
})
