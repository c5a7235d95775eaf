import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { catalogue } from '../../catalogue/catalogue'
import type { Board } from '../../catalogue/hardware/hardwarePart'
import { planSchema, type PlanInput } from '../../plan/planSchema'
import { machineBuild } from '../machineBuild'
import { assembly, drivesOnPorts } from './assembly'
import { takes } from './placement'
import { goesInto } from './places'
import { sharingOf, withCovered } from './sharing'

const noDrives = {
  count: 0,
  spinning: 0,
  nvme: 0,
  idleW: 0,
  activeW: 0,
  readW: 0,
  asleepW: 0,
  turningIdleW: 0,
  inOwnCase: 0,
  ownCaseIdleW: 0,
  ownCaseActiveW: 0,
  surges: [],
  turningActiveW: 0,
}
function put(parts: NonNullable<NonNullable<PlanInput['machine']>['parts']>, drives = noDrives) {
  return assembly(
    machineBuild(
      planSchema.parse({ name: 'x', machine: { base: 'parts', parts } }).machine,
      catalogue,
    ),
    drives,
  )
}
function ofBase(
  base: string,
  parts: NonNullable<NonNullable<PlanInput['machine']>['parts']>,
  drives = noDrives,
) {
  return assembly(
    machineBuild(planSchema.parse({ name: 'x', machine: { base, parts } }).machine, catalogue),
    drives,
  )
}
const held = (whole: ReturnType<typeof put>) =>
  Object.fromEntries(
    whole.places.filter(({ holds }) => holds).map(({ place, holds }) => [place.id, holds!.label]),
  )
const dead = (whole: ReturnType<typeof put>) =>
  whole.places.filter(({ offBy }) => offBy).map(({ place, offBy }) => `${place.id} by ${offBy}`)
const boards = catalogue.hardware.filter((part): part is Board => part.kind === 'board')

describe('a machine put together', () => {
  it('an NVMe SSD in the M.2 place switches two data ports off, one by SATA another one', () => {
    expect(dead(put([{ ref: 'lych-15' }, { ref: 'flint-500n' }]))).toEqual([
      'data-5 by m2-1',
      'data-6 by m2-1',
    ])
    expect(dead(put([{ ref: 'lych-15' }, { ref: 'flint-250m' }]))).toEqual(['data-1 by m2-1'])
    expect(put([{ ref: 'lych-15' }, { ref: 'flint-500n' }]).boardPorts).toBe(4)
  })
  it('a card narrows another slot, and says which', () => {
    const two = put([
      { ref: 'stile-13w' },
      { ref: 'cardEntry', at: 'slot-1' },
      { ref: 'splice-8', at: 'slot-3' },
    ])
    expect(two.places.find(({ place }) => place.id === 'slot-1')).toMatchObject({
      lanes: 8,
      narrowedBy: 'slot-3',
    })
  })
  it('a card of two openings covers the slot beside its own, and gives way where that is needed', () => {
    const wide = put([{ ref: 'postern-21' }, { ref: 'cardModern' }])
    const { place } = wide.places.find(({ holds }) => holds?.label.startsWith('Card, modern'))!
    expect(place.id).toBe('slot-1')
    expect(
      wide.places.filter(({ covered }) => covered).map(state => [state.place.id, state.offBy]),
    ).toEqual([['slot-2', 'slot-1']])
    // A card of one opening covers nothing.
    expect(put([{ ref: 'postern-21' }, { ref: 'cardEntry' }]).places.some(p => p.covered)).toBe(
      false,
    )
    // With two small cards beside it, all three find a slot only if the wide one moves.
    const three = put([
      { ref: 'postern-21' },
      { ref: 'heron-1' },
      { ref: 'cardModern' },
      { ref: 'heron-2' },
    ])
    expect(three.unplaced).toEqual([])
    expect(dead(three)).toEqual([])
    // A place that is named and covered holds nothing.
    const named = put([
      { ref: 'postern-21' },
      { ref: 'cardModern', at: 'slot-1' },
      { ref: 'knot-2', at: 'slot-2' },
    ])
    expect(named.places.find(({ place: { id } }) => id === 'slot-2')).toMatchObject({
      offBy: 'slot-1',
      covered: true,
    })
    expect(named.controllerPorts).toBe(0)
  })
  it('an M.2 SSD on a card has the lanes of the slot under it', () => {
    const onCard = (slot: string) =>
      put([{ ref: 'stile-13w' }, { ref: 'twine-m2', at: slot }, { ref: 'flint-500n' }]).places.find(
        ({ place }) => place.id === 'card-m2-1',
      )!
    const slots = put([{ ref: 'stile-13w' }]).places
    for (const { place } of slots)
      if (place.kind === 'slot' && place.length >= 4)
        expect(onCard(place.id)).toMatchObject({
          lanes: Math.min(4, place.lanes),
          place: { generation: place.generation },
        })
    // Clerk 15 has a slot of four with one lane.
    const narrow = ofBase('clerk-15', [
      { ref: 'twine-m2', at: 'slot-2' },
      { ref: 'flint-500n', at: 'card-m2-1' },
    ])
    expect(narrow.places.find(({ place }) => place.id === 'card-m2-1')).toMatchObject({
      lanes: 1,
      place: { generation: 2 },
      holds: { kind: 'ssd' },
    })
  })
  it('the system disk that a machine came with takes its place, and gives it to an SSD', () => {
    const nvme = (count: number) => ({ ...noDrives, count, nvme: count })
    // One M.2 place: a data drive finds none beside the system disk.
    expect(ofBase('pebble-21', [], nvme(1)).unplaced.map(({ item }) => item.kind)).toHaveLength(1)
    expect(ofBase('pebble-23', [], nvme(1)).unplaced).toEqual([])
    expect(ofBase('pebble-23', [], nvme(2)).unplaced).toHaveLength(1)
    // An SSD that is put in can hold the system instead.
    const exchanged = ofBase('pebble-21', [{ ref: 'flint-1000n' }])
    expect(exchanged.diskOut).toBe(true)
    expect(exchanged.unplaced).toEqual([])
    expect(ofBase('pebble-23', [{ ref: 'flint-1000n' }]).diskOut).toBe(false)
    // On a data port it takes the port and a small bay.
    const clerk = ofBase('clerk-15', [])
    expect(clerk.otherPorts).toBe(1)
    expect(clerk.places.filter(({ holds }) => holds)).toHaveLength(1)
    expect(ofBase('wherry-4', []).places.some(({ holds }) => holds)).toBe(false)
  })
  it('what sits in a dead place takes nothing from others', () => {
    // Slot 3 kills M.2 place 2, which then no longer kills the two data ports.
    expect(
      dead(
        put([
          { ref: 'hatch-20' },
          { ref: 'flint-500n', at: 'm2-2' },
          { ref: 'heron-10c', at: 'slot-3' },
        ]),
      ),
    ).toEqual(['m2-2 by slot-3'])
    expect(dead(put([{ ref: 'hatch-20' }, { ref: 'flint-500n', at: 'm2-2' }]))).toEqual([
      'data-5 by m2-2',
      'data-6 by m2-2',
    ])
  })
  it('left open, pieces go where they cost least elsewhere', () => {
    expect(held(put([{ ref: 'hatch-20' }, { ref: 'flint-500n' }, { ref: 'heron-2' }]))).toEqual({
      'm2-1': 'Flint 500 GB, NVMe',
      'slot-2': 'Heron 2.5 G',
    })
    expect(held(put([{ ref: 'lych-20' }, { ref: 'cardEntry' }, { ref: 'knot-6' }]))).toEqual({
      'slot-1': 'Card, entry',
      'slot-3': 'Knot 6',
    })
  })
  it(
    'dead ports weigh more than a slot that is longer than it need be, missing lanes more ' +
      'than a lost one',
    () => {
      expect(held(put([{ ref: 'lych-20' }, { ref: 'knot-6' }]))).toEqual({ 'slot-1': 'Knot 6' })
      // An M.2 place that kills two free ports, or one with two lanes that kills none: the ports
      // are worth more.
      expect(held(put([{ ref: 'lych-17' }, { ref: 'flint-500n' }]))).toEqual({
        'm2-2': 'Flint 500 GB, NVMe',
      })
      // The ×16 card takes the slot with all lanes, though both are as long.
      expect(held(put([{ ref: 'hatch-17' }, { ref: 'cardEntry' }]))).toEqual({
        'slot-1': 'Card, entry',
      })
      // What is taken already is not switched off while anything else is open.
      expect(
        held(
          put([
            { ref: 'postern-24' },
            { ref: 'heron-10c', at: 'slot-2' },
            { ref: 'flint-500n', count: 2 },
          ]),
        ),
      ).toEqual({
        'slot-2': 'Heron 10 G, copper',
        'm2-1': 'Flint 500 GB, NVMe',
        'm2-2': 'Flint 500 GB, NVMe',
      })
    },
  )
  it('a card that takes an M.2 SSD brings a place, as long as there is a slot for it', () => {
    expect(
      put([{ ref: 'stile-13w' }, { ref: 'twine-m2' }, { ref: 'flint-500n' }]).unplaced,
    ).toEqual([])
    expect(
      put([{ ref: 'stile-13w' }, { ref: 'flint-500n' }]).unplaced.map(({ item }) => item.label),
    ).toEqual(['Flint 500 GB, NVMe'])
    expect(
      put([
        { ref: 'lych-18m' },
        { ref: 'cardEntry' },
        { ref: 'twine-m2' },
        { ref: 'flint-500n', count: 2 },
      ]).unplaced.map(({ item }) => item.label),
    ).toEqual(['Card that takes an M.2 SSD in a slot', 'Flint 500 GB, NVMe'])
  })
  it("drives hang on the board's live ports and on controllers; those in enclosures need none", () => {
    const whole = put(
      [
        { ref: 'lych-15' },
        { ref: 'coffer-4' },
        { ref: 'splice-8' },
        { ref: 'trug-4' },
        { ref: 'flint-120' },
      ],
      { ...noDrives, count: 7, spinning: 7 },
    )
    expect(whole).toMatchObject({
      boardPorts: 6,
      controllerPorts: 8,
      otherPorts: 1,
      enclosedDrives: 3,
      bays35: 4,
    })
    expect(drivesOnPorts(whole)).toBe(4)
  })
  it(
    'of any board and pieces: each piece in one place that takes it or told as unplaced, and ' +
      'the same every time',
    () => {
      const refs = [
        'cardEntry',
        'cardModern',
        'splice-8',
        'knot-5',
        'heron-10c',
        'heron-2',
        'flint-500n',
        'flint-250m',
        'flint-120',
        'twine-m2',
        'dew-in',
      ]
      fc.assert(
        fc.property(
          fc.constantFrom(...boards),
          fc.array(
            fc.record({
              ref: fc.constantFrom(...refs),
              at: fc.constantFrom('', 'slot-1', 'slot-3', 'm2-1', 'm2-2', 'data-1'),
            }),
            { maxLength: 8 },
          ),
          (board, parts) => {
            const whole = put([{ ref: board.id }, ...parts])
            const placed = whole.places.flatMap(({ holds }) => holds ?? [])
            expect(
              new Set([...placed, ...whole.unplaced.map(({ item }) => item)].map(({ key }) => key))
                .size,
            ).toBe(parts.length)
            expect(placed.length + whole.unplaced.length).toBe(parts.length)
            for (const { place, holds } of whole.places)
              if (holds) expect(takes(place, holds)).toBe(true)
            // Nothing that could have had a live place is without one.
            for (const { item } of whole.unplaced)
              expect(
                whole.places.some(
                  ({ place, holds, offBy }) =>
                    !holds && offBy === null && takes(place, item) && !place.id.startsWith('card-'),
                ),
              ).toBe(false)
            const again = sharingOf(
              withCovered(board),
              new Map(
                whole.places.flatMap(({ place, holds }) =>
                  holds ? [[place.id, holds] as const] : [],
                ),
              ),
            )
            for (const { place, offBy } of whole.places)
              expect(again.off.get(place.id) ?? null).toBe(offBy)
            expect(put([{ ref: board.id }, ...parts])).toEqual(whole)
          },
        ),
        { numRuns: 200 },
      )
    },
  )
})

describe('places for M.2 SSDs and cards', () => {
  const ids = { nvme: 'flint-500n', sata: 'flint-250m', card: 'splice-8' } as const
  const boards = catalogue.hardware.filter(part => part.kind === 'board')
  /** Whether pieces find places that are alive, by going through every way. */
  function exists(board: (typeof boards)[number], wants: readonly (keyof typeof ids)[]): boolean {
    const held = new Map<string, unknown>()
    const go = (at: number): boolean => {
      if (at === wants.length) return true
      return board.places.some(place => {
        const item = put([{ ref: board.id }, { ref: ids[wants[at]!] }])
        const piece = [
          ...item.places.flatMap(({ holds }) => (holds && holds.kind !== 'drive' ? [holds] : [])),
          ...item.unplaced.map(entry => entry.item),
        ][0]!
        if (held.has(place.id) || !takes(place, piece)) return false
        held.set(place.id, piece)
        const { off } = sharingOf(board, held as never)
        const isAlive = ![...held.keys()].some(id => off.has(id))
        const isWhole = isAlive && go(at + 1)
        held.delete(place.id)
        return isWhole
      })
    }
    return go(0)
  }
  it.each(boards.map(board => [board.id, board] as const))(
    '%s: whatever finds a place in some way finds one',
    (id, board) => {
      for (const wants of [
        ['nvme', 'sata'],
        ['nvme', 'nvme'],
        ['sata', 'sata'],
        ['nvme', 'nvme', 'sata'],
        ['card', 'nvme', 'sata'],
      ] as const) {
        const { unplaced } = put([{ ref: id }, ...wants.map(kind => ({ ref: ids[kind] }))])
        expect(unplaced.length === 0, wants.join(' ')).toBe(exists(board, wants))
      }
    },
  )
  it('tells what goes into a place: a 2.5" SSD on a data port, a stick on none', () => {
    const place = (kind: 'data' | 'm2' | 'slot') => ({
      place: {
        id: kind,
        label: kind,
        kind,
        length: kind === 'data' ? (0 as const) : (4 as const),
        lanes: kind === 'data' ? 0 : 4,
        generation: 3,
        from: 'chipset' as const,
      },
    })
    const fits = (id: string, kind: 'data' | 'm2' | 'slot') =>
      goesInto({ id, kind: 'ssd' }, place(kind), catalogue)
    expect(['flint-120', 'flint-500n', 'flint-stick'].map(id => fits(id, 'data'))).toEqual([
      true,
      false,
      false,
    ])
    expect(['flint-120', 'flint-500n', 'flint-stick'].map(id => fits(id, 'm2'))).toEqual([
      false,
      true,
      false,
    ])
    expect(fits('flint-500n', 'slot')).toBe(false)
    // What is no SSD is none, whatever it is asked as.
    expect(goesInto({ id: 'mole-450', kind: 'ssd' }, place('data'), catalogue)).toBe(false)
  })
})
