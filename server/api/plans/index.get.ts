import { plans } from '../../database/plans'
import { apiHandler } from '../../http/apiHandler'

export default apiHandler(async () => ({ plans: await (await plans()).list() }))
