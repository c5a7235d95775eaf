import { CoreRangeError } from '../errors'

/*
 * Dotted paths into a plan, such as 'drives.lots.0.sizeTB'.
 */

type Container = Readonly<Record<string, unknown>> | readonly unknown[]

function isContainer(value: unknown): value is Container {
  return typeof value === 'object' && value !== null
}

function child(container: unknown, key: string): unknown {
  if (!isContainer(container) || !Object.hasOwn(container, key)) return undefined
  return (container as Record<string, unknown>)[key]
}

/** The value at a path, or undefined where there is none. */
export function valueAt(document: unknown, path: string): unknown {
  return path.split('.').reduce<unknown>(child, document)
}

/**
 * A copy of the document with one value replaced; everything off the path is shared with the
 * original.
 * @throws {CoreRangeError} NO_SUCH_PATH: a container on the way is missing
 */
export function withValueAt<Document>(document: Document, path: string, value: unknown): Document {
  const [key = '', ...rest] = path.split('.')
  if (!isContainer(document)) throw new CoreRangeError('NO_SUCH_PATH', { path })
  const next = rest.length ? withValueAt(child(document, key), rest.join('.'), value) : value
  if (Array.isArray(document)) return document.with(Number(key), next) as Document
  return { ...document, [key]: next } as Document
}
