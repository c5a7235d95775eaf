// @ts-check
import withNuxt from './.nuxt/eslint.config.mjs'

const clocks = [
  { object: 'Math', property: 'random', message: 'The core is deterministic: take a random source as a value.' },
  { object: 'Date', property: 'now', message: 'The core has no clock: take the time as a value.' },
]

export default withNuxt(
  { ignores: ['.shots/**', 'docs/**'] },
  {
    files: ['core/**/*.ts'],
    rules: {
      'no-restricted-properties': ['error', ...clocks],
      'max-params': ['error', 3],
      'no-restricted-syntax': ['error', { selector: 'NewExpression[callee.name="Date"]', message: 'The core has no clock: take the time as a value.' }],
    },
  },
  // A property of many values reads best as one line of them.
  { files: ['core/**/*.test.ts'], rules: { 'max-params': 'off' } },
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
    },
  },
)
