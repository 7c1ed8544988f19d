import type { Entry } from '@/core/trial'
import { ServerRefused, type SendAnswer, type Wire } from './entryQueue'
import { LOG_PROTOCOL } from '@/core/trial'
import type { RunPack } from './runPack'

/** Longer than this a request is given up; out there a network can swallow one. */
const PATIENCE_MS = 15_000

async function ask<T>(path: string, init?: RequestInit): Promise<T> {
  const response = await fetch(path, { cache: 'no-store', signal: AbortSignal.timeout(PATIENCE_MS), ...init })
  const answer = (await response.json().catch(() => ({}))) as T & { message?: string }
  if (response.ok) return answer
  const said = answer.message ?? `The server answered ${response.status}`
  throw response.status >= 400 && response.status < 500 ? new ServerRefused(said) : new Error(said)
}

/** The way to this server. */
export const wire: Wire = {
  send: (runId, entries) =>
    ask<SendAnswer>(`/api/runs/${runId}/entries`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ protocol: LOG_PROTOCOL, entries }),
    }),
  fetchIds: async (runId) => (await ask<{ ids: string[] }>(`/api/runs/${runId}/entries?ids`)).ids,
  fetchAll: async (runId) => (await ask<{ entries: Entry[] }>(`/api/runs/${runId}/entries`)).entries,
}

/** Sends a photo or a sound. */
export async function putMedia(runId: string, id: string, blob: Blob): Promise<void> {
  await ask(`/api/runs/${runId}/media/${id}`, {
    method: 'PUT',
    headers: { 'content-type': blob.type },
    body: blob,
    // A long recording over a thin line takes its time.
    signal: AbortSignal.timeout(PATIENCE_MS + blob.size / 20),
  })
}

/** All that a run needs, and its log as the server holds it. */
export function fetchRun(runId: string): Promise<{ pack: RunPack; entries: Entry[] }> {
  return ask(`/api/runs/${runId}`)
}
