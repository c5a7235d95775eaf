import * as icons from '@mdi/js'
import { theme } from './app/theme/theme'
import { assessWorkerModule, assessWorkerName } from './scripts/bundleAssessWorker.mjs'

/**
 * What Vuetify and Nuxt set up for every application and nothing here uses, so that it does not
 * come with the first view: a calendar for controls that pick dates, scrolling for groups that
 * slide, and data that are fetched while a server draws the page.
 */
const unused: Readonly<Record<string, string>> = {
  'nuxt/dist/app/composables/asyncData.js':
    'const none = () => {}; none.__nuxt_factory = none;' +
    'export { none as createUseAsyncData, none as useAsyncData, none as useLazyAsyncData,' +
    ' none as useNuxtData, none as refreshNuxtData, none as clearNuxtData };',
  'nuxt/dist/app/composables/fetch.js':
    'const none = () => {}; none.__nuxt_factory = none;' +
    'export { none as createUseFetch, none as useFetch, none as useLazyFetch };',
  'vuetify/lib/composables/date/date.js':
    "export const DateOptionsSymbol = Symbol('dates'), DateAdapterSymbol = Symbol('dates');" +
    'export const createDate = () => ({ options: {}, instance: {} });' +
    'export const useDate = createDate, daysDiff = () => 0;',
  'vuetify/lib/composables/goto.js':
    "export const GoToSymbol = Symbol('goto');" +
    'export const createGoTo = () => ({}), scrollTo = () => {}, useGoTo = () => scrollTo;',
}
/** Signs and words of pickers, players, trees, ratings, tables and keys: nothing here uses them. */
const unusedParts: Readonly<Record<string, RegExp>> = {
  'iconsets/mdi-svg':
    /^ {2}(delimiter|edit|file|calendar|clock|color|eyeDropper|upload|search|first|last|play|pause|command|ctrl|space|shift|alt|enter|backspace|(sort|rating|treeview|tableGroup|arrow|fullscreen|volume)\w*): 'svg:.*\n/gm,
  'locale/en':
    /^ {2}(confirmEdit|data\w*|dateRangeInput|\w+Picker|carousel|calendar|heatmap|file\w+|pagination|stepper|rating|splitBtn|infiniteScroll|rules|hotkey|media): \{\n[^]*?^ {2}\},?\n/gm,
}
const withoutUnused = {
  name: 'without-unused',
  enforce: 'pre' as const,
  load: (id: string) => Object.entries(unused).find(([file]) => id.includes(file))?.[1] ?? null,
  transform: (code: string, id: string) => {
    const found = Object.entries(unusedParts).find(([file]) => id.includes(`vuetify/lib/${file}`))
    return found ? code.replace(found[1], '') : null
  },
}

/**
 * Each icon is a module of its own, so that a view brings those that it shows, and the first view
 * not those of all others.
 */
const iconByIcon = {
  name: 'icon-by-icon',
  enforce: 'post' as const,
  resolveId: (id: string) => (id.startsWith('icon:') ? `\0${id}` : null),
  load: (id: string) =>
    id.startsWith('\0icon:')
      ? `export default ${JSON.stringify(icons[id.slice('\0icon:'.length) as keyof typeof icons])}`
      : null,
  transform: (code: string) =>
    code.replace(/import\s*\{([^}]*)\}\s*from\s*["']@mdi\/js["'];?/g, (_, names: string) =>
      names
        .split(',')
        .flatMap(name => (name.trim() ? [`import ${name.trim()} from 'icon:${name.trim()}';`] : []))
        .join('\n'),
    ),
}

export default defineNuxtConfig({
  modules: ['@pinia/nuxt', 'vuetify-nuxt-module', 'nuxt-security', '@nuxt/eslint'],
  ssr: false,
  components: [{ path: '~/components', pathPrefix: false }],
  // Composables are imported by name. Found by themselves, a parameter of the core that is called
  // like something they export became an import of it.
  imports: { scan: false },
  devtools: { enabled: false },
  app: {
    head: {
      title: 'Numeron',
      htmlAttrs: { lang: 'en' },
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'description', content: 'Plans a home media server and shows its working.' },
      ],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/icon.svg' }],
    },
  },
  css: ['@fontsource-variable/archivo/index.css', '~/theme/numeron.css'],
  compatibilityDate: '2026-11-01',
  nitro: { virtual: { [assessWorkerName]: assessWorkerModule } },
  vite: {
    plugins: [withoutUnused, iconByIcon],
    worker: { format: 'es' },
    optimizeDeps: { include: ['zod', 'd3-array', 'd3-scale', 'd3-shape', '@mdi/js'] },
    build: { chunkSizeWarningLimit: 900 },
  },
  typescript: {
    strict: true,
    tsConfig: { compilerOptions: { noUncheckedIndexedAccess: true } },
  },
  telemetry: false,
  hooks: {
    // A view is fetched when it is opened; what is hinted at would be loaded with the first one.
    'build:manifest': manifest => {
      for (const chunk of Object.values(manifest)) chunk.prefetch = false
    },
  },
  // Prettier formats; ESLint keeps what it does not do.
  eslint: { config: { stylistic: false } },
  security: {
    corsHandler: false,
    rateLimiter: false,
    // The routes count the bytes themselves, so that a body without a length is limited too.
    requestSizeLimiter: false,
    xssValidator: false,
    headers: {
      crossOriginEmbedderPolicy: false,
      strictTransportSecurity: false,
      xFrameOptions: 'DENY',
      contentSecurityPolicy: {
        'default-src': ["'self'"],
        'base-uri': ["'none'"],
        'object-src': ["'none'"],
        'form-action': ["'self'"],
        'frame-ancestors': ["'none'"],
        'connect-src': ["'self'"],
        'font-src': ["'self'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'style-src': ["'self'", "'unsafe-inline'"],
        'script-src': ["'self'", "'strict-dynamic'", "'nonce-{{nonce}}'"],
        'script-src-attr': ["'none'"],
        'worker-src': ["'self'"],
        'upgrade-insecure-requests': false,
      },
    },
  },
  vuetify: {
    moduleOptions: { styles: true },
    vuetifyOptions: {
      icons: { defaultSet: 'mdi-svg' },
      theme,
      defaults: {
        VTextField: { variant: 'outlined', density: 'compact' },
        VSelect: { variant: 'outlined', density: 'compact' },
        VTextarea: { variant: 'outlined', density: 'compact' },
        VBtn: { variant: 'text', rounded: 'sm' },
        VTooltip: { openDelay: 300 },
      },
    },
  },
})
