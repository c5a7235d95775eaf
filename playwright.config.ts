import { defineConfig } from '@playwright/test'

export default defineConfig({
  testDir: 'e2e',
  // Generous: shared machines are sometimes several times slower than they look.
  timeout: 150_000,
  expect: { timeout: 45_000 },
  workers: 2,
  fullyParallel: true,
  retries: 0,
  forbidOnly: true,
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    // A press that went astray is found out soon.
    actionTimeout: 40_000,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    colorScheme: 'light',
    contextOptions: { reducedMotion: 'reduce' },
    launchOptions: {
      executablePath: process.env.NUMERON_CHROMIUM ?? '/usr/bin/chromium',
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
    },
  },
})
