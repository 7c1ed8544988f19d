import { test as base } from '@playwright/test'

export { expect, type BrowserContext, type Locator, type Page } from '@playwright/test'

/** The first worker's port; each worker has a server and a database of its own. */
export const FIRST_PORT = 3390

export const test = base.extend({
  // Playwright wants the fixtures to be destructured, even none of them.
  baseURL: async ({}, give, { parallelIndex }) => {
    await give(`http://127.0.0.1:${FIRST_PORT + parallelIndex}`)
  },
})
