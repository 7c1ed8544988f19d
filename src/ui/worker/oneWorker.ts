import * as Comlink from 'comlink'
import { whenBroken } from './whenBroken'

/** A worker's calls, and what fails when it breaks. */
export interface StartedWorker<T> {
  worker: Comlink.Remote<T>
  broken: Promise<never>
}

/** A worker that a page has one of: started when it is first asked for, and anew after it broke. */
export function oneWorker<T>(start: () => Worker): () => StartedWorker<T> {
  let kept: StartedWorker<T> | null = null
  return () => {
    if (kept) return kept
    const own = start()
    kept = { worker: Comlink.wrap<T>(own), broken: whenBroken(own) }
    kept.broken.catch(() => {
      kept = null
    })
    return kept
  }
}
