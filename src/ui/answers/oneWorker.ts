import { guarded, type GuardedWorker } from './guarded'

/** A worker that a page has one of: started when it is first asked for, and anew after it broke. */
export function oneWorker<T>(start: () => Worker): () => GuardedWorker<T> {
  let kept: GuardedWorker<T> | null = null
  return () => {
    if (kept) return kept
    kept = guarded<T>(start())
    kept.broken.catch(() => {
      kept = null
    })
    return kept
  }
}
