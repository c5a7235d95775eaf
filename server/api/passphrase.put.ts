import { isFromThisComputer } from '../access/openness'
import { hashPassphrase } from '../access/passphrase'
import { readPassphrase, tooBusy } from '../access/readPassphrase'
import { openSession } from '../access/session'
import { access } from '../database/plans'
import { apiHandler } from '../http/apiHandler'
import { Problem } from '../http/problem'

/** Sets the first passphrase, on the computer that runs Numeron only, and signs that browser in. */
export default apiHandler(async event => {
  const passphrase = await readPassphrase(event)
  if (!isFromThisComputer(event))
    throw new Problem(
      403,
      'Another computer',
      'The first passphrase is set on the computer that runs Numeron: open it there at ' +
        '"localhost".',
    )
  const hash = await hashPassphrase(passphrase)
  if (!hash) throw tooBusy()
  if (!(await (await access()).setFirstPassphrase(hash)))
    throw new Problem(
      409,
      'There is a passphrase',
      'A passphrase is set already. To set another, name a file that holds it in ' +
        'NUMERON_PASSPHRASE_FILE and start Numeron again.',
    )
  await openSession(event)
  return { signedIn: true }
})
