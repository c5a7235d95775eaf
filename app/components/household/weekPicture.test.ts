import { mount } from '@vue/test-utils'
import { nextTick } from 'vue'
import { describe, expect, it } from 'vitest'
import { openDemo } from '../../../tests/stubs/openPlan'
import SlotReading from './SlotReading.vue'
import WeekPicture from './WeekPicture.vue'

function mounted() {
  const store = openDemo()
  const picture = mount(WeekPicture, {
    props: {
      expected: store.assessment!.domains.household.expected,
      selected: null,
      moment: 240,
      busy: false,
    },
  })
  const habit = (index: number) => store.plan!.household.habits[index]!
  const block = (name: string) => picture.find(`[data-habit="${name}"]`)
  return { store, picture, habit, block }
}

describe('the week by keyboard', () => {
  it('moves, stretches and widens a habit, and changes its chance and days', async () => {
    const { habit, block } = mounted()
    await block('0-0').trigger('keydown', { key: 'ArrowRight' })
    expect([habit(0).earliest, habit(0).latest]).toEqual([1215, 1275])
    await block('0-0').trigger('keydown', { key: 'ArrowRight', shiftKey: true })
    expect(habit(0).minutes).toBe(125)
    await block('0-0').trigger('keydown', { key: '+' })
    expect(habit(0).latest).toBe(1290)
    await block('0-0').trigger('keydown', { key: 'ArrowDown' })
    expect(habit(0).chance).toBe(0.55)
    await block('0-0').trigger('keydown', { key: '1' })
    expect(habit(0).days).toEqual(['tue', 'wed', 'thu', 'fri', 'sat', 'sun'])
  })
  it('goes past midnight and stays within the day', async () => {
    const { store, habit, block } = mounted()
    store.edit('household.habits.0.earliest', 1435)
    store.edit('household.habits.0.latest', 10)
    await nextTick()
    await block('0-0').trigger('keydown', { key: 'ArrowRight' })
    expect([habit(0).earliest, habit(0).latest]).toEqual([10, 25])
  })
  it('removes a habit, and undo brings it back', async () => {
    const { store, picture, block } = mounted()
    await block('2-0').trigger('keydown', { key: 'Delete' })
    expect(store.plan?.household.habits.map(entry => entry.name)).not.toContain('While cooking')
    expect(picture.emitted('select')?.at(-1)).toEqual([null])
    store.undo()
    expect(store.plan?.household.habits).toHaveLength(9)
  })
  it('reaches each habit once with the Tab key', () => {
    const { picture } = mounted()
    expect(picture.findAll('.habit[tabindex="0"]')).toHaveLength(9)
  })
  it('reads other moments with the arrow keys, round the week', async () => {
    const { picture } = mounted()
    await picture.find('.cursor').trigger('keydown', { key: 'ArrowUp' })
    expect(picture.emitted('read')?.at(-1)).toEqual([240 - 288 + 2016])
    await picture.find('.cursor').trigger('keydown', { key: 'End' })
    expect(picture.emitted('read')?.at(-1)).toEqual([2015])
    await picture.find('.cursor').trigger('keydown', { key: 'Home' })
    expect(picture.emitted('read')?.at(-1)).toEqual([0])
  })
})

describe('the week by mouse', () => {
  const at = (clientX: number, clientY: number) => ({ clientX, clientY, button: 0, pointerId: 1 })
  it('moves a habit along its row, stretches it by its end, and moves it to another day', async () => {
    const { picture, habit, block } = mounted()
    const svg = picture.find('svg.week')
    const perMinute = (640 - 102) / 1440
    await block('5-5').trigger('pointerdown', at(400, 450))
    await svg.trigger('pointermove', at(400 + 60 * perMinute, 450))
    await svg.trigger('pointerup', at(0, 0))
    expect([habit(5).earliest, habit(5).latest]).toEqual([900, 1080])
    await block('5-5').find('[data-handle=length]').trigger('pointerdown', at(400, 450))
    await svg.trigger('pointermove', at(400 + 30 * perMinute, 450))
    await svg.trigger('pointerup', at(0, 0))
    expect(habit(5).minutes).toBe(110)
  })
  it('draws a new habit for the chosen viewer on a free place', async () => {
    const { store, picture } = mounted()
    const svg = picture.find('svg.week')
    await picture.find('[data-day="0"]').trigger('pointerdown', at(150, 30))
    await svg.trigger('pointermove', at(200, 30))
    await svg.trigger('pointermove', at(230, 30))
    await svg.trigger('pointerup', at(0, 0))
    const made = store.plan!.household.habits.at(-1)!
    expect(made).toMatchObject({ viewer: 'maren', device: 'parlour', days: ['mon'] })
    expect(made.minutes).toBeGreaterThan(150)
    expect(picture.emitted('select')?.at(-1)).toEqual([9])
  })
  it('a mere press draws nothing', async () => {
    const { store, picture } = mounted()
    await picture.find('[data-day="0"]').trigger('pointerdown', at(150, 30))
    await picture.find('svg.week').trigger('pointerup', at(150, 30))
    expect(store.plan?.household.habits).toHaveLength(9)
  })
})

describe('one moment', () => {
  it('tells who watches and how likely so many are', () => {
    openDemo()
    const reading = mount(SlotReading, { props: { at: 6 * 288 + 254, busy: false } })
    expect(reading.text()).toContain('Sun 21:10: how many at once')
    expect(reading.text()).toMatch(/watch; no more than 4 in 95 weeks of 100/)
    expect(reading.findAll('.who li').map(entry => entry.find('strong').text())).toEqual([
      'Maren',
      'Ilse',
      'Thea, at sea',
      'Grandfather',
    ])
    expect(mount(SlotReading, { props: { at: 6 * 288 + 254, busy: true } }).text()).toContain(
      'Guests in the parlour',
    )
    expect(mount(SlotReading, { props: { at: 40, busy: false } }).text()).toContain(
      'Nobody watches',
    )
  })
})
