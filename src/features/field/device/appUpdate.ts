/** A newer build that is on this device and waits to be used. */
export type Waiting = ServiceWorker

/** Calls back once a newer build waits. @returns ends it */
export function onWaiting(found: (worker: Waiting) => void): () => void {
  if (!('serviceWorker' in navigator)) return () => undefined
  let ended = false
  void navigator.serviceWorker.getRegistration().then((registration) => {
    if (!registration || ended) return
    const look = () => {
      // The first that there ever was takes over by itself.
      if (registration.waiting && navigator.serviceWorker.controller && !ended) found(registration.waiting)
    }
    look()
    registration.addEventListener('updatefound', () =>
      registration.installing?.addEventListener('statechange', look),
    )
  })
  return () => {
    ended = true
  }
}

/** Whether a run is open in any tab of this device: its parts are of the build that it was opened with. */
export async function isRunOpen(): Promise<boolean> {
  if (!('locks' in navigator)) return true
  const { held } = await navigator.locks.query()
  return (held ?? []).some((lock) => lock.name?.startsWith('run '))
}

/** Uses the newer build from now on, and loads this page anew with it. */
export function takeNewer(worker: Waiting): void {
  navigator.serviceWorker.addEventListener('controllerchange', () => window.location.reload(), { once: true })
  worker.postMessage({ type: 'SKIP_WAITING' })
}
