import { readFileSync } from 'node:fs'
import { passphraseIssue } from './passphrase'

/**
 * The passphrase from the file that the environment names; null when it names none. The file's last
 * line end does not count.
 */
export function readPassphraseFile(
  environment: NodeJS.ProcessEnv,
): { readonly passphrase: string | null } | { readonly problem: string } {
  const file = environment.NUMERON_PASSPHRASE_FILE
  if (!file) return { passphrase: null }
  let text: string
  try {
    text = readFileSync(file, 'utf8')
  } catch {
    return {
      problem:
        `NUMERON_PASSPHRASE_FILE is "${file}", which cannot be read. Name a text file that ` +
        'holds the passphrase and nothing else.',
    }
  }
  const passphrase = text.replace(/\r?\n$/, '')
  const issue = passphraseIssue(passphrase)
  return issue
    ? { problem: `The file of NUMERON_PASSPHRASE_FILE does not hold a usable passphrase. ${issue}` }
    : { passphrase }
}
