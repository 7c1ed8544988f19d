import { defineConfig } from '@playwright/test'
import { chromium } from './e2e/chromium'
import { rmSync } from 'node:fs'
import { FIRST_PORT, WORKERS } from './e2e/test'

const emptyFile = (i: number) => `test-results/db/empty-${i}/even-reach.db`
// Only where the servers are started: workers read this file as well.
if (process.env.TEST_WORKER_INDEX === undefined)
  for (let i = 0; i < WORKERS; i++) rmSync(`test-results/db/empty-${i}`, { recursive: true, force: true })

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results/browser',
  // Machines that tests run on differ in speed by a factor of four.
  timeout: 120_000,
  expect: { timeout: 20_000 },
  workers: WORKERS,
  // A machine that stands still for a minute costs one test. What passed at the second try is named at the end.
  retries: process.env.CI ? 1 : 0,
  reporter: process.env.CI ? [['list'], ['json']] : [['list']],
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    timezoneId: 'UTC',
    // Lists and sheets are there at once.
    contextOptions: { reducedMotion: 'reduce' },
    permissions: ['clipboard-read', 'clipboard-write'],
    launchOptions: chromium(),
  },
  // One for each worker, so that no test meets what another one did.
  webServer: Array.from(
    { length: WORKERS },
    (_, i): { command: string; env: Record<string, string>; url: string }[] => [
      {
        command: 'node scripts/serve.mjs --demo --fresh',
        env: { PORT: String(FIRST_PORT + i), EVEN_REACH_DEMO_DB: `test-results/db/${i}/demo.db` },
        url: `http://127.0.0.1:${FIRST_PORT + i}`,
      },
      {
        command: 'node scripts/serve.mjs',
        env: { PORT: String(FIRST_PORT + WORKERS + i), EVEN_REACH_DB: emptyFile(i) },
        url: `http://127.0.0.1:${FIRST_PORT + WORKERS + i}`,
      },
    ],
  )
    .flat()
    .map((server) => ({ ...server, timeout: 240_000, reuseExistingServer: false })),
})
