import { describe, expect, it } from 'vitest'
import { assess } from '../assess'
import { catalogue } from '../catalogue/catalogue'
import { tideMillHouse } from '../catalogue/tideMillHouse'
import { planSchema, type PlanInput } from '../plan/planSchema'

const { household } = planSchema.parse(tideMillHouse)
const assessed = (changes: Partial<PlanInput>) =>
  assess(planSchema.parse({ ...tideMillHouse, ...changes }), catalogue)
const withHabits = (change: (habit: (typeof household.habits)[number]) => object) =>
  assessed({
    household: {
      ...household,
      habits: household.habits.map(habit => ({ ...habit, ...change(habit) })),
    },
  })
const noteOf = ({ figures }: ReturnType<typeof assess>, id: string) =>
  `${figures[id]!.note ?? ''} ${figures[id]!.formula}`

describe('a household whose habits never happen', () => {
  const never = withHabits(() => ({ chance: 0 }))
  it('is told as such, not as one without habits', () => {
    for (const id of [
      'household.watching95',
      'household.watching99',
      'household.busiestExpected',
    ]) {
      expect(never.figures[id]!.value).toBe(0)
      expect(noteOf(never, id), id).toContain('None of the habits ever happens')
      expect(noteOf(never, id), id).not.toContain('No habits are entered')
    }
    expect(never.findings.filter(finding => finding.code === 'HABIT_NEVER').length).toBe(
      household.habits.length,
    )
  })
  it('needs no conversion, and is short for no minute', () => {
    expect(never.figures['streams.asked']!.value).toBe(0)
    expect(never.figures['streams.minutesShortPerMonth']!.value).toBe(0)
    expect(never.verdicts[0]!.state).toBe('ample')
  })
  it('for want of a day is the same', () => {
    const noDay = withHabits(() => ({ days: [] }))
    expect(noDay.figures['household.watching95']!.value).toBe(0)
    expect(noteOf(noDay, 'household.watching95')).toContain('None of the habits ever happens')
  })
})

describe('a household without habits', () => {
  const none = assessed({ household: { ...household, habits: [] } })
  it('says that none are entered, and goes by the answers', () => {
    expect(none.figures['household.watching95']).toMatchObject({
      value: null,
      note: 'No habits are entered yet.',
    })
    expect(none.domains.household.atOnceFrom).toBe('answers')
    expect(none.figures['streams.minutesShortPerMonth']!.value).toBeNull()
  })
})

describe('what stands in a note', () => {
  it('about a score that is not entered stands only where none is', () => {
    const told = (machine: PlanInput['machine']) =>
      Object.values(assessed({ machine }).figures)
        .map(({ note }) => note ?? '')
        .join(' ')
    for (const machine of [
      { base: 'own', score: 9000 },
      { base: 'own', processor: 'leat-17' },
      { base: 'wherry-4' },
      { base: 'own', sustainedGHz: 3.4, designYear: 2018, cores: 4 },
    ]) {
      expect(told(machine), JSON.stringify(machine)).not.toMatch(/score is not entered/i)
    }
    expect(told({ base: 'own' })).toMatch(/score|clock/i)
  })
  it('about a rebuild says how long a full pool takes, where it is empty', () => {
    const empty = assessed({
      library: { holdings: [] },
      drives: { lots: [{ count: 4, sizeTB: 16 }], layout: 'rotating-1' },
    })
    const sentences = [
      ...empty.verdicts.map(verdict => verdict.sentence),
      ...empty.findings.map(finding => finding.sentence),
    ].join(' ')
    expect(sentences).not.toMatch(/about 0\s?h/)
  })
  it('about the need is there without a drive', () => {
    const bare = assessed({ drives: { lots: [] } })
    expect(bare.figures['drives.usableNeededTB']!.value).toBeGreaterThan(0)
  })
})
