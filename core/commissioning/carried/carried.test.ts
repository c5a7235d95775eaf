import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { stepStates, type StepEntry, type StepState } from '../../plan/commissioning'
import { steps } from '../steps'
import { carriedFile } from './carriedFile'
import {
  CarriedError,
  joinTicks,
  markOfCarried,
  readCarried,
  type CarriedTick,
} from './carriedTicks'

const book = steps.slice(0, 12).map(step => ({
  step,
  hands: 10,
  wait: 0,
  needs: [],
  entry: null,
  isOver: false,
  isEarly: false,
  isOutdated: false,
  canBegin: true,
}))
const html = carriedFile({
  planId: 'p1',
  planName: 'Tide <Mill> "House"</script>',
  version: 7,
  made: '2026-12-01',
  steps: book,
})
const tick = (more: Partial<CarriedTick> = {}): CarriedTick => ({
  step: steps[0]!.id,
  state: 'done',
  day: '2026-12-02',
  who: '',
  note: '',
  measured: '',
  ...more,
})
const entry = (more: Partial<StepEntry> = {}): StepEntry => ({
  step: steps[0]!.id,
  state: 'done',
  day: '2026-12-02',
  who: '',
  reason: '',
  note: '',
  measured: '',
  photo: '',
  handsMin: null,
  basis: '',
  ...more,
})
/** The file as its own page saves it, with ticks. */
function saved(ticks: readonly CarriedTick[], change: object = {}): string {
  const { carried } = readCarried(html)
  const next = { ...carried, ticks: [...ticks] }
  const whole = { ...next, mark: markOfCarried(next), ...change }
  const json = JSON.stringify(whole).replaceAll('<', '\\u003c')
  return html.replace(
    /(id="numeron-ticks">)[\s\S]*?(<\/script>)/,
    (_, a: string, b: string) => a + json + b,
  )
}
const ids = new Set(book.map(({ step }) => step.id))

describe('a file to carry', () => {
  it('holds every step with its cautions, needs no network, and breaks out of nothing', () => {
    for (const { step } of book) expect(html).toContain(`<article id="${step.id}">`)
    expect(html).not.toMatch(/src=|href=|https?:/)
    expect(html).toContain("default-src 'none'")
    expect(html.match(/<\/script>/g)).toHaveLength(3)
    expect(html).toContain('Tide &#60;Mill&#62;')
    expect(() => new Function(/<script>([\s\S]*)<\/script>/.exec(html)![1]!)).not.toThrow()
  })
  it('is read back whole, and a change by hand is seen', () => {
    expect(readCarried(html)).toMatchObject({
      isEdited: false,
      carried: { plan: 'p1', version: 7, made: '2026-12-01', ticks: [] },
    })
    expect(readCarried(saved([tick()]))).toMatchObject({ isEdited: false })
    expect(readCarried(saved([tick()], { made: '2026-12-03' }))).toMatchObject({ isEdited: true })
  })
  it('says what is wrong, and takes nothing', () => {
    const wrong = (text: string) => {
      try {
        readCarried(text)
      } catch (error) {
        return error instanceof CarriedError ? error.message : 'another error'
      }
      return 'nothing'
    }
    expect(wrong('')).toContain('no run-book that was carried')
    expect(wrong('<html></html>')).toContain('no run-book that was carried')
    expect(wrong(html.slice(0, -20))).toContain('cut off')
    expect(wrong(html.slice(0, html.indexOf('numeron-ticks') + 40))).toContain('cut off')
    expect(wrong(saved([tick()]).replace('"ticks":[', '"ticks":[['))).toContain('by hand')
    expect(wrong(saved([tick({ state: 'x' as StepState })]))).toContain('not possible')
    expect(wrong(saved([tick({ day: '2026-02-30' })]))).toContain('not possible')
    expect(wrong(saved([tick({ note: 'x'.repeat(1001) })]))).toContain('not possible')
    expect(wrong(saved([tick(), tick()]))).toContain('two things of one step')
    expect(wrong(saved([tick()], { format: 'other' }))).toContain('not possible')
  })
  it('is joined with the plan: the later day wins, of one day the file, both notes stay', () => {
    const join = (own: StepEntry[], ...ticks: CarriedTick[]) => joinTicks(own, { ticks }, ids)
    expect(join([], tick())).toMatchObject({
      changes: [{ before: null, after: { state: 'done' } }],
    })
    const later = entry({ day: '2026-12-03', state: 'failed', note: 'loose lead' })
    expect(join([later], tick({ note: 'new lead' })).changes).toMatchObject([
      { after: { state: 'failed', day: '2026-12-03', note: 'loose lead\nnew lead' } },
    ])
    expect(join([entry({ state: 'failed' })], tick()).changes).toMatchObject([
      { after: { state: 'done' } },
    ])
    expect(join([entry()], tick()).changes).toEqual([])
    expect(join([entry({ note: 'a lead, loose' })], tick({ note: 'loose' })).changes).toEqual([])
    expect(join([entry()], tick({ state: 'open', day: '2026-12-04' })).changes).toMatchObject([
      { after: { state: 'open' } },
    ])
    expect(join([], tick({ step: 'no.such' }))).toEqual({ changes: [], gone: ['no.such'] })
  })
  it('joined once, a file changes nothing more', () => {
    const anyTick = fc.record({
      step: fc.constantFrom(...ids, 'no.such'),
      state: fc.constantFrom(...(Object.keys(stepStates) as StepState[])),
      day: fc.constantFrom('2026-12-01', '2026-12-02', '2026-12-03'),
      who: fc.constantFrom('', 'Maren'),
      note: fc.constantFrom('', 'a', 'b'),
      measured: fc.constantFrom('', '3 W'),
    })
    fc.assert(
      fc.property(
        fc.uniqueArray(anyTick, { selector: ({ step }) => step, maxLength: 8 }),
        fc.uniqueArray(anyTick, { selector: ({ step }) => step, maxLength: 8 }),
        (own, ticks) => {
          const entries = own.map(one => entry(one))
          const { changes } = joinTicks(entries, { ticks }, ids)
          const after = new Map(entries.map(one => [one.step, one]))
          for (const { step, after: said } of changes)
            after.set(step, { ...(after.get(step) ?? entry({ step })), ...said })
          expect(joinTicks([...after.values()], { ticks }, ids).changes).toEqual([])
        },
      ),
    )
  })
})
