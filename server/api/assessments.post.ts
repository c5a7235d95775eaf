import { assess } from '~~/core/assess'
import { catalogue } from '~~/core/catalogue/catalogue'
import { acceptPlan } from '../http/acceptPlan'
import { apiHandler } from '../http/apiHandler'
import { readJsonBody } from '../http/readJsonBody'

/** Assesses the plan in the body; nothing is stored. */
export default apiHandler(async (event) => {
  const { plan, keptAside } = acceptPlan(await readJsonBody(event))
  const { figures, verdicts, findings } = assess(plan, catalogue)
  return { figures, verdicts, findings, keptAside }
})
