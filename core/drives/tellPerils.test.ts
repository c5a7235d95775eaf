import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { planSchema } from '../plan/planSchema'
import { perilBand } from './drivesFacts'

const plan = (drives: object, holdings: object[] = [{ kind: 'photos', titles: 50_000 }]) =>
  planSchema.parse({
    name: 'x',
    library: { holdings },
    drives: { lots: [{ count: 3, sizeTB: 8 }], layout: 'mirror', ...drives },
    choices: { survivesAtLeast: 1 },
  })
function of(drives: object = {}, holdings?: object[]) {
  const assessment = assess(plan(drives, holdings), catalogue)
  return {
    figure: (id: string) => assessment.figures[`drives.${id}`]!,
    survival: assessment.verdicts.find(({ id }) => id === 'survival')!,
    codes: assessment.findings.map(({ code }) => code),
  }
}

describe('a plan without a second copy of what is irreplaceable', () => {
  it('is never ample in survival, and says so', () => {
    expect(of().survival).toMatchObject({
      state: 'enough',
      sentence: expect.stringContaining('What is irreplaceable has no second copy.'),
      figures: expect.arrayContaining(['drives.irreplaceableLossChancePerYear']),
    })
    for (const copy of ['secondBox', 'offlineCopy', 'awayCopy']) {
      for (const held of ['irreplaceable', 'everything'])
        expect(of({ [copy]: held }).survival).toMatchObject({
          state: 'ample',
          sentence: expect.not.stringContaining('second copy'),
        })
    }
  })
  it('may be ample where nothing is irreplaceable', () => {
    expect(of({}, [{ kind: 'film', titles: 100 }]).survival.state).toBe('ample')
  })
  it('is told that redundancy is no backup, with what is at stake, once', () => {
    expect(of().codes.filter(code => code === 'IRREPLACEABLE' || code === 'NO_BACKUP')).toEqual([
      'IRREPLACEABLE',
    ])
    expect(of({}, [{ kind: 'film', titles: 100 }]).codes).toContain('NO_BACKUP')
    expect(
      of({ awayCopy: 'irreplaceable' }).codes.filter(
        code => code === 'IRREPLACEABLE' || code === 'NO_BACKUP',
      ),
    ).toEqual([])
    expect(of({ lots: [] }).codes).toContain('IRREPLACEABLE')
  })
  it('is warned of copies without versions', () => {
    expect(of({ awayCopy: 'everything', copiesWithVersions: false }).codes).toContain(
      'COPIES_WITHOUT_VERSIONS',
    )
    expect(of({ copiesWithVersions: false }).codes).not.toContain('COPIES_WITHOUT_VERSIONS')
  })
})

describe('chances a year by all perils', () => {
  it("follow the plan's own chances, from half to twice of them", () => {
    const { figure } = of()
    const sector = (each: number) => (1 - (1 - each) ** 3) * 0.5
    const all = (factor: number) =>
      1 -
      (1 - sector(0.01 * factor)) *
        (1 - 0.03 * factor) *
        (1 - 0.01 * factor) *
        (1 - 0.0025 * factor) *
        (1 - 0.005 * factor) *
        (1 - 0.0006 * factor)
    const { value, low, high } = figure('irreplaceableLossChancePerYear')
    // Three drives in a mirror are lost far too seldom to count here.
    expect(
      [low, value, high]
        .map((chance, at) => chance! - all([perilBand.low, 1, perilBand.high][at]!))
        .every(rest => Math.abs(rest) < 1e-6),
    ).toBe(true)
    expect(perilBand).toEqual({ low: 0.5, likely: 1, high: 2 })
    expect(
      of({ deletionChance: 0.2 }).figure('irreplaceableLossChancePerYear').value,
    ).toBeGreaterThan(0.2)
    expect(figure('irreplaceableLossChancePerYear').formula).toMatch(
      /^1 − \(1 − 3 % “deleted by mistake”\) × /,
    )
  })
  it('are lower for what a copy holds only', () => {
    const { figure } = of({ awayCopy: 'irreplaceable' })
    expect(figure('irreplaceableLossChancePerYear').value).toBeLessThan(
      0.1 * figure('replaceableLossChancePerYear').value!,
    )
  })
  it('count a failed drive as a day out only where the layout does not run on', () => {
    const out = (layout: string) =>
      of({ layout, lots: [{ count: 2, sizeTB: 8 }] }).figure('dayOutChancePerYear').value!
    expect(out('nightly-copy')).toBeGreaterThan(out('mirror') + 0.02)
  })
  it('are not known without drives', () => {
    for (const id of [
      'irreplaceableLossChancePerYear',
      'replaceableLossChancePerYear',
      'dayOutChancePerYear',
    ])
      expect(of({ lots: [] }).figure(id).value).toBe(null)
  })
})
