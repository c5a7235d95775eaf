import { randomBytes, scrypt as scryptOf, timingSafeEqual } from 'node:crypto'
import { promisify } from 'node:util'

const scrypt = promisify<
  string,
  Buffer,
  number,
  { N: number; r: number; p: number; maxmem: number },
  Buffer
>(scryptOf)

/** Length a passphrase may have, letters. */
export const passphraseLength = { least: 12, most: 200 } as const
/**
 * 32 MB and about a quarter of a second on a small machine (OWASP's Password Storage Cheat Sheet: N
 * = 2^15, r = 8, p = 3).
 */
const cost = { N: 2 ** 15, r: 8, p: 3 } as const
const keyBytes = 32
const saltBytes = 16
/** Most that wait to be worked out; each holds a thread that the database needs as well. */
const maxWaiting = 8

/** Why a passphrase cannot be taken; null when it can. */
export function passphraseIssue(passphrase: unknown): string | null {
  const { least, most } = passphraseLength
  return typeof passphrase === 'string' && passphrase.length >= least && passphrase.length <= most
    ? null
    : `The passphrase must be ${least} to ${most} letters long. Four or five words that have ` +
        'nothing to do with each other are easy to remember.'
}

let waiting = 0
let last: Promise<unknown> = Promise.resolve()

/** One at a time. Answers null when too many wait already. */
async function derive(
  passphrase: string,
  salt: Buffer,
  { N, r, p }: { N: number; r: number; p: number },
): Promise<Buffer | null> {
  if (waiting >= maxWaiting) return null
  waiting++
  const mine = last.then(() =>
    scrypt(passphrase.normalize('NFC'), salt, keyBytes, { N, r, p, maxmem: 256 * N * r }),
  )
  last = mine.catch(() => undefined)
  try {
    return await mine
  } finally {
    waiting--
  }
}

/**
 * A passphrase as it is stored: scrypt, with its cost and a salt of its own. Null when too many are
 * worked out already.
 */
export async function hashPassphrase(passphrase: string): Promise<string | null> {
  const salt = randomBytes(saltBytes)
  const key = await derive(passphrase, salt, cost)
  return (
    key &&
    ['scrypt', cost.N, cost.r, cost.p, salt.toString('base64url'), key.toString('base64url')].join(
      '$',
    )
  )
}

/** Whether a passphrase is the one that was hashed; null when too many are worked out already. */
export async function isPassphrase(passphrase: string, hash: string): Promise<boolean | null> {
  const [kind, N, r, p, salt = '', key = ''] = hash.split('$')
  if (kind !== 'scrypt') return false
  const found = await derive(passphrase, Buffer.from(salt, 'base64url'), {
    N: Number(N),
    r: Number(r),
    p: Number(p),
  })
  const known = Buffer.from(key, 'base64url')
  return found && found.length === known.length && timingSafeEqual(found, known)
}
