// What the map of the ground costs an old laptop while it is used: Chromium with its processor slowed four times, the
// pointer moved over it, the map panned, a mark dragged. Starts a demo of its own from the build. npm run bench:moved
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { chromium as playwright, type Page } from '@playwright/test'
import { chromium } from '../e2e/chromium'
import { longTasks, watchLongTasks, type Blocked } from './longTasks'
import { servedDemo, trialIn } from './served'
import { BENCHMARKS, writeTable } from './table'

const PORT = 3470
const base = `http://127.0.0.1:${PORT}`
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

/** Pixels between places where a mark is looked for: it is taken hold of from nine away. */
const LOOK_PX = 12

/** Where on the map a mark can be taken hold of, the nearest to its middle: the map says so by its class. */
async function markOn(page: Page, box: Box): Promise<{ x: number; y: number }> {
  const [cx, cy] = [box.x + box.width / 2, box.y + box.height / 2]
  const places: { x: number; y: number; off: number }[] = []
  for (let x = box.x + 40; x < box.x + box.width - 160; x += LOOK_PX)
    for (let y = box.y + 40; y < box.y + box.height - 40; y += LOOK_PX)
      places.push({ x, y, off: Math.hypot(x - cx, y - cy) })
  places.sort((a, b) => a.off - b.off)
  for (const { x, y } of places) {
    await page.mouse.move(x, y)
    if (await page.evaluate(() => document.querySelector('.ol-viewport.ol-grab') !== null)) return { x, y }
  }
  throw new Error('No mark of the demo is on the map.')
}

/** There and back, half a second each, so that the next time it lies where it lay. */
async function drag(page: Page, { x, y }: { x: number; y: number }): Promise<void> {
  await page.mouse.move(x, y)
  await page.mouse.down()
  const steps = Math.round(1000 / FRAME_MS)
  for (let i = 1; i <= steps; i++) {
    const off = 80 * Math.sin((Math.PI * i) / steps)
    await page.mouse.move(x + off, y + off / 4)
    await page.waitForTimeout(FRAME_MS)
  }
  await page.mouse.up()
}

async function main(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'even-reach-moved-'))
  const stop = await servedDemo(folder, PORT)
  const browser = await playwright.launch(chromium())
  try {
    const context = await browser.newContext({
      viewport: { width: 1280, height: 1400 },
      serviceWorkers: 'block',
    })
    const page = await context.newPage()
    await watchLongTasks(page)
    const home = await (await fetch(base)).text()
    await page.goto(`${base}${trialIn(home)}/ground`)
    const map = page.locator('.ol-viewport').first()
    await map.waitFor()
    await page.waitForTimeout(QUIET_MS)
    const box = (await map.boundingBox())!
    const cdp = await context.newCDPSession(page)
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
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
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: 1 })
    const mark = await markOn(page, box)
    await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
    rows.push(
      ['a mark dragged and let go, 1 s', await during(page, () => drag(page, mark))],
      ['again', await during(page, () => drag(page, mark))],
    )
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
    stop()
    rmSync(folder, { recursive: true, force: true })
  }
}

void main()
