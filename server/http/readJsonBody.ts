import { getRequestHeader, type H3Event } from 'h3'
import { Problem } from './problem'

/** Largest body a route takes, in bytes. A plan of 200 holdings is about 40 kB. */
export const bodyLimitBytes = 5_000_000

function tooLarge(): Problem {
  return new Problem(413, 'Too large', `A plan may be at most ${bodyLimitBytes / 1e6} MB.`)
}

/**
 * The body as JSON. Counts the bytes as they come, so that a body without a stated length is limited too.
 * Asking for a JSON content type also keeps foreign web pages out: they cannot send it without being asked first.
 */
export async function readJsonBody(event: H3Event): Promise<unknown> {
  if (!/^application\/(.+\+)?json\b/i.test(getRequestHeader(event, 'content-type') ?? '')) {
    throw new Problem(415, 'Not JSON', 'Send the plan as application/json.')
  }
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
  try {
    return JSON.parse(Buffer.concat(chunks).toString('utf8').replace(/^\uFEFF/, ''))
  }
  catch {
    throw new Problem(400, 'Not JSON', 'The request is not valid JSON. Nothing was stored.')
  }
}
