// How soon things are there from nothing: the server on a database that is there, its first page, a page to print that
// nobody has asked for yet, and the command line. npm run bench:start, after a build
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { median } from './median'
import { served, trialIn } from './served'
import { BENCHMARKS, writeTable } from './table'

const PORT = 3469
const base = `http://127.0.0.1:${PORT}`
const TIMES = Number(process.argv[2] ?? 5)
const SPRING = join('e2e', 'fixtures', 'ostrey-spring')
const DAY = ['--checks', `${SPRING}-checks.csv`, '--kit', `${SPRING}-kit.json`, '--gpx', `${SPRING}.gpx`]

const seconds = (values: readonly number[]) => `${(median(values) / 1000).toFixed(2)} s`

/** How long an answer takes to begin, and to end. */
async function answered(path: string): Promise<{ beganMs: number; endedMs: number; text: string }> {
  const since = performance.now()
  const answer = await fetch(base + path)
  const reader = answer.body!.getReader()
  const parts: Uint8Array[] = []
  let beganMs = 0
  for (let part = await reader.read(); !part.done; part = await reader.read()) {
    if (parts.length === 0) beganMs = performance.now() - since
    parts.push(part.value)
  }
  if (!answer.ok) throw new Error(`${answer.status} from ${path}`)
  return { beganMs, endedMs: performance.now() - since, text: Buffer.concat(parts).toString() }
}

function ran(args: readonly string[], env = process.env): number {
  const since = performance.now()
  const { status, stderr } = spawnSync(process.execPath, args, { env })
  if (status !== 0) throw new Error(stderr.toString())
  return performance.now() - since
}

async function main(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'even-reach-start-'))
  const file = join(folder, 'demo.db')
  const took: Record<'seed' | 'ready' | 'page' | 'began' | 'printed' | 'help' | 'day', number[]> = {
    seed: [],
    ready: [],
    page: [],
    began: [],
    printed: [],
    help: [],
    day: [],
  }
  try {
    took.seed.push(ran(['build/seed.cjs', '--demo'], { ...process.env, EVEN_REACH_DB: file }))
    for (let i = 0; i < TIMES; i++) {
      const since = performance.now()
      const stop = await served(file, PORT)
      took.ready.push(performance.now() - since)
      const { text } = await answered('/')
      took.page.push(performance.now() - since)
      const trial = trialIn(text)
      const { beganMs, endedMs } = await answered(`${trial}/findings/summary`)
      took.began.push(beganMs)
      took.printed.push(endedMs)
      stop()
      took.help.push(ran(['scripts/findings.mjs', '--help']))
      took.day.push(ran(['scripts/findings.mjs', ...DAY]))
    }
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
  writeTable(
    BENCHMARKS,
    'start',
    ['what', 'measured', 'wanted'],
    [
      ['the demo seeded', seconds(took.seed), ''],
      ['the server ready, from its start', seconds(took.ready), ''],
      ['its first page there, from its start', seconds(took.page), '1.5 s'],
      ['one page to print, the first after a start: its first byte', seconds(took.began), '0.5 s'],
      ['all of it', seconds(took.printed), ''],
      ['the command line ready (`npm run -s findings -- --help`, without npm)', seconds(took.help), '0.3 s'],
      ['one day of it, JSON with all that lies behind', seconds(took.day), '2 s'],
    ],
  )
}

void main()
