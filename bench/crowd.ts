// How long devices wait while the desk is busy: twenty of them post one entry after the other while the findings of a
// run of some 5,000 checks are worked out, and the first page with 500 trials. Starts a server of its own from the
// build. npm run bench:crowd
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { v7 } from 'uuid'
import { ORDINARY_FIELD, simulateRun } from '../src/core/sim'
import { testEntry } from '../src/core/testing/entries'
import type { Entry, Mark, TrialPlan } from '../src/core/trial'
import { addTrial, appendEntries, openDatabase, startRun, type Db } from '../src/data'
import { testDay } from '../src/data/testing/day'
import { BENCHMARKS, writeTable } from './table'

const DEVICES = 20
const PORT = 3467
const base = `http://127.0.0.1:${PORT}`
const NOTE = { note: '', fixedBeforehand: false, imported: false }
const { day } = testDay()

/** The day's plan with so many marks. */
const planOf = (count: number): TrialPlan => ({
  ...day.plan,
  marks: Array.from({ length: count }, (_, i): Mark => ({
    ...day.plan.marks[0]!,
    id: `m${i}`,
    name: `M${i}`,
    distanceM: 200 + 7 * i,
    alongM: 200 + 7 * i,
  })),
})

const entryOf = (runId: string, device: string, seq: number, body: Entry['body']): Entry =>
  testEntry(body, { id: v7(), runId, device, seq, wallTime: new Date().toISOString() })

/** A trial with a run whose checks are simulated. */
function filled(db: Db, name: string, marks: number): { trial: string; run: string; checks: number } {
  const plan = planOf(marks)
  const trial = addTrial(db, name, '', 1)
  const run = startRun(db, trial, name, plan, NOTE)
  const checks = simulateRun(plan, { ...ORDINARY_FIELD, seed: 1, gainDbi: {} })
  appendEntries(
    db,
    checks.map((c, i) => entryOf(run, 'bench', i, { kind: 'check', ...c })),
  )
  return { trial, run, checks: checks.length }
}

const at = (times: readonly number[], p: number) =>
  [...times].sort((a, b) => a - b)[Math.floor(p * (times.length - 1))]!

async function started(file: string) {
  const server = spawn(process.execPath, [join('build', 'server.cjs')], {
    env: { ...process.env, NODE_ENV: 'production', EVEN_REACH_DB: file, PORT: String(PORT) },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  await new Promise<void>((ready) => {
    server.stdout.on('data', (said: Buffer) => {
      if (said.includes('Ready')) ready()
    })
  })
  return server
}

async function timed(work: () => Promise<Response>): Promise<number> {
  const since = performance.now()
  const answer = await work()
  await answer.text()
  if (!answer.ok) throw new Error(`${answer.status} from ${answer.url}`)
  return performance.now() - since
}

/** Twenty devices, each an entry every second at a moment of its own, until told to stop. */
function posting(run: string): { times: number[]; stop: () => Promise<void> } {
  const times: number[] = []
  let on = true
  const devices = Array.from({ length: DEVICES }, async (_, d) => {
    await new Promise((go) => setTimeout(go, (1000 * d) / DEVICES))
    for (let seq = 0; on; seq++) {
      const body = JSON.stringify({
        entries: [entryOf(run, `device ${d}`, seq, { kind: 'note', text: 'posted' })],
      })
      const headers = { origin: base, 'content-type': 'application/json' }
      const took = await timed(() =>
        fetch(`${base}/api/runs/${run}/entries`, { method: 'POST', headers, body }),
      )
      times.push(took)
      await new Promise((go) => setTimeout(go, Math.max(0, 1000 - took)))
    }
  })
  return {
    times,
    stop: async () => {
      on = false
      await Promise.all(devices)
    },
  }
}

const folder = mkdtempSync(join(tmpdir(), 'even-reach-crowd-'))
const rows: string[][] = []
const ms = (t: number) => `${Math.round(t)} ms`
try {
  const file = join(folder, 'a.db')
  const db = openDatabase(file)
  const many = filled(db, 'Many', 833)
  const other = filled(db, 'Posted to', 10)
  const server = await started(file)
  try {
    await timed(() => fetch(base))
    const quiet = posting(other.run)
    await new Promise((go) => setTimeout(go, 15_000))
    await quiet.stop()
    const busy = posting(other.run)
    const findings = await timed(() => fetch(`${base}/trials/${many.trial}/findings`))
    await busy.stop()
    rows.push(
      [
        'an entry posted, 20 devices one a second each, nothing else: 95th percentile',
        ms(at(quiet.times, 0.95)),
        '',
      ],
      [
        `the same while findings of ${many.checks} checks are worked out (${Math.round(findings / 1000)} s)`,
        `${ms(at(busy.times, 0.95))}, at most ${ms(Math.max(...busy.times))}`,
        '100 ms',
      ],
    )
    for (let i = 0; i < 498; i++) filled(db, `Trial ${i}`, 8)
    await timed(() => fetch(base))
    const again = []
    for (let i = 0; i < 5; i++) again.push(await timed(() => fetch(base)))
    rows.push(['the first page with 500 trials, second time on', ms(at(again, 0.5)), '1 s'])
  } finally {
    server.kill()
  }
} finally {
  rmSync(folder, { recursive: true, force: true })
}
writeTable(BENCHMARKS, 'crowd', ['what', 'measured', 'wanted'], rows)
