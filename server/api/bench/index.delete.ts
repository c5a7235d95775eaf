import { bench } from '../../bench/benchJob'
import { apiHandler } from '../../http/apiHandler'

export default apiHandler(() => bench.cancel())
