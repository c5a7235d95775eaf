import { describe, expect, it } from 'vitest'
import { catalogue } from '../../catalogue/catalogue'
import { planSchema, type PlanInput } from '../../plan/planSchema'
import { seededRandom } from '../../random'
import { plainFormat } from '../../units/format'
import { failureRatePerHour } from '../failureRate'
import { longestRebuildHours } from '../layoutRisk'
import { poolOf, type Pool } from '../poolOf'
import { beginDrill, copyHolds, drillStep, endDrill } from './drill'
import {
  isWhole,
  isStopped,
  badDaySector,
  badDayFailures,
  drillHours,
  makeHours,
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
    laterHours: 48,
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
    expect([isWhole(ground, end), end.lostShare, end.isOver]).toEqual([true, 0, true])
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
  it('waits for nothing with a hot spare, which takes over by itself; a new one waits then', () => {
    const spare = groundOf({ ...four, lots: [{ count: 5, sizeTB: 8 }], hotSpares: 1 })
    const [place] = spare.pool.arrangement.memberPlaces as [number]
    const [waiting] = spare.pool.arrangement.sparePlaces
    const begun = beginDrill(spare, place)
    expect(events(begun)).toEqual(['failed', 'spareStarted'])
    expect([begun.spares, begun.fresh]).toEqual([[], [place]])
    const rebuild = longestRebuildHours(spare.pool.arrangement)!
    // Nobody has to do anything for it.
    const later = play(spare, begun, 'copy', ...Array<'read'>(100).fill('read'))
    expect(later.clockHours).toBeGreaterThan(rebuild)
    expect(later.log.find(({ event }) => event === 'rebuilt')).toMatchObject({
      atHours: rebuild,
      places: [place],
    })
    expect(isWhole(spare, later)).toBe(true)
    const end = play(spare, later, 'order', { do: 'pull', place }, 'insert', 'scrub', 'record')
    expect([end.spares, end.standsIn]).toEqual([[place], { [place]: waiting }])
    expect(mistakes(end)).toEqual([])
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
      expect(isStopped(ground, wrong)).toBe(true)
      expect([wrong.lostShare, standText(wrong, ground, plainFormat)]).toEqual([
        0,
        'The pool has stopped, because a good drive is out. Put it back.',
      ])
      const back = play(ground, wrong, 'putBack')
      expect([isStopped(ground, back), back.clockHours]).toEqual([false, 1.25])
      // Nothing can be read off a pool that has stopped.
      for (const step of ['copy', 'scrub'] as const)
        expect(mistakes(play(ground, wrong, step)).at(-1)).toBe('POOL_STOPPED')
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
    expect(mistakes(play(ground, begun, 'restore'))).toEqual(['NOTHING_LOST'])
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

describe('orders', () => {
  it('bring one drive for each that is missing, and none more', () => {
    const ground = groundOf({ ...four, layout: 'rotating-2' }, { leadHours: 12 })
    const begun = beginDrill(ground, 2)
    const ordered = play(ground, begun, 'order')
    expect(ordered.coming).toEqual([12.5])
    expect(mistakes(play(ground, ordered, 'order'))).toEqual(['NOTHING_TO_ORDER'])
    // The next one is not on the shelf.
    const second = play(ground, { ...ordered, dead: [2, 3] }, 'order')
    expect(second.coming).toEqual([12.5, 49])
    const out = play(
      ground,
      second,
      'read',
      { do: 'pull', place: 2 },
      { do: 'pull', place: 3 },
      'insert',
      'insert',
      'insert',
    )
    expect(mistakes(out)).toEqual(['NO_EMPTY_BAY'])
    expect(out.clockHours).toBeCloseTo(49.25, 9)
    expect([out.fresh, out.coming]).toEqual([[2, 3], []])
  })
  it('are asked for again by a drive that fails later', () => {
    const ground = groundOf({ ...four, layout: 'rotating-2' })
    const first = play(
      ground,
      beginDrill(ground, 2),
      'read',
      'order',
      { do: 'pull', place: 2 },
      'insert',
    )
    const again = play(ground, { ...first, dead: [1] }, { do: 'pull', place: 1 }, 'insert')
    expect(mistakes(again)).toEqual(['NOTHING_ORDERED'])
  })
})

describe('separate disks', () => {
  it('are not rebuilt: a new one comes into use empty, meets no sector, and is filled from a copy', () => {
    for (let seed = 0; seed < 50; seed++) {
      const ground = groundOf(
        { lots: [{ count: 4, sizeTB: 8 }], layout: 'separate' },
        { seed, hasCopy: true },
      )
      const end = play(
        ground,
        beginDrill(ground, 1),
        'read',
        'order',
        { do: 'pull', place: 1 },
        'insert',
        'rebuild',
        'restore',
        'scrub',
        'record',
      )
      expect(events(end)).not.toContain('sector')
      expect(events(end)).not.toContain('rebuilt')
      expect(end.log.find(({ event }) => event === 'joined')).toMatchObject({ places: [1] })
      if (events(end).filter(event => event === 'failed').length === 1)
        expect([mistakes(end), end.isRestored, isWhole(ground, end)]).toEqual([[], true, true])
    }
  })
})

/**
 * A second model of a drill, from its log alone: each drive of the pool holds its part or does not;
 * a group whose members lack more parts than it survives loses them.
 */
function slowly(ground: DrillGround, { log }: DrillState) {
  const { groups, memberPlaces } = ground.pool.arrangement
  const { loss } = ground.pool.layout
  const holds = new Map(memberPlaces.map(place => [place, true]))
  const servedBy = new Map(memberPlaces.map(place => [place, place]))
  const lost = new Set<number>()
  const holdsFiles = (place: number) =>
    ground.pool.arrangement.parts[memberPlaces.indexOf(place)]!.dataTB > 0
  let [gone, files, out, checked, dropped] = [false, 0, null as number | null, false, 0]
  const judge = () => {
    for (const { members, survives } of groups) {
      const places = members.map(member => memberPlaces[member]!)
      const lacking = places.filter(place => !holds.get(place))
      if (lacking.length <= survives) continue
      for (const place of lacking) if (holdsFiles(place)) lost.add(place)
      if (loss === 'everything') gone = true
    }
  }
  let failed: number | null = null
  for (const { event, place, places = [] } of log) {
    if (event === 'failed') {
      failed = [...servedBy].find(([, bay]) => bay === place)?.[0] ?? null
      if (failed !== null) holds.set(failed, false)
      judge()
      checked = false
    } else if (event === 'spareStarted') servedBy.set(failed!, place!)
    else if (event === 'rebuilt' || event === 'joined')
      for (const one of places) {
        holds.set(one, true)
        checked = false
      }
    else if (event === 'madeAnew') {
      for (const one of holds.keys()) holds.set(one, true)
      gone = false
    } else if (event === 'sector') files++
    else if (event === 'sectorEnds') {
      if (loss === 'everything') gone = true
      if (loss === 'everything' || places.some(holdsFiles)) dropped++
    } else if (event === 'pulledGood') out = place!
    else if (event === 'putBack') out = null
    else if (event === 'scrubbed') checked = true
  }
  return {
    anyLost: lost.size > 0 || dropped > 0,
    files,
    isWhole: !gone && out === null && [...holds.values()].every(Boolean),
    wasScrubbed: checked,
  }
}

/** What somebody who knows does next. */
function nextRight(ground: DrillGround, state: DrillState): DrillAction {
  const { dead, empty, coming, fresh, ownRebuilds, isGone, lostShare, filesLost } = state
  const byHand = fresh.filter(place => !ownRebuilds.some(one => one.place === place))
  const isSafe = ground.hasCopy || ground.irreplaceableTB === 0 || state.copiedAtLost !== null
  if (state.pulledGood !== null) return { do: 'putBack' }
  if (!state.hasRead) return { do: 'read' }
  if (!isSafe && !isGone) return { do: 'copy' }
  if (dead.length + empty.length > coming.length) return { do: 'order' }
  if (dead.length > 0) return { do: 'pull', place: dead[0]! }
  if (empty.length > 0) return { do: 'insert' }
  if (byHand.length > 0) return { do: 'rebuild' }
  if (!isWhole(ground, state)) return { do: 'read' }
  if ((lostShare > 0 || filesLost > 0) && !state.isRestored && copyHolds(ground, state))
    return { do: 'restore' }
  return { do: state.isChecked ? 'record' : 'scrub' }
}

describe('ten thousand courses played by lot', () => {
  const layoutIds = [
    'rotating-1',
    'rotating-2',
    'dedicated-1',
    'snapshot-1',
    'mirror',
    'separate',
    'pairs',
    'stripe',
    'duplication',
  ]
  const grounds = layoutIds.flatMap(layout =>
    [0, 1].map(hotSpares =>
      groundOf({ ...four, lots: [{ count: 4 + hotSpares, sizeTB: 8 }], layout, hotSpares }),
    ),
  )
  const steps = [
    'read',
    'copy',
    'order',
    'insert',
    'rebuild',
    'scrub',
    'restore',
    'putBack',
  ] as const
  it('lose nothing that the debrief does not name, and are praised only when whole and checked', () => {
    let [praised, wholes] = [0, 0]
    for (let course = 0; course < 10_000; course++) {
      const random = seededRandom(course)
      const ground: DrillGround = {
        ...grounds[course % grounds.length]!,
        seed: course,
        pace: random() < 0.5 ? 'badDay' : 'true',
        hasCopy: random() < 0.5,
        readErrorEndsRebuild: random() < 0.5,
      }
      let state = beginDrill(ground, null)
      // Some play nearly right, some press what they like.
      const isWild = random() < 0.6
      for (let step = 0; step < 24 && !state.isOver; step++) {
        const sound = nextRight(ground, state)
        const wild =
          random() < 0.3
            ? ({
                do: 'pull',
                place: Math.floor(random() * 5) % ground.pool.arrangement.members,
              } as const)
            : { do: steps[Math.floor(random() * steps.length)]! }
        state = drillStep(ground, state, isWild ? wild : sound)
      }
      if (isWild)
        state = random() < 0.8 ? drillStep(ground, state, { do: 'record' }) : endDrill(state)
      const slow = slowly(ground, state)
      const told = debrief(state, ground, plainFormat)
      const where = `course ${course}: ${events(state).join(' ')}`
      expect(state.lostShare > 0, where).toBe(slow.anyLost)
      expect(state.filesLost, where).toBe(slow.files)
      expect(isWhole(ground, state), where).toBe(slow.isWhole)
      if (slow.anyLost || slow.files > 0) expect(told.verdict, where).toMatch(/^Lost: /)
      else expect(told.verdict, where).toMatch(/^Nothing was lost\./)
      if (told.verdict.includes('Every step was right')) {
        praised++
        expect([slow.isWhole, slow.wasScrubbed, mistakes(state)], where).toEqual([true, true, []])
      }
      if (!isWild) expect(mistakes(state), where).toEqual([])
      if (!slow.isWhole) expect(told.verdict, where).toContain('not whole again')
      else wholes++
    }
    expect(praised).toBeGreaterThan(50)
    expect(wholes).toBeGreaterThan(1000)
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
  const endsIn = (layout: string) => {
    for (let seed = 0; ; seed++) {
      const own = groundOf(
        { ...four, layout },
        { pace: 'badDay', seed, readErrorEndsRebuild: true },
      )
      const end = play(own, beginDrill(own, 0), ...right(0).slice(0, 6))
      const failed = events(end).filter(event => event === 'failed').length
      if (events(end).includes('sectorEnds') && failed === 1) return { own, end }
    }
  }
  it('may end a rebuild where a read error does: all is lost, or what it was for', () => {
    const rotating = endsIn('rotating-1')
    expect([rotating.end.lostShare, rotating.end.isGone]).toEqual([1, true])
    const dedicated = endsIn('dedicated-1')
    const { parts, memberPlaces } = dedicated.own.pool.arrangement
    const dataTB = parts[memberPlaces.indexOf(0)]!.dataTB
    expect([dedicated.end.lostShare, dedicated.end.isGone]).toEqual([dataTB / 24, false])
  })
  it('loses the pool for good once too many have failed; only a copy brings it back', () => {
    for (let seed = 0; ; seed++) {
      const ground = groundOf(four, { hasCopy: true, pace: 'badDay', seed })
      const second = play(
        ground,
        beginDrill(ground, 0),
        'read',
        'order',
        ...Array<'read'>(90).fill('read'),
      )
      const { dead } = second
      if (!second.isGone || dead.length !== 2) continue
      expect(standText(second, ground, plainFormat)).toContain('The pool is lost.')
      expect(mistakes(play(ground, second, 'copy', 'scrub', 'restore'))).toEqual([
        'POOL_LOST',
        'POOL_LOST',
        'POOL_LOST',
      ])
      const made = play(
        { ...ground, pace: 'true' },
        second,
        'order',
        ...dead.map(place => ({ do: 'pull', place }) as const),
        'insert',
        'insert',
        'rebuild',
        'restore',
        'scrub',
        'record',
      )
      expect(mistakes(made)).toEqual([])
      expect(events(made)).toContain('madeAnew')
      const [inserted, anew] = ['inserted', 'madeAnew'].map(
        event => made.log.findLast(entry => entry.event === event)!.atHours,
      )
      expect(makeHours).toBe(0.5)
      expect(anew! - inserted!).toBeCloseTo(makeHours, 9)
      expect([made.lostShare, made.isRestored, made.isChecked]).toEqual([1, true, true])
      expect(debrief(made, ground, plainFormat).verdict).toBe(
        'Lost: 100 % of the library. What has a copy is back. Every step was right.',
      )
      break
    }
  })
  it('on separate disks loses only what lay on the drive', () => {
    const ground = groundOf({ lots: [{ count: 4, sizeTB: 8 }], layout: 'separate' })
    const begun = beginDrill(ground, 1)
    expect(begun.lostShare).toBeCloseTo(0.25, 12)
    expect(begun.isGone).toBe(false)
    expect(standText(begun, ground, plainFormat)).toBe(
      '25 % of the library was lost. The rest plays on.',
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
      'Without redundancy for',
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
    // A check before the repair is none, and what is not repaired is not right.
    const early = debrief(
      play(ground, beginDrill(ground, 2), 'read', 'scrub', 'record'),
      ground,
      plainFormat,
    )
    expect(early.verdict).toBe('Nothing was lost. The pool is not whole again. 2 steps were wrong.')
    const unchecked = debrief(
      play(ground, beginDrill(ground, 2), ...right(2).slice(0, 6), 'record'),
      ground,
      plainFormat,
    )
    expect(unchecked.verdict).toBe(
      'Nothing was lost. The pool has not been checked since. One step was wrong.',
    )
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
