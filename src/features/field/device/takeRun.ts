import { LOG_PROTOCOL } from '@/core/trial'
import { deviceStore, keepPack } from '../log/deviceStore'
import { ServerRefused } from '../log/entryQueue'
import type { RunPack } from '../log/runPack'
import { arrivedUpTo, pagesAfter } from '../log/arrival'
import { fetchPack, wire } from '../log/wire'
import { takePost } from './settings'

/** Fetches a run with all that it needs and its log, and keeps it on this device. */
export async function fetchAndKeep(runId: string): Promise<RunPack> {
  const pack = await fetchPack(runId)
  if (pack.protocol > LOG_PROTOCOL)
    throw new ServerRefused('The server is newer than this page. Reload it while the network is there.')
  await keepPack(pack)
  takePost(runId, pack.post ?? null)
  for await (const page of pagesAfter(wire, runId, arrivedUpTo(runId)))
    await deviceStore().addHeld(page.entries)
  return pack
}

/** The same where it is taken along on purpose: the browser is asked not to clear it away. */
export async function takeRun(runId: string): Promise<void> {
  await navigator.storage?.persist?.()
  await fetchAndKeep(runId)
}

/** Whether the page itself would open with no network. */
export async function pageKept(): Promise<boolean> {
  if (!('serviceWorker' in navigator) || !('caches' in window)) return false
  // The worker fills its store once; a first visit may have to wait for it.
  await Promise.race([navigator.serviceWorker.ready, new Promise((r) => setTimeout(r, 10_000))])
  return (await caches.match('/field', { ignoreSearch: true })) !== undefined
}
