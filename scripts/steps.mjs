import { spawn, spawnSync } from 'node:child_process'
import { existsSync, readdirSync, statSync } from 'node:fs'
import { join } from 'node:path'

/** Runs a command with its output shown; answers whether it ended well. */
export function run(command, args, environment = {}) {
  const { status } = spawnSync(command, args, {
    stdio: 'inherit',
    env: { ...process.env, ...environment },
  })
  return status === 0
}

/**
 * Runs a command beside others; its output is shown whole when it ends, so that it does not mix
 * with theirs. Answers whether it ended well.
 */
export function runBeside(command, args, environment = {}) {
  return new Promise(resolve => {
    const output = []
    const child = spawn(command, args, {
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, ...environment },
    })
    child.stdout.on('data', text => output.push(text))
    child.stderr.on('data', text => output.push(text))
    child.on('error', () => resolve(false))
    child.on('close', status => {
      process.stdout.write(Buffer.concat(output))
      resolve(status === 0)
    })
  })
}

/** Runs a command with its output shown while others go on beside it. */
export function runShown(command, args, environment = {}) {
  return new Promise(resolve => {
    const child = spawn(command, args, {
      stdio: 'inherit',
      env: { ...process.env, ...environment },
    })
    child.on('error', () => resolve(false))
    child.on('close', status => resolve(status === 0))
  })
}

/**
 * Installs the packages of the lock file when they are missing. The database driver is compiled
 * once: some minutes.
 */
export function ensurePackages() {
  if (existsSync('node_modules/.package-lock.json')) return
  console.log(
    'Installing packages; the database driver is compiled on the way, which takes a few minutes.',
  )
  if (!run('npm', ['ci', '--no-progress'], { JOBS: '2' }))
    throw new Error('npm ci failed; see its message above.')
}

function newestChange(paths) {
  let newest = 0
  for (const path of paths) {
    if (!existsSync(path)) continue
    const stats = statSync(path)
    newest = Math.max(newest, stats.mtimeMs)
    if (stats.isDirectory())
      newest = Math.max(newest, newestChange(readdirSync(path).map(name => join(path, name))))
  }
  return newest
}

/** Builds the application unless a build newer than its sources is there. */
export function ensureBuild() {
  const built = existsSync('.output/server/index.mjs')
    ? statSync('.output/server/index.mjs').mtimeMs
    : 0
  if (
    built > newestChange(['app', 'core', 'server', 'public', 'nuxt.config.ts', 'package-lock.json'])
  )
    return true
  console.log('Building; about a minute.')
  return run('npx', ['nuxt', 'build'], { NUXT_TELEMETRY_DISABLED: '1' })
}
