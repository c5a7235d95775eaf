import { createServer } from 'node:http'
import { mkdtempSync, rmSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { createApp, createRouter, toNodeListener, type EventHandler } from 'h3'
import { door } from '../../server/access/door'
import { gate } from '../../server/http/gate'

const routeFiles = import.meta.glob<{ default: EventHandler }>('../../server/api/**/*.ts')

/** 'server/api/plans/[id]/index.put.ts' → PUT /api/plans/:id, as the framework reads it. */
function routeOf(file: string): { path: string; method: string | null } {
  const [, stem = '', method = null] =
    /server(\/api\/.*?)(?:\.(get|post|put|delete))?\.ts$/.exec(file) ?? []
  const path = stem
    .replace(/\/index$/, '')
    .replace(/\[\.\.\.\]/, '**')
    .replace(/\[(\w+)\]/g, ':$1')
  return { path, method }
}

/** The server's routes on a free port of this machine, with a database of their own. */
export async function startApi() {
  const folder = mkdtempSync(join(tmpdir(), 'numeron-api-'))
  process.env.NUMERON_DB = join(folder, 'plans.sqlite')
  const router = createRouter()
  for (const [file, load] of Object.entries(routeFiles)) {
    const { path, method } = routeOf(file)
    const { default: handler } = await load()
    router.add(path, handler, method ? [method as 'get'] : undefined)
  }
  const server = createServer(toNodeListener(createApp().use(gate).use(door).use(router)))
  await new Promise<void>(done => server.listen(0, '127.0.0.1', done))
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  return {
    base,
    async send(
      method: string,
      path: string,
      body?: unknown,
      headers: Record<string, string> = { 'content-type': 'application/json' },
    ) {
      const payload =
        body === undefined
          ? {}
          : { body: typeof body === 'string' ? body : JSON.stringify(body), headers }
      const response = await fetch(base + path, { method, ...payload })
      const text = await response.text()
      return {
        status: response.status,
        type: response.headers.get('content-type') ?? '',
        body: text ? JSON.parse(text) : null,
      }
    },
    async stop() {
      await new Promise(done => server.close(done))
      rmSync(folder, { recursive: true, force: true })
    },
  }
}
