import { defineConfig } from '@playwright/test'
import { chromium } from './e2e/chromium'
import { FIRST_PORT } from './e2e/test'

const WORKERS = 2

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results/browser',
  // Machines that tests run on differ in speed by a factor of four.
  timeout: 120_000,
  expect: { timeout: 20_000 },
  workers: WORKERS,
  reporter: process.env.CI ? [['list'], ['json']] : [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'UTC',
    permissions: ['clipboard-read', 'clipboard-write'],
    launchOptions: chromium(),
  },
  // One for each worker, so that no test meets what another one did.
  webServer: Array.from({ length: WORKERS }, (_, i) => ({
    command: 'node scripts/serve.mjs --demo --fresh',
    env: { PORT: String(FIRST_PORT + i), EVEN_REACH_DEMO_DB: `test-results/db/${i}/demo.db` },
    url: `http://127.0.0.1:${FIRST_PORT + i}`,
    timeout: 240_000,
    reuseExistingServer: false,
  })),
})
