import { z } from 'zod'
import { plainFormat } from '../units/format'

const formatNumber = plainFormat.number

/*
 * The few kinds of field a plan is made of. Label, unit, range, default and gloss stand here once:
 * forms, the server, importers and the published JSON Schema all read them from the schema.
 */

interface FieldText {
  readonly label: string
  readonly description: string
}
interface QuantityOptions extends FieldText {
  readonly unit: string
  readonly min: number
  readonly max: number
  readonly whole?: boolean
}

/** Units as they stand behind a range in a sentence, where they are not read as they are. */
const spokenUnits: Readonly<Record<string, string>> = {
  share: ' %',
  money: ", in the plan's currency",
  'money/TB/month': ", in the plan's currency for a TB and month",
  'money/kWh': ", in the plan's currency for a kWh",
  '× likely': ' times the likely value',
  level: '',
  group: '',
  year: '',
}
/** A number of a sentence; years without grouping. */
const bound = (value: number, unit: string) =>
  unit === 'year' ? String(value) : formatNumber(value, 7)

function quantityType({ label, unit, min, max, whole = false }: QuantityOptions) {
  const [shownMin, shownMax] = unit === 'share' ? [min * 100, max * 100] : [min, max]
  const error =
    `${label} must be ${whole ? 'a whole number' : 'a number'} from ${bound(shownMin, unit)} ` +
    `to ${bound(shownMax, unit)}${spokenUnits[unit] ?? (unit && ` ${unit}`)}.`
  const bounded = z.number({ error }).min(min, { error }).max(max, { error })
  if (whole) return bounded.int({ error })
  // Sums of rows in whole cents are the same however they are added up.
  return unit === 'money'
    ? bounded.multipleOf(0.01, { error: `${label} must be in whole cents, such as 12.35.` })
    : bounded
}

/** A number with a unit, a range and a default. */
export function quantity(options: QuantityOptions & { readonly fallback: number }) {
  const { label, description, unit, fallback } = options
  return quantityType(options).default(fallback).meta({ title: label, description, unit })
}

/** A number that may be left empty, and then counts as not known. */
export function optionalQuantity(options: QuantityOptions) {
  const { label, description, unit } = options
  return quantityType(options).nullable().default(null).meta({ title: label, description, unit })
}

/** One of a few named choices; `options` maps each id to what people read. */
export function choice<const Options extends Record<string, string>>({
  label,
  description,
  options,
  fallback,
}: FieldText & { readonly options: Options; readonly fallback: keyof Options & string }) {
  const ids = Object.keys(options) as [keyof Options & string, ...(keyof Options & string)[]]
  const error = `${label} must be one of: ${Object.values(options).join(', ')}.`
  return z
    .enum(ids, { error })
    .default(fallback as never)
    .meta({ title: label, description, options })
}

const idError = (label: string) => `${label} must be 1 to 60 letters, digits, - or _.`
const idPattern = /^[\w-]{1,60}$/

/**
 * An entry of the catalogue, by its id. `options` are the entries that ship; another id is taken as
 * well, for a catalogue
 * changes: it is for the assessment to say that it does not know it.
 */
export function catalogued({
  label,
  description,
  options,
  fallback,
}: FieldText & { readonly options: Readonly<Record<string, string>>; readonly fallback: string }) {
  const error = idError(label)
  return z
    .string({ error })
    .regex(idPattern, { error })
    .default(fallback)
    .meta({ title: label, description, options })
}

/** Other entries of the plan, by their short names; each at most once. */
export function references({ label, description, max }: FieldText & { readonly max: number }) {
  const error = `${label} must be a list of at most ${max} short names.`
  return z
    .array(z.string({ error }).regex(/^[\w-]{1,40}$/, { error }), { error })
    .max(max, { error })
    .refine(list => new Set(list).size === list.length, {
      error: `${label} may name each at most once.`,
    })
    .default([])
    .meta({ title: label, description })
}

/** A number that takes one of a few values, such as the rates a link is sold in. */
export function numberChoice<const Value extends number>({
  label,
  description,
  unit,
  values,
  fallback,
  options,
}: FieldText & {
  readonly unit: string
  readonly values: readonly Value[]
  readonly fallback: Value
  readonly options?: Readonly<Record<string, string>>
}) {
  const error = `${label} must be one of: ${values.join(', ')}${unit ? ` ${unit}` : ''}.`
  return z
    .literal([...values], { error })
    .default(fallback as never)
    .meta({ title: label, description, unit, ...(options ? { options } : {}) })
}

/** A yes-or-no choice. */
export function toggle({
  label,
  description,
  fallback,
}: FieldText & { readonly fallback: boolean }) {
  return z
    .boolean({ error: `${label} must be true or false.` })
    .default(fallback)
    .meta({ title: label, description })
}

/** Text of limited length; trimmed. */
export function text({
  label,
  description,
  max,
  fallback = '',
}: FieldText & { readonly max: number; readonly fallback?: string }) {
  const error = `${label} must be text of at most ${formatNumber(max)} characters.`
  return z
    .string({ error })
    .max(max, { error })
    .default(fallback)
    .meta({ title: label, description })
}

/** A list of entries with a stated limit. */
export function listOf<Entry extends z.ZodType>(
  entry: Entry,
  { label, description, max }: FieldText & { readonly max: number },
) {
  const error = `${label} must be a list of at most ${formatNumber(max)} entries.`
  return z
    .array(entry, { error })
    .max(max, { error })
    .default([])
    .meta({ title: label, description })
}

/** A section of the plan: every field may be left out and then takes its default. */
export function section<Shape extends z.ZodRawShape>(
  shape: Shape,
  { label, description }: FieldText,
) {
  const error = `${label} must be an object with named fields.`
  return z.object(shape, { error }).meta({ title: label, description })
}

/** A short name by which other entries of the plan refer to this one. */
export function reference({ label, description }: FieldText) {
  const error = `${label} must be 1 to 40 letters, digits, - or _.`
  return z
    .string({ error })
    .regex(/^[\w-]{1,40}$/, { error })
    .meta({ title: label, description })
}

const namedLists = new WeakSet<z.core.$ZodType>()
/** Whether a list checks nothing of its entries but that their short names differ. */
export function isNamedList(schema: z.core.$ZodType): boolean {
  return namedLists.has(schema)
}

/** A list whose entries are referred to by a short name, which therefore may stand once only. */
export function namedListOf<Entry extends z.ZodType<{ id: string }>>(
  entry: Entry,
  text: FieldText & { readonly max: number },
) {
  const { label, description } = text
  const list = listOf(entry, text)
    .superRefine((list, context) => {
      const taken = new Set<string>()
      list.forEach(({ id }, index) => {
        if (taken.has(id))
          context.addIssue({
            code: 'custom',
            path: [index, 'id'],
            message: `${label}: the short name "${id}" is taken already.`,
          })
        taken.add(id)
      })
    })
    .meta({ title: label, description })
  namedLists.add(list)
  return list
}

/** A time of day, kept as minutes after midnight. */
export function timeOfDay({
  label,
  description,
  fallback,
}: FieldText & { readonly fallback: number }) {
  const error = `${label} must be a time of day from 00:00 to 23:59.`
  return z
    .number({ error })
    .int({ error })
    .min(0, { error })
    .max(1439, { error })
    .default(fallback)
    .meta({ title: label, description, unit: 'time of day' })
}

/** A calendar month, '2027-03'. */
export function calendarMonth({
  label,
  description,
  fallback,
}: FieldText & { readonly fallback: string }) {
  const error = `${label} must be a month such as 2027-03.`
  return z
    .string({ error })
    .regex(/^(19|20|21)\d\d-(0[1-9]|1[0-2])$/, { error })
    .default(fallback)
    .meta({ title: label, description, unit: 'month of year' })
}

/** Any number of a few named choices. */
export function choices<const Options extends Record<string, string>>({
  label,
  description,
  options,
  fallback,
}: FieldText & {
  readonly options: Options
  readonly fallback: readonly (keyof Options & string)[]
}) {
  const ids = Object.keys(options) as [keyof Options & string, ...(keyof Options & string)[]]
  const error = `${label} must be a list of ${ids.map(id => `"${id}"`).join(', ')}.`
  return z
    .array(z.enum(ids, { error }), { error })
    .max(ids.length, { error })
    .refine(list => new Set(list).size === list.length, {
      error: `${label} may name each at most once.`,
    })
    .default([...fallback] as never)
    .meta({ title: label, description, options })
}
