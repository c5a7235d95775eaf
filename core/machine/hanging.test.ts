import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { planSchema, type PlanInput } from '../plan/planSchema'

const of = (changes: Partial<PlanInput> & { readonly drives: PlanInput['drives'] }) =>
  assess(
    planSchema.parse({
      name: 'x',
      choices: { watchingHoursPerDay: 0, horizonYears: 5 },
      ...changes,
      drives: { outerMBps: 250, ...changes.drives },
    }),
    catalogue,
  )
/** A mini PC has no bays for drives: they all hang in the enclosures. */
const miniPc = catalogue.machineBases.find(({ id }) => id === 'pebble-21')!
const enclosed = (...parts: readonly (string | { ref: string; count: number })[]) => ({
  base: miniPc.id,
  parts: parts.map(part => (typeof part === 'string' ? { ref: part } : part)),
})
const fourOf16 = { layout: 'rotating-1', lots: [{ count: 4, sizeTB: 16 }] }
const hours = (assessment: ReturnType<typeof of>) => assessment.figures['drives.rebuildHours']!

describe('links that drives share', () => {
  it('leave each drive its part of an enclosure: four drives of 16 TB in one of 430 MB/s', () => {
    const alone = of({ drives: fourOf16 })
    expect(alone.domains.hanging.sharedLinks).toEqual([])
    expect(hours(alone).value).toBeCloseTo(23.7, 1)
    const inOne = of({ machine: enclosed('trug-4'), drives: fourOf16 })
    expect(inOne.domains.hanging.sharedLinks).toEqual([{ what: 'enclosure', MBps: 430, drives: 4 }])
    expect(hours(inOne).value).toBeCloseTo(41.3, 1)
    expect(hours(inOne).note).toMatch(/4.drives share the 430 MB\/s of the enclosure\.$/)
    const chance = 'drives.lossChanceAtHorizon'
    expect(inOne.figures[chance]!.value!).toBeGreaterThan(1.2 * alone.figures[chance]!.value!)
    expect(inOne.domains.drives.pool!.firstBuild!.buildHours).toBeCloseTo(41.3, 1)
  })
  it('are shared by as many as a rebuild reads and writes: two of a mirror', () => {
    const mirror = (count: number, layout: string) =>
      hours(of({ machine: enclosed('trug-4'), drives: { layout, lots: [{ count, sizeTB: 16 }] } }))
    // 430 ÷ 2 is more than the drives do.
    expect(mirror(2, 'mirror').value).toBeCloseTo(23.7, 1)
    expect(mirror(4, 'pairs').value).toBeCloseTo(23.7, 1)
    expect(mirror(3, 'dedicated-1').value).toBeCloseTo(16e6 / (430 / 3) / 3600, 6)
    // What a mirror has to read is one drive, however many there are.
    expect(mirror(3, 'mirror').value).toBeCloseTo(23.7, 1)
  })
  it('are filled one after the other, and the worst of them counts', () => {
    const { domains } = of({
      machine: enclosed({ ref: 'trug-2', count: 2 }, 'trug-5'),
      drives: { layout: 'rotating-2', lots: [{ count: 6, sizeTB: 8 }] },
    })
    expect(domains.hanging.sharedLinks).toEqual([
      { what: 'enclosure', MBps: 430, drives: 2 },
      { what: 'enclosure', MBps: 430, drives: 2 },
      { what: 'enclosure', MBps: 900, drives: 2 },
    ])
    // 215 each is more than a drive does.
    expect(domains.drives.pool!.conditions.narrowedBy).toBe(null)
  })
  it('are those of a card once the ports of the board are taken', () => {
    const board = catalogue.hardware.find(({ id }) => id === 'stile-11')!
    const own = (count: number, card: string) =>
      of({
        machine: {
          base: 'parts',
          parts: [{ ref: board.id }, { ref: 'knot-5', at: card }],
          bays: 12,
        },
        drives: { layout: 'rotating-1', lots: [{ count, sizeTB: 8 }] },
      }).domains.hanging.sharedLinks
    // Six ports; a slot of one lane of the second generation lets half of 860 through.
    expect(own(6, 'slot-2')).toEqual([])
    expect(own(8, 'slot-2')).toEqual([{ what: 'controller', MBps: 430, drives: 2 }])
    expect(own(11, 'slot-2')).toEqual([{ what: 'controller', MBps: 430, drives: 5 }])
    expect(own(12, 'slot-2')).toEqual([{ what: 'controller', MBps: 430, drives: 5 }])
    // In the long slot it has its own single lane too, no more.
    expect(own(11, 'slot-4')).toEqual([{ what: 'controller', MBps: 430, drives: 5 }])
  })
  it('carry what hangs outside by cable through enclosure and card', () => {
    const { domains } = of({
      machine: {
        base: 'parts',
        parts: [{ ref: 'stile-11' }, { ref: 'knot-4e' }, { ref: 'trug-4c' }],
      },
      drives: { layout: 'rotating-1', lots: [{ count: 4, sizeTB: 8 }] },
    })
    expect(domains.hanging.sharedLinks).toEqual([
      { what: 'enclosure', MBps: 1100, drives: 4 },
      { what: 'controller', MBps: 850, drives: 4 },
    ])
    // 850 ÷ 4 is still more than a drive does.
    expect(domains.drives.pool!.conditions.rebuildMBps).toBeCloseTo(187.5, 9)
  })
  it('narrow an NVMe drive to the lanes of its place', () => {
    const narrow = catalogue.hardware.flatMap(part =>
      part.kind === 'board'
        ? part.places.flatMap(({ kind, lanes, takesData }) =>
            kind === 'm2' && lanes > 0 && lanes < 4 && takesData !== 'only' ? [part] : [],
          )
        : [],
    )[0]!
    const { domains } = of({
      machine: { base: 'parts', parts: [{ ref: narrow.id }] },
      drives: { layout: 'mirror', lots: [{ count: 2, sizeTB: 2, model: 'rill-2' }] },
    })
    const rates = domains.hanging.sharedLinks.map(({ MBps }) => MBps)
    expect(domains.hanging.sharedLinks.every(({ what }) => what === 'place')).toBe(true)
    expect(domains.drives.pool!.conditions.rebuildMBps).toBeCloseTo(Math.min(2250, ...rates), 9)
    // Beside them, what hangs on data ports does not feel it.
    const beside = of({
      machine: { base: 'parts', parts: [{ ref: narrow.id }], bays: 4 },
      drives: {
        layout: 'mirror',
        lots: [
          { count: 2, sizeTB: 2, model: 'rill-2', group: 1 },
          { count: 2, sizeTB: 8, group: 2 },
        ],
      },
    }).domains.drives.pool!
    expect(beside.arrangement.groups.map(({ conditions }) => conditions.rebuildMBps)).toContain(
      187.5,
    )
  })
  it('never carry more drives than there are, and never make a rebuild quicker', () => {
    const refs = ['trug-1', 'trug-2', 'trug-4', 'trug-5', 'knot-5', 'knot-4e', 'trug-8c']
    for (let set = 0; set < 2 ** refs.length; set += 3)
      for (const count of [2, 5, 9]) {
        const drives = { layout: 'rotating-1', lots: [{ count: count + 1, sizeTB: 8 }] }
        const { domains } = of({
          machine: {
            base: 'millrace',
            parts: refs.filter((_, at) => set & (1 << at)).map(ref => ({ ref })),
          },
          drives,
        })
        const { sharedLinks } = domains.hanging
        const onEnclosures = sharedLinks.filter(({ what }) => what === 'enclosure')
        expect(onEnclosures.reduce((sum, { drives: on }) => sum + on, 0)).toBeLessThanOrEqual(
          count + 1,
        )
        // Slowly: of every link the part of each drive that hangs on it.
        const least = sharedLinks.flatMap(({ MBps, drives: on }) =>
          Array.from({ length: on }, () => MBps / on),
        )
        expect(domains.drives.pool!.conditions.rebuildMBps).toBeCloseTo(
          Math.min(187.5, ...least),
          9,
        )
      }
  })
})
