import { newToken, tokenHashOf } from '../../../access/token'
import { access, plans } from '../../../database/plans'
import { allowedHosts } from '../../../http/allowedHost'
import { apiHandler } from '../../../http/apiHandler'
import { planId } from '../../../http/planId'
import { readable } from '../../../http/readable'
import { readJsonBody } from '../../../http/readJsonBody'

/** Makes the reader's link of a plan; the one before shows nothing from then on. */
export default apiHandler(async event => {
  await readJsonBody(event)
  const id = planId(event)
  readable(await (await plans()).get(id))
  const token = newToken()
  await (await access()).setLink(id, tokenHashOf(token))
  return { path: `/read/${token}`, host: allowedHosts(process.env)[0] ?? null }
})
