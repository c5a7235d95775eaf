import { z } from 'zod'
import { dayOfText } from '../units/calendarDay'
import { entryKinds, isEntryKind, type EntryKind, type ValuesInput, type ValuesOf } from './kinds'

/** Longest note of an entry, in letters. */
export const maxNote = 500

const momentError =
  'When must be a day such as 2026-12-24, or a day with the time such as 2026-12-24T20:15+01:00.'
/** A day, or a moment with its distance from UTC. */
const momentPattern =
  /^(?:19|20|21)\d\d-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])(?:T(?:[01]\d|2[0-3]):[0-5]\d(?::[0-5]\d)?(?:Z|[+-](?:0\d|1[0-4]):[0-5]\d))?$/

/** When something happened: '2026-11-24', or '2026-11-24T23:39:08+01:00'. */
export const momentSchema = z
  .string({ error: momentError })
  .regex(momentPattern, { error: momentError })
  .refine(at => dayOfText(at.slice(0, 10)) !== null, { error: momentError })

const marksSchema = z.object({
  machine: z.string().max(20).default(''),
  home: z.string().max(20).default(''),
  upload: z.string().max(20).default(''),
  download: z.string().max(20).default(''),
  drives: z.string().max(20).default(''),
})
/** What there was when it was measured, as marks: a measurement counts for nothing else. */
export type Marks = z.infer<typeof marksSchema>

const originSchema = z.object({
  how: z.enum(['entered', 'imported', 'simulated', 'sent']),
  tool: z.string().max(40).default(''),
  version: z.string().max(40).default(''),
  /** of the file it was in, and which part of that */
  sha256: z.string().max(64).default(''),
  place: z.string().max(80).default(''),
})
export type Origin = z.infer<typeof originSchema>

const attachmentSchema = z
  .object({ name: z.string().max(200), sha256: z.string().max(64).default('') })
  .nullable()
  .default(null)

const common = {
  id: z.string().regex(/^[\w-]{1,40}$/, { error: 'An id has 1 to 40 letters, digits, - or _.' }),
  at: momentSchema,
  who: z.string().max(60).default(''),
  note: z
    .string()
    .max(maxNote, { error: `Note: at most ${maxNote} characters.` })
    .default(''),
  attachment: attachmentSchema,
  origin: originSchema.default({ how: 'entered', tool: '', version: '', sha256: '', place: '' }),
  marks: marksSchema.default({ machine: '', home: '', upload: '', download: '', drives: '' }),
  /** the entry that this one corrects: that one is kept */
  corrects: z.string().max(40).default(''),
  /** why it does not count for calibration; '' where it may */
  leftOut: z.string().max(300).default(''),
}

interface Common {
  readonly id: string
  readonly at: string
  readonly who: string
  readonly note: string
  readonly attachment: z.infer<typeof attachmentSchema>
  readonly origin: Origin
  readonly marks: Marks
  readonly corrects: string
  readonly leftOut: string
}

/** An entry of the log. */
export type Entry = {
  [Kind in EntryKind]: Common & { readonly kind: Kind; readonly values: ValuesOf<Kind> }
}[EntryKind]
export type EntryOf<Kind extends EntryKind> = Extract<Entry, { readonly kind: Kind }>

/** What an importer or a form hands in; the rest is set when it is taken. */
export type EntryDraft = {
  [Kind in EntryKind]: {
    readonly kind: Kind
    /** null where the file does not say when */
    readonly at: string | null
    readonly values: ValuesInput<Kind>
    readonly note?: string
    readonly leftOut?: string
    readonly simulated?: boolean
  }
}[EntryKind]

/** A draft of a kind. */
export function draft<Kind extends EntryKind>(
  kind: Kind,
  parts: Omit<Extract<EntryDraft, { readonly kind: Kind }>, 'kind'>,
): EntryDraft {
  return { kind, ...parts } as EntryDraft
}

/** One thing that is wrong with an entry. */
export interface EntryProblem {
  readonly path: string
  readonly message: string
}

export type EntryRead =
  | { readonly ok: true; readonly entry: Entry }
  | { readonly ok: false; readonly problems: readonly EntryProblem[] }

const problemsOf = (error: z.ZodError, below = ''): EntryProblem[] =>
  error.issues.map(({ path, message }) => ({
    path: [...(below ? [below] : []), ...path.map(String)].join('.'),
    message,
  }))

const envelope = z.object({ ...common, kind: z.string(), values: z.unknown().optional() })

/**
 * An entry from outside: its kind first, then what that asks for.
 * @param now the moment in milliseconds since 1970: later by more than a day is refused
 */
export function readEntry(input: unknown, now: number): EntryRead {
  const outer = envelope.safeParse(input)
  if (!outer.success) return { ok: false, problems: problemsOf(outer.error) }
  const { kind, values, ...rest } = outer.data
  if (!isEntryKind(kind))
    return {
      ok: false,
      problems: [
        { path: 'kind', message: `Kind must be one of: ${Object.keys(entryKinds).join(', ')}.` },
      ],
    }
  const inner = entryKinds[kind].values.safeParse(values ?? {})
  if (!inner.success) return { ok: false, problems: problemsOf(inner.error, 'values') }
  const time = momentTime(rest.at)
  if (time === null) return { ok: false, problems: [{ path: 'at', message: momentError }] }
  if (time > now + dayMs)
    return {
      ok: false,
      problems: [
        { path: 'at', message: 'When lies in the future. Check the clock of the machine.' },
      ],
    }
  return { ok: true, entry: { ...rest, kind, values: inner.data } as Entry }
}

const dayMs = 86_400_000

/** A moment in milliseconds since 1970; a day alone is its noon in UTC. */
export function momentTime(at: string): number | null {
  const time = Date.parse(at.length === 10 ? `${at}T12:00:00Z` : at)
  return Number.isFinite(time) ? time : null
}

/** The day of a moment, where it was. */
export const dayOf = (at: string): string => at.slice(0, 10)
