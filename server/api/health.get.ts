import { plans } from '../database/plans'
import { apiHandler } from '../http/apiHandler'

export default apiHandler(async () => ({ status: 'ok', plans: await (await plans()).count() }))
