import type { SessionState } from '~~/core/plan/sessionState'
import { isFromThisComputer, isOpen } from '../../access/openness'
import { isSignedIn } from '../../access/session'
import { access } from '../../database/plans'
import { apiHandler } from '../../http/apiHandler'

/**
 * Whether anybody has to sign in here, whether this browser has, and whether it may set the first
 * passphrase.
 */
export default apiHandler(async (event): Promise<SessionState> => {
  if (!isOpen()) return { open: false, signedIn: true, passphrase: 'none' }
  const isSet = (await (await access()).passphrase()) !== null
  return {
    open: true,
    signedIn: await isSignedIn(event),
    passphrase: isSet ? 'set' : isFromThisComputer(event) ? 'yoursToSet' : 'none',
  }
})
