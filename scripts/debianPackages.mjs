import { spawnSync } from 'node:child_process'
import { existsSync } from 'node:fs'

const places = ['/usr/bin/chromium', '/usr/bin/chromium-browser']

/** Installs packages of Debian where this user may; whether it tried. */
function install(name, what) {
  if (process.getuid?.() !== 0 || !existsSync('/usr/bin/apt-get')) return false
  console.log(what)
  const options = { stdio: 'inherit', env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } }
  spawnSync('apt-get', ['update', '-qq'], options)
  spawnSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', name], options)
  return true
}

/** The reader of SMB settings that a test compares exports with; the test is left out without. */
export function ensureSettingsReader() {
  if (!existsSync('/usr/bin/testparm'))
    install('samba-common-bin', "Installing Debian's reader of SMB settings for a test.")
}

/**
 * Path of Debian's Chromium; installs the package when it is missing and this user may. Null when
 * there is none.
 */
export function ensureChromium() {
  const given = process.env.NUMERON_CHROMIUM
  if (given) return existsSync(given) ? given : null
  const found = () => places.find(place => existsSync(place)) ?? null
  if (!found())
    install('chromium', "Installing Chromium from Debian's packages for the end-to-end tests.")
  return found()
}
