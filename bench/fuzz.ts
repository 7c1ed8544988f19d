// Damaged files for every reader: npm run fuzz -- 100000. Each reader works in a process of its own, which is ended
// where it takes longer or more memory than it may.
import { fork } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import { mutator } from '@/core/testing/fuzz'
import { READERS } from '@/data/testing/readers'

const MOST_MS = 5_000
const START_MS = 30_000
const MOST_MB = 512
/** What was last begun is said this often. */
const EVERY = 50

type Said = { at: number; bytes: string } | { slowest: number }

async function work(name: string, times: number) {
  const { read, seeds } = READERS.find((r) => r.name === name)!
  for (const how of ['warn', 'error', 'log'] as const) console[how] = () => undefined
  const damaged = mutator(20_260_516)
  let slowest = 0
  for (let i = 0; i < times; i++) {
    const bytes = damaged(seeds[i % seeds.length]!)
    if (i % EVERY === 0) {
      process.send!({ at: i, bytes: Buffer.from(bytes.subarray(0, 200)).toString('latin1') } satisfies Said)
      await new Promise((r) => setImmediate(r))
    }
    const since = performance.now()
    try {
      await read(bytes)
    } catch (e) {
      throw new Error(
        `number ${i}: ${String(e)} for ${JSON.stringify(Buffer.from(bytes).toString('latin1'))}`,
        {
          cause: e,
        },
      )
    }
    slowest = Math.max(slowest, performance.now() - since)
  }
  process.send!({ slowest } satisfies Said)
  process.disconnect()
}

/** @returns what went wrong; null where nothing did */
function run(name: string, times: number): Promise<string | null> {
  return new Promise((answer) => {
    const child = fork(fileURLToPath(import.meta.url), ['--work', name, String(times)], {
      execArgv: ['--import', 'tsx', `--max-old-space-size=${MOST_MB}`],
      stdio: ['ignore', 'inherit', 'pipe', 'ipc'],
    })
    let [at, last, error] = [0, '', '']
    let slowest: number | null = null
    let timer = setTimeout(() => undefined, 0)
    const wait = (ms: number) => {
      clearTimeout(timer)
      timer = setTimeout(() => {
        error = `took longer than ${ms / 1000} s`
        child.kill('SIGKILL')
      }, ms)
    }
    wait(START_MS)
    child.stderr!.on('data', (b: Buffer) => (error += String(b)))
    child.on('message', (said: Said) => {
      if ('slowest' in said) slowest = said.slowest
      else ({ at, bytes: last } = said)
      wait(MOST_MS * 2)
    })
    child.on('exit', () => {
      clearTimeout(timer)
      if (slowest === null) answer(`${name}, from number ${at} on: ${error} ${JSON.stringify(last)}`)
      else {
        process.stdout.write(`${name}: ${times} read, the slowest in ${slowest.toFixed(0)} ms\n`)
        answer(slowest > MOST_MS ? `${name}: the slowest took ${slowest.toFixed(0)} ms` : null)
      }
    })
  })
}

const [, , first, name, count] = process.argv
if (first === '--work') await work(name!, Number(count))
else {
  const times = Number(first ?? 100_000)
  const broken: string[] = []
  for (const reader of READERS) {
    const why = await run(reader.name, Math.ceil(times / (reader.dear ?? 1)))
    if (why) broken.push(why)
  }
  for (const b of broken) process.stdout.write(`BROKEN ${b}\n`)
  process.exit(broken.length > 0 ? 1 : 0)
}
