// @ts-check
import withNuxt from './.nuxt/eslint.config.mjs'

const clocks = [
  {
    object: 'Math',
    property: 'random',
    message: 'The core is deterministic: take a random source as a value.',
  },
  { object: 'Date', property: 'now', message: 'The core has no clock: take the time as a value.' },
]

export default withNuxt(
  { ignores: ['.shots/**', 'docs/**'] },
  {
    files: ['core/**/*.ts'],
    rules: {
      'no-restricted-properties': ['error', ...clocks],
      'max-params': ['error', 3],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'NewExpression[callee.name="Date"]',
          message: 'The core has no clock: take the time as a value.',
        },
      ],
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
  {
    rules: {
      // Prettier wraps code; what it cannot wrap is a string, and a long one is read in pieces.
      'max-len': [
        'error',
        {
          code: 100,
          ignoreRegExpLiterals: true,
          ignoreTemplateLiterals: true,
          ignorePattern: String.raw`^\s*(it|test|describe)\(`,
        },
      ],
    },
  },
  {
    files: ['**/*.vue'],
    rules: {
      'vue/html-self-closing': 'off',
      'max-len': 'off',
      'vue/max-len': [
        'error',
        {
          code: 100,
          template: 200,
          ignoreRegExpLiterals: true,
          ignoreTemplateLiterals: true,
        },
      ],
    },
  },
  // Tables of data stay tables.
  { files: ['core/catalogue/**/*.ts'], rules: { 'max-len': 'off' } },
)
