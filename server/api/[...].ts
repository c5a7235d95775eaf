import { apiHandler } from '../http/apiHandler'
import { Problem } from '../http/problem'

export default apiHandler(() => {
  throw new Problem(404, 'Not found', 'There is nothing at this address.')
})
