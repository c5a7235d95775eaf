import { getQuery } from 'h3'
import { endSession, isSignedIn } from '../../access/session'
import { access } from '../../database/plans'
import { apiHandler } from '../../http/apiHandler'
import { endStreams } from '../../lifetime/eventStreams'

/**
 * Signs this browser out, or with `?everywhere` all of them. Event streams end: those of browsers
 * still signed in begin again.
 */
export default apiHandler(async event => {
  if ('everywhere' in getQuery(event) && (await isSignedIn(event)))
    await (await access()).endAllSessions()
  await endSession(event)
  endStreams()
  return { signedIn: false }
})
