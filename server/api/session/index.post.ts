import { isPassphrase } from '../../access/passphrase'
import { readPassphrase, tooBusy } from '../../access/readPassphrase'
import { openSession } from '../../access/session'
import { countTry, forgetTries } from '../../access/signInLimit'
import { access } from '../../database/plans'
import { apiHandler } from '../../http/apiHandler'
import { Problem } from '../../http/problem'

/** Signs a browser in. */
export default apiHandler(async event => {
  const passphrase = await readPassphrase(event)
  const address = event.node.req.socket.remoteAddress ?? ''
  await countTry(address)
  const hash = await (await access()).passphrase()
  if (hash === null)
    throw new Problem(
      409,
      'No passphrase yet',
      'No passphrase is set yet. Open Numeron on the computer that runs it, and set one there.',
    )
  const isRight = await isPassphrase(passphrase, hash)
  if (isRight === null) throw tooBusy()
  if (!isRight)
    throw new Problem(
      401,
      'Another passphrase',
      'This is not the passphrase. Capital letters and spaces count.',
    )
  await forgetTries(address)
  await openSession(event)
  return { signedIn: true }
})
