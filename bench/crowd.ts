// How long devices wait while the desk is busy: twenty of them post one entry after the other while the findings of a
// run of some 5,000 checks are worked out, and the first page with 500 trials. Starts a server of its own from the
// build. npm run bench:crowd
import { mkdtempSync, rmSync } from 'node:fs'
import { Agent, request } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { openDatabase } from '../src/data'
import { entryOf, filledTrial } from './filledTrial'
import { served } from './served'
import { BENCHMARKS, writeTable } from './table'

const DEVICES = 20
const HURRIED = 16
const PORT = 3467
const base = `http://127.0.0.1:${PORT}`
const at = (times: readonly number[], p: number) =>
  [...times].sort((a, b) => a - b)[Math.floor(p * (times.length - 1))]!

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

/** So many devices post one entry after the other, as fast as they are answered. */
async function hurried(run: string, devices: number, forMs: number): Promise<number[]> {
  const times: number[] = []
  const until = performance.now() + forMs
  const agent = new Agent({ keepAlive: true, maxSockets: devices })
  await Promise.all(
    Array.from({ length: devices }, async (_, d) => {
      for (let seq = 0; performance.now() < until; seq++) {
        const since = performance.now()
        await posted(
          agent,
          run,
          JSON.stringify({
            entries: [entryOf(run, `hurried ${d}`, seq, { kind: 'note', text: 'posted' })],
          }),
        )
        times.push(performance.now() - since)
      }
    }),
  )
  agent.destroy()
  return times
}

/** A request by hand: what stands between is to cost as little as it can. */
const posted = (agent: Agent, run: string, body: string) =>
  new Promise<void>((done, fail) => {
    const headers = {
      origin: base,
      'content-type': 'application/json',
      'content-length': Buffer.byteLength(body),
    }
    const asked = request(`${base}/api/runs/${run}/entries`, { agent, method: 'POST', headers }, (answer) => {
      answer.resume()
      answer.on('end', () => (answer.statusCode === 200 ? done() : fail(new Error(`${answer.statusCode}`))))
    })
    asked.on('error', fail)
    asked.end(body)
  })

const folder = mkdtempSync(join(tmpdir(), 'even-reach-crowd-'))
const rows: string[][] = []
const ms = (t: number) => `${Math.round(t)} ms`
try {
  const file = join(folder, 'a.db')
  const db = openDatabase(file)
  const many = filledTrial(db, 'Many', 833)
  const other = filledTrial(db, 'Posted to', 10)
  const stop = await served(file, PORT)
  try {
    await timed(() => fetch(base))
    const quiet = posting(other.run)
    await new Promise((go) => setTimeout(go, 15_000))
    await quiet.stop()
    await hurried(other.run, HURRIED, 2_000)
    const fast = await hurried(other.run, HURRIED, 8_000)
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
    rows.push([
      `entries posted a second by ${HURRIED} devices as fast as they are answered; 99th percentile`,
      `${Math.round(fast.length / 8)}, ${ms(at(fast, 0.99))}`,
      '500, 100 ms',
    ])
    for (let i = 0; i < 498; i++) filledTrial(db, `Trial ${i}`, 8)
    await timed(() => fetch(base))
    const again = []
    for (let i = 0; i < 5; i++) again.push(await timed(() => fetch(base)))
    rows.push(['the first page with 500 trials, second time on', ms(at(again, 0.5)), '1 s'])
  } finally {
    stop()
  }
} finally {
  rmSync(folder, { recursive: true, force: true })
}
writeTable(BENCHMARKS, 'crowd', ['what', 'measured', 'wanted'], rows)
