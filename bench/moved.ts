// What the map of the ground costs an old laptop while it is used: Chromium with its processor slowed four times, the
// pointer moved over it, the map panned. npm run bench:moved -- http://127.0.0.1:PORT, against a demo
import { chromium as playwright, type Page } from '@playwright/test'
import { chromium } from '../e2e/chromium'
import { longTasks, watchLongTasks, type Blocked } from './longTasks'
import { trialIn } from './served'
import { BENCHMARKS, writeTable } from './table'

const base = process.argv[2]
if (!base) throw new Error('Say where a demo runs: npm run bench:moved -- http://127.0.0.1:PORT')
const SLOWED = 4
const QUIET_MS = 6000
const FRAME_MS = 16

type Box = { x: number; y: number; width: number; height: number }

async function during(page: Page, what: () => Promise<void>): Promise<Blocked> {
  // What came before is taken away.
  await longTasks(page)
  await what()
  // What a move sets off is counted with it.
  await page.waitForTimeout(1000)
  return longTasks(page)
}

/** Along a line over the map, from one share of its width to another, as a hand goes. */
async function go(page: Page, box: Box, from: number, to: number, ms: number): Promise<void> {
  const steps = Math.round(ms / FRAME_MS)
  for (let i = 0; i <= steps; i++) {
    const share = from + ((to - from) * i) / steps
    await page.mouse.move(box.x + box.width * share, box.y + box.height * (0.35 + 0.3 * share))
    await page.waitForTimeout(FRAME_MS)
  }
}

async function main(): Promise<void> {
  const browser = await playwright.launch(chromium())
  try {
    const context = await browser.newContext({
      viewport: { width: 1280, height: 1400 },
      serviceWorkers: 'block',
    })
    const page = await context.newPage()
    await watchLongTasks(page)
    const home = await (await fetch(base!)).text()
    await page.goto(`${base}${trialIn(home)}/ground`)
    const map = page.locator('.ol-viewport').first()
    await map.waitFor()
    await page.waitForTimeout(QUIET_MS)
    const cdp = await context.newCDPSession(page)
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
    const box = (await map.boundingBox())!
    const pan = async () => {
      await page.mouse.move(box.x + box.width * 0.2, box.y + box.height * 0.41)
      await page.mouse.down()
      await go(page, box, 0.2, 0.3, 500)
      await page.mouse.up()
    }
    const rows: [string, Blocked][] = [
      [
        'the pointer moved over the map, the first time, 3 s',
        await during(page, () => go(page, box, 0.1, 0.9, 3000)),
      ],
      ['again', await during(page, () => go(page, box, 0.9, 0.1, 3000))],
      ['the map panned, half a second', await during(page, pan)],
      ['again', await during(page, pan)],
    ]
    writeTable(
      BENCHMARKS,
      'moved',
      ['what', 'blocked', 'longest task', 'wanted'],
      rows.map(([what, m]) => [
        what,
        `${Math.round(m.blockedMs)} ms`,
        `${Math.round(m.longestMs)} ms`,
        '50 ms',
      ]),
    )
  } finally {
    await browser.close()
  }
}

void main()
