import { fileURLToPath } from 'node:url'
import { build } from 'esbuild'

/** Name under which the server imports the program of its worker threads, as text. */
export const assessWorkerName = '#assess-worker'

/** The module of that name. */
export async function assessWorkerModule() {
  const {
    outputFiles: [file],
  } = await build({
    entryPoints: [fileURLToPath(new URL('../server/work/assessWorker.ts', import.meta.url))],
    alias: { '~~': fileURLToPath(new URL('..', import.meta.url)).replace(/\/$/, '') },
    bundle: true,
    write: false,
    platform: 'node',
    format: 'cjs',
    target: 'node20',
    minify: true,
  })
  return `export default ${JSON.stringify(file.text)}`
}
