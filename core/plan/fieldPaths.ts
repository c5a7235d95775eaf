import { planField } from './planField'
import type { Plan } from './planSchema'

/** A field of a plan that can be set, with what people call it. */
export interface FieldPath {
  readonly path: string
  readonly label: string
  /** the entries and sections that it belongs to, outermost first: 'Habits', 'Evening film' */
  readonly within: readonly string[]
}

/** Left out: the document's own book-keeping, which no view shows. */
const hidden = new Set(['schemaVersion', 'keptAside', 'calibration.workTable'])

/**
 * Every field of a plan that its schema has a label for, in the order of the document; entries of
 * lists by their names.
 */
export function fieldPaths(plan: Plan): FieldPath[] {
  const found: FieldPath[] = []
  const visit = (value: unknown, path: string, within: readonly string[]): void => {
    if (hidden.has(path)) return
    const field = path === '' ? null : planField(path)
    if (path !== '' && !field) return
    const inner = field?.label ? [...within, field.label] : within
    if (Array.isArray(value) && field?.kind === 'list') {
      value.forEach((entry: { readonly name?: string; readonly label?: string } | null, index) => {
        const name = entry?.name || entry?.label || String(index + 1)
        Object.entries(entry ?? {}).forEach(([key, own]) =>
          visit(own, `${path}.${index}.${key}`, [...inner, name]),
        )
      })
    } else if (path === '' || field?.kind === 'section') {
      Object.entries(value ?? {}).forEach(([key, own]) =>
        visit(own, path === '' ? key : `${path}.${key}`, inner),
      )
    } else if (field?.label) {
      found.push({ path, label: field.label, within })
    }
  }
  visit(plan, '', [])
  return found
}
