import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { exactly } from '../figure'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { compareProcessors } from '../tiers/compareProcessors'
import { conversionFixes } from '../tiers/conversionFixes'
import { fixesOf } from '../tiers/rankFixes'
import { compareWays } from '../tiers/compareWays'
import { plainFormat } from '../units/format'
import { meetsNeed, verdictStates, type VerdictState } from '../verdict'
import { conversionState, minutesState } from './streamsFacts'
import { spreadOf } from './pureCases'

const atScore = (score: number, changes: Partial<PlanInput> = {}) =>
  assess(
    planSchema.parse({
      ...tideMillHouse,
      ...changes,
      machine: { ...tideMillHouse.machine, score },
    }),
    catalogue,
  )
const streamsOf = ({ verdicts }: ReturnType<typeof assess>) =>
  verdicts.find(verdict => verdict.id === 'streams')!
const rank = (state: VerdictState) => verdictStates.indexOf(state)

describe('a verdict on conversions', () => {
  it('never says yes to a machine that cannot play: the demo on 300 points', () => {
    const weak = atScore(300)
    expect(streamsOf(weak)).toMatchObject({
      state: 'impossible',
      asked: exactly(3),
      possible: exactly(0),
    })
    expect(streamsOf(weak).sentence).toContain('cannot do even one')
    expect(weak.figures['streams.minutesShortPerMonth']!.value!).toBeGreaterThan(2000)
  })
  it('says that not even one can be done just where that is likely', () => {
    for (const score of [100, 300, 330, 600, 900, 1200, 2000, 3000]) {
      const { possible, sentence } = streamsOf(atScore(score))
      expect(sentence.includes('cannot do even one'), `${score}`).toBe(possible!.likely === 0)
    }
  })
  it('asks the same of every machine: what cannot be converted is needed all the same', () => {
    const asked = (score: number) =>
      ['streams.asked', 'streams.asked95', 'streams.asked99', 'streams.askedHeadCount'].map(
        id => atScore(score).figures[id]!.value,
      )
    for (const score of [1, 300, 1300, 6200, 40_000, 500_000])
      expect(asked(score), String(score)).toEqual(asked(20_000))
    const minutes = atScore(300).domains.playback.demand.convertingShares
    expect(atScore(500_000).domains.playback.demand.convertingShares).toEqual(
      minutes.map(share => expect.closeTo(share, 12)),
    )
  })
  it('falls behind for fewer minutes the stronger the machine is, score by score', () => {
    const minutes = [
      1, 300, 450, 600, 900, 1300, 2000, 3000, 4500, 6200, 9000, 12_000, 16_000, 25_000, 60_000,
      200_000,
    ].map(score => atScore(score).figures['streams.minutesShortPerMonth']!.value!)
    minutes
      .slice(1)
      .forEach((value, at) => expect(value, `step ${at}`).toBeLessThanOrEqual(minutes[at]! + 1e-9))
    expect(minutes[0]).toBeGreaterThan(2000)
    expect(minutes.at(-1)).toBe(0)
  })

  const anyHouse: fc.Arbitrary<Partial<PlanInput>> = fc.record({
    household: fc.record({
      viewers: fc.constant([
        { id: 'a', lowestRungMbps: 0.9 },
        { id: 'b', lowestRungMbps: 10 },
        { id: 'c', place: 'ship' },
      ]),
      places: fc.constant([{ id: 'ship', downloadMbps: 9 }]),
      devices: fc.tuple(
        ...Array.from({ length: 3 }, (_, at) =>
          fc
            .constantFrom(...catalogue.deviceClasses.map(entry => entry.id))
            .map(id => ({ id: `d${at}`, class: id })),
        ),
      ),
      habits: fc.array(
        fc.record({
          viewer: fc.constantFrom('a', 'b', 'c'),
          device: fc.constantFrom('d0', 'd1', 'd2'),
          earliest: fc.integer({ min: 1080, max: 1300 }),
          latest: fc.constant(1320),
          minutes: fc.integer({ min: 30, max: 180 }),
          chance: fc.constantFrom(0.2, 0.7, 1),
        }),
        { minLength: 1, maxLength: 4 },
      ),
    }),
    library: fc.record({
      holdings: fc.array(
        fc.record({
          quality: fc.constantFrom(...catalogue.qualities.map(quality => quality.id)),
          titles: fc.constant(10),
          subtitles: fc.constantFrom('usual' as const, 'bitmap' as const),
        }),
        { minLength: 1, maxLength: 4 },
      ),
    }),
  })
  const anyMachine = fc.record({
    engine: fc.constantFrom('none', 'builtInA', 'builtInC', 'builtInE'),
    cores: fc.constantFrom(2, 4, 16),
    passivelyCooled: fc.boolean(),
  })
  const assessed = (house: Partial<PlanInput>, machine: PlanInput['machine']) =>
    assess(planSchema.parse({ name: 'x', ...house, machine }), catalogue)

  it('of any household never gets worse minutes with a better score', () => {
    fc.assert(
      fc.property(
        anyHouse,
        anyMachine,
        fc.integer({ min: 1, max: 30_000 }),
        fc.integer({ min: 0, max: 60_000 }),
        (house, machine, score, more) => {
          const minutes = (points: number) =>
            assessed(house, { ...machine, score: points }).figures['streams.minutesShortPerMonth']!
              .value!
          expect(minutes(score + more)).toBeLessThanOrEqual(minutes(score) + 1e-9)
        },
      ),
      { numRuns: 60 },
    )
  })
  it(
    'of any household is impossible where something is needed and nothing possible, and ' +
      'never better than its minutes',
    () => {
      fc.assert(
        fc.property(
          anyHouse,
          anyMachine,
          fc.integer({ min: 1, max: 30_000 }),
          (house, machine, score) => {
            const { figures, domains, verdicts } = assessed(house, { ...machine, score })
            const { state } = verdicts.find(verdict => verdict.id === 'streams')!
            // Where a viewer accepts smaller pictures one of those may still be done.
            const acceptsLess = house.household?.viewers?.some(
              ({ lowestRungMbps }) => lowestRungMbps !== undefined,
            )
            if (figures['streams.asked']!.value! > 0 && figures['streams.possible']!.value === 0)
              expect(rank(state)).toBeGreaterThanOrEqual(rank(acceptsLess ? 'short' : 'impossible'))
            expect(rank(state)).toBeGreaterThanOrEqual(
              rank(minutesState(domains.streams.minutes!.perMonth, 15)),
            )
            // Smaller pictures, where viewers accept them, make of short no better than tight.
            expect(rank(state)).toBeGreaterThanOrEqual(
              Math.min(
                rank('tight'),
                rank(conversionState(figures['streams.asked']!.value!, domains.streams.possible)),
              ),
            )
          },
        ),
        { numRuns: 60 },
      )
    },
  )
  it('does not charge the machine with what the line alone prevents', () => {
    const far = planSchema.parse({
      name: 'x',
      machine: { score: 60_000, cores: 8 },
      network: { uploadMbps: 0.5 },
      library: { holdings: [{ titles: 5 }] },
      household: {
        places: [{ id: 'ship' }],
        viewers: [{ id: 'a', place: 'ship' }],
        devices: [{ id: 'tv' }],
        habits: [{ name: 'Off watch', viewer: 'a', device: 'tv' }],
      },
    })
    const { figures, findings, domains } = assess(far, catalogue)
    expect(figures['playback.cannotShare']!.value).toBe(1)
    expect(figures['streams.asked']!.value).toBe(0)
    expect(domains.streams.state).toBe('ample')
    expect(findings.find(entry => entry.code === 'CANNOT_PLAY')?.sentence).toContain(
      'does not carry even',
    )
  })
  it('tells each title by what stops it, not by what stops another', () => {
    const plan = planSchema.parse({
      name: 'x',
      machine: { score: 900, cores: 4 },
      network: { uploadMbps: 0.5 },
      library: {
        holdings: [
          { kind: 'film', titles: 5 },
          { kind: 'homeVideo', quality: 'uhd-hdr-hevc', titles: 3 },
        ],
      },
      household: {
        places: [{ id: 'ship' }],
        viewers: [{ id: 'a', place: 'ship' }, { id: 'b' }],
        devices: [{ id: 'tv' }, { id: 'browser', class: 'browser', link: 'wired1000' }],
        habits: [
          { viewer: 'a', device: 'tv', watches: { film: 1, series: 0 } },
          { viewer: 'b', device: 'browser', watches: { film: 0, series: 0, homeVideo: 1 } },
        ],
      },
    })
    const sentences = assess(plan, catalogue)
      .findings.filter(entry => entry.code === 'CANNOT_PLAY')
      .map(entry => entry.sentence)
    expect(sentences.find(text => text.startsWith('HD 1080'))).toContain('does not carry')
    expect(sentences.find(text => text.startsWith('UHD'))).toContain('too slow on this machine')
  })
  it('tells titles that one cause keeps from the same devices in one sentence', () => {
    const plan = planSchema.parse({
      name: 'x',
      network: { uploadMbps: 0.5 },
      library: {
        holdings: ['hd1080-h264', 'hd1080-hevc', 'uhd-hdr-hevc', 'hd1080-disc'].map(quality => ({
          quality,
          titles: 5,
        })),
      },
      household: {
        places: [{ id: 'ship' }],
        viewers: [{ id: 'a', place: 'ship' }],
        devices: [{ id: 'tv', name: 'Cabin set' }],
        habits: [{ viewer: 'a', device: 'tv' }],
      },
    })
    const sentences = assess(plan, catalogue)
      .findings.filter(entry => entry.code === 'CANNOT_PLAY')
      .map(entry => entry.sentence)
    expect(sentences).toHaveLength(1)
    expect(sentences[0]).toMatch(/ and 1 more cannot be played on Cabin set: the internet line/)
  })
  it(
    'warns once of what the machine is too slow for: by title and device where habits say ' +
      'who watches, else by title',
    () => {
      const codes = (plan: object) =>
        assess(planSchema.parse(plan), catalogue)
          .findings.map(entry => entry.code)
          .filter(code => code === 'CANNOT_PLAY' || code === 'ONE_ALONE_TOO_SLOW')
      const slow = { ...tideMillHouse, machine: { ...tideMillHouse.machine, score: 900 } }
      expect(new Set(codes(slow))).toEqual(new Set(['CANNOT_PLAY']))
      expect(
        codes({
          ...slow,
          choices: { school: 'atOnce' },
          household: { watchingHome: 2, converted: 2 },
        }),
      ).toEqual(['ONE_ALONE_TOO_SLOW'])
    },
  )
  it('is the same wherever it is told', () => {
    const plan = planSchema.parse(tideMillHouse)
    for (const { plan: changed, state } of [
      ...compareProcessors(plan, catalogue),
      ...conversionFixes(plan, catalogue),
      ...fixesOf(plan, catalogue).ranked,
    ])
      expect(streamsOf(assess(changed, catalogue)).state).toBe(state)
    for (const { plan: changed, assessment, meets } of compareWays(plan, catalogue, plainFormat)) {
      expect(streamsOf(assess(changed, catalogue)).state).toBe(assessment.verdicts[0]!.state)
      if (meets) expect(meetsNeed(assessment.verdicts[0]!.state)).toBe(true)
    }
    // The small chip that was called ample beside 208 minutes short.
    expect(
      compareProcessors(plan, catalogue).find(row => row.processor.id === 'beck-16'),
    ).toMatchObject({ state: 'short' })
  })
  it('of an empty plan is unknown, and of a palace ample', () => {
    expect(streamsOf(assess(planSchema.parse({ name: 'x' }), catalogue)).state).toBe('unknown')
    const palace = planSchema.parse({
      ...tideMillHouse,
      machine: { processor: 'race-24', parts: [{ ref: 'cardModern' }], memoryGB: 64 },
    })
    expect(streamsOf(assess(palace, catalogue)).state).toBe('ample')
  })
  it('says what the machine is too slow for, and gives a range only where there is one', () => {
    const manySlowCores = assess(
      planSchema.parse({
        ...tideMillHouse,
        machine: { base: 'own', condition: 'owned', score: 14_000, cores: 40, engine: 'none' },
      }),
      catalogue,
    )
    const { stuckShare, possible, minutes } = manySlowCores.domains.streams
    expect(stuckShare).toBeGreaterThan(0)
    expect(possible!.low).toBeGreaterThanOrEqual(3)
    expect(minutes!.perMonth.high - minutes!.perMonth.low).toBeLessThan(0.5)
    expect(streamsOf(manySlowCores).state).toBe('short')
    expect(streamsOf(manySlowCores).sentence).toMatch(
      /more than the 15 that are accepted\. It is too slow for [\d.]+ % of the conversions\.$/,
    )
    expect(streamsOf(manySlowCores).sentence).not.toContain('(')
    expect(streamsOf(atScore(200_000)).sentence).not.toContain('too slow')
  })
  it('of the evening as answered is short while some titles are too slow for the machine', () => {
    const evening = (score: number) =>
      atScore(score, {
        choices: { school: 'atOnce' },
        household: { watchingHome: 2, watchingAway: 0, converted: 1 },
      })
    expect(streamsOf(evening(7000)).state).toBe('short')
    expect(streamsOf(evening(7000)).sentence).toContain('too slow for')
    expect(streamsOf(evening(60_000)).state).toBe('ample')
  })
})

describe('the edges of the states', () => {
  it(
    'of head room: ample to 70 % of the low end, enough to all of it, tight to the likely, ' +
      'impossible under one',
    () => {
      const possible = { low: 10, likely: 12, high: 15 }
      expect([7, 8, 10, 11, 12, 13].map(needed => conversionState(needed, possible))).toEqual([
        'ample',
        'enough',
        'enough',
        'tight',
        'tight',
        'short',
      ])
      expect(conversionState(1, { low: 0, likely: 0, high: 4 })).toBe('impossible')
      expect(conversionState(1, { low: 0, likely: 1, high: 4 })).toBe('tight')
      expect(conversionState(0, exactly(0))).toBe('ample')
      expect(conversionState(1, null)).toBe('unknown')
    },
  )
  it('of minutes short against those accepted; above them is short, never impossible', () => {
    expect([10.5, 10.6, 15, 15.1].map(minutes => minutesState(exactly(minutes), 15))).toEqual([
      'ample',
      'enough',
      'enough',
      'short',
    ])
    expect(minutesState({ low: 5, likely: 12, high: 20 }, 15)).toBe('tight')
    expect(minutesState(exactly(0.01), 0)).toBe('short')
    expect(minutesState(exactly(0), 0)).toBe('ample')
  })
})

describe('an estimate as a factor', () => {
  it('is one at its likely value; of nothing it is one all over', () => {
    expect(spreadOf({ low: 2, likely: 4, high: 6 })).toEqual({ low: 0.5, likely: 1, high: 1.5 })
    expect(spreadOf({ low: 0, likely: 0, high: 6 })).toEqual({ low: 1, likely: 1, high: 1 })
  })
})
