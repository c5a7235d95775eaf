import { getRequestHeader, type H3Event } from 'h3'
import { notJson, Problem } from './problem'

/** Largest body a route takes, in bytes. A plan of 200 holdings is about 40 kB. */
export const bodyLimitBytes = 5_000_000

function tooLarge(): Problem {
  return new Problem(413, 'Too large', `A plan may be at most ${bodyLimitBytes / 1e6} MB.`)
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
export async function readJsonText(event: H3Event): Promise<string> {
  if (!isJson(getRequestHeader(event, 'content-type') ?? ''))
    throw new Problem(415, 'Not JSON', 'Send the plan as application/json.')
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > bodyLimitBytes) {
    event.node.req.resume()
    throw tooLarge()
  }
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of event.node.req) {
    size += chunk.length
    if (size > bodyLimitBytes) {
      event.node.req.resume()
      throw tooLarge()
    }
    chunks.push(chunk)
  }
  return Buffer.concat(chunks)
    .toString('utf8')
    .replace(/^\uFEFF/, '')
}

/** The body as JSON. */
export async function readJsonBody(event: H3Event): Promise<unknown> {
  const text = await readJsonText(event)
  try {
    return JSON.parse(text)
  } catch {
    throw notJson()
  }
}
