import {
  ownPartColumns,
  ownPartKinds,
  type OwnPart,
  type OwnPartColumn,
  type OwnPartKind,
} from '../../catalogue/hardware/ownPart'
import { missingPlaces, ownPartFaults } from '../../catalogue/hardware/ownPartCheck'
import {
  cellNumber,
  columnName,
  csvText,
  readCsvTable,
  type CsvTable,
  type RowProblem,
} from '../../formats/csvTable'
import { maxOwnParts } from '../../plan/constants'
import { hasColumn, limited, priceOf, readRows, type CellOf, type Problems } from './csvRows'

/** What a file of own parts holds. */
export interface OwnPartsRead extends Problems {
  readonly parts: readonly OwnPart[]
}

/** Each property once: kinds may share one, with words of their own. */
const columnKeys = [...new Set(ownPartColumns.map(({ key }) => key))]
/** The columns of a file of own parts: the fixed ones, then every property. */
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
  const missing = ['kind', 'label'].filter(name => !hasColumn(table, name))
  if (missing.length > 0) {
    const message =
      'The first row names no column ' +
      `${missing.map(name => `"${name}"`).join(' and ')}. Own parts begin with: ` +
      'id,kind,label,price, and the properties of their kind.'
    return { parts: [], ...limited([{ line: 1, message }]) }
  }
  const problems = strangeColumns(table)
  const columns = ownPartColumns.filter(({ key }) => hasColumn(table, key))
  const ids = new Set(taken)
  const parts: OwnPart[] = []
  for (const { line, cell } of readRows(table, problems)) {
    const wrong: string[] = []
    const kind = kindOf(cell('kind'))
    const { id, label } = nameOf(cell, ids, wrong)
    if (!kind)
      wrong.unshift(
        `kind "${cell('kind').slice(0, 30)}" must be one of: ` +
          `${Object.keys(ownPartKinds).join(', ')}`,
      )
    const price = priceOf(cell('price'), { table, currency }, wrong)
    const traits = traitsOf(cell, columns, { table, wrong })
    if (wrong.length === 0 && kind) {
      const part = { id, kind, label, price, traits }
      wrong.push(...ownPartFaults(part).map(fault => fault.replace(/\.$/, '')))
      const missing = wrong.length === 0 ? missingPlaces(part) : []
      if (missing.length > 0)
        wrong.push(
          `what places switch off names ${missing.join(', ')}, and the board has none such`,
        )
    }
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

function strangeColumns({ header }: CsvTable): RowProblem[] {
  const known = new Set(ownPartsHeader.map(columnName))
  const strange = header.filter(name => name !== '' && !known.has(name))
  return strange.length > 0
    ? [
        {
          line: 1,
          message: `These columns are not known and were not read: ${strange.slice(0, 8).join(', ')}.`,
        },
      ]
    : []
}

/** A row's label, and its id: as entered, or made from the label. */
function nameOf(
  cell: CellOf,
  taken: ReadonlySet<string>,
  wrong: string[],
): { readonly id: string; readonly label: string } {
  const label = cell('label').slice(0, 60)
  const fromLabel = () =>
    label
      .normalize('NFKD')
      .replace(/[^\w-]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .toLowerCase()
  const id = (cell('id') || fromLabel()).slice(0, 40)
  if (!label) wrong.push('it has no label')
  if (!/^[\w-]{1,40}$/.test(id)) wrong.push('its id must be 1 to 40 letters, digits, - or _')
  else if (taken.has(id)) wrong.push(`the id "${id}" is there already`)
  return { id, label }
}

function traitsOf(
  cell: CellOf,
  columns: readonly OwnPartColumn[],
  { table, wrong }: { readonly table: CsvTable; readonly wrong: string[] },
): Record<string, number | string> {
  const traits: Record<string, number | string> = {}
  for (const { key, label, unit, min } of columns) {
    const value = cell(key)
    if (value === '') continue
    const trait = min === undefined ? value.slice(0, 200) : cellNumber(value, { ...table, unit })
    if (trait === null)
      wrong.push(
        `${label} "${value.slice(0, 20)}" must be a ` +
          `number${unit && unit !== 'year' ? ` in ${unit}` : ''}`,
      )
    else traits[key] = trait
  }
  return traits
}
