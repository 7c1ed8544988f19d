import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import * as Comlink from 'comlink'
import nodeEndpoint from 'comlink/dist/umd/node-adapter'
import { YOUNG_MB } from './helper/threadHelper'
import { findingsApiWith, type FindingsApi } from './findings'

/** Made by scripts/bundle.mjs. */
const THREAD = join('build', 'findingsThread.cjs')

/** The same functions, answered later. */
type Later<T extends Record<string, (...args: never[]) => unknown>> = {
  [K in keyof T]: (...args: Parameters<T[K]>) => Promise<Awaited<ReturnType<T[K]>>>
}

/** What corrections are learnt in does not wait for the answers of a whole list of trials. */
type Which = 'findings' | 'corrections'

const kept = new Map<Which, Later<FindingsApi>>()

/**
 * Starts a thread from a file. Whoever waits for it is told when it breaks.
 * @param onEnd called when it is of no use any more
 */
export function startThread(file: string, onEnd: () => void): Later<FindingsApi> {
  const thread = new Worker(file, { resourceLimits: { maxYoungGenerationSizeMb: YOUNG_MB } })
  // It must not keep the server from ending.
  thread.unref()
  const broken = new Promise<never>((_, reject) => {
    const end = (why: string) => {
      onEnd()
      reject(new Error(`The findings could not be worked out: ${why}. Ask again.`))
    }
    thread.on('error', (e) => end(e.message))
    thread.on('exit', () => end('their thread has ended'))
  })
  broken.catch(() => undefined)
  const remote = Comlink.wrap<FindingsApi>(nodeEndpoint(thread))
  return {
    findings: (input, events) => Promise.race([remote.findings(input, events), broken]),
    breakdown: (input, ground, events) => Promise.race([remote.breakdown(input, ground, events), broken]),
    next: (input) => Promise.race([remote.next(input), broken]),
    walks: (edges, chance) => Promise.race([remote.walks(edges, chance), broken]),
    correction: (told) => Promise.race([remote.correction(told), broken]),
    honest: (told) => Promise.race([remote.honest(told), broken]),
    legs: (ask) => Promise.race([remote.legs(ask), broken]),
  }
}

const findingsApi = findingsApiWith()
const here: Later<FindingsApi> = {
  findings: (input, events) => Promise.resolve(findingsApi.findings(input, events)),
  breakdown: (input, ground, events) => findingsApi.breakdown(input, ground, events),
  next: (input) => Promise.resolve(findingsApi.next(input)),
  walks: (edges, chance) => Promise.resolve(findingsApi.walks(edges, chance)),
  correction: (told) => Promise.resolve(findingsApi.correction(told)),
  honest: (told) => Promise.resolve(findingsApi.honest(told)),
  legs: (ask) => Promise.resolve(findingsApi.legs(ask)),
}

/**
 * A thread that findings, or corrections, are worked out in, so that the one that answers is never busy with them;
 * started anew where it broke. In tests, which bundle nothing, they are worked out here.
 */
export function findingsThread(which: Which = 'findings'): Later<FindingsApi> {
  if (process.env.VITEST) return here
  const file = join(process.cwd(), THREAD)
  const running = kept.get(which)
  if (running) return running
  if (!existsSync(file)) throw new Error(`${THREAD} is missing: run npm run build first`)
  const started = startThread(file, () => kept.delete(which))
  kept.set(which, started)
  return started
}
