/**
 * Fails when a worker cannot be started or its script breaks off. Calls by Comlink would be waited for
 * without end then, so they are raced against it.
 */
export function whenBroken(worker: Worker): Promise<never> {
  const broken = new Promise<never>((_, reject) => {
    worker.addEventListener('error', (e) => reject(new Error(e.message || 'its worker could not be started')))
  })
  // Whoever races against it takes the failure; with nobody waiting it is no news.
  broken.catch(() => undefined)
  return broken
}
