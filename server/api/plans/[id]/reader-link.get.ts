import type { ReaderLinkState } from '~~/core/plan/sessionState'
import { isOpen } from '../../../access/openness'
import { access } from '../../../database/plans'
import { apiHandler } from '../../../http/apiHandler'
import { planId } from '../../../http/planId'

/** Whether a plan has a reader's link. The link itself is told only when it is made. */
export default apiHandler(async (event): Promise<ReaderLinkState> => {
  const made = await (await access()).linkOf(planId(event))
  return { open: isOpen(), madeAt: made?.toISOString() ?? null }
})
