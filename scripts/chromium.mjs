import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'

const places = ['/usr/bin/chromium', '/usr/bin/chromium-browser']

/**
 * Path of Debian's Chromium; installs the package when it is missing and this user may. Null when
 * there is none.
 */
export function ensureChromium() {
  const given = process.env.NUMERON_CHROMIUM
  if (given) return existsSync(given) ? given : null
  const found = () => places.find(place => existsSync(place)) ?? null
  if (found()) return found()
  if (process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')) {
    console.log("Installing Chromium from Debian's packages for the end-to-end tests.")
    const options = { stdio: 'inherit', env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } }
    spawnSync('apt-get', ['update', '-qq'], options)
    spawnSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], options)
  }
  return found()
}
