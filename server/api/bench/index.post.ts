import { bench } from '../../bench/benchJob'
import { apiHandler } from '../../http/apiHandler'
import { readJsonBody } from '../../http/readJsonBody'

/**
 * Starts the bench. The body says nothing: what runs is fixed. It must be JSON all the same, so
 * that no foreign page can send it.
 */
export default apiHandler(async event => {
  await readJsonBody(event)
  return bench.start()
})
