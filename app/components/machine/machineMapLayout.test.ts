import { describe, expect, it } from 'vitest'
import { assess } from '~~/core/assess'
import { catalogue } from '~~/core/catalogue/catalogue'
import { planSchema, type PlanInput } from '~~/core/plan/planSchema'
import { usualSurge } from '~~/core/drives/surge'
import { startCourse } from '~~/core/machine/power/startSurge'
import { fitText } from './machineMap'
import { machineMap } from './machineMapLayout'
import { startPicture } from './startLayout'

const contextOf = (machine: PlanInput['machine'], drives: PlanInput['drives'] = {}) =>
  assess(planSchema.parse({ name: 'x', machine, drives }), catalogue).domains.fitting.context
const bases = [
  ...catalogue.machineBases.map(({ id }) => ({ base: id })),
  ...catalogue.hardware
    .filter(({ kind }) => kind === 'board')
    .map(({ id }) => ({ base: 'parts', parts: [{ ref: id }, { ref: 'coffer-14' }] })),
]

describe('the map of the machine', () => {
  it.each(bases)(
    '$base $parts.0.ref has every place once, inside the picture and clear of the others',
    machine => {
      for (const width of [340, 620, 900]) {
        const context = contextOf(machine)
        const { marks, tracks, height, board } = machineMap(context, {
          width,
          drives: { large: [], small: [] },
        })
        const ids = marks.map(({ id }) => id)
        expect(new Set(ids).size).toBe(ids.length)
        for (const { place } of context.places) expect(ids).toContain(place.id)
        for (const mark of marks)
          expect(
            mark.x >= 0 &&
              mark.y >= 0 &&
              mark.x + mark.width <= width + 0.5 &&
              mark.y + mark.height <= height + 0.5,
            `${mark.id} at ${width}`,
          ).toBe(true)
        const slots = marks.filter(({ kind }) => kind === 'slot' || kind === 'm2')
        slots
          .slice(1)
          .forEach((mark, index) =>
            expect(mark.y).toBeGreaterThanOrEqual(slots[index]!.y + slots[index]!.height),
          )
        for (const mark of slots) expect(mark.height).toBeGreaterThanOrEqual(18)
        expect(tracks).toHaveLength(slots.length)
        expect(board).not.toBeNull()
      }
    },
  )
  it('shows drives on ports and in bays, what is switched off, and what has no bay', () => {
    const { marks } = machineMap(
      contextOf(
        { base: 'parts', parts: [{ ref: 'lych-15' }, { ref: 'coffer-3' }, { ref: 'flint-500n' }] },
        { lots: [{ count: 4, sizeTB: 8 }] },
      ),
      { width: 900, drives: { large: ['8 TB', '8 TB', '8 TB', '8 TB'], small: [] } },
    )
    const of = (id: string) => marks.find(mark => mark.id === id)!
    expect([
      of('m2-1').holds,
      of('data-1').holds,
      of('data-4').holds,
      of('data-5').holds,
      of('data-5').offBy,
    ]).toEqual(['Flint 500 GB, NVMe', 'a data drive', 'a data drive', null, 'M.2 place 1'])
    expect([of('bay-3').label, of('bay-4').label, of('bay-4').holds]).toEqual([
      'Bay 3',
      'No bay',
      '8 TB',
    ])
  })
  it('without a board shows bays and supply alone', () => {
    const { marks, board } = machineMap(contextOf({ bays: 4 }), {
      width: 900,
      drives: { large: [], small: [] },
    })
    expect(board).toBeNull()
    expect(marks.every(({ kind }) => kind === 'supply' || kind === 'bay')).toBe(true)
  })
  it('cuts texts to their room', () =>
    expect([fitText('Slot 1', 200), fitText('A card of a very long name', 60)]).toEqual([
      'Slot 1',
      'A card o…',
    ]))
})

describe('the picture of a start', () => {
  it('has its limits inside, and the highest step below the top', () => {
    const course = startCourse({
      surges: Array.from({ length: 8 }, () => usualSurge),
      idleEachW: 5,
      together: 4,
      restW: 90,
      rest12W: 70,
    })
    const { wall, wallAmps, y, watts } = startPicture(course, {
      width: 600,
      height: 300,
      ratingW: 400,
      amps12: 30,
    })
    expect(wall! > 0 && wallAmps! > 0 && y(210) > 0).toBe(true)
    expect(watts).toMatch(/^M/)
    expect(
      startPicture(course, { width: 600, height: 300, ratingW: null, amps12: null }),
    ).toMatchObject({ wall: null, wallAmps: null })
  })
})
