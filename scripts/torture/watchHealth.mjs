import { Worker } from 'node:worker_threads'

/**
 * Asks for health again and again in a thread of its own, so that what the other clients do is not
 * counted as waiting.
 * `end` answers a sentence of how long it took.
 */
export function watchHealth(base) {
  const thread = new Worker(
    `
    const { parentPort, workerData } = require('node:worker_threads')
    const waits = []
    let ended = false
    parentPort.on('message', () => ended = true)
    ;(async () => {
      while (!ended) {
        const since = performance.now()
        const { ok } = await fetch(workerData + '/api/health')
        waits.push(ok ? performance.now() - since : Infinity)
        await new Promise(done => setTimeout(done, 20))
      }
      parentPort.postMessage(waits.sort((a, b) => a - b))
      process.exit()
    })()`,
    { eval: true, workerData: base },
  )
  const told = new Promise((done, fail) => {
    thread.once('message', done)
    thread.once('error', fail)
  })
  return {
    async end() {
      thread.postMessage('end')
      const waits = await told
      return (
        `health answered in ${Math.round(waits[waits.length >> 1])} ms (median), ` +
        `${Math.round(waits[Math.floor(waits.length * 0.99)])} ms (99th percentile)`
      )
    },
  }
}
