import { readFileSync, readdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig, type TestProjectInlineConfiguration } from 'vitest/config'
import { assessWorkerModule, assessWorkerName } from './scripts/bundleAssessWorker.mjs'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))
const alias = { '~~': here('.'), '~': here('./app') }

/** The server's worker threads run a program that is bundled by itself. */
const assessWorker = {
  name: 'assess-worker',
  resolveId: (id: string) => (id === assessWorkerName ? `\0${assessWorkerName}` : undefined),
  load: (id: string) => (id === `\0${assessWorkerName}` ? assessWorkerModule() : undefined),
}

/** Tests that put something in the place of a module: it would stand there for the others too. */
const mocking = readdirSync(here('app'), { recursive: true, encoding: 'utf8' })
  .map(path => `app/${path}`)
  .filter(
    path =>
      path.endsWith('.test.ts') && /\bvi\.(do)?mock\(/i.test(readFileSync(here(path), 'utf8')),
  )
const app: TestProjectInlineConfiguration['test'] = {
  environment: 'happy-dom',
  pool: 'threads',
  setupFiles: ['tests/stubs/setup.ts'],
  testTimeout: 30_000,
  server: { deps: { inline: ['vuetify'] } },
}
const appAlias = { ...alias, '#imports': here('./tests/stubs/imports.ts') }

export default defineConfig({
  test: {
    // A machine that checks has two cores; left to itself Vitest keeps one of them free.
    maxWorkers: 2,
    projects: [
      {
        resolve: { alias },
        test: {
          name: 'core',
          include: ['core/**/*.test.ts'],
          environment: 'node',
          // The core has no state beside what it is given: its files can share a process.
          isolate: false,
          pool: 'threads',
          testTimeout: 60_000,
        },
      },
      {
        plugins: [assessWorker],
        resolve: { alias },
        test: {
          name: 'project',
          include: ['tests/**/*.test.ts', 'server/**/*.test.ts'],
          environment: 'node',
          testTimeout: 60_000,
        },
      },
      {
        plugins: [vue()],
        resolve: { alias: appAlias },
        // The files share a process too: most of their time went into loading the same modules.
        test: {
          ...app,
          name: 'app',
          include: ['app/**/*.test.ts'],
          exclude: mocking,
          isolate: false,
        },
      },
      {
        plugins: [vue()],
        resolve: { alias: appAlias },
        test: { ...app, name: 'app alone', include: mocking },
      },
    ],
  },
})
