import { describe, expect, it } from 'vitest'
import { catalogue } from '../../catalogue/catalogue'
import { planSchema, type PlanInput } from '../../plan/planSchema'
import { plainFormat } from '../../units/format'
import { failureRatePerHour } from '../failureRate'
import { longestRebuildHours } from '../layoutRisk'
import { poolOf, type Pool } from '../poolOf'
import { beginDrill, drillStep, endDrill } from './drill'
import {
  isWhole,
  isAllLost,
  drillAftermath,
  missing,
  badDaySector,
  badDayFailures,
  drillHours,
  type DrillState,
  type DrillAction,
  type DrillGround,
} from './drillState'
import { driveName, entryText, mistakeTexts, reportText, serialOf, standText } from './tellDrill'
import { debrief } from './debrief'
import { poolChoices } from '../../../tests/stubs/poolChoices'

function groundOf(drives: PlanInput['drives'], changes: Partial<DrillGround> = {}): DrillGround {
  const plan = planSchema.parse({ name: 'x', drives })
  const pool = poolOf({
    drives: plan.drives,
    choices: poolChoices(plan.choices),
    catalogue,
    contentTB: 0,
    layoutId: plan.drives.layout,
  }) as Pool
  return {
    pool,
    leadHours: 48,
    irreplaceableTB: 1,
    hasCopy: false,
    heldTB: 10,
    copyMBps: 135,
    readErrorEndsRebuild: false,
    pace: 'true',
    seed: 7,
    ...changes,
  }
}

const four = {
  lots: [{ count: 4, sizeTB: 8 }],
  layout: 'rotating-1',
  sheetReadErrorBits: 1e15 as const,
}

const play = (
  ground: DrillGround,
  from: DrillState,
  ...steps: (DrillAction | DrillAction['do'])[]
) =>
  steps.reduce(
    (state, step) =>
      drillStep(ground, state, typeof step === 'string' ? ({ do: step } as DrillAction) : step),
    from,
  )
const events = (state: DrillState) => state.log.map(({ event }) => event)
const mistakes = (state: DrillState) =>
  state.log.flatMap(({ mistake }) => (mistake ? [mistake] : []))
const right = (place: number): (DrillAction | DrillAction['do'])[] => [
  'read',
  'copy',
  'order',
  { do: 'pull', place },
  'insert',
  'rebuild',
  'scrub',
  'record',
]

describe('a drill played right', () => {
  const ground = groundOf(four)
  const end = play(ground, beginDrill(ground, 2), ...right(2))
  it('makes the pool whole without a mistake', () => {
    expect(mistakes(end)).toEqual([])
    expect([isWhole(end), end.lostShare, end.isOver]).toEqual([true, 0, true])
    expect(events(end)).toEqual([
      'failed',
      'read',
      'copied',
      'ordered',
      'pulled',
      'waited',
      'inserted',
      'rebuilt',
      'scrubbed',
      'recorded',
    ])
  })
  it('takes the hours that its steps take', () => {
    const rebuild = longestRebuildHours(ground.pool.arrangement)!
    const copy = 1e6 / 135 / 3600
    expect(drillHours).toEqual({
      read: 0.25,
      order: 0.5,
      pull: 0.25,
      insert: 0.25,
      putBack: 1,
      record: 0.25,
    })
    expect(end.clockHours).toBeCloseTo(0.25 + copy + 0.5 + 48 + 0.25 + 2 * rebuild + 0.25, 9)
  })
  it('waits for nothing with a hot spare', () => {
    const spare = groundOf({ ...four, lots: [{ count: 5, sizeTB: 8 }], hotSpares: 1 })
    const place = spare.pool.arrangement.memberPlaces[0]!
    const state = play(spare, beginDrill(spare, place), 'read', { do: 'pull', place }, 'insert')
    expect([state.spares, events(state).includes('waited'), state.fresh]).toEqual([
      0,
      false,
      [place],
    ])
  })
  it('is the same again from the same seed, wherever it is taken up', () => {
    const bad = groundOf(four, { pace: 'badDay' })
    for (let seed = 0; seed < 20; seed++) {
      const seeded = { ...bad, seed }
      const once = play(seeded, beginDrill(seeded, null), ...right(0))
      const half = JSON.parse(
        JSON.stringify(play(seeded, beginDrill(seeded, null), ...right(0).slice(0, 4))),
      ) as DrillState
      expect(play(seeded, half, ...right(0).slice(4))).toEqual(once)
    }
  })
})

describe('a drill played wrong', () => {
  const ground = groundOf(four)
  const begun = beginDrill(ground, 2)
  it(
    'names a pull without reading, and a pull of a good drive, which stops the pool until it ' +
      'is back',
    () => {
      const wrong = play(ground, begun, { do: 'pull', place: 0 })
      expect(mistakes(wrong)).toEqual(['PULLED_UNREAD', 'PULLED_GOOD'])
      expect(drillAftermath(ground, wrong).lostShare).toBe(1)
      expect([wrong.lostShare, standText(wrong, ground, plainFormat)]).toEqual([
        0,
        'The pool has stopped, because a good drive is out. Put it back.',
      ])
      const back = play(ground, wrong, 'putBack')
      expect([drillAftermath(ground, back).lostShare, back.clockHours]).toEqual([0, 1.25])
      // No second good one, while one is out.
      expect(play(ground, wrong, { do: 'pull', place: 1 }).pulledGood).toBe(0)
    },
  )
  it('names what was left out', () => {
    expect(mistakes(play(ground, begun, 'insert'))).toEqual(['NO_EMPTY_BAY'])
    expect(mistakes(play(ground, begun, 'rebuild'))).toEqual(['NOTHING_TO_REBUILD'])
    expect(mistakes(play(ground, begun, 'read', { do: 'pull', place: 2 }, 'insert'))).toEqual([
      'NOTHING_ORDERED',
    ])
    expect(
      mistakes(
        play(
          ground,
          begun,
          'read',
          'order',
          { do: 'pull', place: 2 },
          'insert',
          'rebuild',
          'record',
        ),
      ),
    ).toEqual(['NOT_COPIED', 'NOT_SCRUBBED'])
    expect(mistakes(endDrill(begun))).toEqual(['NOT_RECORDED'])
    expect(mistakes(play(ground, begun, 'restore'))).toEqual(['NO_COPY'])
  })
  it('asks for no fresh copy where there is one, or redundancy is left', () => {
    const uncopied = (changes: Partial<DrillGround>, drives: PlanInput['drives'] = four) => {
      const own = groundOf(drives, changes)
      return mistakes(
        play(
          own,
          beginDrill(own, 2),
          'read',
          'order',
          { do: 'pull', place: 2 },
          'insert',
          'rebuild',
        ),
      )
    }
    expect(uncopied({ hasCopy: true })).toEqual([])
    expect(uncopied({ irreplaceableTB: 0 })).toEqual([])
    expect(uncopied({}, { ...four, layout: 'rotating-2' })).toEqual([])
  })
  it('after its end stays as it is', () => {
    const end = endDrill(begun)
    expect(play(ground, end, 'read', 'order')).toBe(end)
    expect(endDrill(end)).toBe(end)
  })
})

describe('what may happen meanwhile', () => {
  it('comes with its true chance: of many seeds as many further failures as the rate says', () => {
    const ground = groundOf({ ...four, failuresPerYear: 0.5, oneBatch: true })
    let further = 0
    const seeds = 3000
    for (let seed = 0; seed < seeds; seed++) {
      const own = { ...ground, seed }
      if (
        play(
          own,
          beginDrill(own, 0),
          'read',
          'order',
          { do: 'pull', place: 0 },
          'insert',
        ).log.filter(({ event }) => event === 'failed').length > 1
      )
        further++
    }
    const hours = 0.25 + 0.5 + 48 + 0.25
    const expected = -Math.expm1(-3 * 3 * failureRatePerHour(0.5) * hours)
    expect(further / seeds).toBeGreaterThan(expected - 4 * Math.sqrt(expected / seeds))
    expect(further / seeds).toBeLessThan(expected + 4 * Math.sqrt(expected / seeds))
  })
  it('comes often on a bad day', () => {
    expect([badDayFailures, badDaySector]).toEqual([0.7, 0.5])
    let [further, sectors] = [0, 0]
    for (let seed = 0; seed < 400; seed++) {
      const own = groundOf(four, { pace: 'badDay', seed })
      const end = play(own, beginDrill(own, 0), ...right(0))
      if (end.log.filter(({ event }) => event === 'failed').length > 1) further++
      if (events(end).includes('sector')) sectors++
    }
    expect(further / 400).toBeGreaterThan(0.35)
    expect(further / 400).toBeLessThan(0.75)
    expect(sectors).toBeGreaterThan(30)
  })
  it('may end a rebuild where a read error does', () => {
    for (let seed = 0; ; seed++) {
      const own = groundOf(
        { ...four, layout: 'rotating-2' },
        { pace: 'badDay', seed, readErrorEndsRebuild: true },
      )
      const begun = beginDrill(own, 0)
      const end = play(
        own,
        { ...begun, dead: [0, 1] },
        'read',
        { do: 'pull', place: 0 },
        { do: 'pull', place: 1 },
        'order',
        'insert',
        'insert',
        'rebuild',
      )
      if (!events(end).includes('sectorEnds')) continue
      expect(end.lostShare).toBe(1)
      break
    }
  })
  it('loses the pool for good once too many have failed; only a copy brings it back', () => {
    const ground = groundOf(four, { hasCopy: true })
    const begun = beginDrill(ground, 0)
    const second = play(ground, { ...begun, dead: [0, 1], lostShare: 1 }, 'read')
    expect(isAllLost(ground, second)).toBe(true)
    expect(standText(second, ground, plainFormat)).toContain('The pool is lost.')
    const restored = play(
      ground,
      second,
      'order',
      { do: 'pull', place: 0 },
      { do: 'pull', place: 1 },
      'insert',
      'insert',
      'rebuild',
      'restore',
    )
    expect([missing(restored).size, restored.lostShare]).toEqual([0, 1])
    expect(restored.log.at(-1)).toMatchObject({ event: 'restored', hours: 10e6 / 135 / 3600 })
  })
  it('on separate disks loses only what lay on the drive', () => {
    const ground = groundOf({ lots: [{ count: 4, sizeTB: 8 }], layout: 'separate' })
    const begun = beginDrill(ground, 1)
    expect(begun.lostShare).toBeCloseTo(0.25, 12)
    expect(isAllLost(ground, begun)).toBe(false)
    expect(standText(begun, ground, plainFormat)).toBe(
      '25 % of the library is lost. The rest plays on.',
    )
  })
})

describe('what stands after a failure', () => {
  const stands = (drives: PlanInput['drives'], place: number) => {
    const ground = groundOf(drives)
    return standText(beginDrill(ground, place), ground, plainFormat)
  }
  it('plays on where redundancy works at once', () => {
    expect(stands(four, 0)).toBe(
      'Nothing is lost and everything plays on. The next failure can lose data.',
    )
  })
  it('waits for the rebuild where parity is computed at night', () => {
    expect(stands({ lots: [{ count: 4, sizeTB: 8 }], layout: 'snapshot-1' }, 1)).toBe(
      'Nothing is lost, but not everything plays. The next failure can lose data.',
    )
  })
  it('counts what may fail yet', () => {
    expect(stands({ lots: [{ count: 4, sizeTB: 8 }], layout: 'rotating-2' }, 1)).toContain(
      'One more drive may fail.',
    )
  })
})

describe('what is told of a drill', () => {
  const ground = groundOf(four)
  it('names drives by serial number, each once, and the report without the bay', () => {
    const serials = Array.from({ length: 30 }, (_, place) => serialOf(5, place))
    expect(new Set(serials).size).toBe(30)
    for (const serial of serials) expect(serial).toMatch(/^[A-HJ-NPR-Z2-9]{4}$/)
    const begun = beginDrill(ground, 2)
    expect(reportText(begun, ground)).toBe('The report is not read yet.')
    const read = reportText(play(ground, begun, 'read'), ground)
    expect(read).toContain(serialOf(7, 2))
    expect(read).not.toContain('bay')
    expect(driveName(7, 2)).toBe(`bay 3 (serial …${serialOf(7, 2)})`)
  })
  it('has a sentence for everything that happens, and a right way for every mistake', () => {
    for (const { wrong, right: way } of Object.values(mistakeTexts))
      expect([wrong.endsWith('.'), way.endsWith('.')]).toEqual([true, true])
    const end = play(
      ground,
      beginDrill(ground, 2),
      { do: 'pull', place: 1 },
      'putBack',
      ...right(2),
    )
    for (const entry of end.log)
      expect(entryText(entry, ground, plainFormat)).toMatch(/^[A-Z].*\.$/)
  })
  it('compares with what the plan promised', () => {
    const end = play(ground, beginDrill(ground, 2), ...right(2))
    const told = debrief(end, ground, plainFormat)
    expect(told.verdict).toBe('Nothing was lost. Every step was right.')
    expect(told.rows.map(({ label }) => label)).toEqual([
      'Whole again after',
      'Lost',
      'More drives failed',
      'Unreadable sector',
    ])
    expect(told.rows[1]).toMatchObject({
      promised: 'nothing by one failed drive',
      happened: 'nothing',
    })
    const wrong = debrief(
      endDrill(play(ground, beginDrill(ground, 2), { do: 'pull', place: 1 })),
      ground,
      plainFormat,
    )
    expect(wrong.verdict).toBe('Nothing was lost. The pool is not whole again. 3 steps were wrong.')
    expect(wrong.mistakes.map(({ times }) => times)).toEqual([1, 1, 1])
  })
  it('begins anywhere in the pool, and nowhere else', () => {
    expect(() => beginDrill(ground, 9)).toThrow('DRILL_DRIVE')
    const places = new Set(
      Array.from({ length: 60 }, (_, seed) => beginDrill({ ...ground, seed }, null).dead[0]),
    )
    expect(places).toEqual(new Set([0, 1, 2, 3]))
  })
})
