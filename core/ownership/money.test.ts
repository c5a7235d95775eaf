import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { formatOf } from '../units/format'
import { moneyState, purchaseSum } from './ownershipFacts'

const assessed = (changes: Partial<PlanInput>) =>
  assess(planSchema.parse({ name: 'x', ...changes }), catalogue)
const money = (changes: Partial<PlanInput>) =>
  assessed(changes).verdicts.find(verdict => verdict.id === 'money')!

describe('the budget', () => {
  it.each([
    [700, 1000, false, 'ample'],
    [700.01, 1000, false, 'enough'],
    [1000, 1000, false, 'enough'],
    [1000.01, 1000, false, 'short'],
    [0, 0, false, 'ample'],
    [1, 0, false, 'impossible'],
    [500, null, false, 'unknown'],
    [1, 1000, true, 'unknown'],
    [1000, 1000, true, 'unknown'],
    [1001, 1000, true, 'short'],
    [1, 0, true, 'impossible'],
  ] as const)('%d to pay of %s, a price missing: %s, is %s', (toPay, budget, missing, state) => {
    expect(moneyState(toPay, budget, missing)).toBe(state)
  })
  it('never calls a new machine without a price ample', () => {
    const verdict = money({ brief: { budget: 5000 }, machine: { base: 'own', score: 9000 } })
    expect(verdict.state).toBe('unknown')
    expect(verdict.sentence).toContain('still missing')
    expect(
      assessed({ brief: { budget: 5000 }, machine: { base: 'own', score: 9000 } }).findings.map(
        finding => finding.code,
      ),
    ).toContain('PRICE_MISSING')
  })
  it('an owned machine costs nothing, and needs no price', () => {
    expect(money({ brief: { budget: 100 }, machine: { condition: 'owned' } })).toMatchObject({
      state: 'ample',
      asked: { likely: 0 },
    })
  })
  it('says what is left, or by how much it is too little', () => {
    const plan = (budget: number) =>
      money({
        brief: { budget },
        machine: { price: 400 },
        drives: { lots: [{ count: 2, sizeTB: 10, priceEach: 150 }] },
      }).sentence
    expect(plan(1000)).toContain('€700 to pay now; €300 of the budget are left')
    expect(plan(600)).toContain('€700 to pay now, €100 over the budget')
    expect(money({ machine: { price: 400 } }).sentence).toContain('enter a budget')
  })
  it("is told in the plan's currency and the reader's manner", () => {
    const plan = planSchema.parse({
      name: 'x',
      brief: { budget: 2000, currency: 'USD' },
      machine: { price: 1234.5 },
    })
    const sentence = (locale: string) =>
      assess(plan, catalogue, formatOf({ locale, currency: 'USD' })).verdicts.find(
        verdict => verdict.id === 'money',
      )!.sentence
    expect(sentence('en')).toContain('$1,235')
    expect(sentence('de')).toMatch(/1\.235\s\$/)
  })
})

describe('what is paid now', () => {
  it('adds up to the cent', () => {
    expect(purchaseSum(0.1, 0.2, 0)).toBe(0.3)
    expect(purchaseSum(199.99, 494.85, 0.1)).toBe(694.94)
  })
  it('counts a drive without a price at the usual one, and says so', () => {
    const { figures, domains } = assessed({
      machine: { condition: 'owned' },
      drives: {
        driveClass: 'refurbished',
        lots: [
          { count: 3, sizeTB: 10 },
          { count: 1, sizeTB: 4, priceEach: 50 },
        ],
      },
    })
    expect(figures['ownership.purchase']).toMatchObject({ value: 3 * 118 + 50 })
    expect(figures['ownership.purchase']!.note).toContain('3 × 10 TB')
    expect(figures['ownership.purchase']!.note).not.toContain('1 × 4 TB')
    expect(domains.ownership.drivesToPay).toBe(404)
  })
  it('nothing for what is owned: base, part or drive, each by itself', () => {
    const toPay = (base: 'new' | 'owned', part: 'new' | 'owned', drive: 'new' | 'owned') =>
      assessed({
        machine: {
          base: 'wherry-4',
          condition: base,
          parts: [{ ref: 'cardEntry', condition: part }],
        },
        drives: { lots: [{ count: 1, sizeTB: 8, priceEach: 111, condition: drive }] },
      }).domains.ownership.toPay
    const { price } = catalogue.machineBases.find(entry => entry.id === 'wherry-4')!
    expect(toPay('owned', 'owned', 'owned')).toBe(0)
    expect(toPay('new', 'owned', 'owned')).toBe(price)
    expect(toPay('owned', 'new', 'owned')).toBe(90)
    expect(toPay('owned', 'owned', 'new')).toBe(111)
  })
  it('parts as often as they are put in, at their own price where one is entered', () => {
    const toPay = (parts: NonNullable<PlanInput['machine']>['parts']) =>
      assessed({ machine: { base: 'own', condition: 'owned', parts } }).domains.ownership.toPay
    expect(toPay([{ ref: 'cardEntry', count: 3 }])).toBe(270)
    expect(toPay([{ ref: 'cardEntry', count: 2, price: 55 }])).toBe(110)
  })
})
