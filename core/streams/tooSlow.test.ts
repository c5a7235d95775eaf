import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema, type PlanInput } from '../plan/planSchema'
import { conversionState, mostUnplayable, tooSlowState } from './streamsFacts'

const of = (changes: Partial<PlanInput>) => {
  const { verdicts, figures, domains } = assess(
    planSchema.parse({
      name: 'x',
      household: { watchingHome: 2, watchingAway: 0, converted: 1 },
      library: {
        holdings: [
          { quality: 'hd1080-hevc', titles: 1000 },
          { quality: 'sd-disc', titles: 20 },
        ],
      },
      ...changes,
    } as PlanInput),
    catalogue,
  )
  return { ...verdicts.find(({ id }) => id === 'streams')!, figures, facts: domains.streams }
}
const ownMachine = (score: number, machine: object = {}) => ({
  machine: { base: 'own', processor: 'own', score, cores: 4, engine: 'none', ...machine },
})
const order = ['ample', 'enough', 'tight', 'short', 'impossible']

describe('a machine that is too slow for most of the library', () => {
  it('is never told to do, by the evening as answered', () => {
    for (const score of [400, 600, 900, 1200, 1600, 2000])
      expect(of(ownMachine(score)).state, `${score}`).toBe('impossible')
    expect(of(ownMachine(9000)).state).toBe('ample')
  })
  it('looks no better than a faster one, for one conversion or two', () => {
    for (const converted of [1, 2]) {
      const states = [400, 1000, 2000, 3000, 4500, 6000, 9000, 20_000].map(score =>
        order.indexOf(
          of({
            ...ownMachine(score),
            household: { watchingHome: 2, watchingAway: 0, converted },
          }).state,
        ),
      )
      expect(states).toEqual([...states].sort((a, b) => b - a))
    }
  })
  it('is short by what falls back to software that is too slow', () => {
    const falling = (score: number) =>
      of({
        ...ownMachine(score, { engine: 'builtInF' }),
        choices: { fallbackShare: 0.4 },
      })
    expect(falling(900).facts.stuckShare).toBeCloseTo(0.4 * (1000 / 1020), 9)
    expect(['short', 'impossible']).toContain(falling(900).state)
    const states = [900, 3000, 6000, 12_000].map(score => order.indexOf(falling(score).state))
    expect(states).toEqual([...states].sort((a, b) => b - a))
  })
  it('counts with the work that it would take, so that the number grows with the machine', () => {
    const possible = [300, 600, 1200, 2400, 4800, 9600].map(
      score => of(ownMachine(score)).facts.capacity!.conversions.likely,
    )
    for (const [at, value] of possible.entries())
      if (at > 0) expect(value).toBeCloseTo(2 * possible[at - 1]!, 9)
    const { value, formula } = of(ownMachine(9600)).figures['streams.possible']!
    expect(value).toBe(Math.floor(possible.at(-1)!))
    expect(formula).toContain('÷')
  })
  it('needs nothing where nothing is kept whose picture could need it', () => {
    const photos = of({
      ...ownMachine(300),
      library: { holdings: [{ kind: 'photos', quality: 'photo', titles: 20_000 }] },
    } as Partial<PlanInput>)
    expect([photos.facts.needed.needed, photos.state]).toEqual([0, expect.any(String)])
    expect(photos.figures['streams.asked']!.value).toBe(0)
    expect(photos.sentence).toContain('Nothing is kept whose picture could need converting')
    expect(of({ ...ownMachine(9000), library: {} }).facts.needed.needed).toBe(0)
    // What is kept and not described may be anything.
    expect(of({ ...ownMachine(9000), library: { otherTB: 3 } }).facts.needed.needed).toBe(1)
  })
})

describe('the states of what is too slow and of smaller pictures', () => {
  it('are neutral while nothing is, short above what is allowed, impossible above half', () => {
    expect(mostUnplayable).toBe(0.5)
    const state = (stuckShare: number, unplayableShare = 0, allowedShare = 0) =>
      tooSlowState({ stuckShare, unplayableShare, allowedShare })
    expect([
      state(0),
      state(0.01),
      state(0.2, 0.5),
      state(0.2, 0.51),
      state(1),
      state(0.1, 0, 0.1),
      state(0.11, 0, 0.1),
    ]).toEqual(['unknown', 'short', 'short', 'impossible', 'impossible', 'unknown', 'short'])
  })
  it('are tight where only smaller pictures keep up, and impossible where not even one does', () => {
    const band = (likely: number) => ({ low: likely, likely, high: likely })
    expect([
      conversionState(2, band(3), 5),
      conversionState(2, band(2), 5),
      conversionState(2, band(1), 2),
      conversionState(2, band(1), 1),
      conversionState(2, band(0), 2),
      conversionState(2, band(0), 1),
      conversionState(2, band(0), 0),
      conversionState(0, band(0), 0),
    ]).toEqual(['ample', 'enough', 'tight', 'short', 'tight', 'short', 'impossible', 'ample'])
  })
})

describe('the sentence under a limit on minutes short', () => {
  const demo = planSchema.parse(tideMillHouse)
  const at = (score: number, minutesShortTarget = 15) => {
    const { verdicts, domains } = assess(
      {
        ...demo,
        machine: { ...demo.machine, score },
        choices: { ...demo.choices, school: 'minutesShort', minutesShortTarget },
      },
      catalogue,
    )
    return { ...verdicts.find(({ id }) => id === 'streams')!, facts: domains.streams }
  }
  it('names what fails: the minutes, or how many can be converted', () => {
    for (const score of [400, 900, 1500, 2500, 4000, 6000, 9000, 14_000, 30_000])
      for (const target of [0, 1, 15, 2000, 40_000]) {
        const { state, sentence, unit, facts } = at(score, target)
        if (state !== 'short' && state !== 'impossible') continue
        const minutes = facts.minutes!.perMonth.likely
        if (unit === 'min/month') expect(minutes, sentence).toBeGreaterThan(target)
        else expect(sentence).toMatch(/needed at once|too slow for/)
        expect(sentence).not.toMatch(/\b0 minutes a month[^,]*accepted\.$/)
      }
  })
  it('tells that the range decides where only its end is too much', () => {
    const found = [2000, 2500, 3000, 4000, 5000, 6000, 8000, 10_000, 12_000]
      .flatMap(score => [1, 15, 100, 1000].map(target => at(score, target)))
      .filter(({ state, unit }) => state === 'tight' && unit === 'min/month')
    expect(found.length).toBeGreaterThan(0)
    for (const { sentence } of found) expect(sentence).toContain('at the low end of what it can do')
  })
})
