import { deviceStatus } from './deviceStatus'
import type { ArrivedPage } from './arrival'
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
  send: async (runId, entries, waiting = 0) =>
    ask<SendAnswer>(`/api/runs/${runId}/entries`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ protocol: LOG_PROTOCOL, entries, status: await deviceStatus(waiting) }),
    }),
  fetchIds: async (runId) => (await ask<{ ids: string[] }>(`/api/runs/${runId}/entries?ids`)).ids,
  fetchAfter: (runId, after) => ask<ArrivedPage>(`/api/runs/${runId}/entries?after=${after}`),
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

/** All that a run needs, without its log. */
export const fetchPack = async (runId: string): Promise<RunPack> =>
  (await ask<{ pack: RunPack }>(`/api/runs/${runId}?pack`)).pack
