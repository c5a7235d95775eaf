import { RateLimiterMemory, RateLimiterRes } from 'rate-limiter-flexible'
import { Problem } from '../http/problem'

/** Tries that one address has, and seconds until it has them again. */
export const signInTries = { points: 5, duration: 300 } as const

const limiter = new RateLimiterMemory(signInTries)

/** Addresses that one house is likely to have: of IPv6 it is a whole network of 64 bits. */
function placeOf(address: string): string {
  const plain = address.replace(/^::ffff:/, '')
  if (!plain.includes(':')) return plain
  const [head = '', tail] = plain.split('::')
  const groups = head.split(':').filter(Boolean)
  const after = tail === undefined ? [] : tail.split(':').filter(Boolean)
  return [
    ...groups,
    ...Array<string>(tail === undefined ? 0 : 8 - groups.length - after.length).fill('0'),
    ...after,
  ]
    .slice(0, 4)
    .join(':')
}

/**
 * Counts a try to sign in from an address.
 * @throws {Problem} 429 when it had too many of late
 */
export async function countTry(address: string): Promise<void> {
  try {
    await limiter.consume(placeOf(address))
  } catch (refused) {
    if (!(refused instanceof RateLimiterRes)) throw refused
    const minutes = Math.ceil(refused.msBeforeNext / 60_000)
    throw new Problem(
      429,
      'Too many tries',
      `There were too many wrong passphrases. Try again in ${minutes} ` +
        `${minutes === 1 ? 'minute' : 'minutes'}.`,
    )
  }
}

/** Whoever signed in has all tries again. */
export async function forgetTries(address: string): Promise<void> {
  await limiter.delete(placeOf(address))
}
