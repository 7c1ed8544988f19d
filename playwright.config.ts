import { defineConfig } from '@playwright/test'
import { chromium } from './e2e/chromium'

const port = 3390

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results/browser',
  // Machines that tests run on differ in speed by a factor of four.
  timeout: 90_000,
  expect: { timeout: 20_000 },
  workers: 1,
  reporter: process.env.CI ? [['list'], ['json']] : [['list']],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'UTC',
    permissions: ['clipboard-read', 'clipboard-write'],
    launchOptions: chromium(),
  },
  webServer: {
    command: `rm -rf test-results/db && PORT=${port} EVEN_REACH_DEMO_DB=test-results/db/demo.db node scripts/serve.mjs --demo`,
    url: `http://127.0.0.1:${port}`,
    timeout: 240_000,
    reuseExistingServer: false,
  },
})
