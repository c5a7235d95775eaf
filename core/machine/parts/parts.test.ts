import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { yardsticks } from '../../../tests/yardstick'
import { assess } from '../../assess'
import { catalogue } from '../../catalogue/catalogue'
import { tideMillHouse } from '../../catalogue/tideMillHouse'
import { maxParts } from '../../plan/constants'
import { effectiveCatalogue } from '../../calibration/effectiveCatalogue'
import { planSchema, type PlanInput } from '../../plan/planSchema'
import { bestUps } from '../power/upsChoice'
import { loadMargin, ratedUps, routerW, upsCarries, upsNeed, wattsPerVA } from '../power/upsSize'
import { spareOnShelf } from '../../drives/spareOnShelf'
import { flatBatterySince, caddyPrice, forgottenExtras } from './forgotten'
import { maxProblems, maxRows } from './csvRows'
import { ownPartsCsv, readOwnPartsCsv } from './ownPartsCsv'
import { partsCsv, readPartsCsv } from './partsCsv'
import { priceOfLot } from '../../drives/drivePrices'
import { usualPrice } from '../../drives/usualPrice'
import { partLines, partTotals } from './partsList'

const planOf = (input: Partial<PlanInput>) => planSchema.parse({ name: 'x', ...input })
const linesOf = (input: Partial<PlanInput>) => {
  const plan = planOf(input)
  const drives = plan.drives.lots.map(({ count, sizeTB, condition, priceEach }) => ({
    label: `${sizeTB} TB`,
    count,
    condition,
    priceEach: priceEach ?? 20 * sizeTB,
    isUsual: priceEach === null,
  }))
  return {
    plan,
    lines: partLines(plan.machine, assess(plan, catalogue).domains.machine.build, drives),
  }
}

describe('a parts list', () => {
  it('has both sums: to pay now, and as if everything were bought', () => {
    const { lines } = linesOf({
      machine: {
        base: 'millrace',
        parts: [
          { ref: 'leat-22' },
          { ref: 'memory-16', condition: 'owned', count: 2 },
          { ref: 'cardEntry', purpose: 'spare', price: 60 },
        ],
      },
      drives: {
        lots: [
          { count: 3, sizeTB: 8, priceEach: 150 },
          { count: 1, sizeTB: 4, condition: 'owned' },
        ],
      },
    })
    expect(partTotals(lines, { extras: 25, diagnosisFee: 30 })).toEqual({
      risk: 0,
      toPay: 350 + 180 + 60 + 450 + 25,
      toPayWithoutDrives: 350 + 180 + 60 + 25,
      asIfBought: 350 + 180 + 80 + 60 + 450 + 80 + 25,
      unpriced: 0,
    })
    expect(lines.map(({ group }) => group)).toEqual([
      'core',
      'core',
      'core',
      'storage',
      'storage',
      'cards',
    ])
  })
  it('of parts alone has no line for a base, and its sum to pay is that of Ownership', () => {
    const { plan, lines } = linesOf(tideMillHouse)
    expect(lines.filter(({ isDrives }) => !isDrives).every(({ toPay }) => toPay === 0)).toBe(true)
    expect(
      lines.some(({ ref }) => ref === '' && !lines.find(line => line.ref === '')?.isDrives),
    ).toBe(false)
    expect(partTotals(lines, { extras: plan.costs.extras, diagnosisFee: 0 }).toPay).toBe(
      assess(plan, catalogue).figures['ownership.purchase']!.value,
    )
    expect(
      linesOf({ machine: { base: 'parts', parts: [{ ref: 'gone' }] } }).lines[0],
    ).toMatchObject({ label: 'gone', toPay: null })
  })
})

describe('a price', () => {
  it('comes to the same in the list, in Ownership and by the cent, whatever it is', () => {
    const money = fc.option(fc.integer({ min: 0, max: 500_000 }), { freq: 4 })
    const count = fc.integer({ min: 1, max: 9 })
    fc.assert(
      fc.property(
        fc.array(fc.record({ cents: money, count }), { maxLength: 5 }),
        fc.array(fc.record({ cents: money, count, size: fc.integer({ min: 5, max: 2600 }) }), {
          maxLength: 4,
        }),
        fc.integer({ min: 0, max: 99_999 }),
        (parts, lots, extras) => {
          const priceOf = (cents: number | null) => (cents === null ? null : cents / 100)
          const plan = planOf({
            machine: {
              base: 'parts',
              parts: parts.map(({ cents, count }) => ({
                ref: 'memory-16',
                count,
                price: priceOf(cents),
              })),
            },
            drives: {
              lots: lots.map(({ cents, count, size }) => ({
                count,
                sizeTB: size / 100,
                priceEach: priceOf(cents),
              })),
            },
            costs: { extras: extras / 100 },
          })
          const { domains, figures } = assess(plan, catalogue)
          const lines = partLines(
            plan.machine,
            domains.machine.build,
            plan.drives.lots.map(lot => {
              const { each, isUsual } = priceOfLot(lot, plan.drives, catalogue)
              return { ...lot, label: '', priceEach: each, isUsual }
            }),
          )
          // By hand: whole cents throughout; a drive without a price costs the usual one.
          const module = catalogue.memoryModules.find(({ id }) => id === 'memory-16')!
          const driveClass = catalogue.driveClasses.find(({ id }) => id === plan.drives.driveClass)!
          const sum =
            extras +
            parts.reduce(
              (all, { cents, count }) => all + count * (cents ?? module.price * 100),
              0,
            ) +
            lots.reduce(
              (all, { cents, count, size }) =>
                all +
                count *
                  (cents ??
                    Math.round(100 * usualPrice(size / 100, driveClass, catalogue.driveModels))),
              0,
            )
          const { toPay } = partTotals(lines, { extras: plan.costs.extras, diagnosisFee: 0 })
          expect(Math.round(toPay * 100)).toBe(sum)
          expect(toPay).toBe(sum / 100)
          expect(figures['ownership.purchase']!.value).toBe(sum / 100)
        },
      ),
    )
  })
})

describe('untested parts', () => {
  it('cost their chance of being dead, times a like part and finding out', () => {
    const { lines } = linesOf({
      machine: {
        base: 'parts',
        parts: [
          { ref: 'mole-400', condition: 'owned', deadChance: 0.2 },
          { ref: 'memory-8', condition: 'owned', count: 2, deadChance: 0.1 },
          { ref: 'gone', deadChance: 0.5 },
        ],
      },
    })
    expect(partTotals(lines, { extras: 0, diagnosisFee: 30 }).risk).toBeCloseTo(
      0.2 * (42 + 30) + 2 * 0.1 * (22 + 30) + 0.5 * 30,
      9,
    )
  })
})

describe('what is easily forgotten', () => {
  const forgotten = (input: Partial<PlanInput>, more: object = {}) => {
    const plan = planOf(input)
    const { domains } = assess(plan, catalogue)
    return forgottenExtras(domains.fitting.context, {
      hardware: catalogue.hardware,
      loadWallW: domains.machine.watts.converting.likely,
      upsMinutes: 0,
      hasUps: false,
      rebuilds: true,
      driveCount: domains.drives.count,
      copy: null,
      spare: null,
      ...more,
    }).map(({ id, count }) => [id, count])
  }
  it('caddies of a used server by the drives in its trays, and a drive that is to lie on the shelf', () => {
    expect(caddyPrice).toBe(8)
    const caddies = (base: string, count: number) =>
      forgotten({ machine: { base }, drives: { lots: [{ count }] } }).find(
        ([id]) => id === 'caddies',
      )?.[1]
    expect([caddies('crane-10', 5), caddies('crane-10', 9), caddies('wherry-4', 4)]).toEqual([
      5,
      8,
      undefined,
    ])
    const spare = (drives: PlanInput['drives']) => {
      const plan = planOf({ drives })
      const { pool } = assess(plan, catalogue).domains.drives
      return spareOnShelf(plan, { ...catalogue, survives: pool?.survives ?? 0 })
    }
    const lots = [
      { count: 2, sizeTB: 8, model: 'sluice-8' },
      { count: 1, sizeTB: 12, model: 'sluice-12' },
    ]
    const whole = { lots, layout: 'dedicated-1', replacement: 'shelf' } as const
    expect(spare(whole)).toEqual({ sizeTB: 12, price: 228 })
    expect(spare({ ...whole, replacement: 'order' })).toBeNull()
    expect(spare({ ...whole, layout: 'separate' })).toBeNull()
    expect(spare({ ...whole, hotSpares: 1 })).toBeNull()
    expect(forgotten({}, { spare: { sizeTB: 12, price: 228 } })).toContainEqual(['spareDrive', 1])
  })
  it('a licence by the number of drives, at its step', () => {
    const licence = (count: number) => {
      const plan = planOf({ system: { kind: 'stick' }, drives: { lots: [{ count }] } })
      return forgottenExtras(assess(plan, catalogue).domains.fitting.context, {
        hardware: catalogue.hardware,
        loadWallW: 50,
        upsMinutes: 0,
        hasUps: false,
        rebuilds: true,
        driveCount: count,
        copy: null,
        spare: null,
      }).find(({ id }) => id === 'licence')?.price
    }
    expect([4, 5, 9, 17].map(licence)).toEqual([undefined, 45, 80, 140])
  })
  it('paste where a cooler is lifted, and a battery for the clock of an old board', () => {
    const extras = (machine: PlanInput['machine']) =>
      forgotten({ machine }).flatMap(([id]) =>
        id === 'paste' || id === 'clockBattery' ? [id] : [],
      )
    // A processor exchanged in a machine that comes with one; a cooler of one's own.
    expect(extras({ base: 'clerk-15', parts: [{ ref: 'leat-13' }] })).toEqual([
      'paste',
      'clockBattery',
    ])
    expect(extras({ base: 'clerk-17' })).toEqual([])
    expect(extras({ base: 'pebble-16' })).toEqual(['clockBattery'])
    const kit = (board: string, condition: 'new' | 'owned', more: { ref: string }[] = []) =>
      extras({
        base: 'parts',
        parts: [{ ref: board, condition }, { ref: 'fern-tower', condition }, ...more],
      })
    expect(kit('lych-15', 'new')).toEqual([])
    expect(kit('lych-15', 'owned')).toEqual(['paste', 'clockBattery'])
    expect(kit('lych-17', 'owned')).toEqual(['paste'])
    expect(kit('lych-15', 'owned', [{ ref: 'twine-paste' }, { ref: 'twine-clock' }])).toEqual([])
    expect(flatBatterySince).toBe(2016)
    // With nothing to connect no cable is forgotten.
    expect(
      forgotten({ machine: { base: 'parts', parts: [{ ref: 'lych-17' }] } }).map(([id]) => id),
    ).not.toContain('dataCables')
  })
  it('cables, breakouts, splitters, a system disk, a fan, a UPS, labels', () => {
    expect(
      forgotten({
        machine: {
          base: 'parts',
          parts: [
            { ref: 'lych-15' },
            { ref: 'leat-17' },
            { ref: 'coffer-4' },
            { ref: 'mole-300' },
            { ref: 'splice-8' },
          ],
        },
        drives: { lots: [{ count: 6 }] },
      }),
    ).toEqual([
      ['dataCables', 6],
      ['splitters', 2],
      ['systemDisk', 1],
      ['fan', 1],
      ['ups', 1],
      ['labels', 6],
    ])
    expect(
      forgotten(
        {
          machine: {
            base: 'parts',
            parts: [
              { ref: 'lych-15' },
              { ref: 'leat-17' },
              { ref: 'coffer-6' },
              { ref: 'mole-450' },
              { ref: 'twine-data', count: 4 },
              { ref: 'flint-120' },
            ],
          },
          drives: { lots: [{ count: 3 }] },
        },
        { hasUps: true },
      ),
    ).toEqual([['labels', 3]])
  })
  it('a lead for each port that is used, and breakout cables for those of a server card', () => {
    const wired = (count: number, ...refs: string[]) =>
      Object.fromEntries(
        forgotten({
          machine: {
            base: 'parts',
            parts: ['lych-15', 'leat-17', 'coffer-6', 'mole-450', ...refs].map(ref => ({ ref })),
          },
          drives: { lots: [{ count }] },
        }),
      ) as Partial<Record<string, number>>
    // Six ports on the board; the rest hang on the card, four on a breakout cable.
    expect(wired(6, 'splice-8').breakouts).toBeUndefined()
    expect(wired(7, 'splice-8')).toMatchObject({ dataCables: 6, breakouts: 1 })
    expect(wired(11, 'splice-8')).toMatchObject({ dataCables: 6, breakouts: 2 })
    expect(wired(11, 'splice-8', 'twine-breakout').breakouts).toBe(1)
    // A plain card is taken first, with a lead for each of its ports that is used.
    expect(wired(9, 'knot-5')).toMatchObject({ dataCables: 9 })
    expect(wired(13, 'knot-5', 'splice-8')).toMatchObject({ dataCables: 11, breakouts: 1 })
  })
  it('a fan from four drives in slow air on, the drives for the copy that is missing', () => {
    const parts = ['lych-15', 'leat-17', 'coffer-4', 'mole-450', 'flint-120'].map(ref => ({ ref }))
    const fan = (count: number) =>
      forgotten({ machine: { base: 'parts', parts }, drives: { lots: [{ count }] } }).some(
        ([id]) => id === 'fan',
      )
    expect([fan(3), fan(4)]).toEqual([false, true])
    const { domains } = assess(planOf({ machine: { base: 'wherry-4' } }), catalogue)
    expect(
      forgottenExtras(domains.fitting.context, {
        hardware: catalogue.hardware,
        loadWallW: 20,
        upsMinutes: 0,
        hasUps: true,
        rebuilds: true,
        driveCount: 1,
        copy: { label: 'Rivulet 2 TB', count: 2, price: 130 },
        spare: null,
      }),
    ).toEqual([
      {
        id: 'copyDrives',
        ref: null,
        label: 'For the copy of what is irreplaceable: Rivulet 2 TB',
        count: 2,
        price: 130,
      },
    ])
  })
  it('of an appliance with front trays nothing but the UPS and labels', () => {
    expect(forgotten({ machine: { base: 'wherry-4' }, drives: { lots: [{ count: 4 }] } })).toEqual([
      ['ups', 1],
      ['labels', 4],
    ])
    expect(
      forgotten(
        { machine: { base: 'wherry-4' }, drives: { lots: [{ count: 1 }] } },
        { rebuilds: false, copy: { label: 'Pond', count: 1, price: 150 } },
      ),
    ).toEqual([['copyDrives', 1]])
  })
  it('a UPS carries the watts with the router: W ÷ 0.6 VA and 1.25 W', () => {
    expect({ loadMargin, routerW, wattsPerVA }).toEqual({
      loadMargin: 1.25,
      routerW: 10,
      wattsPerVA: 0.6,
    })
    expect(upsNeed(50)).toEqual({ watts: 60, ratingVA: 100, ratingW: 75 })
    expect(upsCarries({ ratingVA: 100, ratingW: 75 }, 50)).toBe(true)
    expect(upsCarries({ ratingVA: 99, ratingW: 75 }, 50)).toBe(false)
    expect(upsCarries({ ratingVA: 100, ratingW: 74 }, 50)).toBe(false)
    // One whose label nobody has read is neither offered nor judged.
    expect(upsCarries({ ratingVA: null, ratingW: null }, 50)).toBe(null)
    expect(ratedUps(catalogue.hardware).map(({ id }) => id)).not.toContain('weight-there')
    expect(bestUps(catalogue.hardware, 150, 0)!.id).toBe('weight-400')
    expect(bestUps(catalogue.hardware, 182, 0)!.id).toBe('weight-400')
    expect(bestUps(catalogue.hardware, 183, 0)!.id).toBe('weight-650')
    expect(bestUps(catalogue.hardware, 5000, 0)).toBeNull()
    // Minutes that are asked take a larger one; what none holds so long falls back on the first.
    expect(bestUps(catalogue.hardware, 150, 10)!.id).toBe('weight-650')
    expect(bestUps(catalogue.hardware, 150, 100_000)!.id).toBe('weight-400')
  })
})

describe('a parts list as a file', () => {
  it('comes back as it went out', () => {
    const refs = ['leat-17', 'memory-16', 'splice-8', 'flint-500n', 'mole-450', 'cardEntry']
    const part = fc.record({
      ref: fc.constantFrom(...refs),
      count: fc.integer({ min: 1, max: 16 }),
      condition: fc.constantFrom('new' as const, 'refurbished' as const, 'owned' as const),
      purpose: fc.constantFrom('fitted' as const, 'spare' as const, 'later' as const),
      price: fc.option(fc.integer({ min: 0, max: 900 })),
      at: fc.constantFrom('', 'slot-1', 'm2-1'),
      deadChance: fc.constantFrom(0, 0.2, 1),
      note: fc.string({ maxLength: 40 }).map(text => text.replace(/^'+|[\r\uFEFF]/g, '').trim()),
    })
    fc.assert(
      fc.property(fc.array(part, { maxLength: 8 }), parts => {
        const { plan, lines } = linesOf({ machine: { base: 'millrace', parts } })
        const text = partsCsv(lines, {
          currency: 'EUR',
          placeOf: index => plan.machine.parts[index]!.at,
        })
        const read = readPartsCsv(text, catalogue, 'EUR')
        expect(read.problems).toEqual([])
        const sorted = (list: readonly object[]) =>
          list.map(entry => JSON.stringify(Object.entries(entry).sort())).sort()
        // A price that was not entered comes back as the one that stood in the list.
        const expected = plan.machine.parts.map(entry => ({
          ...entry,
          price:
            entry.price ??
            lines.find(line => line.ref === entry.ref && line.isUsual)?.priceEach ??
            null,
        }))
        expect(sorted(read.parts)).toEqual(sorted(expected))
      }),
    )
  })
  it('tells what is wrong with each row, and offers the good ones', () => {
    const read = readPartsCsv(
      'id;quantity;price each;bought\nleat-17;1;99,50;owned\ngone;1;;new\nmemory-16;2 ' +
        'pieces;40;new\nmole-450;1;68 USD;new\nflint-120;1;18 EUR;second-hand\n;;;\n',
      catalogue,
      'EUR',
    )
    expect(read.parts).toEqual([
      expect.objectContaining({ ref: 'leat-17', price: 99.5, condition: 'owned' }),
    ])
    expect(read.problems.map(({ line }) => line)).toEqual([3, 4, 5, 6])
    expect(read.problems[0]!.message).toContain('"gone" is not in the catalogue')
    expect(read.problems[1]!.message).toContain('whole number from 1 to 16')
    expect(read.problems[2]!.message).toContain('number in EUR')
    expect(
      readPartsCsv('id,chance dead\nmole-450,often\n', catalogue, 'EUR').problems[0]!.message,
    ).toContain('from 0 to 1')
    const chance = (value: string) =>
      readPartsCsv(`id,chance dead\nmole-450,${value}\n`, catalogue, 'EUR')
    expect(chance('1').parts).toMatchObject([{ deadChance: 1 }])
    expect(chance('0').parts).toMatchObject([{ deadChance: 0 }])
    for (const value of ['1.01', '-0.01']) expect(chance(value).problems, value).toHaveLength(1)
    expect(readPartsCsv('article,amount\nx,1\n', catalogue, 'EUR').problems[0]!.message).toContain(
      'names no column',
    )
    expect(readPartsCsv('part,quantity\nMole 450,1\n', catalogue, 'EUR').parts).toMatchObject([
      { ref: 'mole-450' },
    ])
    expect(
      readPartsCsv('id,currency\nmole-450,USD\n', catalogue, 'EUR').problems[0]!.message,
    ).toContain('does not exchange')
  })
  it('of a hundred thousand rows is read to its limits, quickly', () => {
    const rows = Array.from({ length: maxRows + 5 }, (_, index) =>
      index % 2 ? 'leat-17,1' : `gone-${index},1`,
    )
    const text = `id,quantity\n${rows.join('\n')}\n`
    expect(yardsticks(() => readPartsCsv(text, catalogue, 'EUR'))).toBeLessThan(60)
    const read = readPartsCsv(text, catalogue, 'EUR')
    expect(read.parts).toHaveLength(maxParts)
    expect([read.problems.length, read.moreProblems]).toEqual([
      maxProblems,
      maxRows - maxParts + 1 - maxProblems,
    ])
  })
  it('does not write a cell that a table program would take for a formula', () =>
    expect(
      partsCsv(linesOf({ machine: { base: 'own', name: '=1+1' } }).lines, {
        currency: 'EUR',
        placeOf: () => '',
      }),
    ).toContain("'=1+1"))
})

describe('own parts', () => {
  const file =
    'id,kind,label,price,socket,year,form,memoryType,' +
    'dataPorts,m2Places,slots16,sharing,ratingW,supplyForm\n' +
    'yard-board,board,Board from the yard,20,L3,2017,ATX,DDR4,6,1,2,m2-1 off data-5 data-6,,\n' +
    'yard-supply,supply,Supply from the yard,,,,,,,,,,450 W,ATX\n'
  it('are read from a file, judged like those that ship, and written again the same', () => {
    const { parts, problems } = readOwnPartsCsv(file, { currency: 'EUR', taken: new Set() })
    expect(problems).toEqual([])
    const plan = planOf({
      machine: {
        base: 'parts',
        ownParts: parts.map(part => ({ ...part, traits: { ...part.traits } })),
        parts: [
          { ref: 'yard-board' },
          { ref: 'yard-supply' },
          { ref: 'leat-17' },
          { ref: 'flint-500n' },
        ],
      },
    })
    const { domains, findings } = assess(plan, catalogue)
    expect(domains.fitting.context).toMatchObject({
      board: { label: 'Board from the yard' },
      supply: { ratingW: 450 },
      boardPorts: 4,
    })
    expect(findings.filter(({ code }) => code === 'UNKNOWN_PART')).toEqual([])
    expect(
      readOwnPartsCsv(ownPartsCsv(parts), { currency: 'EUR', taken: new Set() }).parts,
    ).toEqual(parts)
    expect(effectiveCatalogue(plan, catalogue).hardware).toHaveLength(catalogue.hardware.length + 2)
  })
  it.each([
    ['no kind', 'x,,X,1,,,,,,,,,,', 'kind'],
    ['fields missing', 'x,board,X,1,,,,,,,,,,', 'A board needs: Form, Kind of memory, Data ports'],
    ['another unit', 'x,supply,X,1,,,,,,,,,450 kg,ATX', 'Rating "450 kg" must be a number in W'],
    ['an id that is taken', 'taken,supply,X,1,,,,,,,,,450,ATX', '"taken" is there already'],
    [
      'nonsense for sharing',
      'x,board,X,1,L3,2017,ATX,DDR4,6,1,2,perhaps,,',
      'must be written such as',
    ],
    ['a price of another currency', 'x,supply,X,12 USD,,,,,,,,,450,ATX', 'number in EUR'],
    ['a form that is none', 'x,board,X,1,L3,2017,round,DDR4,6,1,2,,,', 'Form must be one of'],
    [
      'more than there can be',
      'x,supply,X,1,,,,,,,,,99999,ATX',
      'Rating must be a number from 0 to 3000 W',
    ],
  ])('a row with %s is told, and the others stay', (_, row, message) => {
    const { parts, problems } = readOwnPartsCsv(`${file}${row}\n`, {
      currency: 'EUR',
      taken: new Set(['taken']),
    })
    expect(parts).toHaveLength(2)
    expect(problems).toHaveLength(1)
    expect(problems[0]).toMatchObject({ line: 4, message: expect.stringContaining(message) })
  })
  it('are refused where a board switches off places that it does not have', () => {
    const board = (sharing: string) =>
      readOwnPartsCsv(
        'id,kind,label,form,memoryType,dataPorts,m2Places,sharing\n' +
          `barn,board,Barn,ATX,DDR4,4,1,${sharing}\n`,
        { currency: 'EUR', taken: new Set() },
      )
    expect(board('m2-1 off data-3 data-4').problems).toEqual([])
    expect(board('m2-1 off data-3 data-9; m2-2 off data-1').problems).toEqual([
      {
        line: 2,
        message: 'what places switch off names data-9, m2-2, and the board has none such.',
      },
    ])
    expect(board('m2-1 narrows slot-7 to 8').parts).toEqual([])
  })
  it('a file with other headings is told as such, and columns that nobody knows by name', () => {
    expect(
      readOwnPartsCsv('name,colour\nx,red\n', { currency: 'EUR', taken: new Set() }),
    ).toMatchObject({ parts: [], problems: [{ line: 1 }] })
    expect(
      readOwnPartsCsv('kind,label,rating W,colour,ratingW\nsupply,X,,red,450\n', {
        currency: 'EUR',
        taken: new Set(),
      }).problems[0]!.message,
    ).toContain('colour')
  })
  it('that the plan could not judge are refused by its schema, with a sentence', () => {
    const bad = planSchema.safeParse({
      name: 'x',
      machine: {
        ownParts: [
          { id: 'a', label: 'A', kind: 'supply', traits: { ratingW: 'much' } },
          { id: 'b', label: 'B', kind: 'fan', traits: { colour: 'red', sizeMm: 120, rpm: 900 } },
        ],
      },
    })
    expect(bad.error!.issues.map(({ message }) => message)).toEqual([
      'A: Rating must be a number from 0 to 3000 W.',
      'B: A fan has no property "colour".',
    ])
  })
})
