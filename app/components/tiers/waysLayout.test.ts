import { describe, expect, it } from 'vitest'
import { planSchema } from '~~/core/plan/planSchema'
import type { WayBuild } from '~~/core/tiers/search/wayBuild'
import type { WayRow } from '~~/core/tiers/search/wayRows'
import { lacksText } from './lacksText'
import { cutAt, fieldBuilds, fieldMargin, keyOf, shapeOf, tierOf, waysField } from './waysLayout'
import { waysText } from './waysText'

const plan = planSchema.parse({ name: 'x' })
const build = (label: string, toPay: number, extra: Partial<WayBuild> = {}): WayBuild => ({
  way: 'appliance',
  label,
  plan,
  toPay,
  horizonCost: toPay + 500,
  possible: 4,
  roomTB: 20,
  lossChanceAtHorizon: 0.001,
  idleW: 20,
  freeBays: 1,
  drives: '2 × 8 TB',
  lacks: [],
  risk: 0,
  conditions: [],
  second: null,
  ...extra,
})
const tiers = [
  { name: 'Lean', cap: 700 },
  { name: 'Middle', cap: 1700 },
]
const row = (best: WayBuild | null, closest: WayBuild | null = null): WayRow => ({
  way: best?.way ?? 'appliance',
  best,
  closest,
  tiers: tiers.map(tier => ({ tier, build: best && best.toPay <= tier.cap ? best : null })),
})

describe('the field of ways', () => {
  it('shows what the plan has already once, as staying', () => {
    const other = planSchema.parse({ name: 'x', drives: { lots: [{ count: 2, sizeTB: 4 }] } })
    const stays = build('Heron', 500, { way: 'stay' })
    const rows = [row(stays), row(build('Heron', 500)), row(build('Ibis', 600, { plan: other }))]
    expect(fieldBuilds(rows).map(({ build: { way, label } }) => `${way} ${label}`)).toEqual([
      'stay Heron',
      'appliance Ibis',
    ])
  })
  it('is cut at four times what is needed; what gives more stands on its edge', () => {
    const of = (needed: number | null, values: readonly number[]) =>
      waysField({
        rows: values.map((possible, at) => row(build(`${at}`, 500 + at, { possible }))),
        axis: 'possible',
        tiers,
        budget: null,
        needed,
        width: 700,
        height: 300,
      })
    expect(cutAt).toBe(4)
    const cut = of(3, [2, 12, 12.5, 40])
    expect(cut.y.domain()[1]).toBe(12)
    expect(cut.marks.map(({ isBeyond }) => isBeyond)).toEqual([false, false, true, true])
    expect(new Set(cut.marks.slice(1).map(({ y }) => y))).toEqual(new Set([fieldMargin.top]))
    // Where nothing lies beyond, the axis ends with what there is, and always shows what is needed.
    expect(of(3, [2, 12]).marks.some(({ isBeyond }) => isBeyond)).toBe(false)
    expect(of(30, [2, 12]).y.domain()[1]).toBeGreaterThanOrEqual(30)
    expect(of(null, [2, 40]).marks.some(({ isBeyond }) => isBeyond)).toBe(false)
  })
  it('holds each build once, filled where it meets the need', () => {
    const [a, b, c] = [build('a', 500), build('b', 900), build('c', 300, { lacks: ['space'] })]
    const found = fieldBuilds([row(a), row(b), row(null, c)])
    expect(found.map(({ build: { label }, meets }) => [label, meets])).toEqual([
      ['a', true],
      ['b', true],
      ['c', false],
    ])
    expect(new Set(found.map(({ build: one }) => keyOf(one))).size).toBe(3)
  })
  it('stands by price and by what is set against it, within its frame', () => {
    const field = waysField({
      rows: [row(build('a', 500, { possible: 2 })), row(build('b', 1900, { possible: 9 }))],
      axis: 'possible',
      tiers,
      budget: 1000,
      width: 700,
      height: 300,
    })
    const [a, b] = field.marks
    expect(a!.x).toBeLessThan(b!.x)
    expect(a!.y).toBeGreaterThan(b!.y)
    for (const { x, y } of field.marks) {
      expect(x).toBeGreaterThanOrEqual(fieldMargin.left)
      expect(x).toBeLessThanOrEqual(700 - fieldMargin.right)
      expect(y).toBeGreaterThanOrEqual(fieldMargin.top)
      expect(y).toBeLessThanOrEqual(300 - fieldMargin.bottom)
    }
    expect(field.marks.map(({ tier }) => tier)).toEqual([0, 2])
    expect(
      waysField({ rows: [], axis: 'roomTB', tiers, budget: null, width: 300, height: 300 }).marks,
    ).toEqual([])
  })
  it('stands by what the years cost where that is asked, without the budget', () => {
    const rows = [
      row(build('a', 500, { horizonCost: 3000 })),
      row(build('b', 1900, { horizonCost: 2000 })),
    ]
    const options = {
      rows,
      axis: 'possible',
      tiers,
      budget: 90_000,
      width: 700,
      height: 300,
    } as const
    const [a, b] = waysField({ ...options, money: 'horizonCost' }).marks
    expect(a!.x).toBeGreaterThan(b!.x)
    expect(waysField({ ...options, money: 'horizonCost' }).x.domain()[1]).toBeCloseTo(
      3000 * 1.08,
      6,
    )
    expect(waysField(options).x.domain()[1]).toBeCloseTo(90_000 * 1.08, 6)
  })
  it('knows the tier of a price, and shapes by kind', () => {
    expect([700, 700.01, 1700, 1701].map(price => tierOf(price, tiers))).toEqual([0, 1, 1, 2])
    expect(
      new Set((['stay', 'appliance', 'selfBuilt', 'atHand', 'twoMachines'] as const).map(shapeOf))
        .size,
    ).toBe(5)
    expect(shapeOf('office')).toBe(shapeOf('appliance'))
  })
  it('says what is lacking, and what is cheapest, in sentences', () => {
    expect(lacksText([])).toBe('')
    expect(lacksText(['streams', 'space'])).toBe(
      'It converts too little and it has too little room.',
    )
    expect(waysText([], ({ toPay }) => toPay, String)).toContain('No build')
    expect(waysText([build('Alder', 500)], ({ toPay }) => toPay, String)).toBe(
      'Alder (appliance) with 2 × 8 TB: 500.',
    )
  })
})
