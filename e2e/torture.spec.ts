import { expect, test } from '@playwright/test'
import { execFile } from 'node:child_process'
import { promisify } from 'node:util'

// One after the other: each takes all that a machine has.
test.describe.configure({ mode: 'default' })

// The short form; `npm run torture` is the long one.
for (const part of ['kills', 'power', 'races', 'rubbish', 'heavy', 'crowd']) {
  test(`nothing is lost, and nothing hangs: ${part}`, async () => {
    test.slow()
    const { stdout } = await promisify(execFile)(process.execPath, [
      'scripts/torture.mjs',
      '--short',
      '--seed',
      '26',
      part,
    ])
    expect(stdout).toContain('nothing was lost')
    expect(stdout).toMatch(/^ok/m)
  })
}
