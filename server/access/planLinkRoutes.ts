import { setResponseStatus } from 'h3'
import type { PlanLinkKind, PlanLinkState } from '~~/core/plan/sessionState'
import { access, plans } from '../database/plans'
import { allowedHosts } from '../http/allowedHost'
import { apiHandler } from '../http/apiHandler'
import { planId } from '../http/planId'
import { Problem } from '../http/problem'
import { readable } from '../http/readable'
import { readJsonBody } from '../http/readJsonBody'
import { isOpen } from './openness'
import { newToken, tokenHashOf } from './token'

/** Where a link of each kind leads. */
const places: Readonly<Record<PlanLinkKind, string>> = { reader: 'read', runBook: 'tick' }

/** Whether a plan has a link. The link itself is told only when it is made. */
export const linkState = (kind: PlanLinkKind) =>
  apiHandler(async (event): Promise<PlanLinkState> => {
    const made = await (await access()).links[kind].madeAt(planId(event))
    return { open: isOpen(), madeAt: made?.toISOString() ?? null }
  })

/** Makes the link of a plan; the one before leads nowhere from then on. */
export const makeLink = (kind: PlanLinkKind) =>
  apiHandler(async event => {
    await readJsonBody(event)
    const id = planId(event)
    readable(await (await plans()).get(id))
    const token = newToken()
    await (await access()).links[kind].set(id, tokenHashOf(token))
    return { path: `/${places[kind]}/${token}`, host: allowedHosts(process.env)[0] ?? null }
  })

/** Revokes the link of a plan. */
export const revokeLink = (kind: PlanLinkKind) =>
  apiHandler(async event => {
    if (!(await (await access()).links[kind].remove(planId(event))))
      throw new Problem(404, 'No link', 'This plan has no such link.')
    setResponseStatus(event, 204)
    return null
  })
