import { dsvFormat } from 'd3-dsv'

/** A table of text with named columns, and the number of each row's line. */
export interface CsvTable {
  readonly header: readonly string[]
  readonly rows: readonly { readonly line: number; readonly cells: readonly string[] }[]
  /** numbers are written with a decimal comma */
  readonly decimalComma: boolean
  /** a quotation mark that is never closed, which swallows what follows; null where none is */
  readonly unclosed: RowProblem | null
}

/** One thing that is wrong with one line. */
export interface RowProblem {
  readonly line: number
  readonly message: string
}

/**
 * The sign between the cells of a header row: the one of comma, semicolon and tab that it holds
 * most often.
 */
export function delimiterOf(header: string): string {
  return [',', ';', '\t']
    .map(delimiter => [header.split(delimiter).length, delimiter] as const)
    .sort((a, b) => b[0] - a[0])[0]![1]
}

/** A quotation mark that is opened at the start of a cell and never closed, with its line. */
export function unclosedQuote(text: string, delimiter: string): RowProblem | null {
  let line = 1
  for (let at = 0; at < text.length; at++) {
    if (text[at] === '"') {
      const opened = line
      for (at++; text[at] !== '"' || text[at + 1] === '"'; at++) {
        if (at >= text.length)
          return {
            line: opened,
            message:
              'A quotation mark is opened here and never closed, so all that follows was read as ' +
              'one cell. Close it, or write two in its place.',
          }
        if (text[at] === '\n') line++
        if (text[at] === '"') at++
      }
    }
    while (at < text.length && text[at] !== delimiter && text[at] !== '\n') at++
    if (text[at] === '\n') line++
  }
  return null
}

/** Names of columns as they are compared: small letters without spaces and signs. */
export function columnName(name: string): string {
  return name
    .trim()
    .toLowerCase()
    .replace(/[^a-z0-9]/g, '')
}

/**
 * Reads a table whose first row names its columns; the delimiter is read off that row. Empty rows
 * are left out.
 */
export function readCsvTable(text: string): CsvTable {
  const tidy = text.replace(/^\uFEFF/, '').replace(/\r\n?/g, '\n')
  const end = tidy.indexOf('\n')
  const delimiter = delimiterOf(tidy.slice(0, end < 0 ? undefined : end))
  const [header = [], ...rows] = dsvFormat(delimiter).parseRows(tidy)
  return {
    header: header.map(columnName),
    decimalComma: delimiter !== ',',
    unclosed: unclosedQuote(tidy, delimiter),
    rows: rows.flatMap((cells, index) =>
      cells.every(cell => cell.trim() === '')
        ? []
        : [{ line: index + 2, cells: cells.map(cell => cell.trim()) }],
    ),
  }
}

/**
 * A number of a cell; a unit behind it is taken where it is the expected one, any other makes it no
 * number.
 * @returns null where it is none
 */
export function cellNumber(
  text: string,
  { decimalComma, unit = '' }: { readonly decimalComma: boolean; readonly unit?: string },
): number | null {
  const bare = text.replace(/[\s\u00A0\u202F]/g, '')
  const own = unit.replace(/\s/g, '')
  const without =
    own && bare.toLowerCase().endsWith(own.toLowerCase()) ? bare.slice(0, -own.length) : bare
  const plain =
    decimalComma && without.includes(',') ? without.replaceAll('.', '').replace(',', '.') : without
  return /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(plain) ? Number(plain) : null
}

/**
 * A cell as it is written: in quotes where it holds the delimiter, a quote or a line break; a
 * leading sign of a formula is kept from being one.
 */
export function csvCell(value: string | number): string {
  const text =
    typeof value === 'number' ? String(value) : /^[=+@-]/.test(value) ? `'${value}` : value
  return /[",\n;]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text
}

export function csvText(rows: readonly (readonly (string | number)[])[]): string {
  return `${rows.map(row => row.map(csvCell).join(',')).join('\n')}\n`
}
