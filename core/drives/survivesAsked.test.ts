import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { wideGroupFrom } from '../plan/constants'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { layouts } from './layouts/layouts'
import { replacingCopyDays } from './survivesAsked'
import { wideFromChance } from './wideGroup'

const of = (drives: PlanInput['drives'], changes: Partial<PlanInput> = {}) => {
  const assessment = assess(
    planSchema.parse({ name: 'x', library: { otherTB: 1 }, ...changes, drives }),
    catalogue,
  )
  return {
    ...assessment.domains.drives,
    verdict: assessment.verdicts.find(({ id }) => id === 'survival')!,
    figure: assessment.figures['drives.mustSurvive']!,
  }
}
const lots = (count: number, sizeTB = 4) => [{ count, sizeTB }]

describe('how many failed drives must be survived', () => {
  it('is one until a group has six drives, and then two', () => {
    expect(wideGroupFrom).toBe(6)
    expect([1, 2, 3, 5].map(count => of({ lots: lots(count) }).asked)).toEqual(
      Array(4).fill({ count: 1, layoutFor: 1, because: 'usual' }),
    )
    const six = of({ lots: lots(6) })
    expect(six.asked).toEqual({ count: 2, layoutFor: 2, because: 'wideGroup' })
    expect([six.layoutId, six.verdict.state]).toEqual(['rotating-2', 'enough'])
    expect(six.figure.value).toBe(2)
    expect(six.figure.formula).toContain('6 or more drives')
  })
  it('is judged on the groups that the layout makes, with single redundancy', () => {
    // The same answer with one parity and with two: it does not swing with the choice.
    for (const [single, double] of [
      ['rotating-1', 'rotating-2'],
      ['dedicated-1', 'dedicated-2'],
      ['snapshot-1', 'snapshot-2'],
      ['sliced-1', 'sliced-2'],
      ['rotating-1', 'rotating-3'],
    ] as const)
      for (const count of [5, 6, 7]) {
        const [one, more] = [single, double].map(layout => of({ lots: lots(count), layout }))
        expect(one!.asked).toEqual(more!.asked)
        expect(one!.asked.count).toBe(count < 6 ? 1 : 2)
        expect(one!.verdict.state).toBe(count < 6 ? 'enough' : 'short')
        expect(['enough', 'ample']).toContain(more!.verdict.state)
      }
    // Pairs are groups of two, and two groups of four are no wide group.
    expect(of({ lots: lots(8), layout: 'pairs' }).asked.count).toBe(1)
    const groups = [1, 2].map(group => ({ count: 4, sizeTB: 4, group }))
    expect(of({ lots: groups, layout: 'rotating-1' }).asked.count).toBe(1)
    // What survives nothing is judged as the usual layout.
    expect(of({ lots: lots(6), layout: 'separate' }).asked.count).toBe(2)
    for (const { id, single } of layouts)
      if (single) expect(layouts.find(layout => layout.id === single)!.survives(4), id).toBe(1)
  })
  it('says why in its sentence', () => {
    expect(of({ lots: lots(6), layout: 'rotating-1' }).verdict.sentence).toContain(
      'It must survive 2 failed drives, because a group has 6 or more drives, and survives 1.',
    )
    expect(of({ lots: lots(2), layout: 'stripe' }).verdict.sentence).toContain(
      'It must survive one failed drive, and survives none.',
    )
  })
  it('is two where a file is likely to be lost in a rebuild', () => {
    const big = (failuresPerYear: number) =>
      of(
        {
          lots: lots(5, 20),
          layout: 'rotating-1',
          failuresPerYear,
          sheetReadErrorBits: 1e14,
        },
        { library: { otherTB: 60 } },
      )
    const [few, many] = [big(0.005), big(0.06)]
    const chance = (found: typeof few) => found!.pool!.fileLossChanceAtHorizon.likely
    expect(chance(few)).toBeLessThan(wideFromChance)
    expect(chance(many)).toBeGreaterThan(wideFromChance)
    expect([few!.asked.because, many!.asked.because]).toEqual(['usual', 'fileLoss'])
    expect(many!.verdict.state).toBe('short')
  })
  it('is none where a copy away that is a week old at most holds everything', () => {
    const away = (drives: PlanInput['drives'], count = 6) =>
      of({
        lots: lots(count),
        awayCopy: 'everything',
        awayEveryDays: 7,
        awayBy: 'carried',
        ...drives,
      })
    expect(replacingCopyDays).toBe(7)
    const found = away({})
    expect(found.asked).toEqual({ count: 0, layoutFor: 1, because: 'copyAway' })
    // The usual layout is still made for one.
    expect(found.layoutId).toBe('rotating-1')
    expect(found.verdict.state).toBe('ample')
    expect(away({ layout: 'separate' }).asked.count).toBe(0)
    expect(away({ awayEveryDays: 8 }).asked.count).toBe(2)
    expect(away({ awayCopy: 'irreplaceable' }).asked.count).toBe(2)
    expect(
      of({ lots: lots(6), awayCopy: 'everything', awayEveryDays: 7, awayBy: 'carried' }, {
        library: { holdings: [{ quality: 'hd1080-h264', titles: 100, copies: 'nowhere' }] },
      } as Partial<PlanInput>).asked.count,
    ).toBe(2)
  })
  it('is what was chosen, and nothing where everything may be lost', () => {
    const chosen = (survivesAtLeast: number) =>
      of({ lots: lots(6) }, { choices: { survivesAtLeast } })
    expect([0, 1, 2, 3].map(count => chosen(count).asked.count)).toEqual([0, 1, 2, 3])
    expect(chosen(0).layoutId).toBe('separate')
    expect(chosen(1).asked.because).toBe('chosen')
    const lost = of({ lots: lots(6) }, {
      library: { holdings: [{ quality: 'hd1080-h264', titles: 100, mayBeLost: true }] },
    } as Partial<PlanInput>)
    expect(lost.asked).toEqual({ count: 0, layoutFor: 1, because: 'mayBeLost' })
  })
})
