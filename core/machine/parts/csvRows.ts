import { wholeCents } from '../../units/wholeCents'
import { cellNumber, columnName, type CsvTable, type RowProblem } from '../../formats/csvTable'

/** Rows that one import looks at; problems that it tells. */
export const maxRows = 100_000
export const maxProblems = 200
/** The dearest part that a plan can hold. */
const maxPrice = 1_000_000

/** Problems of rows, with how many more there are than are told. */
export interface Problems {
  readonly problems: readonly RowProblem[]
  readonly moreProblems: number
}

export function limited(problems: readonly RowProblem[]): Problems {
  return {
    problems: problems.slice(0, maxProblems),
    moreProblems: Math.max(0, problems.length - maxProblems),
  }
}

/** The cell of a row by its column's name; '' where there is none. */
export type CellOf = (name: string) => string

/** The rows that are read, each with its cells by name; that there are more is a problem. */
export function* readRows(
  table: CsvTable,
  problems: RowProblem[],
): Generator<{ readonly line: number; readonly cells: readonly string[]; readonly cell: CellOf }> {
  if (table.unclosed) problems.push(table.unclosed)
  if (table.rows.length > maxRows)
    problems.push({
      line: maxRows + 2,
      message: `Only the first ${maxRows} rows are read; there are ${table.rows.length}.`,
    })
  // Of columns that share a name the first is read.
  const places = new Map(table.header.map((name, at) => [name, at] as const).reverse())
  for (const { line, cells } of table.rows.slice(0, maxRows))
    yield { line, cells, cell: name => cells[places.get(columnName(name)) ?? -1] ?? '' }
}

/** Whether a table has a column of this name. */
export const hasColumn = ({ header }: CsvTable, name: string) => header.includes(columnName(name))

/** A price as it is entered; null for none. Adds what is wrong with it. */
export function priceOf(
  text: string,
  { table, currency }: { readonly table: CsvTable; readonly currency: string },
  wrong: string[],
): number | null {
  if (text === '') return null
  const price = cellNumber(text, { ...table, unit: currency })
  if (price === null || price < 0 || price > maxPrice)
    wrong.push(`price "${text.slice(0, 20)}" must be a number in ${currency}, without another unit`)
  else if (Math.abs(price - wholeCents(price)) > 1e-9)
    wrong.push(`price "${text.slice(0, 20)}" must be in whole cents, such as 12.35`)
  return price
}
