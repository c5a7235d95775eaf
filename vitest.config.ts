import { fileURLToPath } from 'node:url'
import vue from '@vitejs/plugin-vue'
import { defineConfig } from 'vitest/config'

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url))
const alias = { '~~': here('.'), '~': here('./app') }

export default defineConfig({
  test: {
    projects: [
      { resolve: { alias }, test: { name: 'core', include: ['core/**/*.test.ts'], environment: 'node', testTimeout: 60_000 } },
      { resolve: { alias }, test: { name: 'project', include: ['tests/**/*.test.ts', 'server/**/*.test.ts'], environment: 'node', testTimeout: 60_000 } },
      {
        plugins: [vue()],
        resolve: { alias: { ...alias, '#imports': here('./tests/stubs/imports.ts') } },
        test: { name: 'app', include: ['app/**/*.test.ts'], environment: 'happy-dom', setupFiles: ['tests/stubs/setup.ts'], testTimeout: 30_000, server: { deps: { inline: ['vuetify'] } } },
      },
    ],
  },
})
