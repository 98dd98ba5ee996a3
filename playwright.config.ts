import { defineConfig } from '@playwright/test'
import { CHROMIUM_FLAGS } from './e2e/support/chromium'

export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/support/before-all.ts',
  fullyParallel: false,
  // Tests of hands at the table mostly wait, so two files at a time share two cores well.
  workers: 2,
  // On a shared build machine one more try; the summary names how many needed it.
  retries: process.env['CI'] === 'true' ? 1 : 0,
  timeout: 90_000,
  expect: { timeout: 10_000 },
  reporter: [['list'], ['json', { outputFile: 'test-reports/e2e.json' }]],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    launchOptions: {
      executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium-headless-shell',
      args: [...CHROMIUM_FLAGS],
    },
  },
})
