import * as Comlink from 'comlink'
import { whenBroken } from './whenBroken'

/** A worker's calls. Each fails when the worker breaks, so that none is waited for without end. */
export interface GuardedWorker<T> {
  worker: Comlink.Remote<T>
  broken: Promise<never>
  end: () => void
}

/** Wraps a worker's calls with what makes them fail when it breaks. */
export function guarded<T>(own: Worker): GuardedWorker<T> {
  const broken = whenBroken(own)
  const remote = Comlink.wrap<T>(own) as unknown as Record<PropertyKey, (...given: unknown[]) => unknown>
  const worker = new Proxy(Object.create(null) as object, {
    // A promise would ask for `then`; the worker has none.
    get: (_, name) =>
      name === 'then' ? undefined : (...given: unknown[]) => Promise.race([remote[name]!(...given), broken]),
  }) as Comlink.Remote<T>
  return { worker, broken, end: () => own.terminate() }
}
