import { workTableFileSchema, type WorkTableFile } from '../catalogue/workTableFile'

export type ReadWorkTable =
  | { readonly ok: true; readonly file: WorkTableFile }
  | { readonly ok: false; readonly problems: readonly string[] }

/** A work table from the text of its file; whole, or every problem with its place. */
export function readWorkTable(text: string): ReadWorkTable {
  let value: unknown
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch {
    return {
      ok: false,
      problems: ['This file is not valid JSON. Choose a file that scripts/measure-work.mjs wrote.'],
    }
  }
  const parsed = workTableFileSchema.safeParse(value)
  return parsed.success
    ? { ok: true, file: parsed.data }
    : {
        ok: false,
        problems: parsed.error.issues.map(
          issue => `${issue.path.join('.') || 'the file'}: ${issue.message}.`,
        ),
      }
}
