import { entryOf } from '../../catalogue/catalogue'
import {
  ownPartColumns,
  ownPartKinds,
  type OwnPart,
  type OwnPartKind,
} from '../../catalogue/hardware/ownPart'
import { ownPartFaults } from '../../catalogue/hardware/ownPartCheck'
import {
  cellNumber,
  columnName,
  csvText,
  readCsvTable,
  type CsvTable,
  type RowProblem,
} from '../../formats/csvTable'
import { conditions, maxOwnParts, maxParts, type Condition } from '../../plan/constants'
import type { MachinePart } from '../../plan/machine'
import { newPart } from '../partChanges'
import type { PartLists } from '../machineBuild'
import type { PartLine } from './partsList'

/** Rows that one import looks at; problems that it tells. */
export const maxRows = 100_000
export const maxProblems = 200

const header = [
  'id',
  'part',
  'quantity',
  'price each',
  'currency',
  'bought',
  'purpose',
  'place',
  'chance dead',
  'note',
]
const purposes = ['fitted', 'spare', 'later'] as const

/**
 * The parts list as CSV; drives and a base have a row without an id, and are not read back as
 * parts.
 */
export function partsCsv(
  lines: readonly PartLine[],
  { currency, placeOf }: { readonly currency: string; readonly placeOf: (index: number) => string },
): string {
  return csvText([
    header,
    ...lines.map(line => [
      line.index === null ? '' : line.ref,
      line.label,
      line.count,
      line.priceEach ?? '',
      currency,
      line.condition,
      line.purpose,
      line.index === null ? '' : placeOf(line.index),
      line.deadChance || '',
      line.note,
    ]),
  ])
}

/** What a file of a parts list holds: good rows as parts, and what is wrong with the others. */
export interface PartsRead {
  readonly parts: readonly MachinePart[]
  readonly problems: readonly RowProblem[]
  readonly moreProblems: number
  readonly skipped: number
}

function limited(problems: RowProblem[]): Pick<PartsRead, 'problems' | 'moreProblems'> {
  return {
    problems: problems.slice(0, maxProblems),
    moreProblems: Math.max(0, problems.length - maxProblems),
  }
}
function tooManyRows(table: CsvTable, problems: RowProblem[]): CsvTable['rows'] {
  if (table.rows.length > maxRows)
    problems.push({
      line: maxRows + 2,
      message: `Only the first ${maxRows} rows are read; there are ${table.rows.length}.`,
    })
  return table.rows.slice(0, maxRows)
}

/**
 * Reads a parts list as it was exported, or any table with a column id or part. A row is matched by
 * its id, else by its name;
 * rows of drives and of a base (with neither) are passed over.
 */
export function readPartsCsv(text: string, lists: PartLists, currency: string): PartsRead {
  const table = readCsvTable(text)
  const at = (name: string) => table.header.indexOf(columnName(name))
  const problems: RowProblem[] = []
  if (at('id') < 0 && at('part') < 0)
    return {
      parts: [],
      ...limited([
        {
          line: 1,
          message:
            'The first row names no column "id" or "part". A parts list begins with: ' +
            `${header.join(',')}.`,
        },
      ]),
      skipped: 0,
    }
  const names = new Map<string, string>()
  for (const entry of [...lists.hardware, ...lists.memoryModules, ...lists.videoEngines])
    names.set(entry.label.toLowerCase(), entry.id)
  for (const { name, id } of lists.processors) names.set(name.toLowerCase(), id)
  const known = (id: string) =>
    entryOf(lists.hardware, id) ??
    entryOf(lists.processors, id) ??
    entryOf(lists.memoryModules, id) ??
    entryOf(lists.videoEngines, id)
  const parts: MachinePart[] = []
  let skipped = 0
  for (const { line, cells } of tooManyRows(table, problems)) {
    const cell = (name: string) => (at(name) < 0 ? '' : (cells[at(name)] ?? ''))
    const id = cell('id') || (at('id') < 0 ? (names.get(cell('part').toLowerCase()) ?? '') : '')
    if (!id && at('id') >= 0 && !cell('id')) {
      skipped++
      continue
    }
    const wrong: string[] = []
    if (!known(id))
      wrong.push(
        `"${(cell('id') || cell('part')).slice(0, 60)}" is not in the catalogue; enter it ` +
          'as a part of your own first',
      )
    const quantity = cell('quantity') === '' ? 1 : cellNumber(cell('quantity'), table)
    if (quantity === null || !Number.isInteger(quantity) || quantity < 1 || quantity > 16)
      wrong.push(`quantity "${cell('quantity').slice(0, 20)}" must be a whole number from 1 to 16`)
    const price =
      cell('price each') === ''
        ? null
        : cellNumber(cell('price each'), { ...table, unit: currency })
    if (cell('price each') !== '' && (price === null || price < 0 || price > 1_000_000))
      wrong.push(
        `price "${cell('price each').slice(0, 20)}" must be a number in ${currency}, ` +
          'without another unit',
      )
    if (cell('currency') && cell('currency').toUpperCase() !== currency)
      wrong.push(
        `its currency is ${cell('currency').slice(0, 10)}, and the plan's is ${currency}; ` +
          'Numeron does not exchange currencies',
      )
    const condition = cell('bought').toLowerCase() || 'new'
    if (!(condition in conditions))
      wrong.push(`bought "${condition.slice(0, 20)}" must be new, refurbished or owned`)
    const purpose = (cell('purpose').toLowerCase() || 'fitted') as (typeof purposes)[number]
    if (!purposes.includes(purpose))
      wrong.push(`purpose "${purpose.slice(0, 20)}" must be fitted, spare or later`)
    const deadChance = cell('chance dead') === '' ? 0 : cellNumber(cell('chance dead'), table)
    if (deadChance === null || deadChance < 0 || deadChance > 1)
      wrong.push(`chance dead "${cell('chance dead').slice(0, 20)}" must be a number from 0 to 1`)
    if (wrong.length > 0) problems.push({ line, message: `${wrong.join('; ')}.` })
    else if (parts.length >= maxParts)
      problems.push({ line, message: `A machine holds at most ${maxParts} lines of parts.` })
    else
      parts.push({
        ...newPart(id),
        count: quantity!,
        price,
        condition: condition as Condition,
        purpose,
        at: cell('place').slice(0, 40),
        deadChance: deadChance!,
        note: cell('note')
          .replace(/^'(?=[=+@-])/, '')
          .slice(0, 200),
      })
  }
  return { parts, ...limited(problems), skipped }
}

/** What a file of own parts holds. */
export interface OwnPartsRead {
  readonly parts: readonly OwnPart[]
  readonly problems: readonly RowProblem[]
  readonly moreProblems: number
}

/** The columns of a file of own parts: the fixed ones, then every property. */
/** Each property once: kinds may share one, with words of their own. */
const columnKeys = [...new Set(ownPartColumns.map(({ key }) => key))]
export const ownPartsHeader = ['id', 'kind', 'label', 'price', ...columnKeys]

/** Own parts as CSV, with the columns that any of them uses. */
export function ownPartsCsv(parts: readonly OwnPart[]): string {
  const used = columnKeys.filter(key => parts.some(({ traits }) => traits[key] !== undefined))
  return csvText([
    ['id', 'kind', 'label', 'price', ...used],
    ...parts.map(({ id, kind, label, price, traits }) => [
      id,
      kind,
      label,
      price ?? '',
      ...used.map(key => traits[key] ?? ''),
    ]),
  ])
}

const kindOf = (text: string) =>
  (Object.keys(ownPartKinds) as OwnPartKind[]).find(
    kind =>
      kind.toLowerCase() === text.toLowerCase() ||
      ownPartKinds[kind].toLowerCase() === text.toLowerCase(),
  )

/**
 * Reads own parts: a row each, columns by name in any order. An id that is there already, in the
 * file or in the plan, is a problem of its row.
 */
export function readOwnPartsCsv(
  text: string,
  { currency, taken }: { readonly currency: string; readonly taken: ReadonlySet<string> },
): OwnPartsRead {
  const table = readCsvTable(text)
  const problems: RowProblem[] = []
  const at = (name: string) => table.header.indexOf(columnName(name))
  const missing = ['kind', 'label'].filter(name => at(name) < 0)
  if (missing.length > 0)
    return {
      parts: [],
      ...limited([
        {
          line: 1,
          message:
            'The first row names no column ' +
            `${missing.map(name => `"${name}"`).join(' and ')}. Own parts begin with: ` +
            'id,kind,label,price, and the properties of their kind.',
        },
      ]),
    }
  const strange = table.header.filter(
    name => name !== '' && !ownPartsHeader.some(known => columnName(known) === name),
  )
  if (strange.length > 0)
    problems.push({
      line: 1,
      message: `These columns are not known and were not read: ${strange.slice(0, 8).join(', ')}.`,
    })
  const columns = ownPartColumns.flatMap(column =>
    at(column.key) < 0 ? [] : [{ column, index: at(column.key) }],
  )
  const ids = new Set(taken)
  const parts: OwnPart[] = []
  for (const { line, cells } of tooManyRows(table, problems)) {
    const cell = (name: string) => (at(name) < 0 ? '' : (cells[at(name)] ?? ''))
    const kind = kindOf(cell('kind'))
    const label = cell('label').slice(0, 60)
    const id = (
      cell('id') ||
      label
        .normalize('NFKD')
        .replace(/[^\w-]+/g, '-')
        .replace(/^-+|-+$/g, '')
        .toLowerCase()
    ).slice(0, 40)
    const wrong: string[] = []
    if (!kind)
      wrong.push(
        `kind "${cell('kind').slice(0, 30)}" must be one of: ` +
          `${Object.keys(ownPartKinds).join(', ')}`,
      )
    if (!label) wrong.push('it has no label')
    if (!/^[\w-]{1,40}$/.test(id)) wrong.push('its id must be 1 to 40 letters, digits, - or _')
    else if (ids.has(id)) wrong.push(`the id "${id}" is there already`)
    const price =
      cell('price') === '' ? null : cellNumber(cell('price'), { ...table, unit: currency })
    if (cell('price') !== '' && (price === null || price < 0 || price > 1_000_000))
      wrong.push(
        `price "${cell('price').slice(0, 20)}" must be a number in ${currency}, without ` +
          'another unit',
      )
    const traits: Record<string, number | string> = {}
    for (const { column, index } of columns) {
      const value = cells[index] ?? ''
      if (value === '') continue
      if (column.min === undefined) {
        traits[column.key] = value.slice(0, 200)
        continue
      }
      const number = cellNumber(value, { ...table, unit: column.unit })
      if (number === null)
        wrong.push(
          `${column.label} "${value.slice(0, 20)}" must be a ` +
            `number${column.unit && column.unit !== 'year' ? ` in ${column.unit}` : ''}`,
        )
      else traits[column.key] = number
    }
    if (wrong.length === 0 && kind)
      wrong.push(
        ...ownPartFaults({ id, kind, label, price, traits }).map(text => text.replace(/\.$/, '')),
      )
    if (wrong.length > 0) problems.push({ line, message: `${wrong.join('; ')}.` })
    else if (parts.length + taken.size >= maxOwnParts)
      problems.push({ line, message: `A plan holds at most ${maxOwnParts} own parts.` })
    else {
      ids.add(id)
      parts.push({ id, kind: kind!, label, price, traits })
    }
  }
  return { parts, ...limited(problems) }
}
