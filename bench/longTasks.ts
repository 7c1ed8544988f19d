import type { Page } from '@playwright/test'

/** What blocks is the time that tasks take beyond this, ms. */
const FREE_MS = 50

/** What tasks took of a page's own thread. */
export interface Blocked {
  blockedMs: number
  longestMs: number
}

interface Watched {
  long: number[]
}

/** Has a page note its long tasks, from when it begins. */
export async function watchLongTasks(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const long: number[] = ((window as unknown as Watched).long = [])
    new PerformanceObserver((list) => list.getEntries().forEach((e) => long.push(e.duration))).observe({
      type: 'longtask',
      buffered: true,
    })
  })
}

/** What it noted since it began, or since it was last asked. */
export async function longTasks(page: Page): Promise<Blocked> {
  const long = await page.evaluate(() => (window as unknown as Watched).long.splice(0))
  return {
    blockedMs: long.reduce((s, d) => s + Math.max(0, d - FREE_MS), 0),
    longestMs: Math.max(0, ...long),
  }
}
