import { entryOf } from '../../catalogue/catalogue'
import {
  cellNumber,
  csvText,
  readCsvTable,
  type CsvTable,
  type RowProblem,
} from '../../formats/csvTable'
import { conditions, maxParts, type Condition } from '../../plan/constants'
import type { MachinePart } from '../../plan/machine'
import { newPart } from '../partChanges'
import type { PartLists } from '../knownParts'
import { hasColumn, limited, priceOf, readRows, type CellOf, type Problems } from './csvRows'
import type { PartLine } from './partsList'

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
export interface PartsRead extends Problems {
  readonly parts: readonly MachinePart[]
  readonly skipped: number
}

/**
 * Reads a parts list as it was exported, or any table with a column id or part. A row is matched by
 * its id, else by its name;
 * rows of drives and of a base (with neither) are passed over.
 */
export function readPartsCsv(text: string, lists: PartLists, currency: string): PartsRead {
  const table = readCsvTable(text)
  const problems: RowProblem[] = []
  const hasIds = hasColumn(table, 'id')
  if (!hasIds && !hasColumn(table, 'part')) {
    const message =
      'The first row names no column "id" or "part". A parts list begins with: ' +
      `${header.join(',')}.`
    return { parts: [], ...limited([{ line: 1, message }]), skipped: 0 }
  }
  const idOfName = namesOf(lists)
  const isKnown = (id: string) =>
    [lists.hardware, lists.processors, lists.memoryModules, lists.videoEngines].some(
      list => entryOf<{ readonly id: string }>(list, id) !== null,
    )
  const parts: MachinePart[] = []
  let skipped = 0
  for (const { line, cell } of readRows(table, problems)) {
    if (hasIds && !cell('id')) {
      skipped++
      continue
    }
    const id = cell('id') || (idOfName.get(cell('part').toLowerCase()) ?? '')
    const wrong = isKnown(id)
      ? []
      : [
          `"${(cell('id') || cell('part')).slice(0, 60)}" is not in the catalogue; enter it ` +
            'as a part of your own first',
        ]
    const part = partOf(id, cell, { table, currency, wrong })
    if (wrong.length > 0) problems.push({ line, message: `${wrong.join('; ')}.` })
    else if (parts.length >= maxParts)
      problems.push({ line, message: `A machine holds at most ${maxParts} lines of parts.` })
    else parts.push(part)
  }
  return { parts, ...limited(problems), skipped }
}

/** Ids of the catalogue's entries by their names in small letters. */
function namesOf(lists: PartLists): Map<string, string> {
  return new Map([
    ...[...lists.hardware, ...lists.memoryModules, ...lists.videoEngines].map(
      ({ label, id }) => [label.toLowerCase(), id] as const,
    ),
    ...lists.processors.map(({ name, id }) => [name.toLowerCase(), id] as const),
  ])
}

/** A row as a part; adds what is wrong with it, and is of no use then. */
function partOf(
  id: string,
  cell: CellOf,
  {
    table,
    currency,
    wrong,
  }: { readonly table: CsvTable; readonly currency: string; readonly wrong: string[] },
): MachinePart {
  const count = cell('quantity') === '' ? 1 : cellNumber(cell('quantity'), table)
  if (count === null || !Number.isInteger(count) || count < 1 || count > 16)
    wrong.push(`quantity "${cell('quantity').slice(0, 20)}" must be a whole number from 1 to 16`)
  const price = priceOf(cell('price each'), { table, currency }, wrong)
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
  return {
    ...newPart(id),
    count: count!,
    price,
    condition: condition as Condition,
    purpose,
    at: cell('place').slice(0, 40),
    deadChance: deadChance!,
    // What was put before a formula, so that no program runs it, is taken off again.
    note: cell('note')
      .replace(/^'(?=[=+@-])/, '')
      .slice(0, 200),
  }
}
