import { setResponseHeader } from 'h3'
import { logs, plans } from '../../../../database/plans'
import { apiHandler } from '../../../../http/apiHandler'
import { planId } from '../../../../http/planId'
import { readable } from '../../../../http/readable'
import { maxEntriesOnPage } from '../../../../repositories/logRepository'

/** The whole log as JSON lines, the newest first; it is read and sent a page at a time. */
export default apiHandler(async event => {
  const id = planId(event)
  readable(await (await plans()).get(id))
  const repository = await logs()
  setResponseHeader(event, 'content-type', 'application/jsonl; charset=utf-8')
  setResponseHeader(event, 'content-disposition', 'attachment; filename="log.jsonl"')
  let after: string | null = ''
  return new ReadableStream<Uint8Array>({
    async pull(controller) {
      if (after === null) return controller.close()
      const { entries, next } = await repository.page(id, { limit: maxEntriesOnPage, after })
      after = next
      const lines = entries.map(entry => `${JSON.stringify(entry)}\n`).join('')
      if (lines === '') controller.close()
      else controller.enqueue(new TextEncoder().encode(lines))
    },
  })
})
