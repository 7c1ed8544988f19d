import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import * as Comlink from 'comlink'
import nodeEndpoint from 'comlink/dist/umd/node-adapter'
import { findingsApi, type FindingsApi } from './findings'

/** Made by scripts/build.mjs. */
const THREAD = join('build', 'findingsThread.cjs')

let kept: Comlink.Remote<FindingsApi> | null = null

function started(file: string): Comlink.Remote<FindingsApi> {
  const thread = new Worker(file)
  // It must not keep the server from ending; broken, it is started anew by whoever asks next.
  thread.unref()
  const end = () => {
    kept = null
  }
  thread.on('error', end)
  thread.on('exit', end)
  return Comlink.wrap<FindingsApi>(nodeEndpoint(thread))
}

/**
 * The thread that findings are worked out in, so that the one that answers is never busy with them. In tests, which
 * build nothing, it is worked out here.
 */
export function findingsThread(): Comlink.Remote<FindingsApi> | Promised<FindingsApi> {
  if (process.env.VITEST) return here
  const file = join(process.cwd(), THREAD)
  if (!kept && !existsSync(file)) throw new Error(`${THREAD} is missing: run npm run build first`)
  kept ??= started(file)
  return kept
}

type Promised<T extends Record<string, (...args: never[]) => unknown>> = {
  [K in keyof T]: (...args: Parameters<T[K]>) => Promise<Awaited<ReturnType<T[K]>>>
}

const here: Promised<FindingsApi> = {
  findings: (input) => Promise.resolve(findingsApi.findings(input)),
  basis: (input) => Promise.resolve(findingsApi.basis(input)),
  breakdown: (input, ground, events) => findingsApi.breakdown(input, ground, events),
}
