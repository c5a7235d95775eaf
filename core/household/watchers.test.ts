import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { deviceClasses } from '../catalogue/deviceClasses'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { newPlan, planSchema } from '../plan/planSchema'
import { freeId } from './evenings'
import { addWatcher, removeWatcher, setWatcherDevice, watchersOnDevices } from './watchers'

describe('a short name that is free', () => {
  it('is the first of name1, name2 … that is not taken', () => {
    expect(freeId('viewer', [])).toBe('viewer1')
    expect(freeId('viewer', [{ id: 'viewer2' }])).toBe('viewer1')
    expect(freeId('viewer', [{ id: 'viewer1' }, { id: 'viewer2' }])).toBe('viewer3')
  })
})

const classOf = (id: string) => deviceClasses.find(entry => entry.id === id)!
const empty = newPlan('x').household
const demo = planSchema.parse(tideMillHouse).household

describe('who watches on what', () => {
  it('is added with an evening of its own, at home and away', () => {
    const household = addWatcher(
      addWatcher(addWatcher(empty, false, classOf('tv2020')), false, classOf('stickHd')),
      true,
      classOf('tablet'),
    )
    expect(
      watchersOnDevices(household).map(({ isAway, deviceClass }) => [isAway, deviceClass]),
    ).toEqual([
      [false, 'tv2020'],
      [false, 'stickHd'],
      [true, 'tablet'],
    ])
    expect(household.habits.map(habit => [habit.name, habit.earliest])).toEqual([
      ['Evening film', 1140],
      ['Evening', 1155],
      ['Evening away', 1140],
    ])
    expect(household.places).toHaveLength(1)
    expect(planSchema.parse({ ...newPlan('x'), household })).toMatchObject({ household })
    expect(
      assess({ ...newPlan('x'), household }, catalogue).figures['household.headCount']!.value,
    ).toBe(3)
  })
  it('is removed with what only they used', () => {
    const two = addWatcher(addWatcher(empty, false, classOf('tv2020')), true, classOf('tablet'))
    const one = removeWatcher(two, two.viewers[0]!.id)
    expect([
      one.viewers.length,
      one.habits.length,
      one.devices.map(device => device.class),
    ]).toEqual([1, 1, ['tablet']])
    const without = removeWatcher(demo, demo.viewers[0]!.id)
    expect(without.habits.every(habit => habit.viewer !== demo.viewers[0]!.id)).toBe(true)
    // What others use as well stays.
    for (const habit of without.habits)
      expect(
        without.devices.some(device => device.id === habit.device) ||
          !demo.devices.some(device => device.id === habit.device),
      ).toBe(true)
  })
  it('changes the device of one without touching that of another', () => {
    const one = addWatcher(empty, false, classOf('tv2020'))
    const changed = setWatcherDevice(one, one.viewers[0]!.id, classOf('tv2024'))
    expect(changed.devices).toHaveLength(1)
    expect(watchersOnDevices(changed)[0]!.deviceClass).toBe('tv2024')
    const second = addWatcher(one, false, classOf('tv2020'))
    const shared = {
      ...second,
      habits: second.habits.map(habit => ({ ...habit, device: second.devices[0]!.id })),
    }
    const split = setWatcherDevice(shared, shared.viewers[1]!.id, classOf('stick4k'))
    expect(watchersOnDevices(split).map(entry => entry.deviceClass)).toEqual(['tv2020', 'stick4k'])
    expect(split.habits).toHaveLength(2)
  })
  it('gives a viewer without a habit an evening', () => {
    const bare = { ...empty, viewers: addWatcher(empty, false, classOf('tv2020')).viewers }
    const set = setWatcherDevice(bare, bare.viewers[0]!.id, classOf('phone'))
    expect(watchersOnDevices(bare)[0]!.deviceClass).toBeNull()
    expect(watchersOnDevices(set)[0]!.deviceClass).toBe('phone')
    expect(set.habits).toHaveLength(1)
  })
  it('holds forty', () => {
    let household = empty
    for (let more = 0; more < 40; more++)
      household = addWatcher(household, more % 3 === 0, classOf('tv2020'))
    expect(watchersOnDevices(household)).toHaveLength(40)
    expect(planSchema.parse({ ...newPlan('x'), household }).household).toEqual(household)
  })
})
