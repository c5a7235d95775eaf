import { createHash, randomBytes } from 'node:crypto'

/** A secret that nobody guesses, fit for a cookie and an address. */
export function newToken(): string {
  return randomBytes(32).toString('base64url')
}

/** What is stored of a token. It is random, so that a plain hash is enough. */
export function tokenHashOf(token: string): string {
  return createHash('sha256').update(token).digest('hex')
}
