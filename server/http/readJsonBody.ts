import { getRequestHeader, type H3Event } from 'h3'
import { notJson, Problem } from './problem'

/** Largest body a route takes, in bytes. A plan of 200 holdings is about 40 kB. */
export const bodyLimitBytes = 5_000_000

/** What a body holds, and how large it may be. */
export interface BodyLimit {
  readonly what: string
  readonly bytes: number
}
const ofPlan: BodyLimit = { what: 'A plan', bytes: bodyLimitBytes }

function tooLarge({ what, bytes }: BodyLimit): Problem {
  return new Problem(413, 'Too large', `${what} may be at most ${bytes / 1e6} MB.`)
}

/**
 * Whether a Content-Type names JSON. Its parameters do not count: browsers send form types with any
 * of them unasked.
 */
export function isJson(contentType: string): boolean {
  return /^application\/([\w.-]+\+)?json$/.test(contentType.split(';')[0]!.trim().toLowerCase())
}

/**
 * The text of a JSON body. Counts the bytes as they come, so that a body without a stated length is
 * limited too.
 * Asking for a JSON content type also keeps foreign web pages out: they cannot send it without
 * being asked first.
 */
export async function readJsonText(event: H3Event, limit = ofPlan): Promise<string> {
  if (!isJson(getRequestHeader(event, 'content-type') ?? ''))
    throw new Problem(415, 'Not JSON', 'Send it as application/json.')
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > limit.bytes) {
    event.node.req.resume()
    throw tooLarge(limit)
  }
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of event.node.req) {
    size += chunk.length
    if (size > limit.bytes) {
      event.node.req.resume()
      throw tooLarge(limit)
    }
    chunks.push(chunk)
  }
  return Buffer.concat(chunks)
    .toString('utf8')
    .replace(/^\uFEFF/, '')
}

/** The body as JSON. */
export async function readJsonBody(event: H3Event, limit = ofPlan): Promise<unknown> {
  const text = await readJsonText(event, limit)
  try {
    return JSON.parse(text)
  } catch {
    throw notJson()
  }
}
