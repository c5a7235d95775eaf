import { describe, expect, it } from 'vitest'
import { planAssessor } from '../../assess'
import { catalogue } from '../../catalogue/catalogue'
import { planSchema, type PlanInput } from '../../plan/planSchema'
import { skillAtHand } from './assemblingSkill'
import type { ConditionId } from './conditionIds'
import { conditions, judgeConditions } from './conditions'

const base: PlanInput = {
  name: 'x',
  household: { watchingHome: 2, converted: 1 },
  library: { otherTB: 2, holdings: [{ kind: 'photos', quality: 'photo', titles: 20_000 }] },
  machine: { base: 'wherry-4' },
  drives: { lots: [{ count: 2, sizeTB: 8, model: 'sluice-8' }], layout: 'mirror' },
}
function statesOf(change: Partial<PlanInput> = {}) {
  const plan = planSchema.parse({ ...base, ...change })
  const facts = planAssessor(1).facts(plan, catalogue, [
    'drives',
    'machine',
    'fitting',
    'streams',
    'library',
  ])
  return new Map(
    judgeConditions({ plan, catalogue, facts }).map(({ id, state }) => [id, state] as const),
  )
}
const state = (id: ConditionId, change: Partial<PlanInput> = {}) => statesOf(change).get(id)

describe('a condition at a build', () => {
  it('survives as many drives as must: 1, or as chosen; nothing is asked of an empty library', () => {
    expect(state('survives')).toBe('met')
    expect(state('survives', { choices: { survivesAtLeast: 2 } })).toBe('fails')
    expect(state('survives', { choices: { survivesAtLeast: 0 } })).toBe('off')
    expect(state('survives', { library: {} })).toBe('notAsked')
  })
  it('loses what cannot be replaced with no more than the chance accepted', () => {
    const copied = { ...base.drives, awayCopy: 'irreplaceable', awayBy: 'carried' } as const
    expect(state('loss')).toBe('fails')
    expect(state('loss', { drives: copied })).toBe('met')
    const plan = planSchema.parse({ ...base, drives: copied })
    const chance = planAssessor(1).facts(plan, catalogue, ['drives']).drives.pool!.perils
      .irreplaceable
    const at = (lossPerYearAtMost: number) =>
      state('loss', { drives: copied, conditions: { lossPerYearAtMost } })
    expect([at(chance * 0.999), at(chance * 1.001), at(chance / 0.71), at(chance / 0.69)]).toEqual([
      'fails',
      'tight',
      'tight',
      'met',
    ])
    expect(state('loss', { library: { otherTB: 2 } })).toBe('notAsked')
    expect(state('copyAway')).toBe('fails')
    expect(state('copyAway', { drives: copied })).toBe('met')
    expect(state('copyAway', { conditions: { copyAway: false } })).toBe('off')
  })
  it('joins no drives over USB: single drives and a nightly copy may hang there', () => {
    const onUsb = (layout: string, count = 2) =>
      state('noUsbLayouts', {
        machine: { base: 'pebble-21', parts: [{ ref: 'trug-4' }] },
        drives: { lots: [{ count, sizeTB: 8 }], layout },
      })
    expect(
      ['mirror', 'rotating-1', 'duplication', 'stripe', 'span', 'separate', 'nightly-copy'].map(
        layout => onUsb(layout, layout === 'rotating-1' ? 3 : 2),
      ),
    ).toEqual(['fails', 'fails', 'fails', 'fails', 'fails', 'met', 'met'])
    expect(onUsb('span', 1)).toBe('met')
    expect(state('noUsbLayouts')).toBe('notAsked')
  })
  it('is judged for noise and warmth once its place is said', () => {
    expect([state('quiet'), state('coolDrives')]).toEqual(['notKnown', 'notKnown'])
    const place = (earDistanceM: number) =>
      state('quiet', { brief: { place: 'bedroom', earDistanceM } })
    const { noise } = planAssessor(1).facts(
      planSchema.parse({ ...base, brief: { place: 'bedroom', earDistanceM: 1 } }),
      catalogue,
      ['fitting'],
    ).fitting.context
    // 20 dB(A) are the most in a bedroom; each doubling of the distance takes six.
    const distance = (db: number) => 10 ** ((noise.atEarDb - db) / 20)
    expect([place(distance(20.1)), place(distance(19.9)), place(distance(19.1))]).toEqual([
      'fails',
      'tight',
      'tight',
    ])
    expect(place(distance(18.9))).toBe('met')
    const warm = (roomHighC: number) =>
      state('coolDrives', { brief: { place: 'cellar', roomHighC } })
    const { heat } = planAssessor(1).facts(
      planSchema.parse({ ...base, brief: { place: 'cellar', roomHighC: 20 } }),
      catalogue,
      ['fitting'],
    ).fitting.context
    const room = (driveC: number) => 20 + driveC - heat.warmestC
    expect([warm(room(45.1)), warm(room(44.9)), warm(room(43.1)), warm(room(42.9))]).toEqual([
      'fails',
      'tight',
      'tight',
      'met',
    ])
  })
  it('stands on the shelf where its room is entered', () => {
    expect(state('shelf')).toBe('off')
    expect(state('shelf', { brief: { shelfWidthMm: 60 } })).toBe('fails')
    expect(state('shelf', { brief: { shelfWidthMm: 900 } })).toBe('met')
  })
  it('carries the heat of a long load', () => {
    expect(state('fullRate', { machine: { base: 'towpath' } })).not.toBe('met')
    expect(state('fullRate')).toBe('met')
  })
  it('is new, refurbished or from an external case as it is bought; what is owned is never asked', () => {
    const office = { machine: { base: 'clerk-17' } }
    const asked = { conditions: { refurbishedMachines: false } }
    expect(state('newMachine', office)).toBe('off')
    expect(state('newMachine', { ...office, ...asked })).toBe('fails')
    expect(state('newMachine', asked)).toBe('met')
    expect(
      state('newMachine', { machine: { base: 'clerk-17', condition: 'owned' }, ...asked }),
    ).toBe('notAsked')
    const drive = (lot: object) =>
      [
        state('newDrives', { drives: { lots: [{ count: 2, sizeTB: 8, ...lot }] } as never }),
        state('noExternalCases', { drives: { lots: [{ count: 2, sizeTB: 8, ...lot }] } as never }),
      ].join(' ')
    expect(drive({ model: 'ebb-8' })).toBe('fails met')
    expect(drive({ model: 'creel-8' })).toBe('met fails')
    expect(drive({ model: 'sluice-8' })).toBe('met met')
    expect(drive({ model: 'ebb-8', condition: 'owned' })).toBe('notAsked notAsked')
  })
  it('asks for no more skill than is at hand: 3 where nothing is said, or as its chosen system', () => {
    const skill = (machine: object, system: object = {}) => state('skill', { machine, system })
    expect(skill({ base: 'wherry-4' })).toBe('met')
    expect(skill({ base: 'towpath' })).toBe('tight')
    expect(skill({ base: 'crane-10' })).toBe('fails')
    expect(skill({ base: 'crane-10' }, { skillAtMost: 4 })).toBe('tight')
    expect(skill({ base: 'crane-10' }, { skillAtMost: 5 })).toBe('off')
    expect(skill({ base: 'crane-10', condition: 'owned' })).toBe('met')
    expect(skill({ base: 'clerk-17' }, { kind: 'server' })).toBe('tight')
    expect(skill({ base: 'clerk-17' }, { kind: 'server', skillAtMost: 3 })).toBe('fails')
    const { systemKinds } = catalogue
    const hand = (system: object) => skillAtHand(planSchema.parse({ ...base, system }), systemKinds)
    expect([hand({}), hand({ kind: 'stick' }), hand({ kind: 'hypervisor' })]).toEqual([3, 3, 5])
  })
  it('converts on what is made for it, keeps its system apart, and has bays to spare', () => {
    expect(state('madeForConversion', { machine: { base: 'coracle' } })).toBe('fails')
    expect(
      state('madeForConversion', {
        machine: { base: 'coracle' },
        household: { watchingHome: 1, converted: 0 },
      }),
    ).toBe('notAsked')
    expect(state('madeForConversion')).toBe('met')
    expect(state('systemApart', { machine: { base: 'towpath' } })).toBe('fails')
    expect(
      state('systemApart', { machine: { base: 'towpath', parts: [{ ref: 'flint-120' }] } }),
    ).toBe('met')
    const spare = (spareBays: number) => state('spareBays', { conditions: { spareBays } })
    expect([spare(0), spare(1), spare(2), spare(3)]).toEqual(['off', 'met', 'tight', 'fails'])
  })
})

describe('a switch', () => {
  it('turns its condition off and on again, and nothing else', () => {
    const plan = planSchema.parse({ ...base, conditions: { refurbishedMachines: false } })
    for (const { id, isOn, switched } of conditions) {
      if (!switched) continue
      const off = switched(plan, false)
      const on = switched(off, true)
      expect([id, isOn(off, catalogue), isOn(on, catalogue)]).toEqual([id, false, true])
      const others = (of: typeof plan) =>
        conditions.filter(other => other.id !== id).map(other => other.isOn(of, catalogue))
      expect(others(off)).toEqual(others(plan))
    }
  })
})
