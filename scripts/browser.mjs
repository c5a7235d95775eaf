import { chromium } from '@playwright/test'
import { ensureChromium } from './debianPackages.mjs'

/** Debian's Chromium without a window; throws when there is none. */
export async function launchBrowser() {
  const executablePath = ensureChromium()
  if (!executablePath)
    throw new Error(
      'No Chromium: install it (as root: apt-get install chromium), or set ' +
        'NUMERON_CHROMIUM to its path.',
    )
  return chromium.launch({
    executablePath,
    args: [
      '--headless',
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  })
}
