import type { H3Event } from 'h3'
import { z } from 'zod'
import { Problem } from '../http/problem'
import { readJsonBody } from '../http/readJsonBody'
import { isOpen } from './openness'
import { passphraseIssue } from './passphrase'

const body = z.object({ passphrase: z.string() })

/**
 * The passphrase that a request brings.
 * @throws {Problem} 409 where nobody has to sign in, 422 when it cannot be one
 */
export async function readPassphrase(event: H3Event): Promise<string> {
  if (!isOpen())
    throw new Problem(
      409,
      'Not open to a network',
      'Only this computer reaches Numeron, so nobody has to sign in.',
    )
  const passphrase = body.safeParse(await readJsonBody(event)).data?.passphrase
  const issue = passphraseIssue(passphrase)
  if (issue !== null || passphrase === undefined)
    throw new Problem(422, 'No passphrase', issue ?? '')
  return passphrase
}

export function tooBusy(): Problem {
  return new Problem(503, 'Busy', 'Too many sign in at the same time. Try again in a few seconds.')
}
