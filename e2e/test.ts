import { test as base } from '@playwright/test'

export { expect, type BrowserContext, type Locator, type Page } from '@playwright/test'

/** The first worker's port; each worker has a server and a database of its own. */
export const FIRST_PORT = 3390

export const WORKERS = 2

export const test = base.extend<{ empty: boolean; metric: void; safe: void }>({
  /** With a database that began empty, in place of the demo's. */
  empty: [false, { option: true }],
  baseURL: async ({ empty }, give, { parallelIndex }) => {
    await give(`http://127.0.0.1:${FIRST_PORT + parallelIndex + (empty ? WORKERS : 0)}`)
  },
  /** Units hold on every device, so each test leaves them as it found them. */
  metric: [
    async ({ request, baseURL }, give) => {
      await give()
      await request.put('/api/units', { data: { units: 'metric' }, headers: { origin: baseURL! } })
    },
    { auto: true },
  ],
  /** No page asks for what its own policy forbids. */
  safe: [
    async ({ context }, give) => {
      const broken: string[] = []
      context.on('console', (said) => {
        if (said.text().includes('Content Security Policy')) broken.push(said.text())
      })
      await give()
      if (broken.length > 0) throw new Error(broken.join('\n'))
    },
    { auto: true },
  ],
})
