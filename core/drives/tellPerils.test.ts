import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { planSchema } from '../plan/planSchema'
import { perilBand, perilBands } from './perilBands'
import { perilChances, type PerilQuestion } from './perilChances'

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
  it('is short in survival, and says so first', () => {
    expect(of().survival).toMatchObject({
      state: 'short',
      ofBuild: 'ample',
      sentence: expect.stringMatching(
        /^What is irreplaceable has no copy outside this machine\. If one drive fails/,
      ),
      figures: expect.arrayContaining(['drives.irreplaceableLossChancePerYear']),
    })
  })
  it('is tight with a copy in the house, enough with one away, ample with both', () => {
    const states = (drives: object) => {
      const { state, sentence } = of(drives).survival
      return [state, /no copy away/.test(sentence)]
    }
    for (const held of ['irreplaceable', 'everything']) {
      expect(states({ secondBox: held })).toEqual(['tight', true])
      expect(states({ offlineCopy: held })).toEqual(['tight', true])
      expect(states({ awayCopy: held, awaySets: 1 })).toEqual(['enough', false])
      expect(states({ awayCopy: held, awaySets: 1, offlineCopy: held })).toEqual(['ample', false])
    }
    // Of two sets one is here while the other is away; a store has none here.
    expect(states({ awayCopy: 'irreplaceable', awaySets: 2 })[0]).toBe('ample')
    expect(
      states({
        awayCopy: 'irreplaceable',
        awaySets: 2,
        awayBy: 'store',
        awayFirstCarried: true,
      })[0],
    ).toBe('enough')
    // Without older versions two copies are no more than one.
    for (const without of [{ awayKept: 0 }, { copiesWithVersions: false }])
      expect(states({ awayCopy: 'irreplaceable', awaySets: 2, ...without })[0]).toBe('enough')
    // A copy that is made too seldom is none.
    expect(states({ awayCopy: 'irreplaceable', awayEveryDays: 31 })[0]).toBe('ample')
    expect(states({ awayCopy: 'irreplaceable', awayEveryDays: 32 })[0]).toBe('short')
    expect(states({ offlineCopy: 'irreplaceable', offlineEveryDays: 32 })[0]).toBe('short')
    expect(states({ secondBox: 'irreplaceable', secondBoxEveryDays: 32 })[0]).toBe('short')
  })
  it('is no better than its drives, however it is copied', () => {
    const copied = { awayCopy: 'everything', secondBox: 'everything' }
    expect(of({ ...copied, layout: 'stripe' }).survival).toMatchObject({
      state: 'short',
      ofBuild: 'short',
      sentence: expect.stringMatching(/^It must survive one failed drive/),
    })
  })
  it('asks nothing for what may be lost', () => {
    const lost = [{ kind: 'photos', titles: 50_000, mayBeLost: true }]
    const { survival, codes } = of({ layout: 'separate' }, lost)
    expect(survival).toMatchObject({ state: 'enough', asked: { likely: 0 } })
    expect(codes).not.toContain('IRREPLACEABLE')
    // One holding that is missed is enough to ask again.
    expect(of({ layout: 'separate' }, [...lost, { kind: 'film', titles: 10 }]).survival.state).toBe(
      'short',
    )
  })
  it('is never worse with more copies, nor for what may be lost', () => {
    const order = ['ample', 'enough', 'tight', 'short', 'impossible']
    const worth = (drives: object, holdings?: object[]) =>
      order.indexOf(of(drives, holdings).survival.state)
    const held = ['nothing', 'irreplaceable', 'everything']
    for (const layout of ['mirror', 'separate'])
      for (const [at, more] of [
        [0, 1],
        [1, 2],
      ] as const)
        for (const place of ['secondBox', 'offlineCopy', 'awayCopy'])
          for (const other of held)
            expect(worth({ layout, offlineCopy: other, [place]: held[more] })).toBeLessThanOrEqual(
              worth({ layout, offlineCopy: other, [place]: held[at] }),
            )
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
  it('counts a copy over the line that never gets done as not there', () => {
    // 1 Mb/s at 60 % for 7 h are 1.9 GB a night; pictures grow by nothing.
    const line = { awayCopy: 'everything', awayBy: 'line', awaySets: 1 }
    const at = (uploadMbps: number, more: object = {}, holding: object = {}) => {
      const assessment = assess(
        planSchema.parse({
          ...plan({ ...line, ...more }, [
            { kind: 'documents', quality: 'given', sizeGB: 200, ...holding },
          ]),
          network: { uploadMbps },
        }),
        catalogue,
      )
      return {
        state: assessment.verdicts.find(({ id }) => id === 'survival')!.state,
        told: assessment.findings.some(({ code }) => code === 'COPY_NEVER_DONE'),
        loss: assessment.figures['drives.irreplaceableLossChancePerYear']!.value!,
      }
    }
    const never = at(1)
    expect(never).toMatchObject({ state: 'short', told: true })
    const done = at(20)
    expect(done).toMatchObject({ state: 'enough', told: false })
    expect(never.loss).toBeGreaterThan(10 * done.loss)
    // 200 GB in 90 nights are 2.222 GB a night: 1.1757 Mb/s.
    expect([at(1.1757).told, at(1.1759).told]).toEqual([true, false])
    // Carried over, it only has to keep up with what changes.
    expect(at(1, { awayFirstCarried: true })).toMatchObject({ state: 'enough', told: false })
    expect(at(1, { awayFirstCarried: true }, { addedGBPerMonth: 60 })).toMatchObject({
      state: 'short',
      told: true,
    })
    expect(at(0.01, { awayBy: 'carried' }).told).toBe(false)
  })
  it('is warned of copies without versions', () => {
    expect(of({ awayCopy: 'everything', copiesWithVersions: false }).codes).toContain(
      'COPIES_WITHOUT_VERSIONS',
    )
    expect(of({ copiesWithVersions: false }).codes).not.toContain('COPIES_WITHOUT_VERSIONS')
  })
})

describe('several drives at once', () => {
  const happens = (changes: object) =>
    assess(
      planSchema.parse({
        name: 'x',
        drives: { layout: 'mirror', lots: [{ count: 2, sizeTB: 8 }] },
        ...changes,
      }),
      catalogue,
    ).domains.drives.pool!.perils.perils.find(({ id }) => id === 'several')!.happens
  const beside = { layout: 'mirror', lots: [{ count: 2, sizeTB: 5, model: 'rivulet-5' }] }
  it('are likelier where drives hang on USB, unless their chance is entered', () => {
    expect(happens({})).toBe(0.005)
    expect(happens({ machine: { parts: [{ ref: 'trug-4' }] } })).toBe(0.02)
    expect(happens({ drives: beside })).toBe(0.02)
    // A spare one on the shelf, and one by an outside cable, are none.
    expect(happens({ machine: { parts: [{ ref: 'trug-4', purpose: 'spare' }] } })).toBe(0.005)
    const byCable = catalogue.hardware.find(
      part => part.kind === 'enclosure' && part.link === 'cable',
    )!
    expect(happens({ machine: { parts: [{ ref: byCable.id }] } })).toBe(0.005)
    expect(happens({ drives: { ...beside, severalChance: 0.1 } })).toBe(0.1)
    expect(happens({ drives: { ...beside, severalChance: 0 } })).toBe(0)
  })
})

describe('the band of all perils together', () => {
  const none = { irreplaceable: false, replaceable: false }
  const question = (factor: number, change: Partial<PerilQuestion> = {}): PerilQuestion => ({
    drivesLoss: 0.001 * factor,
    anyDriveFails: 0.06 * factor,
    drives: 4,
    runsOn: false,
    hasRedundancy: false,
    checksummed: false,
    perYear: {
      sectorOfDrive: 0.01 * factor,
      deletion: 0.03 * factor,
      malware: 0.01 * factor,
      surge: 0.005 * factor,
      theft: 0.005 * factor,
      board: 0.03 * factor,
      several: 0.005 * factor,
    },
    snapshots: false,
    ups: false,
    outageHoursPerYear: 0,
    copies: { secondBox: none, offlineCopy: none, awayCopy: none },
    withVersions: true,
    secondBoxTakesOver: false,
    coverages: [],
    ...change,
  })
  const bands = (change: Partial<PerilQuestion> = {}) =>
    perilBands({
      low: question(0.5, change),
      likely: question(1, change),
      high: question(2, change),
    })
  /** Slow: every chance is swung in a question of its own. */
  function slow(result: 'irreplaceable' | 'dayOut', change: Partial<PerilQuestion> = {}) {
    const scale = (chance: number) => Math.log(-Math.log(1 - chance))
    const likely = question(1, change)
    const middle = scale(perilChances(likely)[result])
    const end = (factor: number) => {
      const far = question(factor, change)
      const swings = [
        { ...likely, drivesLoss: far.drivesLoss, anyDriveFails: far.anyDriveFails },
        ...Object.keys(likely.perYear).map(id => ({
          ...likely,
          perYear: { ...likely.perYear, [id]: far.perYear[id as 'theft'] },
        })),
      ]
      const squares = swings.map(swung => (scale(perilChances(swung)[result]) - middle) ** 2)
      const away = Math.sqrt(squares.reduce((sum, square) => sum + square, 0))
      return 1 - Math.exp(-Math.exp(middle + (factor < 1 ? -away : away)))
    }
    return { low: end(0.5), likely: perilChances(likely)[result], high: end(2) }
  }
  it('swings each chance alone, where nothing covers anything', () => {
    for (const result of ['irreplaceable', 'dayOut'] as const) {
      const [fast, by] = [bands()[result], slow(result)]
      for (const end of ['low', 'likely', 'high'] as const)
        expect(fast[end]).toBeCloseTo(by[end], 10)
    }
  })
  it('swings what a copy leaves too, which widens it', () => {
    const copies = {
      secondBox: none,
      offlineCopy: none,
      awayCopy: { irreplaceable: true, replaceable: true },
    }
    const [fast, chances] = [bands({ copies }).irreplaceable, slow('irreplaceable', { copies })]
    expect(fast.likely).toBeCloseTo(chances.likely, 12)
    expect(fast.low).toBeLessThan(chances.low)
    expect(fast.high).toBeGreaterThan(chances.high)
    // Never beyond all and each of them at once.
    expect(fast.high).toBeLessThan(4 * fast.likely)
  })
  it('stays within 0 and 1 for whatever chances', () => {
    for (const chance of [0, 1e-9, 0.5, 1]) {
      const perYear = Object.fromEntries(
        Object.keys(question(1).perYear).map(id => [id, chance]),
      ) as PerilQuestion['perYear']
      for (const { low, likely, high } of Object.values(bands({ perYear }))) {
        expect(low).toBeGreaterThanOrEqual(0)
        expect(low).toBeLessThanOrEqual(likely)
        expect(high).toBeGreaterThanOrEqual(likely)
        expect(high).toBeLessThanOrEqual(1)
      }
    }
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
        (1 - 0.0006 * factor) *
        (1 - 0.0015 * factor)
    const { value, low, high } = figure('irreplaceableLossChancePerYear')
    // Three drives in a mirror are lost far too seldom to count here.
    expect(value).toBeCloseTo(all(1), 6)
    // Perils are independent: narrower than all of them at once, wider than the largest alone.
    expect(low).toBeGreaterThan(all(perilBand.low))
    expect(high).toBeLessThan(all(perilBand.high))
    expect(low).toBeLessThan(value! - 0.014)
    expect(high).toBeGreaterThan(value! + 0.028)
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
