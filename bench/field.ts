// How fast the field screen is in Chromium: tap to durable with the processor slowed four times, and opening a run of
// 5,000 entries. Wants a server of the demo: npm run demo, then npm run bench:field -- http://127.0.0.1:3217
import { chromium } from '@playwright/test'
import { BENCHMARKS, writeTable } from './table'
import { chromium as chromiumOptions } from '../e2e/chromium'

declare global {
  interface Window {
    /**
     * What the page under measurement notes: when a key came, and how long each took until stored, until shown (ms).
     */
    bench: { writes: number[]; taps: number[]; keyStored: number; keyShown: number }
  }
}

const base = process.argv[2] ?? 'http://127.0.0.1:3217'
const browser = await chromium.launch(chromiumOptions())
const page = await browser.newPage({ viewport: { width: 390, height: 844 } })
await page.goto(base)
const trial = await page
  .getByRole('listitem')
  .getByRole('link', { name: /^Four or eight/ })
  .first()
  .getAttribute('href')
if (!trial) throw new Error('The server has no demo trial “Four or eight…”.')
await page.goto(`${base}${trial.split('/').slice(0, 3).join('/')}/field`)
await page.getByLabel('Name of the run').fill(`Bench ${Date.now()}`)
await page.getByRole('button', { name: 'Begin the run' }).click()
await page.waitForURL(/\/field\?run=/)
await page.getByRole('button', { name: 'More' }).waitFor()
const run = new URL(page.url()).searchParams.get('run')
await page.waitForTimeout(3000)

// From the key to the end of the transaction that makes it durable. The listener is the transaction's first,
// so that what the screen does with the news is not counted.
await page.evaluate(() => {
  const bench = (window.bench = { writes: [], taps: [], keyStored: 0, keyShown: 0 } as Window['bench'])
  const begin = IDBDatabase.prototype.transaction
  IDBDatabase.prototype.transaction = function (...args) {
    const made = begin.apply(this, args)
    if (bench.keyStored) {
      const from = bench.keyStored
      bench.keyStored = 0
      made.addEventListener('complete', () => bench.writes.push(performance.now() - from))
    }
    return made
  }
  window.addEventListener('keydown', () => (bench.keyShown = bench.keyStored = performance.now()), true)
  const shown = new MutationObserver(() => {
    if (!bench.keyShown) return
    bench.taps.push(performance.now() - bench.keyShown)
    bench.keyShown = 0
  })
  shown.observe(document.querySelector('[role=status]')!, {
    childList: true,
    subtree: true,
    characterData: true,
  })
})
const session = await page.context().newCDPSession(page)
await session.send('Emulation.setCPUThrottlingRate', { rate: 4 })
for (let i = 0; i < 46; i++) {
  await page.keyboard.press('n')
  await page.waitForTimeout(200)
}
await session.send('Emulation.setCPUThrottlingRate', { rate: 1 })
const { writes, taps } = await page.evaluate(() => window.bench)
const at = (values: number[], p: number) =>
  [...values].sort((a, b) => a - b)[Math.floor(p * (values.length - 1))]!.toFixed(1)
const ms = (t: string) => `${t} ms`
const rows = [
  ['key to durable, processor slowed 4 times, median', ms(at(writes, 0.5)), ''],
  ['the same, 95th percentile', ms(at(writes, 0.95)), '16 ms'],
  ['key to shown, slowed 4 times, 95th percentile', ms(at(taps, 0.95)), ''],
]

const hex = (n: number, digits: number) => n.toString(16).padStart(digits, '0')
for (let from = 0; from < 5000; from += 500) {
  const entries = Array.from({ length: 500 }, (_, i) => ({
    id: `01970000-${hex(from + i, 4)}-7000-8000-${hex(Date.now(), 12)}`,
    runId: run,
    device: 'bench',
    role: 'out there',
    wallTime: new Date(1.78e12 + (from + i) * 1000).toISOString(),
    seq: from + i,
    supersedes: null,
    body: { kind: 'note', text: `note ${from + i}` },
  }))
  const answer = await page.request.post(`${base}/api/runs/${run}/entries`, {
    data: { entries },
    headers: { origin: base },
  })
  if (!answer.ok()) throw new Error(await answer.text())
}
await page.reload()
await page.getByRole('button', { name: 'More' }).waitFor()
await page.waitForTimeout(6000)
const opened: number[] = []
for (let i = 0; i < 5; i++) {
  await page.reload({ waitUntil: 'commit' })
  await page.waitForFunction(() => document.querySelector('header')?.textContent?.includes('46 of'))
  opened.push(
    await page.evaluate(
      () =>
        performance.now() -
        (performance.getEntriesByType('navigation')[0] as PerformanceNavigationTiming)
          .domContentLoadedEventEnd,
    ),
  )
}
rows.push(['a run of 5,000 entries opened from the device, median', ms(at(opened, 0.5)), '300 ms'])
writeTable(BENCHMARKS, 'field', ['what', 'measured', 'wanted'], rows)
await browser.close()
