import { z } from 'zod'
import { stepStates, type StepEntry, type StepState } from '../../plan/commissioning'
import { dayOfText } from '../../units/calendarDay'
import { markOf } from '../../markOf'

const stateIds = Object.keys(stepStates) as [StepState, ...StepState[]]
const day = z.string().refine(text => text === '' || dayOfText(text) !== null)

/** One tick of a file that was carried, or that a run-book link sends. */
export const tickSchema = z.strictObject({
  step: z.string().min(1).max(40),
  state: z.enum(stateIds),
  day,
  who: z.string().max(60),
  note: z.string().max(1000),
  measured: z.string().max(80),
})
/** What a carried file keeps. */
const carriedSchema = z.strictObject({
  format: z.literal('numeron-run-book'),
  plan: z.string().min(1).max(80),
  planName: z.string().max(80),
  /** of the plan, when the file was made */
  version: z.number().int().min(0),
  made: day,
  steps: z.array(z.string().max(40)).max(200),
  /** only what was said in the file itself */
  ticks: z.array(tickSchema).max(200),
  /** of all of that, so that a change by hand is seen */
  mark: z.string().max(20),
})
export type Carried = z.infer<typeof carriedSchema>
export type CarriedTick = Carried['ticks'][number]

/** The mark of a file's content; the script within the file works it out in the same way. */
export const markOfCarried = ({ mark: _, ...rest }: Omit<Carried, 'mark'> & { mark?: string }) =>
  markOf(JSON.stringify(rest))

/** A carried file that cannot be taken, with a sentence that says why. */
export class CarriedError extends Error {}

const holder = /<script type="application\/json" id="numeron-ticks">([\s\S]*?)<\/script>/

export interface ReadCarried {
  readonly carried: Carried
  /** somebody changed it outside its own page */
  readonly isEdited: boolean
}

/**
 * Reads a carried file back; nothing of a file that is not whole is taken.
 * @throws {CarriedError} what is wrong with it
 */
export function readCarried(html: string): ReadCarried {
  if (!html.includes('numeron-ticks'))
    throw new CarriedError('This is no run-book that was carried. Choose the file that was saved.')
  const found = holder.exec(html)
  if (!found || !/<\/html>\s*$/.test(html))
    throw new CarriedError('The file is cut off: its end is missing. Nothing of it was taken.')
  let value: unknown
  try {
    value = JSON.parse(found[1]!)
  } catch {
    throw new CarriedError('The file was changed by hand and cannot be read. Nothing was taken.')
  }
  const parsed = carriedSchema.safeParse(value)
  if (!parsed.success)
    throw new CarriedError(
      'The file was changed by hand: something in it is not possible. Nothing of it was taken.',
    )
  const ids = parsed.data.ticks.map(({ step }) => step)
  if (new Set(ids).size < ids.length)
    throw new CarriedError('The file says two things of one step. Nothing of it was taken.')
  return { carried: parsed.data, isEdited: markOfCarried(parsed.data) !== parsed.data.mark }
}

/** What reading a file back changes of one step. */
export interface TickChange {
  readonly step: string
  readonly before: Pick<StepEntry, 'state' | 'day' | 'note'> | null
  /** what is said of the step afterwards */
  readonly after: Pick<StepEntry, 'state' | 'day' | 'who' | 'note' | 'measured'>
}
export interface JoinedTicks {
  readonly changes: readonly TickChange[]
  /** steps of the file that the run-book does not have any more */
  readonly gone: readonly string[]
}

/** Both notes, one below the other; one alone where it says what the other does. */
function bothNotes(own: string, carried: string): string {
  if (own.includes(carried)) return own
  if (carried.includes(own)) return carried
  return `${own}\n${carried}`.slice(0, 1000)
}

/**
 * Ticks of both sides, joined: the later day wins, of one day the file; both notes stay.
 * @param entries what the plan says of its steps
 * @param steps ids of the run-book as it is now
 */
export function joinTicks(
  entries: readonly StepEntry[],
  { ticks }: Pick<Carried, 'ticks'>,
  steps: ReadonlySet<string>,
): JoinedTicks {
  const known = new Map(entries.map(entry => [entry.step, entry]))
  const changes = ticks
    .filter(({ step }) => steps.has(step))
    .flatMap((tick): TickChange[] => {
      const own = known.get(tick.step) ?? null
      const isLater = own === null || own.day === '' || tick.day >= own.day
      const won = isLater ? tick : own
      const after = {
        state: won.state,
        day: won.day,
        who: won.who || (own?.who ?? ''),
        note: bothNotes(own?.note ?? '', tick.note),
        measured: won.measured || (own?.measured ?? ''),
      }
      const keys = Object.keys(after) as (keyof typeof after)[]
      const isSame = keys.every(
        key => after[key] === (own?.[key] ?? (key === 'state' ? 'open' : '')),
      )
      return isSame ? [] : [{ step: tick.step, before: own, after }]
    })
  return { changes, gone: ticks.map(({ step }) => step).filter(step => !steps.has(step)) }
}
