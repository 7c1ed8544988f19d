// What each page costs an old laptop: Chromium with its processor slowed four times, cold and warm, medians; the
// list with 200 trials, and the findings of a run of 19,000 checks, from the server alone. Starts servers of its own from
// the build. npm run bench:pages
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { gzipSync } from 'node:zlib'
import { chromium as playwright, type Browser, type BrowserContext } from '@playwright/test'
import { chromium } from '../e2e/chromium'
import { openDatabase } from '../src/data'
import { filledTrial } from './filledTrial'
import { longTasks, watchLongTasks, type Blocked } from './longTasks'
import { median } from './median'
import { served, servedDemo, trialIn } from './served'
import { BENCHMARKS, writeTable } from './table'

const PORT = 3468
const base = `http://127.0.0.1:${PORT}`
const SLOWED = 4
const TIMES = Number(process.argv[2] ?? 3)
const SETTLED_MS = 2500

const seconds = (ms: number) => `${(ms / 1000).toFixed(2)} s`

interface Felt extends Blocked {
  hydratedMs: number
  nodes: number
}

/** Opens a page and waits until it answers, then until it is quiet. */
async function felt(context: BrowserContext, path: string): Promise<Felt> {
  const page = await context.newPage()
  const cdp = await context.newCDPSession(page)
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: SLOWED })
  await watchLongTasks(page)
  const since = performance.now()
  await page.goto(base + path, { waitUntil: 'commit' })
  await page.waitForFunction(() => {
    const e = document.querySelector('main button, main a, header button')
    return e !== null && Object.keys(e).some((k) => k.startsWith('__reactProps'))
  })
  const hydratedMs = performance.now() - since
  await page.waitForTimeout(SETTLED_MS)
  const blocked = await longTasks(page)
  const nodes = await page.evaluate(() => document.querySelectorAll('*').length)
  await page.close()
  return { hydratedMs, ...blocked, nodes }
}

async function rowOf(browser: Browser, name: string, path: string): Promise<string[]> {
  const [cold, warm]: [Felt[], Felt[]] = [[], []]
  for (let i = 0; i < TIMES; i++) {
    // Without the service worker, which fetches its own files meanwhile.
    const context = await browser.newContext({ serviceWorkers: 'block' })
    cold.push(await felt(context, path))
    warm.push(await felt(context, path))
    await context.close()
  }
  const of = (all: Felt[], key: keyof Felt) => median(all.map((f) => f[key]))
  return [
    name,
    `${seconds(of(cold, 'hydratedMs'))}, ${seconds(of(warm, 'hydratedMs'))}`,
    `${seconds(of(cold, 'blockedMs'))}, ${seconds(of(warm, 'blockedMs'))}`,
    `${Math.round(of(cold, 'longestMs'))} ms`,
    String(of(cold, 'nodes')),
  ]
}

async function fetched(path: string): Promise<{ ms: number; kB: number; text: string }> {
  const since = performance.now()
  const answer = await fetch(base + path)
  const text = await answer.text()
  if (!answer.ok) throw new Error(`${answer.status} from ${path}`)
  return { ms: performance.now() - since, kB: gzipSync(text).length / 1000, text }
}

async function pages(folder: string): Promise<void> {
  const stop = await servedDemo(folder, PORT)
  const browser = await playwright.launch(chromium())
  try {
    const trial = trialIn((await fetched('/')).text)
    const opened = [
      'kit',
      'plan',
      'ground',
      'field',
      'findings',
      'findings/reach',
      'findings/differences',
      'reach',
    ]
    const all = [['the list', '/'], ...opened.map((p) => [p, `${trial}/${p}`]), ['field screen', '/field']]
    // What the server keeps of each is made before anything is measured.
    for (const [, path] of all) await fetched(path!)
    const rows: string[][] = []
    for (const [name, path] of all) rows.push(await rowOf(browser, name!, path!))
    writeTable(
      BENCHMARKS,
      'pages',
      ['page', 'answers after (cold, warm)', 'blocked (cold, warm)', 'longest task', 'elements'],
      rows,
    )
  } finally {
    await browser.close()
    stop()
  }
}

const PLACES = ['', '/reach', '/differences', '/changes', '/checks', '/next', '/summary']

async function large(folder: string): Promise<void> {
  const file = join(folder, 'large.db')
  const db = openDatabase(file)
  const trials = Array.from({ length: 199 }, (_, i) => filledTrial(db, `Trial ${i}`, 32))
  const few = filledTrial(db, 'Few', 17)
  const many = filledTrial(db, 'Many', 3167)
  const entries = trials.reduce((s, t) => s + t.checks, few.checks)
  const starting = performance.now()
  const stop = await served(file, PORT)
  try {
    const first = await fetched('/')
    const sinceStart = performance.now() - starting
    const home: number[] = []
    for (let i = 0; i < 5; i++) home.push((await fetched('/')).ms)
    const rows = [
      [
        `the list, ${trials.length + 2} trials of ${entries + many.checks} entries: from the start, first, again`,
        `${seconds(sinceStart)}, ${seconds(first.ms)}, ${seconds(median(home))}`,
        `${first.kB.toFixed(0)} kB`,
      ],
    ]
    for (const run of [few, many])
      for (const place of PLACES) {
        const path = `/trials/${run.trial}/findings${place}`
        const one = await fetched(path)
        const again = await fetched(path)
        rows.push([
          `findings${place} of ${run.checks} checks: first, again`,
          `${seconds(one.ms)}, ${seconds(again.ms)}`,
          `${again.kB.toFixed(0)} kB`,
        ])
      }
    writeTable(BENCHMARKS, 'large', ['what', 'time', 'HTML, compressed'], rows)
  } finally {
    stop()
  }
}

async function main(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'even-reach-pages-'))
  try {
    if (process.argv[3] !== 'large') await pages(folder)
    if (process.argv[3] !== 'small') await large(folder)
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

void main()
