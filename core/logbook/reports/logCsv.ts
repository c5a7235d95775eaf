import { draft, momentSchema, type EntryDraft } from '../entry'
import { entryKinds, type EntryKind } from '../kinds'
import { cellNumber, columnName, readCsvTable, type RowProblem } from '../../formats/csvTable'

/** How numbers of one unit become those of the field. */
type Unit = readonly [factor: number, offset?: number]

const power: Readonly<Record<string, Unit>> = { W: [1], kW: [1000] }
const bytes: Readonly<Record<string, Unit>> = {
  TB: [1],
  GB: [1e-3],
  TiB: [1.099_511_627_776],
  GiB: [1.073_741_824e-3],
}
const rate: Readonly<Record<string, Unit>> = { 'MB/s': [1], 'MiB/s': [1.048_576], 'Mb/s': [0.125] }

interface Target {
  readonly units: Readonly<Record<string, Unit>>
  readonly build: (value: number, what: string) => EntryDraft['values'] | string
}

const oneOf = <Value extends string>(
  options: readonly Value[],
  what: string,
  fallback: Value,
): Value | null => {
  const asked = what.trim()
  if (asked === '') return fallback
  return options.find(option => option.toLowerCase() === asked.toLowerCase()) ?? null
}
const notOne = (options: readonly string[]) => `What must be one of: ${options.join(', ')}.`

const states = ['off', 'asleep', 'idle', 'watching', 'converting', 'peak'] as const
const sizes = ['large', 'small', 'mixed'] as const

/** Kinds that one value with a unit makes an entry of. */
const targets: Readonly<Partial<Record<EntryKind, Target>>> = {
  watts: {
    units: power,
    build: (watts, what) => {
      const state = oneOf(states, what, 'idle')
      return state === null ? notOne(states) : { state, watts }
    },
  },
  energy: { units: { kWh: [1], Wh: [1e-3] }, build: kWh => ({ kWh }) },
  temperature: {
    units: { '°C': [1], C: [1], '°F': [5 / 9, -32], F: [5 / 9, -32] },
    build: (celsius, what) => {
      const named = oneOf(['processor', 'room', 'case'] as const, what, 'room')
      // Anything else is the serial of a drive.
      return named === null
        ? { what: 'drive', serial: what.trim(), celsius }
        : { what: named, celsius }
    },
  },
  space: { units: bytes, build: usedTB => ({ usedTB }) },
  copy: {
    units: rate,
    build: (MBps, what) => {
      const files = oneOf(sizes, what, 'large')
      return files === null ? notOne(sizes) : { files, MBps }
    },
  },
  disk: { units: rate, build: (MBps, what) => ({ MBps, of: what.trim() }) },
  network: {
    units: { 'Mb/s': [1], 'MB/s': [8], 'Gb/s': [1000] },
    build: (upMbps, what) => ({ upMbps, between: what.trim() || 'home' }),
  },
}

/** What was understood of a table, line by line. */
export interface LogTable {
  readonly entries: readonly { readonly line: number; readonly draft: EntryDraft }[]
  readonly problems: readonly RowProblem[]
}

const columns = ['at', 'kind', 'value', 'unit', 'what', 'who', 'note'] as const
/** Other names for the same columns. */
const alsoCalled: Readonly<Record<string, (typeof columns)[number]>> = {
  when: 'at',
  date: 'at',
  time: 'at',
  what: 'what',
  state: 'what',
}

/** A day or moment as ISO has it, or a day before month and year with dots; null for any other. */
function momentIn(cell: string): string | null {
  const iso = cell.trim().replace(/^(\d{4}-\d\d-\d\d) (\d\d:\d\d)/, '$1T$2')
  const withZone = /T\d\d:\d\d(:\d\d)?$/.test(iso) ? `${iso}Z` : iso
  if (momentSchema.safeParse(withZone).success) return withZone
  const dotted = /^(\d{1,2})\.(\d{1,2})\.(\d{4})$/.exec(cell.trim())
  if (!dotted) return null
  const [day, month] = [dotted[1]!.padStart(2, '0'), dotted[2]!.padStart(2, '0')]
  const found = `${dotted[3]}-${month}-${day}`
  return momentSchema.safeParse(found).success ? found : null
}

/**
 * A table with the columns at, kind, value, unit and, as they are there, what, who and note.
 * Nothing is guessed: a line that cannot be read says why.
 */
export function readLogCsv(text: string): LogTable {
  const { header, rows, decimalComma, unclosed } = readCsvTable(text)
  const at = new Map<string, number>()
  header.forEach((name, index) => {
    const known = columnName(name)
    const column = (columns as readonly string[]).includes(known) ? known : alsoCalled[known]
    if (column && !at.has(column)) at.set(column, index)
  })
  const missing = ['at', 'kind', 'value', 'unit'].filter(column => !at.has(column))
  if (missing.length > 0)
    return {
      entries: [],
      problems: [
        {
          line: 1,
          message:
            `The first line must name the columns; ${missing.join(', ')} ` +
            `${missing.length === 1 ? 'is' : 'are'} missing. It has: ${header.join(', ') || 'nothing'}.`,
        },
      ],
    }
  const entries: LogTable['entries'][number][] = []
  const problems: RowProblem[] = unclosed ? [unclosed] : []
  for (const { line, cells } of rows) {
    const cell = (column: string) => {
      const index = at.get(column)
      return index === undefined ? '' : (cells[index] ?? '').trim()
    }
    const read = readRow(cell, decimalComma)
    if (typeof read === 'string') problems.push({ line, message: read })
    else entries.push({ line, draft: read })
  }
  return { entries, problems }
}

function readRow(cell: (column: string) => string, decimalComma: boolean): EntryDraft | string {
  const moment = momentIn(cell('at'))
  if (!moment)
    return `When is “${cell('at')}”: write a day as 2026-12-24, or with the time 2026-12-24T20:15.`
  const kinds = Object.keys(targets)
  const kind = kinds.find(id => id.toLowerCase() === cell('kind').toLowerCase()) as
    EntryKind | undefined
  if (!kind) return `Kind is “${cell('kind')}”; it must be one of: ${kinds.join(', ')}.`
  const { units, build } = targets[kind]!
  const asked = cell('unit')
  const unit = units[asked]
  if (!unit)
    return `The unit “${asked}” does not fit ${entryKinds[kind].label.toLowerCase()}; it must be one of: ${Object.keys(units).join(', ')}.`
  const value = cellNumber(cell('value'), { decimalComma })
  if (value === null) return `Value is “${cell('value')}”, which is no number.`
  const [factor, offset = 0] = unit
  const values = build((value + offset) * factor, cell('what'))
  if (typeof values === 'string') return values
  return draft(kind, {
    at: moment,
    values: values as never,
    note: [cell('note'), cell('who') && `by ${cell('who')}`].filter(Boolean).join(', '),
  })
}
