import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buildSync } from 'esbuild'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ALONE, type Task } from '@/core/model/byTwo'
import { MODEL_PRIORS } from '@/core/model/priors'
import { testRun } from '@/core/model/testing/runs'
import { helperIn, ThreadHelper } from './threadHelper'

/** A thread that knows what these tests ask of it. */
const THREAD = `
import { workerData } from 'node:worker_threads'
import { serveHelper } from '@/server/helper/serveHelper'

const sleep = (ms) => Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, ms)
const work = {
  size: (field) => 'there ' + field.size,
  slow: (_field, ms) => {
    sleep(ms)
    return 'there'
  },
  fails: () => {
    throw new Error('no')
  },
  ends: () => {
    process.exit(0)
  },
}
serveHelper(workerData, new Map(Object.entries(work).map(([name, work]) => [name, { name, work }])))
`

const task = <Ask>(name: string): Task<Ask, string> => ({ name, work: () => '' })
const sleep = (ms: number) => Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, ms)

describe('a helper in a thread of its own', () => {
  let folder: string
  let file: string
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'even-reach-helper-'))
    file = join(folder, 'thread.cjs')
    buildSync({
      stdin: { contents: THREAD, resolveDir: process.cwd(), loader: 'ts' },
      alias: { '@': join(process.cwd(), 'src') },
      bundle: true,
      platform: 'node',
      format: 'cjs',
      outfile: file,
    })
  })
  afterAll(() => rmSync(folder, { recursive: true, force: true }))

  const field = { input: testRun({ marks: 6, gainDb: [4, 0] }), priors: MODEL_PRIORS }
  /** One that is awake. */
  const started = (patienceMs?: number) => {
    const laid = ThreadHelper.start(file, patienceMs).lay(field)
    const awake = laid.begin(
      task('size'),
      () => null,
      () => 'here',
    )
    sleep(1500)
    return { laid, awake }
  }
  const here = () => 'here'

  it('does what it is asked for on the field that lies before it', () => {
    const { laid, awake } = started()
    expect(awake()).toMatch(/^there \d+$/)
    laid.clear()
    const cleared = laid.begin(task('size'), () => null, here)
    sleep(300)
    expect(cleared()).toBe('here')
  })

  it('is not waited for while there is something else to do, nor for what it has not begun', () => {
    const { laid } = started()
    const slow = laid.begin(task<number>('slow'), () => 600, here)
    const next = laid.begin(task<number>('slow'), () => 0, here)
    sleep(200)
    const order: string[] = []
    const last = laid.begin(
      task('size'),
      () => null,
      () => (order.push('last'), 'here'),
    )
    expect(slow()).toBe('there')
    expect(order).toEqual(['last'])
    expect([next(), last()]).toEqual(['here', 'here'])
  })

  it('that fails, ends or never comes leaves the work to whoever asked', () => {
    const { laid } = started(300)
    const fails = laid.begin(task('fails'), () => null, here)
    sleep(200)
    expect(fails()).toBe('here')
    const ends = laid.begin(task('ends'), () => null, here)
    sleep(300)
    expect(ends()).toBe('here')
    const gone = laid.begin(task('size'), () => null, here)
    expect(gone()).toBe('here')
    const stuck = started(200).laid.begin(task<number>('slow'), () => 3000, here)
    sleep(100)
    expect(stuck()).toBe('here')
  })

  it('is nobody where there is none', () => {
    expect(helperIn(folder)).toBe(ALONE)
  })
})
