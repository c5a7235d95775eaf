import { createEventStream, defineEventHandler } from 'h3'
import { bench } from '../../bench/benchJob'
import { noteStream } from '../../lifetime/eventStreams'

/** The bench as server-sent events: its state now, and every change. */
export default defineEventHandler(event => {
  const stream = createEventStream(event)
  const stop = bench.watch(state => void stream.push(JSON.stringify(state)))
  const forget = noteStream(() => void stream.close())
  stream.onClosed(() => {
    stop()
    forget()
    return stream.close()
  })
  return stream.send()
})
